<?php

declare(strict_types=1);

use Hollin\Core\Solve\NodalNetwork;
use Tests\Seeds;

/*
 * The factor against plain Gaussian elimination with pivoting, which shares no line with it, and
 * against circuits small enough to work by hand.
 */

/**
 * Node voltages of the same mesh by dense complex elimination.
 *
 * @return list<array{float, float}>
 */
function dense(NodalNetwork $network): array
{
    $n = count($network->names);
    $m = array_fill(0, $n, array_fill(0, $n + 1, [0.0, 0.0]));
    $add = function (int $i, int $j, float $re, float $im) use (&$m): void {
        if ($i >= 0 && $j >= 0) {
            $m[$i][$j] = [$m[$i][$j][0] + $re, $m[$i][$j][1] + $im];
        }
    };
    foreach ($network->branches as $b) {
        $add($b->a, $b->a, $b->re, $b->im);
        $add($b->b, $b->b, $b->re, $b->im);
        $add($b->a, $b->b, -$b->re, -$b->im);
        $add($b->b, $b->a, -$b->re, -$b->im);
    }
    foreach ($network->injections as [, $a, $b, $re, $im]) {
        foreach ([[$a, 1], [$b, -1]] as [$k, $sign]) {
            if ($k >= 0) {
                $m[$k][$n] = [$m[$k][$n][0] + $sign * $re, $m[$k][$n][1] + $sign * $im];
            }
        }
    }
    $times = fn(array $x, array $y): array => [$x[0] * $y[0] - $x[1] * $y[1], $x[0] * $y[1] + $x[1] * $y[0]];
    $over = function (array $x, array $y): array {
        $d = $y[0] ** 2 + $y[1] ** 2;

        return [($x[0] * $y[0] + $x[1] * $y[1]) / $d, ($x[1] * $y[0] - $x[0] * $y[1]) / $d];
    };
    for ($k = 0; $k < $n; $k++) {
        $pivot = $k;
        for ($i = $k; $i < $n; $i++) {
            if (hypot(...$m[$i][$k]) > hypot(...$m[$pivot][$k])) {
                $pivot = $i;
            }
        }
        [$m[$k], $m[$pivot]] = [$m[$pivot], $m[$k]];
        for ($i = $k + 1; $i < $n; $i++) {
            $f = $over($m[$i][$k], $m[$k][$k]);
            for ($j = $k; $j <= $n; $j++) {
                $t = $times($f, $m[$k][$j]);
                $m[$i][$j] = [$m[$i][$j][0] - $t[0], $m[$i][$j][1] - $t[1]];
            }
        }
    }
    $v = array_fill(0, $n, [0.0, 0.0]);
    for ($k = $n - 1; $k >= 0; $k--) {
        $s = $m[$k][$n];
        for ($j = $k + 1; $j < $n; $j++) {
            $t = $times($m[$k][$j], $v[$j]);
            $s = [$s[0] - $t[0], $s[1] - $t[1]];
        }
        $v[$k] = $over($s, $m[$k][$k]);
    }

    return $v;
}

function randomMesh(int $seed, float $orders): NodalNetwork
{
    mt_srand($seed);
    $network = new NodalNetwork();
    $n = mt_rand(4, 40);
    $y = fn(): float => 10 ** (((mt_rand(-1000, 1000) / 1000) * $orders) / 2);
    for ($k = 0; $k < $n; $k++) {
        // A tree first, so that every node reaches earth; then a few meshes.
        $network->add(
            'wire',
            "t{$k}",
            "n{$k}",
            $k === 0 ? 'earth' : 'n' . mt_rand(0, $k - 1),
            $y(),
            mt_rand(0, 3) === 0 ? $y() * mt_rand(-1, 1) : 0.0,
        );
    }
    for ($k = 0; $k < $n / 2; $k++) {
        $network->add('wire', "m{$k}", 'n' . mt_rand(0, $n - 1), 'n' . mt_rand(0, $n - 1), $y());
    }
    for ($k = 0; $k < 3; $k++) {
        $network->inject(
            "i{$k}",
            'n' . mt_rand(0, $n - 1),
            mt_rand(0, 1) ? 'earth' : 'n' . mt_rand(0, $n - 1),
            mt_rand(-100, 100) / 10,
            mt_rand(-100, 100) / 10,
        );
    }

    return $network;
}

it('divides a voltage as worked by hand', function (): void {
    $network = new NodalNetwork();
    $network->source('v', 'a', 'earth', 12.0, 0.0, 1.0);
    $network->add('wire', 'r', 'a', 'b', 1 / 2.0);
    $network->add('load', 'l', 'b', 'earth', 1 / 3.0);
    [$re] = $network->volts();
    // 12 V over 1 + 2 + 3 Ω is 2 A: 10 V and 6 V.
    expect($re[$network->node['a']])
        ->toEqualWithDelta(10.0, 1e-12)
        ->and($re[$network->node['b']])
        ->toEqualWithDelta(6.0, 1e-12);
});

it('turns a capacitor\'s phase as worked by hand', function (): void {
    $network = new NodalNetwork();
    $network->source('v', 'a', 'earth', 120.0, 0.0, 100.0);
    $network->add('leak', 'c', 'a', 'earth', 0.0, 1 / 100.0);
    [$re, $im] = $network->volts();
    // |Z| = 100 behind 100 Ω: half the volts squared each way, 60 − j60.
    expect($re[0])
        ->toEqualWithDelta(60.0, 1e-9)
        ->and($im[0])
        ->toEqualWithDelta(-60.0, 1e-9);
});

it('agrees with dense elimination', function (int $seed): void {
    $network = randomMesh($seed, 4);
    [$re, $im] = $network->volts();
    $largest = max(array_map(fn(array $v): float => hypot(...$v), dense($network)));
    foreach (dense($network) as $k => [$vRe, $vIm]) {
        expect(hypot($re[$k] - $vRe, $im[$k] - $vIm))->toBeLessThan(1e-8 * $largest);
    }
})
    ->with(Seeds::of(40))
    ->group('drawn');

it('keeps its digits over twelve orders of conductance', function (int $seed): void {
    $network = new NodalNetwork();
    mt_srand($seed);
    // Ten megohm from a bolted chain of a tenth of a milliohm: the drop along the chain is known.
    $network->inject('i', 'n0', 'earth', 1e-6);
    for ($k = 0; $k < 30; $k++) {
        $network->add('wire', "w{$k}", "n{$k}", 'n' . ($k + 1), 1e4);
    }
    $network->add('leak', 'l', 'n30', 'earth', 1e-7);
    [$re] = $network->volts();
    expect($re[$network->node['n30']])
        ->toEqualWithDelta(10.0, 1e-12)
        ->and($network->residual([$re, array_fill(-1, 33, 0.0)]))
        ->toBeLessThan(1e-3);
})->with([1]);

it('takes one changed admittance with one more solve', function (int $seed): void {
    $network = randomMesh($seed, 4);
    $before = $network->volts();
    $again = randomMesh($seed, 4);
    $again->add('meter', 'm', 'n0', 'n3', 0.37, 0.1);
    [$re, $im] = $network->changed($before, 'n0', 'n3', 0.37, 0.1);
    [$wantRe, $wantIm] = $again->volts();
    $largest = max(array_map(abs(...), $wantRe));
    foreach ($wantRe as $k => $want) {
        expect(hypot($re[$k] - $want, $im[$k] - $wantIm[$k]))->toBeLessThan(1e-8 * max(1e-6, $largest));
    }
})
    ->with(Seeds::of(20))
    ->group('drawn');

it('says when a change parts an island', function (): void {
    $network = new NodalNetwork();
    $network->source('v', 'a', 'earth', 12.0, 0.0, 1.0);
    $network->add('wire', 'r', 'a', 'b', 0.5);
    $network->changed($network->volts(), 'a', 'b', -0.5);
})->throws(LogicException::class, 'parts an island');

it('gives a node that nothing reaches no volts', function (): void {
    $network = new NodalNetwork();
    $network->source('v', 'a', 'earth', 12.0, 0.0, 1.0);
    $network->node('alone');
    expect($network->volts()[0][$network->node['alone']])->toBe(0.0);
});
