<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** A cable as run: size, length one way, sheath, conductors in parallel, insulation and where it runs. */
final readonly class Cable
{
    /** Sheaths that protect a conductor over its whole length. */
    private const SHEATHED = ['nm_b', 'cord', 'sheathed'];

    /**
     * @param float $lengthM one way
     * @param string $sheath nm_b, cord, single, fine or sheathed
     * @param ?int $insulationC temperature rating of the insulation, °C; null when nobody has read it
     * @param ?float $ambientC where it runs, °C; null for the table's own 30 °C
     * @param int $bundled current-carrying conductors that touch each other, itself included
     */
    public function __construct(
        public ConductorSize $size,
        public float $lengthM,
        public string $sheath,
        public int $parallel,
        public ?int $insulationC = null,
        public ?float $ambientC = null,
        public int $bundled = 1,
    ) {}

    /** Resistance of one leg in ohm at a conductor temperature. */
    public function ohm(float $temperatureC): float
    {
        return $this->size->ohm($this->lengthM, $temperatureC) / $this->parallel;
    }

    /** Whether a jacket or conduit is around it. */
    public function isSheathed(): bool
    {
        return in_array($this->sheath, self::SHEATHED, true);
    }

    /** As it is said in the workshop: "2 × 4/0 AWG". */
    public function spoken(): string
    {
        return ($this->parallel > 1 ? $this->parallel . ' × ' : '') . $this->size->spoken();
    }
}
