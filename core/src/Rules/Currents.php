<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Load;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;

/**
 * Running amps in each named state and load scenario, by adding the loads up along the way from
 * their source: W / (V × power factor), magnitudes, nominal volts. Charging counts at full output
 * (an empty bank), cut back to what the input limit leaves.
 */
final class Currents
{
    /** @var array<string, array<string, array<string, float>>> state => scenario => element or source => A */
    public array $amps = [];

    /** @var array<string, array<string, array<string, float>>> of these, what runs for hours */
    private array $long = [];

    /** @var ?list<array{element: string, component: string, what: string, ratingA: float}> */
    private ?array $rated = null;

    public function __construct(private readonly Examination $rig)
    {
        $flows = $trees = [];
        foreach ($rig->settled as $state => $settled) {
            $key = $settled->situation->key;
            foreach ($rig->needs->scenarios as $scenario => $what) {
                $trees[$key] ??= array_map(
                    fn(string $id): array => $this->tree($settled->situation, $id),
                    array_combine(
                        array_keys($settled->situation->acSources()),
                        array_keys($settled->situation->acSources()),
                    ),
                );
                // Whether a unit assists depends on its mode, which closes nothing.
                $modes = implode(
                    ',',
                    array_map(
                        fn(PowerConverter $c): string => $settled->positions[(string) $c->mode] ?? '',
                        $rig->graph->converters,
                    ),
                );
                [$this->amps[$state][$scenario], $this->long[$state][$scenario]] = $flows[$key . $modes][
                    $scenario
                ] ??= $this->flow($settled, $what['running'], $trees[$key]);
            }
        }
    }

    /**
     * Rating of the outside breaker the rig is plugged into in a settled state, A; null when unplugged or in a
     * receptacle of its own.
     */
    public function supplyA(Settled $settled): ?float
    {
        foreach ($this->rig->graph->supplies as $supply) {
            $rating = $supply->aheadA($this->rig->graph, $settled->positions);
            if ($rating !== null) {
                return $rating;
            }
        }

        return null;
    }

    /** Of the amps through an element, those that run for three hours or more. */
    public function continuousA(string $state, string $scenario, string $element): float
    {
        return $this->long[$state][$scenario][$element] ?? 0.0;
    }

    /**
     * @param array<string, true> $running
     * @param array<string, array<string, array{string, string}>> $trees by source
     * @return array{array<string, float>, array<string, float>} amps, and those that are continuous
     */
    private function flow(Settled $settled, array $running, array $trees): array
    {
        $situation = $settled->situation;
        $amps = $long = [];
        $add = function (string $source, string $terminal, float $current, bool $continuous) use (
            &$amps,
            &$long,
            $trees,
        ): void {
            $on = [$source];
            for ($at = $terminal; isset($trees[$source][$at]); $at = $trees[$source][$at][0]) {
                $on[] = $trees[$source][$at][1];
            }
            foreach ($on as $element) {
                $amps[$element] = ($amps[$element] ?? 0) + $current;
                $long[$element] = ($long[$element] ?? 0) + ($continuous ? $current : 0.0);
            }
        };
        foreach ($this->rig->graph->loads as $id => $load) {
            $source = isset($running[$id]) ? self::runsOn($situation, $load) : null;
            if ($source !== null) {
                $add($source, $load->a, $load->currentA(), $load->continuous);
            }
        }
        $chargers = array_intersect_key($this->rig->graph->converters, $situation->charging());
        foreach ($chargers as $id => $charger) {
            if ($charger->inputLimitA === null) {
                $add($situation->charging()[$id], $charger->input[0], $this->inputA($charger), true);
            }
        }
        foreach ($chargers as $id => $charger) {
            if ($charger->inputLimitA !== null) {
                $through = array_sum(array_map(fn(string $e): float => $amps[$e] ?? 0.0, $charger->throughInput));
                $add(
                    $situation->charging()[$id],
                    $charger->input[0],
                    min($this->inputA($charger), max(0.0, $charger->inputLimitA - $through)),
                    true,
                );
            }
        }
        foreach ($this->rig->graph->converters as $unit) {
            if ($unit->kind === PowerConverter::ASSIST && $unit->runs($settled->positions)) {
                $this->assist($situation, $unit, $amps, $trees);
            }
        }
        // On its battery side an inverter draws W ÷ (nominal V × efficiency).
        foreach ($this->rig->graph->converters as $unit) {
            if ($unit->kind === PowerConverter::INVERTER) {
                $made = ($amps["{$unit->component}.inverter"] ?? 0.0) + ($amps["{$unit->component}.assist"] ?? 0.0);
                if ($made > 0) {
                    $amps[$unit->id] = ($made * $unit->holdsV) / ($unit->nominalV * $unit->efficiency);
                }
            }
        }

        return [$amps, $long];
    }

    /** What a load runs on: where its current comes home over the grounds its hot carries it all the same. */
    private static function runsOn(Situation $situation, Load $load): ?string
    {
        $live = $situation->liveness()[$load->circuit] ?? null;

        return $situation->workingSource($load->a, $load->b) ?? ($live?->kind === 'ground' ? $live->source : null);
    }

    /** Amps a charger takes at full output. */
    private function inputA(PowerConverter $charger): float
    {
        return $charger->fullInputW() / 120 / $charger->powerFactor;
    }

    /**
     * Past its input limit a unit that assists gives the difference from the battery, no more than it
     * can make: the supply and all on the way carry that much less.
     *
     * @param array<string, float> $amps
     * @param array<string, array<string, array{string, string}>> $trees
     */
    private function assist(Situation $situation, PowerConverter $unit, array &$amps, array $trees): void
    {
        $pass = $unit->throughInput[0];
        $inlet = $this->rig->graph->elements[$pass]->a;
        $charger = $this->rig->graph->converters["{$unit->component}.charger"] ?? null;
        $source = $charger === null ? null : $situation->workingSource(...$charger->input);
        $over =
            array_sum(array_map(fn(string $e): float => $amps[$e] ?? 0.0, $unit->throughInput)) -
            (float) $unit->inputLimitA;
        if ($source === null || $over <= 0) {
            return;
        }
        $given = min($over, $unit->limitA);
        $amps[$unit->id] = $given;
        $amps[$pass] -= $given;
        $amps[$source] -= $given;
        for ($at = $inlet; isset($trees[$source][$at]); $at = $trees[$source][$at][0]) {
            $amps[$trees[$source][$at][1]] -= $given;
        }
    }

    /** @return array<string, array{string, string}> terminal => [terminal nearer the source, element] */
    private function tree(Situation $situation, string $source): array
    {
        $start = $this->rig->graph->sources[$source]->a;
        $from = [];
        $queue = [$start];
        $seen = [$start => true];
        for ($i = 0; $i < count($queue); $i++) {
            foreach ($situation->network->neighbours()[$queue[$i]] ?? [] as [$next, $id]) {
                if (
                    !isset($seen[$next]) &&
                    $this->rig->graph->elements[$id]->role === Role::L1 &&
                    $situation->isClosed($id)
                ) {
                    $seen[$next] = true;
                    $from[$next] = [$queue[$i], $id];
                    $queue[] = $next;
                }
            }
        }

        return $from;
    }

    /**
     * @return list<array{element: string, component: string, what: string, ratingA: float}> what has a rating on the AC
     *      side
     */
    public function rated(): array
    {
        if ($this->rated !== null) {
            return $this->rated;
        }
        $rated = [];
        foreach ($this->rig->graph->elements as $id => $element) {
            if ($element->ratingA() !== null && $element->role === Role::L1) {
                $what =
                    $this->rig->graph->devices[$element->device ?? '']->label ??
                    $this->rig->graph->label($element->component);
                $rated[] = [
                    'element' => $id,
                    'component' => $element->component,
                    'what' => $what,
                    'ratingA' => $element->ratingA(),
                ];
            }
        }
        return $this->rated = $rated;
    }
}
