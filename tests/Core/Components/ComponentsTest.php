<?php

declare(strict_types=1);

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Components\Component;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Tests\Rigs;

/** A rig of a few hand-written components, compiled. */
function graphOf(array $components): Graph
{
    return Wiring::of(Rig::from(Rigs::object($components)));
}

/** Elements of a graph as "a–b" for a thread. */
function joints(Graph $graph, Role $role, ?ElementKind $kind = null): array
{
    $found = array_filter(
        $graph->elements,
        fn(Element $e): bool => $e->role === $role && ($kind === null || $e->kind === $kind),
    );

    return array_values(array_map(fn(Element $e): string => "{$e->a}–{$e->b}", $found));
}

const SHORE = [
    'type' => 'shore_supply',
    'label' => 'Shore',
    'reaches' => 'inlet',
    'supplies' => ['s15' => ['ratingA' => 15], 's30' => ['ratingA' => 30]],
];
const INLET = [
    'type' => 'inlet',
    'label' => 'Inlet',
    'ratingA' => 30,
    'form' => 'inlet',
    'cord' => ['size' => 'awg:10', 'lengthM' => 7.6, 'sheath' => 'cord'],
];
const PANEL = [
    'type' => 'panel',
    'label' => 'Panel',
    'role' => 'main',
    'slots' => 6,
    'mainA' => 30,
    'mainSlot' => 1,
    'bondScrew' => false,
    'bondedToFrame' => true,
];
const CIRCUIT = [
    'type' => 'circuit',
    'label' => 'Outlets',
    'hot' => ['panel' => 'panel', 'slot' => 2],
    'neutral' => ['panel' => 'panel'],
    'breakerA' => 15,
    'cable' => ['size' => 'awg:14', 'lengthM' => 4],
    'gfci' => 'none',
    'place' => 'general',
];
const CONVERTER = [
    'type' => 'converter',
    'label' => 'Converter',
    'outputA' => 55,
    'outputV' => 13.6,
    'efficiency' => 0.85,
    'mount' => 'separate',
];
const INVERTER = [
    'type' => 'inverter_charger',
    'label' => 'Inverter',
    'continuousW' => 3000,
    'surgeW' => 6000,
    'efficiency' => 0.88,
    'dcNominalV' => 12,
    'cutOffV' => 10.5,
    'idleW' => 25,
    'passThroughA' => 30,
    'neutral' => 'switched',
    'bond' => 'relay',
    'chargerA' => 100,
    'inputLimitA' => 30,
    'rejectsBelowV' => 100,
    'passesWhenOff' => true,
];
const BANK = [
    'type' => 'battery_bank',
    'label' => 'Bank',
    'chemistry' => 'lfp',
    'unitV' => 12.8,
    'unitAh' => 200,
    'series' => 1,
    'parallel' => 2,
];

it('declares a schema, a summary and unique names for every type', function (string $type, string $class): void {
    expect($class::type())
        ->toBe($type)
        ->and($class::summary())
        ->not->toBe('')
        ->and($class::allFields())
        ->toHaveKey('label');
    expect(is_subclass_of($class, Component::class))->toBeTrue();
})->with(
    array_map(
        fn(string $type, string $class): array => [$type, $class],
        array_keys(Catalogue::types()),
        Catalogue::types(),
    ),
);

describe('shore supply', function (): void {
    it('mates all three poles only while plugged in', function (): void {
        $graph = graphOf(['shore' => SHORE, 'inlet' => INLET]);
        $plug = $graph->devices['inlet.plug'];
        expect($plug->positionNames())
            ->toBe(['out', 's30', 's15'])
            ->and($plug->normal)
            ->toBe('out');
        $mates = array_filter($graph->elements, fn(Element $e): bool => $e->device === 'inlet.plug');
        expect(array_keys($mates))->toBe(['inlet.mate_s30_l', 'inlet.mate_s30_n', 'inlet.mate_s30_g']);
        foreach ($mates as $mate) {
            expect($mate->closedIn)->toBe(['s30', 's15']);
        }
    });

    it('is bonded at the service, earthed, and follows its pedestal', function (): void {
        $graph = graphOf(['shore' => SHORE, 'inlet' => INLET]);
        expect($graph->elements['shore.service_bond']->kind)
            ->toBe(ElementKind::Bond)
            ->and($graph->elements['shore.electrode']->b)
            ->toBe('earth')
            ->and($graph->elements['shore.electrode']->closedIn)
            ->not->toContain('raised_ground')
            ->and($graph->sources['shore.supply']->surrounding)
            ->toBe('shore.condition')
            ->and($graph->sources['shore.supply']->limitA)
            ->toBe(30.0)
            ->and(array_keys($graph->surroundings['shore.condition']->values))
            ->toBe([
                'good',
                'low',
                'dead',
                'high',
                'reversed',
                'open_ground',
                'open_neutral',
                'hot_ground',
                'bootleg',
                'raised_ground',
                'wired_240',
            ]);
    });

    it('needs an inlet and at least one supply', function (): void {
        $rig = Rig::from(Rigs::object(['shore' => ['reaches' => 'nothing', 'supplies' => new stdClass()] + SHORE]));
        $problems = $rig->components['shore']->referenceProblems($rig->components);
        expect(array_column($problems, 0))->toBe(['/reaches', '/supplies']);
    });
});

describe('inlet', function (): void {
    it('has bare pins while unplugged, joined with what is inside', function (): void {
        $graph = graphOf(['shore' => SHORE, 'inlet' => INLET]);
        expect($graph->exposed)
            ->toHaveCount(1)
            ->and($graph->exposed[0]->pins)
            ->toBe(['hot' => 'inlet.pin_l', 'neutral' => 'inlet.pin_n'])
            ->and($graph->exposed[0]->exposedIn)
            ->toBe(['out'])
            ->and(joints($graph, Role::L1, ElementKind::Conductor))
            ->toBe(['inlet.pin_l–inlet.l']);
        expect($graph->elements['inlet.hot']->cable?->size->designation)->toBe('awg:10');
    });
});

describe('panel', function (): void {
    it('has a main breaker between line and bus, or lugs', function (): void {
        $with = graphOf(['panel' => PANEL]);
        expect($with->elements['panel.main_pole']->ratingA())
            ->toBe(30.0)
            ->and($with->devices['panel.main']->job)
            ->toBe('breaker');
        $without = graphOf(['panel' => array_diff_key(PANEL, ['mainA' => 1, 'mainSlot' => 1])]);
        expect($without->elements['panel.lugs']->kind)->toBe(ElementKind::Conductor)->and($without->devices)->toBe([]);
    });

    it('keeps neutral off ground unless the bonding screw is in', function (): void {
        expect(joints(graphOf(['panel' => PANEL]), Role::PE, ElementKind::Bond))->toBe([]);
        expect(joints(graphOf(['panel' => ['bondScrew' => true] + PANEL]), Role::PE, ElementKind::Bond))->toBe([
            'panel.neutral_bar–panel.ground_bar',
        ]);
    });

    it('bonds its ground bar to the frame when it is', function (): void {
        expect(joints(graphOf(['panel' => PANEL]), Role::PE))->toContain('panel.ground_bar–frame');
        expect(joints(graphOf(['panel' => ['bondedToFrame' => false] + PANEL]), Role::PE))->not->toContain(
            'panel.ground_bar–frame',
        );
    });

    it('allows two circuits in one slot only as tandem halves of a panel that takes them', function (
        bool $tandem,
        ?string $first,
        ?string $second,
        int $problems,
    ): void {
        $hot = fn(?string $half): array => ['panel' => 'panel', 'slot' => 2] +
            ($half === null ? [] : ['half' => $half]);
        $rig = Rig::from(
            Rigs::object([
                'panel' => ['tandem' => $tandem] + PANEL,
                'c1' => ['hot' => $hot($first)] + CIRCUIT,
                'c2' => ['hot' => $hot($second)] + CIRCUIT,
            ]),
        );
        expect($rig->components['panel']->referenceProblems($rig->components))->toHaveCount($problems);
    })->with([
        [true, 'a', 'b', 0],
        [true, 'a', 'a', 1],
        [true, null, 'b', 1],
        [true, null, null, 1],
        [false, 'a', 'b', 2],
    ]);

    it('does not lend its main breaker\'s slot', function (): void {
        $rig = Rig::from(
            Rigs::object(['panel' => PANEL, 'c1' => ['hot' => ['panel' => 'panel', 'slot' => 1]] + CIRCUIT]),
        );
        expect($rig->components['panel']->referenceProblems($rig->components)[0][1])->toContain(
            'taken by the main breaker',
        );
    });
});

describe('circuit', function (): void {
    it('runs from its breaker to its end, neutral and ground from the bars', function (): void {
        $graph = graphOf(['panel' => PANEL, 'c1' => CIRCUIT]);
        expect(joints($graph, Role::L1))
            ->toContain('panel.bus–c1.head')
            ->toContain('c1.head–c1.l')
            ->and(joints($graph, Role::N))
            ->toBe(['panel.neutral_bar–c1.n'])
            ->and(joints($graph, Role::PE))
            ->toContain('panel.ground_bar–c1.g')
            ->and($graph->elements['c1.pole']->ratingA())
            ->toBe(15.0)
            ->and($graph->circuits['c1']->together)
            ->toBeTrue();
    });

    it('knows when its neutral stayed elsewhere', function (): void {
        $graph = graphOf([
            'panel' => PANEL,
            'sub' => ['role' => 'sub'] + PANEL,
            'c1' => ['neutral' => ['panel' => 'sub']] + CIRCUIT,
        ]);
        expect($graph->circuits['c1']->together)
            ->toBeFalse()
            ->and($graph->circuits['c1']->hotFrom)
            ->toBe('panel')
            ->and($graph->circuits['c1']->neutralFrom)
            ->toBe('sub')
            ->and(joints($graph, Role::N))
            ->toBe(['sub.neutral_bar–c1.n']);
    });

    it('hangs behind another circuit without a breaker of its own', function (): void {
        $graph = graphOf([
            'panel' => PANEL,
            'c1' => CIRCUIT,
            'c2' =>
                ['hot' => ['behind' => 'c1'], 'neutral' => ['behind' => 'c1']] +
                array_diff_key(CIRCUIT, ['breakerA' => 1]),
        ]);
        expect($graph->devices)
            ->not->toHaveKey('c2.breaker')
            ->and(joints($graph, Role::L1))
            ->toContain('c1.l–c2.l')
            ->and($graph->circuits['c2']->together)
            ->toBeTrue();
    });

    it('carries loads between its own hot and neutral, W / (V x power factor)', function (): void {
        $graph = graphOf([
            'panel' => PANEL,
            'c1' =>
                ['loads' => ['pump' => ['label' => 'Pump', 'watts' => 600, 'kind' => 'motor', 'powerFactor' => 0.8]]] +
                CIRCUIT,
        ]);
        $load = $graph->loads['c1.pump'];
        expect([$load->a, $load->b])
            ->toBe(['c1.l', 'c1.n'])
            ->and($load->currentA())
            ->toEqualWithDelta(6.25, 1e-9);
    });

    it('feeds the equipment it names', function (): void {
        $graph = graphOf([
            'panel' => PANEL,
            'converter' => CONVERTER,
            'c1' => ['feeds' => ['at' => 'converter', 'port' => 'ac_in']] + CIRCUIT,
        ]);
        expect(joints($graph, Role::L1))
            ->toContain('c1.l–converter.ac_in.l')
            ->and(joints($graph, Role::N))
            ->toContain('c1.n–converter.ac_in.n');
    });

    it('says what is wrong with where it lands', function (array $wrong, string $pointer, string $said): void {
        $rig = Rig::from(Rigs::object(['panel' => PANEL, 'converter' => CONVERTER, 'c1' => $wrong + CIRCUIT]));
        $problems = array_column($rig->components['c1']->referenceProblems($rig->components), 1, 0);
        expect($problems)->toHaveKey($pointer)->and($problems[$pointer])->toContain($said);
    })->with([
        'both at once' => [['hot' => ['panel' => 'panel', 'slot' => 2, 'behind' => 'c1']], '/hot', 'either'],
        'no slot' => [['hot' => ['panel' => 'panel']], '/hot/slot', 'missing'],
        'neutral nowhere' => [['neutral' => new stdClass()], '/neutral', 'must land somewhere'],
        'a converter is no panel' => [
            ['neutral' => ['panel' => 'converter']],
            '/neutral/panel',
            'not a panel of this rig',
        ],
        'feeds a port that is not there' => [
            ['feeds' => ['at' => 'converter', 'port' => 'line']],
            '/feeds/port',
            'it has: ac_in',
        ],
        'feeds nothing' => [['feeds' => ['at' => 'ghost', 'port' => 'ac_in']], '/feeds/at', 'not a component'],
        'behind itself' => [['hot' => ['behind' => 'c1']], '/hot/behind', 'circle'],
    ]);

    it('wants GFCI protection where water or weather is', function (string $place, bool $wants): void {
        $rig = Rig::from(Rigs::object(['c1' => ['place' => $place] + CIRCUIT]));
        expect($rig->components['c1']->wantsGfci())->toBe($wants);
    })->with([['bath', true], ['counter', true], ['outside', true], ['general', false], ['fixed', false]]);
});

describe('converter', function (): void {
    it('charges only while its AC is there, and its case is on the frame', function (): void {
        $graph = graphOf(['converter' => CONVERTER]);
        $source = $graph->sources['converter.output'];
        expect($source->forming)
            ->toBeFalse()
            ->and($source->runsOnAc)
            ->toBe(['converter.ac_in.l', 'converter.ac_in.n'])
            ->and(joints($graph, Role::PE))
            ->toContain('converter.ac_in.g–frame');
    });

    it('takes W x V / efficiency from its circuit', function (): void {
        $rig = Rig::from(Rigs::object(['converter' => CONVERTER]));
        expect($rig->components['converter']->inputW())
            ->toEqualWithDelta(880, 0.1)
            ->and($rig->components['converter']->inputA())
            ->toEqualWithDelta(7.33, 0.01);
    });

    it('can hang on a plug that somebody pulls', function (): void {
        $graph = graphOf(['panel' => PANEL, 'c1' => CIRCUIT, 'converter' => ['plug' => 'c1'] + CONVERTER]);
        expect($graph->devices['converter.plug']->positionNames())
            ->toBe(['in', 'out'])
            ->and($graph->elements['converter.plug_l']->closedIn)
            ->toBe(['in'])
            ->and(joints($graph, Role::L1, ElementKind::Contact))
            ->toContain('c1.l–converter.ac_in.l');
    });
});

describe('inverter/charger', function (): void {
    it('switches its neutral or leaves it common', function (): void {
        $switched = graphOf(['inverter' => INVERTER]);
        expect($switched->elements['inverter.pass_n']->closedIn)
            ->toBe(['pass'])
            ->and($switched->elements)
            ->not->toHaveKey('inverter.common_n');
        $common = graphOf(['inverter' => ['neutral' => 'common'] + INVERTER]);
        expect($common->elements['inverter.common_n']->kind)
            ->toBe(ElementKind::Conductor)
            ->and($common->elements)
            ->not->toHaveKey('inverter.pass_n');
    });

    it('bonds as its maker built it', function (string $bond, array $elements): void {
        $graph = graphOf(['inverter' => ['bond' => $bond] + INVERTER]);
        expect(
            array_keys(array_filter($graph->elements, fn(Element $e): bool => $e->kind === ElementKind::Bond)),
        )->toBe($elements);
    })->with([['relay', ['inverter.bond_relay']], ['fixed', ['inverter.bond_fixed']], ['none', []]]);

    it('is a source while inverting and a charger while passing through', function (): void {
        $graph = graphOf(['inverter' => INVERTER]);
        expect($graph->sources['inverter.inverter']->positions)
            ->toBe(['invert'])
            ->and($graph->sources['inverter.inverter']->limitA)
            ->toBe(25.0)
            ->and($graph->sources['inverter.charger']->positions)
            ->toBe(['pass'])
            ->and($graph->sources['inverter.charger']->forming)
            ->toBeFalse();
    });

    it('keeps the grounds continuous through it', function (): void {
        expect(joints(graphOf(['inverter' => INVERTER]), Role::PE, ElementKind::Conductor))->toBe([
            'inverter.ac_in.g–inverter.ac_out.g',
            'inverter.ac_out.g–frame',
        ]);
    });

    it('draws its charging from AC at its charging volts / efficiency', function (): void {
        // 100 A × 14.2 V ÷ 0.88 ÷ 120 V
        expect(graphOf(['inverter' => INVERTER])->converters['inverter.charger']->fullInputW() / 120)->toEqualWithDelta(
            13.447,
            0.01,
        );
    });
});

describe('bank', function (): void {
    it('adds up series and parallel', function (array $values, float $volts, float $ah): void {
        $bank = Rig::from(Rigs::object(['bank' => $values + BANK]))->components['bank'];
        expect($bank->ratedV())->toBe($volts)->and($bank->capacityAh())->toBe($ah);
    })->with([
        [[], 12.8, 400.0],
        [['series' => 2], 25.6, 400.0],
        // Four 6 V 225 Ah in series-parallel are 12 V, 450 Ah (common practice).
        [['chemistry' => 'flooded', 'unitV' => 6, 'unitAh' => 225, 'series' => 2, 'parallel' => 2], 12.0, 450.0],
    ]);

    it('takes resistance from the maker, or assumes it and says so', function (): void {
        $given = Rig::from(Rigs::object(['bank' => ['unitMilliohm' => 3] + BANK]))->components['bank'];
        $assumed = Rig::from(Rigs::object(['bank' => BANK]))->components['bank'];
        expect($given->resistance())
            ->toBe([0.0015, false])
            ->and($assumed->resistance()[1])
            ->toBeTrue()
            ->and($assumed->resistance()[0])
            ->toBeGreaterThan(0.0003)
            ->toBeLessThan(0.002);
    });

    it('knows its full and its highest volts', function (): void {
        $battery = graphOf(['bank' => ['series' => 2] + BANK])->batteries['bank.cells'];
        expect($battery->fullV())
            ->toEqualWithDelta(27.0, 0.01)
            ->and($battery->highestV())
            ->toEqualWithDelta(28.8, 0.01)
            ->and($battery->systemV())
            ->toBe(24.0);
    });

    it('has the curve of its cells, also where somebody entered 12 V for a lithium', function (): void {
        $battery = graphOf(['bank' => ['unitV' => 12] + BANK])->batteries['bank.cells'];
        // Four cells of 3.2 V: 13.5 V full, 13.2 V at half, 14.4 V while charged.
        expect($battery->fullV())
            ->toEqualWithDelta(13.5, 0.01)
            ->and($battery->restV('half'))
            ->toEqualWithDelta(13.2, 0.01)
            ->and($battery->highestV())
            ->toEqualWithDelta(14.4, 0.01);
    });
});

describe('12 V parts', function (): void {
    it('compile to what they are', function (array $component, array $joints): void {
        expect(
            array_merge(
                joints(graphOf(['x' => $component]), Role::DcPositive),
                joints(graphOf(['x' => $component]), Role::DcNegative),
            ),
        )->toBe($joints);
    })->with([
        [['type' => 'dc_fuse', 'label' => 'F', 'family' => 'class_t', 'ratingA' => 400], ['x.in–x.out']],
        [['type' => 'dc_switch', 'label' => 'S', 'ratingA' => 300], ['x.in–x.out']],
        [['type' => 'shunt', 'label' => 'S', 'ratingA' => 500], ['x.battery–x.load']],
        [['type' => 'bus_bar', 'label' => 'B', 'pole' => 'positive'], []],
        [['type' => 'dc_panel', 'label' => 'P', 'loadA' => 8], ['x.pos–x.fused']],
    ]);

    it('disconnects with a handle', function (): void {
        $graph = graphOf(['x' => ['type' => 'dc_switch', 'label' => 'S', 'ratingA' => 300]]);
        expect($graph->devices['x.handle']->job)
            ->toBe('disconnect')
            ->and($graph->elements['x.pole']->closedIn)
            ->toBe(['on']);
    });

    it('lands leads only where there is a stud', function (string $from, string $said): void {
        $lead = [
            'type' => 'lead',
            'label' => 'L',
            'from' => $from,
            'to' => 'bank.neg',
            'pole' => 'negative',
            'cable' => ['size' => 'awg:4', 'lengthM' => 1],
        ];
        $rig = Rig::from(Rigs::object(['bank' => BANK, 'panel' => PANEL, 'lead' => $lead]));
        $problems = $rig->components['lead']->referenceProblems($rig->components);
        expect($problems[0][0] ?? '')
            ->toBe('/from')
            ->and($problems[0][1])
            ->toContain($said);
    })->with([
        ['ghost.pos', 'no component "ghost"'],
        ['bank.middle', 'it has: "bank.pos", "bank.neg"'],
        ['panel.bus', 'it has: "none"'],
    ]);

    it('bonds the negative to the frame by its strap', function (): void {
        $graph = graphOf([
            'bank' => BANK,
            'x' => [
                'type' => 'frame_bond',
                'label' => 'B',
                'from' => 'bank.neg',
                'cable' => ['size' => 'awg:8', 'lengthM' => 0.4],
            ],
        ]);
        expect(joints($graph, Role::PE))->toBe(['bank.neg–frame']);
    });
});

describe('instruction', function (): void {
    it('keeps a breaker off or a plug out', function (string $device, array $instruction): void {
        $graph = graphOf([
            'panel' => PANEL,
            'c1' => CIRCUIT,
            'converter' => ['plug' => 'c1'] + CONVERTER,
            'x' => ['type' => 'instruction', 'label' => 'R', 'device' => $device, 'while' => 'inverting'],
        ]);
        expect(array_intersect_key($graph->instructions['x'], $instruction))->toBe($instruction);
    })->with([
        ['c1', ['device' => 'c1.breaker', 'position' => 'off']],
        ['converter', ['device' => 'converter.plug', 'position' => 'out']],
    ]);

    it('cannot be about anything else', function (): void {
        $rig = Rig::from(
            Rigs::object([
                'panel' => PANEL,
                'x' => ['type' => 'instruction', 'label' => 'R', 'device' => 'panel', 'while' => 'inverting'],
            ]),
        );
        expect($rig->components['x']->referenceProblems($rig->components)[0][1])->toContain(
            'neither a circuit nor a converter',
        );
    });
});

describe('places in words', function (): void {
    it('are said as a person would, units left to the value', function (
        string $type,
        string $path,
        string $words,
    ): void {
        expect(Catalogue::placeWords($type, $path))->toBe($words);
    })->with([
        ['circuit', '/breakerA', 'breaker'],
        ['circuit', '/cable/size', 'cable, size'],
        ['circuit', '/cable/lengthM', 'cable, length one way'],
        ['circuit', '/gfci', 'GFCI'],
        ['circuit', '/loads/element/watts', 'loads, power'],
        ['panel', '/mainA', 'main breaker'],
        ['panel', '/backfeed/holdDown', 'back-fed breaker, held down by a screw'],
        ['inverter_charger', '/inputLimitA', 'input current limit as set'],
        ['shore_supply', '/supplies/s15/ratingA', 'supplies, pedestal breaker'],
    ]);

    it('fall back to the name in the file where nothing is known', function (
        string $type,
        string $path,
        string $words,
    ): void {
        expect(Catalogue::placeWords($type, $path))->toBe($words);
    })->with([
        ['kettle', '/lid', 'lid'],
        ['circuit', '/wish/list', 'wish, list'],
        ['circuit', '/label/deeper', 'name, deeper'],
        ['', '/cable/size', 'cable, size'],
    ]);

    it('know every property of every type by a label of its own', function (): void {
        foreach (Catalogue::types() as $type => $class) {
            foreach (array_keys($class::allFields()) as $name) {
                expect(trim(Catalogue::placeWords($type, "/{$name}")))->not->toBe('', "{$type}/{$name}");
            }
        }
    });
});

it('tells what parts can give or take as a hand reckons it, and what of that is assumed', function (): void {
    $limits = fn(array $component): array => array_map(
        fn($limit): string => ($limit->assumed ? '~' : '') . "{$limit->value} {$limit->unit}: {$limit->means}",
        array_values(Rig::from(Rigs::object(['x' => $component]))->components)[0]->limits(),
    );
    expect(
        $limits(['type' => 'inlet', 'label' => 'Inlet', 'ratingA' => 30, 'form' => 'inlet', 'cord' => INLET['cord']]),
    )
        ->toBe(['30 A: everything plugged in together'])
        // 200 Ah twice is 400; of lithium nine tenths, of lead half is for use day after day.
        ->and(
            $limits([
                'type' => 'battery_bank',
                'label' => 'Bank',
                'chemistry' => 'lfp',
                'unitV' => 12.8,
                'unitAh' => ['value' => 200, 'basis' => 'assumed'],
                'series' => 1,
                'parallel' => 2,
                'bmsContinuousA' => 100,
            ]),
        )
        ->toBe(['~400 Ah: 360 Ah of it for use day after day', '200 A: what its management lets out for long'])
        ->and(
            $limits([
                'type' => 'battery_bank',
                'label' => 'Bank',
                'chemistry' => 'flooded',
                'unitV' => 6,
                'unitAh' => 220,
                'series' => 2,
                'parallel' => 1,
            ]),
        )
        ->toBe(['220 Ah: 110 Ah of it for use day after day'])
        // 3000 W at 120 V is 25 A.
        ->and($limits(INVERTER)[0])
        ->toBe('3000 W: from the battery, for long: 25 A at 120 V');
});
