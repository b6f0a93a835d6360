<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * A network of complex admittances, factored once and solved for many injections.
 *
 * Nodes are eliminated leaves first, then by least degree, by turning their star into a mesh:
 * y_jl += y_kj · y_kl ÷ S_k with S_k the sum of all that meets in k. Only sums and products occur,
 * never a difference, so conductances over twelve orders of magnitude keep their digits (the
 * elimination of Grassmann, Taksar and Heyman; it is LDLᵀ in another order of arithmetic).
 * Node voltages are against a reference that every node must reach through some admittance.
 */
final class Factor
{
    /** @var list<int> */
    private array $order = [];

    /** @var list<array{float, float}> 1 ÷ S */
    private array $inverse = [];

    /** @var list<array<int, array{float, float}>> neighbour => y ÷ S */
    private array $share = [];

    /**
     * @param array<int, array<int, float>> $re neighbour => conductance, S, by node; symmetric
     * @param array<int, array<int, float>> $im neighbour => susceptance, S
     * @param array<int, float> $shuntRe to the reference, S
     * @param array<int, float> $shuntIm
     */
    public function __construct(private readonly int $nodes, array $re, array $im, array $shuntRe, array $shuntIm)
    {
        $left = array_fill(0, $nodes, true);
        $few = [];
        for ($k = 0; $k < $nodes; $k++) {
            $re[$k] ??= [];
            if (count($re[$k]) <= 2) {
                $few[] = $k;
            }
        }
        for ($done = 0; $done < $nodes; $done++) {
            $k = -1;
            while ($few !== []) {
                $candidate = array_pop($few);
                if (isset($left[$candidate]) && count($re[$candidate]) <= 2) {
                    $k = $candidate;
                    break;
                }
            }
            if ($k < 0) {
                $least = PHP_INT_MAX;
                foreach ($left as $candidate => $_) {
                    $degree = count($re[$candidate]);
                    if ($degree < $least) {
                        [$k, $least] = [$candidate, $degree];
                        if ($degree <= 3) {
                            break;
                        }
                    }
                }
            }
            unset($left[$k]);
            $this->eliminate($k, $re, $im, $shuntRe, $shuntIm);
            foreach ($re[$k] as $j => $_) {
                if (count($re[$j]) <= 2) {
                    $few[] = $j;
                }
            }
        }
    }

    /**
     * @param array<int, array<int, float>> $re
     * @param array<int, array<int, float>> $im
     * @param array<int, float> $shuntRe
     * @param array<int, float> $shuntIm
     */
    private function eliminate(int $k, array &$re, array &$im, array &$shuntRe, array &$shuntIm): void
    {
        $sumRe = $shuntRe[$k] ?? 0.0;
        $sumIm = $shuntIm[$k] ?? 0.0;
        foreach ($re[$k] as $j => $g) {
            $sumRe += $g;
            $sumIm += $im[$k][$j];
        }
        $size = $sumRe * $sumRe + $sumIm * $sumIm;
        if ($size === 0.0) {
            // Nothing meets here: its voltage is nothing.
            $this->order[] = $k;
            $this->inverse[] = [0.0, 0.0];
            $this->share[] = [];

            return;
        }
        $inverseRe = $sumRe / $size;
        $inverseIm = -$sumIm / $size;
        $shares = [];
        foreach ($re[$k] as $j => $g) {
            $b = $im[$k][$j];
            $shares[$j] = [$g * $inverseRe - $b * $inverseIm, $g * $inverseIm + $b * $inverseRe];
            unset($re[$j][$k], $im[$j][$k]);
        }
        $groundRe = $shuntRe[$k] ?? 0.0;
        $groundIm = $shuntIm[$k] ?? 0.0;
        $neighbours = array_keys($shares);
        foreach ($neighbours as $n => $j) {
            [$sRe, $sIm] = $shares[$j];
            $shuntRe[$j] = ($shuntRe[$j] ?? 0.0) + $sRe * $groundRe - $sIm * $groundIm;
            $shuntIm[$j] = ($shuntIm[$j] ?? 0.0) + $sRe * $groundIm + $sIm * $groundRe;
            for ($m = $n + 1, $count = count($neighbours); $m < $count; $m++) {
                $l = $neighbours[$m];
                $g = $re[$k][$l];
                $b = $im[$k][$l];
                $addRe = $sRe * $g - $sIm * $b;
                $addIm = $sRe * $b + $sIm * $g;
                $re[$j][$l] = $re[$l][$j] = ($re[$j][$l] ?? 0.0) + $addRe;
                $im[$j][$l] = $im[$l][$j] = ($im[$j][$l] ?? 0.0) + $addIm;
            }
        }
        $this->order[] = $k;
        $this->inverse[] = [$inverseRe, $inverseIm];
        $this->share[] = $shares;
    }

    private ?bool $real = null;

    /** Direct current: nothing has an imaginary part. */
    private function isReal(): bool
    {
        if ($this->real === null) {
            $this->real = true;
            foreach ($this->inverse as [, $im]) {
                $this->real = $this->real && $im === 0.0;
            }
        }

        return $this->real;
    }

    /**
     * @param array<int, float> $re
     * @return array{array<int, float>, array<int, float>}
     */
    private function solveReal(array $re): array
    {
        $re += array_fill(0, $this->nodes, 0.0);
        foreach ($this->order as $step => $k) {
            $i = $re[$k];
            if ($i !== 0.0) {
                foreach ($this->share[$step] as $j => [$s]) {
                    $re[$j] += $s * $i;
                }
            }
        }
        for ($step = count($this->order) - 1; $step >= 0; $step--) {
            $k = $this->order[$step];
            $v = $re[$k] * $this->inverse[$step][0];
            foreach ($this->share[$step] as $j => [$s]) {
                $v += $s * $re[$j];
            }
            $re[$k] = $v;
        }

        return [$re, array_fill(0, $this->nodes, 0.0)];
    }

    /**
     * Node voltages for injected currents.
     *
     * @param array<int, float> $re A into each node
     * @param array<int, float> $im
     * @return array{array<int, float>, array<int, float>} V, real and imaginary
     */
    public function solve(array $re, array $im): array
    {
        if ($im === [] && $this->isReal()) {
            return $this->solveReal($re);
        }
        $re += array_fill(0, $this->nodes, 0.0);
        $im += array_fill(0, $this->nodes, 0.0);
        foreach ($this->order as $step => $k) {
            $iRe = $re[$k];
            $iIm = $im[$k];
            if ($iRe === 0.0 && $iIm === 0.0) {
                continue;
            }
            foreach ($this->share[$step] as $j => [$sRe, $sIm]) {
                $re[$j] += $sRe * $iRe - $sIm * $iIm;
                $im[$j] += $sRe * $iIm + $sIm * $iRe;
            }
        }
        for ($step = $this->nodes - 1; $step >= 0; $step--) {
            $k = $this->order[$step];
            [$invRe, $invIm] = $this->inverse[$step];
            $vRe = $re[$k] * $invRe - $im[$k] * $invIm;
            $vIm = $re[$k] * $invIm + $im[$k] * $invRe;
            foreach ($this->share[$step] as $j => [$sRe, $sIm]) {
                $vRe += $sRe * $re[$j] - $sIm * $im[$j];
                $vIm += $sRe * $im[$j] + $sIm * $re[$j];
            }
            $re[$k] = $vRe;
            $im[$k] = $vIm;
        }

        return [$re, $im];
    }
}
