<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Reference\Chemistry;

/** What storing, making and turning energy costs by a catalogue: the cheapest of each kind that is offered. */
final class EnergyPrices
{
    /** @var array<string, float> chemistry => the lowest price of a Wh */
    private array $wattHour = [];

    private ?float $panelWatt = null;

    /** @var array<int, float> W => lowest price of a sine inverter that gives at least that */
    private array $inverters = [];

    /** @var array<int, float> A => lowest price of a mains charger that gives at least that */
    private array $chargers = [];

    /** @param array<string, Offer> $offers */
    public function __construct(array $offers)
    {
        foreach ($offers as $offer) {
            $price = $offer->price();
            if ($price === null) {
                continue;
            }
            $wh = ($offer->number('ah') ?? 0.0) * ($offer->number('volts') ?? 0.0);
            $watts = $offer->number('watts') ?? 0.0;
            if ($offer->is('battery_bank') && $wh > 0) {
                $of = $offer->text('chemistry');
                $this->wattHour[$of] = min($this->wattHour[$of] ?? INF, $price / $wh);
            } elseif ($offer->is('solar_panel') && $watts > 0) {
                $this->panelWatt = min($this->panelWatt ?? INF, $price / $watts);
            } elseif ($offer->is('inverter', 'inverter_charger') && $offer->text('waveform') === 'sine') {
                $this->inverters[(int) $watts] = min($this->inverters[(int) $watts] ?? INF, $price);
            } elseif ($offer->is('converter')) {
                $amps = (int) ($offer->number('ratingA') ?? 0.0);
                $this->chargers[$amps] = min($this->chargers[$amps] ?? INF, $price);
            }
        }
        ksort($this->inverters);
        ksort($this->chargers);
    }

    /** Of a Wh of battery; null where nobody offers one. */
    public function wattHour(Chemistry $chemistry): ?float
    {
        return $this->wattHour[$chemistry->value] ?? null;
    }

    /** Of a W of panels. */
    public function panelWatt(): ?float
    {
        return $this->panelWatt;
    }

    /** Of an inverter that gives so many W for good; 0 for none. */
    public function inverter(float $watts): ?float
    {
        return self::atLeast($this->inverters, $watts);
    }

    /** Of a charger of so many A; 0 for none. */
    public function charger(float $amps): ?float
    {
        return self::atLeast($this->chargers, $amps);
    }

    /** @param array<int, float> $prices */
    private static function atLeast(array $prices, float $wanted): ?float
    {
        if ($wanted <= 0) {
            return 0.0;
        }
        foreach ($prices as $size => $price) {
            if ($size >= $wanted - 1e-6) {
                return $price;
            }
        }
        // None is large enough: as many of the largest as it takes.
        $largest = array_key_last($prices);

        return $largest === null || $largest <= 0 ? null : ceil($wanted / $largest) * $prices[$largest];
    }
}
