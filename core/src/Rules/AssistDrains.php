<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A unit that helps a small supply out from its battery, for longer than the battery lasts. */
final class AssistDrains implements RigRule
{
    /** Less than this out of a battery while plugged in is the small change of a day, A. */
    private const LEAST_A = 2.0;

    public static function definition(): Definition
    {
        $assist = Sample::choose('in_line', [
            'continuousW' => 3000,
            'inputLimitA' => 10,
            'assist' => true,
            'converter' => 'removed',
        ]);
        $all = fn(bool $long): array => [
            Sample::survey('c_outlets', '/loads', [
                'heat' => ['label' => 'Heater', 'watts' => 1500, 'kind' => 'resistive', 'continuous' => $long],
            ]),
            [
                'kind' => 'set_need',
                'path' => '/scenarios/cold',
                'value' => [
                    'title' => 'Cold evening',
                    'running' => ['c_outlets.heat' => true, 'c_fridge.element' => true],
                ],
            ],
        ];

        return new Definition(
            'assist_drains',
            Severity::Advice,
            'Battery drained while plugged in',
            'Past its input limit a unit that assists gives the rest from its battery. What runs for hours ' .
                'that way empties the battery although the rig is plugged in, and nothing charges it meanwhile.',
            Source::commonPractice(),
            [
                Sample::found('a heater all evening on a limit of 10 A', ...$all(true), ...[$assist]),
                Sample::silent(
                    'a limit that carries it',
                    ...$all(true),
                    ...[
                        Sample::choose('in_line', [
                            'continuousW' => 3000,
                            'inputLimitA' => 30,
                            'assist' => true,
                            'converter' => 'removed',
                        ]),
                    ],
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $id => $unit) {
            if ($unit->kind !== PowerConverter::ASSIST) {
                continue;
            }
            foreach ($rig->currents()->amps as $state => $scenarios) {
                foreach ($scenarios as $scenario => $amps) {
                    if (($amps[$id] ?? 0.0) > 0 && $unit->runs($rig->settled[$state]->positions)) {
                        $hit = $this->drained($rig, $unit, $state, (string) $scenario);
                        if (
                            $hit !== null &&
                            ($hits[$unit->component]->figures[0]->value ?? 0.0) < $hit->figures[0]->value
                        ) {
                            $hits[$unit->component] = $hit;
                        }
                    }
                }
            }
        }

        return array_values($hits);
    }

    private function drained(Examination $rig, PowerConverter $unit, string $state, string $scenario): ?Hit
    {
        $settled = $rig->settled[$state];
        $flow = $rig->flows()->of($settled, $rig->needs->scenarios[$scenario]['running']);
        $batteries = array_filter(
            $rig->graph->batteries,
            fn(Battery $b): bool => $settled->situation->joined($b->pos, $unit->input[0]),
        );
        $amps = array_sum(array_map(fn(string $b): float => $flow->sources[$b]['amps'] ?? 0.0, array_keys($batteries)));
        if (!$flow->isSolved() || $batteries === [] || $amps < self::LEAST_A) {
            return null;
        }
        $usableAh = array_sum(
            array_map(fn(Battery $b): float => $b->capacityAh * $b->chemistry->usableShare(), $batteries),
        );
        $hours = $usableAh / $amps;

        return new Hit(
            $unit->component,
            sprintf(
                'Plugged in (%s), "%s" takes %.0f A out of the battery: the supply is held to %g A and %s ' .
                    'gives the rest. It is empty after about %s.',
                $rig->named[$state]->title,
                $rig->needs->scenarios[$scenario]['title'],
                $amps,
                (float) $unit->inputLimitA,
                $rig->graph->label($unit->component),
                $hours < 2 ? sprintf('%.0f min', 60 * $hours) : sprintf('%.0f h', $hours),
            ),
            [$unit->component, ...array_values(array_map(fn(Battery $b): string => $b->component, $batteries))],
            [
                new Figure(
                    'Out of the battery',
                    $amps,
                    'A',
                    'load flow of that state with those loads, half charged',
                    Source::computed('load flow'),
                    0.0,
                    of: new Of(Quantity::Current, implode('+', array_keys($batteries)), $state, $scenario),
                ),
                new Figure(
                    'Lasts',
                    $hours,
                    'h',
                    sprintf('%.0f Ah usable ÷ %.0f A', $usableAh, $amps),
                    Source::computed('arithmetic'),
                    assumed: true,
                    of: new Of(Quantity::Time, (string) array_key_first($batteries)),
                ),
            ],
            remedies: [
                Remedy::set(
                    sprintf('Switch the assisting of %s off', $rig->graph->label($unit->component)),
                    'the supply carries it alone, or its breaker says so',
                    $unit->component,
                    '/assist',
                    false,
                ),
            ],
            state: $state,
        );
    }
}
