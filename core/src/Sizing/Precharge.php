<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

/** Filling the input capacitors of an inverter: what flows at first, how long it takes, what the resistor takes up. */
final readonly class Precharge
{
    /** Of the battery's volts that is called full. */
    private const FULL = 0.99;

    /**
     * @param float $firstA V ÷ Ω
     * @param float $seconds until 99 % of the volts: Ω · F · ln 100
     * @param float $joules that the resistor turns to heat: ½ · F · V²
     */
    private function __construct(public float $firstA, public float $seconds, public float $joules) {}

    /** Through a resistor, into capacitors of so many farad. */
    public static function through(float $volts, float $ohm, float $farad): self
    {
        return new self($volts / $ohm, -$ohm * $farad * log(1 - self::FULL), 0.5 * $farad * $volts ** 2);
    }

    /** First amps with nothing but the battery's own resistance in the way: a bound, which inductance lowers. */
    public static function bare(float $volts, float $ohm): float
    {
        return $volts / $ohm;
    }
}
