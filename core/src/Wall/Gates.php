<?php

declare(strict_types=1);

namespace Hollin\Core\Wall;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Rules\Examination;
use Hollin\Core\States\Settled;

/**
 * What every part that switches is in: its position, what hands have set on it, which ways are closed, what its current
 * can be read from.
 */
final class Gates
{
    /** Which way of a part with several a position closes, as the wall draws it. */
    private const WAYS = ['transfer_switch' => ['a' => 'a', 'b' => 'b'], 'bypass' => ['unit' => 'unit', 'past' => 'a']];

    /** @return array<string, array<string, mixed>> by component */
    public static function of(Examination $rig, Settled $settled): array
    {
        $devices = [];
        foreach ($rig->graph->devices as $device) {
            $devices[$device->component][] = $device;
        }
        $gates = [];
        foreach ($devices as $component => $own) {
            [$main, $mode, $run] = self::roles($own);
            $byHand = array_filter($own, fn(Device $d): bool => $d !== $main && $d->job !== 'breaker' && $d !== $run);
            $position = $main === null ? '' : $settled->positions[$main->id];
            $gates[$component] =
                [
                    'position' => $position,
                    'words' => $main === null ? '' : self::words($main, $settled),
                    'mode' => $mode === null ? '' : self::words($mode, $settled),
                    'settings' => array_values(
                        array_map(
                            fn(Device $d): string => ($d->job === 'mode' ? 'switch ' : '') . self::words($d, $settled),
                            $byHand,
                        ),
                    ),
                    'running' => $run !== null && $settled->positions[$run->id] === 'running',
                    'direct' =>
                        array_values(
                            array_filter(
                                $rig->graph->converters,
                                fn(PowerConverter $c): bool => $c->component === $component &&
                                    $c->kind === PowerConverter::INVERTER,
                            ),
                        )[0]->id ?? null,
                ] + self::contacts($rig, $settled, $component, $position);
        }

        return $gates;
    }

    /**
     * @param list<Device> $devices of one part
     * @return array{?Device, ?Device, ?Device} what switches by itself, or else what a hand switches; its mode switch;
     *      what runs a set
     */
    private static function roles(array $devices): array
    {
        $main = $byHand = $mode = $run = null;
        foreach ($devices as $device) {
            match (true) {
                $device->isAutomatic() => ($main ??= $device),
                $device->job === 'mode' => ($mode ??= $device),
                $device->job === 'run' => ($run ??= $device),
                $device->job === 'breaker' => null,
                default => ($byHand ??= $device),
            };
        }

        return [$main ?? $byHand, $mode, $run];
    }

    private static function words(Device $device, Settled $settled): string
    {
        return $device->everyPosition()[$settled->positions[$device->id]] ?? '';
    }

    /** @return array{ways: list<string>, bond: bool, carries: list<string>} */
    private static function contacts(Examination $rig, Settled $settled, string $component, string $position): array
    {
        $situation = $settled->situation;
        $carries = $hot = [];
        foreach ($rig->graph->sources as $id => $source) {
            if (
                $source->component === $component &&
                $source->kind === 'ac' &&
                $source->forming &&
                $situation->isActive($id)
            ) {
                $carries[] = $id;
            }
        }
        $bond = false;
        foreach ($rig->graph->elementsOf($component) as $id => $element) {
            if ($element->kind !== ElementKind::Conductor && $situation->isClosed($id)) {
                $bond = $bond || $element->kind === ElementKind::Bond;
                if ($element->kind === ElementKind::Contact && $element->role === Role::L1) {
                    $hot[] = $id;
                }
            }
        }
        $ways = self::WAYS[$rig->graph->partAt($component)->type ?? ''] ?? null;

        return [
            'ways' =>
                $ways === null
                    ? ($hot === []
                        ? []
                        : ['a'])
                    : array_values(array_intersect_key($ways, [$position => true])),
            'bond' => $bond,
            'carries' => [...$carries, ...$hot],
        ];
    }
}
