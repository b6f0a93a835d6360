<?php

declare(strict_types=1);

namespace Tests\Laws;

/** Drops by hand, from a table of the laws' own. */
final class Copper
{
    /** Stranded uncoated copper at 75 °C, Ω per 1000 ft: NFPA 70 chapter 9 table 8 (values from memory). */
    private const OHM_PER_KFT = [
        '4/0' => 0.0608,
        '3/0' => 0.0766,
        '2/0' => 0.0967,
        '1/0' => 0.122,
        '1' => 0.154,
        '2' => 0.194,
        '3' => 0.245,
        '4' => 0.308,
        '6' => 0.491,
        '8' => 0.778,
        '10' => 1.24,
        '12' => 1.98,
        '14' => 3.14,
        '16' => 4.99,
        '18' => 7.95,
    ];

    private const M_PER_KFT = 304.8;

    /** Volts along so many metres of conductor; null where the table has no such size. */
    public static function drop(float $amps, string $size, float $m, int $parallel = 1): ?float
    {
        $ohm = self::OHM_PER_KFT[explode(':', $size)[1] ?? $size] ?? null;

        return $ohm === null ? null : ($amps * ($ohm / self::M_PER_KFT) * $m) / $parallel;
    }

    /** @return list<string> sizes, the thickest first */
    public static function sizes(): array
    {
        return array_map(fn(int|string $gauge): string => "awg:{$gauge}", array_keys(self::OHM_PER_KFT));
    }

    public static function near(float $a, float $b, float $share = 0.002): bool
    {
        return abs($a - $b) <= $share * max(abs($a), abs($b)) + 0.002;
    }
}
