<?php

declare(strict_types=1);

use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Build\AsBuilt;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Step;
use Hollin\Core\Job\Tree;
use Hollin\Core\Job\Values;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;
use Tests\Works;

/**
 * Steps passed, as a logbook has them.
 *
 * @param callable(Step): bool $which
 * @return list<Entry>
 */
function passed(BuildAnswer $answer, callable $which): array
{
    $entries = [];
    $n = 0;
    foreach ($answer->work->steps as $id => $step) {
        if ($which($step)) {
            array_push($entries, ...Works::whole($answer->work, (string) $id, $n));
        }
    }

    return $entries;
}

it('is the survey before anything is done, and the plan when all of it is', function (
    string $name,
    string $plan,
): void {
    $document = Rigs::demo($name);
    $answer = BuildAnswer::of($document, $plan);
    $none = (new AsBuilt($answer->work, $answer->logbook([])))->components($document, $plan);
    expect(Tree::same($none, $document->asFound->components))->toBeTrue();
    $all = $answer->logbook(passed($answer, fn(Step $s): bool => true));
    $built = (new AsBuilt($answer->work, $all))->components($document, $plan);
    $planned = Planned::atLast($document, $plan);
    foreach (array_keys(get_object_vars($planned)) as $id) {
        expect(Tree::same($built->{$id} ?? new stdClass(), $planned->{$id}))->toBeTrue((string) $id);
    }
    expect(count(get_object_vars($built)))->toBe(count(get_object_vars($planned)));
})->with([['tideline', 'line'], ['grafting', 'panel'], ['kite', 'apart'], ['bellows', 'road']]);

it('has a part once all work on it is done, and tells each part as found, designed and built', function (): void {
    $document = Rigs::demo('tideline');
    $answer = BuildAnswer::of($document, 'line');
    $log = $answer->logbook(
        passed($answer, fn(Step $s): bool => in_array('bypass', [...$s->components, ...$s->cables], true)),
    );
    $built = (new AsBuilt($answer->work, $log))->components($document, 'line');
    expect(isset($built->bypass))
        ->toBeTrue()
        ->and(isset($built->inverter))
        ->toBeFalse()
        ->and(isset($built->house))
        ->toBeTrue();
    $said = $answer->asBuilt($document, $log);
    $rows = array_column($said['rows'], null, 'component');
    expect($rows['bypass'])
        ->toMatchArray(['found' => 'nothing', 'state' => 'built', 'built' => ''])
        ->and($rows['house'])
        ->toMatchArray(['designed' => 'taken out', 'state' => 'not yet'])
        ->and($rows['house_fuse']['designed'])
        ->toContain('on-post')
        ->and($said['answer']['wall'])
        ->not->toBe([]);
});

it('shows what was built otherwise than drawn', function (): void {
    $document = Rigs::demo('tideline');
    $answer = BuildAnswer::of($document, 'line');
    $differs = new Entry(
        'u1',
        1,
        EntryKind::Differs,
        '',
        new Values(Rigs::object(['component' => 'bypass', 'what' => 'place', 'built' => 'under the bench'])),
        '2026-11-27T09:00:00Z',
        'Idris',
        'one',
        0,
    );
    $rows = array_column($answer->asBuilt($document, $answer->logbook([$differs]))['rows'], null, 'component');
    expect($rows['bypass'])->toMatchArray(['built' => 'place: under the bench', 'state' => 'otherwise']);
});

describe('a plan in stages', function (): void {
    $staged = function (): stdClass {
        $document = Rigs::job(Sample::choose('in_line', ['parallel' => 1, 'unitAh' => 100]), [
            'kind' => 'add_stage',
            'plan' => 'p',
            'id' => 'later',
            'title' => 'The bank grows',
        ]);
        foreach (['unitAh' => 200] as $field => $value) {
            $document = Rigs::edit($document, [
                'kind' => 'plan_set',
                'plan' => 'p',
                'component' => 'bank',
                'path' => "/{$field}",
                'value' => $value,
            ]);
        }
        $change = array_key_last(
            array_filter(
                get_object_vars($document->plans->p->changes),
                fn(stdClass $c): bool => $c->target === 'bank' && $c->op === 'set',
            ),
        );

        return Rigs::edit($document, [
            'kind' => 'stage_change',
            'plan' => 'p',
            'change' => $change,
            'stage' => 'later',
        ]);
    };

    it('is proven at the end of every stage: nothing of the next begins before', function () use ($staged): void {
        $answer = BuildAnswer::of($staged(), 'p');
        $stages = array_count_values(array_map(fn(Step $s): string => $s->stage, array_values($answer->work->steps)));
        expect(array_keys($stages))->toBe(['whole', 'later']);
        $gates = array_filter($answer->work->steps, fn(Step $s): bool => $s->kind === Kind::ProveStates);
        expect(array_keys($gates))->toBe(['whole.prove_states', 'later.prove_states']);
        $behind = Tests\Works::behind($answer->work, 'whole.prove_states');
        foreach ($answer->work->steps as $id => $step) {
            if ($step->stage === 'later') {
                expect(isset($behind[$id]))->toBeTrue($id);
            }
        }
        // Baseline readings are taken once, before anything is disconnected.
        expect(array_filter($answer->work->steps, fn(Step $s): bool => $s->kind === Kind::Baseline))->toHaveCount(1);
    });

    it('opens the sheets of what the larger bank asks for again, and no others', function () use ($staged): void {
        $answer = BuildAnswer::of($staged(), 'p');
        $later = array_column($answer->stages[1]['sheets'], 'component');
        expect($later)->toContain('shunt');
    });
});

it(
    'keeps a part that is too small as an open item with its cap and a label, until a larger one is in',
    function (): void {
        $document = Rigs::job(Sample::choose('in_line', ['continuousW' => 3000]));
        $document = Rigs::edit($document, [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'main_fuse',
            'path' => '/ratingA',
            'value' => 250,
        ]);
        $answer = BuildAnswer::of($document, 'p');
        $stands = $answer->stands($answer->logbook([]), '2026-11-27');
        $caps = array_values(array_filter($stands['open'], fn(array $o): bool => $o['capW'] !== null));
        // 250 A ÷ 1.25 × 12 V × efficiency of the unit.
        $efficiency = Rigs::planned($document)->graph->parts['inverter']->number('efficiency');
        expect($caps)
            ->toHaveCount(1)
            ->and($caps[0]['capW'])
            ->toBe(round((250 / 1.25) * 12 * $efficiency))
            ->and($caps[0]['blocks'])
            ->toBeFalse()
            ->and(array_column($answer->stages[0]['labels'], 'title'))
            ->toContain(sprintf('At most %.0f W for now', $caps[0]['capW']));
    },
);
