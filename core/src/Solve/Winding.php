<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Source;

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
     * Windings of a source that stands at so many volts: two where its case is in the middle between its wires.
     *
     * @return list<self>
     */
    public static function of(Source $source, float $volts): array
    {
        $id = $source->id;
        $re = $volts * cos(deg2rad($source->angleDeg));
        $im = $volts * sin(deg2rad($source->angleDeg));

        return $source->neutral === 'half'
            ? [
                new self($id, "{$id}#l", $source->a, $source->ground, $re / 2, $im / 2, $source->impedanceOhm / 2),
                new self($id, "{$id}#n", $source->ground, $source->b, $re / 2, $im / 2, $source->impedanceOhm / 2),
            ]
            : [new self($id, $id, $source->a, $source->b, $re, $im, $source->impedanceOhm)];
    }

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
