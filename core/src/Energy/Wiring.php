<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\States\Settled;

/**
 * One settled state as energy sees it: which batteries stand on which pair of rails, what each rail feeds, what charges
 * it and from where, and which alternating source each circuit is on.
 */
final class Wiring
{
    /** @var array<string, string> battery => rail */
    public array $railOf = [];

    /** @var array<string, array<string, true>> rail => batteries */
    public array $on = [];

    /** @var array<string, string> part with two posts => rail */
    private array $partRail = [];

    /** @var array<string, list<array{string, PowerConverter}>> rail => chargers: alternating source or empty, unit */
    public array $chargers = [];

    /** @var array<string, PowerConverter> alternating source => inverter that makes it */
    public array $inverters = [];

    /** @var array<string, PowerConverter> alternating source it helps => unit that assists */
    public array $assists = [];

    /** @var array<string, string> inverter or assisting unit, or DC-DC charger => rail it takes from */
    public array $takesFrom = [];

    /** @var array<string, true> batteries that may not be charged, or not be used */
    public array $noCharge = [];

    /** @var array<string, true> */
    public array $noDischarge = [];

    /** @var array<string, list<Load>> rail => what is on it by itself */
    public array $users = [];

    /** @var array<string, Load> coils and the like on 120 V, by id */
    public array $coils = [];

    private readonly Graph $graph;

    /** @param array<string, float> $leadOhm inverter => ohm of its leads, there and back */
    public function __construct(public readonly Settled $settled, public readonly array $leadOhm = [])
    {
        $situation = $settled->situation;
        $this->graph = $situation->network->graph;
        foreach ($this->graph->batteries as $id => $battery) {
            $pos = $battery->pos;
            $at = $battery->switch === null ? 'on' : $settled->positions[$battery->switch] ?? 'on';
            if ($at === 'no_charge' || $at === 'no_discharge') {
                $at === 'no_charge' ? ($this->noCharge[$id] = true) : ($this->noDischarge[$id] = true);
                $pos = $this->post((string) $battery->switch, $battery->pos);
            } elseif ($at === 'open') {
                $this->noCharge[$id] = $this->noDischarge[$id] = true;
            }
            $this->railOf[$id] = $this->rail($pos, $battery->neg);
            $this->on[$this->railOf[$id]][$id] = true;
        }
        foreach ($this->graph->users as $id => $user) {
            $on = $user->device === null || in_array($settled->positions[$user->device] ?? '', $user->positions, true);
            if ($on && $user->direct) {
                $this->users[$this->rail($user->a, $user->b)][] = $user;
            } elseif ($on && $situation->workingSource($user->a, $user->b) !== null) {
                $this->coils[$id] = $user;
            }
        }
        $this->converters();
    }

    private function converters(): void
    {
        $situation = $this->settled->situation;
        $charging = $situation->charging();
        $giving = $situation->givingDirect();
        foreach ($this->graph->converters as $id => $unit) {
            if ($unit->charges() && (isset($charging[$id]) || isset($giving[$id]))) {
                $this->chargers[$this->rail(...$unit->output)][] = [$charging[$id] ?? '', $unit];
                if ($unit->kind === PowerConverter::DC_DC) {
                    $this->takesFrom[$id] = $this->rail(...$unit->input);
                }
            } elseif (!$unit->charges() && $unit->runs($this->settled->positions)) {
                $source = $this->sourceOf($unit);
                if ($source !== null) {
                    $unit->kind === PowerConverter::ASSIST
                        ? ($this->assists[$source] = $unit)
                        : ($this->inverters[$source] = $unit);
                    $this->takesFrom[$id] = $this->rail(...$unit->input);
                }
            }
        }
        foreach ($this->chargers as $units) {
            foreach ($units as [$source, $unit]) {
                if (isset($this->inverters[$source])) {
                    $this->takesFrom[$unit->id] = $this->takesFrom[$this->inverters[$source]->id];
                }
            }
        }
        // The sun first: it costs nothing, and what it gives the others need not.
        foreach ($this->chargers as &$units) {
            usort($units, fn(array $a, array $b): int => self::rank($a[1]) <=> self::rank($b[1]));
        }
    }

    private static function rank(PowerConverter $unit): int
    {
        return match (true) {
            $unit->kind === PowerConverter::FIELD && $unit->fieldW > 0 => 0,
            $unit->kind === PowerConverter::CHARGER => 1,
            default => 2,
        };
    }

    /** The alternating source an inverter forms, or that an assisting unit works into. */
    private function sourceOf(PowerConverter $unit): ?string
    {
        $situation = $this->settled->situation;
        if ($unit->kind === PowerConverter::ASSIST) {
            return $situation->workingSource($unit->output[0], $unit->output[1]);
        }
        foreach ($situation->acSources() as $id => $_) {
            if ($this->graph->sources[$id]->component === $unit->component) {
                return $id;
            }
        }

        return null;
    }

    /** The outer terminal of a management's switch, of which the inner one is known. */
    private function post(string $switch, string $inner): string
    {
        foreach ($this->graph->elements as $element) {
            if ($element->device === $switch && in_array($inner, [$element->a, $element->b], true)) {
                return $element->a === $inner ? $element->b : $element->a;
            }
        }

        return $inner;
    }

    private function rail(string $pos, string $neg): string
    {
        return $this->settled->situation->root($pos) . '/' . $this->settled->situation->root($neg);
    }

    /** Rail that a 12 V part stands on; null for one without posts. */
    public function railOfPart(string $part): ?string
    {
        if (!isset($this->graph->terminals["{$part}.pos"], $this->graph->terminals["{$part}.neg"])) {
            return null;
        }

        return $this->partRail[$part] ??= $this->rail("{$part}.pos", "{$part}.neg");
    }

    /** Rails between two terminals, for what senses volts there. */
    public function railBetween(string $pos, string $neg): string
    {
        return $this->rail($pos, $neg);
    }

    /** @var array<string, list<string>> */
    private array $ordered = [];

    /**
     * Rails, each before the one that a DC-DC charger of it takes from: what it takes is load there.
     *
     * @param list<int|string> $more that are loaded
     * @return list<string>
     */
    public function rails(array $more): array
    {
        $key = implode(' ', $more);
        if (!isset($this->ordered[$key])) {
            $all = array_flip($more) + array_flip($this->railOf) + $this->chargers + array_flip($this->takesFrom);
            $order = [];
            foreach (array_keys($all) as $rail) {
                $this->visit((string) $rail, [], $order);
            }
            $this->ordered[$key] = array_map(strval(...), array_keys($order));
        }

        return $this->ordered[$key];
    }

    /**
     * @param array<string, true> $on the way here
     * @param array<string, true> $order
     */
    private function visit(string $rail, array $on, array &$order): void
    {
        if (isset($order[$rail]) || isset($on[$rail])) {
            return;
        }
        foreach ($this->chargers as $fed => $units) {
            foreach ($units as [, $unit]) {
                if (($this->takesFrom[$unit->id] ?? null) === $rail && $fed !== $rail) {
                    $this->visit($fed, $on + [$rail => true], $order);
                }
            }
        }
        $order[$rail] = true;
    }

    /** The alternating source that a circuit runs on; null where it is dead. */
    public function sourceOn(string $circuit): ?string
    {
        $cell = $this->settled->situation->liveness()[$circuit] ?? null;

        return $cell !== null && $cell->runs() ? $cell->source : null;
    }

    /** A source that is there for what nobody has put on a circuit: from outside before the battery's own. */
    public function anySource(): ?string
    {
        $sources = array_keys($this->settled->situation->acSources());
        usort($sources, fn(string $a, string $b): int => isset($this->inverters[$a]) <=> isset($this->inverters[$b]));
        foreach ($sources as $source) {
            foreach ($this->settled->situation->liveness() as $cell) {
                if ($cell->runs() && $cell->source === $source) {
                    return $source;
                }
            }
        }

        return null;
    }

    /** A it may draw from a source: of the pedestal's breaker, or of what the source gives for good. */
    public function limitA(string $source): float
    {
        foreach ($this->graph->supplies as $supply) {
            if ($supply->source === $source) {
                $ahead = $supply->aheadA($this->graph, $this->settled->positions);

                return min($ahead ?? INF, $this->graph->sources[$source]->limitA);
            }
        }

        return $this->graph->sources[$source]->limitA;
    }

    /** Whether a source burns fuel. */
    public function isGenerator(string $source): bool
    {
        foreach ($this->graph->supplies as $supply) {
            if ($supply->source === $source) {
                return $supply->kind === 'generator';
            }
        }

        return false;
    }

    /** @var array<string, array<string, true>> unit => circuits whose current passes its input */
    private array $behind = [];

    /**
     * Circuits whose current passes a unit's input on its way from a supply: those that its hot does not reach once
     * the unit is out of the way.
     *
     * @return array<string, true>
     */
    public function behind(PowerConverter $unit, string $source): array
    {
        if (!isset($this->behind[$unit->id])) {
            $next = [];
            $out = array_flip($unit->throughInput);
            foreach ($this->graph->elements as $id => $element) {
                if ($element->role === Role::L1 && !isset($out[$id]) && $this->settled->situation->isClosed($id)) {
                    $next[$element->a][] = $element->b;
                    $next[$element->b][] = $element->a;
                }
            }
            $seen = [$this->graph->sources[$source]->a => true];
            $queue = array_keys($seen);
            while ($queue !== []) {
                foreach ($next[array_pop($queue)] ?? [] as $terminal) {
                    if (!isset($seen[$terminal])) {
                        $seen[$terminal] = true;
                        $queue[] = $terminal;
                    }
                }
            }
            $this->behind[$unit->id] = [];
            foreach ($this->graph->circuits as $id => $circuit) {
                if ($this->sourceOn($id) === $source && !isset($seen[$circuit->hot])) {
                    $this->behind[$unit->id][$id] = true;
                }
            }
        }

        return $this->behind[$unit->id];
    }
}
