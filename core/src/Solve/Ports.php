<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * A nodal network seen from a few pairs of terminals: volts with nothing drawn there, and how far one
 * ampere drawn at one pair pulls down each other (Thévenin). What takes constant power, holds volts or
 * is limited is settled among these pairs alone, without factoring again.
 */
final class Ports
{
    /** @var list<array{int, int}> nodes of each pair */
    public readonly array $nodes;

    /** @var array{array<int, float>, array<int, float>} V of each node with nothing drawn */
    private readonly array $open;

    /** @var array<int, array{array<int, float>, array<int, float>}> V of each node for one ampere drawn at a pair */
    private array $unit = [];

    /** @var array<int, float> open volts, real and imaginary */
    public array $eRe = [];

    /** @var array<int, float> */
    public array $eIm = [];

    /** @var array<int, array<int, float>> ohm between pairs, real and imaginary */
    public array $zRe = [];

    /** @var array<int, array<int, float>> */
    public array $zIm = [];

    /** @param list<array{string, string}> $pairs terminals */
    public function __construct(public readonly NodalNetwork $network, array $pairs)
    {
        $nodes = array_map(fn(array $p): array => [$network->node($p[0]), $network->node($p[1])], $pairs);
        $this->nodes = $nodes;
        $this->open = $network->volts();
        $factor = $network->factor();
        foreach ($nodes as $j => [$a, $b]) {
            $re = [];
            if ($a >= 0) {
                $re[$a] = 1.0;
            }
            if ($b >= 0) {
                $re[$b] = ($re[$b] ?? 0.0) - 1.0;
            }
            $z = $factor->solve($re, []);
            $z[0][-1] = $z[1][-1] = 0.0;
            $this->unit[$j] = $z;
            $this->eRe[$j] = $this->open[0][$a] - $this->open[0][$b];
            $this->eIm[$j] = $this->open[1][$a] - $this->open[1][$b];
        }
        foreach ($nodes as $i => [$a, $b]) {
            foreach ($this->unit as $j => $z) {
                $this->zRe[$i][$j] = $z[0][$a] - $z[0][$b];
                $this->zIm[$i][$j] = $z[1][$a] - $z[1][$b];
            }
        }
    }

    /**
     * Volts across every pair with so many amperes drawn at each.
     *
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @return array{array<int, float>, array<int, float>}
     */
    public function volts(array $re, array $im): array
    {
        $vRe = $this->eRe;
        $vIm = $this->eIm;
        foreach ($this->zRe as $i => $row) {
            $x = $this->zIm[$i];
            foreach ($row as $j => $r) {
                $vRe[$i] -= $r * $re[$j] - $x[$j] * $im[$j];
                $vIm[$i] -= $r * $im[$j] + $x[$j] * $re[$j];
            }
        }

        return [$vRe, $vIm];
    }

    /**
     * Volts from one node to another with so many amperes drawn at each pair.
     *
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @return array{float, float}
     */
    public function between(int $a, int $b, array $re, array $im): array
    {
        $vRe = $this->open[0][$a] - $this->open[0][$b];
        $vIm = $this->open[1][$a] - $this->open[1][$b];
        foreach ($this->unit as $j => $z) {
            $r = $z[0][$a] - $z[0][$b];
            $x = $z[1][$a] - $z[1][$b];
            $vRe -= $r * $re[$j] - $x * $im[$j];
            $vIm -= $r * $im[$j] + $x * $re[$j];
        }

        return [$vRe, $vIm];
    }
}
