<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Rules\Claims;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\StateRule;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Situation;

/** The slow and simple search that the quick one is held against. */
final class BruteForce
{
    /**
     * The slow and simple way: every combination of every control, branch breakers included, no
     * reduction, no memory; slips counted over all controls.
     *
     * @return array<string, int> hazard => fewest slips
     */
    public static function found(Examination $rig): array
    {
        $engine = new Engine(new Contraction($rig->graph, reduce: false));
        $enumeration = new Enumeration($engine);
        $controls = array_map(fn($d): string => $d->id, $enumeration->controls());
        $rules = array_filter(RuleBook::rules(), fn($r): bool => $r instanceof StateRule);
        $best = $hitsOf = [];
        foreach ($enumeration->settings() as $setting) {
            $situation = $engine->settle($setting)->situation;
            if (!isset($hitsOf[$situation->key])) {
                $hitsOf[$situation->key] = [];
                foreach ($rules as $rule) {
                    foreach ($rule->hits($situation, $rig) as $hit) {
                        $hitsOf[$situation->key][] = $rule::definition()->id . '|' . $hit->key;
                    }
                }
            }
            if ($hitsOf[$situation->key] === []) {
                continue;
            }
            $slips = PHP_INT_MAX;
            foreach ($rig->named as $state) {
                $slips = min(
                    $slips,
                    count(
                        array_filter(
                            $controls,
                            fn(string $id): bool => $state->setting->controls[$id] !== $setting->controls[$id],
                        ),
                    ),
                );
            }
            foreach ($hitsOf[$situation->key] as $key) {
                $best[$key] = min($best[$key] ?? PHP_INT_MAX, $slips);
            }
        }
        ksort($best);

        return $best;
    }

    /** @return array<string, int> the same from the judge */
    public static function judged(Examination $rig): array
    {
        $best = [];
        foreach ((new Judge($rig))->findings as $finding) {
            $isState = is_subclass_of(
                array_column(array_map(fn($r): array => [$r::definition()->id, $r::class], RuleBook::rules()), 1, 0)[
                    $finding->rule->id
                ],
                StateRule::class,
            );
            if ($isState && !in_array($finding->ways->kind, ['passing', 'outside'], true)) {
                $best["{$finding->rule->id}|{$finding->hit->key}"] = $finding->ways->pairs[0]['slips'];
            }
        }
        ksort($best);

        return $best;
    }

    /** @return list<StateRule&Claims> */
    private static function claiming(): array
    {
        return array_values(
            array_filter(RuleBook::rules(), fn($r): bool => $r instanceof StateRule && $r instanceof Claims),
        );
    }

    /**
     * What each single failure brings about, at rest and on the way.
     *
     * @return array<string, array<string, list<int>>> hazard => failure in words => slips beside it, each time it was
     *      seen
     */
    public static function failing(Examination $rig): array
    {
        $engine = $rig->engine;
        $automatic = $engine->automatic();
        $rules = self::claiming();
        $hits = function (Situation $situation) use ($rules, $rig): array {
            $keys = [];
            foreach ($rules as $rule) {
                foreach ($rule->hits($situation, $rig) as $hit) {
                    $keys[] = $rule::definition()->id . '|' . $hit->key;
                }
            }

            return $keys;
        };
        $ways = $anyway = [];
        foreach ($rig->named as $state) {
            foreach ($rig->settled as $from) {
                foreach (
                    $engine->settle($state->setting, array_intersect_key($from->positions, $automatic))->passing
                    as $passing
                ) {
                    foreach ($passing['lastsS'] >= 0.1 ? $hits($passing['situation']) : [] as $key) {
                        $anyway["{$key}#{$state->id}"] = true;
                    }
                }
            }
        }
        foreach (Failure::ofNetwork($engine->network) as $failure) {
            $fails = Naming::read($failure->words, $rig->graph, $rig->named);
            foreach ($rig->named as $state) {
                $rest = $rig->settled[$state->id]->positions;
                foreach ($hits($engine->settle($state->setting, $rest, $failure)->situation) as $key) {
                    $ways[$key][$fails][] = 0;
                }
                foreach ((new Enumeration($engine))->controls() as $control) {
                    foreach ($control->positionNames() as $position) {
                        if ($position !== $state->setting->controls[$control->id]) {
                            foreach (
                                $hits(
                                    $engine->settle($state->setting->with($control->id, $position), $rest, $failure)
                                        ->situation,
                                )
                                as $key
                            ) {
                                $ways[$key][$fails][] = 1;
                            }
                        }
                    }
                }
                foreach ($rig->settled as $from) {
                    foreach (
                        $engine->settle($state->setting, array_intersect_key($from->positions, $automatic), $failure)
                            ->passing
                        as $passing
                    ) {
                        foreach ($passing['lastsS'] >= 0.1 ? $hits($passing['situation']) : [] as $key) {
                            if (!isset($anyway["{$key}#{$state->id}"])) {
                                $ways[$key]["{$fails}, passing"][] = 0;
                            }
                        }
                    }
                }
            }
        }

        return $ways;
    }

    /**
     * What each single failure undoes of what a rig claims, by trying all of them from every named state, with
     * every slip beside it, and on the way from every named state to every other.
     *
     * @return array<string, list<string>> claim => failures, each with how near it is
     */
    public static function undone(Examination $rig): array
    {
        $rules = self::claiming();
        $ways = self::failing($rig);
        $undone = [];
        foreach ($rules as $rule) {
            foreach ($rule->claims($rig) as $claim) {
                $of = [];
                foreach ($ways as $key => $words) {
                    if (str_starts_with($key, $rule::definition()->id . '|' . $claim->keyPrefix)) {
                        foreach ($words as $said => $slips) {
                            $of[$said] = min($of[$said] ?? 1, ...$slips);
                        }
                    }
                }
                // What lasts is not told as passing.
                $of = array_filter(
                    $of,
                    fn(string $said): bool => !str_ends_with($said, ', passing') ||
                        ($of[substr($said, 0, -9)] ?? 1) !== 0,
                    ARRAY_FILTER_USE_KEY,
                );
                $title = Naming::read($claim->title, $rig->graph, $rig->named);
                $undone[$rule::definition()->id . ": {$title}"] = self::sorted($of);
            }
        }

        return $undone;
    }

    /** @return array<string, list<string>> the same as the judge tells it, of what it calls impossible */
    public static function told(Examination $rig): array
    {
        $told = [];
        foreach ((new Judge($rig))->prevented as $prevented) {
            $of = [];
            foreach ($prevented->undoneBy as $way) {
                if (!str_starts_with($way['words'], 'a pedestal')) {
                    $words = (string) preg_replace(
                        ['/ \((hot|neutral|ground|positive|negative) pole[^)]*\)$/', '/, for [\d.e+-]+ s$/'],
                        ['', ', passing'],
                        $way['words'],
                    );
                    $of[$words] = $way['slips'];
                }
            }
            $told["{$prevented->rule}: {$prevented->title}"] = self::sorted($of);
        }

        return $told;
    }

    /**
     * @param array<string, int> $of
     * @return list<string>
     */
    private static function sorted(array $of): array
    {
        $list = array_map(fn(string $words, int $slips): string => "{$words} / {$slips}", array_keys($of), $of);
        sort($list);

        return $list;
    }
}
