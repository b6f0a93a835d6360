<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Needed;

/** What is wanted in one quarter of an hour: of each alternating source, each circuit and each pair of rails. */
final class Wanted
{
    /** @var array<string, float> alternating source => W that loads take from it */
    public array $alternatingW = [];

    /** @var array<string, float> circuit => W */
    public array $circuitW = [];

    /** @var array<string, float> rail => W that everything on it takes */
    public array $railW = [];

    /** @var array<string, float> W that is missed, by load */
    public array $missed = [];

    /** @var array<string, list<array{string, float}>> rail or source => what takes from it, and W; units after a 0 */
    public array $on = [];

    /**
     * @param array<string, Store> $stores
     * @param array<string, true> $named parts that are in the day: they do not run by themselves beside
     * @param array<string, true> $down inverters that stand still
     * @param string $house battery of which nobody knows more that 12 V hangs on
     */
    public function __construct(
        private readonly Wiring $wiring,
        private readonly array $stores,
        private readonly array $named,
        private readonly array $down,
        private readonly string $house,
    ) {}

    /** @param list<array{Needed, float}> $running */
    public function of(array $running): void
    {
        foreach ($running as [$load, $watts]) {
            $own = $load->also12W() * ($load->fullW() > 0 ? $watts / $load->fullW() : 1.0);
            $house = $this->wiring->railOf[$this->house] ?? '';
            if ($own > 0) {
                $this->onRail($house, "{$load->id}.own", $own);
            }
            if (!$load->isAlternating()) {
                $this->onRail($this->wiring->railOfPart($load->at()) ?? $house, $load->id, $watts);
                continue;
            }
            $source = $load->at() === '' ? $this->wiring->anySource() : $this->wiring->sourceOn($load->at());
            $unit = $source === null ? null : $this->wiring->inverters[$source] ?? null;
            if ($source === null || ($unit !== null && isset($this->down[$unit->id]))) {
                $this->missed[$load->id] = $watts;
                continue;
            }
            $this->alternatingW[$source] = ($this->alternatingW[$source] ?? 0.0) + $watts;
            $this->on[$source][] = [$load->id, $watts];
            $this->circuitW[$load->at()] = ($this->circuitW[$load->at()] ?? 0.0) + $watts;
        }
        foreach ($this->wiring->users as $rail => $users) {
            foreach ($users as $user) {
                // What somebody has put into the day has its hours there; else only what runs whatever people do.
                $always = $user->safety !== '' || $user->device !== null;
                if ($always && !isset($this->named[$user->component])) {
                    $this->onRail(
                        $rail,
                        $user->id,
                        $user->wattsAt($user->volts > 0 ? $user->volts : $this->ratedV($rail)),
                    );
                }
            }
        }
        foreach ($this->wiring->coils as $id => $coil) {
            $source = $this->wiring->settled->situation->workingSource($coil->a, $coil->b);
            $this->alternatingW[(string) $source] = ($this->alternatingW[(string) $source] ?? 0.0) + $coil->watts;
            $this->on[(string) $source][] = [$id, $coil->watts];
        }
    }

    /** Nominal V of a rail: of the batteries on it. */
    private function ratedV(string $rail): float
    {
        $battery = array_search($rail, $this->wiring->railOf, true);

        return $battery === false ? 12.0 : $this->stores[$battery]->battery->ratedV;
    }

    public function onRail(string $rail, string $load, float $watts): void
    {
        $this->railW[$rail] = ($this->railW[$rail] ?? 0.0) + $watts;
        $this->on[$rail][] = [$load, $watts];
    }
}
