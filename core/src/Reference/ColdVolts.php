<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** How far open-circuit volts of crystalline panels rise in the cold, where the maker gives no coefficient. */
final class ColdVolts
{
    /** Lowest temperature of a row, °C => factor (NEC table 690.7(A), from memory: check a printed copy). */
    private const FACTORS = [
        25 => 1.0,
        20 => 1.02,
        15 => 1.04,
        10 => 1.06,
        5 => 1.08,
        0 => 1.1,
        -5 => 1.12,
        -10 => 1.14,
        -15 => 1.16,
        -20 => 1.18,
        -25 => 1.2,
        -30 => 1.21,
        -35 => 1.23,
        -40 => 1.25,
    ];

    /** Factor on the volts at 25 °C; below the table that of its last row, at the mercy of the maker's sheet. */
    public static function factor(float $coldestC): float
    {
        foreach (self::FACTORS as $from => $factor) {
            if ($coldestC >= $from) {
                return $factor;
            }
        }

        return 1.25;
    }

    /** Where the table is from. */
    public static function source(): Source
    {
        return Source::recalled('NEC table 690.7(A), crystalline panels');
    }
}
