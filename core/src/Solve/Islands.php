<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** Islands of a nodal network that hang on nothing. */
final class Islands
{
    /** Ties each island that does not reach earth to the frame by leakage, so that it has volts at all. */
    public static function tie(NodalNetwork $network): void
    {
        $parent = range(0, max(0, count($network->names)));
        // Node n stands at n + 1, earth at 0.
        $find = function (int $i) use (&$parent): int {
            while ($parent[$i] !== $i) {
                $i = $parent[$i] = $parent[$parent[$i]];
            }

            return $i;
        };
        foreach ($network->branches as $branch) {
            $a = $find($branch->a + 1);
            $b = $find($branch->b + 1);
            $parent[max($a, $b)] = min($a, $b);
        }
        $tied = [];
        foreach ($network->names as $n => $name) {
            $root = $find($n + 1);
            if ($root !== 0 && !isset($tied[$root])) {
                $tied[$root] = true;
                $network->add('leak', 'island', $name, 'frame', 1 / LoadFlow::ISLAND_OHM);
            }
        }
    }
}
