<?php

declare(strict_types=1);

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Fault;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\DirectPotentials;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Small;

/*
 * What lets direct current through one way. Sums by Ohm's law; the same networks stand against ngspice,
 * whose diode finds its own side, in Outside/SpiceTest.
 */

it('carries what flows its way, less what it keeps', function (): void {
    // 13.2 V behind 10 mΩ, a diode of 0.7 V and 1 mΩ, a load of constant power: 10 A at 12.8 V are 128 W: V² − 12.5 V +
    // 0.011 × 128 = 0.
    $graph = new Graph();
    Small::battery($graph, 'b', 0.01);
    $graph->oneWay('diode', 'diode', 'b.pos', 'x.pos', Role::DcPositive, 0.7, 0.001);
    Small::draw($graph, 'x.pos', 'b.neg', 10);
    $flow = Small::solved($graph);
    $watts = 128.0;
    $volts = (13.2 - 0.7 + sqrt((13.2 - 0.7) ** 2 - 4 * 0.011 * $watts)) / 2;
    expect($flow->loads['draw']['volts'])
        ->toEqualWithDelta($volts, 1e-6)
        ->and($flow->dcA['diode'])
        ->toEqualWithDelta($watts / $volts, 1e-6)
        ->and($flow->sources['b.cells']['amps'])
        ->toEqualWithDelta($flow->dcA['diode'], 1e-6);
    // What the battery gives goes to the load, its wires and the diode.
    expect($flow->sources['b.cells']['watts'])->toEqualWithDelta($flow->loads['draw']['watts'] + $flow->lostW, 1e-6);
});

it('lets nothing back', function (): void {
    $graph = new Graph();
    Small::battery($graph, 'b', 0.01);
    $graph->oneWay('diode', 'diode', 'x.pos', 'b.pos', Role::DcPositive, 0.0, 0.001);
    Small::draw($graph, 'x.pos', 'b.neg', 10);
    $flow = Small::solved($graph);
    expect(abs($flow->dcA['diode']))
        ->toBeLessThan(1e-4)
        ->and($flow->loads['draw']['collapsed'])
        ->toBeTrue()
        ->and($flow->sources['b.cells']['amps'])
        ->toEqualWithDelta(0.0, 1e-4);
});

it('parts two batteries that one charger fills, whichever stands higher', function (Chemistry $second): void {
    $graph = Small::separated($second);
    $charged = Small::solved($graph);
    // Both take; neither diode carries back.
    foreach (['to_a', 'to_b'] as $diode) {
        expect($charged->dcA[$diode])->toBeGreaterThanOrEqual(-1e-4);
    }
    expect($charged->sources['a.cells']['amps'])
        ->toBeLessThan(0.0)
        ->and($charged->dcA['to_a'] + $charged->dcA['to_b'])
        ->toEqualWithDelta($charged->sources['c.charger']['amps'], 1e-4);

    // With the charger cut off nothing passes from one battery to the other, though their volts differ.
    $cut = Small::solved($graph->with(Fault::open('out')));
    expect(abs($cut->sources['a.cells']['amps']))
        ->toBeLessThan(1e-4)
        ->and(abs($cut->sources['b.cells']['amps']))
        ->toBeLessThan(1e-4);
})->with([Chemistry::Lfp, Chemistry::Agm, Chemistry::Flooded]);

it('carries nothing while its device is open', function (): void {
    $graph = new Graph();
    Small::battery($graph, 'b', 0.01);
    $graph->device(new Device('gate', 'b', 'Gate', 'switch', ['on' => 'on', 'off' => 'off'], 'on'));
    $graph->oneWay('gate_way', 'b', 'b.pos', 'x.pos', Role::DcPositive, 0.0, 0.001, null, 'gate', ['on']);
    Small::draw($graph, 'x.pos', 'b.neg', 10);
    foreach (['on' => (13.2 - sqrt(13.2 ** 2 - 4 * 0.011 * 128)) / 0.022, 'off' => 0.0] as $position => $amps) {
        $settled = (new Engine(new Contraction($graph)))->settle(new Setting(['gate' => $position], []));
        expect(LoadFlow::of($settled, [])->dcA['gate_way'] ?? 0.0)->toEqualWithDelta($amps, 1e-6);
    }
});

it('counts as joined where a hazard is asked for, and not as a wire', function (): void {
    $graph = new Graph();
    Small::battery($graph, 'b', 0.01);
    $graph->oneWay('diode', 'diode', 'x.pos', 'b.pos', Role::DcPositive);
    $situation = (new Engine(new Contraction($graph)))->settle(new Setting([], []))->situation;
    expect($situation->joined('x.pos', 'b.pos'))
        ->toBeTrue()
        ->and(DirectPotentials::of($situation)->between('x.pos', 'b.neg'))
        ->toEqualWithDelta(13.2, 1e-9);
});
