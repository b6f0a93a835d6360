<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Shape;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\Tree;
use Hollin\Core\Rules\Claims;
use Hollin\Core\Rules\Currents;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\States\Enumeration;
use Opis\JsonSchema\Validator;
use Tests\BruteForce;
use Tests\Rigs;
use Tests\Seeds;

/*
 * What must hold on any rig, tried on rigs drawn at random; the seed makes each of them again.
 */

$seeds = range(200, 229);

it('is a job file that reads back the same', function (int $seed): void {
    $text = JobFile::write(Rigs::generated($seed));
    expect(JobFile::write(JobFile::read($text)))->toBe($text);
})->with($seeds);

it('comes to rest in every state, from wherever it starts', function (int $seed): void {
    $rig = Rigs::planned(Rigs::generated($seed));
    foreach ((new Enumeration($rig->engine))->settings() as $setting) {
        foreach (['rest', 'pass', 'invert'] as $start) {
            $settled = $rig->engine->settle($setting, ['inverter.relay' => $start]);
            expect($settled->trouble)->toBe([])->and(count($settled->moves))->toBeLessThan(4);
        }
    }
})->with(array_slice($seeds, 0, 8));

it('moves time forward only', function (int $seed): void {
    $rig = Rigs::planned(Rigs::generated($seed));
    foreach ($rig->settled as $settled) {
        $times = array_column($settled->moves, 'atS');
        $sorted = $times;
        sort($sorted);
        expect($times)
            ->toBe($sorted)
            ->and(array_sum(array_column($settled->passing, 'lastsS')))
            ->toEqualWithDelta($times === [] ? 0.0 : end($times), 1e-9);
    }
})->with($seeds);

it('calls a circuit working only when both its conductors reach one source', function (int $seed): void {
    $rig = Rigs::planned(Rigs::generated($seed));
    foreach ($rig->settled as $settled) {
        $situation = $settled->situation;
        foreach ($situation->liveness() as $id => $live) {
            $end = $rig->graph->circuits[$id];
            $sources = $situation->acSources();
            if ($live->kind === 'works') {
                $roots = $sources[(string) $live->source];
                expect([$situation->root($end->hot), $situation->root($end->neutral)])->toEqualCanonicalizing($roots);
            } elseif ($live->kind === 'dead') {
                foreach ($sources as [$hot]) {
                    expect($situation->root($end->hot))
                        ->not->toBe($hot)
                        ->and($situation->root($end->neutral))
                        ->not->toBe($hot);
                }
            }
        }
    }
})->with($seeds);

it('has nothing live in the rig when nothing is connected and the inverter is off', function (int $seed): void {
    $rig = Rigs::planned(Rigs::generated($seed));
    foreach ($rig->settled['nothing']->situation->liveness() as $live) {
        expect($live->kind)->toBe('dead');
    }
    expect($rig->settled['nothing']->situation->charging())->toBe([]);
})->with($seeds);

it('balances: a panel\'s feed carries what its circuits carry', function (int $seed): void {
    $document = Rigs::generated($seed);
    $loads = [];
    foreach (Rigs::asFound($document)->graph->loads as $id => $_) {
        $loads[$id] = true;
    }
    $document = Rigs::edit($document, [
        'kind' => 'set_need',
        'path' => '/scenarios/all',
        'value' => ['title' => 'All', 'running' => $loads],
    ]);
    $rig = Rigs::planned($document);
    foreach ((new Currents($rig))->amps as $state => $scenarios) {
        $amps = $scenarios['all'];
        $bus = 0.0;
        foreach ($rig->graph->elements as $id => $element) {
            if ($element->a === 'main_panel.bus' && str_ends_with($id, '.pole')) {
                $bus += $amps[$id] ?? 0.0;
            }
        }
        // Soft-live or joined rigs have no single feed; the sum is only compared where the main carries anything.
        if (isset($amps['main_panel.main_pole']) && count($rig->settled[$state]->situation->acSources()) === 1) {
            expect($amps['main_panel.main_pole'])->toEqualWithDelta($bus, 0.01, $state);
        }
    }
})->with($seeds);

it('gives the same answers however the document was put together', function (int $seed): void {
    $document = Rigs::generated($seed);
    $shuffled = Tree::copy($document);
    $shuffled->asFound->components = (object) array_reverse(get_object_vars($document->asFound->components), true);
    $a = new JobAnswers($document);
    $b = new JobAnswers($shuffled);
    expect(array_column($a->views, 'hash'))->toBe(array_column($b->views, 'hash'));
    $last = count($a->views) - 1;
    expect(json_encode($a->answer($a->views[$last]['hash'])))->toBe(json_encode($b->answer($b->views[$last]['hash'])));
})->with(array_slice($seeds, 0, 12));

it('answers in its documented shape', function (int $seed): void {
    $schema = json_decode(
        (string) json_encode([
            '$ref' => '#/components/schemas/RigAnswer',
            'components' => ['schemas' => Shape::definitions()],
        ]),
        false,
    );
    $answers = new JobAnswers(Rigs::generated($seed));
    $answer = $answers->answer($answers->views[1]['hash']);
    expect(
        (new Validator())->validate(json_decode((string) json_encode($answer), false), $schema)->isValid(),
    )->toBeTrue();
})->with(array_slice($seeds, 0, 12));

it('finds each hazard once, worst first, with a state for whatever depends on one', function (int $seed): void {
    $findings = (new Judge(Rigs::planned(Rigs::generated($seed))))->findings;
    $ids = array_map(fn($f): string => $f->identity(), $findings);
    // What takes a miswired pedestal comes after everything that does not.
    $ranks = array_map(fn($f): int => $f->severity()->rank() + ($f->ways->kind === 'outside' ? 10 : 0), $findings);
    $sorted = $ranks;
    sort($sorted);
    expect(array_unique($ids))->toHaveCount(count($ids))->and($ranks)->toBe($sorted);
    foreach ($findings as $finding) {
        expect($finding->ways->pairs)->not->toBe([])->and($finding->hit->text)->not->toContain('  ');
        if ($finding->ways->kind === 'slips' || $finding->ways->kind === 'outage') {
            expect($finding->setting)->not->toBeNull();
        }
    }
})->with($seeds);

it('says of nothing both that it happens and that it is impossible', function (int $seed): void {
    $rig = Rigs::planned(Rigs::generated($seed));
    $judge = new Judge($rig);
    $found = array_map(
        fn($f): string => "{$f->rule->id}|{$f->hit->key}",
        array_filter($judge->findings, fn($f): bool => $f->ways->kind !== 'outside'),
    );
    $claims = [];
    foreach (RuleBook::rules() as $rule) {
        foreach ($rule instanceof Claims ? $rule->claims($rig) : [] as $claim) {
            $claims[$rule::definition()->id . '#' . $claim->title] = $rule::definition()->id . '|' . $claim->keyPrefix;
        }
    }
    foreach ($judge->prevented as $prevented) {
        // Passing ones too: what shows for half a second is not impossible.
        $prefix = $claims["{$prevented->rule}#{$prevented->title}"] ?? "{$prevented->rule}|?";
        expect(array_filter($found, fn(string $key): bool => str_starts_with($key, $prefix)))->toBe(
            [],
            $prevented->title,
        );
        expect($prevented->by)->not->toBe('');
        foreach ($prevented->undoneBy as $way) {
            expect(isset($way['state']) || str_starts_with($way['words'], 'a pedestal'))->toBeTrue();
        }
    }
})->with($seeds);

it('tells of every single failure what trying it tells', function (Examination $rig): void {
    $told = BruteForce::told($rig);
    $undone = BruteForce::undone($rig);
    foreach ($told as $claim => $ways) {
        expect($ways)->toBe($undone[$claim], $claim);
    }
    expect($told)->not->toBe([]);
})->with(
    fn() => [
        'one changeover switch, four contacts' => fn() => Rigs::planned(Rigs::demo('archive'), 'hand'),
        'one inverter/charger in line' => fn() => Rigs::planned(Rigs::demo('grafting'), 'line'),
        'a generator, a surge unit, a lock-out' => fn() => Rigs::planned(Rigs::demo('tideline'), 'line'),
        ...array_map(fn(int $seed) => fn() => Rigs::planned(Rigs::varied($seed)), Seeds::of(12, 3)),
    ],
);

it('tells of every single failure what trying it tells, on more rigs', function (int $seed): void {
    $rig = Rigs::planned($seed % 2 === 0 ? Rigs::varied($seed) : Rigs::generated($seed));
    $undone = BruteForce::undone($rig);
    foreach (BruteForce::told($rig) as $claim => $ways) {
        expect($ways)->toBe($undone[$claim], $claim);
    }
    expect($undone)->not->toBe([]);
})
    ->with(array_map(fn(int $seed): int => 19 + $seed, Seeds::of(50)))
    ->group('drawn');

it('keeps both minimal pairs of a hazard: so many slips, or one failure with fewer', function (
    Examination $rig,
    bool $one,
): void {
    $failing = BruteForce::failing($rig);
    $some = 0;
    foreach ((new Hollin\Core\Rules\Judge($rig))->findings as $finding) {
        $rule = array_values(
            array_filter(
                Hollin\Core\Rules\RuleBook::rules(),
                fn($r): bool => $r::definition()->id === $finding->rule->id,
            ),
        )[0];
        if (
            !($rule instanceof Hollin\Core\Rules\StateRule) ||
            !($rule instanceof Hollin\Core\Rules\Claims) ||
            !in_array($finding->ways->kind, ['slips', 'remote'], true) ||
            str_starts_with($finding->ways->words, 'one slip: in')
        ) {
            continue;
        }
        $alone = $finding->ways->pairs[0]['slips'];
        $with = array_filter(
            $failing["{$finding->rule->id}|{$finding->hit->key}"] ?? [],
            fn(string $words): bool => !str_ends_with($words, ', passing'),
            ARRAY_FILTER_USE_KEY,
        );
        $least = $with === [] ? PHP_INT_MAX : min(array_map(min(...), $with));
        $pairs = array_map(fn(array $p): array => [$p['slips'], $p['failures']], $finding->ways->pairs);
        expect($pairs)->toBe($least < $alone ? [[$alone, 0], [$least, 1]] : [[$alone, 0]], $finding->hit->text);
        $some += $least < $alone ? 1 : 0;
    }
    expect($some > 0)->toBe($one);
})->with(
    fn() => [
        'a generator, a surge unit, a lock-out' => [fn() => Rigs::planned(Rigs::demo('tideline'), 'line'), true],
        'one changeover switch' => [fn() => Rigs::planned(Rigs::demo('archive'), 'hand'), true],
        ...array_map(
            fn(int $seed) => [fn() => Rigs::planned(Rigs::varied($seed)), in_array($seed, [11, 24], true)],
            Seeds::of(24, 3),
        ),
    ],
);
