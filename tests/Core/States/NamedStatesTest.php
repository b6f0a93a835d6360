<?php

declare(strict_types=1);

use Hollin\Core\Document\JobFile;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Setting;
use Tests\Rigs;

it('are made from what the rig has', function (array $edits, bool $planned, array $titles): void {
    $document = Rigs::job(...$edits);
    $rig = $planned ? Rigs::planned($document) : Rigs::asFound($document);
    expect(array_map(fn($s): string => "{$s->letter} {$s->title}", array_values($rig->named)))->toBe($titles);
})->with([
    'as found' => [[], false, ['0 nothing connected', 'S shore 30 A', 'H shore 20 A', 'Q shore 15 A']],
    'with an inverter' => [
        [Sample::choose('in_line')],
        true,
        [
            '0 nothing connected',
            'I inverting',
            'S shore 30 A',
            'H shore 20 A',
            'Q shore 15 A',
            'B shore, inverter on',
            'D dead pedestal, inverting',
            'L shore too low, inverting',
            'X storage',
        ],
    ],
    'one supply' => [
        [Sample::survey('shore', '/supplies', ['only' => ['ratingA' => 20]])],
        false,
        ['0 nothing connected', 'S shore 20 A'],
    ],
    'two generators' => [
        [
            Sample::add('one', [
                'type' => 'generator',
                'label' => 'Hold set',
                'ratedW' => 2800,
                'outletA' => 30,
                'mount' => 'portable',
                'bond' => 'bonded',
                'reaches' => 'inlet',
            ]),
            Sample::add('two', [
                'type' => 'generator',
                'label' => 'Suitcase set',
                'ratedW' => 1800,
                'outletA' => 20,
                'mount' => 'portable',
                'bond' => 'floating',
                'reaches' => 'inlet',
            ]),
        ],
        false,
        ['0 nothing connected', 'S shore 30 A', 'H shore 20 A', 'Q shore 15 A', 'G hold set', 'F suitcase set'],
    ],
    'no shore at all' => [
        [Sample::choose('in_line'), ['kind' => 'survey_remove', 'component' => 'shore']],
        true,
        ['0 nothing connected', 'I inverting', 'X storage'],
    ],
]);

it('do not put the cord into an outlet that it merely reaches', function (
    bool $own,
    array $titles,
    string $plug,
): void {
    $wire = fn(string $pole): array => [
        'type' => 'lead',
        'label' => $pole,
        'from' => $pole === 'positive' ? 'house.pos' : 'house.neg',
        'to' => $pole === 'positive' ? 'spare.pos' : 'spare.neg',
        'pole' => $pole,
        'cable' => ['size' => 'awg:2/0', 'lengthM' => 1],
    ];
    $rig = Rigs::asFound(
        Rigs::job(
            Sample::add('spare', [
                'type' => 'inverter',
                'label' => 'Inverter',
                'continuousW' => 1000,
                'surgeW' => 2000,
                'neutral' => 'bonded',
                'efficiency' => 0.9,
                'dcNominalV' => 12,
                'cutOffV' => 10.5,
                'idleW' => 10,
                'output' => $own ? 'both' : 'receptacles',
                'waveform' => 'sine',
                'outletA' => 15,
                'reaches' => 'inlet',
            ]),
            Sample::add('spare_plus', $wire('positive')),
            Sample::add('spare_minus', $wire('negative')),
            ...$own
                ? [
                    Sample::add('desk', [
                        'type' => 'circuit',
                        'label' => 'Desk',
                        'hot' => ['at' => 'spare', 'port' => 'ac_out'],
                        'neutral' => ['at' => 'spare', 'port' => 'ac_out'],
                        'cable' => ['size' => 'awg:14', 'lengthM' => 2],
                        'gfci' => 'none',
                        'place' => 'general',
                        'loads' => ['lamp' => ['label' => 'Lamp', 'watts' => 40, 'kind' => 'resistive']],
                    ]),
                ]
                : [],
        ),
    );
    expect(array_column($rig->named, 'title'))
        ->toBe($titles)
        ->and($rig->named['inverting']->setting->controls['inlet.plug'])
        ->toBe($plug);
})->with([
    'one with circuits of its own' => [
        true,
        [
            'nothing connected',
            'inverting',
            'shore 30 A',
            'shore 20 A',
            'shore 15 A',
            'shore, inverter on',
            'dead pedestal, inverting',
        ],
        'out',
    ],
    'one that feeds nothing else' => [
        false,
        ['nothing connected', 'inverting', 'shore 30 A', 'shore 20 A', 'shore 15 A', 'shore, inverter on'],
        'spare',
    ],
]);

it('have a letter each', function (): void {
    $letters = array_map(
        fn($s): string => $s->letter,
        array_values(Rigs::planned(Rigs::job(Sample::choose('in_line')))->named),
    );
    expect(array_unique($letters))->toHaveCount(count($letters));
});

it('set every control', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]])));
    $controls = array_keys(array_filter($rig->graph->devices, fn($d): bool => !$d->isAutomatic()));
    sort($controls);
    foreach ($rig->named as $state) {
        $set = array_keys($state->setting->controls);
        sort($set);
        expect($set)->toBe($controls, $state->title);
    }
});

it('obey what people are told to remember, while inverting only', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'by_hand'])));
    $breaker = fn(string $state): string => $rig->named[$state]->setting->controls['c_converter.breaker'];
    expect($breaker('inverting'))
        ->toBe('off')
        ->and($breaker('dead_pedestal'))
        ->toBe('off')
        ->and($breaker('low_shore'))
        ->toBe('off')
        ->and($breaker('shore_s30'))
        ->toBe('on')
        ->and($breaker('shore_and_inverter'))
        ->toBe('on');
});

it('leave an instruction\'s breaker among what is enumerated', function (): void {
    $rig = Rigs::planned(
        Rigs::job(Sample::choose('in_line'), [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'remember',
            'component' => [
                'type' => 'instruction',
                'label' => 'Heater off',
                'device' => 'c_water',
                'while' => 'inverting',
            ],
        ]),
    );
    expect($rig->engine->network->heldClosed)
        ->not->toHaveKey('c_water.breaker')
        ->toHaveKey('c_air.breaker')
        ->and($rig->settled['inverting']->situation->liveness()['c_water']->kind)
        ->toBe('dead')
        ->and($rig->settled['shore_s30']->situation->liveness()['c_water']->kind)
        ->toBe('works');
});

describe('a network', function (): void {
    it('contracts what is fixed and keeps what opens', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
        $net = $rig->engine->network->net;
        expect($net['inlet.pin_l'])
            ->toBe($net['inverter.ac_in.l'])
            ->and($net['main_panel.bus'])
            ->toBe($net['c_air.l'])
            ->and($net['inverter.ac_in.l'])
            ->not->toBe($net['inverter.ac_out.l'])
            ->and($net['main_panel.neutral_bar'])
            ->not->toBe($net['main_panel.ground_bar']);
    });

    it('gives poles that move together one bit', function (): void {
        $network = Rigs::planned(Rigs::job(Sample::choose('in_line')))->engine->network;
        expect($network->bitOf['inverter.pass_l'])
            ->toBe($network->bitOf['inverter.pass_n'])
            ->and($network->bitOf['inverter.pass_l'])
            ->not->toBe($network->bitOf['inverter.bond_relay'])
            ->and($network->bitOf['inlet.mate_s30_l'])
            ->toBe($network->bitOf['inlet.mate_s30_g'])
            ->and($network->bitOf['shore.service_bond'])
            ->toBe(-1);
    });

    it('joins roots by closed bits only', function (): void {
        $network = Rigs::planned(Rigs::job(Sample::choose('in_line')))->engine->network;
        $pass = 1 << $network->bitOf['inverter.pass_l'];
        $in = $network->net['inverter.ac_in.l'];
        $out = $network->net['inverter.ac_out.l'];
        $open = $network->roots(0);
        $closed = $network->roots($pass);
        expect($open[$in])->not->toBe($open[$out])->and($closed[$in])->toBe($closed[$out]);
    });

    it('keeps everything when asked not to reduce', function (): void {
        $graph = Rigs::asFound(Rigs::job())->graph;
        expect((new Contraction($graph, reduce: false))->heldClosed)
            ->toBe([])
            ->and(count((new Contraction($graph, reduce: false))->kept))
            ->toBeGreaterThan(count((new Contraction($graph))->kept));
    });
});

describe('controls', function (): void {
    it('count positions once that close the same contacts', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
        $enumeration = new Enumeration($rig->engine);
        $positions = fn(string $id): array => $enumeration->positions($rig->graph->devices[$id]);
        expect($positions('inlet.plug'))
            ->toBe(['out', 's30'])
            ->and($positions('inverter.mode'))
            ->toBe(['off', 'charge', 'on'])
            ->and($positions('disconnect.handle'))
            ->toBe(['on', 'off']);
    });

    it('change one at a time', function (): void {
        $setting = new Setting(['a' => 'x', 'b' => 'y'], ['s' => 'good']);
        expect($setting->with('a', 'z')->controls)
            ->toEqualCanonicalizing(['a' => 'z', 'b' => 'y'])
            ->and($setting->controls['a'])
            ->toBe('x')
            ->and($setting->with('a', 'z')->surroundings)
            ->toBe(['s' => 'good']);
    });
});

it('knows every single failure of the relays, in words', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $words = array_map(
        fn(Failure $f): string => trim(Naming::read($f->words, $rig->graph, $rig->named) . " {$f->pole}"),
        Failure::ofNetwork($rig->engine->network),
    );
    expect($words)->toBe([
        'pass-through contacts of Inverter/charger 3000 VA welded closed hot pole',
        'pass-through contacts of Inverter/charger 3000 VA welded closed',
        'pass-through contacts of Inverter/charger 3000 VA stuck open hot pole',
        'pass-through contacts of Inverter/charger 3000 VA stuck open',
        'pass-through contacts of Inverter/charger 3000 VA welded closed neutral pole',
        'pass-through contacts of Inverter/charger 3000 VA stuck open neutral pole',
        'bonding relay of Inverter/charger 3000 VA welded closed',
        'bonding relay of Inverter/charger 3000 VA stuck open',
        'Inverter/charger 3000 VA dead or blind: it never leaves "at rest"',
        'Inverter/charger 3000 VA stuck in "passing shore through", or kept there by a false reading',
        'Inverter/charger 3000 VA stuck in "inverting", or kept there by a false reading',
        'Inverter/charger 3000 VA set to take any volts at its input for a supply',
    ]);
    expect(Failure::ofNetwork(Rigs::asFound(JobFile::blank('x'))->engine->network))->toBe([]);
});

it('examines a rig with nothing in it', function (): void {
    $rig = Rigs::asFound(JobFile::blank('x'));
    expect(array_keys($rig->named))
        ->toBe(['nothing'])
        ->and($rig->settled['nothing']->situation->liveness())
        ->toBe([])
        ->and(array_map(fn($f): string => $f->hit->key, (new Hollin\Core\Rules\Judge($rig))->findings))
        ->toBe(['no scenario']);
});

it('puts each plug where a state is about it, and else where it usually is', function (
    string $recipe,
    array $options,
    array $plugs,
): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose($recipe, ['converter' => 'left'] + $options)));
    $in = [];
    foreach ($plugs as $state => $of) {
        $in[$state] = array_intersect_key($rig->named[$state]->setting->controls, $of);
        ksort($in[$state]);
    }
    expect($in)->toBe($plugs);
})->with([
    'a plug moved by hand' => [
        'plug_by_hand',
        ['circuit' => 'c_outlets'],
        [
            'nothing' => ['hand_plug.plug' => 'factory', 'inlet.plug' => 'out'],
            'inverting' => ['hand_plug.plug' => 'unit', 'inlet.plug' => 'out'],
            'shore_s20' => ['hand_plug.plug' => 'factory', 'inlet.plug' => 's20'],
            'shore_and_inverter' => ['hand_plug.plug' => 'factory', 'inlet.plug' => 's30'],
            'storage' => ['hand_plug.plug' => 'factory', 'inlet.plug' => 'out'],
        ],
    ],
    'the cord itself' => [
        'cord_into_inverter',
        [],
        [
            'nothing' => ['inlet.plug' => 'out'],
            'inverting' => ['inlet.plug' => 'inverter'],
            'shore_s15' => ['inlet.plug' => 's15'],
            'storage' => ['inlet.plug' => 'out'],
        ],
    ],
    'outlets of its own' => [
        'own_receptacles',
        [],
        ['inverting' => ['inlet.plug' => 'out'], 'dead_pedestal' => ['inlet.plug' => 's30']],
    ],
]);

it('gives each state a letter of its own', function (string $demo): void {
    $document = Rigs::demo($demo);
    foreach (['', ...array_keys(get_object_vars($document->plans))] as $plan) {
        $rig = $plan === '' ? Rigs::asFound($document) : Rigs::planned($document, $plan);
        $letters = array_map(fn($s): string => $s->letter, array_values($rig->named));
        expect(array_unique($letters))->toBe($letters);
    }
})->with(array_keys(Rigs::DEMO));

it('names the state in which a set starts by itself, with everything as it was off grid', function (): void {
    $set = fn(bool $auto): array => [
        'kind' => 'survey_add',
        'id' => 'set',
        'component' => [
            'type' => 'generator',
            'label' => 'Set',
            'ratedW' => 4000,
            'outletA' => 30,
            'mount' => 'on_board',
            'bond' => 'bonded',
            'autoStart' => $auto,
        ],
    ];
    $rig = Rigs::planned(Rigs::job($set(true), Sample::choose('in_line')));
    $state = $rig->named['auto_start'];
    $running = array_filter($rig->graph->devices, fn($d): bool => $d->job === 'run');
    expect($state->title)
        ->toBe('Set starts by itself')
        ->and($state->setting->controls[(string) array_key_first($running)])
        ->toBe('running')
        ->and($state->charge)
        ->toBe('low')
        ->and(array_diff_assoc($state->setting->controls, $rig->named['inverting']->setting->controls))
        ->toHaveCount(1)
        ->and(array_keys(Rigs::planned(Rigs::job($set(false), Sample::choose('in_line')))->named))
        ->not->toContain('auto_start');
});
