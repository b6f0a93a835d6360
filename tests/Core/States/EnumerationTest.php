<?php

declare(strict_types=1);

use Hollin\Core\Rules\Sample;
use Hollin\Core\States\Enumeration;
use Tests\BruteForce;
use Tests\Rigs;

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
    expect(BruteForce::judged($rig))->toBe(BruteForce::found($rig));
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
    expect(BruteForce::judged($rig))->toBe(BruteForce::found($rig));
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
