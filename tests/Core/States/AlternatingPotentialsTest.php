<?php

declare(strict_types=1);

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\AlternatingPotentials;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Drawn;
use Tests\Rigs;
use Tests\Seeds;
use Tests\Small;

/** @param array<string, mixed> $more of the source */
function supply(Graph $graph, string $id, array $more = []): void
{
    $graph->source(
        new Source(
            ...[
                'id' => $id,
                'component' => $id,
                'label' => $id,
                'letter' => strtoupper($id),
                'kind' => 'ac',
                'forming' => true,
                'a' => "{$id}.l",
                'b' => "{$id}.n",
                'ground' => "{$id}.g",
                'volts' => 120.0,
                'limitA' => 30.0,
                ...$more,
            ],
        ),
    );
}

function potentials(Graph $graph): AlternatingPotentials
{
    return (new Engine(new Contraction($graph)))->settle(new Setting([], []))->situation->alternating();
}

it('finds two sources that meet, however they meet', function (array $wires, array $bonds, array $joined): void {
    $graph = new Graph();
    supply($graph, 'a');
    supply($graph, 'b');
    foreach ($wires as [$from, $to]) {
        Small::ohms($graph, "{$from}-{$to}", $from, $to, 0.01, Role::L1);
    }
    foreach ($bonds as [$neutral, $ground]) {
        $graph->bond("{$neutral}-{$ground}", 'bond', $neutral, $ground);
    }
    expect(array_values(potentials($graph)->joined))->toBe($joined);
})->with([
    'both wires' => [[['a.l', 'b.l'], ['a.n', 'b.n']], [], [['a', 'b', false]]],
    'both wires, crossed' => [[['a.l', 'b.n'], ['a.n', 'b.l']], [], [['a', 'b', false]]],
    'hots only' => [[['a.l', 'b.l']], [], [['a', 'b', false]]],
    'neutrals only' => [[['a.n', 'b.n']], [], []],
    'one hot on the neutral of the other' => [[['a.l', 'b.n']], [], []],
    'hot on the other neutral, and neutrals on one frame' => [
        [['a.l', 'b.n'], ['b.l', 'frame']],
        [['a.n', 'frame']],
        [['a', 'b', true]],
    ],
    'neutrals bonded to one frame' => [[], [['a.n', 'frame'], ['b.n', 'frame']], []],
]);

it('finds a source shorted on itself, and by how many volts', function (
    array $more,
    array $wires,
    array $bonds,
    ?array $shorted,
): void {
    $graph = new Graph();
    supply($graph, 'a', $more);
    foreach ($wires as [$from, $to]) {
        Small::ohms($graph, "{$from}-{$to}", $from, $to, 0.01, Role::L1);
    }
    foreach ($bonds as [$neutral, $ground]) {
        $graph->bond("{$neutral}-{$ground}", 'bond', $neutral, $ground);
    }
    $found = potentials($graph)->shorted['a'] ?? null;
    $shorted === null ? expect($found)->toBeNull() : expect([round($found[1], 6), $found[2]])->toBe($shorted);
})->with([
    'nothing' => [[], [], [['a.n', 'frame']], null],
    'hot to neutral' => [[], [['a.l', 'a.n']], [], [120.0, false]],
    'hot to frame, neutral bonded to it' => [[], [['a.l', 'frame']], [['a.n', 'frame']], [120.0, true]],
    'hot to frame, nothing bonded' => [[], [['a.l', 'frame']], [], null],
    'each wire half the voltage from the case, neutral bonded' => [
        ['neutral' => 'half'],
        [],
        [['a.n', 'a.g']],
        [60.0, true],
    ],
    'each wire half the voltage from the case' => [['neutral' => 'half'], [], [], null],
]);

it('knows which windings keep step', function (): void {
    $legs = function (float $angle, string $group, array $wires): AlternatingPotentials {
        $graph = new Graph();
        supply($graph, 'a', ['group' => $group]);
        supply($graph, 'b', ['group' => $group, 'angleDeg' => $angle]);
        foreach ($wires as [$from, $to]) {
            Small::ohms($graph, "{$from}-{$to}", $from, $to, 0.01, Role::L1);
        }

        return potentials($graph);
    };
    $common = [['a.n', 'b.n']];
    $together = [...$common, ['a.l', 'b.l']];
    // Two legs about one neutral are as they should be; leg to leg is 240 V shorted, 208 V of a wye.
    expect($legs(180, 'service', $common)->shorted)
        ->toBe([])
        ->and(array_column($legs(180, 'service', $together)->shorted, 1))
        ->toEqualWithDelta([240.0], 1e-9)
        ->and(array_column($legs(120, 'service', $together)->shorted, 1))
        ->toEqualWithDelta([120 * sqrt(3)], 1e-9);
    // In step they may stand side by side; of two groups nobody knows the phase.
    expect($legs(0, 'pair', $together)->shorted)
        ->toBe([])
        ->and($legs(0, '', $together)->joined)
        ->toHaveCount(1)
        ->and($legs(0, '', $together)->shorted)
        ->toBe([]);
});

it('says shorted where the solve finds the current of a short, and nowhere else', function (Examination $rig): void {
    $seen = [false => 0, true => 0];
    foreach ([...$rig->settled, ...$rig->faulty()] as $settled) {
        $potentials = $settled->situation->alternating();
        $flow = LoadFlow::of($settled, []);
        foreach ($flow->isSolved() ? array_keys($settled->situation->acSources()) : [] as $id) {
            $source = $rig->graph->sources[$id];
            $amps = $flow->sources[$id]['amps'] ?? null;
            if ($amps !== null && $settled->situation->condition($id) !== 'dead') {
                $shorted = isset($potentials->shorted[$id]);
                $seen[$shorted]++;
                // With every load off only chargers draw; a short draws all that the source and some metres of wire let
                // through, an inverter its surge.
                expect($amps > 1.5 * $source->limitA)->toBe(
                    $shorted,
                    "{$id} gives {$amps} A in {$settled->setting->surroundings[array_key_first(
                            $settled->setting->surroundings,
                        )]}",
                );
            }
        }
    }
    expect($seen[false])->toBeGreaterThan(0);
})->with(
    fn() => [
        'a bond in the panel' => fn() => Rigs::asFound(
            Rigs::edit(Rigs::job(), Hollin\Core\Rules\Sample::survey('main_panel', '/bondScrew', true)),
        ),
        ...array_map(fn(int $seed) => fn() => Rigs::planned(Rigs::varied($seed)), Seeds::of(12)),
        ...array_map(fn(int $seed) => fn() => Drawn::rig(Drawn::components($seed)), Seeds::of(12)),
    ],
);
