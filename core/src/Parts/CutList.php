<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use InvalidArgumentException;

/**
 * Runs packed onto stock of one length, no run spliced: as few pieces of stock as can be. Best fit gives a first
 * answer; the bound of Martello and Toth (long, half and short runs; L2, from memory) often proves it; what is left is
 * searched piece by piece, each filled with sets that nothing else fits better (bin completion), within a budget.
 */
final readonly class CutList
{
    /** Branches looked at before the search is given up. */
    private const BUDGET = 60000;

    /**
     * @param list<list<float>> $pieces runs cut from each piece of stock, longest first
     * @param int $atLeast pieces that no list can do without
     * @param bool $proved whether it is known that no list takes fewer
     */
    private function __construct(public float $stock, public array $pieces, public int $atLeast, public bool $proved) {}

    /**
     * @param float $stock length of one piece, in any unit
     * @param list<float> $runs in the same unit
     * @param float $kerf lost with each cut
     * @throws InvalidArgumentException for stock of no length, or a run longer than the stock
     */
    public static function of(float $stock, array $runs, float $kerf = 0.0): self
    {
        if ($stock <= 0) {
            throw new InvalidArgumentException('Stock has a length above nothing.');
        }
        // Whole thousandths: sums of halves and tenths come out even.
        $whole = (int) floor(round(($stock + $kerf) * 1000, 6));
        $wanted = [];
        foreach ($runs as $n => $run) {
            if ($run <= 0 || $run > $stock + 1e-9) {
                throw new InvalidArgumentException(
                    sprintf(
                        'Run %d of %g does not come out of stock of %g: buy longer stock, never splice.',
                        $n + 1,
                        $run,
                        $stock,
                    ),
                );
            }
            $wanted[] = (int) ceil(round(($run + $kerf) * 1000, 6));
        }
        rsort($wanted);
        $bound = self::bound($whole, $wanted);
        $best = self::bestFit($whole, $wanted);
        $budget = self::BUDGET;
        while (count($best) > $bound && $budget > 0) {
            $found = self::complete($whole, $wanted, count($best) - 1, $budget);
            if ($found === null) {
                break;
            }
            $best = $found;
        }
        $back = fn(int $run): float => round($run / 1000 - $kerf, 6);

        return new self(
            $stock,
            array_map(fn(array $piece): array => array_map($back, $piece), $best),
            $budget > 0 ? max($bound, count($best)) : $bound,
            $budget > 0 || count($best) === $bound,
        );
    }

    /** What is left of all pieces together. */
    public function waste(): float
    {
        return count($this->pieces) * $this->stock - array_sum(array_map(array_sum(...), $this->pieces));
    }

    /**
     * Pieces that no list can do without: by sums, and for each border by what cannot stand beside what is longer.
     *
     * @param list<int> $runs longest first
     */
    public static function bound(int $stock, array $runs): int
    {
        $best = (int) ceil(array_sum($runs) / $stock - 1e-9);
        foreach (array_unique([0, ...array_filter($runs, fn(int $r): bool => 2 * $r <= $stock)]) as $border) {
            $long = $half = $halfSum = $shortSum = 0;
            foreach ($runs as $run) {
                if ($run > $stock - $border) {
                    $long++;
                } elseif (2 * $run > $stock) {
                    $half++;
                    $halfSum += $run;
                } elseif ($run >= $border) {
                    $shortSum += $run;
                }
            }
            $more = max(0, (int) ceil(($shortSum - ($half * $stock - $halfSum)) / $stock - 1e-9));
            $best = max($best, $long + $half + $more);
        }

        return $best;
    }

    /**
     * @param list<int> $runs longest first
     * @return list<list<int>>
     */
    private static function bestFit(int $stock, array $runs): array
    {
        $pieces = $left = [];
        foreach ($runs as $run) {
            $at = null;
            foreach ($left as $n => $room) {
                if ($room >= $run && ($at === null || $room < $left[$at])) {
                    $at = $n;
                }
            }
            if ($at === null) {
                $at = count($pieces);
                $left[$at] = $stock;
            }
            $pieces[$at][] = $run;
            $left[$at] -= $run;
        }

        return array_values($pieces);
    }

    /**
     * All runs on at most so many pieces; null where there is no way, or the budget ends.
     *
     * @param list<int> $runs longest first
     * @return ?list<list<int>>
     */
    private static function complete(int $stock, array $runs, int $most, int &$budget): ?array
    {
        if ($runs === []) {
            return [];
        }
        if (--$budget <= 0 || self::bound($stock, $runs) > $most) {
            return null;
        }
        $first = array_shift($runs);
        foreach (self::fillings($stock - $first, $runs, $budget) as $filling) {
            $rest = $runs;
            foreach ($filling as $run) {
                unset($rest[array_search($run, $rest, true)]);
            }
            $others = self::complete($stock, array_values($rest), $most - 1, $budget);
            if ($others !== null) {
                return [[$first, ...$filling], ...$others];
            }
        }

        return null;
    }

    /**
     * Sets of runs that fill a room, none of which another beats: the fullest first. Where there are too many to look
     * at, nothing is proved any more: the budget is gone.
     *
     * @param list<int> $runs longest first
     * @return list<list<int>>
     */
    private static function fillings(int $room, array $runs, int &$budget): array
    {
        $counts = array_count_values(array_filter($runs, fn(int $r): bool => $r <= $room));
        $kinds = array_keys($counts);
        /** @var list<list<int>> $found */
        $found = [];
        $walk = function (int $at, int $left, array $taken) use (&$walk, &$found, &$budget, $kinds, $counts): void {
            if (count($found) > 2000) {
                $budget = 0;

                return;
            }
            if ($at === count($kinds)) {
                // Nothing that is left out would still go in.
                $used = array_count_values($taken);
                foreach ($kinds as $kind) {
                    if ($kind <= $left && $counts[$kind] > ($used[$kind] ?? 0)) {
                        return;
                    }
                }
                $found[] = array_values($taken);

                return;
            }
            $kind = $kinds[$at];
            for ($n = min($counts[$kind], intdiv($left, $kind)); $n >= 0; $n--) {
                $walk($at + 1, $left - $n * $kind, [...$taken, ...array_fill(0, $n, $kind)]);
            }
        };
        $walk(0, $room, []);
        usort($found, fn(array $a, array $b): int => array_sum($b) <=> array_sum($a) ?: count($a) <=> count($b));

        return $found;
    }
}
