<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Volts of a supply from outside in each condition it can be in. */
final class SupplyCondition
{
    /** A weak, a high and a miswired pedestal, V at 120 nominal. Assumed. */
    private const VOLTS = ['low' => 95.0, 'high' => 136.0, 'wired_240' => 240.0, 'dead' => 0.0];

    /** V that a supply made for so many stands at in a condition. */
    public static function volts(string $condition, float $nominalV): float
    {
        return ((self::VOLTS[$condition] ?? 120.0) * $nominalV) / 120.0;
    }
}
