<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Operation\Trips;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\Effort;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\TooMuch;
use Hollin\Core\States\Settled;

/**
 * What no operating point may break, in every named state with nothing, everything and every scenario on: volts within
 * what holds them up, nothing from nothing, limits kept, currents that sum to nothing.
 */
final class Physics
{
    /** @var list<Violation> */
    public array $broken = [];

    /** States with their loads that were solved. */
    public int $points = 0;

    private string $title = '';

    private string $step = '';

    /** @var array<string, true> */
    private array $once = [];

    public function hold(Specimen $rig, Examination $of, string $step = 'as it is'): void
    {
        [$this->title, $this->step, $this->once] = [$rig->title(), $step, []];
        $scenarios =
            ['none' => [], 'all' => $of->allLoads()] +
            array_map(fn(array $s): array => $s['running'], $of->needs->scenarios);
        foreach ($of->settled as $state => $settled) {
            foreach ($scenarios as $scenario => $running) {
                try {
                    $flow = LoadFlow::of($settled, $running, [], $of->named[$state]->charge, new Effort());
                } catch (TooMuch) {
                    continue;
                }
                if (!$flow->isSolved()) {
                    continue;
                }
                $this->points++;
                $this->point($of->graph, $settled, $flow, "{$state}/{$scenario}");
            }
        }
    }

    /** One solved operating point. */
    public function point(Graph $graph, Settled $settled, LoadFlowResult $flow, string $where): void
    {
        $this->powers($graph, $flow, $where);
        $this->volts($graph, $settled, $flow, $where);
        $this->limits($graph, $settled, $flow, $where);
        $this->nodes($graph, $flow, $where);
    }

    private function break(string $part, string $what, string $detail): void
    {
        // One cause, one line: the first state that shows it.
        if (!isset($this->once["{$part}|{$what}"])) {
            $this->once["{$part}|{$what}"] = true;
            $this->broken[] = new Violation('physics', $this->title, $this->step, 'flow', [$part], $what, $detail);
        }
    }

    /** No converter gives more than it takes; no load takes power where it has no volts. */
    private function powers(Graph $graph, LoadFlowResult $flow, string $where): void
    {
        foreach ($flow->converters as $id => $unit) {
            if (
                $unit['outW'] > max(0.0, $unit['inW']) * 1.001 + 1 &&
                $graph->converters[$id]->kind !== PowerConverter::FIELD
            ) {
                $detail = sprintf('gives %.0f W, takes %.0f W in %s', $unit['outW'], $unit['inW'], $where);
                $this->break((string) $id, 'gives more than it takes', $detail);
            }
        }
        $this->chargers($graph, $flow, $where);
        foreach ($flow->loads as $id => $load) {
            if ($load['watts'] > 1 && $load['volts'] < 1) {
                $this->break(
                    (string) $id,
                    'takes power without volts',
                    sprintf('%.0f W in %s', $load['watts'], $where),
                );
            }
        }
        $given = $taken = 0.0;
        foreach ($flow->sources as $id => $source) {
            // What a converter gives is taken elsewhere; only sun, shaft, supply and battery are given from outside.
            if (!isset($graph->converters[$id]) || $graph->converters[$id]->kind === PowerConverter::FIELD) {
                $forms =
                    isset($graph->converters["{$graph->sources[$id]->component}.inverter"]) &&
                    !isset($graph->batteries[$id]);
                $given += $forms ? 0.0 : $source['watts'];
            }
        }
        foreach (array_intersect_key($flow->loads, $graph->loads + $graph->users) as $load) {
            $taken += $load['watts'];
        }
        if ($taken > 50 && $flow->otherAcV === null && $taken > $given * 1.02 + 5) {
            $this->break(
                'all',
                'loads take more than sources give',
                sprintf('%.0f W of %.0f W in %s', $taken, $given, $where),
            );
        }
    }

    /** What a charger alone on its wire draws from it: watts by volts and power factor. */
    private function chargers(Graph $graph, LoadFlowResult $flow, string $where): void
    {
        foreach ($flow->converters as $id => $unit) {
            $of = $graph->converters[$id];
            $volts = $of->kind === PowerConverter::CHARGER ? $flow->acBetween(...$of->input) : null;
            $wires = [];
            foreach ($volts === null || $volts < 60 ? [] : $graph->elements as $name => $element) {
                if (in_array($of->input[0], [$element->a, $element->b], true) && isset($flow->acA[$name])) {
                    $wires[] = abs($flow->acA[$name]);
                }
            }
            $amps = $unit['inW'] / max(1.0, $volts ?? 0.0) / $of->powerFactor;
            if (count($wires) === 1 && abs($wires[0] - $amps) > 0.02 * $amps + 0.05) {
                $this->break(
                    (string) $id,
                    'draws other amps than its watts and power factor',
                    sprintf('%.2f A for %.2f A in %s', $wires[0], $amps, $where),
                );
            }
        }
    }

    /** Direct volts lie within the span of what holds their island up; what nothing holds up is dead. */
    private function volts(Graph $graph, Settled $settled, LoadFlowResult $flow, string $where): void
    {
        $root = [];
        $find = function (string $t) use (&$root): string {
            while (($root[$t] ?? $t) !== $t) {
                $t = $root[$t];
            }

            return $t;
        };
        foreach ($flow->dcA as $id => $_) {
            if ($settled->situation->isClosed((string) $id)) {
                $root[$find($graph->elements[$id]->a)] = $find($graph->elements[$id]->b);
            }
        }
        $edges = [];
        foreach ($graph->batteries as $battery) {
            $edges[] = [$find($battery->neg), $find($battery->pos), max($battery->fullV(), $battery->highestV())];
        }
        $giving = $settled->situation->charging() + $settled->situation->givingDirect();
        foreach ($graph->converters as $id => $unit) {
            if ($unit->charges() && isset($giving[$id])) {
                $edges[] = [$find($unit->output[1]), $find($unit->output[0]), $unit->holdsV];
            }
        }
        // Loads join what they hang between: through them everything of one island may be reached.
        $island = [];
        $isle = function (string $t) use (&$island): string {
            while (($island[$t] ?? $t) !== $t) {
                $t = $island[$t];
            }

            return $t;
        };
        foreach ($edges as [$a, $b]) {
            $island[$isle($a)] = $isle($b);
        }
        foreach ($graph->loads + $graph->users as $load) {
            if ($load->direct) {
                $island[$isle($find($load->a))] = $isle($find($load->b));
            }
        }
        $span = [];
        foreach ($edges as [$a, $b, $volts]) {
            // All in series at most; those across the same two nets count once, at the highest.
            $span[$isle($a)]["{$a}>{$b}"] = max($span[$isle($a)]["{$a}>{$b}"] ?? 0.0, $volts);
        }
        foreach ($graph->loads + $graph->users as $id => $load) {
            $volts = $load->direct ? $flow->dcBetween($load->a, $load->b) : null;
            $most = array_sum($span[$isle($find($load->a))] ?? []);
            if ($volts !== null && abs($volts) > $most * 1.01 + 0.1) {
                $this->break(
                    (string) $id,
                    'stands above what holds it up',
                    sprintf('%.1f V, at most %.1f V in %s', $volts, $most, $where),
                );
            }
        }
        foreach ($flow->sources as $id => $source) {
            if (abs($source['volts']) > 300) {
                $this->break(
                    (string) $id,
                    'stands at more than any source gives',
                    sprintf('%.0f V in %s', $source['volts'], $where),
                );
            }
        }
    }

    /** Limits of regulators are kept; what is past the limit of what opens is shown to open. */
    private function limits(Graph $graph, Settled $settled, LoadFlowResult $flow, string $where): void
    {
        $opens = [];
        foreach (Trips::of($flow, $graph, $settled->positions) as $trip) {
            $opens[$trip->id] = $opens[$trip->component] = true;
        }
        foreach ($flow->sources as $id => $source) {
            $unit = $graph->converters[$id] ?? null;
            $battery = $graph->batteries[$id] ?? null;
            if ($unit?->charges() && abs($source['amps']) > $unit->limitA * 1.01 + 0.05) {
                $this->break(
                    (string) $id,
                    'a charger past its limit',
                    sprintf('%.1f A of %.1f A in %s', $source['amps'], $unit->limitA, $where),
                );
            }
            if (
                $battery?->limitA !== null &&
                $source['amps'] > max($battery->limitA, $battery->peakA ?? 0.0) * 1.02 &&
                !isset($opens[$id]) &&
                !isset($opens[$battery->component])
            ) {
                $this->break(
                    (string) $id,
                    'a battery past its management, and nothing is said to open',
                    sprintf('%.0f A of %.0f A in %s', $source['amps'], $battery->limitA, $where),
                );
            }
        }
        foreach ($graph->elements as $id => $element) {
            $rating = $element->rating;
            if (
                $rating?->protects === true &&
                $rating->amps !== null &&
                $flow->amps((string) $id) > 3 * $rating->amps &&
                !isset($opens[$id]) &&
                !isset($opens[$element->component])
            ) {
                $this->break(
                    (string) $id,
                    'carries three times its rating and holds',
                    sprintf('%.0f A in %s', $flow->amps((string) $id), $where),
                );
            }
        }
    }

    /** Into every terminal of the battery side sums nothing. */
    private function nodes(Graph $graph, LoadFlowResult $flow, string $where): void
    {
        $into = [];
        $put = function (string $from, string $to, float $amps) use (&$into): void {
            $into[$from] = ($into[$from] ?? 0.0) - $amps;
            $into[$to] = ($into[$to] ?? 0.0) + $amps;
        };
        foreach ($flow->dcA as $id => $amps) {
            $put($graph->elements[$id]->a, $graph->elements[$id]->b, $amps);
        }
        foreach ($graph->batteries as $id => $battery) {
            $put($battery->neg, $battery->pos, $flow->sources[$id]['amps'] ?? 0.0);
        }
        foreach ($flow->chargers as $id => [$pos, $neg]) {
            $put($neg, $pos, $flow->sources[$id]['amps']);
        }
        foreach ($flow->dcInjections as $injection) {
            $put(
                $injection->a,
                $injection->b,
                $injection->currentAt((float) $flow->dcBetween($injection->a, $injection->b), 0.0)[0],
            );
        }
        $largest = max([1.0, ...array_map(abs(...), $flow->dcA)]);
        foreach ($into as $terminal => $amps) {
            if (abs($amps) > 1e-3 + 1e-6 * $largest) {
                $this->break(
                    (string) $terminal,
                    'currents do not sum to nothing',
                    sprintf('%.3g A in %s', $amps, $where),
                );
            }
        }
    }
}
