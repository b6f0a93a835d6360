<?php

declare(strict_types=1);

use Hollin\Core\Network\Part;
use Hollin\Core\Parts\Candidates;
use Hollin\Core\Parts\Costs;
use Hollin\Core\Parts\Offer;
use Hollin\Core\Parts\OfferList;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Parts\TakeOff;
use Hollin\Core\Parts\Terminals;
use Hollin\Core\Parts\Wishes;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Reference\Stud;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** @param array<string, array<string, mixed>> $bodies */
function offers(array $bodies): array
{
    return array_map(
        fn(string $code, array $body): Offer => Offer::of($code, (object) $body),
        array_combine(array_keys($bodies), array_keys($bodies)),
        $bodies,
    );
}

function inverterPart(array $facts = []): Part
{
    return new Part(
        'inv',
        'inverter',
        'Inverter',
        $facts + [
            'continuousW' => 1000.0,
            'surgeW' => 2000.0,
            'dcNominalV' => 12.0,
        ],
    );
}

describe('a bill by hand', function (): void {
    // Two runs of 2 m in 2/0 from one 5 m piece, four lugs; a 300 A fuse, one to spare, a holder; one battery pair.
    $list = [
        'stockM' => 5.0,
        'cables' => [
            [
                'size' => 'awg:2/0',
                'spoken' => '2/0',
                'kind' => 'positive',
                'pieces' => [[1, 2]],
                'totalM' => 4.0,
            ],
        ],
        'lugs' => [['size' => 'awg:2/0', 'spoken' => '2/0', 'kind' => 'positive', 'stud' => 'm8', 'count' => 4]],
        'fuses' => [
            ['label' => '300 A class T', 'family' => 'class_t', 'ratingA' => 300.0, 'count' => 1, 'spares' => 1],
        ],
        'labels' => ['a', 'b', 'c'],
        'small' => [],
        'out' => ['Old battery'],
    ];
    $parts = [
        'bank' => new Part('bank', 'battery_bank', 'Bank', [
            'unitAh' => 100.0,
            'unitV' => 12.8,
            'parallel' => 2.0,
            'series' => 1.0,
            'chemistry' => 'lfp',
        ]),
    ];
    $catalogue = offers([
        'cable' => [
            'kind' => 'cable',
            'name' => 'C',
            'size' => 'awg:2/0',
            'sheath' => 'fine',
            'price' => 10,
            'minutes' => 5,
        ],
        'lug8' => ['kind' => 'lug', 'name' => 'L8', 'size' => 'awg:2/0', 'stud' => 'm8', 'price' => 3, 'known' => true],
        'lug6' => ['kind' => 'lug', 'name' => 'L6', 'size' => 'awg:2/0', 'stud' => 'm6', 'price' => 1],
        'fuse' => ['kind' => 'dc_fuse', 'name' => 'F', 'family' => 'class_t', 'ratingA' => 300.0, 'price' => 40],
        'fuse2' => ['kind' => 'dc_fuse', 'name' => 'F2', 'family' => 'class_t', 'ratingA' => 200.0, 'price' => 1],
        'holder' => ['kind' => 'fuse_holder', 'name' => 'H', 'family' => 'class_t', 'price' => 50, 'minutes' => 15],
        'lfp' => [
            'kind' => 'battery_bank',
            'name' => 'B',
            'ah' => 100.0,
            'volts' => 12.8,
            'chemistry' => 'lfp',
            'price' => 360,
            'minutes' => 30,
        ],
        'label' => ['kind' => 'label', 'name' => 'Label', 'price' => 0.5],
        'tool' => ['kind' => 'tool', 'name' => 'Crimper', 'price' => 120, 'upToSize' => 'awg:4/0'],
    ]);

    it('adds up', function () use ($list, $parts, $catalogue): void {
        $bill = (new Costs($catalogue, Wishes::of(null), hour: 90.0))->of($list, $parts);
        // 2 × 360 + 5 m × 10 + 4 × 3 + 2 × 40 + 50 + 3 × 0.5; the sleeves have no price.
        expect($bill['material'])
            ->toEqualWithDelta(720 + 50 + 12 + 80 + 50 + 1.5, 1e-9)
            ->and($bill['without'])
            ->toBe(['Sleeves 2/0'])
            // 2 × 30 + 4 m × 5 + 15 min, 20 to take out, three hours around it.
            ->and($bill['hours'])
            ->toEqualWithDelta((60 + 20 + 15 + 20 + 180) / 60, 0.006)
            ->and($bill['labour'])
            ->toEqualWithDelta($bill['hours'] * 90, 0.5)
            ->and($bill['total'])
            ->toEqualWithDelta($bill['material'] + $bill['labour'], 0.011)
            ->and($bill['tools'][0]['name'])
            ->toBe('Crimper');
        $sum = 0.0;
        foreach ($bill['lines'] as $line) {
            $sum += $line['total'] ?? 0.0;
            expect(
                $line['total'] === null || abs($line['total'] - $line['each'] * $line['quantity']) < 0.006,
            )->toBeTrue();
        }
        expect($sum)->toEqualWithDelta($bill['material'], 0.01);
        $lugs = array_values(array_filter($bill['lines'], fn(array $l): bool => $l['code'] === 'lug8'));
        expect($lugs[0]['assumed'])->toBeFalse()->and($bill['assumed'])->toBeGreaterThan(3);
    });

    it('counts the panels of a controller beside it', function (): void {
        $solar = new Part('roof', 'solar_charger', 'Roof', [
            'panelW' => 180.0,
            'series' => 2.0,
            'parallel' => 2.0,
            'outputA' => 30.0,
            'limitV' => 100.0,
        ]);
        $empty = [
            'stockM' => 5.0,
            'cables' => [],
            'lugs' => [],
            'fuses' => [],
            'labels' => [],
            'small' => [],
            'out' => [],
        ];
        $lines = (new Costs(Stock::all(), Wishes::of(null)))->of($empty, ['roof' => $solar])['lines'];
        // A controller of 30 A for 160, and four panels: none of 180 W is offered, the next gives 200 W for 150.
        expect(array_column($lines, 'total'))
            ->toEqual([160, 600])
            ->and($lines[1]['code'])
            ->toBe('solar-panel-200');
    });

    it('has something for every type of part that a plan can bring', function (): void {
        $types = ['converter', 'dcdc_charger', 'transfer_switch', 'contactor', 'bypass', 'splice_box', 'separator'];
        $kinds = array_unique(array_map(fn(Offer $o): string => $o->text('kind'), Stock::all()));
        expect(array_diff($types, $kinds))->toBe([]);
    });

    it('says no sum where nobody has said what an hour costs', function () use ($list, $parts, $catalogue): void {
        $bill = (new Costs($catalogue, Wishes::of(null)))->of($list, $parts);
        expect($bill['labour'])
            ->toBeNull()
            ->and($bill['total'])
            ->toBeNull()
            ->and($bill['material'])
            ->toBeGreaterThan(900);
    });
});

describe('candidates', function (): void {
    $verdict = fn(array $body, ?array $wishes = null, array $facts = []): string => (new Candidates(
        offers(['x' => $body + ['kind' => 'inverter', 'name' => 'X', 'price' => 100]]),
        Wishes::of($wishes === null ? null : (object) $wishes),
    ))->of(inverterPart($facts))[0]['verdict'];
    $good = ['watts' => 1200.0, 'surgeW' => 2400.0, 'volts' => 12.0, 'waveform' => 'sine'];

    it('have, lack, or must be asked', function (array $with, ?array $wishes, string $wanted) use (
        $verdict,
        $good,
    ): void {
        $body = array_filter($with + $good, fn(mixed $v): bool => $v !== null);
        expect($verdict($body, $wishes))->toBe($wanted);
    })->with([
        'all of it' => [[], null, 'has'],
        'too little' => [['watts' => 999.0], null, 'lacks'],
        'of another system' => [['volts' => 24.0], null, 'lacks'],
        '12.8 V is 12 V' => [['volts' => 12.8], null, 'has'],
        'stepped' => [['waveform' => 'stepped'], null, 'lacks'],
        'stepped where any will do' => [['waveform' => 'stepped'], ['waveform' => 'any'], 'has'],
        'surge not written on it' => [['surgeW' => null], null, 'ask'],
        'too loud' => [['noiseDb' => 52.0], ['noiseDb' => 45.0], 'lacks'],
        'noise not known' => [[], ['noiseDb' => 45.0], 'ask'],
        'no remote' => [['remote' => false], ['remote' => true], 'lacks'],
        'listed' => [['listed' => true], ['listed' => true], 'has'],
        'too deep' => [['depthMm' => 150.0], ['depthMm' => 140.0], 'lacks'],
    ]);

    it('come with the cheapest that has all first, whatever lacks last', function (): void {
        $found = (new Candidates(Stock::all(), Wishes::of(null)))->of(inverterPart());
        expect(array_slice(array_column($found, 'code'), 0, 3))->toBe([
            'inverter-1000',
            'inverter-2000',
            'inverter-3000',
        ]);
        expect(end($found)['verdict'])->toBe('lacks');
    });

    it('are taken as chosen, and a stopgap is set beside the right one', function (): void {
        $parts = ['inv' => inverterPart(['continuousW' => 2000.0, 'surgeW' => 4000.0])];
        $costs = new Costs(Stock::all(), Wishes::of(null), hour: 60.0);
        $choice = $costs->choices($parts)[0];
        $small = array_values(
            array_filter($choice['candidates'], fn(array $c): bool => $c['code'] === 'inverter-1000'),
        );
        // 230 now, 420 and fitting (120 + 20 min at 60) again later.
        expect($choice['taken'])
            ->toBe('inverter-2000')
            ->and($small[0]['stopgap'])
            ->toContain('230 now')
            ->toContain('790')
            ->toContain('instead of 420');
        $chosen = new Costs(Stock::all(), Wishes::of(null), ['inv' => 'inverter-3000']);
        expect($chosen->choices($parts)[0]['taken'])->toBe('inverter-3000');
        // What is no inverter is not taken for one.
        $wrong = new Costs(Stock::all(), Wishes::of(null), ['inv' => 'label']);
        expect($wrong->choices($parts)[0]['taken'])->toBe('inverter-2000');
    });
});

describe('the catalogue as a table', function (): void {
    it('comes back as it went out', function (): void {
        $read = OfferList::read(OfferList::written(Stock::all()));
        expect($read)->toHaveCount(count(Stock::all()));
        foreach (Stock::all() as $code => $offer) {
            expect((array) $read[$code])->toEqual((array) $offer->toBody());
        }
    });

    it('says of every row what is wrong, and takes nothing', function (string $row, string $at, string $words): void {
        $problems = [];
        try {
            OfferList::read("code,kind,name,price,size,known\n{$row}\n");
        } catch (Refused $e) {
            $problems = $e->problems;
        }
        expect($problems[0]->pointer ?? '')
            ->toBe($at)
            ->and($problems[0]->message ?? '')
            ->toContain($words);
    })->with([
        'no such kind' => ['a,gizmo,A,1,,', '/row/2/kind', 'none of: inverter'],
        'no name' => ['a,lug,,1,,', '/row/2/name', 'is empty'],
        'a price that is none' => ['a,lug,A,"1,500",,', '/row/2/price', '"1,500" is not a number'],
        'below nothing' => ['a,lug,A,-3,,', '/row/2/price', 'from 0'],
        'a size there is none of' => ['a,lug,A,1,5/0,', '/row/2/size', 'write awg:4/0'],
        'maybe' => ['a,lug,A,1,,perhaps', '/row/2/known', 'neither yes nor no'],
        'a code with spaces' => ['a b,lug,A,1,,', '/row/2/code', 'lower case'],
        'the same code' => ["a,lug,A,1,,\na,lug,B,1,,", '/row/3/code', 'earlier row'],
    ]);
});

describe('terminals', function (): void {
    it('have torques within what bolts of their size are tightened with', function (Stud $stud, float $ftLb): void {
        // UL 486A style figures for bolts, from memory; one foot-pound is 1.356 N·m.
        [$from, $to] = $stud->torqueNm();
        expect($ftLb * 1.356)
            ->toBeGreaterThan($from)
            ->toBeLessThan($to + 0.3);
    })->with([[Stud::M6, 6.0], [Stud::M8, 11.0], [Stud::M10, 19.0], [Stud::M12, 40.0]]);

    it('have the largest lug nearest the plate, and the lugs of their stud', function (): void {
        $document = Rigs::job(Sample::choose('in_line', ['parallel' => 2]), Sample::set('inverter', '/stud', 'm8'));
        $before = Rigs::asFound($document)->graph;
        $after = Rigs::planned($document)->graph;
        $all = (new Terminals($before, $after))->all();
        expect($all)->not->toBe([]);
        foreach ($all as $terminal) {
            $areas = array_map(
                fn(array $l): float => Hollin\Core\Reference\ConductorSize::of(
                    (string) $after->partAt($l['lead'])?->text('cable/size'),
                )->areaMm2,
                $terminal['lugs'],
            );
            $sorted = $areas;
            rsort($sorted);
            expect($areas)->toBe($sorted);
        }
        $ours = array_values(array_filter($all, fn(array $t): bool => str_starts_with($t['terminal'], 'inverter.')));
        expect($ours[0]['stud'])
            ->toBe('M8, 5/16 in')
            ->and($ours[0]['torqueNm'])
            ->toBe([10.0, 15.0]);
        $lugs = (new TakeOff($before, $after))->toArray(7.62)['lugs'];
        $m8 = array_sum(array_column(array_filter($lugs, fn(array $l): bool => $l['stud'] === 'm8'), 'count'));
        expect($m8)->toBe(array_sum(array_map(fn(array $t): int => count($t['lugs']), $ours)));
    });

    it('says of a lug that is too large for its terminal', function (): void {
        $document = Rigs::job(
            Sample::choose('in_line', ['parallel' => 2]),
            Sample::set('inverter', '/largestLug', 'awg:2'),
        );
        $wrong = array_merge(
            ...array_column(
                (new Terminals(Rigs::asFound($document)->graph, Rigs::planned($document)->graph))->all(),
                'wrong',
            ),
        );
        expect(implode(' ', $wrong))->toContain('takes at most 2 AWG');
    });
});
