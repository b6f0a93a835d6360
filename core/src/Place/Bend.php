<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Reference\ConductorSize;

/** Room that a cable needs to turn at a terminal. */
final class Bend
{
    /** Times its own thickness, for fine-strand battery cable. Common practice, no source. */
    public const FINE = 4.0;

    /** A lug from its stud to where the cable can begin to bend, in thicknesses of the cable. Common practice. */
    private const LUG = 3.0;

    /** Thickness of a single conductor over its insulation, m: copper of its area, stranded, and 1.5 to 2 mm around. */
    public static function thicknessM(ConductorSize $size): float
    {
        // Strands lie in circles: they fill about three quarters.
        $copper = 2 * sqrt($size->areaMm2 / 0.75 / M_PI);

        return ($copper + ($size->areaMm2 > 20 ? 4.0 : 3.0)) / 1000;
    }

    /** From the stud to the outside of the turned cable, m. */
    public static function roomM(ConductorSize $size): float
    {
        $d = self::thicknessM($size);

        return $d * (self::LUG + self::FINE + 1);
    }

    /** Cable glands: thread => the thickest cable it seals, mm. Usual ranges of makers, from memory. */
    private const GLANDS = ['M12' => 6.5, 'M16' => 10.0, 'M20' => 13.0, 'M25' => 18.0, 'M32' => 25.0, 'M40' => 32.0];

    /** The smallest gland that a cable goes through; null for one that is too thick for all of them. */
    public static function gland(float $thicknessM): ?string
    {
        foreach (self::GLANDS as $thread => $mm) {
            if ($thicknessM * 1000 <= $mm + 1e-9) {
                return $thread;
            }
        }

        return null;
    }
}
