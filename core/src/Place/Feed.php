<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Sizing\ConductorChoice;
use Hollin\Core\Sizing\InverterCurrent;

/** What an inverter loses on its way from the battery: by the lengths that are said, and by where both stand. */
final class Feed
{
    private const DROP_SHARE = 0.03;

    /**
     * @param array<string, array{cableM: float, alongM: float}> $ways lead => how long, and how far along the walls
     * @return list<array{unit: string, label: string, amps: float, saidM: float, alongM: float, saidV: float,
     *      alongV: float, limitV: float}> both poles together
     */
    public static function of(Graph $graph, array $ways): array
    {
        $feeds = [];
        foreach ($graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::INVERTER) {
                continue;
            }
            $leads = self::leads($graph, $unit);
            if ($leads === null || array_intersect_key($ways, $leads) === []) {
                continue;
            }
            $amps = InverterCurrent::ofUnit($unit)->nominalA;
            $feed = ['saidM' => 0.0, 'alongM' => 0.0, 'saidV' => 0.0, 'alongV' => 0.0];
            foreach (array_keys($leads) as $id) {
                $part = $graph->partAt($id);
                if ($part === null) {
                    continue;
                }
                $said = $part->number('cable/lengthM');
                // A cable cannot be shorter than its way; one whose ends have no place is as long as is said.
                $along = max($said, $ways[$id]['alongM'] ?? 0.0);
                $perM =
                    ($amps * ConductorSize::of($part->text('cable/size'))->ohm(1.0, ConductorChoice::DROP_C)) /
                    max(1.0, $part->number('cable/parallel', 1));
                $feed['saidM'] += $said;
                $feed['alongM'] += $along;
                $feed['saidV'] += $perM * $said;
                $feed['alongV'] += $perM * $along;
            }
            $feeds[] =
                [
                    'unit' => $unit->component,
                    'label' => $graph->label($unit->component),
                    'amps' => round($amps, 1),
                    'limitV' => self::DROP_SHARE * $unit->nominalV,
                ] + array_map(fn(float $v): float => round($v, 3), $feed);
        }

        return $feeds;
    }

    /** @return ?array<string, true> leads between an inverter and its nearest battery, both poles */
    private static function leads(Graph $graph, PowerConverter $unit): ?array
    {
        $best = null;
        foreach ($graph->batteries as $battery) {
            $plus = Walk::way($graph, $battery->pos, $unit->input[0], Walk::direct(...));
            $minus = Walk::way($graph, $battery->neg, $unit->input[1], Walk::direct(...));
            if ($plus !== null && $minus !== null && ($best === null || count($plus) + count($minus) < count($best))) {
                $best = [...$plus, ...$minus];
            }
        }
        if ($best === null) {
            return null;
        }
        $leads = [];
        foreach ($best as $id) {
            $element = $graph->elements[$id];
            if ($element->cable !== null && $graph->partAt($element->component)?->is('lead') === true) {
                $leads[$element->component] = true;
            }
        }

        return $leads;
    }
}
