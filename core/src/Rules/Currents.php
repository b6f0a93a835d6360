<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Conversion\InverterCharger;
use Hollin\Core\Components\Conversion\Inverting;
use Hollin\Core\Components\Supply\Inlet;
use Hollin\Core\Components\Supply\ShoreSupply;
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

    /** @var ?list<array{element: string, component: string, what: string, ratingA: float}> */
    private ?array $rated = null;

    public function __construct(private readonly Examination $rig)
    {
        $flows = $trees = [];
        foreach ($rig->settled as $state => $settled) {
            $key = $settled->situation->key;
            foreach ($rig->needs->scenarios as $scenario => $what) {
                $trees[$key] ??= array_map(fn(string $id): array => $this->tree($settled->situation, $id), array_combine(array_keys($settled->situation->acSources()), array_keys($settled->situation->acSources())));
                $this->amps[$state][$scenario] = $flows[$key][$scenario] ??= $this->flow($settled, $what['running'], $trees[$key]);
            }
        }
    }

    /** Rating of the outside breaker the rig is plugged into in a settled state, A; null when unplugged or in a receptacle of its own. */
    public function supplyA(Settled $settled): ?float
    {
        foreach ($this->rig->rig->all(Inlet::class) as $inlet) {
            $place = $inlet->places($this->rig->rig)[$settled->positions[$inlet->plug()] ?? 'out'] ?? null;
            if ($place !== null && $this->rig->rig->find($place['owner']) instanceof ShoreSupply) {
                return $place['ratingA'];
            }
        }

        return null;
    }

    /**
     * @param array<string, true> $running
     * @param array<string, array<string, array{string, string}>> $trees by source
     * @return array<string, float>
     */
    private function flow(Settled $settled, array $running, array $trees): array
    {
        $situation = $settled->situation;
        $amps = [];
        $add = function (string $source, string $terminal, float $current) use (&$amps, $trees): void {
            $amps[$source] = ($amps[$source] ?? 0) + $current;
            for ($at = $terminal; isset($trees[$source][$at]); $at = $trees[$source][$at][0]) {
                $element = $trees[$source][$at][1];
                $amps[$element] = ($amps[$element] ?? 0) + $current;
            }
        };
        foreach ($this->rig->graph->loads as $id => $load) {
            $source = isset($running[$id]) ? $situation->workingSource($load->a, $load->b) : null;
            if ($source !== null) {
                $add($source, $load->a, $load->currentA());
            }
        }
        foreach ($situation->charging() as $id => $source) {
            $component = $this->rig->rig->find($this->rig->graph->sources[$id]->component);
            if ($component instanceof Converter) {
                $add($source, "{$component->id}.ac_in.l", $component->inputA());
            }
        }
        foreach ($situation->charging() as $id => $source) {
            $component = $this->rig->rig->find($this->rig->graph->sources[$id]->component);
            if ($component instanceof InverterCharger) {
                $through = $amps["{$component->id}.pass_l"] ?? 0.0;
                $add($source, "{$component->id}.ac_in.l", min($component->chargerInputA(), max(0.0, $component->inputLimitA() - $through)));
            }
        }
        $this->assist($situation, $amps, $trees);
        // On its battery side an inverter draws W ÷ (nominal V × efficiency).
        foreach ($this->rig->rig->all(Inverting::class) as $id => $inverter) {
            $made = ($amps["{$id}.inverter"] ?? 0.0) + ($amps["{$id}.assist"] ?? 0.0);
            if ($made > 0) {
                $amps["{$id}.dc"] = $made * 120 / ($inverter->values->number('dcNominalV') * $inverter->efficiency());
            }
        }

        return $amps;
    }

    /**
     * Past its input limit a unit that assists gives the difference from the battery, no more than it
     * can make: the supply and all on the way carry that much less.
     *
     * @param array<string, float> $amps
     * @param array<string, array<string, array{string, string}>> $trees
     */
    private function assist(Situation $situation, array &$amps, array $trees): void
    {
        foreach ($this->rig->rig->all(InverterCharger::class) as $id => $unit) {
            $source = $situation->workingSource("{$id}.ac_in.l", "{$id}.ac_in.n");
            $over = ($amps["{$id}.pass_l"] ?? 0.0) - $unit->inputLimitA();
            if (!$unit->values->flag('assist') || $source === null || $over <= 0) {
                continue;
            }
            $given = min($over, $unit->continuousW() / 120);
            $amps["{$id}.assist"] = $given;
            $amps["{$id}.pass_l"] -= $given;
            $amps[$source] -= $given;
            for ($at = "{$id}.ac_in.l"; isset($trees[$source][$at]); $at = $trees[$source][$at][0]) {
                $amps[$trees[$source][$at][1]] -= $given;
            }
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
                if (!isset($seen[$next]) && $this->rig->graph->elements[$id]->role === Role::L1 && $situation->isClosed($id)) {
                    $seen[$next] = true;
                    $from[$next] = [$queue[$i], $id];
                    $queue[] = $next;
                }
            }
        }

        return $from;
    }

    /** @return list<array{element: string, component: string, what: string, ratingA: float}> what has a rating on the AC side */
    public function rated(): array
    {
        if ($this->rated !== null) {
            return $this->rated;
        }
        $rated = [];
        foreach ($this->rig->graph->elements as $id => $element) {
            if ($element->ratingA() !== null && $element->role === Role::L1) {
                $what = $this->rig->graph->devices[$element->device ?? '']->label ?? $this->rig->rig->label($element->component);
                $rated[] = ['element' => $id, 'component' => $element->component, 'what' => $what, 'ratingA' => $element->ratingA()];
            }
        }
        foreach ($this->rig->rig->all(Inlet::class) as $inlet) {
            $rated[] = ['element' => "{$inlet->id}.hot", 'component' => $inlet->id, 'what' => $inlet->label(), 'ratingA' => $inlet->ratingA()];
        }

        return $this->rated = $rated;
    }
}
