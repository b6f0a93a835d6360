<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Network\PowerConverter;

/** The batteries on one pair of rails: what they take, and what they can give. */
final readonly class RailStores
{
    /** @var array<string, Store> */
    public array $stores;

    /** @param array<string, Store> $stores of the whole rig */
    public function __construct(private Wiring $wiring, array $stores, string $rail)
    {
        $this->stores = array_filter($stores, fn(Store $s): bool => ($wiring->railOf[$s->battery->id] ?? '') === $rail);
    }

    /** The highest V that one of them rests at. */
    public function restV(): float
    {
        return max([0.0, ...array_map(fn(Store $s): float => $s->restV(), $this->stores)]);
    }

    /**
     * V it stands at: what sun or engine holds there, else what a battery rests at.
     *
     * @param list<array{string, PowerConverter}> $chargers
     */
    public function standsAt(array $chargers): float
    {
        $volts = $this->restV();
        foreach ($chargers as [, $unit]) {
            $volts = $unit->kind === PowerConverter::FIELD ? max($volts, $unit->holdsV) : $volts;
        }

        return $volts;
    }

    /**
     * What the batteries of a rail take of what is left over.
     *
     * @param list<array{PowerConverter, string, float}> $able
     * @return array{array<string, array{float, float}>, float} battery => A and V; W of all
     */
    public function accepted(array $able, float $spareW): array
    {
        $holds = max([0.0, ...array_map(fn(array $a): float => $a[0]->holdsV, $able)]);
        $ableA = array_sum(array_map(fn(array $a): float => min($a[0]->limitA, $a[2] / $a[0]->holdsV), $able));
        $stores = array_filter($this->stores, fn(Store $s): bool => !isset($this->wiring->noCharge[$s->battery->id]));
        $capacity = array_sum(array_map(fn(Store $s): float => $s->battery->capacityAh, $stores));
        $charge = [];
        $watts = 0.0;
        foreach ($stores as $id => $store) {
            $amps = $store->takesA(($ableA * $store->battery->capacityAh) / $capacity);
            // Between its own volts and what the charger holds it stands as its resistance lets it.
            $volts = min($holds, $store->restV() + $amps * $store->battery->chargingOhm('half'));
            $charge[$id] = [$amps, max($volts, $store->restV())];
            $watts += $charge[$id][0] * $charge[$id][1];
        }
        $share = $watts > $spareW ? $spareW / $watts : 1.0;

        return [array_map(fn(array $c): array => [$c[0] * $share, $c[1]], $charge), $watts * $share];
    }

    /**
     * Batteries of a rail that can give.
     *
     * @return array<string, Store>
     */
    public function giving(): array
    {
        return array_filter(
            $this->stores,
            fn(Store $s): bool => $s->share > 0 && !$s->flat && !isset($this->wiring->noDischarge[$s->battery->id]),
        );
    }

    /** V of the rail when its batteries are asked for watts; null where they cannot give them at any volts. */
    public function under(float $watts): ?float
    {
        $siemens = $current = 0.0;
        foreach ($this->giving() as $store) {
            $siemens += 1 / $store->battery->ohm;
            $current += $store->restV() / $store->battery->ohm;
        }
        if ($siemens <= 0) {
            return $watts > 1e-9 ? null : 0.0;
        }
        // V² − E V + P R = 0: the upper of its two answers is the one that runs.
        $under = ($current / $siemens) ** 2 - (4 * $watts) / $siemens;

        return $under < 0 ? null : ($current / $siemens + sqrt($under)) / 2;
    }
}
