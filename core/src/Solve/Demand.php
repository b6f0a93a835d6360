<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** Something that takes a complex power between two terminals, whatever the volts: a load, a charger's input, an inverter's battery side. */
final class Demand
{
    /** Whether it has fallen below what it runs on and is taken as a constant impedance. */
    public bool $collapsed = false;

    /** @var array{float, float} admittance that stands for it in a mesh, S */
    public array $inMesh = [0.0, 0.0];

    /**
     * @param float $watts active power
     * @param float $vars reactive power, lagging
     * @param float $nominalV volts its rating is given at
     * @param bool $constant constant power; a resistance otherwise
     */
    public function __construct(
        public readonly string $id,
        public readonly string $a,
        public readonly string $b,
        public float $watts,
        public float $vars,
        public readonly float $nominalV,
        public readonly bool $constant,
    ) {}

    /** @return array{float, float} admittance at nominal volts, S: (P − jQ) ÷ V² */
    public function nominal(): array
    {
        return [$this->watts / $this->nominalV ** 2, -$this->vars / $this->nominalV ** 2];
    }
}
