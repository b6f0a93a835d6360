<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** What a breaker, and the cord and receptacle it protects, carry for three hours and more: NEC 210.20(A), 80 %. */
final class ForHours
{
    public const SHARE = 0.8;

    /** A for hours of a supply with a breaker of so many amps. */
    public static function amps(float $breakerA): float
    {
        return self::SHARE * $breakerA;
    }

    public static function source(): Source
    {
        return Source::recalled('NFPA 70 210.20(A)');
    }
}
