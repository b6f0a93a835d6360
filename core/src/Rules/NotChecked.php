<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Load;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\TooMuch;

/** States with so many loads at once that their volts and amps were not worked out: nobody takes silence for a pass. */
final class NotChecked implements RigRule
{
    /** Fewer loads at once than this are always worked out. */
    private const ALWAYS = 120;

    public static function definition(): Definition
    {
        return new Definition(
            'not_checked',
            Severity::Warning,
            'Too much to check',
            'With very many loads at once volts and amps of a state are not worked out: they would take minutes. ' .
                'What is joined with what is checked all the same; overload, drop and what opens are not.',
            Source::computed('bound of effort'),
            [
                Sample::found(
                    'two hundred motors on one circuit, all running',
                    Sample::survey(
                        'c_outlets',
                        '/loads',
                        array_combine(
                            array_map(fn(int $n): string => "m{$n}", range(1, 200)),
                            array_map(
                                fn(int $n): array => ['label' => "Motor {$n}", 'watts' => 100, 'kind' => 'motor'],
                                range(1, 200),
                            ),
                        ),
                    ),
                ),
                Sample::silent('any rig with few of them'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $motors = array_filter($rig->graph->loads, fn(Load $l): bool => $l->kind !== 'resistive');
        $scenarios = array_filter(
            ['everything' => ['title' => 'everything on', 'running' => $rig->allLoads()]] + $rig->needs->scenarios,
            fn(array $s): bool => count(array_intersect_key($s['running'], $motors)) > self::ALWAYS,
        );
        $states = [];
        foreach ($scenarios as $scenario) {
            foreach ($rig->named as $id => $state) {
                $flow = $rig->flows()->of($rig->settled[$id], $scenario['running'], $state->charge);
                if (str_starts_with((string) $flow->trouble, TooMuch::WORDS)) {
                    $states[$id] = $state->title;
                }
            }
        }

        return $states === []
            ? []
            : [
                new Hit(
                    'flows',
                    sprintf(
                        '%d loads at once. Checked was what is joined in every state; volts, amps, ' .
                            'overload and what opens were not worked out in %s.',
                        count($motors),
                        implode(', ', array_map(fn(string $t): string => "\"{$t}\"", $states)),
                    ),
                    [],
                    state: array_key_first($states),
                ),
            ];
    }
}
