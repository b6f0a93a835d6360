<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * How long an overcurrent device carries more than its rating. Order of magnitude, to tell minutes from
 * seconds: common practice, after the usual limits (a breaker opens at 135 % within the hour and at
 * 200 % within minutes, UL 489; a fuse at 135 % within the hour, UL 248; both from memory).
 */
final class TripCurve
{
    /** Below this share of its rating a device never opens. */
    private const NEVER = 1.1;

    /** From this share on a breaker opens by its magnet, at once. */
    private const MAGNET = 10.0;

    /** Seconds until a device of this kind opens at so many times its rating; null for never. */
    public static function seconds(string $what, float $times): ?float
    {
        if ($times < self::NEVER) {
            return null;
        }
        $heat = $times ** 2 - 1;

        return match ($what) {
            'breaker' => $times >= self::MAGNET ? 0.02 : max(0.02, 120 / $heat),
            'management' => $times >= 2 ? 0.01 : 10 / $heat,
            default => max(0.001, 60 / $heat ** 1.5),
        };
    }

    /** A time until something opens, in words; null: it may never. */
    public static function words(?float $seconds): string
    {
        return match (true) {
            $seconds === null => 'never',
            $seconds < 1 => 'at once',
            $seconds < 90 => sprintf('after about %.0f s', $seconds),
            default => sprintf('after about %.0f min', $seconds / 60),
        };
    }
}
