<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** One winding as the solver has it: volts behind a resistance between two terminals, at a port of its own. */
final class Winding
{
    /**
     * @param string $of source it belongs to
     * @param string $name what it is called in a network
     * @param float $re volts, real and imaginary
     */
    public function __construct(
        public readonly string $of,
        public readonly string $name,
        public readonly string $a,
        public readonly string $b,
        public readonly float $re,
        public readonly float $im,
        public float $ohm,
    ) {}

    /**
     * Current it gives out of its first terminal, A, with so many volts across it.
     *
     * @return array{float, float}
     */
    public function gives(float $vRe, float $vIm): array
    {
        return [($this->re - $vRe) / $this->ohm, ($this->im - $vIm) / $this->ohm];
    }

    /** Puts another resistance in its place, at its port. */
    public function becomes(float $ohm, Ports $ports, int $port, ?float $re = null): void
    {
        $change = 1 / $ohm - 1 / $this->ohm;
        $ports->absorb($port, $change);
        $ports->inject($port, $change * $this->re, $change * $this->im);
        $this->ohm = $ohm;
    }
}
