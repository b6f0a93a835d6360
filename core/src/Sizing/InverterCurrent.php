<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\PowerConverter;

/**
 * Direct current of an inverter, V at its terminals, efficiency at that load:
 * design = larger of 1.25 × W ÷ (nominal V × η) and W ÷ (cut-off V × η). Never W ÷ 12.
 */
final readonly class InverterCurrent
{
    private function __construct(
        public float $nominalA,
        public float $lowestA,
        public float $designA,
        public float $peakA,
    ) {}

    /** What an inverter of so many W draws from its battery, A. */
    public static function of(
        float $continuousW,
        float $surgeW,
        float $nominalV,
        float $cutOffV,
        float $efficiency,
    ): self {
        $nominal = $continuousW / ($nominalV * $efficiency);
        $lowest = $continuousW / ($cutOffV * $efficiency);

        return new self($nominal, $lowest, max(1.25 * $nominal, $lowest), $surgeW / ($cutOffV * $efficiency));
    }

    /** Of a unit as it is written down in a part. */
    public static function ofUnit(PowerConverter $inverter): self
    {
        return self::of(
            $inverter->limitA * $inverter->holdsV,
            $inverter->surgeA * $inverter->holdsV,
            $inverter->nominalV,
            $inverter->cutOffV,
            $inverter->efficiency,
        );
    }

    /** Watts an inverter may give for good behind a fuse: fuse ÷ 1.25 × nominal V × η. */
    public static function capW(float $fuseA, float $nominalV, float $efficiency): float
    {
        return ($fuseA / 1.25) * $nominalV * $efficiency;
    }
}
