<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Reference\Sun;

/**
 * Sizes from what must run: inverter, bank, charging, sun. Whichever the owner has (loads, room, days), the others
 * follow.
 */
final readonly class Proposal
{
    private const INVERTER_W = [300, 600, 1000, 1500, 2000, 3000, 4000, 5000];

    private const EFFICIENCY = 0.88;

    /** A bank is filled again in so many hours on a supply. Common practice. */
    private const REFILL_H = 6.0;

    /** Days without sun or engine that the bank lasts. */
    public float $days;

    /**
     * @param list<Needed> $loads
     * @param string $from what the owner has: days, or room for a bank of so many Ah
     */
    public function __construct(
        private array $loads,
        private Trip $trip,
        string $from,
        float $value,
        private Chemistry $chemistry = Chemistry::Lfp,
        private float $volts = 12.8,
    ) {
        $this->days = $from === 'bank' ? $this->daysOf($value) : $value;
    }

    /**
     * As many days as a sum of money buys: bank, inverter, charger and panels for a day's use in balance.
     *
     * @param list<Needed> $loads
     */
    public static function within(array $loads, Trip $trip, float $budget, EnergyPrices $prices): self
    {
        [$low, $high] = [0.0, 60.0];
        for ($n = 0; $n < 40; $n++) {
            $try = ($low + $high) / 2;
            $cost = (new self($loads, $trip, 'days', $try))->cost($prices);
            // What has no price cannot be bought for it.
            $cost === null || $cost > $budget ? ($high = $try) : ($low = $try);
        }

        return new self($loads, $trip, 'days', $low);
    }

    /** What it costs by a catalogue, work apart; null where something of it has no price. */
    public function cost(EnergyPrices $prices, ?float $panelsW = null): ?float
    {
        $watts = $panelsW ?? $this->sunW();
        $parts = [
            ($wh = $prices->wattHour($this->chemistry)) === null ? null : $wh * $this->bankAh() * $this->volts,
            $prices->inverter($this->inverterW()),
            $prices->charger($this->chargerA()),
            ($w = $prices->panelWatt()) === null ? null : $w * $watts,
        ];

        return in_array(null, $parts, true) ? null : array_sum($parts);
    }

    /** W of 120 V that run at once in the worst quarter of an hour, at full. */
    public function togetherW(): float
    {
        $most = 0.0;
        for ($quarter = 0; $quarter < Needed::QUARTERS; $quarter++) {
            $now = 0.0;
            foreach ($this->running() as $load) {
                $now += $load->isAlternating() && isset($load->watts[$quarter]) ? $load->fullW() : 0.0;
            }
            $most = max($most, $now);
        }

        return $most;
    }

    /** W for seconds: the largest start beside what else runs, as it is or with a soft starter. */
    public function surgeW(bool $softly = false): float
    {
        $start = 0.0;
        foreach ($this->running() as $load) {
            $amps = ($softly ? $load->startA(true) : null) ?? ($load->startA() ?? 0.0);
            $more = $amps * 120 - $load->fullW();
            $start = $load->isAlternating() ? max($start, $more) : $start;
        }

        return $this->togetherW() + $start;
    }

    /** The next usual size that carries it for good with a quarter to spare, and half its surge; 0 for none. */
    public function inverterW(bool $softly = false): float
    {
        if ($this->togetherW() <= 0) {
            return 0.0;
        }
        foreach (self::INVERTER_W as $watts) {
            if ($watts >= 1.25 * $this->togetherW() && 2 * $watts >= $this->surgeW($softly)) {
                return (float) $watts;
            }
        }

        return (float) self::INVERTER_W[count(self::INVERTER_W) - 1];
    }

    /** Wh a day at the battery: what runs on 120 V with the inverter's losses, and its idling. */
    public function dayWh(): float
    {
        $wh = 0.0;
        foreach ($this->running() as $load) {
            $wh += $load->dayWh() / ($load->isAlternating() ? self::EFFICIENCY : 1.0);
            $wh += $load->fullW() > 0 ? ($load->also12W() * $load->dayWh()) / $load->fullW() : 0.0;
        }
        // A usual unit idles at a hundredth of what it gives.
        return $wh + ($this->trip->text('inverter') === 'on' ? 24 * 0.01 * $this->inverterW() : 0.0);
    }

    /** Ah that last the days. */
    public function bankAh(): float
    {
        return ($this->dayWh() * $this->days) / ($this->volts * $this->chemistry->usableShare());
    }

    /** Days that so many Ah last. */
    public function daysOf(float $ah): float
    {
        return ($ah * $this->volts * $this->chemistry->usableShare()) / max(1e-9, $this->dayWh());
    }

    /** A of a charger that fills it again overnight, within what the chemistry likes. */
    public function chargerA(): float
    {
        $ah = $this->bankAh();

        return min(
            ($ah * $this->chemistry->usableShare()) / self::REFILL_H,
            $ah * ($this->chemistry->isLead() ? 0.2 : 0.5),
        );
    }

    /** W of panels that bring a day's use, in this month and sky. */
    public function sunW(): float
    {
        return $this->dayWh() / max(0.05, $this->sunHours() * Sun::PERFORMANCE);
    }

    /** Share of a day's use that panels of so many W bring. */
    public function sunShare(float $watts): float
    {
        return ($watts * $this->sunHours() * Sun::PERFORMANCE) / max(1e-9, $this->dayWh());
    }

    /** Hours of full sun that a day is worth. */
    public function sunHours(): float
    {
        $wh = 0.0;
        for ($quarter = 0; $quarter < Needed::QUARTERS; $quarter++) {
            $wh += $this->trip->light($quarter, $this->trip->text('weather')) / 4000;
        }

        return $wh;
    }

    /** @return list<Needed> */
    private function running(): array
    {
        return array_values(
            array_filter(
                $this->loads,
                fn(Needed $l): bool => $l->runsIn($this->trip->month(), $this->trip->number('latitude')),
            ),
        );
    }
}
