<?php

declare(strict_types=1);

use Hollin\Core\Network\Fault;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\Spice;
use Tests\Drawn;
use Tests\Rigs;
use Tests\Seeds;
use Tests\Small;

/*
 * The load flow against ngspice (Debian), which gets the exported netlist and nothing else. Agreement
 * within 0.1 %, or 1 mV where that is larger, at every node. This proves the algebra; the cases
 * worked by hand in Core/Solve prove the physics.
 */

/** @return array<int, array{float, float}> node => V as the simulator has it */
function simulated(string $deck): array
{
    $process = Small::ngspice($deck);
    $said = $process->getOutput();
    $complained = $process->getErrorOutput();
    // It ends well even when it found nothing.
    if (preg_match('/singular|error|aborted/i', $complained) === 1) {
        throw new RuntimeException(substr($complained, 0, 2000));
    }
    preg_match_all('/^n(\d+) = (\S+?)(?:,\s*(\S+))?$/m', $said, $found, PREG_SET_ORDER);
    $volts = [];
    foreach ($found as $match) {
        $volts[(int) $match[1]] = [(float) $match[2], (float) ($match[3] ?? 0)];
    }

    return $volts;
}

/** Largest disagreement of a flow with the simulator, as a share of what is allowed. */
function disagreement(LoadFlowResult $flow, string $title): float
{
    $worst = 0.0;
    foreach (['ac', 'dc'] as $side) {
        $names = $flow->{$side}->names;
        $volts = simulated($side === 'ac' ? Spice::ac($flow, $title) : Spice::dc($flow, $title));
        expect(count($volts))->toBe(count($names), "{$title}: every node of the {$side} side");
        foreach ($names as $n => $name) {
            $ours = $side === 'ac' ? $flow->acV[$name] : [$flow->dcV[$name], 0.0];
            $worst = max(
                $worst,
                hypot($ours[0] - $volts[$n][0], $ours[1] - $volts[$n][1]) / max(1e-3, 1e-3 * hypot(...$ours)),
            );
        }
    }

    return $worst;
}

/** @return list<array{string, Examination}> as found and every plan of the demo rigs */
function demoRigs(): array
{
    $rigs = [];
    foreach (array_keys(Rigs::DEMO) as $name) {
        $document = Rigs::demo($name);
        $rigs[] = ["{$name} as found", Rigs::asFound($document)];
        foreach (array_keys(get_object_vars($document->plans)) as $plan) {
            $rigs[] = ["{$name} {$plan}", Rigs::planned($document, (string) $plan)];
        }
    }

    return $rigs;
}

it('agrees with ngspice on every demo rig in every named state', function (): void {
    $checked = 0;
    foreach (demoRigs() as [$title, $rig]) {
        $running = array_fill_keys(array_keys($rig->graph->loads), true);
        foreach ($rig->settled as $state => $settled) {
            if (!Seeds::draws("{$title} {$state}", 3)) {
                continue;
            }
            $flow = LoadFlow::of($settled, $running);
            if ($flow->trouble === null) {
                expect(disagreement($flow, "{$title} {$state}"))->toBeLessThan(1.0, "{$title} {$state}");
                $checked++;
            }
        }
    }
    expect($checked)->toBeGreaterThan(10);
});

it('agrees with ngspice on what lets current through one way', function (Chemistry $second, bool $charger): void {
    // In the deck it is a current by the volts across it, and no state of it.
    $graph = Small::separated($second);
    Small::draw($graph, 'a.pos', 'a.neg', 6);
    $flow = Small::solved($charger ? $graph : $graph->with(Fault::open('out')));
    $volts = simulated(Spice::dc($flow, 'one way'));
    foreach ($flow->dc->names as $n => $name) {
        // What nothing holds floats.
        if (!in_array($name, ['common.pos', 'c.pos'], true) || $charger) {
            expect($volts[$n][0] - $volts[$flow->dc->node['a.neg']][0])->toEqualWithDelta(
                $flow->dcBetween($name, 'a.neg'),
                0.002,
                $name,
            );
        }
    }
    expect($flow->isSolved())->toBeTrue();
})
    ->with([Chemistry::Lfp, Chemistry::Agm])
    ->with([true, false]);

it('agrees with ngspice on a generated rig', function (int $seed): void {
    $rig = Rigs::planned(Rigs::varied($seed));
    $loads = array_keys($rig->graph->loads);
    // Every second load, and one state of the rig, both picked by the seed.
    $running = array_fill_keys(
        array_filter($loads, fn(int $i): bool => ($i + $seed) % 2 === 0, ARRAY_FILTER_USE_KEY),
        true,
    );
    $states = array_keys($rig->settled);
    $state = $states[$seed % count($states)];
    $flow = LoadFlow::of($rig->settled[$state], $running);
    if ($flow->trouble !== null) {
        $flow = LoadFlow::of($rig->settled['nothing'], $running);
    }
    expect(disagreement($flow, "rig {$seed} {$state}"))->toBeLessThan(1.0);
})
    ->with(Seeds::of(200))
    ->group('drawn');

it('agrees with ngspice on a rig with odd wiring', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $checked = 0;
    foreach ($rig->settled as $state => $settled) {
        $flow = LoadFlow::of($settled, Drawn::running($rig->graph, $seed));
        if ($flow->isSolved()) {
            expect(disagreement($flow, "drawn {$seed} {$state}"))->toBeLessThan(1.0, "drawn {$seed} {$state}");
            $checked++;
        }
    }
    expect($checked)->toBeGreaterThan(0);
})
    ->with(Seeds::of(40))
    ->group('drawn');
