<?php

declare(strict_types=1);

use Hollin\Core\Answers\StateAnswer;
use Hollin\Core\Build\Baseline;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

describe('a state set by hand', function (): void {
    it('is the named state when it is set as that', function (string $state): void {
        $rig = Rigs::planned(Rigs::demo('tideline'), 'line');
        $setting = $rig->named[$state]->setting;
        $answer = (new StateAnswer($rig, $setting->controls, $setting->surroundings, []))->toArray();
        foreach ($rig->settled[$state]->positions as $device => $position) {
            expect(((array) $answer['paint']['positions'])[$device]['position'])->toBe($position);
        }
    })->with(['nothing', 'inverting', 'shore_s30', 'generator', 'dead_pedestal', 'bypassed', 'storage']);

    it('fills in what is not said from "nothing connected"', function (): void {
        $answer = (new StateAnswer(Rigs::asFound(Rigs::job()), [], [], []))->toArray();
        expect($answer['story'])->toBe([])->and($answer['hits'])->toBe([])->and($answer['flow']['trouble'])->toBeNull();
    });

    it('tells the surge unit\'s wait before anything works', function (): void {
        $rig = Rigs::asFound(Rigs::demo('tideline'));
        $story = (new StateAnswer($rig, ['inlet.plug' => 's30'], [], []))->toArray()['story'];
        $last = end($story);
        expect($last['atS'])
            ->toBe(136.0)
            ->and($last['words'][0])
            ->toContain('lets the supply in')
            ->and(implode(' ', $last['words']))
            ->toContain('works from Shore');
    });

    it('opens a breaker that leads only to loads, which the proof may hold closed', function (): void {
        $rig = Rigs::planned(Rigs::demo('archive'), 'right');
        $on = $rig->named['inverting']->setting->controls;
        foreach (array_keys($rig->engine->network->heldClosed) as $breaker) {
            $circuit = substr($breaker, 0, -strlen('.breaker'));
            $answer = (new StateAnswer($rig, [$breaker => 'off'] + $on, [], array_keys($rig->graph->loads)))->toArray();
            $circuits = (array) $answer['paint']['circuits'];
            expect($circuits[$circuit]['kind'])
                ->toBe('dead')
                ->and(count(array_filter($circuits, fn(array $c): bool => $c['kind'] === 'works')))
                ->toBeGreaterThan(3)
                ->and(((array) $answer['flow']['amps'])["{$circuit}.hot"] ?? 0.0)
                ->toEqualWithDelta(0.0, 1e-6);
        }
        expect($rig->engine->network->heldClosed)->not->toBe([]);
    });

    it('shows the hazards of exactly this state', function (): void {
        $rig = Rigs::planned(
            Rigs::job(
                ['kind' => 'survey_remove', 'component' => 'c_water'],
                Sample::alone('back_fed', ['interlocked' => false]),
            ),
        );
        $hits = array_column(
            (new StateAnswer(
                $rig,
                ['inlet.plug' => 's30', 'inverter.mode' => 'on', 'main_panel.backfeed_breaker' => 'on'],
                [],
                [],
            ))->toArray()['hits'],
            'rule',
        );
        expect($hits)->toContain('joined_sources');
        $safe = array_column(
            (new StateAnswer($rig, ['inlet.plug' => 's30', 'inverter.mode' => 'on'], [], []))->toArray()['hits'],
            'rule',
        );
        expect($safe)->not->toContain('joined_sources');
    });

    it('says what opens and when, a line a part', function (): void {
        $heater = Sample::survey('c_outlets', '/loads', [
            'heater' => ['label' => 'Heater', 'watts' => 2200, 'kind' => 'constant'],
        ]);
        $rig = Rigs::planned(
            Rigs::job(
                $heater,
                Sample::choose('in_line', ['continuousW' => 3000, 'converter' => 'removed']),
                Sample::set('main_fuse', '/ratingA', 100),
            ),
        );
        $on = $rig->named['inverting']->setting->controls;
        $flow = (new StateAnswer($rig, $on, [], ['c_outlets.heater']))->toArray()['flow'];
        $of = array_column($flow['trips'], 'words', 'component');
        expect($of['main_fuse'])
            ->toMatch('/^Main fuse: \d{3} A of 100 A, opens after about \d+ s$/')
            ->and($of['c_outlets'])
            ->toContain('of 15 A, opens')
            ->and((new StateAnswer($rig, $on, [], []))->toArray()['flow']['trips'])
            ->toBe([]);
    });

    it('solves with the loads that run, and says what each breaker carries', function (): void {
        $answer = (new StateAnswer(
            Rigs::asFound(Rigs::job()),
            ['inlet.plug' => 's30', 'c_converter.breaker' => 'off'],
            [],
            ['c_water.element'],
        ))->toArray()['flow'];
        $main = array_values(
            array_filter($answer['loading'], fn(array $l): bool => $l['what'] === 'Main panel main breaker'),
        )[0];
        expect($main['ratingA'])
            ->toBe(30.0)
            ->and($main['amps'])
            ->toEqualWithDelta((1440 / 120) * 0.97, 0.4)
            ->and(((array) $answer['volts'])['c_water'])
            ->toBeLessThan(119)
            ->and($answer['residual'])
            ->toBeLessThan(1e-9);
    });

    it('lets a bank that is low sag more', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'removed', 'chemistry' => 'agm'])));
        $volts = fn(string $charge): float => (new StateAnswer(
            $rig,
            ['inverter.mode' => 'on'],
            [],
            ['c_water.element'],
            $charge,
        ))->flow()->sources['bank.cells']['volts'];
        expect($volts('low'))->toBeLessThan($volts('half'))->and($volts('half'))->toBeLessThan($volts('full'));
    });

    it('refuses what the rig does not have', function (callable $ask, string $said): void {
        expect(fn() => $ask(Rigs::asFound(Rigs::job())))->toThrow(Refused::class, $said);
    })->with([
        [fn($rig) => new StateAnswer($rig, ['ghost' => 'on'], [], []), 'not something that can be set'],
        [fn($rig) => new StateAnswer($rig, ['inlet.plug' => 'sideways'], [], []), 'no such position'],
        [fn($rig) => new StateAnswer($rig, [], ['shore.condition' => 'wet'], []), 'no such position'],
        [fn($rig) => new StateAnswer($rig, [], [], ['c_air.ghost']), 'not a load'],
        [fn($rig) => (new StateAnswer($rig, [], [], []))->reading('ac_amps', 'ghost', '', true), 'not a conductor'],
        [
            fn($rig) => (new StateAnswer($rig, [], [], []))->reading('plug_tester', 'main_panel', '', true),
            'not a circuit',
        ],
    ]);
});

describe('points for a probe', function (): void {
    it('are called what they are called at the rig', function (): void {
        $words = TerminalWords::of(Rigs::planned(Rigs::demo('archive'), 'right')->graph);
        expect($words['main_panel.neutral_bar'])
            ->toBe('Main panel: neutral bar')
            ->and($words['old_transfer.in_b.l'])
            ->toBe('Old transfer switch: input B hot')
            ->and($words['inlet.pin_n'])
            ->toBe('Inlet: neutral pin')
            ->and($words['frame'])
            ->toBe('Frame')
            ->and(array_filter(array_keys($words), fn(string $t): bool => str_contains($t, '.service.')))
            ->toBe([]);
    });
});

describe('baseline readings', function (): void {
    it('are those of this rig', function (): void {
        $ids = array_map(fn(Baseline $b): string => $b->id, Baseline::of(Rigs::asFound(Rigs::demo('archive'))));
        expect($ids)
            ->toContain(
                'rest_house',
                'bond_main_panel',
                'converter_converter',
                'polarity_c_outlets',
                'gfci_c_wet',
                'skin',
            )
            ->not->toContain('polarity_c_air', 'gfci_c_outlets');
        $bare = array_map(
            fn(Baseline $b): string => $b->id,
            Baseline::of(Rigs::asFound(Rigs::job(['kind' => 'survey_remove', 'component' => 'shore']))),
        );
        expect($bare)->toContain('rest_house')->not->toContain('skin');
    });

    it('are judged by their band', function (string $id, ?float $value, ?string $words, string $verdict): void {
        $points = array_column(
            array_map(fn(Baseline $b): array => [$b->id, $b], Baseline::of(Rigs::asFound(Rigs::job()))),
            1,
            0,
        );
        expect($points[$id]->verdict($value, $words))
            ->toBe($verdict)
            ->and(Baseline::fromArray($points[$id]->toArray())->verdict($value, $words))
            ->toBe($verdict);
    })->with([
        ['rest_house', 12.4, null, 'as expected'],
        ['rest_house', 11.0, null, 'not as expected'],
        ['rest_house', 14.0, null, 'not as expected'],
        ['bond_main_panel', null, 'open', 'as expected'],
        ['bond_main_panel', 0.1, null, 'not as expected'],
        ['bond_main_panel', 44.0, null, 'as expected'],
        ['frame_main_panel', 0.2, null, 'as expected'],
        ['frame_main_panel', null, 'open', 'not as expected'],
        ['polarity_c_outlets', null, 'says correct', 'as expected'],
        ['polarity_c_outlets', null, 'says open ground', 'not as expected'],
        ['skin', 0.2, null, 'as expected'],
        ['skin', 118.0, null, 'not as expected'],
        ['skin', null, 'cannot tell', 'to be judged'],
    ]);
});

it('judges the demo rigs as their stories say', function (
    string $rig,
    ?string $plan,
    array $found,
    array $notFound,
): void {
    $document = Rigs::demo($rig);
    $examined = $plan === null ? Rigs::asFound($document) : Rigs::planned($document, $plan);
    $rules = array_unique(
        array_map(
            fn($f): string => "{$f->rule->id} {$f->ways->kind}",
            (new Hollin\Core\Rules\Judge($examined))->findings,
        ),
    );
    foreach ($found as $expected) {
        expect($rules)->toContain($expected);
    }
    foreach ($notFound as $gone) {
        expect($rules)->not->toContain($gone);
    }
})->with([
    'the archive: a one-pole switch keeps the bond, the converter loops' => [
        'archive',
        null,
        ['bond_count always', 'charging_loop always', 'life_safety always'],
        [],
    ],
    'put right: two poles, fail-safe contactor' => [
        'archive',
        'right',
        ['charging_loop passing'],
        ['bond_count always', 'charging_loop always', 'charging_lost always'],
    ],
    'by hand: somebody must remember the plug' => [
        'archive',
        'hand',
        ['charging_loop slips'],
        ['bond_count always', 'charging_loop always'],
    ],
    'the van: a charger in the locker, a generator kept out' => [
        'tideline',
        null,
        ['charging_loop always', 'supply_refused always'],
        ['charging_lost always'],
    ],
    'in line: the factory inverter and its charger are gone' => [
        'tideline',
        'line',
        ['lock_out always', 'conductor_protection always'],
        ['charging_loop always', 'joined_sources always'],
    ],
    'desk and lockers: no contactor, no loop' => [
        'tideline',
        'some',
        ['supply_refused always'],
        ['charging_loop always', 'lock_out always'],
    ],
]);

it('paints a rig at a reversed pedestal live, on the wrong wire', function (): void {
    $rig = Rigs::asFound(Rigs::job());
    $sound = $rig->named['shore_s30']->setting;
    $of = fn(string $pedestal): array => (new StateAnswer(
        $rig,
        $sound->controls,
        ['shore.condition' => $pedestal] + $sound->surroundings,
        [],
    ))->toArray()['paint'];
    $reversed = $of('reversed');
    expect($reversed['links']->feeder_main['hot'])
        ->toBe([null, null])
        ->and($reversed['links']->feeder_main['exchanged'])
        ->toBe('S')
        ->and($reversed['buses']->main_panel['exchanged'])
        ->toBe('S')
        ->and($reversed['buses']->main_panel['neutralLive'])
        ->toBe('S')
        ->and($reversed['circuits']->c_air['kind'])
        ->toBe('works');
    $good = $of('good');
    expect($good['links']->feeder_main['exchanged'])
        ->toBeNull()
        ->and($good['buses']->main_panel['exchanged'])
        ->toBeNull()
        ->and($good['links']->feeder_main['hot'])
        ->toBe(['S', 'S']);
});

it('calls what gives up by its name', function (): void {
    $document = Rigs::edit(Rigs::job(), [
        'kind' => 'survey_set',
        'component' => 'c_outlets',
        'path' => '/loads',
        'value' => ['vacuum' => ['label' => 'Workshop vacuum', 'watts' => 1200, 'kind' => 'motor']],
    ]);
    $rig = Rigs::asFound($document);
    $state = new StateAnswer(
        $rig,
        $rig->named['shore_s30']->setting->controls,
        $rig->named['shore_s30']->setting->surroundings,
        ['c_outlets.vacuum'],
    );
    expect(array_column($state->toArray()['flow']['loads'], 'label', 'id')['c_outlets.vacuum'])->toBe(
        'Workshop vacuum',
    );
});
