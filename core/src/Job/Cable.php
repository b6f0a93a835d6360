<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;

/** A cable as run: size, length one way, sheath, conductors in parallel. */
final readonly class Cable
{
    public function __construct(
        public ConductorSize $size,
        public float $lengthM,
        public string $sheath,
        public int $parallel,
    ) {}

    /** Resistance of one leg in ohm at a conductor temperature. */
    public function ohm(float $temperatureC): float
    {
        return $this->size->ohm($this->lengthM, $temperatureC) / $this->parallel;
    }

    /** Ampacity in A by a school, or null when its table has no such size. */
    public function ampacityA(Ampacity $school): ?float
    {
        $one = $school->ofSize($this->size);

        return $one === null ? null : $one * $this->parallel;
    }

    public function spoken(): string
    {
        return ($this->parallel > 1 ? $this->parallel . ' × ' : '') . $this->size->spoken();
    }
}
