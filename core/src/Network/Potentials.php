<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * Which nodes stand at which potential against each other, by what is joined and by the sources between:
 * a union-find that carries the phasor from each node to its root. A cycle that closes with a voltage
 * left over is a short, found without solving anything.
 */
final class Potentials
{
    /** @var array<int, int> */
    private array $parent = [];

    /** @var array<int, array{float, float}> V of a node above its parent */
    private array $above = [];

    /**
     * Puts a source of so many volts from b up to a.
     *
     * @return ?array{float, float} what is left over where the two were joined before; null where they were not
     */
    public function join(int $a, int $b, float $re, float $im = 0.0): ?array
    {
        [$rootA, $aRe, $aIm] = $this->find($a);
        [$rootB, $bRe, $bIm] = $this->find($b);
        if ($rootA === $rootB) {
            return [$re - ($aRe - $bRe), $im - ($aIm - $bIm)];
        }
        // V(rootA) = V(b) + volts − V(a above rootA).
        $this->parent[$rootA] = $rootB;
        $this->above[$rootA] = [$bRe + $re - $aRe, $bIm + $im - $aIm];

        return null;
    }

    /** @return ?array{float, float} V of a above b, or null where nothing says */
    public function between(int $a, int $b): ?array
    {
        [$rootA, $aRe, $aIm] = $this->find($a);
        [$rootB, $bRe, $bIm] = $this->find($b);

        return $rootA === $rootB ? [$aRe - $bRe, $aIm - $bIm] : null;
    }

    /** @return array{int, float, float} root, V above it */
    private function find(int $node): array
    {
        $re = $im = 0.0;
        while (isset($this->parent[$node])) {
            $re += $this->above[$node][0];
            $im += $this->above[$node][1];
            $node = $this->parent[$node];
        }

        return [$node, $re, $im];
    }
}
