<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * Nodes, admittances and injected currents of one system (AC as phasors, or DC), against earth.
 * Solved through {@see Factor}; one changed admittance costs one more solve, not a new factor.
 */
final class NodalNetwork
{
    /** @var array<string, int> terminal => node; the reference is -1 */
    public array $node = ['earth' => -1];

    /** @var list<string> */
    public array $names = [];

    /** @var list<Branch> */
    public array $branches = [];

    /** @var list<array{string, int, int, float, float}> source, from b into a: A, real and imaginary */
    public array $injections = [];

    /**
     * @var array<string, array{float, float}> sources that are what lets current through one way => V it keeps, ohm
     *      while it conducts
     */
    public array $oneWays = [];

    private ?Factor $factor = null;

    /** @var ?array<string, Branch> */
    private ?array $byElement = null;

    /** @var ?array<string, list<Branch>> */
    private ?array $sourceBranches = null;

    /** @var array<string, array{array<int, float>, array<int, float>}> volts for one ampere between two nodes */
    private array $unit = [];

    /** Number of a terminal's node, made where it is new; -1 is the reference. */
    public function node(string $terminal): int
    {
        if (!isset($this->node[$terminal])) {
            $this->node[$terminal] = count($this->names);
            $this->names[] = $terminal;
        }

        return $this->node[$terminal];
    }

    /** An admittance in S between two terminals. */
    public function add(string $kind, string $of, string $a, string $b, float $re, float $im = 0.0): void
    {
        $this->factor = $this->byElement = $this->sourceBranches = null;
        $this->unit = [];
        $this->branches[] = new Branch($kind, $of, $this->node($a), $this->node($b), $re, $im);
    }

    /** The branch that stands for a conductor or contact, or null where it is open. */
    public function branchOf(string $element): ?Branch
    {
        if ($this->byElement === null) {
            $this->byElement = [];
            foreach ($this->branches as $branch) {
                if ($branch->kind === 'wire' || $branch->kind === 'bond') {
                    $this->byElement[$branch->of] = $branch;
                }
            }
        }

        return $this->byElement[$element] ?? null;
    }

    /**
     * Current a source gives out of its first terminal, A.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array{float, float}
     */
    public function given(string $source, array $volts): array
    {
        $re = $im = 0.0;
        foreach ($this->injections as [$of, , , $iRe, $iIm]) {
            if ($of === $source) {
                $re += $iRe;
                $im += $iIm;
            }
        }
        if ($this->sourceBranches === null) {
            $this->sourceBranches = [];
            foreach ($this->branches as $branch) {
                if ($branch->kind === 'source') {
                    $this->sourceBranches[$branch->of][] = $branch;
                }
            }
        }
        foreach ($this->sourceBranches[$source] ?? [] as $branch) {
            [$iRe, $iIm] = self::current($branch, $volts);
            $re -= $iRe;
            $im -= $iIm;
        }

        return [$re, $im];
    }

    /** The same nodes with another resistance behind a source of so many volts. */
    public function setSource(string $of, float $re, float $im, float $ohm): void
    {
        $this->factor = $this->byElement = $this->sourceBranches = null;
        $this->unit = [];
        foreach ($this->branches as $n => $branch) {
            if ($branch->kind === 'source' && $branch->of === $of) {
                $this->branches[$n] = new Branch('source', $of, $branch->a, $branch->b, 1 / $ohm);
            }
        }
        foreach ($this->injections as $n => [$name, $a, $b]) {
            if ($name === $of) {
                $this->injections[$n] = [$name, $a, $b, $re / $ohm, $im / $ohm];
            }
        }
    }

    /** A source of volts behind a resistance in ohm, as its Norton equivalent. */
    public function source(string $of, string $a, string $b, float $re, float $im, float $ohm): void
    {
        $this->add('source', $of, $a, $b, 1 / $ohm);
        $this->inject($of, $a, $b, $re / $ohm, $im / $ohm);
    }

    /** Injects a current in A from b into a. */
    public function inject(string $of, string $a, string $b, float $re, float $im = 0.0): void
    {
        $this->injections[] = [$of, $this->node($a), $this->node($b), $re, $im];
    }

    /** The factored network, made once for all its solves. */
    public function factor(): Factor
    {
        if ($this->factor === null) {
            $re = $im = $shuntRe = $shuntIm = [];
            foreach ($this->branches as $branch) {
                if ($branch->a === $branch->b) {
                    continue;
                }
                if ($branch->a < 0 || $branch->b < 0) {
                    $k = max($branch->a, $branch->b);
                    $shuntRe[$k] = ($shuntRe[$k] ?? 0.0) + $branch->re;
                    $shuntIm[$k] = ($shuntIm[$k] ?? 0.0) + $branch->im;
                    continue;
                }
                $re[$branch->a][$branch->b] = $re[$branch->b][$branch->a] =
                    ($re[$branch->a][$branch->b] ?? 0.0) + $branch->re;
                $im[$branch->a][$branch->b] = $im[$branch->b][$branch->a] =
                    ($im[$branch->a][$branch->b] ?? 0.0) + $branch->im;
            }
            $this->factor = new Factor(count($this->names), $re, $im, $shuntRe, $shuntIm);
        }

        return $this->factor;
    }

    /**
     * @param list<array{string, int, int, float, float}> $more injections besides the mesh's own
     * @return array{array<int, float>, array<int, float>} V of each node, real and imaginary
     */
    public function volts(array $more = []): array
    {
        $re = $im = [];
        foreach ([...$this->injections, ...$more] as [, $a, $b, $iRe, $iIm]) {
            foreach ([[$a, 1.0], [$b, -1.0]] as [$k, $sign]) {
                if ($k >= 0) {
                    $re[$k] = ($re[$k] ?? 0.0) + $sign * $iRe;
                    $im[$k] = ($im[$k] ?? 0.0) + $sign * $iIm;
                }
            }
        }
        [$re, $im] = $this->factor()->solve($re, $im);
        $re[-1] = $im[-1] = 0.0;

        return [$re, $im];
    }

    /**
     * Voltages after one admittance between two terminals has changed by so many S, at the same
     * injections: one solve more (Sherman and Morrison). Refactors when that would divide by nothing.
     *
     * @param array{array<int, float>, array<int, float>} $volts before
     * @return array{array<int, float>, array<int, float>}
     */
    public function changed(array $volts, string $a, string $b, float $byRe, float $byIm = 0.0): array
    {
        $i = $this->node[$a] ?? null;
        $j = $this->node[$b] ?? null;
        if ($i === null || $j === null || $i === $j) {
            return $volts;
        }
        [$zRe, $zIm] = $this->unit["{$i},{$j}"] ??= $this->factor()->solve(
            $i >= 0 ? ($j >= 0 ? [$i => 1.0, $j => -1.0] : [$i => 1.0]) : [$j => -1.0],
            [],
        );
        $zRe[-1] = $zIm[-1] = 0.0;
        $dRe = $volts[0][$i] - $volts[0][$j];
        $dIm = $volts[1][$i] - $volts[1][$j];
        $zz = [$zRe[$i] - $zRe[$j], $zIm[$i] - $zIm[$j]];
        // Δ ÷ (1 + Δ·z), times the voltage across.
        $low = [1 + $byRe * $zz[0] - $byIm * $zz[1], $byRe * $zz[1] + $byIm * $zz[0]];
        $size = $low[0] ** 2 + $low[1] ** 2;
        if ($size < 1e-18) {
            throw new \LogicException('The change parts an island: factor the mesh again.');
        }
        $gRe = ($byRe * $low[0] + $byIm * $low[1]) / $size;
        $gIm = ($byIm * $low[0] - $byRe * $low[1]) / $size;
        $cRe = $gRe * $dRe - $gIm * $dIm;
        $cIm = $gRe * $dIm + $gIm * $dRe;
        foreach ($zRe as $k => $z) {
            $volts[0][$k] -= $z * $cRe - $zIm[$k] * $cIm;
            $volts[1][$k] -= $z * $cIm + $zIm[$k] * $cRe;
        }

        return $volts;
    }

    /**
     * Largest current in A that does not add up at a node, relative to the largest injection.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     * @param list<array{string, int, int, float, float}> $more
     */
    public function residual(array $volts, array $more = []): float
    {
        $re = $im = array_fill(-1, count($this->names) + 1, 0.0);
        $largest = 1e-12;
        foreach ([...$this->injections, ...$more] as [, $a, $b, $iRe, $iIm]) {
            $re[$a] += $iRe;
            $im[$a] += $iIm;
            $re[$b] -= $iRe;
            $im[$b] -= $iIm;
            $largest = max($largest, hypot($iRe, $iIm));
        }
        foreach ($this->branches as $branch) {
            [$iRe, $iIm] = self::current($branch, $volts);
            $re[$branch->a] -= $iRe;
            $im[$branch->a] -= $iIm;
            $re[$branch->b] += $iRe;
            $im[$branch->b] += $iIm;
        }
        $worst = 0.0;
        foreach ($re as $k => $r) {
            if ($k >= 0) {
                $worst = max($worst, hypot($r, $im[$k]));
            }
        }

        return $worst / $largest;
    }

    /**
     * Current in A through a branch from a to b.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array{float, float}
     */
    public static function current(Branch $branch, array $volts): array
    {
        $re = $volts[0][$branch->a] - $volts[0][$branch->b];
        $im = $volts[1][$branch->a] - $volts[1][$branch->b];

        return [$re * $branch->re - $im * $branch->im, $re * $branch->im + $im * $branch->re];
    }
}
