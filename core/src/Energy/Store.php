<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Network\Battery;

/**
 * A battery over days: how much is in it, what it gives and takes. Rest volts follow its charge; it stands behind its
 * resistance; lead gives less the faster it is emptied (Peukert); from the knee on it takes less and less, down to its
 * tail current when full, so that charge comes back as (1 − e^(−t/τ)).
 */
final class Store
{
    /** Wh that came out, went in, became heat behind the resistance, and were lost in charging. */
    public float $outWh = 0.0;

    public float $inWh = 0.0;

    public float $heatWh = 0.0;

    public float $lostWh = 0.0;

    /** Wh that the cells hold less than at first, at their rest volts. */
    public float $releasedWh = 0.0;

    /** Share of charge from which one that was empty is used again. Common practice, no source. */
    public const BACK = 0.05;

    /** It was empty, and has not come back yet. */
    public bool $flat = false;

    /** @param float $share of charge, 0 to 1 */
    public function __construct(public readonly Battery $battery, public float $share) {}

    /** V at rest. */
    public function restV(): float
    {
        return $this->battery->chemistry->restAtV($this->share) * $this->battery->blocks();
    }

    /**
     * A it takes at most from chargers that could give so many for good: all of it up to the knee, from there on a line
     * down to its tail.
     */
    public function takesA(float $ableA): float
    {
        $most = min($ableA, $this->battery->chargeLimitA ?? INF);
        $chemistry = $this->battery->chemistry;
        $tail = $chemistry->tail() * $this->battery->capacityAh;
        if ($this->share >= 1.0) {
            return 0.0;
        }
        if ($this->share <= $chemistry->knee() || $most <= $tail) {
            return $most;
        }

        return $tail + (($most - $tail) * (1 - $this->share)) / (1 - $chemistry->knee());
    }

    /** Ah that are drawn from its capacity for amps over hours: more, for lead emptied faster than in twenty hours. */
    public function drainAh(float $amps, float $hours): float
    {
        $rated = $this->battery->capacityAh / 20;
        $k = $this->battery->chemistry->peukert();

        return $amps * $hours * ($amps > $rated ? ($amps / $rated) ** ($k - 1) : 1.0);
    }

    /** Hours it can give so many amps, until nothing is left. */
    public function hoursAt(float $amps): float
    {
        return ($this->share * $this->battery->capacityAh) / max(1e-9, $this->drainAh($amps, 1.0));
    }

    /** Gives amps for hours. */
    public function give(float $amps, float $hours): void
    {
        $rest = $this->restV();
        $this->share = max(0.0, $this->share - $this->drainAh($amps, $hours) / $this->battery->capacityAh);
        $this->releasedWh += $rest * $amps * $hours;
        $this->heatWh += $amps ** 2 * $this->battery->ohm * $hours;
        $this->outWh += ($rest - $amps * $this->battery->ohm) * $amps * $hours;
    }

    /** Takes amps at volts for hours; the rest above its own volts and what does not stay is heat. */
    public function take(float $amps, float $volts, float $hours): void
    {
        $this->flat = $this->flat && $this->share < self::BACK;
        $rest = $this->restV();
        $stays = $this->battery->chemistry->chargeEfficiency();
        $this->share = min(1.0, $this->share + ($amps * $hours * $stays) / $this->battery->capacityAh);
        $this->releasedWh -= $rest * $amps * $hours * $stays;
        $this->heatWh += ($volts - $rest) * $amps * $hours;
        $this->lostWh += $rest * $amps * $hours * (1 - $stays);
        $this->inWh += $volts * $amps * $hours;
    }
}
