<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\RulersAnswer;
use Hollin\Core\Network\Ladder;
use Hollin\Core\Parts\RunCost;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\PathRating;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\Sharing;
use Hollin\Core\Sizing\InverterCurrent;
use Hollin\Core\Solve\NodalNetwork;
use Tests\Rigs;

describe('batteries linked one to the next', function (): void {
    it('give what a simulator says (DC-04)', function (string $way, array $wanted): void {
        $amps = Ladder::amps(4, 0.003, 0.0002, 200, $way);
        foreach ($wanted as $n => $a) {
            expect($amps[$n])->toEqualWithDelta($a, 0.2);
        }
    })->with([
        'both poles of the first' => [Ladder::ONE_END, [69.5, 52.1, 41.6, 36.7]],
        'across' => [Ladder::ACROSS, [53.1, 46.9, 46.9, 53.1]],
    ]);

    it('give the same by node volts', function (int $count, float $ohm, float $link, string $way): void {
        $network = new NodalNetwork();
        for ($k = 0; $k < $count; $k++) {
            $network->add('battery', "b{$k}", "p{$k}", "n{$k}", 1 / $ohm);
            if ($k > 0) {
                $network->add('wire', "p{$k}", 'p' . ($k - 1), "p{$k}", 1 / $link);
                $network->add('wire', "n{$k}", 'n' . ($k - 1), "n{$k}", 1 / $link);
            }
        }
        $minus = $way === Ladder::ONE_END ? 'n0' : 'n' . ($count - 1);
        $network->add('leak', 'reference', $minus, 'earth', 1.0);
        $volts = $network->volts([['draw', $network->node['p0'], $network->node[$minus], -100.0, 0.0]])[0];
        foreach (Ladder::amps($count, $ohm, $link, 100.0, $way) as $k => $amps) {
            $by = abs($volts[$network->node["p{$k}"]] - $volts[$network->node["n{$k}"]]) / $ohm;
            expect($by)->toEqualWithDelta($amps, 1e-6);
        }
    })->with([
        [2, 0.002, 0.0003, Ladder::ONE_END],
        [3, 0.004, 0.0002, Ladder::ACROSS],
        [5, 0.0015, 0.0005, Ladder::ONE_END],
        [8, 0.003, 0.0002, Ladder::ACROSS],
    ]);

    it('give in all what is drawn, and share alike without links', function (): void {
        expect(array_sum(Ladder::amps(6, 0.003, 0.0004, 321.0, Ladder::ONE_END)))->toEqualWithDelta(321, 1e-9);
        foreach (Ladder::amps(4, 0.003, 0.0, 200.0, Ladder::ONE_END) as $amps) {
            expect($amps)->toEqualWithDelta(50, 1e-9);
        }
        expect(Ladder::worst(4, 0.003, 0.0002, Ladder::ONE_END))->toEqualWithDelta(69.5 / 50, 0.005);
    });

    it('are a bank', function (): void {
        Ladder::amps(0, 0.003, 0.0002, 100, Ladder::ACROSS);
    })->throws(InvalidArgumentException::class, 'A bank has batteries');

    it('are shown for each inverter that several feed', function (): void {
        $rig = Rigs::planned(
            Rigs::job(
                Sample::choose('in_line', ['parallel' => 4, 'unitAh' => 100]),
                Sample::set('bank', '/unitMilliohm', 3),
                Sample::set('bank', '/linkMilliohm', 0.2),
            ),
        );
        $bank = Sharing::of($rig)[0];
        $of = $bank['batteries'][0];
        $scale = $bank['amps'] / 200;
        expect($of['units'])
            ->toBe(4)
            ->and($of['amps'])
            ->toEqualWithDelta($bank['amps'], 0.2)
            ->and($of['oneEnd'][0])
            ->toEqualWithDelta(69.5 * $scale, 0.4)
            ->and(array_sum($of['across']))
            ->toEqualWithDelta($bank['amps'], 0.3);
        expect(Sharing::of(Rigs::planned(Rigs::job(Sample::choose('in_line', ['parallel' => 1])))))->toBe([]);
    });
});

describe('bars, switches and links', function (): void {
    it('are out of order exactly where the rule of the way to the inverter finds them', function (array $edits): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line'), ...$edits));
        $found = [];
        foreach ((new PathRating())->hits($rig) as $hit) {
            foreach ($hit->components as $component) {
                $found[$component] = true;
            }
        }
        unset($found['inverter'], $found['bank']);
        $told = [];
        foreach (RatedParts::of($rig, new Carried($rig)) as $row) {
            if ($row['trouble'] !== [] && str_contains($row['carriesWhy'], 'full output')) {
                $told[$row['component']] = true;
            }
        }
        ksort($found);
        ksort($told);
        expect(array_keys($told))->toBe(array_keys($found));
    })->with([
        'as it is proposed' => [[]],
        'a small switch' => [[Sample::set('disconnect', '/ratingA', ['value' => 150, 'basis' => 'read_off'])]],
        'a small bar' => [[Sample::set('pos_bar', '/ratingA', 60)]],
        'a small fuse' => [[Sample::set('main_fuse', '/ratingA', ['value' => 150, 'basis' => 'read_off'])]],
        'a small shunt and switch' => [
            [
                Sample::set('shunt', '/ratingA', 100),
                Sample::set('disconnect', '/ratingA', ['value' => 100, 'basis' => 'read_off']),
            ],
        ],
    ]);

    it('turn their joints into heat by I²R', function (): void {
        // 0.05 Ω at 25 A is 31 W (common practice); here 2 mΩ at what the inverter takes.
        $rig = Rigs::planned(
            Rigs::job(
                Sample::choose('in_line'),
                Sample::set('ld_bar_inv', '/jointMilliohm', ['value' => 2, 'basis' => 'measured']),
            ),
        );
        $joint = array_values(
            array_filter(
                RatedParts::of($rig, new Carried($rig)),
                fn(array $r): bool => $r['kind'] === 'joint' && $r['component'] === 'ld_bar_inv',
            ),
        )[0];
        expect($joint['heatW'])
            ->toEqualWithDelta($joint['carriesA'] ** 2 * 0.002, 0.5)
            ->and(implode(' ', $joint['trouble']))
            ->toContain('into heat');
    });
});

describe('options with their consequences', function (): void {
    $options = fn(string $rig, string $view): array => array_column(
        RulersAnswer::of(Rigs::demo($rig), $view, new RunCost(Stock::all()))['options'],
        null,
        'ask',
    );

    it('have figures that hold against the tables', function () use ($options): void {
        $said = $options('tideline', 'line/whole');
        $ways = fn(string $ask): array => array_column($said[$ask]['ways'], 'words', 'name');
        // 3000 W at 12 V and 0.88: 284 A; 125 % is 355 A, the next class T 400 A; ABYC 4/0 in free air 445 A.
        expect($ways('12, 24 or 48 V?')['12 V'])->toContain('284 A, 4/0 AWG');
        expect($ways('12, 24 or 48 V?')['24 V'])->toContain('142 A');
        expect($ways('Marine or building tables for the battery side?')['Marine tables'])->toContain(
            '4/0 AWG (445 A) behind 400 A',
        );
        expect(Ampacity::Marine->ofSize(ConductorSize::of('awg:4/0')))->toEqual(445);
        $cap = $ways('4/0 AWG, or 2/0 AWG with its watts on a label?')['2/0 AWG'];
        // 330 A carries a fuse of 300 A: 300 ÷ 1.25 × 12 V × 0.88 = 2534 W.
        expect($cap)->toContain('300 A at most')->toContain('2534 W');
        expect(InverterCurrent::capW(300, 12, 0.88))->toEqualWithDelta(2534.4, 0.1);
        $fuse = $ways('Which fuse, or a breaker?');
        expect($fuse[FuseFamily::BoltDown->label()])->toContain('not here')->toContain('6.0 kA');
        expect($fuse['breaker'])->toContain('not made for 355 A');
    });

    it('have panels in series and in parallel with the same watts', function () use ($options): void {
        $ways = array_column($options('causeway', 'dcdc/whole')['Panels in series or in parallel?']['ways'], 'words');
        preg_match('/([\d.]+) V, ([\d.]+) A/', $ways[0], $series);
        preg_match('/([\d.]+) V, ([\d.]+) A/', $ways[1], $parallel);
        expect($series[1] * $series[2])->toEqualWithDelta($parallel[1] * $parallel[2], 10);
    });
});

it('prices a run by what is cut of it and its ends', function (): void {
    $cost = new RunCost(
        array_map(fn(array $o): Hollin\Core\Parts\Offer => Hollin\Core\Parts\Offer::of('x', (object) $o), [
            ['kind' => 'cable', 'name' => 'C', 'size' => 'awg:2', 'sheath' => 'fine', 'price' => 10],
            ['kind' => 'cable', 'name' => 'C2', 'size' => 'awg:2', 'sheath' => 'fine', 'price' => 8],
            ['kind' => 'lug', 'name' => 'L', 'size' => 'awg:2', 'price' => 3],
            ['kind' => 'cable', 'name' => 'N', 'size' => 'awg:12', 'sheath' => 'nm_b', 'price' => 2],
        ]),
    );
    // 2 m are cut 2.4 m long: 2 × (2.4 × 8 + 2 × 3).
    expect($cost->of('awg:2', 2.0, 2, true))
        ->toEqualWithDelta(2 * (2.4 * 8 + 6), 1e-9)
        ->and($cost->of('awg:12', 5.0, 1, false))
        ->toEqualWithDelta(5.7 * 2, 1e-9)
        ->and($cost->of('awg:4', 2.0, 1, true))
        ->toBeNull();
});

it('moves its price with what is tried', function (): void {
    $document = Rigs::demo('grafting');
    $cost = new RunCost(Stock::all());
    $row = fn(array $answer): array => array_column($answer['rows'], null, 'component')['ld_bar_inv'];
    $before = $row(RulersAnswer::of($document, 'line/whole', $cost));
    $longer = $row(
        RulersAnswer::trying($document, 'line/whole', 'ld_bar_inv', ['cable/lengthM' => $before['lengthM'] + 1], $cost),
    );
    $metre = $cost->metre($before['size']);
    expect($longer['cost'] - $before['cost'])->toEqualWithDelta(1.1 * $metre, 0.3);
    expect((new JobAnswers($document))->seen('line/whole')->graph->parts['ld_bar_inv']->number('cable/lengthM'))->toBe(
        $before['lengthM'],
    );
});
