<?php

declare(strict_types=1);

use Hollin\Core\Answers\AlternativesAnswer;
use Hollin\Core\Answers\DaysAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Energy\Heavy;
use Hollin\Core\Energy\House;
use Hollin\Core\Energy\InStates;
use Hollin\Core\Energy\Proposal;
use Hollin\Core\Job\Tree;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Parts\Offer;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Reference\Chemistry;
use Tests\Rigs;

function generic(): EnergyPrices
{
    return new EnergyPrices(Stock::all());
}

function wants(string $id, array $more): Needed
{
    return Needed::from(
        $id,
        new Values(
            Rigs::object(
                $more + [
                    'label' => ucfirst($id),
                    'supply' => 'dc',
                    'watts' => 40,
                    'spans' => ['a' => ['fromH' => 18, 'hours' => 2]],
                ],
            ),
        ),
    );
}

describe('prices of energy', function (): void {
    it('are the cheapest of a kind, by what it holds or gives', function (): void {
        $prices = generic();
        // 900 for 280 Ah of 12.8 V, 150 for 200 W (0.75) against 260 for 400 W (0.65).
        expect($prices->wattHour(Chemistry::Lfp))
            ->toEqualWithDelta(900 / (280 * 12.8), 1e-9)
            ->and($prices->panelWatt())
            ->toEqualWithDelta(0.65, 1e-9)
            ->and($prices->inverter(0))
            ->toBe(0.0)
            ->and($prices->inverter(900))
            ->toEqual(230)
            ->and($prices->charger(50))
            ->toEqual(230)
            // None is as large: two of the largest.
            ->and($prices->charger(120))
            ->toEqual(660);
    });

    it('are not there where nobody offers one', function (): void {
        $none = new EnergyPrices(['x' => Offer::of('x', (object) ['kind' => 'lug', 'name' => 'x', 'price' => 1])]);
        expect($none->wattHour(Chemistry::Lfp))
            ->toBeNull()
            ->and($none->inverter(100))
            ->toBeNull()
            ->and($none->panelWatt())
            ->toBeNull();
    });
});

describe('a budget', function (): void {
    it('buys as many days as it pays for, and no more', function (float $budget): void {
        $loads = [wants('lamp', []), wants('kettle', ['supply' => 'ac', 'watts' => 700])];
        $trip = Trip::from(Rigs::object(['month' => 6]));
        $make = Proposal::within($loads, $trip, $budget, generic());
        expect($make->cost(generic()))->toBeLessThanOrEqual($budget + 0.01);
        $more = new Proposal($loads, $trip, 'days', $make->days + 0.02);
        expect($more->cost(generic()))->toBeGreaterThan($budget);
    })->with([1200.0, 2000.0, 5000.0]);

    it('gives the days that the same sum was asked for', function (): void {
        $loads = [wants('lamp', ['watts' => 60])];
        $trip = Trip::from(Rigs::object(['month' => 6]));
        $sum = (new Proposal($loads, $trip, 'days', 2.5))->cost(generic());
        expect(Proposal::within($loads, $trip, (float) $sum, generic())->days)->toEqualWithDelta(2.5, 0.01);
    });

    it('that buys nothing says so by no days at all', function (): void {
        $loads = [wants('kettle', ['supply' => 'ac', 'watts' => 1500])];
        expect(Proposal::within($loads, Trip::from(new stdClass()), 50, generic())->days)->toBeLessThan(0.01);
    });
});

describe('ways beside one another', function (): void {
    it('begin with what is there, and differ in what was changed', function (): void {
        $ways = AlternativesAnswer::of(Rigs::demo('causeway'), 'dcdc/whole', generic());
        [$here, $more, $sun] = $ways;
        expect($here['cost'])
            ->toEqual(0)
            ->and($here['kg'])
            ->toEqual(0)
            ->and($more['ah'])
            ->toEqual(2 * $here['ah'])
            ->and($more['days'])
            ->toBeGreaterThan($here['days'])
            // 200 Ah more of AGM at 190 for 100 Ah of 12 V, 26 kg for a kWh.
            ->and($more['cost'])
            ->toEqualWithDelta(380, 1)
            ->and($more['kg'])
            ->toEqualWithDelta(200 * 12 * 0.026, 0.1)
            // 350 W more of panels at 0.65, 60 g for a watt.
            ->and($sun['cost'])
            ->toEqualWithDelta(228, 1)
            ->and($sun['kg'])
            ->toEqualWithDelta(21, 0.1)
            ->and($sun['curtailedWh'])
            ->toBeGreaterThan($here['curtailedWh']);
    });

    it('are the same as the plan that makes them', function (): void {
        $document = Tree::copy(Rigs::demo('causeway'));
        [$tried] = AlternativesAnswer::of($document, 'as_found', generic(), [['ah' => 400.0]]);
        $document->asFound->components->house->unitAh = (object) ['value' => 200, 'basis' => 'told'];
        $rig = (new JobAnswers($document))->seen('as_found');
        $run = (new DaysAnswer($rig, $document->needs))->toArray()['run'];
        $house = array_values(array_filter($run['batteries'], fn(array $b): bool => !$b['ofEngine']))[0];
        expect($tried['lowest'])
            ->toEqualWithDelta($house['lowest'], 1e-3)
            ->and($tried['lasts'])
            ->toBe($run['endsBy'] === null);
    });

    it('change the kind of a battery with its volts, and forget what was measured of the old one', function (): void {
        $document = Rigs::demo('causeway');
        [$lithium] = AlternativesAnswer::of($document, 'as_found', generic(), [['chemistry' => 'lfp']]);
        expect($lithium['cost'])
            ->toEqualWithDelta((900 / (280 * 12.8)) * 200 * 12.8, 1.5)
            ->and($lithium['kg'])
            ->toBeLessThan(-30);
        expect(House::battery((new JobAnswers($document))->seen('as_found'))->chemistry)->toBe(Chemistry::Agm);
    });

    it('refuse a view that is not there', function (): void {
        AlternativesAnswer::of(Rigs::demo('causeway'), 'moon/whole', generic());
    })->throws(Refused::class);
});

describe('what runs in which state', function (): void {
    it('names the energy that is missing to what does not', function (): void {
        $rig = (new JobAnswers(Rigs::demo('causeway')))->seen('dcdc/whole');
        $loads = [
            wants('laptop', ['supply' => 'ac', 'at' => 'c_inverter']),
            wants('heater', ['supply' => 'ac', 'at' => 'c_outlets']),
            wants('fridge', []),
        ];
        $states = array_column(InStates::of($rig, $loads), 'missing', 'state');
        // The inverter's circuit runs while it inverts; the one on shore only on shore.
        expect(array_column($states['inverting'], 'energy', 'load'))
            ->toBe(['heater' => '120 V'])
            ->and(array_column($states['nothing'], 'energy', 'load'))
            ->toBe(['laptop' => '120 V', 'heater' => '120 V']);
        foreach ($states as $id => $missing) {
            $cells = $rig->settled[$id]->situation->liveness();
            foreach (['laptop' => 'c_inverter', 'heater' => 'c_outlets'] as $load => $circuit) {
                expect(in_array($load, array_column($missing, 'load'), true))->toBe(!$cells[$circuit]->runs(), $id);
            }
        }
    });

    it('says of a gas appliance that its 12 V is what it misses', function (): void {
        // In storage the disconnect of this van is open.
        $rig = (new JobAnswers(Rigs::demo('tideline')))->seen('line/whole');
        $loads = [wants('furnace', ['at' => 'co_detector', 'fuel' => 'propane'])];
        $states = array_column(InStates::of($rig, $loads), 'missing', 'state');
        expect($states['storage'][0]['energy'])->toBe('12 V to burn propane')->and($states['inverting'])->toBe([]);
    });
});

it('asks about the loads that somebody chose to run at once', function (): void {
    $rig = (new JobAnswers(Rigs::demo('tideline')))->seen('line/whole');
    $loads = [
        wants('kettle', ['supply' => 'ac', 'watts' => 1200]),
        wants('microwave', ['supply' => 'ac', 'watts' => 1400]),
        wants('toaster', ['supply' => 'ac', 'watts' => 800]),
    ];
    $ask = fn(array $chosen): string => (string) (new Heavy($rig, $loads, House::battery($rig), $chosen))->together()
        ?->ask;
    expect($ask([]))
        ->toBe('Microwave with the kettle on the battery?')
        ->and($ask(['toaster', 'kettle']))
        ->toBe('Kettle with the toaster on the battery?')
        ->and($ask(['kettle', 'microwave', 'toaster']))
        ->toContain('with the microwave with the toaster')
        ->and($ask(['nobody']))
        ->toBe('Microwave with the kettle on the battery?');
});

it('says what of the day nothing feeds', function (): void {
    $document = Rigs::demo('grafting');
    $run = (new DaysAnswer((new JobAnswers($document))->seen('as_found'), $document->needs))->toArray()['run'];
    expect($run['words'])->toContain('Nothing feeds: ')->toContain('Microwave oven');
});
