<?php

declare(strict_types=1);

use Hollin\Core\Network\Ladder;
use Hollin\Core\Solve\NodalNetwork;
use Tests\Node;

/**
 * Systems of equations as a general library of linear algebra solves them (ml-matrix: LU with pivoting).
 *
 * @param list<array{list<list<float>>, list<float>}> $systems matrix and right side
 * @return list<list<float>>
 */
function solvedOutside(array $systems): array
{
    return Node::each('ml-matrix', 'm.solve(new m.Matrix(x[0]), m.Matrix.columnVector(x[1])).to1DArray()', $systems);
}

it('solves networks as a general library does, real and complex', function (): void {
    mt_srand(11);
    $systems = [];
    $ours = [];
    for ($case = 0; $case < 60; $case++) {
        $count = mt_rand(3, 28);
        $complex = $case % 2 === 1;
        $network = new NodalNetwork();
        $g = array_fill(0, 2 * $count, array_fill(0, 2 * $count, 0.0));
        $put = function (int $a, int $b, float $re, float $im) use ($network, &$g, $count): void {
            $name = fn(int $n): string => $n < 0 ? 'earth' : "n{$n}";
            $network->add('wire', "e{$a}.{$b}", $name($a), $name($b), $re, $im);
            foreach ([[$a, $a, 1], [$b, $b, 1], [$a, $b, -1], [$b, $a, -1]] as [$row, $column, $sign]) {
                if ($row >= 0 && $column >= 0) {
                    // (G + jB)(Vr + jVi): the real part above, the imaginary below.
                    $g[$row][$column] += $sign * $re;
                    $g[$row][$column + $count] -= $sign * $im;
                    $g[$row + $count][$column] += $sign * $im;
                    $g[$row + $count][$column + $count] += $sign * $re;
                }
            }
        };
        for ($n = 0; $n < $count; $n++) {
            // Each hangs on an earlier one, from a leak to a bar of copper.
            $put($n, mt_rand(-1, $n - 1), 10 ** (mt_rand(-30, 40) / 10), $complex ? mt_rand(-50, 50) / 10 : 0.0);
        }
        for ($more = mt_rand(0, $count); $more > 0; $more--) {
            [$a, $b] = [mt_rand(0, $count - 1), mt_rand(0, $count - 1)];
            $a === $b ?: $put($a, $b, 10 ** (mt_rand(-20, 30) / 10), $complex ? mt_rand(-50, 50) / 10 : 0.0);
        }
        $at = mt_rand(0, $count - 1);
        $right = array_fill(0, 2 * $count, 0.0);
        $right[$network->node["n{$at}"]] = 7.5;
        $order = array_map(fn(int $n): int => $network->node["n{$n}"], range(0, $count - 1));
        $right = array_fill(0, 2 * $count, 0.0);
        $right[$at] = 7.5;
        [$re, $im] = $network->volts([['draw', $network->node["n{$at}"], -1, 7.5, 0.0]]);
        $systems[] = [$g, $right];
        $ours[] = [
            array_map(fn(int $n): float => $re[$n], $order),
            array_map(fn(int $n): float => $im[$n] ?? 0.0, $order),
        ];
    }
    foreach (solvedOutside($systems) as $case => $theirs) {
        $count = count($ours[$case][0]);
        $scale = max(1e-9, max(array_map(abs(...), $theirs)));
        for ($n = 0; $n < $count; $n++) {
            expect($ours[$case][0][$n])->toEqualWithDelta($theirs[$n], 1e-7 * $scale, "case {$case}, node {$n}");
            expect($ours[$case][1][$n])->toEqualWithDelta($theirs[$n + $count], 1e-7 * $scale, "case {$case}, {$n} j");
        }
    }
});

it('shares a bank as a general library does', function (): void {
    $systems = [];
    $ours = [];
    foreach ([[2, 0.002, 0.0004], [4, 0.003, 0.0002], [6, 0.0012, 0.0003], [8, 0.004, 0.0001]] as [$n, $ohm, $link]) {
        foreach ([Ladder::ONE_END, Ladder::ACROSS] as $way) {
            // Node volts: positives 0 to n − 1, negatives n to 2n − 1, the negative that is taken off at nothing.
            $g = array_fill(0, 2 * $n, array_fill(0, 2 * $n, 0.0));
            $put = function (int $a, int $b, float $s) use (&$g): void {
                $g[$a][$a] += $s;
                $g[$b][$b] += $s;
                $g[$a][$b] -= $s;
                $g[$b][$a] -= $s;
            };
            for ($k = 0; $k < $n; $k++) {
                $put($k, $n + $k, 1 / $ohm);
                if ($k > 0) {
                    $put($k - 1, $k, 1 / $link);
                    $put($n + $k - 1, $n + $k, 1 / $link);
                }
            }
            $minus = $way === Ladder::ONE_END ? $n : 2 * $n - 1;
            $g[$minus][$minus] += 1e3;
            $right = array_fill(0, 2 * $n, 0.0);
            $right[0] = 150.0;
            $right[$minus] = -150.0;
            $systems[] = [$g, $right];
            $ours[] = [$n, $ohm, Ladder::amps($n, $ohm, $link, 150.0, $way)];
        }
    }
    foreach (solvedOutside($systems) as $case => $volts) {
        [$n, $ohm, $amps] = $ours[$case];
        for ($k = 0; $k < $n; $k++) {
            expect(($volts[$k] - $volts[$n + $k]) / $ohm)->toEqualWithDelta($amps[$k], 1e-6);
        }
    }
});
