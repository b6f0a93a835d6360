<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Ladder;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\Sizing\InverterCurrent;

/** What each battery gives at the full output of an inverter, and each unit of a bank by how it is taken off. */
final class Sharing
{
    /** @return list<array<string, mixed>> an entry for each inverter that more than one battery or unit feeds */
    public static function of(Examination $rig): array
    {
        $graph = $rig->graph;
        $banks = [];
        foreach ($graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::INVERTER) {
                continue;
            }
            $shares = array_intersect_key((new DirectShares($graph, ...$unit->input))->shares(), $graph->batteries);
            $shares = array_filter($shares, fn(float $s): bool => $s > 1e-3);
            $all = array_sum(
                array_map(fn(string $id): float => $graph->batteries[$id]->capacityAh, array_keys($shares)),
            );
            $units = array_sum(array_map(fn(string $id): int => $graph->batteries[$id]->parallel, array_keys($shares)));
            if ($units < 2 || $all <= 0) {
                continue;
            }
            $amps = InverterCurrent::ofUnit($unit)->nominalA;
            $batteries = [];
            foreach ($shares as $id => $share) {
                $battery = $graph->batteries[$id];
                $count = $battery->parallel;
                $gives = $share * $amps;
                $each = fn(string $way): array => array_map(
                    fn(float $a): float => round($a, 1),
                    self::units($graph, $battery, $gives, $way),
                );
                $batteries[] = [
                    'id' => $battery->component,
                    'label' => $graph->label($battery->component),
                    'ah' => $battery->capacityAh,
                    'amps' => round($gives, 1),
                    'equalA' => round(($amps * $battery->capacityAh) / $all, 1),
                    'limitA' => $battery->limitA,
                    'units' => $count,
                    'unitLimitA' => $battery->limitA === null ? null : round($battery->limitA / $count, 1),
                    'oneEnd' => $count > 1 ? $each(Ladder::ONE_END) : [],
                    'across' => $count > 1 ? $each(Ladder::ACROSS) : [],
                    'takenOff' => $graph->partAt($battery->component)?->text('takenOff') ?? '',
                    'assumed' => $battery->ohmAssumed,
                ];
            }
            $banks[] = [
                'unit' => $unit->component,
                'label' => $graph->label($unit->component),
                'amps' => round($amps, 1),
                'batteries' => $batteries,
            ];
        }

        return $banks;
    }

    /**
     * A of each unit of a bank, for what the bank gives.
     *
     * @return non-empty-list<float>
     */
    public static function units(Graph $graph, Battery $battery, float $amps, string $takenOff): array
    {
        return Ladder::amps(
            $battery->parallel,
            $battery->ohm * $battery->parallel,
            self::linkMilliohm($graph, $battery) / 1000,
            $amps,
            $takenOff,
        );
    }

    /** A link in each pole, as measured or as usual, mΩ. */
    public static function linkMilliohm(Graph $graph, Battery $battery): float
    {
        return $graph->partAt($battery->component)?->numberOrNull('linkMilliohm') ?? 1000 * Ladder::LINK_OHM;
    }
}
