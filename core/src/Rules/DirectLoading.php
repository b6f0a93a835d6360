<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\TripCurve;

/**
 * What carries more than it may on the battery side, in any named state and load scenario. A bound
 * decides first: nothing carries more than all that is drawn and given there together; only what that
 * leaves open is solved.
 */
final class DirectLoading
{
    /** How much lower than nominal volts may stand before a unit gives up, which its current grows by. */
    private const LOWEST_SHARE = 0.7;

    /** @var list<array{id: string, kind: string, component: string, what: string, limitA: float, assumed: bool, protects: bool, type: string}> */
    private array $limits = [];

    public function __construct(private readonly Examination $rig)
    {
        $graph = $rig->graph;
        foreach ($graph->elements as $id => $element) {
            if (!Walk::direct($element)) {
                continue;
            }
            $ampacity = $element->cable === null ? $element->ratingA() : $rig->needs->school->ofCable($element->cable);
            if ($ampacity !== null) {
                $part = $graph->partAt($element->component);
                $assumed = $element->cable === null ? $element->rating?->assumed === true : $part?->isAssumed('cable/size') === true;
                $this->limits[] = ['id' => $id, 'kind' => 'element', 'component' => $element->component, 'what' => $graph->label($element->component), 'limitA' => $ampacity, 'assumed' => $assumed, 'protects' => $element->rating?->protects === true, 'type' => $element->rating->what ?? 'cable'];
            }
        }
        foreach ($graph->junctions as $terminal => [$component, $rating]) {
            if ($rating->amps !== null && $rating->what === 'bar') {
                $this->limits[] = ['id' => $terminal, 'kind' => 'junction', 'component' => $component, 'what' => $graph->label($component), 'limitA' => $rating->amps, 'assumed' => $rating->assumed, 'protects' => false, 'type' => 'bar'];
            }
        }
        foreach ($graph->batteries as $id => $battery) {
            if ($battery->limitA !== null) {
                $this->limits[] = ['id' => $id, 'kind' => 'battery', 'component' => $battery->component, 'what' => "{$graph->label($battery->component)}'s management", 'limitA' => $battery->limitA, 'assumed' => $battery->limitAssumed, 'protects' => true, 'type' => 'management'];
            }
        }
    }

    /** @return list<array{id: string, component: string, what: string, amps: float, limitA: float, state: string, scenario: string, assumed: bool, opens: ?float, protects: bool}> worst of each */
    public function over(): array
    {
        $worst = [];
        foreach ($this->rig->settled as $state => $settled) {
            foreach ($this->rig->needs->scenarios as $scenario => $what) {
                $bound = $this->bound($state, $scenario);
                $open = array_filter($this->limits, fn(array $l): bool => $l['limitA'] < $bound);
                if ($open === []) {
                    continue;
                }
                $flow = $this->rig->flows()->of($settled, $what['running']);
                foreach ($flow->isSolved() ? $open : [] as $limit) {
                    $amps = match ($limit['kind']) {
                        'element' => abs($flow->dcA[$limit['id']] ?? 0.0),
                        'battery' => $flow->sources[$limit['id']]['amps'] ?? 0.0,
                        default => $this->passing($limit['id'], $flow->dcA),
                    };
                    if ($amps > $limit['limitA'] * (1 + 1e-6) && $amps > ($worst[$limit['id']]['amps'] ?? 0.0)) {
                        $worst[$limit['id']] = ['id' => $limit['id'], 'component' => $limit['component'], 'what' => $limit['what'], 'amps' => $amps, 'limitA' => $limit['limitA'], 'state' => $state, 'scenario' => (string) $scenario, 'assumed' => $limit['assumed'], 'opens' => TripCurve::seconds($limit['type'], $amps / $limit['limitA']), 'protects' => $limit['protects']];
                    }
                }
            }
        }

        return array_values($worst);
    }

    /**
     * What passes a bar: half of all that comes and goes.
     *
     * @param array<string, float> $amps
     */
    private function passing(string $terminal, array $amps): float
    {
        return array_sum(array_map(fn(array $next): float => abs($amps[$next[1]] ?? 0.0), $this->rig->graph->neighbours()[$terminal] ?? [])) / 2;
    }

    /** More than anything on the battery side can carry in a state and scenario, A. */
    private function bound(string $state, string $scenario): float
    {
        $amps = $this->rig->currents()->amps[$state][$scenario] ?? [];
        $sum = 0.0;
        foreach ($this->rig->graph->converters as $id => $unit) {
            if ($unit->kind === PowerConverter::INVERTER) {
                $sum += (($amps[$id] ?? 0.0) + $unit->idleW / $unit->nominalV) / self::LOWEST_SHARE;
            } elseif ($unit->kind === PowerConverter::CHARGER && isset($this->rig->settled[$state]->situation->charging()[$id])) {
                $sum += $unit->limitA;
            }
        }
        foreach ($this->rig->graph->users as $load) {
            $sum += $load->direct ? (float) $load->amps / self::LOWEST_SHARE : 0.0;
        }

        return $sum;
    }
}
