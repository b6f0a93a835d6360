<?php

declare(strict_types=1);

use Hollin\Core\Network\Fault;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Tests\Rigs;

/** A heater on the outlets, their breaker, and joints as somebody measured them. */
function jointed(array $joints, float $watts, int $breaker = 30): array
{
    return [
        Sample::survey('c_outlets', '/breakerA', $breaker),
        Sample::survey('c_outlets', '/loads', [
            'heat' => ['label' => 'Heater', 'watts' => $watts, 'kind' => 'resistive'],
        ]),
        ...$joints === [] ? [] : [Sample::survey('c_outlets', '/joints', $joints)],
    ];
}

it('keeps 31 W in 0.05 Ω at 25 A, in hot or neutral alike', function (string $wire): void {
    // practice.md section 7: "0.05 Ω at 25 A is 31 W". 25 A through what the rig leaves of 120 V: watts by trial.
    $document = Rigs::job(...jointed([$wire => 50], 3000));
    $document->needs->scenarios = Rigs::object([
        'heating' => ['title' => 'Heating', 'order' => 1, 'running' => ['c_outlets.heat' => true]],
    ]);
    $rig = Rigs::asFound($document);
    $found = Rigs::findings($rig, 'joint_heat');
    expect($found)
        ->toHaveCount(1)
        ->and($found[0]->hit->text)
        ->toContain("in the {$wire}");
    $flow = LoadFlow::of($rig->settled['shore_s30'], ['c_outlets.heat' => true]);
    $amps = $flow->acA["c_outlets.{$wire}"];
    expect($amps)
        ->toBeGreaterThan(20.0)
        ->and($found[0]->hit->figures[0]->value)
        ->toEqualWithDelta($amps ** 2 * 0.05, 0.02)
        ->and($found[0]->hit->figures[0]->value * (25 / $amps) ** 2)
        ->toEqualWithDelta(31.25, 0.02);
})->with(['hot', 'neutral']);

it('says of a joint through which nothing written down passes what an outlet would make of it', function (): void {
    $rig = Rigs::asFound(Rigs::job(Sample::survey('c_outlets', '/joints', ['hot' => 200, 'ground' => 200])));
    $found = Rigs::findings($rig, 'joint_heat');
    expect($found)
        ->toHaveCount(1)
        ->and($found[0]->hit->figures[0]->value)
        ->toEqualWithDelta(12 ** 2 * 0.2, 1e-9);
});

it('plants the same joint as it finds', function (string $wire): void {
    $volts = function (array $joints, ?Fault $fault) use ($wire): array {
        $rig = Rigs::asFound(Rigs::job(...jointed($joints, 1500)));
        $graph = $fault === null ? $rig->graph : $rig->graph->with($fault);
        $settled = (new Engine(new Contraction($graph)))->settle($rig->named['shore_s30']->setting);
        $flow = LoadFlow::of($settled, ['c_outlets.heat' => true]);

        return [$flow->acBetween('c_outlets.l', 'c_outlets.n'), $flow->acA["c_outlets.{$wire}"]];
    };
    $sound = $volts([], null);
    $found = $volts([$wire => 500], null);
    $planted = $volts([$wire => 0.1], Fault::resistance("c_outlets.{$wire}_ends", 0.5));
    // 500 mΩ under some 12 A take 6 V.
    expect($sound[0] - $found[0])
        ->toBeGreaterThan(4.0)
        ->toBeLessThan(7.0);
    expect($planted[0])->toEqualWithDelta($found[0], 1e-6)->and($planted[1])->toEqualWithDelta($found[1], 1e-6);
})->with(['hot', 'neutral']);

it('finds a fault that never clears through a bad ground', function (int $milliohm, bool $found): void {
    // A 15 A breaker holds 1.35 times its rating for an hour or more: below 20 A, from 6 Ω on, it may never open.
    $findings = Rigs::findings(
        Rigs::asFound(Rigs::job(Sample::survey('c_outlets', '/joints', ['ground' => $milliohm]))),
        'fault_clearing',
    );
    expect($findings !== [])->toBe($found);
    if ($found) {
        expect($findings[0]->hit->figures[0]->value)->toEqualWithDelta(120 / ($milliohm / 1000 + 0.3), 0.6);
    }
})->with([[8000, true], [200, false]]);
