<?php

declare(strict_types=1);

use Hollin\Core\Solve\NodalNetwork;
use Hollin\Core\Solve\Ports;
use Hollin\Core\Solve\Winding;

/** A source behind a choke, two nodes and a capacitor: everything reactive that a step could get wrong. */
function reactive(?array $more = null): NodalNetwork
{
    $network = new NodalNetwork();
    $network->source('s', 'a', 'earth', 120.0, 10.0, 0.3);
    $network->add('wire', 'ab', 'a', 'b', 2.0, -5.0);
    $network->add('wire', 'bc', 'b', 'c', 1.0, -0.5);
    $network->add('leak', 'c', 'c', 'earth', 0.01, 0.4);
    $network->add('leak', 'b', 'b', 'earth', 0.05, -0.02);
    foreach ($more === null ? [] : [$more] as [$from, $to, $re, $im]) {
        $network->add('load', 'more', $from, $to, $re, $im);
    }

    return $network;
}

it('takes an admittance in at a port as if it had been there from the start', function (): void {
    $pairs = [['b', 'c'], ['c', 'earth'], ['a', 'earth']];
    $ports = new Ports(reactive(), $pairs);
    $ports->absorb(0, 0.7, -0.9);
    $fresh = new Ports(reactive(['b', 'c', 0.7, -0.9]), $pairs);
    foreach ([0, 1, 2] as $i) {
        expect($ports->eRe[$i])
            ->toEqualWithDelta($fresh->eRe[$i], 1e-9)
            ->and($ports->eIm[$i])
            ->toEqualWithDelta($fresh->eIm[$i], 1e-9);
        foreach ([0, 1, 2] as $j) {
            expect($ports->zRe[$i][$j])
                ->toEqualWithDelta($fresh->zRe[$i][$j], 1e-9)
                ->and($ports->zIm[$i][$j])
                ->toEqualWithDelta($fresh->zIm[$i][$j], 1e-9);
        }
    }
    // At every node too, with something drawn.
    $drawn = [[1.0, 2.0, 0.5], [-0.5, 1.0, 0.25]];
    foreach ([0, 1] as $part) {
        foreach ($ports->nodeVolts(...$drawn)[$part] as $n => $volts) {
            expect($volts)->toEqualWithDelta($fresh->nodeVolts(...$drawn)[$part][$n], 1e-9);
        }
    }
    // And back again.
    $ports->absorb(0, -0.7, 0.9);
    $before = new Ports(reactive(), $pairs);
    expect($ports->zIm[1][2])
        ->toEqualWithDelta($before->zIm[1][2], 1e-9)
        ->and($ports->eRe[1])
        ->toEqualWithDelta($before->eRe[1], 1e-9);
});

it('weakens a source at its port as if it had always been weak', function (): void {
    $pairs = [['b', 'earth'], ['a', 'earth']];
    $ports = new Ports(reactive(), $pairs);
    $winding = new Winding('s', 's', 'a', 'earth', 120.0, 10.0, 0.3);
    $winding->becomes(1.7, $ports, 1);
    $weak = reactive();
    $weak->setSource('s', 120.0, 10.0, 1.7);
    $fresh = new Ports($weak, $pairs);
    foreach ([0, 1] as $i) {
        expect($ports->eRe[$i])
            ->toEqualWithDelta($fresh->eRe[$i], 1e-9)
            ->and($ports->eIm[$i])
            ->toEqualWithDelta($fresh->eIm[$i], 1e-9)
            ->and($ports->zRe[$i][0])
            ->toEqualWithDelta($fresh->zRe[$i][0], 1e-9)
            ->and($ports->zIm[$i][0])
            ->toEqualWithDelta($fresh->zIm[$i][0], 1e-9);
    }
    expect($winding->gives(100.0, 0.0))->toEqualWithDelta([20.0 / 1.7, 10.0 / 1.7], 1e-12);
});

it('reads between any two nodes what the nodes say', function (): void {
    $network = reactive();
    $ports = new Ports($network, [['b', 'c'], ['c', 'earth']]);
    $drawn = [[1.5, -0.5], [0.25, 2.0]];
    [$re, $im] = $ports->nodeVolts(...$drawn);
    foreach ([['a', 'b'], ['a', 'c'], ['b', 'c']] as [$from, $to]) {
        [$i, $j] = [$network->node($from), $network->node($to)];
        expect($ports->between($i, $j, ...$drawn))->toEqualWithDelta([$re[$i] - $re[$j], $im[$i] - $im[$j]], 1e-9);
    }
    // A choke between them makes real and imaginary parts of their own.
    expect(abs($im[$network->node('b')]))->toBeGreaterThan(0.1);
});

it('changes one admittance, reactive too, as if it had been there from the start', function (): void {
    $network = reactive();
    foreach ([['b', 'c', 0.7, -0.9], ['c', 'earth', 0.2, 0.6], ['a', 'b', 0.0, 1.1]] as [$from, $to, $re, $im]) {
        $changed = $network->changed($network->volts(), $from, $to, $re, $im);
        $fresh = reactive([$from, $to, $re, $im]);
        $volts = $fresh->volts();
        foreach ($network->names as $n => $name) {
            $m = $fresh->node($name);
            expect($changed[0][$n])
                ->toEqualWithDelta($volts[0][$m], 1e-9)
                ->and($changed[1][$n])
                ->toEqualWithDelta($volts[1][$m], 1e-9);
        }
    }
});
