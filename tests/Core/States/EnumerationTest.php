<?php

declare(strict_types=1);

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\StateRule;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Enumeration;
use Tests\Rigs;

/**
 * The slow and simple way: every combination of every control, branch breakers included, no
 * reduction, no memory; slips counted over all controls.
 *
 * @return array<string, int> hazard => fewest slips
 */
function bruteForce(Examination $rig): array
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
function reduced(Examination $rig): array
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

it('finds the same hazards at the same distance as brute force', function (int $seed): void {
    $document = Rigs::generated($seed);
    // Fewer supplies keep the brute force bearable; the controls stay.
    $document = Rigs::edit($document, ['kind' => 'survey_set', 'component' => 'shore', 'path' => '/supplies', 'value' => ['s30' => ['ratingA' => 30]]]);
    foreach (['c_water', 'c_wet'] as $spare) {
        $touched = array_filter(get_object_vars($document->plans->p->changes), fn($c): bool => $c->target === $spare);
        if ($touched === []) {
            $document = Rigs::edit($document, ['kind' => 'survey_remove', 'component' => $spare]);
        }
    }
    $rig = Rigs::planned($document);
    expect(reduced($rig))->toBe(bruteForce($rig));
})->with([3, 7, 11, 19, 23, 42, 77, 101]);

it('counts the states of the unreduced product', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $enumeration = new Enumeration($rig->engine);
    // Plug (3 supplies + out) × pedestal, not miswired, 4 × inverter switch 3 × disconnect 2 × main 2 × five branch breakers.
    expect($enumeration->total())->toBe(4 * 4 * 3 * 2 * 2 * 2 ** 5)
        ->and($enumeration->reduced())->toBeLessThan($enumeration->total())
        ->and(iterator_count($enumeration->settings()))->toBe($enumeration->reduced());
});

it('keeps a breaker that does more than feed loads', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_converter' => true], 'converter' => 'left'])));
    expect($rig->engine->network->kept)->toContain('inverter_feed.breaker')->toContain('c_converter.breaker')->not->toContain('c_outlets.breaker');
});

it('finds them on rigs with every arrangement, generators and surge units', function (int $seed): void {
    $document = Rigs::edit(Rigs::varied($seed), ['kind' => 'survey_set', 'component' => 'shore', 'path' => '/supplies', 'value' => ['s30' => ['ratingA' => 30]]]);
    foreach (['c_water', 'c_wet', 'c_air'] as $spare) {
        $touched = array_filter(get_object_vars($document->plans->p->changes), fn($c): bool => $c->target === $spare);
        if ($touched === [] && isset($document->asFound->components->{$spare})) {
            $document = Rigs::edit($document, ['kind' => 'survey_remove', 'component' => $spare]);
        }
    }
    $rig = Rigs::planned($document);
    expect(reduced($rig))->toBe(bruteForce($rig));
})->with([2, 5, 9, 14, 21, 33, 47, 58]);

it('lets low volts stand for high ones exactly', function (int $seed): void {
    $rig = Rigs::planned(Rigs::varied($seed));
    foreach ($rig->named as $state) {
        $ends = array_map(function (string $volts) use ($rig, $state): array {
            $settled = $rig->engine->settle(new Hollin\Core\States\Setting($state->setting->controls, ['shore.condition' => $volts]));

            return [array_diff_key($settled->positions, ['shore.condition' => '']), $settled->situation->closed];
        }, ['low', 'high']);
        expect($ends[0])->toBe($ends[1]);
    }
})->with(range(1, 20))->group('drawn');

it('counts what it walks where one control matters only with another', function (string $demo, string $plan): void {
    $rig = Rigs::planned(Rigs::demo($demo), $plan);
    $enumeration = new Enumeration($rig->engine);
    $dependent = array_filter($rig->graph->devices, fn($d): bool => $d->while !== [] && !$d->isAutomatic());
    expect(iterator_count($enumeration->settings()))->toBe($enumeration->reduced())->and($dependent !== [])->toBe($demo === 'tideline');
    // What a control that does not matter is set to is walked once, in its usual position.
    foreach ($enumeration->settings() as $setting) {
        foreach ($dependent as $id => $device) {
            if (!$device->matters($setting->controls)) {
                expect($setting->controls[$id])->toBe($device->normal);
            }
        }
    }
})->with([['grafting', 'panel'], ['tideline', 'line'], ['tideline', 'some']]);
