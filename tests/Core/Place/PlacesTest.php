<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\PlaceAnswer;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Tree;
use Tests\Rigs;

/** The demo van with what is said of its places, answered with its plan or as found. */
function places(array $place, string $rig = 'causeway', string $view = 'dcdc/whole', array $moved = []): array
{
    $document = Tree::copy(Rigs::demo($rig));
    $document->place = $place === [] ? new stdClass() : Rigs::object($place);
    JobFile::check($document);
    $answers = new JobAnswers($document);

    return (new PlaceAnswer(
        $answers->seen('as_found')->graph,
        $answers->seen($view)->graph,
        $document,
        $view === 'as_found' ? '' : explode('/', $view)[0],
        $moved,
    ))->toArray();
}

/** Found among a list by a field. */
function among(array $list, string $value, string $field = 'id'): ?array
{
    return array_values(array_filter($list, fn(array $e): bool => $e[$field] === $value))[0] ?? null;
}

const INCH = 0.0254;

describe('the ledger of WT-03 through the places of a job', function (): void {
    $place = fn(array $more = []): array => [
        'rig' => ['baseM' => 180 * INCH, 'totalKg' => 4300, 'couplerKg' => 520, 'trackM' => 72 * INCH],
        'things' => $more + [
            'old' => ['label' => 'Removed', 'kg' => 120, 'xM' => (180 - 165) * INCH, 'when' => 'removed'],
            'a' => ['label' => 'A', 'kg' => 52, 'xM' => (180 - 30) * INCH, 'when' => 'added'],
            'b' => ['label' => 'B', 'kg' => 60, 'xM' => (180 + 70) * INCH, 'when' => 'added'],
            'c' => ['label' => 'C', 'kg' => 120, 'xM' => (180 + 20) * INCH, 'when' => 'added'],
        ],
    ];

    it('takes 138 off the coupler and puts 250 on the axle', function () use ($place): void {
        // The demo trailer's plan brings parts of its own; they have no place and stay out of the ledger.
        $got = places($place(), 'grafting', 'line/whole');
        [$coupler, $axle] = $got['scales'];
        expect($coupler['beforeKg'])
            ->toEqualWithDelta(520, 0.05)
            ->and($coupler['afterKg'])
            ->toEqualWithDelta(382, 0.5)
            ->and($axle['afterKg'] - $axle['beforeKg'])
            ->toEqualWithDelta(250, 0.5)
            ->and($coupler['bandKg'][0])
            ->toEqualWithDelta(441.2, 0.1)
            ->and($got['words']['level'])
            ->toBe('danger')
            ->and($got['words']['text'])
            ->toContain('8.7 %')
            ->and($got['words']['lines'][0])
            ->toContain('Below 10 %');
    });

    it('lifts the axle with what is ahead of the coupler', function (): void {
        $got = places(
            [
                'rig' => ['baseM' => 180 * INCH, 'totalKg' => 4300, 'couplerKg' => 520],
                'things' => ['p' => ['label' => 'Ahead', 'kg' => 80, 'xM' => -20 * INCH, 'when' => 'added']],
            ],
            'grafting',
            'line/whole',
        );
        expect($got['scales'][0]['afterKg'] - 520)
            ->toEqualWithDelta(88.9, 0.06)
            ->and($got['scales'][1]['afterKg'] - 3780)
            ->toEqualWithDelta(-8.9, 0.06);
    });

    it('leans to the side it stands on', function (): void {
        $got = places(
            [
                'rig' => ['baseM' => 4, 'totalKg' => 2000, 'couplerKg' => 250, 'trackM' => 72 * INCH],
                'things' => [
                    'p' => ['label' => 'Left', 'kg' => 200, 'xM' => 2, 'leftM' => 24 * INCH, 'when' => 'added'],
                ],
            ],
            'grafting',
            'as_found',
        );
        // As found nothing comes.
        expect($got['sides']['leftKg'])->toEqual(0);
        $place = [
            'rig' => ['baseM' => 4, 'totalKg' => 2000, 'couplerKg' => 250, 'trackM' => 72 * INCH],
            'things' => ['p' => ['label' => 'Left', 'kg' => 200, 'xM' => 2, 'leftM' => 24 * INCH, 'when' => 'added']],
        ];
        $sides = places($place, 'grafting', 'line/whole')['sides'];
        expect($sides['leftKg'])->toEqualWithDelta(166.7, 0.1);
    });
});

it('moves weight between the axles of a motorhome (WT-02)', function (): void {
    $place = [
        'rig' => ['baseM' => 178 * INCH, 'frontKg' => 4000, 'rearKg' => 6000],
        'things' => ['bank' => ['label' => 'Bank', 'kg' => 400, 'xM' => 210 * INCH, 'when' => 'added']],
    ];
    $scales = fn(array $got): array => array_map(
        fn(array $s): float => $s['afterKg'] - $s['beforeKg'],
        array_column($got['scales'], null, 'id'),
    );
    $overhang = $scales(places($place));
    expect($overhang['rear'])
        ->toEqualWithDelta(471.9, 0.1)
        ->and($overhang['front'])
        ->toEqualWithDelta(-71.9, 0.1);
    $between = $scales(places($place, moved: ['thing_bank' => ['xM' => 100 * INCH]]));
    expect($between['rear'])->toEqualWithDelta(224.7, 0.1)->and($between['front'])->toEqualWithDelta(175.3, 0.1);
});

it('has sixty pounds behind the axle of a light trailer turn it from steady to swaying', function (): void {
    // Common practice, no source: a light trailer of 1500 lb with a tenth and little on its coupler.
    $got = places(
        [
            'rig' => ['baseM' => 3.0, 'totalKg' => 680, 'couplerKg' => 72],
            'things' => ['bank' => ['label' => 'Bank', 'kg' => 27.2, 'xM' => 4.2, 'when' => 'added']],
        ],
        'grafting',
        'line/whole',
    );
    expect($got['words']['level'])->toBe('danger')->and($got['words']['lines'][0])->toContain('sways');
});

it('counts a replaced part by the difference, at its place', function (): void {
    $place = [
        'rig' => ['baseM' => 3.6, 'frontKg' => 1500, 'rearKg' => 1700],
        'zones' => ['bed' => ['label' => 'Bed', 'xM' => 3.6, 'widthM' => 1, 'depthM' => 0.6, 'heightM' => 0.5]],
        'items' => ['house' => ['zone' => 'bed', 'kg' => ['value' => 58, 'basis' => 'measured']]],
    ];
    $document = Tree::copy(Rigs::demo('causeway'));
    $document->place = Rigs::object($place);
    $found = (new JobAnswers($document))->seen('as_found')->graph;
    $light = Tree::copy($document);
    $light->asFound->components->house->chemistry = 'lfp';
    $lithium = (new JobAnswers($light))->seen('as_found')->graph;
    $got = (new PlaceAnswer($found, $lithium, $document, 'x'))->toArray();
    $bank = among($got['items'], 'house');
    expect($bank['state'])->toBe('changed')->and($bank['basis'])->toBe('assumed')->and($bank['kg'])->toBeLessThan(30);
    $rear = among($got['scales'], 'rear');
    expect($rear['afterKg'] - $rear['beforeKg'])->toEqualWithDelta($bank['kg'] - 58, 0.11);
    // The same part in both: what was weighed counts.
    expect(among(places($place)['items'], 'house')['kg'])->toEqual(58);
});

it('names what changes and stands nobody knows where, and does not call that good', function (): void {
    $got = places([
        'rig' => [
            'baseM' => 3.6,
            'frontKg' => 1500,
            'rearKg' => 1700,
            'maxFrontKg' => 1800,
            'maxRearKg' => 2000,
            'maxTotalKg' => 3500,
            'weighedBy' => 'scale',
        ],
    ]);
    expect($got['words']['level'])->toBe('unknown')->and($got['nowhere'])->toContain('DC-DC charger 20 A');
    expect(places([])['words']['text'])->toContain('Weigh it first')->and(places([])['scales'])->toBe([]);
});

describe('what is said at the sight of a place', function (): void {
    $in = fn(array $zone, array $item = [], string $id = 'house'): array => array_map(
        fn(array $look): string => "{$look['level']}: {$look['words']}",
        places([
            'zones' => [
                'z' => $zone + ['label' => 'Locker', 'xM' => 3, 'widthM' => 1, 'depthM' => 0.6, 'heightM' => 0.5],
            ],
            'items' => [$id => $item + ['zone' => 'z', 'strapped' => true]],
        ])['looks'],
    );

    it('names the danger', function (array $zone, array $item, string $id, string $level, string $words) use (
        $in,
    ): void {
        expect(implode(' ', preg_grep("/^{$level}/", $in($zone, $item, $id)) ?: []))->toContain($words);
    })->with([
        'lead in the living space' => [['inside' => true], [], 'house', 'danger', 'hydrogen'],
        'a converter beside propane' => [['gas' => true], [], 'converter', 'danger', 'ignition-protected'],
        'under water' => [['water' => true], [], 'converter', 'warn', 'under water'],
        'in the way of a slide' => [['moving' => true], [], 'converter', 'danger', 'slide'],
        'hung and held by nothing' => [
            ['toOutside' => true],
            ['held' => 'hung', 'strapped' => false],
            'house',
            'danger',
            'holds it in a crash',
        ],
        'heavy and held by nothing' => [
            ['toOutside' => true],
            ['strapped' => false],
            'house',
            'warn',
            'holds it in a crash',
        ],
    ]);

    it('says nothing where nothing is wrong', function () use ($in): void {
        expect($in(['toOutside' => true]))
            ->toBe([])
            ->and($in(['gas' => true], ['sealed' => true], 'converter'))
            ->toBe([]);
    });

    it('says of lithium that frost stops its charge', function (): void {
        $looks = places(
            [
                'zones' => [
                    'z' => ['label' => 'Bay', 'xM' => 3, 'widthM' => 2, 'depthM' => 1, 'heightM' => 1, 'lowC' => -12],
                ],
                'items' => ['lith_long' => ['zone' => 'z', 'strapped' => true]],
            ],
            'bellows',
            'as_found',
        )['looks'];
        expect(array_filter($looks, fn(array $l): bool => str_contains($l['words'], 'below 0 °C')))->toHaveCount(1);
    });

    it('wants a cable protected from what it is open to', function (string $open, string $in, bool $told): void {
        $looks = places([
            'routes' => [
                'ld_charge' => ['segments' => ['s' => ['lengthM' => 2, 'exposure' => $open, 'protection' => $in]]],
            ],
        ])['looks'];
        expect($looks !== [])->toBe($told);
    })->with([
        ['road', 'none', true],
        ['road', 'conduit', false],
        ['heat', 'loom', true],
        ['heat', 'sleeve', false],
        ['moving', 'grommet', true],
        ['edge', 'grommet', false],
        ['none', 'none', false],
    ]);
});

it('wants a gland where a cable goes through the floor', function (): void {
    $looks = places([
        'routes' => ['ld_charge' => ['segments' => ['s' => ['lengthM' => 1, 'through' => 'floor']]]],
    ])['looks'];
    expect($looks[0]['words'])->toContain('gland')->and($looks[0]['level'])->toBe('note');
});

describe('room', function (): void {
    $zone = ['label' => 'Cabinet', 'xM' => 3, 'widthM' => 0.5, 'depthM' => 0.4, 'heightM' => 0.3];
    $bay = fn(array $zone, array $items): array => places(['zones' => ['z' => $zone], 'items' => $items])['zones'][0];

    it('is told by verdict', function (array $more, array $items, string $verdict, string $words) use (
        $zone,
        $bay,
    ): void {
        $got = $bay($more + $zone, array_map(fn(array $i): array => $i + ['zone' => 'z'], $items));
        expect($got['verdict'])
            ->toBe($verdict)
            ->and(implode(' ', array_column($got['lines'], 'words')))
            ->toContain($words);
    })->with([
        'fits' => [
            [],
            ['converter' => ['widthM' => 0.2, 'heightM' => 0.2, 'depthM' => 0.1, 'clearanceM' => 0.05]],
            'fits',
            '',
        ],
        'too deep to go in' => [
            [],
            ['converter' => ['widthM' => 0.2, 'heightM' => 0.4, 'depthM' => 0.1, 'clearanceM' => 0.05]],
            'cannot',
            'there are 30 cm',
        ],
        'does not pass the door' => [
            ['openWidthM' => 0.15, 'openHeightM' => 0.3],
            ['converter' => ['widthM' => 0.2, 'heightM' => 0.2, 'depthM' => 0.16, 'clearanceM' => 0.0]],
            'cannot',
            'does not pass the opening',
        ],
        'passes on its edge' => [
            ['openWidthM' => 0.15, 'openHeightM' => 0.3],
            ['converter' => ['widthM' => 0.2, 'heightM' => 0.2, 'depthM' => 0.14, 'clearanceM' => 0.0]],
            'fits',
            '',
        ],
        'goes in, without its air' => [
            [],
            ['converter' => ['widthM' => 0.45, 'heightM' => 0.2, 'depthM' => 0.3, 'clearanceM' => 0.1]],
            'cannot',
            'all round do not go',
        ],
        'two that fit alone' => [
            [],
            [
                'converter' => ['widthM' => 0.4, 'heightM' => 0.2, 'depthM' => 0.26, 'clearanceM' => 0.0],
                'house' => ['widthM' => 0.4, 'heightM' => 0.2, 'depthM' => 0.26, 'clearanceM' => 0.0],
            ],
            'cannot',
            'beside one another',
        ],
        'upright on a wall' => [
            [],
            [
                'converter' => [
                    'widthM' => 0.2,
                    'heightM' => 0.35,
                    'depthM' => 0.1,
                    'clearanceM' => 0.0,
                    'held' => 'wall',
                    'upright' => true,
                ],
            ],
            'cannot',
            'do not go',
        ],
        'laid on its side on a wall' => [
            [],
            [
                'converter' => [
                    'widthM' => 0.2,
                    'heightM' => 0.35,
                    'depthM' => 0.1,
                    'clearanceM' => 0.0,
                    'held' => 'wall',
                ],
            ],
            'fits',
            '',
        ],
    ]);

    it('gets warm by what is in it', function () use ($zone, $bay): void {
        $closed = $bay($zone, ['converter' => ['zone' => 'z']])['heat'];
        // 45 A at 13.6 V with what is written on it.
        expect($closed['watts'])->toBeGreaterThan(60)->and($closed['good'])->toBeFalse();
        $aired = $bay($zone + ['fanM3h' => 200], ['converter' => ['zone' => 'z']])['heat'];
        expect($aired['good'])->toBeTrue()->and($aired['riseK'])->toBeLessThan(3);
        expect($bay($zone, ['house' => ['zone' => 'z']])['heat'])->toBeNull();
    });
});

it('tells a cable that is shorter than its ends are apart', function (): void {
    $at = fn(float $x): array => ['xM' => $x];
    $got = places(['items' => ['house' => $at(0.5), 'house_fuse' => $at(5.5)]]);
    $way = among($got['ways'], 'House battery to its fuse', 'label') ?? $got['ways'][0];
    expect($way['straightM'])
        ->toBeGreaterThan(4.5)
        ->and($way['straightM'])
        ->toBeLessThan(5.0)
        ->and($way['short'])
        ->toBeTrue();
    expect(implode(' ', array_column($got['looks'], 'words')))->toContain('apart: measure the route');
});

it('refuses places that no rig has, with the place in the file', function (): void {
    places(['rig' => ['baseM' => 400]]);
})->throws(BadJobFile::class, 'baseM');

it('sets the drop by the lengths that are said beside the drop by where things stand', function (): void {
    $at = fn(float $x): array => ['xM' => $x, 'widthM' => 0.1, 'heightM' => 0.1, 'depthM' => 0.1];
    $items = ['house' => $at(0.5), 'inverter_fuse' => $at(0.8), 'inverter' => $at(5.0)];
    [$feed] = places(['items' => $items])['feeds'];
    $graph = (new JobAnswers(Rigs::demo('causeway')))->seen('dcdc/whole')->graph;
    // By hand: cable by cable at 75 °C; fuse to inverter and battery to inverter are as long as they are apart.
    $volts = fn(array $lengths): float => array_sum(
        array_map(
            fn(string $id, float $m): float => $feed['amps'] *
                $graph->elements["{$id}.wire"]->cable->size->ohm($m, 75.0),
            array_keys($lengths),
            $lengths,
        ),
    );
    $said = [];
    foreach (['ld_inv_fuse', 'ld_inv', 'ld_inv_neg'] as $id) {
        $said[$id] = $graph->elements["{$id}.wire"]->cable->lengthM;
    }
    expect($feed['saidV'])
        ->toEqualWithDelta($volts($said), 0.002)
        ->and($feed['alongV'])
        ->toEqualWithDelta($volts(['ld_inv_fuse' => 0.3, 'ld_inv' => 4.2, 'ld_inv_neg' => 4.5]), 0.002)
        ->and($feed['limitV'])
        ->toEqualWithDelta(0.36, 1e-9);
});

it('says of boards and reach what a hand would find', function (array $zone, array $item, string $words): void {
    $looks = places([
        'zones' => [
            'z' => $zone + ['label' => 'Locker', 'xM' => 3, 'widthM' => 1, 'depthM' => 0.8, 'heightM' => 0.5],
        ],
        'items' => ['inverter' => $item + ['zone' => 'z', 'strapped' => true]],
    ])['looks'];
    $said = implode(' ', array_column($looks, 'words'));
    $words === '' ? expect($said)->toBe('') : expect($said)->toContain($words);
})->with([
    'far in' => [['reachM' => 0.75], [], 'an arm with a driver reaches about 60 cm'],
    'within reach' => [['reachM' => 0.5], [], ''],
    'nothing behind the board' => [['behindM' => 0.02], ['held' => 'wall'], 'both faces matter'],
    'room behind it' => [['behindM' => 0.1], ['held' => 'wall'], ''],
    'heavy on a thin wall' => [
        [],
        ['held' => 'wall', 'kg' => ['value' => 9, 'basis' => 'read_off']],
        'a board or a brace behind it',
    ],
    'on a board' => [[], ['held' => 'wall', 'backed' => true, 'kg' => ['value' => 9, 'basis' => 'read_off']], ''],
]);

it('says of weights that contradict one another which, and judges a pin by its own share', function (): void {
    $rig = ['baseM' => 5, 'totalKg' => 4000, 'couplerKg' => 4300];
    expect(places(['rig' => $rig], 'grafting', 'as_found')['words']['text'])->toContain(
        'no 4300 kg can be on the coupler',
    );
    $heavy = ['couplerKg' => 800, 'maxTotalKg' => 5000] + $rig;
    $on = fn(string $hitch): array => places(['rig' => ['hitch' => $hitch] + $heavy], 'grafting', 'as_found')['words'];
    // A fifth: too much for a ball, usual for a pin.
    expect($on('ball')['level'])->toBe('danger')->and($on('pin')['level'])->not->toBe('danger');
    expect($on('pin')['text'])->toContain('he pin carries 20.0 %');
});

it('says what stands within the swing of a door, and nothing of what does not', function (
    float $x,
    float $up,
    bool $told,
): void {
    $looks = places([
        'zones' => [
            'z' => ['label' => 'Locker', 'xM' => 2, 'widthM' => 1, 'depthM' => 1, 'heightM' => 0.5, 'doorM' => 0.4],
        ],
        'items' => ['converter' => ['xM' => $x, 'upM' => $up]],
    ])['looks'];
    expect(str_contains(implode(' ', array_column($looks, 'words')), 'swing of the door'))->toBe($told);
})->with([
    'beside it' => [2.8, 0.1, true],
    'farther than it swings' => [3.2, 0.1, false],
    'above it' => [2.8, 0.9, false],
]);
