<?php

declare(strict_types=1);

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;
use Tests\Rigs;

/*
 * What chooses between supplies, and what reacts to them: each device alone, in front of supplies
 * that are set good, low, miswired or off.
 */

/** A rig of some parts around one shore supply. */
function around(array $parts): Graph
{
    $shore = [
        'shore' => [
            'type' => 'shore_supply',
            'label' => 'Shore',
            'reaches' => 'inlet',
            'supplies' => ['s30' => ['ratingA' => 30]],
        ],
        'inlet' => [
            'type' => 'inlet',
            'label' => 'Inlet',
            'ratingA' => 30,
            'form' => 'inlet',
            'cord' => ['size' => 'awg:10', 'lengthM' => 7],
        ],
    ];

    return Wiring::of(Rig::from(Rigs::object($parts + $shore)));
}

function cabled(string $from, string $fromPort, string $to, string $toPort): array
{
    return [
        'type' => 'feeder',
        'label' => "{$from} to {$to}",
        'from' => ['at' => $from, 'port' => $fromPort],
        'to' => ['at' => $to, 'port' => $toPort],
        'cable' => ['size' => 'awg:10', 'lengthM' => 1],
    ];
}

/**
 * @param array<string, string> $controls
 * @param array<string, string> $surroundings
 */
function settle(Graph $graph, array $controls, array $surroundings = []): Settled
{
    $all = $conditions = [];
    foreach ($graph->devices as $id => $device) {
        if (!$device->isAutomatic()) {
            $all[$id] = $controls[$id] ?? $device->normal;
        }
    }
    foreach ($graph->surroundings as $id => $_) {
        $conditions[$id] = $surroundings[$id] ?? 'good';
    }

    return (new Engine(new Contraction($graph, reduce: false)))->settle(new Setting($all, $conditions));
}

const BATTERY = [
    'bank' => [
        'type' => 'battery_bank',
        'label' => 'Bank',
        'chemistry' => 'agm',
        'unitV' => 12,
        'unitAh' => 100,
        'series' => 1,
        'parallel' => 1,
    ],
];

function inverterOf(string $neutral, array $more = []): array
{
    $lead = fn(string $pole): array => [
        'type' => 'lead',
        'label' => $pole,
        'from' => 'bank.' . substr($pole, 0, 3),
        'to' => 'inv.' . substr($pole, 0, 3),
        'pole' => $pole,
        'cable' => ['size' => 'awg:2/0', 'lengthM' => 1],
    ];

    return BATTERY + [
        'plus' => $lead('positive'),
        'minus' => $lead('negative'),
        'inv' => $more + [
            'type' => 'inverter',
            'label' => 'Inverter',
            'continuousW' => 2000,
            'surgeW' => 4000,
            'efficiency' => 0.9,
            'dcNominalV' => 12,
            'cutOffV' => 10.5,
            'idleW' => 10,
            'neutral' => $neutral,
            'output' => 'both',
            'waveform' => 'sine',
        ],
    ];
}

function transfer(array $more = []): array
{
    return [
        'ats' => $more + [
            'type' => 'transfer_switch',
            'label' => 'Switch',
            'kind' => 'automatic',
            'poles' => 'two',
            'ratingA' => 30,
            'prefers' => 'a',
            'rest' => 'b',
            'delayS' => 20,
        ],
    ] + ['in_shore' => cabled('inlet', 'out', 'ats', 'in_a'), 'in_inv' => cabled('inv', 'ac_out', 'ats', 'in_b')];
}

describe('an automatic transfer switch', function (): void {
    it('goes to what it prefers when that is there, else to the other, else to its resting side', function (
        array $prefers,
        array $controls,
        string $ends,
    ): void {
        $settled = settle(around(inverterOf('bonded') + transfer($prefers)), $controls);
        expect($settled->positions['ats.handle'])->toBe($ends);
    })->with([
        'shore preferred, both there' => [
            ['prefers' => 'a', 'rest' => 'b'],
            ['inlet.plug' => 's30', 'inv.mode' => 'on'],
            'a',
        ],
        'shore preferred, only the inverter' => [['prefers' => 'a', 'rest' => 'b'], ['inv.mode' => 'on'], 'b'],
        'inverter preferred, both there' => [
            ['prefers' => 'b', 'rest' => 'a'],
            ['inlet.plug' => 's30', 'inv.mode' => 'on'],
            'b',
        ],
        'inverter preferred, only shore' => [
            ['prefers' => 'b', 'rest' => 'a'],
            ['inlet.plug' => 's30', 'inv.mode' => 'off'],
            'a',
        ],
        'nothing there, rests on b' => [['prefers' => 'a', 'rest' => 'b'], ['inv.mode' => 'off'], 'b'],
        'nothing there, rests on a' => [['prefers' => 'b', 'rest' => 'a'], ['inv.mode' => 'off'], 'a'],
    ]);

    it('waits before it goes to what it prefers and not before it leaves', function (): void {
        $moves = settle(around(inverterOf('bonded') + transfer(['delayS' => 20])), [
            'inlet.plug' => 's30',
            'inv.mode' => 'on',
        ])->moves;
        expect(array_column($moves, 'atS', 'device'))->toBe(['inv.output' => 2.0, 'ats.handle' => 20.0]);
    });

    it('parts the neutral with two poles and leaves it common with one', function (string $poles, bool $apart): void {
        $graph = around(inverterOf('bonded') + transfer(['poles' => $poles]));
        $settled = settle($graph, ['inv.mode' => 'on']);
        expect($settled->situation->joined('ats.in_a.n', 'ats.in_b.n'))
            ->toBe(!$apart)
            ->and($settled->situation->joined('ats.in_a.l', 'ats.in_b.l'))
            ->toBeFalse()
            ->and($settled->situation->joined('ats.in_a.g', 'ats.out.g'))
            ->toBeTrue();
    })->with([['two', true], ['one', false]]);

    it('by hand joins nothing in the middle', function (): void {
        $graph = around(inverterOf('bonded') + transfer(['kind' => 'manual']));
        expect($graph->devices['ats.handle']->isAutomatic())
            ->toBeFalse()
            ->and($graph->devices['ats.handle']->selects)
            ->toBe(['a' => 'ats.in_a.l', 'b' => 'ats.in_b.l']);
        $situation = settle($graph, ['ats.handle' => 'off', 'inlet.plug' => 's30', 'inv.mode' => 'on'])->situation;
        expect($situation->hotAt('ats.out.l'))->toBeNull();
    });
});

describe('a stand-alone inverter', function (): void {
    it('makes 120 V while it is on and has a battery', function (): void {
        $graph = around(inverterOf('bonded'));
        expect(settle($graph, ['inv.mode' => 'on'])->situation->isActive('inv.inverter'))
            ->toBeTrue()
            ->and(settle($graph, ['inv.mode' => 'off'])->situation->isActive('inv.inverter'))
            ->toBeFalse();
        $without = around(array_diff_key(inverterOf('bonded'), ['plus' => 1]));
        expect(settle($without, ['inv.mode' => 'on'])->situation->isActive('inv.inverter'))->toBeFalse();
    });

    it('has the bond its neutral says, and none when nobody knows', function (
        string $neutral,
        int $bonds,
        string $kind,
    ): void {
        $graph = around(inverterOf($neutral));
        $situation = settle($graph, ['inv.mode' => 'on'])->situation;
        expect($situation->bondsOf('inv.inverter'))
            ->toHaveCount($bonds)
            ->and($graph->sources['inv.inverter']->neutral)
            ->toBe($kind);
    })->with([['bonded', 1, 'bonded'], ['floating', 0, 'floating'], ['half', 0, 'half'], ['unknown', 0, 'half']]);

    it('gives its surge into a fault and no more', function (): void {
        $source = around(inverterOf('bonded'))->sources['inv.inverter'];
        expect($source->volts / $source->faultOhm())
            ->toEqualWithDelta(4000 / 120, 1e-9)
            ->and($source->limitA)
            ->toEqualWithDelta(2000 / 120, 1e-9);
    });

    it('takes the cord that reaches it', function (): void {
        $graph = around(inverterOf('bonded', ['reaches' => 'inlet', 'outletA' => 20]));
        expect($graph->devices['inlet.plug']->positionNames())
            ->toBe(['out', 'inv', 's30'])
            ->and($graph->devices['inlet.plug']->selects['inv'])
            ->toBe('inv.ac_out.l');
        $situation = settle($graph, ['inlet.plug' => 'inv', 'inv.mode' => 'on'])->situation;
        expect($situation->hardHot('inlet.l'))
            ->toBe('inv.inverter')
            ->and($situation->joined('inlet.l', 'shore.l'))
            ->toBeFalse();
    });

    it('letters a second inverter differently', function (): void {
        $second = ['zweit' => inverterOf('bonded')['inv']];
        $graph = around(inverterOf('bonded') + $second);
        expect($graph->sources['inv.inverter']->letter)
            ->toBe('I')
            ->and($graph->sources['zweit.inverter']->letter)
            ->toBe('J');
    });
});

describe('a surge unit', function (): void {
    $parts = fn(string $opens = 'both', bool $bypass = false): array => [
        'guard' => [
            'type' => 'surge_unit',
            'label' => 'Guard',
            'ratingA' => 30,
            'mount' => 'inside',
            'opens' => $opens,
            'delayS' => 90,
            'bypass' => $bypass,
        ],
        'feed' => cabled('inlet', 'out', 'guard', 'in'),
    ];

    it('lets a right supply in after its delay', function () use ($parts): void {
        $settled = settle(around($parts()), ['inlet.plug' => 's30']);
        expect($settled->positions['guard.cut_off'])->toBe('closed')->and($settled->moves[0]['atS'])->toBe(90.0);
    });

    it('keeps out what it can see is wrong, and only that', function (string $condition, string $ends) use (
        $parts,
    ): void {
        expect(
            settle(around($parts()), ['inlet.plug' => 's30'], ['shore.condition' => $condition])->positions[
                'guard.cut_off'
            ],
        )->toBe($ends);
    })->with([
        ['low', 'open'],
        ['high', 'open'],
        ['dead', 'open'],
        ['reversed', 'open'],
        ['open_ground', 'open'],
        ['open_neutral', 'open'],
        ['hot_ground', 'open'],
        ['wired_240', 'open'],
        // The two that cannot be found from inside.
        'reversed, ground bootlegged' => ['bootleg', 'closed'],
        'ground raised by a neighbour' => ['raised_ground', 'closed'],
    ]);

    it('never opens the ground, and the neutral only when it says so', function (string $opens, bool $neutral) use (
        $parts,
    ): void {
        $situation = settle(around($parts($opens)), ['inlet.plug' => 's30'], ['shore.condition' => 'hot_ground'])
            ->situation;
        expect($situation->joined('guard.in.g', 'guard.out.g'))
            ->toBeTrue()
            ->and($situation->joined('guard.in.n', 'guard.out.n'))
            ->toBe($neutral)
            ->and($situation->joined('guard.in.l', 'guard.out.l'))
            ->toBeFalse();
    })->with([['both', false], ['hot', true]]);

    it('lets everything in while bypassed', function () use ($parts): void {
        $settled = settle(
            around($parts(bypass: true)),
            ['inlet.plug' => 's30', 'guard.bypass' => 'bypassed'],
            ['shore.condition' => 'reversed'],
        );
        expect($settled->positions['guard.cut_off'])
            ->toBe('past')
            ->and($settled->moves[0]['atS'])
            ->toBeLessThan(0.1)
            ->and($settled->situation->joined('guard.in.l', 'guard.out.l'))
            ->toBeTrue()
            ->and($settled->situation->joined('guard.in.n', 'guard.out.n'))
            ->toBeTrue();
    });

    it('refuses a floating generator and takes one with a bonding plug', function (string $bond, string $ends) use (
        $parts,
    ): void {
        $set = [
            'gen' => [
                'type' => 'generator',
                'label' => 'Set',
                'ratedW' => 2000,
                'outletA' => 20,
                'mount' => 'portable',
                'bond' => $bond,
                'reaches' => 'inlet',
            ],
        ];
        expect(
            settle(around($parts() + $set), ['inlet.plug' => 'gen', 'gen.run' => 'running'])->positions[
                'guard.cut_off'
            ],
        )->toBe($ends);
    })->with([['floating', 'open'], ['bonded', 'closed'], ['plug', 'closed']]);
});

describe('a contactor', function (): void {
    $parts = fn(string $contact): array => [
        'k' => [
            'type' => 'contactor',
            'label' => 'K',
            'contact' => $contact,
            'coil' => ['at' => 'inlet', 'port' => 'out'],
            'coilW' => 5,
            'ratingA' => 20,
        ],
    ];

    it('opens or closes with its coil', function (string $contact, string $plug, bool $joined) use ($parts): void {
        expect(settle(around($parts($contact)), ['inlet.plug' => $plug])->situation->joined('k.in.l', 'k.out.l'))->toBe(
            $joined,
        );
    })->with([['nc', 'out', true], ['nc', 's30', false], ['no', 'out', false], ['no', 's30', true]]);

    it('pulls in on the difference of its terminals, not on one of them', function () use ($parts): void {
        // With the neutral open at the pedestal the hot alone reaches the coil.
        $settled = settle(around($parts('nc')), ['inlet.plug' => 's30'], ['shore.condition' => 'open_neutral']);
        expect($settled->situation->hotAt('inlet.l'))
            ->not->toBeNull()
            ->and($settled->positions['k.coil'])
            ->toBe('released');
    });
});

describe('a bypass', function (): void {
    $parts = fn(bool $parts): array => [
        'by' => ['type' => 'bypass', 'label' => 'Bypass', 'ratingA' => 30, 'poles' => 'two', 'parts' => $parts],
        'feed' => cabled('inlet', 'out', 'by', 'in'),
    ];

    it('goes through the unit, nowhere, or past it', function (string $position, array $joined) use ($parts): void {
        $situation = settle(around($parts(true)), ['by.handle' => $position, 'inlet.plug' => 's30'])->situation;
        foreach ([['in', 'unit_in'], ['unit_out', 'out'], ['in', 'out']] as $i => [$a, $b]) {
            expect($situation->joined("by.{$a}.l", "by.{$b}.l"))->toBe($joined[$i], "{$position}: {$a}–{$b}");
        }
    })->with([['unit', [true, true, false]], ['off', [false, false, false]], ['past', [false, false, true]]]);

    it('leaves the unit\'s output on the panel when it does not part it', function () use ($parts): void {
        expect(
            settle(around($parts(false)), ['by.handle' => 'past'])->situation->joined('by.unit_out.l', 'by.out.l'),
        )->toBeTrue();
    });
});

describe('a generator', function (): void {
    it('feeds its outlet while it runs and its breaker is on', function (
        string $run,
        string $breaker,
        bool $live,
    ): void {
        $set = [
            'gen' => [
                'type' => 'generator',
                'label' => 'Set',
                'ratedW' => 2000,
                'outletA' => 20,
                'mount' => 'portable',
                'bond' => 'bonded',
                'reaches' => 'inlet',
            ],
        ];
        $situation = settle(around($set), ['inlet.plug' => 'gen', 'gen.run' => $run, 'gen.breaker' => $breaker])
            ->situation;
        expect($situation->hotAt('inlet.l') !== null)->toBe($live);
    })->with([['running', 'on', true], ['running', 'off', false], ['stopped', 'on', false]]);

    it('matters only while the cord is in it, unless it is wired', function (): void {
        $set = [
            'gen' => [
                'type' => 'generator',
                'label' => 'Set',
                'ratedW' => 2000,
                'outletA' => 20,
                'mount' => 'portable',
                'bond' => 'bonded',
                'reaches' => 'inlet',
            ],
        ];
        $run = around($set)->devices['gen.run'];
        expect($run->matters(['inlet.plug' => 's30']))
            ->toBeFalse()
            ->and($run->matters(['inlet.plug' => 'gen']))
            ->toBeTrue();
        $set['gen']['mount'] = 'on_board';
        expect(around($set)->devices['gen.run']->matters(['inlet.plug' => 's30']))->toBeTrue();
    });
});

describe('a panel with a back-fed breaker', function (): void {
    $panel = fn(bool $interlocked): array => [
        'p' => [
            'type' => 'panel',
            'label' => 'Panel',
            'role' => 'main',
            'slots' => 6,
            'mainA' => 30,
            'mainSlot' => 1,
            'bondScrew' => false,
            'bondedToFrame' => true,
            'backfeed' => ['breakerA' => 20, 'slot' => 2, 'interlocked' => $interlocked],
        ],
    ];

    it('has one handle for both when interlocked', function () use ($panel): void {
        $graph = around($panel(true));
        expect(array_keys(array_filter($graph->devices, fn($d): bool => $d->component === 'p')))->toBe(['p.main']);
        foreach (['main' => ['p.line'], 'backfeed' => ['p.backfeed'], 'off' => []] as $position => $joined) {
            $situation = settle($graph, ['p.main' => $position])->situation;
            expect(
                array_values(
                    array_filter(['p.line', 'p.backfeed'], fn(string $t): bool => $situation->joined($t, 'p.bus')),
                ),
            )->toBe($joined);
        }
    });

    it('has two without, and both can be on', function () use ($panel): void {
        $situation = settle(around($panel(false)), ['p.main' => 'on', 'p.backfeed_breaker' => 'on'])->situation;
        expect($situation->joined('p.line', 'p.backfeed'))->toBeTrue();
    });

    it('refuses an interlock without a main breaker', function (): void {
        $document = Rigs::job();
        foreach (['mainA', 'mainSlot'] as $main) {
            unset($document->asFound->components->main_panel->{$main});
        }
        Rigs::edit(
            $document,
            Sample::survey('main_panel', '/backfeed', ['breakerA' => 20, 'slot' => 1, 'interlocked' => true]),
        );
    })->throws(Hollin\Core\Plan\Refused::class, 'needs a main breaker');
});

it('joins what a splice box joins', function (): void {
    $graph = around([
        'box' => ['type' => 'splice_box', 'label' => 'Box', 'volumeCm3' => 300],
        'feed' => cabled('inlet', 'out', 'box', 'in'),
    ]);
    $situation = settle($graph, ['inlet.plug' => 's30'])->situation;
    expect($situation->hotAt('box.out.l'))
        ->toBe('shore.supply')
        ->and(count(array_filter($graph->elements, fn($e): bool => $e->component === 'box' && $e->role === Role::PE)))
        ->toBe(1);
});

it('feeds a second output only while the supply passes through', function (): void {
    $unit = [
        'unit' => [
            'type' => 'inverter_charger',
            'label' => 'Unit',
            'continuousW' => 2000,
            'surgeW' => 4000,
            'efficiency' => 0.9,
            'dcNominalV' => 12,
            'cutOffV' => 10.5,
            'idleW' => 20,
            'passThroughA' => 30,
            'neutral' => 'switched',
            'bond' => 'relay',
            'chargerA' => 50,
            'inputLimitA' => 30,
            'rejectsBelowV' => 100,
            'secondOutput' => true,
        ],
        'feed' => cabled('inlet', 'out', 'unit', 'ac_in'),
    ];
    $lead = fn(string $pole): array => [
        'type' => 'lead',
        'label' => $pole,
        'from' => 'bank.' . substr($pole, 0, 3),
        'to' => 'unit.' . substr($pole, 0, 3),
        'pole' => $pole,
        'cable' => ['size' => 'awg:2/0', 'lengthM' => 1],
    ];
    $graph = around(BATTERY + $unit + ['plus' => $lead('positive'), 'minus' => $lead('negative')]);
    $on = settle($graph, ['inlet.plug' => 's30', 'unit.mode' => 'on'])->situation;
    $off = settle($graph, ['unit.mode' => 'on'])->situation;
    expect($on->hotAt('unit.ac_out2.l'))
        ->toBe('shore.supply')
        ->and($off->hotAt('unit.ac_out2.l'))
        ->toBeNull()
        ->and($off->hotAt('unit.ac_out.l'))
        ->toBe('unit.inverter');
});

describe('an AC disconnect', function (): void {
    it('opens the poles it has and never the ground', function (string $poles, bool $neutral): void {
        $graph = around([
            'sw' => ['type' => 'ac_switch', 'label' => 'Disconnect', 'poles' => $poles, 'ratingA' => 30],
            'feed' => cabled('inlet', 'out', 'sw', 'in'),
        ]);
        $off = settle($graph, ['inlet.plug' => 's30', 'sw.handle' => 'off'])->situation;
        $on = settle($graph, ['inlet.plug' => 's30'])->situation;
        expect($on->hardHot('sw.out.l'))
            ->toBe('shore.supply')
            ->and($off->hardHot('sw.out.l'))
            ->toBeNull()
            ->and($off->joined('sw.out.n', 'sw.in.n'))
            ->toBe($neutral)
            ->and($off->joined('sw.out.g', 'sw.in.g'))
            ->toBeTrue();
    })->with([['two', false], ['one', true]]);
});

describe('windows of volts', function (): void {
    // A weak pedestal stands at 95 V, a high one at 136 V.
    it('decide whether an inverter/charger passes a supply through', function (
        int $below,
        ?int $above,
        string $condition,
        string $position,
    ): void {
        $unit =
            [
                'type' => 'inverter_charger',
                'label' => 'Unit',
                'continuousW' => 2000,
                'surgeW' => 4000,
                'efficiency' => 0.9,
                'dcNominalV' => 12,
                'cutOffV' => 10.5,
                'idleW' => 10,
                'passThroughA' => 30,
                'neutral' => 'switched',
                'bond' => 'relay',
                'chargerA' => 50,
                'inputLimitA' => 30,
                'rejectsBelowV' => $below,
            ] + ($above === null ? [] : ['rejectsAboveV' => $above]);
        $graph = around(['inv' => $unit, 'feed' => cabled('inlet', 'out', 'inv', 'ac_in')]);
        expect(
            settle($graph, ['inlet.plug' => 's30'], ['shore.condition' => $condition])->positions['inv.relay'],
        )->toBe($position);
    })->with([
        [85, null, 'low', 'pass'],
        [100, null, 'low', 'rest'],
        [100, null, 'good', 'pass'],
        [100, null, 'high', 'rest'],
        [100, 140, 'high', 'pass'],
        [100, 140, 'wired_240', 'rest'],
    ]);

    it('decide whether a surge unit lets one in', function (
        ?int $low,
        ?int $high,
        string $condition,
        string $position,
    ): void {
        $unit =
            [
                'type' => 'surge_unit',
                'label' => 'Surge',
                'ratingA' => 30,
                'mount' => 'inside',
                'opens' => 'both',
                'delayS' => 10,
            ] + array_filter(['lowV' => $low, 'highV' => $high]);
        $graph = around(['ems' => $unit, 'feed' => cabled('inlet', 'out', 'ems', 'in')]);
        expect(
            settle($graph, ['inlet.plug' => 's30'], ['shore.condition' => $condition])->positions['ems.cut_off'],
        )->toBe($position);
    })->with([
        [null, null, 'low', 'open'],
        [90, null, 'low', 'closed'],
        [null, null, 'high', 'open'],
        [null, 140, 'high', 'closed'],
        [null, 140, 'wired_240', 'open'],
    ]);

    it('of a battery decide whether an inverter starts', function (
        float $nominal,
        float $cutOff,
        string $position,
    ): void {
        $graph = around(
            array_replace_recursive(inverterOf('bonded'), ['inv' => ['dcNominalV' => $nominal, 'cutOffV' => $cutOff]]),
        );
        expect(settle($graph, [])->positions['inv.output'])->toBe($position);
    })->with([[12, 10.5, 'invert'], [24, 21, 'rest'], [12, 12.6, 'rest']]);
});
