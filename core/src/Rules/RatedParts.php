<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Joint;
use Hollin\Core\Network\Walk;
use Hollin\Core\Solve\Impedance;

/**
 * What is no cable and carries: bars, switches, shunts, breakers, fuses, links, plugs and joints, each with what it
 * carries at most, what it is rated for, and what its joints turn into heat.
 */
final class RatedParts
{
    /** Heat of one joint that a hand notices, W. Common practice, no source. */
    private const WARM_W = 8.0;

    /** @return list<array<string, mixed>> worst first, then by name */
    public static function of(Examination $rig, Carried $carried): array
    {
        $graph = $rig->graph;
        $rows = [];
        foreach ($graph->elements as $id => $element) {
            $joint = $graph->joints[$id] ?? null;
            $rated = $element->ratingA();
            if ($element->cable !== null || $element->component === '' || ($rated === null && $joint === null)) {
                continue;
            }
            $row = self::row($rig, (string) $id, $element, $rated, $carried->by[$id] ?? null, $joint);
            $known = $rows[$element->component] ?? null;
            // Of the contacts of one part the one that carries most speaks for it.
            if ($known === null || ($row['carriesA'] ?? 0.0) > ($known['carriesA'] ?? 0.0)) {
                $rows[$element->component] = $row;
            }
        }
        foreach ($graph->junctions as $terminal => [$component, $rating]) {
            $amps = $carried->bars[$terminal] ?? null;
            $rows["{$component}|bar"] = self::judged([
                'id' => (string) $terminal,
                'component' => $component,
                'label' => $graph->label($component),
                'kind' => 'bar',
                'carriesA' => $amps === null ? null : round($amps[0], 1),
                'carriesWhy' => $amps[1] ?? '',
                'ratedA' => $rating->amps,
                'bySectionA' => $rating->bySectionA === null ? null : round($rating->bySectionA),
                'ohm' => null,
                'heatW' => null,
            ]);
        }
        $rows = array_values($rows);
        usort(
            $rows,
            fn(array $a, array $b): int => [count($b['trouble']), $a['label'], $a['id']] <=> [
                count($a['trouble']),
                $b['label'],
                $b['id'],
            ],
        );

        return $rows;
    }

    /**
     * @param ?array{float, string} $carries
     * @return array<string, mixed>
     */
    private static function row(
        Examination $rig,
        string $id,
        Element $element,
        ?float $rated,
        ?array $carries,
        ?Joint $joint,
    ): array {
        $ohm = Walk::direct($element) ? Impedance::ohm($element, $rig->graph) : null;
        $amps = $carries[0] ?? null;

        return self::judged([
            'id' => $id,
            'component' => $element->component,
            'label' => $rig->graph->label($element->component) . ($joint === null ? '' : ', ends'),
            'kind' => $joint !== null ? 'joint' : ($element->rating?->protects === true ? 'device' : 'part'),
            'carriesA' => $amps === null ? null : round($amps, 1),
            'carriesWhy' => $carries[1] ?? '',
            'ratedA' => $rated,
            'bySectionA' => null,
            'ohm' => $ohm === null ? null : round($ohm, 7),
            'heatW' => $ohm === null || $amps === null ? null : round($amps ** 2 * $ohm, 2),
        ]);
    }

    /**
     * @param array{id: string, component: string, label: string, kind: string, carriesA: ?float, carriesWhy: string,
     *      ratedA: ?float, bySectionA: ?float, ohm: ?float, heatW: ?float} $row
     * @return array<string, mixed>
     */
    private static function judged(array $row): array
    {
        $trouble = [];
        $amps = $row['carriesA'];
        $most = $row['ratedA'] ?? $row['bySectionA'];
        if ($amps !== null && $row['ratedA'] !== null && $amps > $row['ratedA'] + 0.05) {
            $trouble[] = sprintf('carries %g A, and is rated %g A', $amps, $row['ratedA']);
        } elseif ($row['kind'] === 'bar' && $row['ratedA'] === null && $amps !== null && $amps > 0.05) {
            $trouble[] =
                $row['bySectionA'] === null
                    ? 'has no rating marked'
                    : sprintf('has no rating marked; by its section about %.0f A', $row['bySectionA']);
        }
        if ($row['kind'] === 'joint' && ($row['heatW'] ?? 0.0) > self::WARM_W) {
            $trouble[] = sprintf('its joints turn %.0f W into heat', $row['heatW']);
        }

        return $row + [
            'used' => $amps === null || $most === null || $most <= 0 ? null : round($amps / $most, 3),
            'trouble' => $trouble,
        ];
    }
}
