<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\DirectPotentials;
use Hollin\Core\States\Situation;

/** Plus and minus of a battery meet through metal, or two batteries are joined the wrong way round. */
final class DirectShort implements StateRule, OfDirectCurrent, Unclaimed
{
    public static function definition(): Definition
    {
        return new Definition(
            'dc_short',
            Severity::Danger,
            'Dead short across a battery',
            'A lead, a bar, a switch or the frame joins the positive of a battery with its negative, or two ' .
                'batteries stand against each other. Thousands of amps flow until something opens or burns. ' .
                'Found by what is joined, so also where a fuse would open: the first connection blows it.',
            Source::commonPractice(),
            [
                Sample::found(
                    'a lead from the positive to the negative bar',
                    Sample::choose('in_line'),
                    Sample::lead('stray', 'pos_bar.stud', 'neg_bar.stud', 'positive'),
                ),
                Sample::found('positive bonded to the frame beside the negative', Sample::choose('in_line'), [
                    'kind' => 'plan_fit',
                    'plan' => 'p',
                    'id' => 'plus_bond',
                    'component' => [
                        'type' => 'frame_bond',
                        'label' => 'Strap',
                        'from' => 'pos_bar.stud',
                        'cable' => ['size' => 'awg:8', 'lengthM' => 0.4],
                    ],
                ]),
                Sample::found(
                    'only with a switch closed',
                    Sample::choose('in_line'),
                    [
                        'kind' => 'plan_fit',
                        'plan' => 'p',
                        'id' => 'cross',
                        'component' => ['type' => 'dc_switch', 'label' => 'Cross switch', 'ratingA' => 300],
                    ],
                    Sample::lead('to_cross', 'pos_bar.stud', 'cross.in', 'positive'),
                    Sample::lead('from_cross', 'cross.out', 'neg_bar.stud', 'negative'),
                ),
                Sample::silent('the usual bank chain', Sample::choose('in_line')),
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
        foreach (DirectPotentials::of($situation)->shorts as [$battery, $volts]) {
            $path = Path::between($situation, $battery->pos, $battery->neg);
            $on = array_values(
                array_unique(
                    array_map(
                        fn(string $id): string => $rig->graph->elements[$id]->component ?? $id,
                        $path['elements'],
                    ),
                ),
            );
            $frame = in_array('frame', $path['terminals'], true);
            $label = $rig->graph->label($battery->component);
            $hits[] = new Hit(
                $battery->component,
                $path['elements'] === []
                    ? sprintf('%s stands against another battery with %.1f V between them.', $label, $volts)
                    : sprintf(
                        'The positive of %s is joined with its negative%s: by way of %s.',
                        $label,
                        $frame ? ' through the frame' : '',
                        implode(', ', array_map($rig->graph->label(...), array_slice($on, 0, 6))),
                    ),
                [...array_slice($on, 0, 8), $battery->component],
                [
                    new Figure(
                        'Volts across metal',
                        $volts,
                        'V',
                        'sum of the sources around the closed way',
                        Source::computed('potentials of what is joined'),
                        0.0,
                        of: new Of(Quantity::OpenVolts, $battery->id),
                    ),
                ],
                remedies: LeadRemedies::takeOut($rig, $on),
                paths: [[$battery->pos, $battery->neg]],
            );
        }

        return $hits;
    }
}
