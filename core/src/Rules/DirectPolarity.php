<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\DirectPotentials;
use Hollin\Core\States\Situation;

/** A unit gets its battery the wrong way round, or another system's volts. */
final class DirectPolarity implements StateRule, OfDirectCurrent, Unclaimed
{
    /** Share of nominal volts a unit may find at rest. */
    private const BAND = [0.75, 1.35];

    public static function definition(): Definition
    {
        return new Definition(
            'dc_polarity',
            Severity::Danger,
            'Wrong way round, or wrong volts',
            'Reversed leads blow the fuse at the first touch, and usually the unit. A 24 V unit on 12 V does ' .
                'not start; a 12 V unit on 24 V is destroyed. A black wire proves nothing: measure before ' .
                'landing it.',
            Source::commonPractice(),
            [
                Sample::found(
                    'leads exchanged at the inverter',
                    Sample::choose('in_line'),
                    Sample::set('ld_bar_inv', '/to', 'inverter.neg'),
                    Sample::set('ld_bar_inv_neg', '/to', 'inverter.pos'),
                ),
                Sample::found(
                    'a 24 V unit on 12 V',
                    Sample::choose('in_line'),
                    Sample::set('inverter', '/dcNominalV', 24),
                    Sample::set('inverter', '/cutOffV', 21),
                ),
                Sample::silent('as it should be', Sample::choose('in_line')),
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
        $potentials = DirectPotentials::of($situation);
        foreach (
            $rig->graph->direct()
            as ['component' => $component, 'pos' => $pos, 'neg' => $neg, 'volts' => $nominalV]
        ) {
            $volts = $potentials->between($pos, $neg);
            if ($volts === null || $situation->joined($pos, $neg) || isset($hits[$component])) {
                continue;
            }
            $label = $rig->graph->label($component);
            $low = $nominalV > 0 && $volts < self::BAND[0] * $nominalV;
            if ($volts < 0.0) {
                $hits[$component] = $this->hit(
                    $rig,
                    "{$component}|reversed",
                    sprintf(
                        '%s is connected with reversed polarity: %.1f V from its positive to its negative.',
                        $label,
                        $volts,
                    ),
                    $component,
                    $volts,
                    $nominalV,
                    [$pos, $neg],
                    'Reversed polarity',
                );
            } elseif ($low || ($nominalV > 0 && $volts > self::BAND[1] * $nominalV)) {
                $hits[$component] = $this->hit(
                    $rig,
                    "{$component}|volts",
                    sprintf(
                        '%s is made for %g V and finds %.1f V: %s.',
                        $label,
                        $nominalV,
                        $volts,
                        $low ? 'it cannot run' : 'it is destroyed',
                    ),
                    $component,
                    $volts,
                    $nominalV,
                    [$pos, $neg],
                    sprintf('%g V unit on a %g V system', $nominalV, 12 * round($volts / 12.6)),
                );
            }
        }

        return array_values($hits);
    }

    /** @param array{string, string} $ends */
    private function hit(
        Examination $rig,
        string $key,
        string $text,
        string $component,
        float $volts,
        float $nominalV,
        array $ends,
        string $title,
    ): Hit {
        $leads = [];
        foreach ($ends as $terminal) {
            foreach ($rig->graph->neighbours()[$terminal] ?? [] as [, $id]) {
                $leads[] = $rig->graph->elements[$id]->component;
            }
        }
        $feeding = array_values(
            array_filter(
                array_map(fn($b): string => $b->component, $rig->graph->batteries),
                fn(string $b): bool => $b !== $component,
            ),
        );

        return new Hit(
            $key,
            $text,
            array_values(array_unique([$component, ...$leads, ...array_slice($feeding, 0, 2)])),
            [
                new Figure(
                    'Volts it finds',
                    $volts,
                    'V',
                    'from its positive to its negative, batteries at rest',
                    Source::computed('potentials of what is joined'),
                    $nominalV > 0 ? $nominalV : null,
                    of: new Of(Quantity::OpenVolts, $component),
                ),
            ],
            remedies: $volts < 0.0 ? [LeadRemedies::exchange($rig, $component)] : [],
            title: $title,
        );
    }
}
