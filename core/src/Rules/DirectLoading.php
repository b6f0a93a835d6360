<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\TripCurve;
use Hollin\Core\States\Situation;

/**
 * What carries more than it may on the battery side, in any named state and load scenario. A bound
 * decides first: nothing carries more than all that is drawn and given there together, and what parts
 * some takers from every battery no more than theirs; only what that leaves open is solved.
 */
final class DirectLoading
{
    /** How much lower than nominal volts may stand before a unit gives up, which its current grows by. */
    private const LOWEST_SHARE = 0.7;

    /** How much the current on the battery side may differ between states that take the same there, as a share. */
    private const ALIKE_SHARE = 0.05;

    /**
     * @var list<array{id: string, kind: string, component: string, what: string, limitA: float, assumed: bool,
     *      protects: bool, type: string}>
     */
    private array $limits = [];

    public function __construct(private readonly Examination $rig)
    {
        $graph = $rig->graph;
        foreach ($graph->elements as $id => $element) {
            if (!Walk::direct($element)) {
                continue;
            }
            // The least of what the wire, and what is on it, may carry.
            $limits = array_filter(
                [$element->ratingA(), $element->cable === null ? null : $rig->needs->school->ofCable($element->cable)],
                is_float(...),
            );
            $ampacity = $limits === [] ? null : min($limits);
            if ($ampacity !== null) {
                $part = $graph->partAt($element->component);
                $assumed =
                    $element->cable === null
                        ? $element->rating?->assumed === true
                        : $part?->isAssumed('cable/size') === true;
                $this->limits[] = [
                    'id' => $id,
                    'kind' => 'element',
                    'component' => $element->component,
                    'what' => $graph->label($element->component),
                    'limitA' => $ampacity,
                    'assumed' => $assumed,
                    'protects' => $element->rating?->protects === true,
                    'type' => $element->rating->what ?? 'cable',
                ];
            }
        }
        foreach ($graph->junctions as $terminal => [$component, $rating]) {
            if ($rating->amps !== null && $rating->what === 'bar') {
                $this->limits[] = [
                    'id' => $terminal,
                    'kind' => 'junction',
                    'component' => $component,
                    'what' => $graph->label($component),
                    'limitA' => $rating->amps,
                    'assumed' => $rating->assumed,
                    'protects' => false,
                    'type' => 'bar',
                ];
            }
        }
        foreach ($graph->batteries as $id => $battery) {
            if ($battery->limitA !== null) {
                $this->limits[] = [
                    'id' => $id,
                    'kind' => 'battery',
                    'component' => $battery->component,
                    'what' => "{$graph->label($battery->component)}'s management",
                    'limitA' => $battery->limitA,
                    'assumed' => $battery->limitAssumed,
                    'protects' => true,
                    'type' => 'management',
                ];
            }
        }
    }

    /**
     * @return list<array{id: string, component: string, what: string, amps: float, limitA: float, state: string,
     *      scenario: string, assumed: bool, opens: ?float, protects: bool}> worst of each
     */
    public function over(): array
    {
        $worst = [];
        /**
         * @var array<string, array<string, float>> $solved what is drawn and given where => A in each limit solved for
         */
        $solved = [];
        foreach ($this->rig->settled as $state => $settled) {
            foreach ($this->rig->needs->scenarios as $scenario => $what) {
                $most = $this->most($state, $scenario);
                $all = self::net($most, array_keys($this->rig->graph->direct()));
                $open = [];
                foreach ($this->limits as $limit) {
                    if ($limit['limitA'] < $all) {
                        $beyond = $this->beyond($limit['id']);
                        if ($beyond === null || $limit['limitA'] < self::net($most, $beyond)) {
                            $open[] = $limit;
                        }
                    }
                }
                if ($open === []) {
                    continue;
                }
                // The same takers at the same places on the same leads: a dead pedestal or none makes no odds here.
                $alike = json_encode(
                    [
                        $most,
                        $settled->situation->closed & $settled->situation->network->directBits,
                        $settled->situation->charging(),
                        $settled->situation->givingDirect(),
                        $what['running'],
                    ],
                    JSON_THROW_ON_ERROR,
                );
                if ($this->isDecided($open, $solved[$alike] ?? [])) {
                    continue;
                }
                $flow = $this->rig->flows()->of($settled, $what['running']);
                foreach ($flow->isSolved() ? $open : [] as $limit) {
                    $amps = match ($limit['kind']) {
                        'element' => abs($flow->dcA[$limit['id']] ?? 0.0),
                        'battery' => $flow->sources[$limit['id']]['amps'] ?? 0.0,
                        default => Walk::passing($this->rig->graph, $limit['id'], $flow->dcA),
                    };
                    $solved[$alike][$limit['id']] = $amps;
                    if ($amps > $limit['limitA'] * (1 + 1e-6) && $amps > ($worst[$limit['id']]['amps'] ?? 0.0)) {
                        $worst[$limit['id']] = [
                            'id' => $limit['id'],
                            'component' => $limit['component'],
                            'what' => $limit['what'],
                            'amps' => $amps,
                            'limitA' => $limit['limitA'],
                            'state' => $state,
                            'scenario' => (string) $scenario,
                            'assumed' => $limit['assumed'],
                            'opens' => TripCurve::seconds($limit['type'], $amps / $limit['limitA']),
                            'protects' => $limit['protects'],
                        ];
                    }
                }
            }
        }

        return array_values($worst);
    }

    /**
     * Whether a state solved before, with the same takers, says enough: each limit passed or kept by more
     * than the wires on the alternating side could change.
     *
     * @param list<array{id: string, kind: string, component: string, what: string, limitA: float, assumed: bool,
     *      protects: bool, type: string}> $open
     * @param array<string, float> $solved
     */
    private function isDecided(array $open, array $solved): bool
    {
        foreach ($open as $limit) {
            $amps = $solved[$limit['id']] ?? null;
            if ($amps === null || abs($amps - $limit['limitA']) < self::ALIKE_SHARE * $limit['limitA']) {
                return false;
            }
        }

        return true;
    }

    /**
     * @var array<string, ?list<string>> element => takers and givers that only it joins with a battery; null for what
     *      may carry anything
     */
    private array $beyond = [];

    /**
     * Takers and givers of direct current beyond an element, where no battery is beyond it too: all that
     * can pass it is theirs.
     *
     * @return ?list<string>
     */
    private function beyond(string $element): ?array
    {
        if (!isset($this->rig->graph->elements[$element])) {
            return null;
        }
        if (!array_key_exists($element, $this->beyond)) {
            $graph = $this->rig->graph;
            $e = $graph->elements[$element];
            $found = null;
            foreach ([[$e->a, $e->b], [$e->b, $e->a]] as [$from, $to]) {
                $side = Walk::reach(
                    $graph,
                    [$from],
                    fn(Element $x): bool => $x->id !== $element && ($x->role->isDc() || $x->role === Role::PE),
                );
                $battery = array_filter(
                    $graph->batteries,
                    fn(Battery $b): bool => array_key_exists($b->pos, $side) || array_key_exists($b->neg, $side),
                );
                if (!array_key_exists($to, $side) && $battery === []) {
                    $found = [];
                    foreach ($graph->direct() as $id => $of) {
                        if (array_key_exists($of['pos'], $side) || array_key_exists($of['neg'], $side)) {
                            $found[] = $id;
                        }
                    }
                }
            }
            $this->beyond[$element] = $found;
        }

        return $this->beyond[$element];
    }

    /**
     * Most that can pass in either direction: all that takes, or all that gives less what is always on
     * (at the volts a charger holds it still takes four fifths).
     *
     * @param array<string, array{float, float}> $most
     * @param list<string> $of
     */
    private static function net(array $most, array $of): float
    {
        $takes = $gives = $steady = 0.0;
        foreach ($of as $id) {
            [$take, $give] = $most[$id] ?? [0.0, 0.0];
            $takes += $take;
            $gives += $give;
            $steady += $most["{$id}!"][0] ?? 0.0;
        }

        return max($takes, $gives - 0.8 * $steady);
    }

    /**
     * @return array<string, array{float, float}> most that each taker takes and each giver gives in a state and
     *      scenario, A; what is always on once more under id!
     */
    private function most(string $state, string $scenario): array
    {
        $amps = $this->rig->currents()->amps[$state][$scenario] ?? [];
        $most = [];
        foreach ($this->rig->graph->converters as $id => $unit) {
            if ($unit->kind === PowerConverter::INVERTER) {
                // It gives up below its cut-off.
                $most[$id] = [
                    (($amps[$id] ?? 0.0) + $unit->idleW / $unit->nominalV) /
                    max(self::LOWEST_SHARE, min(0.95, $unit->cutOffV / $unit->nominalV)),
                    0.0,
                ];
            } elseif ($unit->charges() && self::isOn($unit, $this->rig->settled[$state]->situation)) {
                $most[$id] = [0.0, $unit->limitA];
                if ($unit->kind === PowerConverter::DC_DC) {
                    $most["{$id}.in"] = [$unit->fullInputW() / max(1.0, $unit->cutOffV), 0.0];
                }
            }
        }
        foreach ($this->rig->graph->users as $id => $load) {
            if ($load->direct) {
                $most[$id] = [(float) $load->amps / self::LOWEST_SHARE, 0.0];
                $most["{$id}!"] = [(float) $load->amps, 0.0];
            }
        }

        return $most;
    }

    private static function isOn(PowerConverter $unit, Situation $situation): bool
    {
        return isset($situation->charging()[$unit->id]) || isset($situation->givingDirect()[$unit->id]);
    }
}
