<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\FirstCurrent;
use Hollin\Core\States\DirectPotentials;
use Hollin\Core\States\Situation;

/** Batteries of different kinds stand side by side on one bar. */
final class UnlikeParallel implements StateRule, OfDirectCurrent, Unclaimed
{
    public static function definition(): Definition
    {
        $second = fn(string $chemistry, float $volts): array => [
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'second',
                'component' => [
                    'type' => 'battery_bank',
                    'label' => 'Second battery',
                    'chemistry' => $chemistry,
                    'unitV' => $volts,
                    'unitAh' => 100,
                    'series' => 1,
                    'parallel' => 1,
                ],
            ],
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'second_fuse',
                'component' => ['type' => 'dc_fuse', 'label' => 'Second fuse', 'family' => 'class_t', 'ratingA' => 200],
            ],
            Sample::lead('second_pos', 'second.pos', 'second_fuse.in', 'positive', 0.1),
            Sample::lead('second_on', 'second_fuse.out', 'pos_bar.stud', 'positive', 0.3),
            Sample::lead('second_neg', 'second.neg', 'shunt.battery', 'negative', 0.3),
        ];

        return new Definition(
            'unlike_parallel',
            Severity::Danger,
            'Unlike batteries in parallel',
            'Batteries of different chemistry or voltage on one bar charge and discharge each other, and no ' .
                'charger suits both. A selector that passes through "both", or two switches closed together, ' .
                'join them as well.',
            Source::commonPractice(),
            [
                Sample::found('flooded lead beside lithium', Sample::choose('in_line'), ...$second('flooded', 12)),
                Sample::silent('a second of the same kind', Sample::choose('in_line'), ...$second('lfp', 12.8)),
                Sample::silent('one bank', Sample::choose('in_line')),
            ],
        );
    }

    public static function whyUnclaimed(): string
    {
        return 'Only leads and switches that a hand moves bring it about; those are searched as slips.';
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach (DirectPotentials::of($situation)->parallel as [$a, $b, $volts]) {
            if (DirectPotentials::areLike($a, $b)) {
                continue;
            }
            $amps = abs(FirstCurrent::between($situation, $a, $b));
            $hits[] = new Hit(
                "{$a->component}+{$b->component}",
                sprintf(
                    '%s (%s, %g V) and %s (%s, %g V) are in parallel: at half charge they differ by %.1f V, ' .
                        'and at first %.0f A flow from one into the other. No charger suits both.',
                    $rig->graph->label($a->component),
                    $a->chemistry->label(),
                    $a->ratedV,
                    $rig->graph->label($b->component),
                    $b->chemistry->label(),
                    $b->ratedV,
                    abs($volts),
                    $amps,
                ),
                [$a->component, $b->component],
                [
                    new Figure(
                        'Volts between them',
                        abs($volts),
                        'V',
                        sprintf('%.2f V and %.2f V at rest, half charged', $a->restV('half'), $b->restV('half')),
                        Source::computed('rest volts by chemistry'),
                        0.0,
                        of: new Of(Quantity::OpenVolts, $a->id),
                    ),
                ],
                paths: [[$a->pos, $b->pos]],
            );
        }

        return $hits;
    }
}
