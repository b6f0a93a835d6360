<?php

declare(strict_types=1);

use Hollin\Core\Rules\AcRun;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Sizing\BoxVolume;
use Hollin\Core\Sizing\TypicalWeight;
use Tests\Rigs;

/** @return array<string, array<string, mixed>> by component */
function runsOf(stdClass $document, bool $planned = true): array
{
    return array_column(AcRun::of($planned ? Rigs::planned($document) : Rigs::asFound($document)), null, 'component');
}

describe('120 V cables', function (): void {
    it('stand behind the breaker ahead of them', function (): void {
        $runs = runsOf(Rigs::job(), planned: false);
        expect($runs['c_air'])
            ->toMatchArray(['arrivingA' => 20.0, 'limitA' => 20.0, 'holds' => true, 'kind' => 'branch'])
            ->and($runs['c_fridge'])
            ->toMatchArray(['arrivingA' => 15.0, 'limitA' => 15.0, 'holds' => true])
            ->and($runs['feeder_main'])
            ->toMatchArray(['arrivingA' => 30.0, 'limitA' => 30.0, 'holds' => true, 'kind' => 'feeder'])
            ->and($runs['inlet'])
            ->toMatchArray(['arrivingA' => 30.0, 'limitA' => 30.0, 'kind' => 'cord']);
    });

    it('too thin for their breaker come first, with what would do', function (): void {
        $runs = AcRun::of(
            Rigs::asFound(Rigs::job(Sample::survey('c_outlets', '/breakerA', ['value' => 20, 'basis' => 'read_off']))),
        );
        expect($runs[0]['component'])
            ->toBe('c_outlets')
            ->and($runs[0]['holds'])
            ->toBeFalse()
            ->and($runs[0]['suits'])
            ->toBe('awg:12');
    });

    it('behind an inverter/charger that assists must stand its limit and its own output together', function (
        bool $assist,
        float $arriving,
        bool $holds,
    ): void {
        $runs = runsOf(
            Rigs::job(Sample::choose('in_line', ['continuousW' => 3000, 'inputLimitA' => 15, 'assist' => $assist])),
        );
        expect($runs['inverter_out']['arrivingA'])
            ->toEqualWithDelta($arriving, 0.1)
            ->and($runs['inverter_out']['holds'])
            ->toBe($holds)
            // What comes in is not more for it.
            ->and($runs['feeder_main']['arrivingA'])
            ->toEqualWithDelta(30.0, 0.1);
    })->with([[false, 30.0, true], [true, 15 + 3000 / 120, false]]);

    it('drop what ohm says at the largest scenario', function (): void {
        $scenario = [
            'kind' => 'set_need',
            'path' => '/scenarios/x',
            'value' => ['title' => 'Hot water', 'running' => ['c_water.element' => true]],
        ];
        $run = runsOf(Rigs::job($scenario, Sample::survey('c_water', '/cable/lengthM', 10)), planned: false)['c_water'];
        // 1440 W is 12 A; 14 AWG at 75 °C: 3.14 Ω per 1000 ft, out and back over 10 m (32.8 ft).
        expect($run['carriedA'])
            ->toBe(12.0)
            ->and($run['dropV'])
            ->toEqualWithDelta((((2 * 12 * 3.14) / 1000) * 10) / 0.3048, 0.002)
            ->and($run['scenario'])
            ->toBe('Hot water');
    });

    it('long ones want more copper than their breaker does', function (): void {
        $scenario = [
            'kind' => 'set_need',
            'path' => '/scenarios/x',
            'value' => ['title' => 'Hot water', 'running' => ['c_water.element' => true]],
        ];
        $run = runsOf(Rigs::job($scenario, Sample::survey('c_water', '/cable/lengthM', 25)), planned: false)['c_water'];
        expect($run['holds'])
            ->toBeTrue()
            ->and($run['dropV'])
            ->toBeGreaterThan($run['dropLimitV'])
            ->and($run['suits'])
            ->toBe('awg:10');
    });
});

describe('assist', function (): void {
    $heavy = [
        'kind' => 'set_need',
        'path' => '/scenarios/x',
        'value' => ['title' => 'Heavy', 'running' => ['c_air.unit' => true, 'c_water.element' => true]],
    ];

    it('takes from the battery what the limit does not let in', function (bool $assist) use ($heavy): void {
        $rig = Rigs::planned(
            Rigs::job(
                $heavy,
                Sample::choose('in_line', [
                    'continuousW' => 3000,
                    'inputLimitA' => 15,
                    'assist' => $assist,
                    'converter' => 'removed',
                ]),
            ),
        );
        $amps = $rig->currents()->amps['shore_and_inverter']['x'];
        // 12.5 A and 12 A want 24.5 A; the limit lets 15 A in.
        expect($amps['inverter.pass_l'])
            ->toEqualWithDelta($assist ? 15.0 : 24.5, 0.01)
            ->and($amps['inlet.hot'])
            ->toEqualWithDelta($assist ? 15.0 : 24.5, 0.01)
            ->and($amps['inverter_out.hot'])
            ->toEqualWithDelta(24.5, 0.01)
            ->and($amps['inverter.dc'] ?? 0.0)
            ->toEqualWithDelta($assist ? (9.5 * 120) / (12 * 0.88) : 0.0, 0.1);
    })->with([true, false]);

    it('does not take place while the unit is set to charge only', function () use ($heavy): void {
        $rig = Rigs::planned(
            Rigs::job(
                $heavy,
                Sample::choose('in_line', [
                    'continuousW' => 3000,
                    'inputLimitA' => 15,
                    'assist' => true,
                    'converter' => 'removed',
                ]),
            ),
        );
        $flow = Hollin\Core\Solve\LoadFlow::of($rig->settled['shore_s30'], [
            'c_air.unit' => true,
            'c_water.element' => true,
        ]);
        expect($rig->settled['shore_s30']->positions['inverter.mode'])
            ->toBe('charge')
            ->and($flow->acA['inverter.pass_l'])
            ->toBeGreaterThan(23.0)
            ->and($flow->loads)
            ->not->toHaveKey('inverter.assist');
    });

    it('does the same in the load flow', function () use ($heavy): void {
        $rig = Rigs::planned(
            Rigs::job(
                $heavy,
                Sample::choose('in_line', [
                    'continuousW' => 3000,
                    'inputLimitA' => 15,
                    'assist' => true,
                    'converter' => 'removed',
                ]),
            ),
        );
        $flow = Hollin\Core\Solve\LoadFlow::of($rig->settled['shore_and_inverter'], [
            'c_air.unit' => true,
            'c_water.element' => true,
        ]);
        expect($flow->acA['inverter.pass_l'])
            ->toEqualWithDelta(15.0, 0.01)
            ->and($flow->acA['inverter_out.hot'])
            ->toBeGreaterThan(23)
            ->and($flow->loads['inverter.assist']['watts'])
            ->toBeLessThan(-900)
            ->and($flow->sources['bank.cells']['amps'])
            ->toBeGreaterThan(80)
            ->and($flow->sources['inverter.charger']['amps'])
            ->toEqualWithDelta(0.0, 1e-6);
    });
});

/*
 * NFPA 70 314.16(B), allowances of table 314.16(B) (from memory): 14 AWG 2.00 in³, 12 AWG 2.25 in³,
 * 10 AWG 2.50 in³; all grounds one, a quarter more each above four; clamps one, of the largest.
 */
it('adds up a box as the code does', function (
    array $insulated,
    array $grounds,
    bool $clamps,
    float $cubicInches,
): void {
    expect(BoxVolume::needed($insulated, $grounds, $clamps)->cm3 / 16.387064)->toEqualWithDelta($cubicInches, 1e-6);
})->with([
    'two 14/2 with ground' => [array_fill(0, 4, 'awg:14'), array_fill(0, 2, 'awg:14'), false, 5 * 2.0],
    'two 12/2 with ground and clamps' => [array_fill(0, 4, 'awg:12'), array_fill(0, 2, 'awg:12'), true, 6 * 2.25],
    '14/2 and 10/2' => [['awg:14', 'awg:14', 'awg:10', 'awg:10'], ['awg:14', 'awg:10'], false, 2 * 2.0 + 2 * 2.5 + 2.5],
    'six grounds' => [array_fill(0, 12, 'awg:14'), array_fill(0, 6, 'awg:14'), false, 12 * 2.0 + 1.5 * 2.0],
    'metric counts as the next gauge' => [['mm2:2.5'], [], false, 2.25],
    'nothing' => [[], [], false, 0.0],
]);

it('counts the cables that end in a box', function (): void {
    $document = Rigs::job(
        Sample::add('box', [
            'type' => 'splice_box',
            'label' => 'Box',
            'volumeCm3' => 150,
            'moreCables' => 1,
            'moreSize' => 'awg:14',
        ]),
        Sample::survey('feeder_main', '/to', ['at' => 'box', 'port' => 'in']),
        Sample::add('box_out', [
            'type' => 'feeder',
            'label' => 'Out',
            'from' => ['at' => 'box', 'port' => 'out'],
            'to' => ['at' => 'main_panel', 'port' => 'line'],
            'cable' => ['size' => 'awg:10', 'lengthM' => 1],
        ]),
    );
    $rig = Rigs::asFound($document);
    $box = $rig->graph->parts['box'];
    // 10/2 in and out, one 14/2 more: 4 × 2.50 + 2 × 2.00 + one ground of 2.50.
    expect(BoxVolume::of($rig->graph, $box)->cm3)->toEqualWithDelta((4 * 2.5 + 2 * 2.0 + 2.5) * 16.387064, 1e-6);
});

it('weighs what a retrofit adds in the usual way', function (): void {
    $found = Rigs::asFound(Rigs::job())->graph;
    $plan = Rigs::planned(
        Rigs::job(
            Sample::choose('in_line', [
                'converter' => 'removed',
                'continuousW' => 3000,
                'unitAh' => 200,
                'parallel' => 2,
            ]),
        ),
    )->graph;
    $bank = $plan->parts['bank'];
    $old = $found->parts['house'];
    // A 12.8 V 200 Ah lithium battery is about 24 kg, a 100 Ah flooded one about 29 kg.
    expect(TypicalWeight::of($bank))
        ->toEqualWithDelta(2 * 24.3, 1.0)
        ->and(TypicalWeight::of($old))
        ->toEqualWithDelta(29, 1.5)
        ->and(TypicalWeight::ofRig($plan))
        ->toBeGreaterThan(TypicalWeight::ofRig($found) + 40);
    // 4/0 AWG is 107.2 mm²: 107.2 mm² × 1 m × 8.96 g/cm³ = 0.961 kg of copper, a fifth more with its insulation.
    $lead = fn(float $lengthM, int $parallel): float => TypicalWeight::of(
        Rigs::planned(
            Rigs::job(
                Sample::choose('in_line'),
                Sample::set('ld_bar_inv', '/cable', [
                    'size' => 'awg:4/0',
                    'lengthM' => $lengthM,
                    'parallel' => $parallel,
                ]),
            ),
        )->graph->parts['ld_bar_inv'],
    );
    expect($lead(1.0, 1))
        ->toEqualWithDelta(0.961 * 1.2, 0.005)
        ->and($lead(3.0, 2))
        ->toEqualWithDelta(6 * 0.961 * 1.2, 0.03);
});

it('drops out and back what ohm says, and says so with the same number', function (): void {
    // 12.5 A over 12 AWG: 1.98 Ω per 1000 ft at 75 °C (NFPA 70 chapter 9 table 8, from memory), both ways.
    $all = [
        'kind' => 'set_need',
        'path' => '/scenarios/x',
        'value' => ['title' => 'X', 'running' => ['c_air.unit' => true]],
    ];
    $run = runsOf(Rigs::job(Sample::survey('c_air', '/cable/lengthM', 10), $all, Sample::choose('in_line')))['c_air'];
    expect($run['size'])
        ->toBe('awg:12')
        ->and($run['carriedA'])
        ->toBe(12.5)
        ->and($run['dropV'])
        ->toEqualWithDelta(((2 * 12.5 * 1.98) / 304.8) * 10, 0.01)
        ->and($run['arithmetic'])
        ->toEndWith(sprintf('= %.2f V', $run['dropV']));
});
