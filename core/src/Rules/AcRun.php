<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;

/**
 * One 120 V cable of a rig: what can arrive in it before a device opens (the breaker ahead, or after
 * pass-through with assist the limit plus what the unit makes), what it may carry, what it carries
 * in the load scenarios, and what it drops.
 */
final readonly class AcRun
{
    /** Conductor temperature of drop checks, °C. */
    private const DROP_C = 75.0;

    /**
     * Drop along one branch or feeder that is worth a word, as a share: NFPA 70 210.19 informational note, from memory.
     */
    private const DROP_SHARE = 0.03;

    private const VOLTS = 120.0;

    /** No thinner conductor is run in a building's or a rig's walls, mm²: NFPA 70 310.3(A), 14 AWG, from memory. */
    private const BRANCH_FROM_MM2 = 2.0;

    /** @return list<array<string, mixed>> worst first, then by name */
    public static function of(Examination $rig): array
    {
        $runs = [];
        foreach ($rig->graph->elements as $element) {
            if ($element->cable !== null && $element->role === Role::L1) {
                $runs[] = self::run($rig, $element);
            }
        }
        usort($runs, fn(array $a, array $b): int => [$a['holds'], $a['label']] <=> [$b['holds'], $b['label']]);

        return $runs;
    }

    /** @return array<string, mixed> */
    private static function run(Examination $rig, Element $element): array
    {
        $cable = $element->cable ?? throw new \LogicException('a run has a cable');
        $part = $rig->graph->partAt($element->component);
        $breakerA = $part?->is('circuit') === true ? $part->numberOrNull('breakerA') : null;
        $school = $cable->sheath === 'cord' ? Ampacity::Cord : Ampacity::Branch;
        $ends = [$rig->reach()->at[$element->a][0] ?? null, $rig->reach()->at[$element->b][0] ?? null];
        $arriving = $ends[0] === null || $ends[1] === null ? null : min($ends[0], $ends[1]);
        if ($breakerA !== null) {
            $arriving = max($arriving ?? 0.0, $breakerA);
        }
        $limit = $school->largestDevice($cable);
        $carried = 0.0;
        $scenario = $state = null;
        foreach ($rig->currents()->amps as $s => $scenarios) {
            foreach ($scenarios as $title => $amps) {
                if (($amps["{$element->component}.hot"] ?? 0.0) > $carried) {
                    [$carried, $scenario, $state] = [
                        $amps["{$element->component}.hot"],
                        $rig->needs->scenarios[$title]['title'] ?? $title,
                        $rig->named[$s]->title,
                    ];
                }
            }
        }
        $dropV = 2 * $carried * $cable->ohm(self::DROP_C);
        $suits = $arriving === null ? null : self::smallest($arriving, $carried, $cable->lengthM, $school);

        return [
            'component' => $element->component,
            'label' => $rig->graph->label($element->component),
            'kind' => $part?->is('circuit') === true ? 'branch' : ($part?->is('inlet') === true ? 'cord' : 'feeder'),
            'size' => $cable->size->designation,
            'lengthM' => $cable->lengthM,
            'arrivingA' => $arriving === null || is_infinite($arriving) ? null : round($arriving, 1),
            'limitA' => $limit,
            'holds' => $arriving === null || ($limit !== null && $arriving <= $limit + 1e-9),
            'carriedA' => round($carried, 2),
            'scenario' => $scenario,
            'state' => $state,
            'dropV' => round($dropV, 3),
            'dropLimitV' => self::DROP_SHARE * self::VOLTS,
            'suits' => $suits?->designation,
            'arithmetic' => sprintf(
                '2 × %.1f A × %.1f m × %.4f mΩ/m at 75 °C = %.2f V',
                $carried,
                $cable->lengthM,
                $cable->size->ohm(1, self::DROP_C) * 1000,
                $dropV,
            ),
            'source' => $school->source()->text(),
        ];
    }

    /** The smallest gauge that a device ahead allows and that drops no more than is usual. */
    private static function smallest(float $arriving, float $carried, float $lengthM, Ampacity $school): ?ConductorSize
    {
        foreach (ConductorSize::all() as $size) {
            $thin = $school !== Ampacity::Cord && $size->areaMm2 < self::BRANCH_FROM_MM2;
            $limit = $size->isAwg() && !$thin ? $school->largestDevice(new Cable($size, $lengthM, 'nm_b', 1)) : null;
            if (
                $limit !== null &&
                $limit >= $arriving - 1e-9 &&
                2 * $carried * $size->ohm($lengthM, self::DROP_C) <= self::DROP_SHARE * self::VOLTS
            ) {
                return $size;
            }
        }

        return null;
    }
}
