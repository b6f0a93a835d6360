<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** Pull that a crimped lug stands for a minute, by conductor: ABYC E-11, from memory. */
final class CrimpPull
{
    private const N_PER_LBF = 4.4482216;

    /** designation => lbf */
    private const LBF = [
        'awg:18' => 10,
        'awg:16' => 15,
        'awg:14' => 30,
        'awg:12' => 35,
        'awg:10' => 40,
        'awg:8' => 45,
        'awg:6' => 50,
        'awg:4' => 70,
        'awg:2' => 90,
        'awg:1' => 100,
        'awg:1/0' => 125,
        'awg:2/0' => 150,
        'awg:3/0' => 175,
        'awg:4/0' => 225,
    ];

    /** Newton; null for a size the table does not have. */
    public static function newton(string $designation): ?float
    {
        $lbf = self::LBF[$designation] ?? null;

        return $lbf === null ? null : round($lbf * self::N_PER_LBF);
    }
}
