<?php

declare(strict_types=1);

namespace Tests;

/** Seeds that rigs are drawn from: few with every push, all by `bin/test every`. */
final class Seeds
{
    /** @return list<int> */
    public static function of(int $all, ?int $few = null): array
    {
        return range(1, getenv('HOLLIN_EVERY') === '1' ? $all : min($all, $few ?? max(3, intdiv($all, 5))));
    }

    /**
     * Whether one of many that cost much is looked at: one in so many with every push, by its name, so that a new one
     * moves no other, and all of them by `bin/test every`.
     */
    public static function draws(string $name, int $of): bool
    {
        return getenv('HOLLIN_EVERY') === '1' || crc32($name) % $of === 0;
    }
}
