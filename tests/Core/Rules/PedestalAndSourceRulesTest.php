<?php

declare(strict_types=1);

use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\ReversedPolarity;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\StateRule;
use Tests\Rigs;
use Tests\Seeds;

/** @return array<string, Finding> of one rule, by key */
function byKey(Examination $rig, string $rule): array
{
    return array_column(array_map(fn(Finding $f): array => [$f->hit->key, $f], Rigs::findings($rig, $rule)), 1, 0);
}

function generatorSet(string $bond, array $more = []): array
{
    return Sample::add(
        'genset',
        $more + [
            'type' => 'generator',
            'label' => 'Portable set',
            'ratedW' => 2200,
            'surgeW' => 2800,
            'outletA' => 20,
            'mount' => 'portable',
            'bond' => $bond,
            'reaches' => 'inlet',
        ],
    );
}

describe('frame energised', function (): void {
    it('puts line voltage on the frame where the ground pin has it, and says so with figures', function (): void {
        $found = byKey(Rigs::asFound(Rigs::job()), 'frame_energised');
        foreach (['pedestal|bootleg', 'pedestal|hot_ground'] as $key) {
            [$volts, $touch] = $found[$key]->hit->figures;
            // 120 V less the drop of what is running, through 1 kΩ.
            expect($volts->value)
                ->toBeGreaterThan(110)
                ->toBeLessThan(121)
                ->and($touch->value)
                ->toEqualWithDelta($volts->value, 4.0)
                ->and($found[$key]->severity()->value)
                ->toBe('danger');
        }
        expect($found['pedestal|bootleg']->hit->text)
            ->toContain('cannot be found from inside')
            ->and($found['pedestal|hot_ground']->hit->text)
            ->not->toContain('cannot be found');
    });

    it('counts as one failure outside the rig, after everything else', function (): void {
        $findings = (new Judge(Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])))))->findings;
        $outside = array_map(fn(Finding $f): bool => $f->ways->kind === 'outside', $findings);
        $sorted = $outside;
        sort($sorted);
        expect($outside)
            ->toBe($sorted)
            ->and(end($findings)->ways->pairs[0])
            ->toMatchArray(['slips' => 0, 'failures' => 1]);
    });

    it('tells leakage from a solid fault', function (): void {
        $open = byKey(Rigs::asFound(Rigs::job()), 'frame_energised')['pedestal|open_ground'];
        // Three appliances of 0.25 mA, assumed: felt, not dangerous.
        expect($open->hit->figures[1]->value)
            ->toBeGreaterThan(0.5)
            ->toBeLessThan(1.2)
            ->and($open->severity()->value)
            ->toBe('advice');
    });

    it('says what a surge unit does about it, and that it cannot open the ground', function (): void {
        $found = byKey(Rigs::asFound(Rigs::job(...ReversedPolarity::guarded())), 'frame_energised');
        expect($found['pedestal|hot_ground']->hit->text)
            ->toContain('cuts off hot and neutral, but the ground stays connected')
            ->and($found['pedestal|bootleg']->hit->text)
            ->toContain('notices nothing')
            ->and($found)
            ->not->toHaveKey('pedestal|open_ground');
    });

    it('finds a frame that is live in a state everybody knows', function (): void {
        // The inlet's ground is broken and the appliances leak: shore itself lifts the frame.
        $document = Rigs::job(
            Sample::survey('feeder_main', '/to', ['at' => 'box', 'port' => 'in']),
            Sample::add('box', ['type' => 'splice_box', 'label' => 'Box', 'volumeCm3' => 400]),
        );
        expect(byKey(Rigs::asFound($document), 'frame_energised'))->not->toHaveKey('always|shore_s30');
    })->throws(Refused::class);
});

describe('a fault to the case', function (): void {
    it('draws what the loop lets it from a pedestal, and opens a breaker promptly', function (): void {
        expect(Rigs::findings(Rigs::asFound(Rigs::job()), 'fault_clearing'))->toBe([]);
    });

    it('draws no more than an inverter\'s surge', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['continuousW' => 1000, 'surgeW' => 1500])));
        $finding = Rigs::findings($rig, 'fault_clearing')[0];
        // 1500 W ÷ 120 V = 12.5 A, against the 20 A breaker of the air conditioner: 0.6 times.
        expect($finding->hit->figures[0]->value)
            ->toEqualWithDelta(12.5, 0.01)
            ->and($finding->hit->text)
            ->toContain('0.6 times its 20 A breaker')
            ->toContain('may never open')
            ->and($finding->severity()->value)
            ->toBe('warning')
            ->and($finding->state)
            ->toBe('inverting');
    });

    it('is only told once a source', function (): void {
        expect(
            Rigs::findings(
                Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['continuousW' => 1000, 'surgeW' => 1500]))),
                'fault_clearing',
            ),
        )->toHaveCount(1);
    });
});

describe('generators', function (): void {
    it('have one bond when bonded or with a plug in them, none when they float', function (
        string $bond,
        array $expected,
    ): void {
        $rig = Rigs::asFound(Rigs::job(generatorSet($bond)));
        expect(array_keys(byKey($rig, 'bond_count')))
            ->toBe($expected)
            ->and($rig->settled['generator']->situation->liveness()['c_air']->source)
            ->toBe('genset.winding_source');
    })->with([['bonded', []], ['plug', []], ['floating', ['none|genset.winding_source']]]);

    it('make two bonds with a bonding screw in the panel, as shore does', function (): void {
        $rig = Rigs::asFound(
            Rigs::job(
                generatorSet('bonded'),
                Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']),
            ),
        );
        $finding = byKey($rig, 'bond_count')['two|main_panel.bond_screw'];
        expect($finding->states)->toContain('generator')->toContain('shore_s30');
    });

    it('are overloaded by what shore carries', function (): void {
        $together = [
            'kind' => 'set_need',
            'path' => '/scenarios/x',
            'value' => ['title' => 'X', 'running' => ['c_air.unit' => true, 'c_water.element' => true]],
        ];
        $rig = Rigs::asFound(Rigs::job(generatorSet('bonded'), $together));
        // 1500 + 1440 W and the converter's 880 W on 2200 W.
        expect(byKey($rig, 'overload')['genset.winding_source']->hit->figures[0]->value)->toEqualWithDelta(
            12.5 + 12.0 + 7.33,
            0.05,
        );
    });

    it('cannot be joined with shore by the one cord', function (): void {
        $prevented = array_filter(
            (new Judge(Rigs::asFound(Rigs::job(generatorSet('bonded')))))->prevented,
            fn($p): bool => $p->rule === 'joined_sources',
        );
        expect(reset($prevented)->by)->toBe('Inlet')->and(reset($prevented)->undoneBy)->toBe([]);
    });
});

describe('a half-voltage output', function (): void {
    it('is shorted by any bond it meets', function (): void {
        $rig = Rigs::planned(
            Rigs::job(
                Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']),
                Sample::alone('transfer_whole', ['outputNeutral' => 'half']),
            ),
        );
        $finding = byKey($rig, 'bond_count')['half|inverter.inverter|main_panel.bond_screw'];
        expect($finding->severity()->value)
            ->toBe('danger')
            ->and($finding->hit->remedies[0]->intent['path'])
            ->toBe('/bondScrew');
    });

    it('is assumed where nobody knows, and no bond is proposed for it', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['outputNeutral' => 'unknown'])));
        foreach ((new Judge($rig))->findings as $finding) {
            foreach ($finding->hit->remedies as $remedy) {
                expect($remedy->intent['path'] ?? '')->not->toBe('/bond');
            }
        }
        expect(byKey($rig, 'bond_count'))->toBe([]);
    });

    it('has no bond and must have none: that is not found, nor claimed to be impossible', function (): void {
        $judge = new Judge(Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['outputNeutral' => 'half']))));
        expect(array_filter($judge->findings, fn($f): bool => $f->rule->id === 'bond_count'))
            ->toBe([])
            ->and(array_filter($judge->prevented, fn($p): bool => str_contains($p->title, 'no bond')))
            ->toBe([]);
        // One that floats has the fixed wiring without a bond, and is told.
        $floats = new Judge(Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['outputNeutral' => 'floating']))));
        expect(
            array_map(
                fn($f): string => $f->hit->key,
                array_values(array_filter($floats->findings, fn($f): bool => $f->rule->id === 'bond_count')),
            ),
        )->toBe(['none|inverter.inverter']);
    });
});

describe('what starts by itself', function (): void {
    it('adds up what nobody switches on', function (): void {
        $finding = byKey(Rigs::planned(Rigs::job(Sample::choose('in_line'))), 'starts_by_itself')['inverter'];
        expect($finding->hit->figures[0]->value)
            ->toBe(1500.0 + 1440.0 + 325.0)
            ->and($finding->severity()->value)
            ->toBe('warning');
    });

    it('compares a motor\'s locked-rotor current with the surge', function (float $rotor, bool $found): void {
        $rig = Rigs::planned(
            Rigs::job(
                Sample::survey('c_air', '/loads/unit/lockedRotorA', ['value' => $rotor, 'basis' => 'read_off']),
                Sample::choose('in_line', ['continuousW' => 3000, 'surgeW' => 6000]),
            ),
        );
        expect(isset(byKey($rig, 'starts_by_itself')['inverter|start|c_air.unit']))->toBe($found);
    })->with([[49.0, false], [51.0, true]]);
});

describe('charging', function (): void {
    $fridge = [
        'kind' => 'set_need',
        'path' => '/scenarios/little',
        'value' => ['title' => 'Fridge', 'running' => ['c_fridge.element' => true]],
    ];

    it('is held back by what the limit leaves', function () use ($fridge): void {
        $finding = Rigs::findings(
            Rigs::planned(Rigs::job($fridge, Sample::choose('in_line', ['inputLimitA' => 12, 'chargerA' => 100]))),
            'charge_held_back',
        )[0];
        // 325 W ÷ 120 V = 2.71 A passing through a limit of 12 A leaves 9.29 A.
        expect($finding->hit->figures[0]->value)
            ->toEqualWithDelta(12 - 325 / 120, 0.01)
            // What a 30 A cord gives for hours: 80 % of it.
            ->and($finding->hit->remedies[0]->intent['value'])
            ->toBe(24.0);
    });

    it('comes back with the remedy', function () use ($fridge): void {
        $document = Rigs::job($fridge, Sample::choose('in_line', ['inputLimitA' => 12, 'chargerA' => 100]));
        $finding = Rigs::findings(Rigs::planned($document), 'charge_held_back')[0];
        $better = Rigs::edit($document, $finding->hit->remedies[0]->intent + ['plan' => 'p']);
        expect(Rigs::findings(Rigs::planned($better), 'charge_held_back'))->toBe([]);
    });
});

describe('life safety', function (): void {
    $brakes = fn(string $from): array => [
        Sample::add('brakes', ['type' => 'dc_load', 'label' => 'Breakaway', 'use' => 'breakaway', 'amps' => 16]),
        Sample::add('ld_b', [
            'type' => 'lead',
            'label' => 'To brakes',
            'from' => $from,
            'to' => 'brakes.pos',
            'pole' => 'positive',
            'cable' => ['size' => 'awg:10', 'lengthM' => 1],
        ]),
        Sample::add('ld_b_neg', [
            'type' => 'lead',
            'label' => 'From brakes',
            'from' => 'dc_panel.neg',
            'to' => 'brakes.neg',
            'pole' => 'negative',
            'cable' => ['size' => 'awg:10', 'lengthM' => 1],
        ]),
    ];

    it('must not hang behind a disconnect: brakes are a danger, detectors a warning', function () use ($brakes): void {
        $finding = byKey(
            Rigs::planned(Rigs::job(...$brakes('dc_panel.pos'), ...[Sample::choose('in_line')])),
            'life_safety',
        )['brakes|disconnect'];
        expect($finding->severity()->value)->toBe('danger')->and($finding->hit->text)->toContain('in tow');
    });

    it('is told when it is fed by nothing, and when only a battery that can open feeds it', function () use (
        $brakes,
    ): void {
        $alone = Rigs::job(
            Sample::add('brakes', ['type' => 'dc_load', 'label' => 'Breakaway', 'use' => 'breakaway', 'amps' => 16]),
        );
        expect(byKey(Rigs::asFound($alone), 'life_safety'))->toHaveKey('brakes|dead');
        $lithium = Rigs::job(
            ...$brakes('house.pos'),
            ...[Sample::survey('house', '/bmsContinuousA', ['value' => 100, 'basis' => 'read_off'])],
        );
        expect(byKey(Rigs::asFound($lithium), 'life_safety')['brakes|bms']->severity()->value)->toBe('advice');
    });

    it('is dead without a negative', function () use ($brakes): void {
        $document = Rigs::job(...array_slice($brakes('dc_panel.pos'), 0, 2));
        expect(byKey(Rigs::asFound($document), 'life_safety')['brakes|dead']->hit->text)->toContain('no negative');
    });

    it('is told when a lithium battery may open whose limit nobody has entered', function () use ($brakes): void {
        $lithium = Rigs::job(...$brakes('house.pos'), ...[Sample::survey('house', '/chemistry', 'lfp')]);
        expect(byKey(Rigs::asFound($lithium), 'life_safety'))->toHaveKey('brakes|bms');
    });

    it('is dead with two switches open that stand side by side, and content with a wire beside one', function (): void {
        $lead = fn(string $id, string $from, string $to, string $pole = 'positive'): array => Sample::add($id, [
            'type' => 'lead',
            'label' => $id,
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => ['size' => 'awg:10', 'lengthM' => 1],
        ]);
        $switch = fn(string $id): array => Sample::add($id, [
            'type' => 'dc_switch',
            'label' => ucfirst($id),
            'ratingA' => 100,
        ]);
        $load = [
            Sample::add('brakes', ['type' => 'dc_load', 'label' => 'Breakaway', 'use' => 'breakaway', 'amps' => 16]),
            $lead('home', 'house.neg', 'brakes.neg', 'negative'),
        ];
        $left = [
            $switch('left'),
            $lead('to_left', 'house.pos', 'left.in'),
            $lead('from_left', 'left.out', 'brakes.pos'),
        ];
        $right = [
            $switch('right'),
            $lead('to_right', 'house.pos', 'right.in'),
            $lead('from_right', 'right.out', 'brakes.pos'),
        ];
        $both = byKey(Rigs::asFound(Rigs::job(...$load, ...$left, ...$right)), 'life_safety');
        expect(array_keys($both))
            ->toBe(['brakes|left'])
            ->and($both['brakes|left']->hit->text)
            ->toContain('dead while Left and Right are open')
            ->and($both['brakes|left']->hit->components)
            ->toBe(['brakes', 'left', 'right']);
        expect(byKey(Rigs::asFound(Rigs::job(...$load, ...$left)), 'life_safety')['brakes|left']->hit->text)->toContain(
            'dead while Left is open',
        );
        expect(
            byKey(
                Rigs::asFound(Rigs::job(...$load, ...$left, ...[$lead('straight', 'house.pos', 'brakes.pos')])),
                'life_safety',
            ),
        )->toBe([]);
    });

    it('tells of each of several, dead or not', function () use ($brakes): void {
        $document = Rigs::job(
            Sample::add('alarm', ['type' => 'dc_load', 'label' => 'Gas detector', 'use' => 'detector', 'amps' => 0.1]),
            ...$brakes('dc_panel.pos'),
            ...[Sample::choose('in_line')],
        );
        expect(array_keys(byKey(Rigs::planned($document), 'life_safety')))->toContain(
            'alarm|dead',
            'brakes|disconnect',
        );
    });

    it('is content with a fuse between', function () use ($brakes): void {
        expect(byKey(Rigs::asFound(Rigs::job(...$brakes('dc_panel.pos'))), 'life_safety'))->toBe([]);
    });
});

/*
 * On rigs with any arrangement: every hazard of a state is there again in the state that is said to
 * prove it; what a remedy is for is gone once it is applied, and back when it is taken back.
 */
it('proves each finding with a setting that shows it', function (int $seed): void {
    $rig = Rigs::planned(Rigs::varied($seed));
    $rules = [];
    foreach (RuleBook::rules() as $rule) {
        $rules[$rule::definition()->id] = $rule;
    }
    $checked = 0;
    foreach ((new Judge($rig))->findings as $finding) {
        $rule = $rules[$finding->rule->id];
        if (!($rule instanceof StateRule) || $finding->setting === null || $finding->ways->kind === 'passing') {
            continue;
        }
        $keys = array_map(
            fn($h): string => $h->key,
            $rule->hits($rig->engine->settle($finding->setting)->situation, $rig),
        );
        expect($keys)->toContain($finding->hit->key);
        $checked++;
    }
    expect($checked)->toBeGreaterThanOrEqual(0);
})
    ->with(Seeds::of(40))
    ->group('drawn');

it('removes with a remedy what it is for, and undoing brings it back', function (int $seed): void {
    $document = Rigs::varied($seed);
    $ids = fn(stdClass $d): array => array_map(
        fn(Finding $f): string => $f->identity(),
        (new Judge(Rigs::planned($d)))->findings,
    );
    $applied = 0;
    foreach ((new Judge(Rigs::planned($document)))->findings as $finding) {
        $remedy = $finding->hit->remedies[0] ?? null;
        if ($remedy === null || $applied >= 3) {
            continue;
        }
        try {
            $better = Rigs::edit($document, $remedy->intent + ['plan' => 'p']);
        } catch (Refused) {
            continue;
        }
        $applied++;
        expect($ids($better))->not->toContain($finding->identity(), "{$finding->rule->id}: {$remedy->label}");
        $patch = Hollin\Core\Job\Patch::inverse($document, Hollin\Core\Job\Patch::between($document, $better));
        expect($ids(Hollin\Core\Job\Patch::apply($better, $patch)))->toContain($finding->identity());
    }
    expect($applied)->toBeLessThanOrEqual(3);
})
    ->with(Seeds::of(25))
    ->group('drawn');

it('counts a set that starts by itself as nobody\'s slip', function (): void {
    // Wired to the panel's line beside the cord, without a transfer switch.
    $wired = Sample::add('gen_feed', [
        'type' => 'feeder',
        'label' => 'Set feed',
        'from' => ['at' => 'genset', 'port' => 'out'],
        'to' => ['at' => 'main_panel', 'port' => 'line'],
        'cable' => ['size' => 'awg:10', 'lengthM' => 3],
    ]);
    $slips = [];
    foreach ([false, true] as $byItself) {
        $rig = Rigs::asFound(
            Rigs::job(
                Sample::add('genset', [
                    'type' => 'generator',
                    'label' => 'Hold set',
                    'ratedW' => 2800,
                    'outletA' => 30,
                    'mount' => 'on_board',
                    'bond' => 'bonded',
                    'autoStart' => $byItself,
                ]),
                $wired,
            ),
        );
        $found = Rigs::findings($rig, 'joined_sources');
        expect($found)->not->toBe([]);
        $slips[] = [$found[0]->ways->pairs[0]['slips'], $found[0]->ways->words];
    }
    expect($slips[0][0])
        ->toBe(1)
        ->and($slips[1][0])
        ->toBe(0)
        ->and($slips[1][1])
        ->toContain('Hold set running by itself');
});
