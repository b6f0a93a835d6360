<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * Which nodes stand at which potential against each other, by what is joined and by the sources between:
 * a union-find that carries the phasors from each node to its root, one for each group of sources that
 * keep step. A cycle that closes with a voltage left over is a short, or sources joined that do not keep
 * step, found without solving anything.
 */
final class Potentials
{
    /** @var array<int, int> */
    private array $parent = [];

    /** @var array<int, array<string, array{float, float}>> group => V of a node above its parent */
    private array $above = [];

    /**
     * Puts a source of so many volts from b up to a; of none joins them.
     *
     * @param array<string, array{float, float}> $volts group => phasor, V
     * @return ?array<string, array{float, float}> what is left over where the two were joined before; null where they
     *      were not
     */
    public function join(int $a, int $b, array $volts): ?array
    {
        [$rootA, $aboveA] = $this->find($a);
        [$rootB, $aboveB] = $this->find($b);
        if ($rootA === $rootB) {
            return self::sum($volts, self::sum($aboveB, $aboveA, -1.0));
        }
        // V(rootA) = V(b) + volts − V(a above rootA).
        $this->parent[$rootA] = $rootB;
        $this->above[$rootA] = self::sum(self::sum($aboveB, $volts), $aboveA, -1.0);

        return null;
    }

    /** @return ?array<string, array{float, float}> group => V of a above b; null where nothing says */
    public function between(int $a, int $b): ?array
    {
        [$rootA, $aboveA] = $this->find($a);
        [$rootB, $aboveB] = $this->find($b);

        return $rootA === $rootB ? self::sum($aboveA, $aboveB, -1.0) : null;
    }

    /** @return array{int, array<string, array{float, float}>} root, V above it */
    private function find(int $node): array
    {
        $above = [];
        while (isset($this->parent[$node])) {
            $above = self::sum($above, $this->above[$node]);
            $node = $this->parent[$node];
        }

        return [$node, $above];
    }

    /**
     * @param array<string, array{float, float}> $one
     * @param array<string, array{float, float}> $other
     * @return array<string, array{float, float}>
     */
    private static function sum(array $one, array $other, float $sign = 1.0): array
    {
        foreach ($other as $group => [$re, $im]) {
            $one[$group] = [($one[$group][0] ?? 0.0) + $sign * $re, ($one[$group][1] ?? 0.0) + $sign * $im];
        }

        return $one;
    }
}
