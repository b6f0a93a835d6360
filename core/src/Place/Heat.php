<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use InvalidArgumentException;

/** Heat of units against the air that carries it off. */
final class Heat
{
    /** Density of air × its heat by weight at 20 °C, J/(m³·K): 1.204 × 1006 (textbook figures). */
    private const AIR = 1.204 * 1006.0;

    /** Of a slot or louvre (orifice, textbook figure). */
    private const ORIFICE = 0.6;

    /** What passes a thin wall into still air on both sides, W/(m²·K). Common figure of plywood, from memory. */
    private const WALL = 3.0;

    private const GRAVITY = 9.81;

    private const KELVIN = 293.0;

    /** A unit is rated up to here, above it gives less, °C. Common makers' practice. */
    public const RATED_C = 40.0;

    /**
     * What is left of a conversion as heat, W: out × (1/η − 1).
     *
     * @throws InvalidArgumentException for an efficiency that cannot be
     */
    public static function lostW(float $outW, float $efficiency): float
    {
        if ($efficiency <= 0 || $efficiency > 1) {
            throw new InvalidArgumentException('An efficiency is above 0 and at most 1.');
        }

        return $outW * (1 / $efficiency - 1);
    }

    /** Air that carries so much heat off with so much rise, m³/h. */
    public static function airM3h(float $watts, float $riseK): float
    {
        return ($watts / (self::AIR * $riseK)) * 3600;
    }

    /** Rise of the air that a fan moves through, K. */
    public static function riseByFan(float $watts, float $fanM3h): float
    {
        return $watts / ((self::AIR * $fanM3h) / 3600);
    }

    /**
     * Rise with a vent below and one of the same size above, K: air that is warmer by so much is lighter and draws
     * Q = C·A·√(2·g·h·ΔT/T) (stack effect); what it carries grows with ΔT, so ΔT^1.5 = W ÷ (ρ·c·C·A·√(2·g·h/T)).
     *
     * @param float $ventCm2 free area of each
     */
    public static function riseByVents(float $watts, float $ventCm2, float $betweenM): float
    {
        // Two openings one after the other let through as one of 1/√2 of their area.
        $area = $ventCm2 / 1e4 / M_SQRT2;
        $draws = self::ORIFICE * $area * sqrt((2 * self::GRAVITY * $betweenM) / self::KELVIN);

        return ($watts / (self::AIR * $draws)) ** (2 / 3);
    }

    /** Rise of a closed box whose walls alone let heat through, K. */
    public static function riseClosed(float $watts, float $wallM2): float
    {
        return $watts / (self::WALL * $wallM2);
    }

    /**
     * Rise of a box that gives heat off by its walls and by what else moves its air, K: found by halving, both grow
     * with the rise.
     *
     * @param float $aloneK rise if the air alone carried all of it
     * @param float $power of the rise that the air's share grows with: 1 by a fan, 1.5 by vents
     */
    public static function riseOfBoth(float $watts, float $wallM2, float $aloneK, float $power): float
    {
        $low = 0.0;
        $high = min($aloneK, self::riseClosed($watts, $wallM2));
        for ($n = 0; $n < 60; $n++) {
            $try = ($low + $high) / 2;
            $off = self::WALL * $wallM2 * $try + $watts * ($try / $aloneK) ** $power;
            if ($off > $watts) {
                $high = $try;
            } else {
                $low = $try;
            }
        }

        return $high;
    }

    /** Free area that each of two vents needs for a rise, cm². */
    public static function ventCm2(float $watts, float $riseK, float $betweenM): float
    {
        // By the formula above ΔT goes with area^(-2/3).
        return (self::riseByVents($watts, 1.0, $betweenM) / $riseK) ** 1.5;
    }
}
