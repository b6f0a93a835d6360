<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Needed;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Sun;

/** The balance of one quarter of an hour: what is wanted, what comes, and what each battery gives or takes. */
final class Step
{
    /** What leads keep, among what units keep. */
    public const LEADS = '+leads';

    /** Volts that a source of 120 V stands at. */
    private const MAINS_V = 120.0;

    /** @var array<string, float> rail => V */
    public array $railV = [];

    /** @var array<string, PowerConverter> inverters that shut down for low volts */
    public array $low = [];

    /** @var array<string, float> W by what it comes from */
    public array $cameW = ['sun' => 0.0, 'engine' => 0.0, 'shore' => 0.0, 'generator' => 0.0];

    /** Share of a generator's watts that air and heat leave it. */
    public float $derate = 1.0;

    /** @var array<string, float> battery => W it gives */
    private array $storeW = [];

    /** @var array<string, float> unit => W of conversion it keeps */
    private array $keptW = [];

    private Wanted $wanted;

    private float $curtailedW = 0.0;

    private float $light = 0.0;

    /**
     * @param array<string, Store> $stores
     * @param array<string, true> $named parts that are in the day: they do not run by themselves beside
     * @param array<string, true> $down inverters that stand still
     */
    public function __construct(
        private readonly Wiring $wiring,
        private readonly array $stores,
        private readonly Run $run,
        private readonly array $named,
        private readonly array $down,
        /** the battery of which nobody knows more that 12 V hangs on */
        private readonly string $house,
    ) {}

    /**
     * @param list<array{Needed, float}> $running
     * @param float $light on the panels, kW/m²
     */
    public function balance(array $running, float $light, float $hours, float $atH): void
    {
        $this->light = $light * Sun::PERFORMANCE;
        $this->wanted = new Wanted($this->wiring, $this->stores, $this->named, $this->down, $this->house);
        $this->wanted->of($running);
        $this->fromOutside($atH);
        foreach ($this->wiring->rails(array_keys($this->wanted->railW)) as $rail) {
            $this->rail($rail, $light, $hours, $atH);
        }
        $this->record($hours);
    }

    /** As a load flow can be asked about it. */
    public function moment(): Moment
    {
        return new Moment($this->wiring->settled, $this->wanted->circuitW, $this->storeW, $this->light);
    }

    /** @var array<string, float> source from outside => W left for chargers */
    private array $leftW = [];

    /** @var array<string, float> unit => W its input limit leaves for charging */
    private array $throughW = [];

    /** What each source from outside gives: its limit, what a unit assists with, what is left to charge with. */
    private function fromOutside(float $atH): void
    {
        foreach ($this->wiring->settled->situation->acSources() as $source => $_) {
            if (isset($this->wiring->inverters[$source])) {
                continue;
            }
            $wanted = $this->wanted->alternatingW[$source] ?? 0.0;
            $unit = $this->wiring->assists[$source] ?? null;
            $passing = 0.0;
            foreach ($unit === null ? [] : $this->wiring->behind($unit, $source) as $circuit => $_) {
                $passing += $this->wanted->circuitW[$circuit] ?? 0.0;
            }
            if ($unit !== null && $unit->inputLimitA !== null) {
                $limit = $unit->inputLimitA * self::MAINS_V;
                $helps = min(max(0.0, $passing - $limit), $unit->limitA * $unit->holdsV);
                if ($helps > 0) {
                    $this->railTakes($unit, $helps / $unit->efficiency + $unit->idleW, $helps);
                    $wanted -= $helps;
                }
                $this->throughW[$unit->component] = max(0.0, $limit - ($passing - $helps));
            }
            $most =
                $this->wiring->limitA($source) *
                self::MAINS_V *
                ($this->wiring->isGenerator($source) ? $this->derate : 1.0);
            if ($wanted > $most * 1.001) {
                $this->run->event($atH, 'overload', $source);
            }
            $this->leftW[$source] = max(0.0, $most - $wanted);
            $this->cameW[$this->wiring->isGenerator($source) ? 'generator' : 'shore'] += $wanted;
        }
        foreach ($this->wiring->inverters as $source => $unit) {
            if (!isset($this->down[$unit->id])) {
                $given = $this->wanted->alternatingW[$source] ?? 0.0;
                if ($given > $unit->limitA * $unit->holdsV * 1.001) {
                    $this->run->event($atH, 'overload', $source);
                }
                $this->railTakes($unit, $given / $unit->efficiency + $unit->idleW, $given);
            }
        }
    }

    /** W that a unit's conversion loses. */
    private function keeps(PowerConverter $unit, float $watts): void
    {
        $this->keptW[$unit->component] = ($this->keptW[$unit->component] ?? 0.0) + $watts;
    }

    private function railTakes(PowerConverter $unit, float $watts, float $given): void
    {
        $rail = $this->wiring->takesFrom[$unit->id];
        $volts = (new RailStores($this->wiring, $this->stores, $rail))->restV();
        $lost = $volts > 0 ? ($watts / $volts) ** 2 * ($this->wiring->leadOhm[$unit->id] ?? 0.0) : 0.0;
        if ($lost > 0) {
            $this->wanted->onRail($rail, "\0{$unit->id}", $lost);
            $this->keptW[self::LEADS] = ($this->keptW[self::LEADS] ?? 0.0) + $lost;
        }
        $this->wanted->onRail($rail, "\0{$unit->id}", $watts);
        $this->keeps($unit, $watts - $given);
    }

    private function rail(string $rail, float $light, float $hours, float $atH): void
    {
        $bank = new RailStores($this->wiring, $this->stores, $rail);
        $stores = $bank->stores;
        $restV = $bank->restV();
        $able = $this->able($rail, $restV, $restV, $light);
        $most = array_sum(array_column($able, 2));
        $spare = $most - ($this->wanted->railW[$rail] ?? 0.0);
        if ($spare > 0 && $restV > 0) {
            // What is left over lifts the rail, and with it what a limit in amps lets through.
            $siemens = array_sum(array_map(fn(Store $s): float => 1 / $s->battery->chargingOhm('half'), $stores));
            $able = $this->able($rail, $restV, $restV + $spare / $restV / $siemens, $light);
        }
        $most = array_sum(array_column($able, 2));
        if ($this->wanted->railW[$rail] ?? 0.0) {
            $short = $this->wanted->railW[$rail] - $most;
            if ($short > 1e-9 && $bank->under($short) === null) {
                $this->drop($rail, $stores, $atH);
            }
        }
        $wanted = $this->wanted->railW[$rail] ?? 0.0;
        $charge = [];
        $takesW = 0.0;
        if ($most > $wanted) {
            [$charge, $takesW] = $bank->accepted($able, $most - $wanted);
            $holds = max([0.0, ...array_map(fn(array $a): float => $a[0]->holdsV, $able)]);
            $this->railV[$rail] = $charge === [] ? $holds : max(array_column($charge, 1));
        }
        $used = $this->draw($able, $wanted + $takesW, $rail);
        if ($most > $wanted) {
            foreach ($charge as $id => [$amps, $volts]) {
                $this->stores[$id]->take($amps, $volts, $hours);
                $this->storeW[$id] = -$amps * $volts;
            }
        } else {
            $this->discharge($rail, $bank, $wanted - $used, $hours);
        }
    }

    /** @var array<string, true> chargers whose loop has been counted */
    private array $looped = [];

    /**
     * What can charge a rail, and W that each could give.
     *
     * @return list<array{PowerConverter, string, float}>
     */
    private function able(string $rail, float $restV, float $volts, float $light): array
    {
        $able = [];
        foreach ($this->wiring->chargers[$rail] ?? [] as [$source, $unit]) {
            $inverter = $this->wiring->inverters[$source] ?? null;
            if ($inverter !== null && ($this->wiring->takesFrom[$inverter->id] ?? '') === $rail) {
                $this->loop($unit, $inverter, $rail);
                continue;
            }
            // One whose battery stands above what it holds gives nothing, and idles.
            $able[] = [
                $unit,
                $source,
                $unit->holdsV > $restV ? $this->mostOf($unit, $source, $light, min($unit->holdsV, $volts)) : 0.0,
            ];
        }

        return $able;
    }

    /**
     * A charger that its own battery feeds gives all it can, for the volts never come up to its own: what it gives
     * costs more than it brings.
     */
    private function loop(PowerConverter $unit, PowerConverter $inverter, string $rail): void
    {
        if (isset($this->down[$inverter->id]) || isset($this->looped[$unit->id])) {
            return;
        }
        $this->looped[$unit->id] = true;
        $gives = min($unit->limitA * $unit->holdsV, $inverter->limitA * $inverter->holdsV * $unit->efficiency);
        $loses = $gives / $unit->efficiency / $inverter->efficiency - $gives;
        $this->wanted->onRail($rail, "\0{$unit->id}", $loses);
        $this->keeps($unit, $loses);
    }

    /** W that a charger could give now, at V of its rail. */
    private function mostOf(PowerConverter $unit, string $source, float $light, float $volts): float
    {
        $most = $unit->limitA * ($volts > 0 ? $volts : $unit->holdsV);
        if ($unit->kind === PowerConverter::FIELD) {
            return $unit->fieldW > 0 ? min($most, $unit->fieldW * $light * Sun::PERFORMANCE) : $most;
        }
        if ($unit->kind === PowerConverter::DC_DC) {
            $rail = $this->wiring->takesFrom[$unit->id];
            $from = (new RailStores($this->wiring, $this->stores, $rail))->standsAt(
                $this->wiring->chargers[$rail] ?? [],
            );

            return $from < $unit->cutOffV ? 0.0 : min($most, ($unit->inputLimitA ?? INF) * $from * $unit->efficiency);
        }
        if (isset($this->wiring->inverters[$source])) {
            return isset($this->down[$this->wiring->inverters[$source]->id]) ? 0.0 : $most;
        }
        $left = min(
            $this->leftW[$source] ?? 0.0,
            $unit->inputLimitA === null ? INF : $this->throughW[$unit->component] ?? $unit->inputLimitA * self::MAINS_V,
        );

        return min($most, $left * $unit->efficiency);
    }

    /**
     * Takes so many watts from what can give them, the cheapest first.
     *
     * @param list<array{PowerConverter, string, float}> $able
     * @return float W that were had
     */
    private function draw(array $able, float $wanted, string $rail): float
    {
        $had = 0.0;
        foreach ($able as [$unit, $source, $most]) {
            $inverter = $this->wiring->inverters[$source] ?? null;
            $gives = min($most, $wanted - $had);
            $had += $gives;
            if ($unit->kind === PowerConverter::FIELD) {
                $this->cameW[$unit->fieldW > 0 ? 'sun' : 'engine'] += $gives;
                $this->curtailedW += $unit->fieldW > 0 ? $most - $gives : 0.0;
                continue;
            }
            $idles =
                $unit->inputLimitA === null && ($inverter !== null || ($this->leftW[$source] ?? 0.0) > 0)
                    ? $unit->idleW
                    : 0.0;
            $takes = max($idles, $gives / $unit->efficiency);
            $this->keeps($unit, $takes - $gives);
            if ($unit->kind === PowerConverter::DC_DC) {
                $from = $this->wiring->takesFrom[$unit->id];
                $this->wanted->onRail($from, "\0{$unit->id}", $takes);
            } elseif ($inverter !== null) {
                // From another battery, through its inverter.
                $from = $this->wiring->takesFrom[$inverter->id];
                $this->wanted->onRail($from, "\0{$unit->id}", $takes / $inverter->efficiency);
                $this->keeps($inverter, $takes / $inverter->efficiency - $takes);
            } else {
                $this->leftW[$source] -= $takes;
                if ($unit->inputLimitA !== null && isset($this->throughW[$unit->component])) {
                    $this->throughW[$unit->component] -= $takes;
                }
                $this->cameW[$this->wiring->isGenerator($source) ? 'generator' : 'shore'] += $takes;
            }
        }

        return $had;
    }

    private function discharge(string $rail, RailStores $bank, float $watts, float $hours): void
    {
        $volts = $bank->under($watts) ?? 0.0;
        $this->railV[$rail] = $volts;
        foreach ($bank->giving() as $id => $store) {
            $amps = ($store->restV() - $volts) / $store->battery->ohm;
            if ($amps >= 0) {
                $store->give($amps, $hours);
            } elseif (!isset($this->wiring->noCharge[$id])) {
                // Beside a fuller one it is charged by it.
                $store->take(-$amps, $volts, $hours);
            }
            $this->storeW[$id] = $amps * $volts;
        }
        foreach ($this->wiring->inverters + $this->wiring->assists as $unit) {
            if (
                ($this->wiring->takesFrom[$unit->id] ?? '') === $rail &&
                !isset($this->down[$unit->id]) &&
                $volts < $unit->cutOffV
            ) {
                $this->low[$unit->id] = $unit;
            }
        }
    }

    /**
     * Nothing holds a rail up: what hangs on it is missed, and what still charges there has only the battery.
     *
     * @param array<string, Store> $stores
     */
    private function drop(string $rail, array $stores, float $atH): void
    {
        if ($rail === ($this->wiring->railOf[$this->house] ?? '')) {
            $this->run->event($atH, 'battery', '', true);
        }
        foreach ($stores as $store) {
            $store->flat = $store->share <= Store::BACK;
        }
        foreach ($this->wanted->on[$rail] ?? [] as [$id, $wanted]) {
            if (!str_starts_with($id, "\0")) {
                $this->wanted->missed[$id] = ($this->wanted->missed[$id] ?? 0.0) + $wanted;
                continue;
            }
            // What hangs on its inverter goes with it.
            foreach ($this->wiring->inverters as $source => $unit) {
                if ("\0{$unit->id}" === $id) {
                    unset($this->keptW[$unit->component]);
                    foreach ($this->wanted->on[$source] ?? [] as [$load, $takes]) {
                        $this->wanted->missed[$load] = ($this->wanted->missed[$load] ?? 0.0) + $takes;
                    }
                }
            }
        }
        $this->wanted->railW[$rail] = 0.0;
    }

    private function record(float $hours): void
    {
        $use = 0.0;
        foreach ($this->wanted->on as $wanted) {
            foreach ($wanted as [$id, $watts]) {
                if (str_starts_with($id, "\0") || isset($this->wanted->missed[$id])) {
                    continue;
                }
                $this->run->usedWh[$id] = ($this->run->usedWh[$id] ?? 0.0) + $watts * $hours;
                $use += $watts;
            }
        }
        foreach ($this->keptW as $unit => $watts) {
            $this->run->keptWh[$unit] = ($this->run->keptWh[$unit] ?? 0.0) + $watts * $hours;
        }
        foreach ($this->cameW as $from => $watts) {
            $this->run->cameWh[$from] += $watts * $hours;
            $this->run->inW[$from][] = $watts;
        }
        $this->run->useW[] = $use + array_sum($this->keptW);
        $this->run->curtailedW[] = $this->curtailedW;
        $this->run->curtailedWh += $this->curtailedW * $hours;
        foreach ($this->wanted->missed as $id => $watts) {
            $this->run->missedWh[$id] = ($this->run->missedWh[$id] ?? 0.0) + $watts * $hours;
        }
        $this->run->missedW[] = array_sum($this->wanted->missed);
    }
}
