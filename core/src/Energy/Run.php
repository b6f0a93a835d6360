<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

/** Days as they went, quarter by quarter, and what they come to. */
final class Run
{
    /** @var array<string, list<float>> battery => share of charge at the end of each quarter */
    public array $share = [];

    /** @var array<string, list<float>> what comes in: sun, engine, shore, generator => W */
    public array $inW = ['sun' => [], 'engine' => [], 'shore' => [], 'generator' => []];

    /** @var list<float> W that loads take */
    public array $useW = [];

    /** @var list<float> W of sun that nothing took */
    public array $curtailedW = [];

    /** @var list<float> W that loads wanted and did not get */
    public array $missedW = [];

    /** @var array<string, float> Wh by load */
    public array $usedWh = [];

    /** @var array<string, float> Wh that loads wanted and did not get */
    public array $missedWh = [];

    /** @var array<string, float> Wh by what keeps it: unit => losses of conversion and idling */
    public array $keptWh = [];

    /** @var array<string, float> Wh by source */
    public array $cameWh = ['sun' => 0.0, 'engine' => 0.0, 'shore' => 0.0, 'generator' => 0.0];

    public float $curtailedWh = 0.0;

    public float $generatorH = 0.0;

    /** @var list<array{atH: float, kind: string, what: string}> in their order */
    public array $events = [];

    /** What ends it first, and when: battery, fuel, propane, water, waste; null where nothing does. */
    public ?string $endsBy = null;

    public ?float $endsAtH = null;

    /** @var array<string, Store> */
    public array $stores = [];

    /** @var array<int, Moment> for a load flow to be held against: quarter => state, loads, battery watts */
    public array $moments = [];

    public bool $stopped = false;

    public function event(float $atH, string $kind, string $what, bool $ends = false): void
    {
        foreach (array_reverse($this->events) as $event) {
            // The same trouble again within the hour is the same trouble.
            if ($event['kind'] === $kind && $event['what'] === $what && $atH - $event['atH'] < 12) {
                return;
            }
        }
        $this->events[] = ['atH' => $atH, 'kind' => $kind, 'what' => $what];
        if ($ends && $this->endsBy === null) {
            $this->endsBy = $kind;
            $this->endsAtH = $atH;
        }
    }

    /** Wh that came in and out of batteries, less what went: 0 where nothing was lost sight of. */
    public function unaccountedWh(): float
    {
        $stores = 0.0;
        foreach ($this->stores as $store) {
            $stores += $store->releasedWh - $store->heatWh - $store->lostWh;
        }

        return array_sum($this->cameWh) + $stores - array_sum($this->usedWh) - array_sum($this->keptWh);
    }
}
