<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\StateRule;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Enumeration;

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
                $slips = min($slips, count(array_filter($controls, fn(string $id): bool => $state->setting->controls[$id] !== $setting->controls[$id])));
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
            $isState = is_subclass_of(array_column(array_map(fn($r): array => [$r::definition()->id, $r::class], RuleBook::rules()), 1, 0)[$finding->rule->id], StateRule::class);
            if ($isState && !in_array($finding->ways->kind, ['passing', 'outside'], true)) {
                $best["{$finding->rule->id}|{$finding->hit->key}"] = $finding->ways->pairs[0]['slips'];
            }
        }
        ksort($best);

        return $best;
    }
}
