<?php

declare(strict_types=1);

namespace Tools\Bench;

/** Times, and how to say them. */
final class Times
{
    public static function say(string $line): void
    {
        fwrite(STDOUT, $line . "\n");
    }

    /** @param array<array-key, float> $times */
    public static function middle(array $times): float
    {
        sort($times);

        return $times[intdiv(count($times), 2)];
    }

    /** Median milliseconds of some calls. */
    public static function median(callable $work, int $rounds = 7): float
    {
        $times = [];
        for ($i = 0; $i < $rounds; $i++) {
            $begin = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $begin) / 1e6;
        }

        return self::middle($times);
    }
}
