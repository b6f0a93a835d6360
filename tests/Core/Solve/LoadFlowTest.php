<?php

declare(strict_types=1);

use Hollin\Core\Network\Graph;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\Perturbed;
use Tests\Rigs;
use Tests\Seeds;
use Tests\Small;

/** @param array<string, bool> $running */
function flowOf(stdClass $document, string $state, array $running = [], string $plan = 'p'): LoadFlowResult
{
    $rig = Rigs::planned($document, $plan);

    return LoadFlow::of($rig->settled[$state], array_fill_keys(array_keys(array_filter($running)), true));
}

describe('worked by hand', function (): void {
    it('drops what ohm says along one circuit', function (): void {
        // Fridge of 325 W on 15 m of 14 AWG: 3.14 Ω per 1000 ft at 75 °C, at 30 °C × (1 − 0.00323 × 45).
        $document = Rigs::job(Sample::survey('c_fridge', '/cable/lengthM', 15));
        $rig = Rigs::asFound($document);
        $flow = LoadFlow::of($rig->settled['shore_s30'], ['c_fridge.element' => true]);
        $wire = (3.14 / 304.8) * (1 - 0.00323 * 45) * 15;
        $amps = $flow->loads['c_fridge.element']['amps'];
        expect($flow->acBetween('c_fridge.head', 'c_fridge.l'))
            ->toEqualWithDelta($amps * $wire, 1e-6)
            ->and($amps)
            ->toBeGreaterThan(2.5)
            ->toBeLessThan(325 / 120)
            ->and($flow->acA['c_fridge.pole'])
            ->toEqualWithDelta($flow->acA['c_fridge.neutral'], 1e-3);
    });

    it('takes from the battery what the inverter gives over its efficiency', function (): void {
        $flow = flowOf(Rigs::job(Sample::choose('in_line', ['converter' => 'removed'])), 'inverting', [
            'c_fridge.element' => true,
        ]);
        $given = $flow->sources['inverter.inverter']['watts'];
        expect($flow->loads['inverter.dc']['watts'])
            ->toEqualWithDelta($given / 0.88 + 25, 0.01)
            ->and($flow->sources['bank.cells']['amps'])
            ->toBeGreaterThan($given / 0.88 / 13.5);
    });

    it('leaves the charger what the input limit leaves', function (): void {
        $options = ['converter' => 'removed', 'inputLimitA' => 15, 'chargerA' => 100];
        $flow = flowOf(Rigs::job(Sample::choose('in_line', $options)), 'shore_s30', ['c_fridge.element' => true]);
        $charger = $flow->sources['inverter.charger'];
        // Both volts as they really are: (15 A − what passes through) × V in × 0.88 ÷ V out; the fridge of 325 W draws
        // 2.7 A.
        $in = $flow->acBetween('inverter.ac_in.l', 'inverter.ac_in.n');
        expect($charger['amps'])
            ->toEqualWithDelta(((15 - $flow->acA['inverter.pass_l']) * $in * 0.88) / $charger['volts'], 1e-3)
            ->and($charger['amps'])
            ->toBeGreaterThan(90.0)
            ->toBeLessThan(100.0)
            ->and($flow->acA['inlet.hot'])
            ->toEqualWithDelta(15.0, 1e-3);
    });

    it('lets a charger never sink current', function (): void {
        $flow = flowOf(Rigs::job(Sample::choose('in_line', ['converter' => 'removed'])), 'shore_s30');
        foreach ($flow->chargers as $id => $_) {
            expect($flow->sources[$id]['amps'])->toBeGreaterThanOrEqual(0.0);
        }
    });

    it('stands at half the volts on a driven half-voltage output, bonded or not', function (): void {
        $flow = flowOf(
            Rigs::job(Sample::choose('own_receptacles', ['converter' => 'left', 'outputNeutral' => 'half'])),
            'inverting',
        );
        expect($flow->acBetween('inverter.ac_out.l', 'frame'))
            ->toEqualWithDelta(60.0, 0.1)
            ->and($flow->acBetween('inverter.ac_out.n', 'frame'))
            ->toEqualWithDelta(60.0, 0.1)
            ->and($flow->acBetween('inverter.ac_out.l', 'inverter.ac_out.n'))
            ->toEqualWithDelta(120.0, 0.2);
    });

    it('puts the whole voltage on the frame of a reversed, bootlegged pedestal', function (): void {
        $rig = Rigs::asFound(Rigs::job());
        foreach (
            ['bootleg' => 120.0, 'hot_ground' => 120.0, 'good' => 0.0, 'reversed' => 0.0]
            as $condition => $volts
        ) {
            $setting = $rig->named['shore_s30']->setting;
            $faulty = new Hollin\Core\States\Setting(
                $setting->controls,
                ['shore.condition' => $condition] + $setting->surroundings,
            );
            $flow = LoadFlow::of($rig->engine->settle($faulty), []);
            expect($flow->acBetween('frame', 'earth'))->toEqualWithDelta($volts, 2.0);
        }
    });
});

describe('what gives up', function (): void {
    it('makes an inverter past its surge a current source, and its loads collapse', function (): void {
        $options = ['converter' => 'removed', 'continuousW' => 1000, 'surgeW' => 2000];
        $flow = flowOf(Rigs::job(Sample::choose('in_line', $options)), 'inverting', [
            'c_air.unit' => true,
            'c_water.element' => true,
            'c_fridge.element' => true,
        ]);
        expect($flow->sources['inverter.inverter']['overloaded'])
            ->toBeTrue()
            ->and($flow->sources['inverter.inverter']['amps'])
            ->toBeLessThanOrEqual((2000 / 120) * 1.001)
            ->and($flow->sources['inverter.inverter']['volts'])
            ->toBeLessThan(100)
            ->and($flow->loads['c_air.unit']['volts'])
            ->toBeLessThan(100);
    });

    it('solves nothing where two sources are joined', function (): void {
        $edit = [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'feeder_main',
            'path' => '/to',
            'value' => ['at' => 'main_panel', 'port' => 'line'],
        ];
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line'), $edit));
        $setting = $rig->named['shore_and_inverter']->setting;
        $flow = LoadFlow::of($rig->engine->settle($setting), []);
        expect($flow->trouble)->toContain('no common phase')->and($flow->acV)->toBe([]);
    });
});

describe('every generated rig', function (): void {
    it('adds up at every terminal and in every watt', function (int $seed): void {
        $rig = Rigs::planned(Rigs::varied($seed));
        $running = array_fill_keys(array_keys($rig->graph->loads), true);
        $solved = 0;
        foreach ($rig->settled as $state => $settled) {
            $flow = LoadFlow::of($settled, $running);
            if ($flow->trouble !== null) {
                continue;
            }
            $solved++;
            expect($flow->residual)->toBeLessThan(1e-6, $state);
            if ($flow->otherAcV !== null) {
                // Two systems without a common phase: the worse of two answers has no balance of its own.
                continue;
            }
            $ac = array_sum(
                array_column(
                    array_filter(
                        $flow->sources,
                        fn(string $id): bool => $rig->graph->sources[$id]->kind === 'ac',
                        ARRAY_FILTER_USE_KEY,
                    ),
                    'watts',
                ),
            );
            $dc = array_sum(
                array_column(
                    array_filter(
                        $flow->sources,
                        fn(string $id): bool => ($rig->graph->sources[$id]->kind ?? 'dc') === 'dc',
                        ARRAY_FILTER_USE_KEY,
                    ),
                    'watts',
                ),
            );
            $taken = array_sum(array_column($flow->loads, 'watts'));
            // A charger is both: it takes on one side what it gives, over its efficiency, on the other.
            expect(abs($ac + $dc - $taken - $flow->lostW))->toBeLessThan(
                0.02 * max(20.0, $ac + abs($dc)),
                "{$state}: {$ac} + {$dc} against {$taken} + {$flow->lostW}",
            );
        }
        expect($solved)->toBeGreaterThan(0);
    })
        ->with(Seeds::of(30))
        ->group('drawn');
});

it('takes what is rated in amps at the volts of its charger where there is no battery', function (): void {
    // 10 A of a 24 V system are 240 W, whatever the charger holds; of a battery it is the battery's.
    $graph = new Graph();
    Small::charger($graph, 'c', 'c.pos', 'c.neg', 27.0, 40, 24.0);
    Small::ohms($graph, 'out', 'c.pos', 'x.pos', 0.001);
    Small::draw($graph, 'x.pos', 'c.neg', 10);
    expect(Small::solved($graph)->loads['draw']['watts'])->toEqualWithDelta(240.0, 1e-6);
});

it('tells one changed admittance from a fresh solve only by rounding', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $running = array_fill_keys(array_keys($rig->graph->loads), true);
    // No charger: it would take what the limit of its input leaves, and answer the change.
    $settled = $rig->settled['inverting'];
    $flow = LoadFlow::of($settled, $running);
    [$re, $im] = Perturbed::volts($flow, 'c_outlets.l', 'c_outlets.n', 1 / 40);
    $fresh = LoadFlow::of($settled, $running, [['c_outlets.l', 'c_outlets.n', 40.0]]);
    foreach ($flow->ac->names as $n => $name) {
        expect(hypot($re[$n] - $fresh->acV[$name][0], $im[$n] - $fresh->acV[$name][1]))->toBeLessThan(1e-4, $name);
    }
    // 40 Ω at the outlets lower them by something to see.
    expect(
        $flow->acBetween('c_outlets.l', 'c_outlets.n') - $fresh->acBetween('c_outlets.l', 'c_outlets.n'),
    )->toBeGreaterThan(0.2);
});

it('takes from the battery what a unit gives, its losses and its own idle', function (
    string $state,
    array $options,
): void {
    $heat = Sample::survey('c_outlets', '/loads', [
        'heat' => ['label' => 'Heater', 'watts' => 1500, 'kind' => 'resistive'],
    ]);
    $rig = Rigs::planned(
        Rigs::job(
            $heat,
            Sample::choose(
                'in_line',
                $options + ['converter' => 'removed', 'continuousW' => 3000, 'efficiency' => 0.9],
            ),
        ),
    );
    $flow = LoadFlow::of($rig->settled[$state], ['c_outlets.heat' => true]);
    $unit = array_values(
        array_filter(
            $rig->graph->converters,
            fn($c): bool => $c->kind === ($state === 'inverting' ? 'inverter' : 'assist'),
        ),
    )[0];
    ['inW' => $in, 'outW' => $out] = $flow->converters[$unit->id];
    expect($out)
        ->toBeGreaterThan(500.0)
        ->and($unit->idleW)
        ->toBeGreaterThan(10.0)
        ->and($in)
        ->toEqualWithDelta($out / 0.9 + $unit->idleW, 0.01);
})->with([['inverting', []], ['shore_and_inverter', ['inputLimitA' => 6, 'assist' => true]]]);
