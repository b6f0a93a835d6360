<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\ForHours;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Reference\TripCurve;

/** In a load scenario something carries more than it may: supply, inlet, breaker, relay or inverter. */
final class Overload implements RigRule
{
    public static function definition(): Definition
    {
        $all = [
            'kind' => 'set_need',
            'path' => '/scenarios/all',
            'value' => [
                'title' => 'Everything',
                'running' => ['c_air.unit' => true, 'c_water.element' => true, 'c_fridge.element' => true],
            ],
        ];
        $little = [
            'kind' => 'set_need',
            'path' => '/scenarios/little',
            'value' => ['title' => 'Fridge', 'running' => ['c_fridge.element' => true]],
        ];

        return new Definition(
            'overload',
            Severity::Warning,
            'More than it may carry',
            'In a load scenario the current through a device is above its rating, or above 80 % of it for ' .
                'three hours or more. Sums are W ÷ (V × power factor); charging counts at full output, as after ' .
                'a night on the battery.',
            Source::recalled('NFPA 70 210.20(A): continuous loads at 80 %'),
            [
                Sample::found(
                    'air conditioner and water heater off the inverter',
                    Sample::choose('in_line', ['continuousW' => 2000]),
                    $all,
                ),
                Sample::found('nobody has said what runs together', Sample::choose('in_line')),
                Sample::found(
                    'a battery disconnect of 100 A',
                    Sample::choose('in_line', ['continuousW' => 3000]),
                    Sample::set('disconnect', '/ratingA', ['value' => 100, 'basis' => 'read_off']),
                    $all,
                ),
                Sample::silent(
                    'a fridge',
                    Sample::choose('subpanel', [
                        'circuits' => ['c_fridge' => true],
                        'inputLimitA' => 12,
                        'chargerA' => 40,
                        'converter' => 'removed',
                    ]),
                    $little,
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        if ($rig->needs->scenarios === []) {
            return [
                new Hit(
                    'no scenario',
                    'Nobody has said yet which loads run together, so nothing was checked for overload.',
                    [],
                    severity: Severity::Advice,
                    title: 'Overload not checked',
                ),
            ];
        }
        /** @var array<string, array{float, Hit}> $worst */
        $worst = [];
        $rated = $this->rated($rig);
        foreach ($rig->currents()->amps as $state => $scenarios) {
            $checked = [...$rated, ...$this->supplies($rig, $state)];
            foreach ($scenarios as $scenario => $amps) {
                foreach ($checked as [$key, $element, $component, $what, $ratingA, $hours]) {
                    $current = $amps[$element] ?? 0.0;
                    if ($current * 1.25 <= $ratingA) {
                        continue;
                    }
                    // What runs three hours or more counts for 125 %.
                    $long = $hours ? $rig->currents()->continuousA($state, $scenario, $element) : 0.0;
                    $over = $current > $ratingA * (1 + 1e-9);
                    $share = max($current, $current + 0.25 * $long) / $ratingA;
                    if ($share <= 1 + 1e-9 || $share <= ($worst[$key][0] ?? 0.0)) {
                        continue;
                    }
                    $title = $rig->needs->scenarios[$scenario]['title'];
                    $worst[$key] = [
                        $share,
                        new Hit(
                            $key,
                            $over
                                ? sprintf(
                                    '%s carries %.1f A in "%s" (%s); it is made for %s A.',
                                    ucfirst($what),
                                    $current,
                                    $title,
                                    $rig->named[$state]->title,
                                    self::shown($ratingA),
                                )
                                : sprintf(
                                    '%s carries %.1f A in "%s" (%s), %.1f A of it for hours: more ' .
                                        'than 80 %% of the %s A it is made for.',
                                    ucfirst($what),
                                    $current,
                                    $title,
                                    $rig->named[$state]->title,
                                    $long,
                                    self::shown($ratingA),
                                ),
                            [$component],
                            [
                                new Figure(
                                    $what,
                                    $current,
                                    'A',
                                    sprintf(
                                        'sum of the running loads and charging behind it: %.1f A%s',
                                        $current,
                                        $long > 0 ? sprintf(', %.1f A of it continuous', $long) : '',
                                    ),
                                    ForHours::source(),
                                    $over ? $ratingA : ForHours::amps($ratingA),
                                    of: new Of(Quantity::Current, $element, $state, $scenario),
                                ),
                            ],
                            $over
                                ? self::remedies($rig, $state, $scenario, $ratingA, ($current - $ratingA) * 120.0)
                                : [],
                            severity: $over ? Severity::Warning : Severity::Advice,
                            title: $over ? 'Overload: ' . lcfirst($what) : 'Near its limit: ' . lcfirst($what),
                            state: $state,
                            because: $over &&
                            $element !== self::supply($rig) &&
                            $this->supplyOpensFirst($rig, $state, $amps, $ratingA)
                                ? 'overload|' . self::supply($rig)
                                : null,
                        ),
                    ];
                }
            }
        }
        $hits = array_map(fn(array $w): Hit => $w[1], $worst);
        foreach ((new DirectLoading($rig))->over() as $over) {
            $hits[] = $this->direct($rig, $over);
        }

        return array_values($hits);
    }

    /**
     * @param array{
     *     id: string,
     *     component: string,
     *     what: string,
     *     amps: float,
     *     limitA: float,
     *     state: string,
     *     scenario: string,
     *     assumed: bool,
     *     opens: ?float,
     *     protects: bool,
     * } $over
     */
    private function direct(Examination $rig, array $over): Hit
    {
        $title = $rig->needs->scenarios[$over['scenario']]['title'];

        return new Hit(
            "dc|{$over['id']}",
            sprintf(
                '%s carries %.0f A in "%s" (%s); it is made for %s A%s.',
                ucfirst($over['what']),
                $over['amps'],
                $title,
                $rig->named[$over['state']]->title,
                self::shown($over['limitA']),
                $over['protects'] ? ', and opens ' . TripCurve::words($over['opens']) : '',
            ),
            [$over['component']],
            [
                new Figure(
                    $over['what'],
                    $over['amps'],
                    'A',
                    'load flow of that state with those loads, batteries half charged',
                    Source::computed('load flow'),
                    $over['limitA'],
                    $over['assumed'],
                    of: new Of(Quantity::Current, $over['id'], $over['state'], $over['scenario']),
                ),
            ],
            self::lighter($rig, $over['scenario'], ($over['amps'] - $over['limitA']) * self::systemV($rig)),
            severity: Severity::Warning,
            title: 'Overload: ' . lcfirst($over['what']),
            state: $over['state'],
        );
    }

    /**
     * Less for the charger, then less at once.
     *
     * @param float $excessW what is too much, W
     * @return list<Remedy>
     */
    private static function remedies(
        Examination $rig,
        string $state,
        string $scenario,
        float $ratingA,
        float $excessW,
    ): array {
        $remedies = [];
        foreach ($rig->graph->converters as $unit) {
            $limit = max(3.0, floor($ratingA));
            if (
                $unit->kind === PowerConverter::CHARGER &&
                $unit->inputLimitA > $limit &&
                isset($rig->settled[$state]->situation->charging()[$unit->id])
            ) {
                $remedies[] = Remedy::set(
                    sprintf('Set the input limit of %s to %g A', $rig->graph->label($unit->component), $limit),
                    'it charges with what the loads leave',
                    $unit->component,
                    '/inputLimitA',
                    $limit,
                );
            }
        }

        return [...$remedies, ...self::lighter($rig, $scenario, $excessW)];
    }

    /** Volts of the largest battery system, V. */
    private static function systemV(Examination $rig): float
    {
        return max([0.0, ...array_map(fn($b): float => $b->systemV(), array_values($rig->graph->batteries))]);
    }

    /**
     * @return list<Remedy> the scenario without the smallest load that is enough, or without the largest until it is
     */
    private static function lighter(Examination $rig, string $scenario, float $excessW): array
    {
        $running = $rig->needs->scenarios[$scenario]['running'];
        $loads = array_filter(array_intersect_key($rig->graph->loads, $running), fn($l): bool => $l->watts > 0);
        uasort($loads, fn($a, $b): int => $a->watts <=> $b->watts);
        $enough = array_key_first(array_filter($loads, fn($l): bool => $l->watts >= $excessW));
        $out = $enough === null ? [] : [$enough];
        for ($rest = array_keys($loads), $left = $excessW; $enough === null && $rest !== [] && $left > 0; ) {
            $out[] = $largest = array_pop($rest);
            $left -= $loads[$largest]->watts;
        }

        return $out === []
            ? []
            : [
                new Remedy(
                    sprintf(
                        'Leave %s out of "%s"',
                        implode(' and ', array_map(fn(string $id): string => $loads[$id]->label, $out)),
                        $rig->needs->scenarios[$scenario]['title'],
                    ),
                    'not all at once: the owner must know',
                    [
                        'kind' => 'set_need',
                        'path' => "/scenarios/{$scenario}/running",
                        'value' => (object) array_diff_key($running, array_flip($out)),
                    ],
                ),
            ];
    }

    /**
     * @return list<array{string, string, string, string, float, bool}> key, element or source, component, words,
     *      rating, whether hours count
     */
    private function rated(Examination $rig): array
    {
        $checked = [];
        $first = [];
        foreach ($rig->currents()->rated() as $rated) {
            // Ways through one device are one thing to somebody who reads its rating.
            $key = $first["{$rated['component']}|{$rated['what']}"] ??= $rated['element'];
            $checked[] = [
                $key,
                $rated['element'],
                $rated['component'],
                $rated['what'],
                $rated['ratingA'],
                in_array($rig->graph->elements[$rated['element']]->rating?->what, ['breaker', 'pins'], true),
            ];
        }
        foreach ($rig->graph->converters as $unit) {
            if ($unit->kind === PowerConverter::INVERTER) {
                $id = "{$unit->component}.inverter";
                $checked[] = [
                    $id,
                    $id,
                    $unit->component,
                    $rig->graph->label($unit->component) . ' while inverting',
                    $unit->limitA,
                    false,
                ];
            }
        }

        return $checked;
    }

    /**
     * @return list<array{string, string, string, string, float, bool}> likewise, of what supplies the rig in a state
     */
    private function supplies(Examination $rig, string $state): array
    {
        $checked = [];
        foreach ($rig->graph->supplies as $supply) {
            $amps =
                $supply->kind === 'shore'
                    ? $rig->currents()->supplyA($rig->settled[$state])
                    : $rig->graph->sources[$supply->source]->limitA;
            if ($amps !== null) {
                $checked[] = [
                    $supply->source,
                    $supply->source,
                    $supply->component,
                    $supply->kind === 'shore'
                        ? sprintf('the %g A pedestal', $amps)
                        : $rig->graph->label($supply->component),
                    $amps,
                    true,
                ];
            }
        }

        return $checked;
    }

    /**
     * Whether the pedestal is past its rating too, and no larger than the part behind it: then that part never
     * gets to carry this.
     *
     * @param array<string, float> $amps of the state and scenario
     */
    private function supplyOpensFirst(Examination $rig, string $state, array $amps, float $ratingA): bool
    {
        $supply = (string) self::supply($rig);
        $supplyA = $rig->currents()->supplyA($rig->settled[$state]);

        return $supplyA !== null &&
            $rig->settled[$state]->situation->quality($supply) === 'good' &&
            ($amps[$supply] ?? 0.0) > $supplyA &&
            $supplyA <= $ratingA;
    }

    /** The outside supply everything else hangs on: what is too much for it is too much behind it. */
    private static function supply(Examination $rig): ?string
    {
        foreach ($rig->graph->sources as $id => $source) {
            if ($source->surrounding !== null) {
                return $id;
            }
        }

        return null;
    }

    /** Amps as they are marked: whole ones without a dot, the rest to a tenth. */
    private static function shown(float $amps): string
    {
        return sprintf('%s', round($amps, 1));
    }
}
