<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * Something that takes a complex power between two terminals, whatever the volts: a load, a charger's input, an
 * inverter's battery side.
 */
final class PowerInjection
{
    /** Whether it has fallen below what it runs on and is taken as a constant impedance. */
    public bool $collapsed = false;

    /**
     * @param float $watts active power; negative for what gives
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
        /** below this share of nominal volts it gives up */
        public readonly float $floor = AcSide::COLLAPSE,
    ) {}

    /** Whether it stands in a nodal network as an impedance. */
    public function isImpedance(): bool
    {
        return !$this->constant || $this->collapsed;
    }

    /** @return array{float, float} admittance at nominal volts, S: (P − jQ) ÷ V² */
    public function nominal(): array
    {
        return [$this->watts / $this->nominalV ** 2, -$this->vars / $this->nominalV ** 2];
    }

    /**
     * Current it draws at some volts, A: conj(S ÷ V), or V times its admittance.
     *
     * @return array{float, float}
     */
    public function currentAt(float $re, float $im): array
    {
        if ($this->isImpedance()) {
            [$g, $b] = $this->nominal();

            return [$re * $g - $im * $b, $re * $b + $im * $g];
        }
        $size = max(1e-9, $re * $re + $im * $im);

        return [($this->watts * $re + $this->vars * $im) / $size, ($this->watts * $im - $this->vars * $re) / $size];
    }
}
