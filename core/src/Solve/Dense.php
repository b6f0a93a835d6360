<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** Small dense systems of equations. */
final class Dense
{
    /**
     * Gauss with pivots on a small dense system.
     *
     * @param array<int, array<int, float>> $m rows with the right side last
     * @return list<float>
     */
    public static function solved(array $m, int $n): array
    {
        for ($k = 0; $k < $n; $k++) {
            $pivot = $k;
            for ($r = $k + 1; $r < $n; $r++) {
                if (abs($m[$r][$k]) > abs($m[$pivot][$k])) {
                    $pivot = $r;
                }
            }
            [$m[$k], $m[$pivot]] = [$m[$pivot], $m[$k]];
            $lead = $m[$k][$k];
            if (abs($lead) < 1e-30) {
                continue;
            }
            for ($r = $k + 1; $r < $n; $r++) {
                $share = $m[$r][$k] / $lead;
                if ($share !== 0.0) {
                    for ($c = $k; $c <= $n; $c++) {
                        $m[$r][$c] -= $share * $m[$k][$c];
                    }
                }
            }
        }
        $x = array_fill(0, $n, 0.0);
        for ($k = $n - 1; $k >= 0; $k--) {
            $sum = $m[$k][$n];
            for ($c = $k + 1; $c < $n; $c++) {
                $sum -= $m[$k][$c] * $x[$c];
            }
            $x[$k] = abs($m[$k][$k]) < 1e-30 ? 0.0 : $sum / $m[$k][$k];
        }

        return array_values($x);
    }
}
