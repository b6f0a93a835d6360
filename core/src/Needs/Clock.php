<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

/** Hours as people say them. */
final class Clock
{
    /** A length of time. */
    public static function long(float $hours): string
    {
        $minutes = (int) round($hours * 60);

        return match (true) {
            $hours >= 48 => sprintf('%.1f days', $hours / 24),
            $minutes >= 60 => sprintf('%d h %02d', intdiv($minutes, 60), $minutes % 60),
            default => "{$minutes} min",
        };
    }

    /** An hour of the day. */
    public static function of(float $atH): string
    {
        $minutes = ((int) round(fmod($atH, 24) * 60)) % 1440;

        return sprintf('%d:%02d', intdiv($minutes, 60), $minutes % 60);
    }
}
