<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;

/** The smallest AWG conductor, single or two in parallel, that meets ampacity and voltage drop. */
final readonly class ConductorChoice
{
    /** Conductor temperature for drop checks, °C (NFPA 70 chapter 9 table 8). */
    public const DROP_C = 75.0;

    private function __construct(
        public ConductorSize $size,
        public int $parallel,
        public float $ampacityA,
        public float $dropV,
        /** ampacity or voltage drop: what made it this size */
        public string $governs,
    ) {}

    /**
     * @param float $designA what the ampacity must reach
     * @param float $runningA current at which the drop is judged
     * @param float $roundTripM both legs
     * @param ?ConductorSize $largest what the terminals take
     */
    public static function smallest(
        Ampacity $school,
        float $designA,
        float $runningA,
        float $roundTripM,
        float $dropLimitV,
        int $parallel = 1,
        ?ConductorSize $largest = null,
    ): ?self {
        $byAmpacity = null;
        foreach (ConductorSize::all() as $size) {
            // As it will be judged once it is run: a school may not let thin conductors count together.
            $ampacity = $school->ofCable(new Cable($size, $roundTripM / 2, 'single', $parallel));
            if (
                !$size->isAwg() ||
                $ampacity === null ||
                $ampacity < $parallel * (float) $school->ofSize($size) ||
                ($largest !== null && $size->areaMm2 > $largest->areaMm2 + 0.01)
            ) {
                continue;
            }
            if ($ampacity + 1e-9 < $designA) {
                continue;
            }
            $byAmpacity ??= $size;
            $drop = self::dropV($size, $runningA, $roundTripM, $parallel);
            if ($drop <= $dropLimitV + 1e-9) {
                return new self(
                    $size,
                    $parallel,
                    $ampacity,
                    $drop,
                    $size === $byAmpacity ? 'ampacity' : 'voltage drop',
                );
            }
        }

        return null;
    }

    /** Volts lost over both legs at 75 °C. */
    public static function dropV(ConductorSize $size, float $currentA, float $roundTripM, int $parallel = 1): float
    {
        return ($currentA * $size->ohm($roundTripM, self::DROP_C)) / $parallel;
    }
}
