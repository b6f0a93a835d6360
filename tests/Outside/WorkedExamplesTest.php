<?php

declare(strict_types=1);

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Rigs;
use Tests\Small;

/*
 * Examples worked by hand or by a circuit simulator, as technicians reckon them; source beside each.
 * Networks are put together here, from the elements the components use: nothing of a component is in them.
 */

/**
 * Shares of a current drawn between two terminals, in A, by both ways: resistances alone, and the whole
 * solve, whose current is scaled to the one asked for.
 *
 * @return array<string, array{float, float}>
 */
function shared(Graph $graph, string $pos, string $neg, float $amps): array
{
    $shares = (new DirectShares($graph, $pos, $neg))->shares();
    $flow = Small::solved($graph);
    expect($flow->trouble)->toBeNull();
    $total = array_sum(array_map(fn(string $b): float => $flow->sources[$b]['amps'], array_keys($graph->batteries)));
    $both = [];
    foreach (array_keys($graph->batteries) as $id) {
        $both[$id] = [$shares[$id] * $amps, ($flow->sources[$id]['amps'] / $total) * $amps];
    }

    return $both;
}

describe('direct current', function (): void {
    it('divides over unequal leads', function (float $cableC, float $one, float $other): void {
        // Two equal batteries of 3 mΩ, 2/0 loops of 4 ft and 12 ft, 0.4 mΩ of joints each, 200 A. Common practice; by
        // hand.
        $graph = new Graph();
        foreach (['b1' => 4, 'b2' => 12] as $id => $feet) {
            Small::battery($graph, $id, 0.003);
            Small::ohms(
                $graph,
                "{$id}_lead",
                "{$id}.pos",
                'bar.pos',
                (new Cable(ConductorSize::of('awg:2/0'), $feet * 0.3048, 'thhn', 1))->ohm($cableC) + 0.0004,
            );
            Small::ohms($graph, "{$id}_return", "{$id}.neg", 'bar.neg', 1e-7, Role::DcNegative);
        }
        Small::draw($graph, 'bar.pos', 'bar.neg', 200);
        foreach (shared($graph, 'bar.pos', 'bar.neg', 200) as $id => $ways) {
            foreach ($ways as $amps) {
                expect($amps)->toEqualWithDelta($id === 'b1.cells' ? $one : $other, 0.5);
            }
        }
    })->with([[20, 107.9, 92.1], [75, 109.3, 90.7]]);

    it('divides over four batteries by where the leads are taken off', function (string $neg, array $amps): void {
        // 4 × 13.2 V, 3 mΩ, links of 0.2 mΩ in both poles, 200 A. ngspice operating point and a nodal script.
        $graph = new Graph();
        foreach (range(1, 4) as $i) {
            Small::battery($graph, "b{$i}", 0.003);
            if ($i > 1) {
                $before = $i - 1;
                Small::ohms($graph, "pos{$i}", "b{$before}.pos", "b{$i}.pos", 0.0002);
                Small::ohms($graph, "neg{$i}", "b{$before}.neg", "b{$i}.neg", 0.0002, Role::DcNegative);
            }
        }
        Small::draw($graph, 'b1.pos', $neg, 200);
        foreach (array_values(shared($graph, 'b1.pos', $neg, 200)) as $i => $ways) {
            foreach ($ways as $found) {
                expect($found)->toEqualWithDelta($amps[$i], 0.2);
            }
        }
    })->with([
        'both from the first' => ['b1.neg', [69.5, 52.1, 41.6, 36.7]],
        'across the corner' => ['b4.neg', [53.1, 46.9, 46.9, 53.1]],
    ]);

    it('returns by the frame and an AC ground when the main negative is open', function (
        bool $open,
        bool $ground,
        array $expected,
    ): void {
        // 100 A; bar to frame 8 AWG 4 ft, battery to frame 10 AWG 3 ft, 1.0 mΩ of joints in each; main negative 4/0 6
        // ft. By hand.
        $wire = fn(string $size, float $feet): float => (new Cable(
            ConductorSize::of("awg:{$size}"),
            $feet * 0.3048,
            'thhn',
            1,
        ))->ohm(75);
        $graph = new Graph();
        Small::battery($graph, 'b', 0.001);
        Small::ohms($graph, 'lead', 'b.pos', 'bar.pos', 1e-4);
        Small::ohms($graph, 'to_bar', 'bar.neg', 'frame', $wire('8', 4) + 0.001, Role::PE);
        Small::ohms($graph, 'to_battery', 'b.neg', 'frame', $wire('10', 3) + 0.001, Role::PE);
        if (!$open) {
            Small::ohms($graph, 'main', 'b.neg', 'bar.neg', $wire('4/0', 6) + 0.0002, Role::DcNegative);
        }
        if ($ground) {
            Small::ohms($graph, 'ground', 'bar.neg', 'frame', $wire('12', 15) + 0.001, Role::PE);
        }
        Small::draw($graph, 'bar.pos', 'bar.neg', 100);
        $flow = Small::solved($graph);
        $scale = 100 / $flow->sources['b.cells']['amps'];
        foreach ($expected as $id => $amps) {
            expect(abs($flow->dcA[$id]) * $scale)->toEqualWithDelta($amps, 0.35, $id);
        }
        if ($open) {
            expect($flow->dcBetween('bar.neg', 'b.neg') * $scale)->toEqualWithDelta($ground ? 0.83 : 0.88, 0.01);
        }
    })->with([
        'main sound: six amps past the shunt' => [false, false, ['to_battery' => 6.0, 'to_bar' => 6.0]],
        'main open: all of it by the frame' => [true, false, ['to_battery' => 100.0, 'to_bar' => 100.0]],
        'main open: some of it in an AC ground' => [true, true, ['to_bar' => 88.2, 'ground' => 11.8]],
    ]);
});

describe('alternating current', function (): void {
    it('runs a load behind a long way though its source is small', function (): void {
        // 1000 W (14.4 Ω) over 0.48 Ω on 120 V: 120 × 14.4 ÷ 14.88 = 116.1 V as a resistance; as constant power V² −
        // 120 V + 480 = 0, 115.8 V.
        foreach (['resistive' => (120 * 14.4) / 14.88, 'constant' => 60 + sqrt(3600 - 480)] as $kind => $volts) {
            $graph = new Graph();
            $graph->source(
                new Source('s', 's', 'supply', 'S', 'ac', true, 's.l', 's.n', 's.g', 120, 10, impedanceOhm: 1e-6),
            );
            $graph->supplies['s'] = new Hollin\Core\Network\Supply('s', 'generator', 's', ['outlet' => 10.0], true);
            Small::ohms($graph, 'out', 's.l', 'x.l', 0.24, Role::L1);
            Small::ohms($graph, 'home', 's.n', 'x.n', 0.24, Role::N);
            $graph->load(new Load('x', '', 'x', 'x.l', 'x.n', 1000, 1, 120, false, false, $kind));
            $settled = (new Engine(new Contraction($graph)))->settle(new Setting([], []));
            $flow = LoadFlow::of($settled, ['x' => true]);
            expect($flow->loads['x']['volts'])->toEqualWithDelta($volts, 0.05);
        }
    });

    it('assists within the limit of the input, and takes the rest from the battery', function (): void {
        // Limit 6 A, 1500 W at 0.85: 6 × 120 × 0.85 = 612 W from the supply, the rest ÷ 0.88, and 25 W, at 13.1 V from
        // the
        // battery; 15 A lose 27 W in 0.12 Ω of branch wire. By hand.
        $options = ['converter' => 'removed', 'inputLimitA' => 6, 'assist' => true, 'continuousW' => 3000];
        $document = Rigs::job(
            Sample::survey('c_outlets', '/loads', [
                'heat' => ['label' => 'Drill press', 'watts' => 1500, 'kind' => 'constant', 'powerFactor' => 0.85],
            ]),
            Sample::choose('in_line', $options),
        );
        $rig = Rigs::planned($document);
        $running = array_fill_keys(
            array_filter(array_keys($rig->graph->loads), fn(string $id): bool => $id === 'c_outlets.heat'),
            true,
        );
        expect($running)->not->toBe([]);
        $flow = LoadFlow::of($rig->settled['shore_and_inverter'], $running);
        $battery = array_sum(
            array_map(fn(string $b): float => $flow->sources[$b]['amps'], array_keys($rig->graph->batteries)),
        );
        expect($flow->isSolved())
            ->toBeTrue()
            ->and($flow->acA['inlet.hot'])
            ->toBeLessThanOrEqual(6.01)
            ->toBeGreaterThan(5.5)
            ->and($battery)
            ->toEqualWithDelta(((1500 + 27 - 6 * 120 * 0.85) / 0.88 + 25 + 103) / 13.1, 1.5);
    });

    it('does not assist below the limit', function (): void {
        $options = ['converter' => 'removed', 'inputLimitA' => 6, 'assist' => true, 'continuousW' => 3000];
        $rig = Rigs::planned(
            Rigs::job(
                Sample::survey('c_outlets', '/loads', [
                    'heat' => ['label' => 'Kettle', 'watts' => 500, 'kind' => 'constant'],
                ]),
                Sample::choose('in_line', $options),
            ),
        );
        $flow = LoadFlow::of($rig->settled['shore_and_inverter'], ['c_outlets.heat' => true]);
        expect(abs($flow->loads['inverter.assist']['watts'] ?? 0.0))
            ->toBeLessThan(0.01)
            ->and($flow->sources['shore.supply']['watts'])
            ->toBeGreaterThan(500.0)
            ->and($flow->acA['inlet.hot'])
            ->toBeLessThan(6.01);
    });

    it('stands at half the volts on a ground that is open, by the capacity of its cable alone', function (): void {
        // Equal capacity from hot and from neutral: half. Common practice, no source.
        $rig = Rigs::asFound(Rigs::job());
        $graph = $rig->graph->with(Hollin\Core\Network\Fault::open('c_outlets.ground'));
        $flow = LoadFlow::of((new Engine(new Contraction($graph)))->settle($rig->named['shore_s30']->setting), []);
        expect($flow->acBetween('c_outlets.g', 'frame'))->toEqualWithDelta(60.0, 3.0);
    });

    it('reads a floating output by the meter\'s own resistance', function (float $meterOhm, float $volts): void {
        // 120 V 60 Hz, 5 nF from each pole to the frame: |120 jωC R ÷ (1 + 2 jωC R)|. By hand, complex.
        $omega = 2 * M_PI * 60 * 5e-9;
        $byHand = (120 * $omega) / hypot(1 / $meterOhm, 2 * $omega);
        expect($byHand)->toEqualWithDelta($volts, 0.05 * $volts);
        $network = new Hollin\Core\Solve\NodalNetwork();
        $network->source('s', 'l', 'n', 120.0, 0.0, 0.01);
        foreach (['l', 'n'] as $pole) {
            $network->add('leak', "c_{$pole}", $pole, 'frame', 0.0, $omega);
        }
        $network->add('leak', 'tie', 'frame', 'earth', 1.0);
        $network->add('load', 'meter', 'n', 'frame', 1 / $meterOhm);
        [$re, $im] = $network->volts();
        $n = $network->node['n'];
        $frame = $network->node['frame'];
        expect(hypot($re[$n] - $re[$frame], $im[$n] - $im[$frame]))->toEqualWithDelta($byHand, 0.01);
    })->with([[1e7, 60.0], [1e6, 58.0], [1e5, 21.2], [1e4, 2.3], [3e3, 0.68]]);
});
