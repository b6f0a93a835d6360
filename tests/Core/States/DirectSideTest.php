<?php

declare(strict_types=1);

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\DirectSide;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Setting;
use Tests\BruteForce;
use Tests\Rigs;

/*
 * What is gone through by itself on the battery side, held against everything times everything: the slow
 * search, which knows nothing of sides.
 */

/** @return list<array<string, mixed>> a switch and its two leads, as parts of the plan */
function switchBetween(string $id, string $from, string $to, string $pole = 'positive'): array
{
    return [
        [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => $id,
            'component' => ['type' => 'dc_switch', 'label' => ucfirst($id), 'ratingA' => 300],
        ],
        Sample::lead("{$id}_in", $from, "{$id}.in", $pole),
        Sample::lead("{$id}_out", "{$id}.out", $to, $pole),
    ];
}

/** @return list<array<string, mixed>> another battery beside the bank, of some chemistry */
function secondBank(string $chemistry, float $volts): array
{
    return [
        [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'spare',
            'component' => [
                'type' => 'battery_bank',
                'label' => 'Spare',
                'chemistry' => $chemistry,
                'unitV' => $volts,
                'unitAh' => 100,
                'series' => 1,
                'parallel' => 1,
            ],
        ],
        Sample::lead('spare_neg', 'spare.neg', 'neg_bar.stud', 'negative'),
    ];
}

/** One supply and few circuits keep everything times everything bearable. */
function few(array ...$edits): Examination
{
    $document = Rigs::job(
        Sample::survey('shore', '/supplies', ['s30' => ['ratingA' => 30]]),
        ...array_map(fn(string $id): array => ['kind' => 'survey_remove', 'component' => $id], [
            'c_water',
            'c_wet',
            'c_air',
        ]),
        ...$edits,
    );

    return Rigs::planned($document);
}

dataset(
    'rigs with switches',
    fn() => [
        'one across the battery' => [
            fn() => few(Sample::choose('in_line'), ...switchBetween('cross', 'pos_bar.stud', 'neg_bar.stud')),
        ],
        'another battery behind one' => [
            fn() => few(
                Sample::choose('in_line'),
                ...secondBank('agm', 12.0),
                ...switchBetween('link', 'spare.pos', 'pos_bar.stud'),
            ),
        ],
        'one of 24 V behind two' => [
            fn() => few(
                Sample::choose('in_line'),
                ...secondBank('lfp', 25.6),
                ...switchBetween('one', 'spare.pos', 'pos_bar.stud'),
                ...switchBetween('two', 'spare.pos', 'inverter.pos'),
            ),
        ],
        'reversed by one' => [
            fn() => few(
                Sample::choose('in_line'),
                ...secondBank('agm', 12.0),
                ...switchBetween('turned', 'spare.neg', 'inverter.pos'),
            ),
        ],
        'a panel fed by two ways' => [
            fn() => few(
                Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'ahead']),
                ...switchBetween('way', 'bank.pos', 'dc_panel.pos'),
            ),
        ],
        'a negative that opens' => [
            fn() => few(Sample::choose('in_line'), ...switchBetween('ground', 'bank.neg', 'frame', 'negative')),
        ],
    ],
);

it('finds what everything times everything finds, at the same distance', function (Examination $rig): void {
    expect(BruteForce::judged($rig))->toBe(BruteForce::found($rig));
})->with('rigs with switches');

it('says of a setting what is so: same word, same answers on the other side', function (Examination $rig): void {
    $side = new DirectSide($rig->engine, $rig->named);
    if ($side->controls === []) {
        // A switch that could join two alternating conductors: then everything is multiplied.
        expect($side->told)->toHaveCount(1);

        return;
    }
    $apart = new Enumeration($rig->engine, $side->controls);
    $all = new Enumeration($rig->engine);
    expect($side->whole)
        ->toBeTrue()
        ->and(array_sum(array_column($side->told, 'count')))
        ->toBe($side->count())
        ->and($side->count() * $apart->reduced())
        ->toBe($all->reduced());
    $by = [];
    foreach ($all->settings() as $setting) {
        $settled = $rig->engine->settle($setting);
        $tells = $side->tells($setting);
        $others = json_encode([array_diff_key($setting->controls, $side->controls), $setting->surroundings]);
        $seen = json_encode([
            array_intersect_key($settled->positions, $rig->engine->automatic()),
            array_map(fn($l): string => "{$l->kind} {$l->source}", $settled->situation->liveness()),
            $settled->situation->charging(),
        ]);
        expect($by["{$tells} {$others}"] ??= $seen)->toBe($seen);
    }
})->with('rigs with switches');

it('knows the nearest of all settings that say the same', function (): void {
    $rig = few(
        Sample::choose('in_line'),
        ...secondBank('lfp', 12.8),
        ...switchBetween('link', 'spare.pos', 'pos_bar.stud'),
    );
    $side = new DirectSide($rig->engine, $rig->named);
    foreach ($side->told as $signature => ['nearest' => $nearest]) {
        foreach ($rig->named as $id => $state) {
            [$slips, $setting] = $nearest[$id];
            expect($side->tells(new Setting($setting + $state->setting->controls, $state->setting->surroundings)))
                ->toBe((string) $signature)
                ->and(count(array_diff_assoc($setting, $state->setting->controls)))
                ->toBe($slips);
        }
    }
    // The inverter hears of the bank, whichever of the two it is, and of none.
    expect(count($side->told))->toBeLessThan($side->count());
});

it(
    'goes through a battery side with many switches in a moment, and says when it did not go through all',
    function (): void {
        $many = fn(int $n): Examination => few(
            Sample::choose('in_line'),
            ...array_merge(
                ...array_map(
                    fn(int $i): array => [
                        [
                            'kind' => 'plan_fit',
                            'plan' => 'p',
                            'id' => "pump{$i}",
                            'component' => ['type' => 'dc_load', 'label' => "Pump {$i}", 'use' => 'other', 'amps' => 3],
                        ],
                        ...switchBetween("s{$i}", 'pos_bar.stud', "pump{$i}.pos"),
                        Sample::lead("pump{$i}_neg", "pump{$i}.neg", 'neg_bar.stud', 'negative'),
                    ],
                    range(1, $n),
                ),
            ),
        );
        $ten = $many(10);
        $side = new DirectSide($ten->engine, $ten->named);
        expect($side->count())
            ->toBe(2 ** 11)
            ->and($side->whole)
            ->toBeTrue()
            ->and(count($side->told))
            ->toBe(2);
        $twenty = $many(20);
        $some = new DirectSide($twenty->engine, $twenty->named);
        expect($some->whole)->toBeFalse()->and(count($some->told))->toBe(2);
    },
);

it(
    'multiplies everything, and asks every rule, where something goes by a switch of the battery side',
    function (): void {
        // Poles exchanged at the unit, which shows only while the switch across the battery is open: one slip.
        $rig = few(
            Sample::choose('in_line'),
            Sample::set('ld_bar_inv', '/to', 'inverter.neg'),
            Sample::set('ld_bar_inv_neg', '/to', 'inverter.pos'),
            ...switchBetween('cross', 'pos_bar.stud', 'neg_bar.stud'),
        );
        // Somebody is told what to do with it: then it is no longer alone with its side.
        $rig->graph->instructions['word'] = [
            'device' => 'cross.handle',
            'position' => 'off',
            'while' => 'inverting',
            'component' => 'cross',
        ];
        $side = new DirectSide($rig->engine, $rig->named);
        expect($side->controls)->toBe([])->and($side->told)->toHaveCount(1)->and($side->joined)->toBe([]);
        $found = BruteForce::judged($rig);
        expect($found)
            ->toBe(BruteForce::found($rig))
            ->and($found['dc_polarity|inverter|reversed'] ?? null)
            ->toBe(1);
    },
);
