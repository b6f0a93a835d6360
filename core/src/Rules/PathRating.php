<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Reference\TripCurve;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\Sizing\InverterCurrent;

/** A part on the way between batteries and inverter cannot carry what the inverter takes at full output. */
final class PathRating implements RigRule
{
    /** Above this share of a part's rating, with nothing ahead that opens first, it is a danger. */
    private const DANGER = 1.25;

    public static function definition(): Definition
    {
        return new Definition(
            'path_rating',
            Severity::Danger,
            'Part too small for the inverter',
            'Every part on the way carries what the inverter takes at full output: fuse, switch, bars, ' .
                'shunt, links, each battery\'s management. The smallest of them limits it, not the first. A fuse ' .
                'that is too small is an interim part and caps the watts; a switch or a bar that is too small, ' .
                'behind a larger fuse, is protected by nothing.',
            Source::computed('I = W ÷ (nominal V × η), shared by resistance'),
            [
                Sample::found(
                    'a switch of 150 A',
                    Sample::choose('in_line'),
                    Sample::set('disconnect', '/ratingA', ['value' => 150, 'basis' => 'read_off']),
                ),
                Sample::found('a bar that is not rated', Sample::choose('in_line'), [
                    'kind' => 'plan_set',
                    'plan' => 'p',
                    'component' => 'pos_bar',
                    'path' => '/ratingA',
                    'value' => 60,
                ]),
                Sample::found(
                    'a fuse of 150 A',
                    Sample::choose('in_line'),
                    Sample::set('main_fuse', '/ratingA', ['value' => 150, 'basis' => 'read_off']),
                ),
                Sample::found(
                    'a battery whose management lets 100 A through',
                    Sample::choose('in_line'),
                    Sample::set('bank', '/bmsContinuousA', ['value' => 100, 'basis' => 'read_off']),
                ),
                Sample::silent('the usual bank chain', Sample::choose('in_line', ['parallel' => 2])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        foreach ($graph->converters as $unit) {
            $shares = $unit->kind === PowerConverter::INVERTER ? new DirectShares($graph, ...$unit->input) : null;
            if ($shares === null || !$shares->isFed()) {
                continue;
            }
            $current = InverterCurrent::ofUnit($unit);
            foreach ($shares->shares() as $id => $share) {
                $battery = $graph->batteries[$id] ?? null;
                $hit =
                    $battery !== null
                        ? $this->management($rig, $battery, $share * $current->nominalA, $unit)
                        : $this->element($rig, $graph->elements[$id], $share, $current, $unit);
                if ($hit !== null) {
                    $hits[] = $hit;
                }
            }
            foreach ($shares->junctions() as $terminal => $share) {
                [$component, $rating] = $graph->junctions[$terminal];
                $amps = $share * $current->nominalA;
                if ($rating->amps === null && $share > 0.05) {
                    $hits[] = new Hit(
                        "{$component}|{$unit->component}",
                        sprintf(
                            '%s carries %.0f A to %s at full output and has no rating marked: no marking ' .
                                'means not rated.',
                            $graph->label($component),
                            $amps,
                            $graph->label($unit->component),
                        ) .
                            ($rating->bySectionA === null
                                ? ''
                                : sprintf(
                                    ' By its section it carries about %.0f A%s.',
                                    $rating->bySectionA,
                                    $amps > $rating->bySectionA ? ', which is less' : '',
                                )),
                        [$component, $unit->component],
                        severity: $amps > ($rating->bySectionA ?? INF) ? Severity::Warning : Severity::Advice,
                        title: 'Bar without a rating',
                    );
                } elseif ($rating->amps !== null && $amps > $rating->amps + 1e-6) {
                    $hits[] = $this->part(
                        $rig,
                        $component,
                        $rating->amps,
                        $amps,
                        $unit,
                        $this->ahead($rig, $terminal, $terminal),
                    );
                }
            }
        }

        return array_values(array_filter($hits));
    }

    private function element(
        Examination $rig,
        Element $element,
        float $share,
        InverterCurrent $current,
        PowerConverter $unit,
    ): ?Hit {
        $rating = $element->ratingA();
        $amps = $share * $current->nominalA;
        if ($rating === null || $share < 1e-3) {
            return null;
        }
        if ($element->rating?->protects === true) {
            $designA = $share * $current->designA;
            if ($rating >= $designA - 1e-6) {
                return null;
            }
            $over = $amps > $rating + 1e-6;
            $capW = InverterCurrent::capW($rating / $share, $unit->nominalV, $unit->efficiency);
            $label = $rig->graph->label($element->component);

            return new Hit(
                "{$element->component}|{$unit->component}",
                $over
                    ? sprintf(
                        '%s of %g A carries %.0f A while %s gives its full output and opens %s. It caps the ' .
                            'unit at %.0f W: say so, or replace it.',
                        $label,
                        $rating,
                        $amps,
                        $rig->graph->label($unit->component),
                        TripCurve::words(TripCurve::seconds($element->rating->what, $amps / $rating)),
                        $capW,
                    )
                    : sprintf(
                        '%s of %g A is below the design current of %s (%.0f A) and caps it at %.0f W for ' .
                            'good: an interim part.',
                        $label,
                        $rating,
                        $rig->graph->label($unit->component),
                        $designA,
                        $capW,
                    ),
                [$element->component, $unit->component],
                [
                    new Figure(
                        'Current at full output',
                        $amps,
                        'A',
                        self::words($unit, $share),
                        Source::computed('I = W ÷ (V × η)'),
                        $over ? $rating : null,
                        $element->rating->assumed,
                        of: new Of(Quantity::Current, $element->id),
                    ),
                    ...$over
                        ? []
                        : [
                            new Figure(
                                'Design current',
                                $designA,
                                'A',
                                sprintf('larger of 1.25 × %.1f A and the current at cut-off', $amps),
                                Source::computed('arithmetic'),
                                $rating,
                                $element->rating->assumed,
                                of: new Of(Quantity::Rated, $element->id),
                            ),
                        ],
                    new Figure(
                        'Cap',
                        $capW,
                        'W',
                        sprintf(
                            '%g A ÷ 1.25 × %g V × %g%s',
                            $rating,
                            $unit->nominalV,
                            $unit->efficiency,
                            self::of($share),
                        ),
                        Source::computed('arithmetic'),
                        of: new Of(Quantity::Power, $unit->id),
                    ),
                ],
                severity: $over ? Severity::Warning : Severity::Advice,
                title: $over ? 'Fuse too small for the inverter' : 'Fuse below the design current',
            );
        }

        return $amps > $rating + 1e-6
            ? $this->part(
                $rig,
                $element->component,
                $rating,
                $amps,
                $unit,
                $this->ahead($rig, $element->a, $element->b),
            )
            : null;
    }

    /**
     * @return array{float, string} the device that opens first for what passes between two terminals: A and its
     *      component
     */
    private function ahead(Examination $rig, string $a, string $b): array
    {
        $reach = $rig->reach()->at;
        $most = [INF, ''];
        foreach ([$a, $b] as $terminal) {
            if (isset($reach[$terminal]) && $reach[$terminal][0] < $most[0]) {
                $most = [$reach[$terminal][0], $reach[$terminal][2]];
            }
        }
        if (!is_infinite($most[0])) {
            return $most;
        }
        // On the negative side the device in the positive opens for both.
        foreach ($rig->graph->elements as $element) {
            if (
                $element->rating?->protects === true &&
                Walk::direct($element) &&
                $element->ratingA() !== null &&
                ($most[1] === '' || $element->ratingA() > $most[0])
            ) {
                $most = [$element->ratingA(), $element->component];
            }
        }

        return $most;
    }

    /** @param array{float, string} $ahead */
    private function part(
        Examination $rig,
        string $component,
        float $rating,
        float $amps,
        PowerConverter $unit,
        array $ahead,
    ): ?Hit {
        if ($ahead[0] <= $rating) {
            return null;
        }
        $label = $rig->graph->label($component);

        return new Hit(
            "{$component}|{$unit->component}",
            sprintf(
                '%s is rated %g A and carries %.0f A while %s gives its full output%s.',
                $label,
                $rating,
                $amps,
                $rig->graph->label($unit->component),
                $ahead[1] === ''
                    ? '; nothing ahead of it opens'
                    : sprintf('; %s lets %g A through', $rig->graph->label($ahead[1]), $ahead[0]),
            ),
            [$component, $unit->component],
            [
                new Figure(
                    'Current at full output',
                    $amps,
                    'A',
                    self::words($unit, 1.0),
                    Source::computed('I = W ÷ (V × η)'),
                    $rating,
                    of: new Of(Quantity::Current, $component),
                ),
            ],
            [
                Remedy::set(
                    sprintf('Use one of %d A for %s', self::next($amps), $label),
                    'carries what the inverter takes',
                    $component,
                    '/ratingA',
                    $rig->graph->partAt($component)?->is('dc_switch') === true
                        ? ['value' => self::next($amps), 'basis' => 'told']
                        : self::next($amps),
                ),
            ],
            severity: $amps > self::DANGER * $rating ? Severity::Danger : Severity::Warning,
        );
    }

    private static function next(float $amps): int
    {
        foreach (ConductorTables::STANDARD_RATINGS as $rating) {
            if ($rating >= 1.25 * $amps) {
                return $rating;
            }
        }

        return 1000;
    }

    private function management(Examination $rig, Battery $battery, float $amps, PowerConverter $unit): ?Hit
    {
        if ($battery->limitA === null || $amps <= $battery->limitA + 1e-6) {
            return null;
        }

        return new Hit(
            "{$battery->component}|{$unit->component}",
            sprintf(
                '%s gives %.0f A while %s gives its full output; its battery management opens at %g A, and ' .
                    'everything on it goes dark.',
                $rig->graph->label($battery->component),
                $amps,
                $rig->graph->label($unit->component),
                $battery->limitA,
            ),
            [$battery->component, $unit->component],
            [
                new Figure(
                    'Current at full output',
                    $amps,
                    'A',
                    self::words($unit, $amps / InverterCurrent::ofUnit($unit)->nominalA),
                    Source::computed('I = W ÷ (V × η)'),
                    $battery->limitA,
                    $battery->limitAssumed,
                    of: new Of(Quantity::Current, $battery->id),
                ),
            ],
            severity: Severity::Warning,
            title: 'More than the battery gives',
        );
    }

    private static function words(PowerConverter $unit, float $share): string
    {
        return sprintf(
            '%g W ÷ (%g V × %g)%s',
            $unit->limitA * $unit->holdsV,
            $unit->nominalV,
            $unit->efficiency,
            self::of($share),
        );
    }

    private static function of(float $share): string
    {
        return $share > 0.999 ? '' : sprintf(', %.0f %% of it by this way', $share * 100);
    }
}
