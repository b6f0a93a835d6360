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
    private readonly array $open;

    /** @var array<int, array{array<int, float>, array<int, float>}> V of each node for one ampere put in at a pair */
    private array $unit = [];

    /** @var array<int, array{float, float}> admittance that has come to a pair since, S */
    private array $added = [];

    /** @var array<int, array{float, float}> current put in at a pair since, A */
    private array $put = [];

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
        $zRe = $this->zRe;
        $zIm = $this->zIm;
        // y ÷ (1 + y·z)
        $dRe = 1 + $yRe * $zRe[$port][$port] - $yIm * $zIm[$port][$port];
        $dIm = $yRe * $zIm[$port][$port] + $yIm * $zRe[$port][$port];
        $size = $dRe ** 2 + $dIm ** 2;
        $gRe = ($yRe * $dRe + $yIm * $dIm) / $size;
        $gIm = ($yIm * $dRe - $yRe * $dIm) / $size;
        $eRe = $gRe * $this->eRe[$port] - $gIm * $this->eIm[$port];
        $eIm = $gRe * $this->eIm[$port] + $gIm * $this->eRe[$port];
        foreach ($zRe as $i => $row) {
            $r = $row[$port];
            $x = $zIm[$i][$port];
            $this->eRe[$i] -= $r * $eRe - $x * $eIm;
            $this->eIm[$i] -= $r * $eIm + $x * $eRe;
            $sRe = $r * $gRe - $x * $gIm;
            $sIm = $r * $gIm + $x * $gRe;
            foreach ($row as $j => $_) {
                $this->zRe[$i][$j] -= $sRe * $zRe[$port][$j] - $sIm * $zIm[$port][$j];
                $this->zIm[$i][$j] -= $sRe * $zIm[$port][$j] + $sIm * $zRe[$port][$j];
            }
        }
        $this->added[$port] = [($this->added[$port][0] ?? 0.0) + $yRe, ($this->added[$port][1] ?? 0.0) + $yIm];
    }

    /** Puts a fixed current in A in at a pair, for good. */
    public function inject(int $port, float $re, float $im = 0.0): void
    {
        foreach ($this->zRe as $i => $row) {
            $this->eRe[$i] += $row[$port] * $re - $this->zIm[$i][$port] * $im;
            $this->eIm[$i] += $row[$port] * $im + $this->zIm[$i][$port] * $re;
        }
        $this->put[$port] = [($this->put[$port][0] ?? 0.0) + $re, ($this->put[$port][1] ?? 0.0) + $im];
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
     * What is drawn at each pair of the network as it was at first: what has come since draws too.
     *
     * @param array{array<int, float>, array<int, float>} $volts across the pairs
     * @param array<int, float> $re
     * @param array<int, float> $im
     * @return array<int, array{float, float}>
     */
    private function drawn(array $volts, array $re, array $im, bool $put = true): array
    {
        $drawn = [];
        foreach ($re as $j => $i) {
            $drawn[$j] = [$i, $im[$j]];
        }
        foreach ($this->added as $j => [$g, $b]) {
            $drawn[$j] = [
                ($drawn[$j][0] ?? 0.0) + $g * $volts[0][$j] - $b * $volts[1][$j],
                ($drawn[$j][1] ?? 0.0) + $g * $volts[1][$j] + $b * $volts[0][$j],
            ];
        }
        foreach ($put ? $this->put : [] as $j => [$pRe, $pIm]) {
            $drawn[$j] = [($drawn[$j][0] ?? 0.0) - $pRe, ($drawn[$j][1] ?? 0.0) - $pIm];
        }

        return $drawn;
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
        foreach ($this->drawn($this->volts($re, $im), $re, $im) as $j => [$iRe, $iIm]) {
            $z = $this->unit[$j];
            $r = $z[0][$a] - $z[0][$b];
            $x = $z[1][$a] - $z[1][$b];
            $vRe -= $r * $iRe - $x * $iIm;
            $vIm -= $r * $iIm + $x * $iRe;
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
        return $this->less($this->open, $this->drawn($this->volts($re, $im), $re, $im));
    }

    /**
     * Volts of every node for so many amperes put in at one pair and nothing else.
     *
     * @return array{array<int, float>, array<int, float>}
     */
    public function from(int $port, float $re, float $im = 0.0): array
    {
        $vRe = $vIm = [];
        foreach ($this->zRe as $i => $row) {
            $vRe[$i] = $row[$port] * $re - $this->zIm[$i][$port] * $im;
            $vIm[$i] = $row[$port] * $im + $this->zIm[$i][$port] * $re;
        }
        $nothing = array_map(fn(): float => 0.0, $this->open[0]);

        return $this->less([$nothing, $nothing], $this->drawn([$vRe, $vIm], [$port => -$re], [$port => -$im], false));
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @param array<int, array{float, float}> $drawn
     * @return array{array<int, float>, array<int, float>}
     */
    private function less(array $volts, array $drawn): array
    {
        [$vRe, $vIm] = $volts;
        foreach ($drawn as $j => [$re, $im]) {
            if ($re === 0.0 && $im === 0.0) {
                continue;
            }
            $x = $this->unit[$j][1];
            foreach ($this->unit[$j][0] as $k => $r) {
                $vRe[$k] -= $r * $re - $x[$k] * $im;
                $vIm[$k] -= $r * $im + $x[$k] * $re;
            }
        }

        return [$vRe, $vIm];
    }
}
