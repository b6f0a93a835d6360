<?php

declare(strict_types=1);

use Hollin\Core\Answers\DaysAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Energy\Heavy;
use Hollin\Core\Energy\House;
use Hollin\Core\Energy\Proposal;
use Hollin\Core\Energy\Questions;
use Hollin\Core\Energy\Reply;
use Hollin\Core\Energy\Schools;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** A load on 120 V in the evening. */
function evening(string $label, float $watts, array $more = []): Needed
{
    $load = $more + [
        'label' => $label,
        'supply' => 'ac',
        'watts' => $watts,
        'spans' => ['a' => ['fromH' => 18, 'hours' => 1]],
    ];

    return Needed::from(strtolower($label), new Values(Rigs::object($load)));
}

function assistingRig(array $more = []): Examination
{
    return Rigs::planned(
        Rigs::job(
            Sample::choose(
                'in_line',
                $more + ['assist' => true, 'inputLimitA' => 12, 'chargerA' => 60, 'surgeW' => 9000],
            ),
        ),
    );
}

describe('a weak supply (EN-08)', function (): void {
    it('brings its limit, the battery the rest, for so long', function (): void {
        // Air conditioner 13 A and microwave 12.5 A, limit 12 A, 200 Ah at 80 % usable, 0.88: 13.5 A = 1620 W of
        // assist, 143.8 A at 12.8 V, 1.11 h.
        $rig = assistingRig();
        $cells = $rig->graph->batteries;
        $bank = reset($cells);
        $unit = array_values(
            array_filter($rig->graph->converters, fn(PowerConverter $c): bool => $c->kind === PowerConverter::ASSIST),
        )[0];
        expect($unit->efficiency)->toBe(0.88);
        $two = [evening('Air', 13 * 120), evening('Microwave', 12.5 * 120)];
        // Of this bank 90 % are used day after day: of 177.8 Ah that is 80 % of 200.
        $store = new Battery(...['capacityAh' => 160 / 0.9, 'ratedV' => 12.8] + get_object_vars($bank));
        $reply = (new Heavy($rig, $two, $store))->weakSupply();
        expect($reply?->words)->toContain('12 A from the cord')->toContain('13.5 A')->toContain('1 h 07');
        expect(implode(' ', $reply->lines))->toContain('1620 W ÷ (12.8 V × 0.88) = 144 A');
    });

    it('charges with what is left where the loads leave something', function (): void {
        $reply = (new Heavy(assistingRig(), [evening('Heater', 1000)], null))->weakSupply();
        expect($reply?->good)->toBeTrue()->and($reply->words)->toContain('3.7 A are left');
    });

    it('says no where nothing assists, or not enough', function (): void {
        $two = [evening('Air', 1560), evening('Plate', 1800)];
        $none = (new Heavy(Rigs::planned(Rigs::job(Sample::choose('in_line'))), $two, null))->weakSupply();
        expect($none?->good)->toBeFalse()->and($none->words)->toContain('nothing here assists');
        $rig = assistingRig(['continuousW' => 1200]);
        $banks = $rig->graph->batteries;
        $weak = (new Heavy($rig, $two, reset($banks)))->weakSupply();
        expect($weak?->good)->toBeFalse()->and($weak->words)->toContain('the unit adds 1200 W');
    });
});

describe('the heaviest two from the battery', function (): void {
    $asked = fn(array $loads, array $unit): ?Reply => (new Questions(
        Rigs::planned(Rigs::job(Sample::choose('in_line', $unit))),
        $loads,
        Trip::from(new stdClass()),
    ))->all()[0];

    it('run when they are carried and started', function () use ($asked): void {
        expect($asked([evening('Kettle', 1400)], ['continuousW' => 2000])->good)->toBeTrue();
    });

    it('do not where the unit gives less', function () use ($asked): void {
        $reply = $asked([evening('Kettle', 1400), evening('Plate', 1800)], ['continuousW' => 2000]);
        expect($reply->good)->toBeFalse()->and($reply->words)->toContain('26.7 A of 16.7 A');
    });

    it('need a soft starter where the start is too much', function () use ($asked): void {
        $air = evening('Air', 1300, ['startA' => 60, 'softStartA' => 24]);
        $reply = $asked([$air], ['continuousW' => 2000, 'surgeW' => 4000]);
        expect($reply->good)->toBeFalse()->and($reply->words)->toContain('With a soft starter 24 A: yes');
        expect(
            $asked([evening('Air', 1300, ['startA' => 60])], ['continuousW' => 2000, 'surgeW' => 4000])->words,
        )->toContain('the inverter gives 33 A');
    });
});

describe('sizes that follow', function (): void {
    // Worked example 17 of the reference values: 60 W at 40 % all day 576 + 30 W × 5 h 150 + 60 W × 0.25 h 15 + 30 W ×
    // 8 h 240 = 981 Wh = 76.6 Ah at 12.8 V.
    $day = function (): array {
        $dc = fn(string $l, float $w, float $h, array $more = []): Needed => evening(
            $l,
            $w,
            $more + ['supply' => 'dc', 'spans' => ['a' => ['fromH' => 2, 'hours' => $h]]],
        );

        return [$dc('Fridge', 60, 24, ['duty' => 40]), $dc('Lights', 30, 5), $dc('Pump', 60, 0.25), $dc('Fan', 30, 8)];
    };

    it('sum the day as by hand', function () use ($day): void {
        $make = new Proposal($day(), Trip::from(Rigs::object(['inverter' => 'used'])), 'days', 1);
        expect($make->dayWh())->toEqualWithDelta(981, 0.5);
        expect($make->dayWh() / 12.8)->toEqualWithDelta(76.6, 0.1);
        expect($make->inverterW())->toBe(0.0);
        expect($make->bankAh())->toEqualWithDelta(76.6 / 0.9, 0.2);
    });

    it('answer from whichever there is', function () use ($day): void {
        $trip = Trip::from(Rigs::object(['inverter' => 'used']));
        $byBank = new Proposal($day(), $trip, 'bank', 255.3);
        expect($byBank->days)->toEqualWithDelta(3.0, 0.01);
        $byDays = new Proposal($day(), $trip, 'days', 3);
        expect($byDays->bankAh())->toEqualWithDelta(255.3, 0.5);
        expect($byDays->sunShare($byDays->sunW()))->toEqualWithDelta(1.0, 1e-9);
        expect($byDays->sunShare($byDays->sunW() / 2))->toEqualWithDelta(0.5, 1e-9);
    });

    it('take the inverter that carries what runs at once, and starts it', function (): void {
        $loads = [
            evening('Kettle', 1400),
            evening('Oven', 800),
            evening('Lamp', 50, ['spans' => ['a' => ['fromH' => 3, 'hours' => 1]]]),
        ];
        $make = new Proposal($loads, Trip::from(new stdClass()), 'days', 1);
        expect($make->togetherW())->toBe(2200.0)->and($make->inverterW())->toBe(3000.0);
        $air = new Proposal([evening('Air', 1300, ['startA' => 60])], Trip::from(new stdClass()), 'days', 1);
        expect($air->surgeW())->toBe(7200.0)->and($air->inverterW())->toBe(4000.0);
        $soft = new Proposal(
            [evening('Air', 1300, ['startA' => 60, 'softStartA' => 24])],
            Trip::from(new stdClass()),
            'days',
            1,
        );
        expect($soft->inverterW())->toBe(4000.0)->and($soft->inverterW(true))->toBe(2000.0);
    });

    it('count a lead bank by half', function () use ($day): void {
        $make = new Proposal(
            $day(),
            Trip::from(Rigs::object(['inverter' => 'used'])),
            'days',
            1,
            Chemistry::Flooded,
            12.0,
        );
        expect($make->bankAh())->toEqualWithDelta(981 / 12 / 0.5, 0.2);
    });
});

describe('ways that differ', function (): void {
    it('have idling by hand (EN-06)', function (float $watts, float $ah): void {
        expect(Schools::idleAh($watts, 24, 12.8))->toEqualWithDelta($ah, 0.02 * $ah);
    })->with([[25, 46.9], [40, 75.0], [8 / 0.88, 17.0]]);

    it('have a kWh over the life of a battery by hand', function (): void {
        // 400 ÷ (0.9 × 3000) and 180 ÷ (0.5 × 500).
        expect(Schools::perUsableKwh(400, 0.9, 3000))->toEqualWithDelta(0.148, 0.001);
        expect(Schools::perUsableKwh(180, 0.5, 500))->toEqualWithDelta(0.72, 0.001);
    });

    it('are told where the rig and its day have them', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
        $trip = Trip::from(Rigs::object(['lowC' => -10, 'highC' => 2]));
        $air = evening('Air', 1300, ['startA' => 60]);
        $asks = fn(array $loads, Trip $t): array => array_column(
            (new Schools($rig, $loads, $t, new Proposal($loads, $t, 'days', 2), new EnergyPrices(Stock::all())))->all(),
            'ask',
        );
        expect($asks([$air], $trip))->toHaveCount(4);
        expect($asks([], Trip::from(Rigs::object(['inverter' => 'used']))))->toHaveCount(1);
    });
});

it('says how deep a battery goes that is used below what its kind stands', function (): void {
    // Common practice: lead to half, lithium to a tenth.
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $of = fn(Chemistry $kind): Battery => new Battery(
        ...['chemistry' => $kind] + get_object_vars(array_values($rig->graph->batteries)[0]),
    );
    expect(House::tooDeep($of(Chemistry::Flooded), 0.33))
        ->toBe('down to 33 %, below the 50 % that flooded lead stands day after day')
        ->and(House::tooDeep($of(Chemistry::Agm), 0.5))
        ->toBeNull()
        ->and(House::tooDeep($of(Chemistry::Lfp), 0.2))
        ->toBeNull()
        ->and(House::tooDeep($of(Chemistry::Lfp), 0.04))
        ->toContain('below the 10 %');
});

it('does not say of lead that it lasts when it ends below half', function (): void {
    $document = Rigs::demo('grafting');
    $run = (new DaysAnswer((new JobAnswers($document))->seen('as_found'), $document->needs))->toArray()['run'];
    expect($run['endsBy'])
        ->toBeNull()
        ->and($run['batteries'][0]['lowest'])
        ->toBeLessThan(0.4)
        ->and($run['tooDeep'])
        ->toBeTrue()
        ->and($run['words'])
        ->toContain('but Tongue battery goes down to')
        ->toContain('below the 50 %');
});
