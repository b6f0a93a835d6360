<?php

declare(strict_types=1);

use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Caution;
use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Link;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\Tools;
use Hollin\Core\Build\Work;
use Hollin\Core\Network\Part;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Stud;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;
use Tests\Works;

/** @return list<string> words of what a step asks */
function asked(Step $step): array
{
    return array_map(fn(Ask $a): string => $a->words, $step->asks);
}

it('stands each step behind what it waits for, every link with its reason', function (
    string $name,
    string $plan,
): void {
    $work = Compiled::inARow([Works::demo($name, $plan)]);
    $place = array_flip(array_keys($work->steps));
    expect($work->steps)->not->toBe([]);
    foreach ($work->links as $link) {
        expect($place[$link->before])->toBeLessThan($place[$link->after])->and($link->why)->not->toBe('');
    }
})->with(fn(): array => Works::plans());

it('lets nothing below a knot begin before it is proven', function (string $name, string $plan): void {
    $work = Compiled::inARow([Works::demo($name, $plan)]);
    $ids = array_keys($work->steps);
    foreach ($ids as $n => $id) {
        if (!$work->steps[$id]->kind->isGate()) {
            continue;
        }
        $behind = Works::behind($work, $id);
        foreach (array_slice($ids, $n + 1) as $later) {
            $step = $work->steps[$later];
            // Another knot beside it may be first, and what goes on by itself hangs beside the rope.
            if (!$step->kind->isGate() && $step->kind !== Kind::Cure && $step->kind !== Kind::ChargeAlone) {
                expect(isset($behind[$later]))->toBeTrue("{$later} hangs free below {$id}");
            }
        }
    }
})->with(fn(): array => Works::plans());

it('touches no wiring before it is proven dead, and gives no volts before ohms', function (
    string $name,
    string $plan,
): void {
    $work = Compiled::inARow([Works::demo($name, $plan)]);
    $dead = Works::behind($work, Works::step($work, Kind::ProveDead)->id);
    $ohms = Works::behind($work, Works::step($work, Kind::Ohms)->id);
    foreach ($work->steps as $id => $step) {
        if ($step->kind->isOnWiring()) {
            expect(isset($dead[$id]))->toBeTrue($id);
        }
        if (in_array($step->kind, [Kind::NegativeOn, Kind::MainFuse, Kind::Sun, Kind::Energise], true)) {
            expect(isset($ohms[$id]))->toBeTrue($id);
        }
    }
})->with(fn(): array => Works::plans());

it('compiles every change into work on the part it touches', function (string $name, string $plan): void {
    $compiled = Works::demo($name, $plan);
    $about = [];
    foreach ($compiled->steps as $step) {
        $about += array_flip([...$step->components, ...$step->cables]);
    }
    foreach ($compiled->sheets as $id => $_) {
        $about[$id] = true;
    }
    foreach ($compiled->site->difference->touched() as $id) {
        $part = $compiled->site->part($id);
        $facts = array_diff($compiled->site->difference->set[$id] ?? ['x'], \Hollin\Core\Build\Sheets::SOFT);
        // Facts that are only told, not screwed: how cold it gets, what a joint was measured at.
        if ($facts === []) {
            continue;
        }
        expect(isset($about[$id]))->toBeTrue("{$id}, {$part?->label}");
    }
})->with(fn(): array => Works::plans());

it('keeps the order of the trade in a whole retrofit', function (): void {
    $work = Compiled::inARow([Works::demo('tideline', 'line')]);
    $place = array_flip(array_keys($work->steps));
    $at = fn(Kind $kind, string $part = ''): int => $place[Works::step($work, $kind, $part)->id];
    expect([
        $at(Kind::DryFit, 'inverter') < $at(Kind::Mount, 'inverter'),
        $at(Kind::Baseline) < $at(Kind::Tag),
        $at(Kind::Tag) < $at(Kind::Isolate),
        $at(Kind::Isolate) < $at(Kind::ProveDead),
        $at(Kind::TakeOut, 'house') < $at(Kind::Mount, 'bank'),
        $at(Kind::Mount, 'bank') < $at(Kind::Mount, 'bypass'),
        $at(Kind::Crimp, 'ld_bank_fuse') < $at(Kind::Run, 'ld_bank_fuse'),
        $at(Kind::Run, 'ld_bank_fuse') < $at(Kind::Land, 'main_fuse'),
        $at(Kind::Land, 'main_fuse') < $at(Kind::Retighten),
        $at(Kind::Ohms) < $at(Kind::Close, 'main_panel'),
        $at(Kind::Close, 'main_panel') < $at(Kind::MainFuse),
        $at(Kind::NegativeOn, 'bank') < $at(Kind::MainFuse, 'bank'),
        $at(Kind::MainFuse, 'bank') < $at(Kind::Settings, 'inverter'),
        $at(Kind::Settings, 'inverter') < $at(Kind::Energise),
        $at(Kind::Energise) < $at(Kind::ProveStates),
    ])->each->toBeTrue();
    // The negative post is landed in its own step, the last lead of all.
    $land = Works::step($work, Kind::Land, 'bank');
    expect(implode(' ', asked($land)))->toContain('Torque, Bank, positive')->not->toContain('Bank, negative');
});

it('moves a circuit with its neutral, and says from where to where', function (): void {
    $work = Works::of(
        Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'removed'])),
    );
    $step = Works::step($work, Kind::Move, 'c_outlets');
    $said = implode(' | ', $step->does);
    expect($said)
        ->toContain('Hot off slot')
        ->toContain('Neutral from the neutral bar of Main panel to the neutral bar of')
        ->and($step->asks[0]->low)
        ->toBe(2.26)
        ->and($step->cautions)
        ->toContain(Caution::Colours);
});

it('puts cables on before a part hangs where its terminals are out of reach', function (): void {
    $document = Rigs::job(
        Sample::choose('in_line', []),
        [
            'kind' => 'set_place',
            'path' => '/zones/bay',
            'value' => [
                'label' => 'Pass-through bay',
                'xM' => 2,
                'widthM' => 1,
                'depthM' => 0.8,
                'heightM' => 0.5,
                'reachM' => 0.7,
                'water' => true,
            ],
        ],
        ['kind' => 'set_place', 'path' => '/items/inverter', 'value' => ['zone' => 'bay']],
        [
            'kind' => 'set_place',
            'path' => '/routes/inverter_out',
            'value' => [
                'segments' => [
                    's1' => ['lengthM' => 2, 'through' => 'wall'],
                    's2' => ['lengthM' => 1, 'through' => 'floor'],
                ],
            ],
        ],
    );
    $work = Works::of($document);
    $place = array_flip(array_keys($work->steps));
    $land = Works::step($work, Kind::Land, 'inverter');
    $mount = Works::step($work, Kind::Mount, 'inverter');
    expect($place[$land->id])
        ->toBeLessThan($place[$mount->id])
        ->and($land->title)
        ->toContain('before it is set')
        ->and($mount->where)
        ->toBe('Pass-through bay')
        ->and($mount->cautions)
        ->toContain(Caution::Water);
    // A run in a wall is proven under load, photographed, closed over; one through the floor has a hole and a seal.
    expect($place[Works::step($work, Kind::ProveRun, 'inverter_out')->id])
        ->toBeLessThan($place[Works::step($work, Kind::Photo, 'inverter_out')->id])
        ->and($place[Works::step($work, Kind::Photo, 'inverter_out')->id])
        ->toBeLessThan($place[Works::step($work, Kind::Lining, 'inverter_out')->id])
        ->and(Works::step($work, Kind::Hole, 'inverter_out')->title)
        ->toStartWith('Hole through')
        ->and(asked(Works::step($work, Kind::Hole, 'inverter_out')))
        ->toContain(
            'What lies behind and below it',
            'Pilot drilled and looked through',
            'A gas line was touched or moved',
        )
        ->and($place[Works::step($work, Kind::Run, 'inverter_out')->id])
        ->toBeLessThan($place[Works::step($work, Kind::Seal)->id]);
});

it('charges each battery alone and matches them before they are joined', function (): void {
    $work = Works::of(Rigs::job(Sample::choose('in_line', ['parallel' => 2, 'unitAh' => 100])));
    $charges = array_filter($work->steps, fn(Step $s): bool => $s->kind === Kind::ChargeAlone);
    $match = Works::step($work, Kind::Match);
    expect($charges)->toHaveCount(2);
    foreach ($charges as $id => $charge) {
        // 100 Ah, seven tenths to put in at 20 A, and an hour of rest: 4.5 h.
        expect($charge->unattendedMin)
            ->toBe(270.0)
            ->and(isset(Works::behind($work, (string) $id)[$match->id]))
            ->toBeTrue();
    }
    expect(isset(Works::behind($work, $match->id)[Works::step($work, Kind::NegativeOn)->id]))->toBeTrue();
});

it(
    'takes a battery for full by its rested volts, and the difference of several from what they show',
    function (): void {
        // Rested volts, common practice: lithium full 13.5 to 13.6, at 90 % 13.3 to 13.35, at half 13.1; sealed lead
        // full 12.85 to 13, at 75 % 12.6. What a charger gives is not rest.
        $sizes = ['parallel' => 2, 'unitAh' => 100];
        foreach (
            [
                ['lfp', 12.8, [13.5, 13.6], [13.35, 13.1, 12.8, 11.6, 14.7]],
                ['agm', 12, [12.85, 13.0], [12.5, 12.2, 15]],
                ['agm', 6, [6.43, 6.5], [6.2, 12.85]],
            ]
            as [$chemistry, $unitV, $full, $not]
        ) {
            $series = $unitV === 6 ? 2 : 1;
            $work = Works::of(Rigs::job(Sample::choose('in_line', $sizes + compact('chemistry', 'unitV', 'series'))));
            $ask = Works::step($work, Kind::ChargeAlone)->asks[0];
            foreach ($full as $volts) {
                expect($ask->isRight($volts))->toBeTrue("{$chemistry} {$volts}");
            }
            foreach ($not as $volts) {
                expect($ask->isRight($volts))->toBeFalse("{$chemistry} {$volts}");
            }
        }
        $apart = array_column(Works::step($work, Kind::Match)->asks, null, 'id')['apart'];
        $shown = fn(float ...$volts): ?float => $apart->reckoned(
            array_map(
                fn(float $v): array => ['value' => $v],
                array_combine(array_map(fn(int $n): string => 'unit_' . ($n + 1), array_keys($volts)), $volts),
            ),
        );
        expect($shown(6.42, 6.44, 6.41, 6.43))
            ->toBe(0.03)
            ->and($apart->isRight(0.03))
            ->toBeTrue()
            ->and($apart->isRight($shown(6.4, 6.41, 6.55, 6.4)))
            ->toBeFalse()
            ->and($shown(6.42))
            ->toBeNull();
    },
);

it('holds what a run drops against its copper', function (): void {
    $document = Rigs::job(Sample::choose('in_line'), [
        'kind' => 'set_place',
        'path' => '/routes/inverter_out',
        'value' => ['segments' => ['s1' => ['lengthM' => 3, 'through' => 'wall']]],
    ]);
    $step = Works::step(Works::of($document), Kind::ProveRun, 'inverter_out');
    $ask = array_column($step->asks, null, 'id')['ohm_inverter_out'];
    $cable = Rigs::planned($document)->graph->parts['inverter_out'];
    // NEC chapter 9 table 8 (from memory), stranded copper at 75 °C: 10 AWG 1.24 Ω, 6 AWG 0.491 Ω for 1000 ft.
    $mOhm =
        (['awg:10' => 1.24, 'awg:6' => 0.491][$cable->text('cable/size')] / 0.3048) * $cable->number('cable/lengthM');
    $value = fn(float $amps, float $volts): ?float => $ask->reckoned([
        'amps_inverter_out' => ['value' => $amps],
        'drop_inverter_out' => ['value' => $volts],
    ]);
    expect($value(20.0, (20 * $mOhm) / 1000))
        ->toEqualWithDelta($mOhm, 1e-5)
        ->and($ask->isRight($value(20.0, (20 * $mOhm) / 1000)))
        ->toBeTrue()
        // A joint that adds ten thousandths of an ohm, a meter on one end only, no amps at all.
        ->and($ask->isRight($value(20.0, (20 * ($mOhm + 10)) / 1000)))
        ->toBeFalse()
        ->and($ask->isRight($value(20.0, 0.0)))
        ->toBeFalse()
        ->and($value(0.0, 0.1))
        ->toBeNull();
});

it('names tools by what they must fit', function (): void {
    // Sleeves for gauges as their makers pair them; nuts by ISO 4032: from memory.
    $sleeves = array_map(fn(int $gauge): ?float => Tools::sleeve(ConductorSize::of("awg:{$gauge}")), [
        18,
        16,
        14,
        12,
        10,
        8,
        6,
    ]);
    expect($sleeves)
        ->toBe([1.0, 1.5, 2.5, 4.0, 6.0, 10.0, 16.0])
        ->and(Tools::forStuds([Stud::M8->label(), Stud::M8->label()]))
        ->toBe(['torque wrench', 'socket 13 mm or 1/2 in', 'paint pen']);
    $cable = fn(string $size, string $sheath): Part => new Part('c', 'lead', 'C', [
        'cable/size' => $size,
        'cable/sheath' => $sheath,
    ]);
    expect(Tools::forWires([$cable('awg:14', 'nm_b'), $cable('awg:10', 'cord')]))
        ->toBe(['torque driver', 'stripper for 14 AWG and 10 AWG', 'ferrule crimper, sleeves of 6 mm²'])
        // A fine 4/0 lead is 19 to 21 mm over its insulation (common practice), its grommet a little more.
        ->and(Tools::saw([$cable('awg:4/0', 'fine')]))
        ->toBeIn(['hole saw 25 mm or 1 in', 'hole saw 29 mm or 1 1/8 in'])
        ->and(Tools::saw([$cable('awg:10', 'nm_b'), $cable('awg:14', 'nm_b')]))
        ->toBe('hole saw 25 mm or 1 in')
        ->and(Tools::saw([]))
        ->toBe('hole saw');
});

it('cuts out for a part what its maker gives, and says so when nobody has entered it', function (): void {
    $set = fn(string $field, float $mm): array => [
        'kind' => 'plan_set',
        'plan' => 'p',
        'component' => 'inverter_panel',
        'path' => "/{$field}",
        'value' => $mm,
    ];
    $document = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]));
    $hole = fn(stdClass $d): Step => Works::step(Works::of($d), Kind::Hole, 'inverter_panel');
    expect($hole($document)->does[0])
        ->toContain('nobody has entered its size')
        ->and($hole($document)->tools)
        ->toContain('template of its maker');
    $round = Rigs::edit($document, $set('cutOutWidthMm', 57));
    expect($hole($round)->does[0])
        ->toBe('Cut-out 57 mm across, round')
        ->and($hole($round)->tools)
        ->toContain('hole saw 57 mm or 2 1/4 in');
    $square = Rigs::edit($round, $set('cutOutHeightMm', 210));
    expect($hole($square)->does[0])
        ->toBe('Cut-out 57 × 210 mm')
        ->and($hole($square)->tools)
        ->toContain('jigsaw, fine blade');
});

it('says nothing to do when a plan changes nothing', function (): void {
    expect(Works::of(Rigs::job())->steps)->toBe([]);
});

it('refuses steps that wait for each other in a circle', function (): void {
    $step = fn(string $id): Step => new Step($id, 's', Kind::Mount, $id);
    expect(fn() => new Work([$step('a'), $step('b')], [new Link('a', 'b', 'x'), new Link('b', 'a', 'y')]))->toThrow(
        LogicException::class,
        'circle',
    );
});

it('asks by whose leave a unit that was there is opened, and tries every mode of it again', function (): void {
    $work = Compiled::inARow([Works::demo('tideline', 'line')]);
    $asks = fn(Step $s): array => array_map(fn(Ask $a): string => $a->id, $s->asks);
    $converter = Works::step($work, Kind::Land, 'converter');
    expect($asks($converter))
        ->toContain('left_v', 'allowed')
        ->and($converter->cautions)
        ->toContain(Caution::Charged)
        ->and($asks(Works::step($work, Kind::ProveStates)))
        ->toContain('modes_converter')
        // A new one has never held a charge, and its terminals are made for it.
        ->and($asks(Works::step($work, Kind::Land, 'inverter')))
        ->not->toContain('left_v');
});
