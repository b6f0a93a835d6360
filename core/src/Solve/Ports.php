<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * A nodal network seen from a few pairs of terminals: volts with nothing drawn there, and how far one
 * ampere drawn at one pair pulls down every node (Thévenin). What takes constant power, holds volts or
 * is limited is settled among these pairs alone; an admittance that comes or goes at a pair is one
 * rank-one step (Sherman and Morrison) and no new factor.
 */
final class Ports
{
    /** @var list<array{int, int}> nodes of each pair */
    public readonly array $nodes;

    /** @var array{array<int, float>, array<int, float>} V of each node with nothing drawn */
    private array $open;

    /** @var array<int, array{array<int, float>, array<int, float>}> V of each node for one ampere put in at a pair */
    private array $unit = [];

    /** @var array<int, float> open volts of each pair, real and imaginary */
    public array $eRe = [];

    /** @var array<int, float> */
    public array $eIm = [];

    /** @var array<int, array<int, float>> ohm between pairs, real and imaginary */
    public array $zRe = [];

    /** @var array<int, array<int, float>> */
    public array $zIm = [];

    /** @param list<array{string, string}> $pairs terminals */
    public function __construct(NodalNetwork $network, array $pairs)
    {
        $nodes = array_map(fn(array $p): array => [$network->node($p[0]), $network->node($p[1])], $pairs);
        $this->nodes = $nodes;
        $this->open = $network->volts();
        $factor = $network->factor();
        $same = [];
        foreach ($nodes as $j => [$a, $b]) {
            // Several loads at one outlet are one pair to solve for.
            $twin = $same["{$a},{$b}"] ??= $j;
            if ($twin !== $j) {
                $this->unit[$j] = $this->unit[$twin];

                continue;
            }
            $re = $a >= 0 ? [$a => 1.0] : [];
            if ($b >= 0) {
                $re[$b] = ($re[$b] ?? 0.0) - 1.0;
            }
            $z = $factor->solve($re, []);
            $z[0][-1] = $z[1][-1] = 0.0;
            $this->unit[$j] = $z;
        }
        $this->look();
    }

    private function look(): void
    {
        foreach ($this->nodes as $i => [$a, $b]) {
            $this->eRe[$i] = $this->open[0][$a] - $this->open[0][$b];
            $this->eIm[$i] = $this->open[1][$a] - $this->open[1][$b];
            foreach ($this->unit as $j => [$re, $im]) {
                $this->zRe[$i][$j] = $re[$a] - $re[$b];
                $this->zIm[$i][$j] = $im[$a] - $im[$b];
            }
        }
    }

    /** Adds an admittance in S across a pair; takes one away when it is negative. */
    public function absorb(int $port, float $yRe, float $yIm = 0.0): void
    {
        // y ÷ (1 + y·z)
        $dRe = 1 + $yRe * $this->zRe[$port][$port] - $yIm * $this->zIm[$port][$port];
        $dIm = $yRe * $this->zIm[$port][$port] + $yIm * $this->zRe[$port][$port];
        $size = $dRe ** 2 + $dIm ** 2;
        $gRe = ($yRe * $dRe + $yIm * $dIm) / $size;
        $gIm = ($yIm * $dRe - $yRe * $dIm) / $size;
        $by = $this->unit[$port];
        $this->open = self::less($this->open, $by, $gRe * $this->eRe[$port] - $gIm * $this->eIm[$port], $gRe * $this->eIm[$port] + $gIm * $this->eRe[$port]);
        foreach ($this->unit as $j => $unit) {
            $zRe = $this->zRe[$port][$j];
            $zIm = $this->zIm[$port][$j];
            $this->unit[$j] = self::less($unit, $by, $gRe * $zRe - $gIm * $zIm, $gRe * $zIm + $gIm * $zRe);
        }
        $this->look();
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @param array{array<int, float>, array<int, float>} $by
     * @return array{array<int, float>, array<int, float>}
     */
    private static function less(array $volts, array $by, float $re, float $im): array
    {
        foreach ($by[0] as $k => $r) {
            $volts[0][$k] -= $r * $re - $by[1][$k] * $im;
            $volts[1][$k] -= $r * $im + $by[1][$k] * $re;
        }

        return $volts;
    }

    /** Puts a fixed current in A in at a pair, for good. */
    public function inject(int $port, float $re, float $im = 0.0): void
    {
        foreach ($this->unit[$port][0] as $k => $r) {
            $x = $this->unit[$port][1][$k];
            $this->open[0][$k] += $r * $re - $x * $im;
            $this->open[1][$k] += $r * $im + $x * $re;
        }
        $this->look();
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
        foreach ($re as $j => $r) {
            $x = $im[$j];
            if ($r === 0.0 && $x === 0.0) {
                continue;
            }
            foreach ($vRe as $i => $_) {
                $vRe[$i] -= $this->zRe[$i][$j] * $r - $this->zIm[$i][$j] * $x;
                $vIm[$i] -= $this->zRe[$i][$j] * $x + $this->zIm[$i][$j] * $r;
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
        foreach ($re as $j => $i) {
            $z = $this->unit[$j];
            $r = $z[0][$a] - $z[0][$b];
            $x = $z[1][$a] - $z[1][$b];
            $vRe -= $r * $i - $x * $im[$j];
            $vIm -= $r * $im[$j] + $x * $i;
        }

        return [$vRe, $vIm];
    }

    /**
     * Volts of every node with so many amperes drawn at each pair.
     *
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @return array{array<int, float>, array<int, float>}
     */
    public function nodeVolts(array $re, array $im): array
    {
        [$vRe, $vIm] = $this->open;
        foreach ($re as $j => $i) {
            $x = $im[$j];
            if ($i === 0.0 && $x === 0.0) {
                continue;
            }
            foreach ($this->unit[$j][0] as $k => $r) {
                $vRe[$k] -= $r * $i - $this->unit[$j][1][$k] * $x;
                $vIm[$k] -= $r * $x + $this->unit[$j][1][$k] * $i;
            }
        }

        return [$vRe, $vIm];
    }

    /**
     * Volts of every node for so many amperes put in at one pair and nothing else.
     *
     * @return array{array<int, float>, array<int, float>}
     */
    public function from(int $port, float $re, float $im = 0.0): array
    {
        $vRe = $vIm = [];
        foreach ($this->unit[$port][0] as $k => $r) {
            $x = $this->unit[$port][1][$k];
            $vRe[$k] = $r * $re - $x * $im;
            $vIm[$k] = $r * $im + $x * $re;
        }

        return [$vRe, $vIm];
    }
}
