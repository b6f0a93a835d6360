<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Ladder;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\Sizing\InverterCurrent;

/** Batteries in parallel do not share: leads of unequal length, or taken off at one end. */
final class UnequalSharing implements RigRule
{
    /** How far shares for each amp hour may lie apart. */
    private const APART = 1.25;

    public static function definition(): Definition
    {
        $second = fn(float $metres): array => [
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'second',
                'component' => [
                    'type' => 'battery_bank',
                    'label' => 'Second battery',
                    'chemistry' => 'lfp',
                    'unitV' => 12.8,
                    'unitAh' => 100,
                    'series' => 1,
                    'parallel' => 1,
                ],
            ],
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'second_fuse',
                'component' => ['type' => 'dc_fuse', 'label' => 'Second fuse', 'family' => 'class_t', 'ratingA' => 400],
            ],
            Sample::lead('second_pos', 'second.pos', 'second_fuse.in', 'positive', 0.1),
            Sample::lead('second_on', 'second_fuse.out', 'disconnect.in', 'positive', $metres),
            Sample::lead('second_neg', 'second.neg', 'shunt.battery', 'negative', $metres),
        ];
        $equal = Sample::choose('in_line', ['parallel' => 1, 'unitAh' => 100]);

        return new Definition(
            'unequal_sharing',
            Severity::Warning,
            'Batteries in parallel do not share',
            'Two equal batteries share by the resistance of their leads and links. Unequal ones overload one ' .
                'battery and its management while the other idles; the first opens, then the second carries all. ' .
                'Equal leads, taken off across the bank.',
            Source::computed('Ohm\'s law over both ways'),
            [
                Sample::found('6 m more for the second', $equal, ...$second(3.0)),
                Sample::found(
                    'four taken off at one end',
                    Sample::choose('in_line', ['parallel' => 4, 'unitAh' => 100]),
                    Sample::set('bank', '/takenOff', 'one_end'),
                    Sample::set('bank', '/unitMilliohm', 3),
                ),
                Sample::silent(
                    'the same across',
                    Sample::choose('in_line', ['parallel' => 4, 'unitAh' => 100]),
                    Sample::set('bank', '/takenOff', 'across'),
                    Sample::set('bank', '/unitMilliohm', 3),
                ),
                Sample::silent('equal leads', $equal, ...$second(0.3)),
                Sample::silent('one bank', Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        foreach ($graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::INVERTER) {
                continue;
            }
            $shares = array_intersect_key((new DirectShares($graph, ...$unit->input))->shares(), $graph->batteries);
            $each = array_map(
                fn(string $id): float => $shares[$id] / max(1.0, $graph->batteries[$id]->capacityAh),
                array_combine(array_keys($shares), array_keys($shares)),
            );
            array_push($hits, ...$this->within($rig, $unit, $shares));
            if (count($each) < 2 || max($each) <= self::APART * min($each)) {
                continue;
            }
            $amps = InverterCurrent::ofUnit($unit)->nominalA;
            $ids = array_map(fn(string $id): string => $graph->batteries[$id]->component, array_keys($shares));
            $over = array_filter(
                array_keys($shares),
                fn(string $id): bool => $graph->batteries[$id]->limitA !== null &&
                    $shares[$id] * $amps > $graph->batteries[$id]->limitA,
            );
            $hits[] = new Hit(
                implode('+', $ids) . "|{$unit->component}",
                sprintf(
                    'At full output of %s the batteries do not share: %s.%s',
                    $graph->label($unit->component),
                    implode(
                        ', ',
                        array_map(
                            fn(string $id): string => sprintf(
                                '%s gives %.0f A',
                                $graph->label($graph->batteries[$id]->component),
                                $shares[$id] * $amps,
                            ),
                            array_keys($shares),
                        ),
                    ),
                    $over === []
                        ? ''
                        : sprintf(
                            ' %s is past its management\'s limit.',
                            implode(
                                ', ',
                                array_map(
                                    fn(string $id): string => $graph->label($graph->batteries[$id]->component),
                                    $over,
                                ),
                            ),
                        ),
                ),
                [...$ids, $unit->component],
                array_map(
                    fn(string $id): Figure => new Figure(
                        $graph->label($graph->batteries[$id]->component),
                        $shares[$id] * $amps,
                        'A',
                        sprintf('%.0f %% of %.0f A', $shares[$id] * 100, $amps),
                        Source::computed('divided by resistance'),
                        $graph->batteries[$id]->limitA,
                        $graph->batteries[$id]->ohmAssumed,
                        of: new Of(Quantity::Current, $id),
                    ),
                    array_keys($shares),
                ),
            );
        }

        return $hits;
    }

    /**
     * Units of one bank, linked one to the next and taken off where somebody has said.
     *
     * @param array<string, float> $shares battery => its share of what the inverter takes
     * @return list<Hit>
     */
    private function within(Examination $rig, PowerConverter $unit, array $shares): array
    {
        $graph = $rig->graph;
        $hits = [];
        foreach ($shares as $id => $share) {
            $battery = $graph->batteries[$id];
            $part = $graph->partAt($battery->component);
            $way = $part?->text('takenOff') ?? '';
            $count = $battery->parallel;
            if ($part === null || $count < 2 || !in_array($way, [Ladder::ONE_END, Ladder::ACROSS], true)) {
                continue;
            }
            $amps = Sharing::units($graph, $battery, $share * InverterCurrent::ofUnit($unit)->nominalA, $way);
            if (max($amps) <= self::APART * min($amps)) {
                continue;
            }
            $each = implode(', ', array_map(fn(float $a): string => sprintf('%.0f A', $a), $amps));
            $past = $battery->limitA !== null && max($amps) > $battery->limitA / $count;
            $hits[] = new Hit(
                "{$battery->component}|within|{$unit->component}",
                sprintf(
                    '%s at full output of %s: its batteries give %s, taken off %s.%s',
                    $part->label,
                    $graph->label($unit->component),
                    $each,
                    $way === Ladder::ONE_END ? 'at one end' : 'across',
                    $past ? ' The first is past its management\'s limit.' : '',
                ),
                [$battery->component, $unit->component],
                [
                    new Figure(
                        'Hardest worked battery',
                        max($amps),
                        'A',
                        sprintf(
                            'by Kirchhoff\'s law, links of %.2f mΩ in each pole',
                            Sharing::linkMilliohm($graph, $battery),
                        ),
                        Source::computed('divided by resistance'),
                        $battery->limitA === null ? null : $battery->limitA / $count,
                        $battery->ohmAssumed || !$part->has('linkMilliohm'),
                        of: new Of(Quantity::Current, $battery->id),
                    ),
                ],
            );
        }

        return $hits;
    }
}
