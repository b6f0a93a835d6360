<?php

declare(strict_types=1);

use Hollin\Core\Rules\Sample;
use Hollin\Core\States\DirectSide;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Setting;
use Tests\BruteForce;
use Tests\Drawn;
use Tests\Rigs;
use Tests\Seeds;

it('finds the same hazards at the same distance as brute force', function (int $seed): void {
    $document = Rigs::generated($seed);
    // Fewer supplies keep the brute force bearable; the controls stay.
    $document = Rigs::edit($document, [
        'kind' => 'survey_set',
        'component' => 'shore',
        'path' => '/supplies',
        'value' => ['s30' => ['ratingA' => 30]],
    ]);
    foreach (['c_water', 'c_wet'] as $spare) {
        $touched = array_filter(get_object_vars($document->plans->p->changes), fn($c): bool => $c->target === $spare);
        if ($touched === []) {
            $document = Rigs::edit($document, ['kind' => 'survey_remove', 'component' => $spare]);
        }
    }
    $rig = Rigs::planned($document);
    expect(BruteForce::judged($rig))->toBe(BruteForce::found($rig));
})->with([3, 7, 11, 19, 23, 42, 77, 101]);

it('counts the states of the unreduced product', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $enumeration = new Enumeration($rig->engine);
    // Plug (3 supplies + out) × pedestal, not miswired, 4 × inverter switch 3 × disconnect 2 × main 2 × five branch
    // breakers.
    expect($enumeration->total())
        ->toBe(4 * 4 * 3 * 2 * 2 * 2 ** 5)
        ->and($enumeration->reduced())
        ->toBeLessThan($enumeration->total())
        ->and(iterator_count($enumeration->settings()))
        ->toBe($enumeration->reduced());
});

it('keeps a breaker that does more than feed loads', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('subpanel', [
                'circuits' => ['c_outlets' => true, 'c_converter' => true],
                'converter' => 'left',
            ]),
        ),
    );
    expect($rig->engine->network->kept)
        ->toContain('inverter_feed.breaker')
        ->toContain('c_converter.breaker')
        ->not->toContain('c_outlets.breaker');
});

it('finds them on rigs with every arrangement, generators and surge units', function (int $seed): void {
    $document = Rigs::edit(Rigs::varied($seed), [
        'kind' => 'survey_set',
        'component' => 'shore',
        'path' => '/supplies',
        'value' => ['s30' => ['ratingA' => 30]],
    ]);
    foreach (['c_water', 'c_wet', 'c_air'] as $spare) {
        $touched = array_filter(get_object_vars($document->plans->p->changes), fn($c): bool => $c->target === $spare);
        if ($touched === [] && isset($document->asFound->components->{$spare})) {
            $document = Rigs::edit($document, ['kind' => 'survey_remove', 'component' => $spare]);
        }
    }
    $rig = Rigs::planned($document);
    expect(BruteForce::judged($rig))->toBe(BruteForce::found($rig));
})->with([2, 5, 9, 14, 21, 33, 47, 58]);

it('lets low volts stand for high ones exactly', function (int $seed): void {
    $rig = Rigs::planned(Rigs::varied($seed));
    foreach ($rig->named as $state) {
        $ends = array_map(
            function (string $volts) use ($rig, $state): array {
                $settled = $rig->engine->settle(
                    new Hollin\Core\States\Setting($state->setting->controls, ['shore.condition' => $volts]),
                );

                return [array_diff_key($settled->positions, ['shore.condition' => '']), $settled->situation->closed];
            },
            ['low', 'high'],
        );
        expect($ends[0])->toBe($ends[1]);
    }
})
    ->with(Seeds::of(20))
    ->group('drawn');

it('counts what it walks where one control matters only with another', function (string $demo, string $plan): void {
    $rig = Rigs::planned(Rigs::demo($demo), $plan);
    $enumeration = new Enumeration($rig->engine);
    $dependent = array_filter($rig->graph->devices, fn($d): bool => $d->while !== [] && !$d->isAutomatic());
    expect(iterator_count($enumeration->settings()))
        ->toBe($enumeration->reduced())
        ->and($dependent !== [])
        ->toBe($demo === 'tideline');
    // What a control that does not matter is set to is walked once, in its usual position.
    foreach ($enumeration->settings() as $setting) {
        foreach ($dependent as $id => $device) {
            if (!$device->matters($setting->controls)) {
                expect($setting->controls[$id])->toBe($device->normal);
            }
        }
    }
})->with([['grafting', 'panel'], ['tideline', 'line'], ['tideline', 'some']]);

/** How many settings of the full product one that is walked stands for. */
function weight(Setting $setting, Engine $engine, Enumeration $walk, array $apart = []): float
{
    $weight = 1.0;
    foreach ($engine->network->graph->devices as $id => $device) {
        if ($device->isAutomatic() || isset($apart[$id])) {
            continue;
        }
        $names = $device->positionNames();
        if (isset($engine->network->held()[$id]) || !$device->matters($setting->controls)) {
            $weight *= count($names);
            continue;
        }
        // Positions that close the same contacts are walked as the first of them.
        $same = array_filter(
            $names,
            fn(string $p): bool => ($engine->network->bits[$id][$p] ?? 0) ===
                ($engine->network->bits[$id][$setting->controls[$id]] ?? 0),
        );
        $weight *= count($walk->positions($device)) === count($names) ? 1 : count($same);
    }
    foreach ($engine->network->graph->surroundings as $id => $surrounding) {
        $more = count($surrounding->sound()) - count($surrounding->distinct());
        $weight *= match (true) {
            !$surrounding->matters($setting->controls) => count($surrounding->sound()),
            // High volts go with low ones.
            $setting->surroundings[$id] === 'low' => 1 + $more,
            default => 1,
        };
    }

    return $weight;
}

it('walks what together stands for every setting of the product', function (Closure $rig): void {
    $rig = $rig();
    $walk = new Enumeration($rig->engine);
    $sum = 0.0;
    foreach ($walk->reduced() <= 20_000 ? $walk->settings() : [] as $setting) {
        $sum += weight($setting, $rig->engine, $walk);
    }
    if ($sum > 0.0) {
        expect($sum)->toEqual($walk->total());
    }
    // The battery side gone through by itself, times the rest, comes to the same.
    $direct = new DirectSide($rig->engine, $rig->named);
    $apart = new Enumeration($rig->engine, $direct->controls);
    $sum = 0.0;
    foreach ($direct->told as ['setting' => $on, 'count' => $count]) {
        foreach ($apart->settings($on) as $setting) {
            $sum += $count * weight($setting, $rig->engine, $apart, $direct->controls);
        }
    }
    expect($sum)->toEqual($walk->total());
})->with(
    fn() => [
        'largest demo rig' => [fn() => Rigs::planned(Rigs::demo('tideline'), 'line')],
        'ten switches more' => [
            fn() => (new Hollin\Core\Answers\JobAnswers(Database\Seeders\LargeRig::document(10, 0)))->rig('line/whole'),
        ],
        ...array_map(fn(int $seed) => [fn() => Rigs::planned(Rigs::varied($seed))], Seeds::of(12)),
        ...array_map(fn(int $seed) => [fn() => Drawn::rig(Drawn::components($seed))], Seeds::of(8)),
    ],
);
