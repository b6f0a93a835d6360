<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Part;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** Volts, amps and watts of a panel that cannot all be of one panel: open-circuit and working figures mixed. */
final class ArrayLabels implements RigRule
{
    /** Working volts as a share of open-circuit volts, of silicon panels. Common figures, no source. */
    private const VOLTS = [0.74, 0.9];

    /** Working amps as a share of short-circuit amps. */
    private const AMPS = [0.86, 0.98];

    public static function definition(): Definition
    {
        $rig = fn(array $more): array => [...ChargingSamples::house(), ...ChargingSamples::panels($more)];

        return new Definition(
            'array_labels',
            Severity::Advice,
            'Figures of a panel that do not go together',
            'Watts are working volts times working amps. Working volts are about four fifths of open-circuit volts, ' .
                'working amps a little below short-circuit amps. Where they are not, one of them was read in the ' .
                'wrong line: the controller is then sized by a figure the panel does not have.',
            Source::commonPractice(),
            [
                Sample::found('volts of one line in both', ...$rig(['panelVoc' => 21.5])),
                Sample::found('short-circuit amps of another panel', ...$rig(['panelIsc' => 6.0])),
                Sample::found('watts of two panels', ...$rig(['panelW' => 400])),
                Sample::silent('a panel of 200 W', ...$rig([])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->arrays as $array) {
            $part = $rig->graph->partAt($array->component);
            $said = $part === null ? null : self::wrong($part);
            if ($part !== null && $said !== null) {
                $hits[] = new Hit(
                    $array->component,
                    sprintf('%s: %s', $part->label, $said),
                    [$array->component],
                    [
                        new Figure(
                            'Working amps by its label',
                            $part->number('panelW') / $part->number('panelVmp'),
                            'A',
                            sprintf('%g W ÷ %g V', $part->number('panelW'), $part->number('panelVmp')),
                            Source::computed('P = U × I'),
                            $part->number('panelIsc'),
                            $part->isAssumed('panelW') || $part->isAssumed('panelIsc'),
                            of: new Of(Quantity::Rated, $array->component),
                        ),
                    ],
                );
            }
        }

        return $hits;
    }

    /** What does not go together; null where it does. */
    private static function wrong(Part $part): ?string
    {
        [$watts, $open, $working, $short] = array_map($part->number(...), [
            'panelW',
            'panelVoc',
            'panelVmp',
            'panelIsc',
        ]);
        if (min($watts, $open, $working, $short) <= 0) {
            return null;
        }
        $amps = $watts / $working;
        $volts = $working / $open;
        $share = $amps / $short;

        return match (true) {
            $volts > self::VOLTS[1] => sprintf(
                '%g V open circuit and %g V working are nearly the same: one of them stands in the other\'s line.',
                $open,
                $working,
            ),
            $volts < self::VOLTS[0] => sprintf(
                '%g V working is little beside %g V open circuit: read both lines again, and whether one is of two ' .
                    'panels.',
                $working,
                $open,
            ),
            $share > self::AMPS[1] => sprintf(
                '%g W at %g V are %.1f A, and it gives %g A into a short: the watts, or the amps, are of ' .
                    'something else.',
                $watts,
                $working,
                $amps,
                $short,
            ),
            $share < self::AMPS[0] => sprintf(
                '%g W at %g V are %.1f A, little beside %g A into a short: the watts, or the amps, are of ' .
                    'something else.',
                $watts,
                $working,
                $amps,
                $short,
            ),
            default => null,
        };
    }
}
