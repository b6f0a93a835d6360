<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Rows;

/**
 * What the wall shows of a rig in every state: plates, trays with their rows, links, each asked of the component
 * it belongs to. No geometry.
 */
final class Topology
{
    /** @return array{plates: object, trays: object, links: list<array<string, mixed>>} */
    public static function of(Rig $rig): array
    {
        $plates = $trays = $links = $grounds = [];
        foreach ($rig->components as $id => $component) {
            $plate = $component->plateIn($rig);
            if ($plate !== null) {
                $plates[$id] = self::plate($component, $plate);
            }
            $tray = $component->tray($rig);
            if ($tray !== null) {
                $trays[$id] = $tray;
            }
            array_push($links, ...$component->links($rig));
            if ($component->hasGroundedCase()) {
                $grounds[] = Link::ground($id);
            }
        }
        foreach (self::outlets($rig) as $id => $circuits) {
            $tray = Circuit::trayOf($id);
            $plates[$tray] = [
                'type' => 'outlets',
                'label' => $rig->label($id) . ': outlets',
                'band' => 'panels',
                'shape' => 'tray',
                'rank' => 2,
                'lines' => [],
                'assumed' => 0,
                'pole' => null,
            ];
            $rows = [];
            foreach ($circuits as $n => $circuit) {
                foreach (Rows::of($circuit, $rig) as $row) {
                    $rows[] = ['slot' => $n + 1] + $row;
                }
            }
            $trays[$tray] = ['rows' => $rows, 'bondScrew' => false, 'role' => 'outlets', 'carries' => []];
            $links[] = self::toOutlets($id, $circuits);
        }

        return ['plates' => (object) $plates, 'trays' => (object) $trays, 'links' => [...$links, ...$grounds]];
    }

    /** @return array<string, mixed> */
    private static function plate(Component $component, Plate $plate): array
    {
        return [
            'type' => $component::type(),
            'label' => $component->label(),
            'band' => $plate->band,
            'shape' => $plate->shape,
            'rank' => $plate->rank,
            'lines' => $plate->lines,
            'assumed' => $component->assumptions(),
            'pole' => $plate->pole,
        ];
    }

    /** @return array<string, non-empty-list<Circuit>> equipment => circuits wired to it */
    private static function outlets(Rig $rig): array
    {
        $outlets = [];
        foreach ($rig->all(Circuit::class) as $circuit) {
            $at = $circuit->equipment('hot');
            if ($at !== null && isset($rig->components[$at])) {
                $outlets[$at][] = $circuit;
            }
        }

        return $outlets;
    }

    /**
     * @param non-empty-list<Circuit> $circuits
     * @return array<string, mixed>
     */
    private static function toOutlets(string $equipment, array $circuits): array
    {
        $first = $circuits[0]->id;

        return Link::ac(
            "{$equipment}.outlets",
            Link::end($circuits[0]->values->group('hot')),
            ['c' => Circuit::trayOf($equipment)],
            ["{$first}.l", "{$first}.l"],
            ["{$first}.n", "{$first}.n"],
            array_merge(
                ...array_map(fn(Circuit $c): array => ["{$c->id}.pole", "{$c->id}.hot", "{$c->id}.neutral"], $circuits),
            ),
        );
    }
}
