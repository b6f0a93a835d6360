<?php

declare(strict_types=1);

use Hollin\Core\Rules\Currents;
use Hollin\Core\Solve\LoadFlow;
use Tests\Rigs;

/*
 * Amps that the rules judge are sums along trees at nominal volts; the load flow solves the whole network
 * at the volts there really are. Where no load stands far from its nominal volts both must say the same;
 * chargers, which the sums take at their full rating, may only draw less in the solve.
 */
it('sums along trees what the load flow solves', function (string $demo): void {
    $document = Rigs::demo($demo);
    $compared = 0;
    foreach (['', ...array_keys(get_object_vars($document->plans))] as $plan) {
        $rig = $plan === '' ? Rigs::asFound($document) : Rigs::planned($document, $plan);
        $sums = new Currents($rig);
        foreach ($rig->settled as $state => $settled) {
            foreach ($rig->needs->scenarios as $scenario => $what) {
                $flow = LoadFlow::of($settled, $what['running']);
                $sags = array_filter(
                    $flow->loads,
                    fn(array $load, string $id): bool => isset($what['running'][$id]) &&
                        $load['volts'] > 1 &&
                        $load['volts'] < 0.96 * 120,
                    ARRAY_FILTER_USE_BOTH,
                );
                if (
                    !$flow->isSolved() ||
                    $sags !== [] ||
                    array_filter($flow->sources, fn(array $s): bool => $s['overloaded']) !== []
                ) {
                    continue;
                }
                foreach ($sums->amps[$state][$scenario] as $id => $amps) {
                    $solved = $flow->acA[$id] ?? abs($flow->dcA[$id] ?? 0.0);
                    if (!isset($rig->graph->elements[$id]) || max($amps, $solved) < 2.0) {
                        continue;
                    }
                    $compared++;
                    expect($amps)->toBeGreaterThan(0.95 * $solved, "{$plan} {$state} {$scenario} {$id}");
                    if ($flow->chargers === []) {
                        expect($amps)->toBeLessThan(1.08 * $solved, "{$plan} {$state} {$scenario} {$id}");
                    }
                }
            }
        }
    }
    expect($compared)->toBeGreaterThan(100);
})->with(['grafting', 'archive', 'tideline']);

it('sums on the battery side what an assisting unit makes, as the load flow has it', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => Rigs::object([
                    'heat' => ['title' => 'Heat', 'order' => 1, 'running' => ['c_water.element' => true]],
                ]),
            ],
            Hollin\Core\Rules\Sample::choose('in_line', [
                'converter' => 'removed',
                'inputLimitA' => 6,
                'assist' => true,
                'continuousW' => 3000,
            ]),
        ),
    );
    $unit = array_values(
        array_filter(
            $rig->graph->converters,
            fn($c): bool => $c->kind === Hollin\Core\Network\PowerConverter::INVERTER,
        ),
    )[0];
    $sums = (new Currents($rig))->amps;
    foreach (['shore_and_inverter', 'inverting'] as $state) {
        $flow = LoadFlow::of($rig->settled[$state], ['c_water.element' => true]);
        // What the unit takes for itself is not in the sum.
        $solved = $flow->converters[$unit->id]['inW'] ?? ($flow->converters["{$unit->component}.assist"]['inW'] ?? 0.0);
        expect($sums[$state]['heat'][$unit->id])
            ->toBeGreaterThan(10.0)
            ->toEqualWithDelta(($solved - $unit->idleW) / $unit->nominalV, (0.12 * $solved) / $unit->nominalV, $state);
    }
});
