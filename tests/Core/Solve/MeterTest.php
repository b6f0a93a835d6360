<?php

declare(strict_types=1);

use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Network\Fault;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\Meter;
use Hollin\Core\Solve\Reading;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Rigs;

/*
 * What a technician knows a meter does: each reading reasoned by hand on a rig in a known state.
 */

/**
 * @param array<string, true> $running
 * @param array<string, string> $controls
 * @param array<string, string> $surroundings
 */
function meterOn(
    Examination $rig,
    string $state,
    array $running = [],
    array $controls = [],
    array $surroundings = [],
): Meter {
    $setting = $rig->named[$state]->setting;

    return new Meter(
        $rig->engine->settle(new Setting($controls + $setting->controls, $surroundings + $setting->surroundings)),
        $running,
    );
}

function branchOf(Examination $rig, string $id): CircuitEnd
{
    return $rig->graph->circuits[$id];
}

describe('volts', function (): void {
    it('read about 120, 120 and a little at an outlet on shore', function (): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'shore_s30', ['c_fridge.element' => true]);
        expect($meter->acVolts('c_outlets.l', 'c_outlets.n')->value)
            ->toEqualWithDelta(119, 2)
            ->and($meter->acVolts('c_outlets.l', 'c_outlets.g')->value)
            ->toEqualWithDelta(119, 2)
            ->and($meter->acVolts('c_outlets.n', 'c_outlets.g')->value)
            ->toBeGreaterThan(0.1)
            ->toBeLessThan(4.0);
    });

    it('between neutral and ground are the neutral\'s amps times its ohms back to the bond', function (): void {
        $rig = Rigs::asFound(Rigs::job());
        $meter = meterOn($rig, 'shore_s30', ['c_water.element' => true], ['c_converter.breaker' => 'off']);
        $amps = (float) $meter->acAmps('inlet.neutral')->value;
        // Water heater alone: the neutral's path is its cable, feeder, cord and joints.
        $drop = (float) $meter->acVolts('c_water.n', 'c_water.g')->value;
        $ohm = 0.0;
        foreach (['c_water.neutral', 'feeder_main.neutral', 'inlet.neutral'] as $id) {
            $ohm += Hollin\Core\Solve\Impedance::ohm($rig->graph->elements[$id], $rig->graph);
        }
        expect($drop)
            ->toEqualWithDelta($amps * $ohm, 0.25)
            ->and($amps)
            ->toEqualWithDelta(11.6, 0.6);
    });

    it('collapse under a low-impedance reading where they were a ghost', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('own_receptacles', ['outputNeutral' => 'floating'])));
        $meter = meterOn($rig, 'inverting');
        // Two equal capacitances to the case: about half the voltage each, through almost nothing.
        $high = $meter->acVolts('inverter_outlets.l', 'inverter_outlets.g');
        expect($high->value)
            ->toEqualWithDelta(60, 3)
            ->and($high->words)
            ->toContain('ghost')
            ->and($meter->acVolts('inverter_outlets.l', 'inverter_outlets.g', Meter::LOW_OHM)->value)
            ->toBeLessThan(3.0);
    });

    it('stay near 60 on a driven half-voltage output, whatever the meter', function (): void {
        $meter = meterOn(
            Rigs::planned(Rigs::job(Sample::alone('own_receptacles', ['outputNeutral' => 'half']))),
            'inverting',
        );
        foreach ([Meter::HIGH_OHM, Meter::LOW_OHM] as $input) {
            expect($meter->acVolts('inverter_outlets.l', 'inverter_outlets.g', $input)->value)
                ->toEqualWithDelta(60, 1)
                ->and($meter->acVolts('inverter_outlets.n', 'inverter_outlets.g', $input)->value)
                ->toEqualWithDelta(60, 1);
        }
    });

    it('drift in a range between two systems', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('own_receptacles')));
        $reading = meterOn($rig, 'shore_and_inverter')->acVolts('inverter_outlets.l', 'c_outlets.l');
        expect($reading->kind)
            ->toBe('range')
            ->and($reading->value)
            ->toBeLessThan(5)
            ->and($reading->highest)
            ->toEqualWithDelta(239, 4)
            ->and($reading->words)
            ->toContain('not synchronised');
    });

    it('are nothing at a point that is joined to nothing', function (): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'nothing');
        expect($meter->acVolts('main_panel.bus', 'frame')->value)->toEqualWithDelta(0.0, 1e-6);
    });

    it('of the battery are its rest less what it carries', function (): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'nothing');
        // Flooded lead at half charge rests at 12.2 V; the 12 V panel draws 8 A.
        expect($meter->dcVolts('house.pos', 'house.neg')->value)
            ->toEqualWithDelta(12.2 - 8 * 0.005, 0.03)
            ->and($meter->dcVolts('house.neg', 'house.pos')->value)
            ->toBeLessThan(-12);
    });
});

describe('ohms', function (): void {
    it('are a hazard wherever anything is live', function (string $a, string $b): void {
        $reading = meterOn(Rigs::asFound(Rigs::job()), 'shore_s30')->ohms($a, $b);
        expect($reading->kind)
            ->toBe('hazard')
            ->and($reading->value)
            ->toBeNull()
            ->and($reading->words)
            ->toContain('live');
    })->with([['main_panel.bus', 'main_panel.neutral_bar'], ['c_air.l', 'frame'], ['house.pos', 'house.neg']]);

    it('find a bond in the vehicle, and its absence', function (bool $screw): void {
        $rig = Rigs::asFound(
            Rigs::job(Sample::survey('main_panel', '/bondScrew', ['value' => $screw, 'basis' => 'read_off'])),
        );
        $reading = meterOn($rig, 'nothing')->ohms('main_panel.neutral_bar', 'main_panel.ground_bar');
        $screw ? expect($reading->value)->toBeLessThan(0.01) : expect($reading->words)->toBe('open');
    })->with([true, false]);

    it('read a load\'s resistance where one is switched on', function (): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'nothing', ['c_water.element' => true]);
        // 120² ÷ 1440 W = 10 Ω.
        expect($meter->ohms('c_water.l', 'c_water.n')->value)->toEqualWithDelta(10.0, 0.01);
    });

    it('run along the grounds', function (): void {
        expect(meterOn(Rigs::asFound(Rigs::job()), 'nothing')->ohms('c_air.g', 'frame')->value)->toBeLessThan(0.2);
    });
});

describe('clamps', function (): void {
    it('show what flows, and a DC clamp its own offset until it is zeroed', function (): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'nothing');
        $true = (float) $meter->dcAmps('ld_house.wire')->value;
        expect($true)
            ->toEqualWithDelta(8.0, 0.2)
            ->and($meter->dcAmps('ld_house.wire', zeroed: false)->value)
            ->toEqualWithDelta($true + Meter::CLAMP_OFFSET_A, 1e-9);
    });

    it('add what passes them with its direction', function (): void {
        $rig = Rigs::asFound(Rigs::job());
        $meter = meterOn($rig, 'shore_s30', ['c_water.element' => true]);
        $one = (float) $meter->acAmps('c_water.hot')->value;
        // In mA: the same wire named twice counts once, two wires of one way add.
        expect($one)
            ->toBeGreaterThan(10.0)
            ->and($meter->residual(['c_water.hot', 'c_water.hot'])->value)
            ->toEqualWithDelta(1000 * $one, 1.0)
            ->and($meter->residual(['c_water.hot', 'feeder_main.hot'])->value)
            ->toBeGreaterThan(1900 * $one)
            ->and($meter->residual([])->value)
            ->toEqualWithDelta(0.0, 1e-9);
    });

    it('around hot and neutral together show only what strays', function (): void {
        $sound = meterOn(Rigs::asFound(Rigs::job()), 'shore_s30', ['c_water.element' => true]);
        expect($sound->residual(['c_water.hot', 'c_water.neutral'])->value)->toBeLessThan(1.0);
    });

    it('around the shore ground find a second bond', function (bool $screw): void {
        $rig = Rigs::asFound(
            Rigs::job(Sample::survey('main_panel', '/bondScrew', ['value' => $screw, 'basis' => 'read_off'])),
        );
        $amps = meterOn($rig, 'shore_s30', ['c_water.element' => true])->acAmps('inlet.ground')->value;
        // With a second bond about half of the load's current comes home by the ground.
        $screw ? expect($amps)->toBeGreaterThan(4.0) : expect($amps)->toBeLessThan(0.05);
    })->with([true, false]);
});

describe('testers', function (): void {
    it('read the lamps of a plug-in tester', function (string $condition, string $said): void {
        $rig = Rigs::asFound(Rigs::job());
        $meter = meterOn($rig, 'shore_s30', [], [], ['shore.condition' => $condition]);
        expect($meter->plugTester(branchOf($rig, 'c_outlets'))->words)->toContain($said);
    })->with([
        ['good', 'says correct'],
        ['reversed', 'hot and neutral reversed'],
        ['open_ground', 'open ground'],
        ['open_neutral', 'open neutral'],
        ['dead', 'dark'],
        // The dangerous one: every lamp is right.
        ['bootleg', 'says correct'],
    ]);

    it('trip a GFCI by its button without a ground, by a tester only with one', function (
        string $condition,
        string $button,
        string $tester,
    ): void {
        $rig = Rigs::asFound(Rigs::job());
        $meter = meterOn($rig, 'shore_s30', [], [], ['shore.condition' => $condition]);
        expect($meter->gfciButton(branchOf($rig, 'c_wet'))->words)
            ->toBe($button)
            ->and($meter->plugTester(branchOf($rig, 'c_wet'), press: true)->words)
            ->toStartWith($tester);
    })->with([
        ['good', 'trips', 'trips'],
        ['open_ground', 'trips', 'does not trip'],
        ['dead', 'does nothing: it has no supply', 'does not trip'],
    ]);

    it('tell hot and ground exchanged by a pattern of its own', function (): void {
        // At the outlet: hot on the ground pin, ground on the hot. Hot to neutral reads nothing, both others 120 V.
        $rig = Rigs::asFound(Rigs::job());
        $graph = $rig->graph->with(Fault::exchanged('c_outlets.hot', 'c_outlets.ground'));
        $engine = new Engine(new Contraction($graph));
        $meter = new Meter($engine->settle($rig->named['shore_s30']->setting), []);
        expect($meter->plugTester($graph->circuits['c_outlets'])->words)
            ->toContain('hot and ground exchanged')
            ->and($meter->acVolts('c_outlets.g', 'c_outlets.n')->value)
            ->toEqualWithDelta(119, 2);
    });

    it('trip the GFCI ahead from an outlet behind it', function (): void {
        $rig = Rigs::asFound(
            Rigs::job(
                Sample::add('c_ext', [
                    'type' => 'circuit',
                    'label' => 'Outside outlet',
                    'hot' => ['behind' => 'c_wet'],
                    'neutral' => ['behind' => 'c_wet'],
                    'cable' => ['size' => 'awg:14', 'lengthM' => 3],
                    'gfci' => 'none',
                    'place' => 'outside',
                ]),
            ),
        );
        expect(meterOn($rig, 'shore_s30')->plugTester(branchOf($rig, 'c_ext'), press: true)->words)->toStartWith(
            'trips the GFCI of',
        );
    });

    it('light a detector on a live skin and not on a sound one', function (string $condition, string $said): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'shore_s30', [], [], ['shore.condition' => $condition]);
        expect($meter->detector('frame')->words)->toBe($said);
    })->with([['good', 'stays dark'], ['bootleg', 'lights'], ['hot_ground', 'lights'], ['reversed', 'stays dark']]);

    it('carry the current of a person who touches the frame', function (): void {
        $meter = meterOn(Rigs::asFound(Rigs::job()), 'shore_s30', [], [], ['shore.condition' => 'hot_ground']);
        expect($meter->touchA('frame'))->toEqualWithDelta(0.119, 0.003);
    });
});

it('shows nothing where sources are joined', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            ['kind' => 'survey_remove', 'component' => 'c_water'],
            Sample::alone('back_fed', ['interlocked' => false]),
        ),
    );
    $meter = meterOn($rig, 'shore_and_inverter', [], ['main_panel.backfeed_breaker' => 'on']);
    expect($meter->acVolts('main_panel.bus', 'frame')->kind)
        ->toBe('hazard')
        ->and($meter->acAmps('inverter_out.hot')->kind)
        ->toBe('hazard')
        ->and($meter->ohms('main_panel.bus', 'frame')->kind)
        ->toBe('hazard');
});

it('writes a reading down with as many digits as it can vouch for', function (): void {
    expect(Reading::range(2.0, 1.123456, 'V', 'in step and against')->toArray())
        ->toBe([
            'kind' => 'range',
            'value' => 1.12346,
            'highest' => 2.0,
            'unit' => 'V',
            'words' => 'in step and against',
        ])
        ->and(Reading::number(1.0, 'V')->toArray())
        ->toBe(['kind' => 'number', 'value' => 1.0, 'highest' => null, 'unit' => 'V', 'words' => ''])
        ->and(Reading::hazard('live')->toArray())
        ->toBe(['kind' => 'hazard', 'value' => null, 'highest' => null, 'unit' => '', 'words' => 'live']);
});
