<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Closure;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\About;
use Hollin\Core\Rules\Examination;

/**
 * Days off grid or on a supply, by quarters of an hour: each in the settled state that its hour brings about, with the
 * energy of each pair of rails in balance.
 */
final class Days
{
    private const HOURS = 0.25;

    private readonly Scenes $scenes;

    private readonly Run $run;

    /** @var array<string, true> inverters that have shut down for low volts */
    private array $down = [];

    private bool $generating = false;

    /** @var array<string, string> device => position of what goes by volts */
    private array $contacts = [];

    /** @var array<string, float> l left: fuel, propane, water, room for waste */
    private array $left = [];

    /** @var array<string, float> rail => volts of the last quarter */
    private array $railV = [];

    /** @var array<string, float> quarter and weather => W/m² on the panels */
    private array $light = [];

    private readonly string $house;

    /** @var array<string, true> parts that are in the day */
    private readonly array $named;

    /** @param list<Needed> $loads */
    private function __construct(
        private readonly Examination $rig,
        private readonly array $loads,
        private readonly Trip $trip,
    ) {
        $this->named = array_fill_keys(array_map(fn(Needed $l): string => $l->at(), $loads), true);
        $this->scenes = new Scenes($rig);
        $this->run = new Run();
        $engine = Scenes::engineBatteries($rig);
        foreach ($rig->graph->batteries as $id => $battery) {
            $ofEngine = isset($engine[$id]);
            $this->run->stores[$id] = new Store($battery, $ofEngine ? 0.9 : $trip->number('startShare') / 100);
        }
        // Where the engine's is all there is, everything hangs on that.
        $this->house = House::battery($rig)->id ?? (string) array_key_first($rig->graph->batteries);
        foreach ($rig->graph->voltContacts as $contact) {
            $this->contacts[$contact->device] = $rig->graph->devices[$contact->device]->normal;
        }
        foreach (
            ['fuel' => 'fuelL', 'propane' => 'propaneL', 'water' => 'waterL', 'waste' => 'wasteL']
            as $of => $name
        ) {
            if ($trip->numberOrNull($name) !== null) {
                $this->left[$of] = (float) $trip->numberOrNull($name);
            }
        }
    }

    /**
     * @param list<Needed> $loads
     * @param ?Closure(float): bool $progress told the share that is done; false stops it
     */
    public static function of(Examination $rig, array $loads, Trip $trip, ?Closure $progress = null): Run
    {
        $make = new self($rig, $loads, $trip);
        $quarters = $trip->days() * Needed::QUARTERS;
        for ($n = 0; $n < $quarters; $n++) {
            if ($progress !== null && $n % Needed::QUARTERS === 0 && !$progress($n / $quarters)) {
                $make->run->stopped = true;
                break;
            }
            $make->quarter($n);
        }

        return $make->run;
    }

    private function quarter(int $n): void
    {
        $of = $n % Needed::QUARTERS;
        $hour = ($of + 0.5) / 4;
        $day = intdiv($n, Needed::QUARTERS) + 1;
        $light = $this->light["{$of} {$this->trip->weather($day)}"] ??= $this->trip->light(
            $of,
            $this->trip->weather($day),
        );
        $celsius = $this->trip->celsius($hour);
        $driving = $this->trip->within($hour, 'driveFromH', 'driveH') && !$this->stands();
        $fed = $driving ? 'nothing' : $this->fed($hour);
        $running = $this->runningNow($of);
        $wanted = array_filter($running, fn(array $r): bool => $r[0]->isAlternating()) !== [];
        $inverting = ($this->trip->text('inverter') === 'on' || $wanted) && $this->down === [];
        $cold = $celsius < 0 && !$this->trip->flag('warmCells');
        $wiring = $this->scenes->wiring($fed, $inverting, $driving, $light > 1.0, $cold, $this->moved($cold));
        $this->step($n, $wiring, $running, $light / 1000, $celsius);
        $this->after($n, $wiring);
    }

    /** Whether nothing drives it: no hours, or no engine in the survey. */
    private function stands(): bool
    {
        return $this->scenes->about(About::Driving) === null;
    }

    /** What feeds the rig from outside at an hour: nothing, a position of the cord, or the generator. */
    private function fed(float $hour): string
    {
        $shore = $this->trip->text('shore');
        if ($shore !== '' && $this->trip->within($hour, 'shoreFromH', 'shoreH')) {
            return $shore;
        }
        $share = $this->run->stores[$this->house]->share ?? 1.0;
        $quiet = $this->trip->within($hour, 'quietFromH', 'quietH');
        $below = $this->trip->number('generatorBelow') / 100;
        $this->generating =
            $below > 0 &&
            !$quiet &&
            ($this->left['fuel'] ?? 1.0) > 0 &&
            $share < ($this->generating ? $this->trip->number('generatorTo') / 100 : $below) &&
            $this->scenes->about(About::Generator) !== null;

        return $this->generating ? 'generator' : 'nothing';
    }

    /** @return list<array{Needed, float}> what wants to run in a quarter of the day, and W */
    private function runningNow(int $quarter): array
    {
        $share = $this->run->stores[$this->house]->share ?? 0.0;
        $running = [];
        foreach ($this->loads as $load) {
            if (
                isset($load->watts[$quarter]) &&
                $load->runsIn($this->trip->month(), $this->trip->number('latitude')) &&
                $share >= ($load->onlyAbove() ?? 0.0)
            ) {
                $running[] = [$load, $load->watts[$quarter]];
            }
        }

        return $running;
    }

    /** @return array<string, string> device => position of what has moved by volts, charge or cold */
    private function moved(bool $cold): array
    {
        $moved = $this->contacts;
        foreach ($this->run->stores as $id => $store) {
            $switch = $store->battery->switch;
            if ($switch !== null && $store->share <= 0.0) {
                $moved[$switch] = $this->scenes->position($switch, 'no_discharge');
            } elseif ($switch !== null && $cold && $store->battery->cold === 'blocks') {
                $moved[$switch] = $this->scenes->position($switch, 'no_charge');
            }
        }

        return $moved;
    }

    /** @param list<array{Needed, float}> $running */
    private function step(int $n, Wiring $wiring, array $running, float $light, float $celsius): void
    {
        $step = new Step($wiring, $this->run->stores, $this->run, $this->named, $this->down, $this->house);
        $step->derate = self::derate($this->trip->number('elevationM'), $celsius);
        $step->balance($running, $light, self::HOURS, $n * self::HOURS);
        $this->railV = $step->railV;
        foreach ($step->low as $id => $unit) {
            $this->down[$id] = true;
            $this->run->event($n * self::HOURS, 'battery', $unit->component, true);
        }
        if ($n % 4 === 3) {
            $this->run->moments[$n] = $step->moment();
        }
        if ($this->generating && $step->cameW['generator'] <= 0.0) {
            $this->run->event($n * self::HOURS, 'refused', '');
        }
        $this->burn($n, $running, $step);
    }

    /** What thin or hot air leaves of a generator: less 3.5 % for 300 m, 1 % for 5.5 K above 25 °C (from memory). */
    public static function derate(float $elevationM, float $celsius): float
    {
        return max(0.4, 1 - (0.035 * max(0.0, $elevationM)) / 300 - (0.01 * max(0.0, $celsius - 25)) / 5.5);
    }

    /** @param list<array{Needed, float}> $running */
    private function burn(int $n, array $running, Step $step): void
    {
        $used = ['fuel' => ($step->cameW['generator'] * self::HOURS * $this->trip->number('fuelLPerKwh')) / 1000];
        $this->run->generatorH += $step->cameW['generator'] > 0 ? self::HOURS : 0.0;
        foreach ($running as [$load, $watts]) {
            if ($load->fuel() === 'propane') {
                $share = $load->fullW() > 0 ? $watts / $load->fullW() : 1.0;
                $used['propane'] = ($used['propane'] ?? 0.0) + $load->fuelPerH() * $share * self::HOURS;
            }
        }
        $used['water'] = $used['waste'] = ($this->trip->number('waterPerDayL') * self::HOURS) / 24;
        foreach ($this->left as $of => $left) {
            $this->left[$of] = max(0.0, $left - ($used[$of] ?? 0.0));
            if ($left > 0 && $this->left[$of] <= 0) {
                $this->run->event(($n + 1) * self::HOURS, $of, '', true);
            }
        }
    }

    /** What goes by volts looks at them; an inverter that has shut down comes back when its battery has. */
    private function after(int $n, Wiring $wiring): void
    {
        foreach ($this->rig->graph->voltContacts as $contact) {
            $volts = array_map(
                fn(array $at): float => $this->railV[$wiring->railBetween($at[0], $at[1])] ?? 0.0,
                $contact->senses,
            );
            $wish = $contact->wish($volts, $this->contacts + $wiring->settled->positions);
            if ($wish === 'open' && $this->contacts[$contact->device] === 'closed' && $contact->kind === 'cut_off') {
                $this->run->event(($n + 1) * self::HOURS, 'cut_off', $contact->component);
            }
            $this->contacts[$contact->device] = $wish;
        }
        foreach ($this->down as $id => $_) {
            $unit = $this->rig->graph->converters[$id];
            $volts = $this->railV[$wiring->railBetween($unit->input[0], $unit->input[1])] ?? 0.0;
            // Common practice: a volt above the cut-off for each 12 V.
            if ($volts > $unit->cutOffV + $unit->nominalV / 12) {
                unset($this->down[$id]);
            }
        }
        foreach ($this->run->stores as $id => $store) {
            $this->run->share[$id][] = $store->share;
        }
    }
}
