<?php

declare(strict_types=1);

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Seeds;
use Tests\Small;

/*
 * Three hundred drawn rigs of two to four battery systems against ngspice (Debian), which gets the exported netlist
 * and nothing else: batteries side by side with links of their own, some of which management lets only give or only
 * take, sun and engine on any of them, converters from one to another, joints that somebody has let corrode, and
 * negatives that come home over the frame.
 */

/** One of them. */
function drawnGroups(int $seed): Graph
{
    mt_srand($seed);
    $graph = new Graph();
    $groups = mt_rand(2, 4);
    $milli = fn(int $from, int $to): float => mt_rand($from, $to) / 1000;
    for ($g = 0; $g < $groups; $g++) {
        [$chemistry, $ratedV] = [[Chemistry::Lfp, 12.8], [Chemistry::Agm, 12.0], [Chemistry::Flooded, 12.0]][
            mt_rand(0, 2)
        ];
        for ($u = 0, $units = mt_rand(1, 3); $u < $units; $u++) {
            $id = "b{$g}{$u}";
            Small::battery($graph, $id, $milli(1, 20), $chemistry, $ratedV);
            // One of each system takes and gives: chargers at their limit and constant loads alone come to no volts.
            match ($u === 0 ? 5 : mt_rand(0, 3)) {
                // Its management lets it give only, or take only.
                0 => $graph->oneWay("{$id}_m", $id, "{$id}.pos", "bus{$g}.pos", Role::DcPositive, 0.0, $milli(1, 4)),
                1 => $graph->oneWay("{$id}_m", $id, "bus{$g}.pos", "{$id}.pos", Role::DcPositive, 0.0, $milli(1, 4)),
                default => Small::ohms($graph, "{$id}_link", "{$id}.pos", "bus{$g}.pos", $milli(1, 9)),
            };
            Small::ohms($graph, "{$id}_back", "{$id}.neg", "bus{$g}.neg", $milli(1, 9), Role::DcNegative);
        }
        Small::ohms($graph, "joint{$g}", "bus{$g}.pos", "far{$g}.pos", $milli(1, 40));
        Small::draw($graph, "far{$g}.pos", "bus{$g}.neg", mt_rand(1, 40), "users{$g}");
        if (mt_rand(0, 1) === 1) {
            field($graph, "sun{$g}", "bus{$g}", 14.0 + mt_rand(0, 6) / 10, mt_rand(5, 60), mt_rand(60, 700));
        }
        if ($g > 0) {
            // Home to the group before: a wire, the frame, or nothing but what a converter between them needs.
            Small::ohms($graph, "home{$g}", "bus{$g}.neg", 'bus' . ($g - 1) . '.neg', $milli(1, 9), Role::DcNegative);
            converter($graph, $g - 1, $g, mt_rand(5, 40));
        }
        if (mt_rand(0, 2) === 0) {
            Small::ohms($graph, "bond{$g}", "bus{$g}.neg", 'frame', $milli(2, 30), Role::PE);
        }
    }
    field($graph, 'engine', 'bus0', 13.8 + mt_rand(0, 8) / 10, mt_rand(30, 200), 0.0);

    return $graph;
}

/** What gives direct current from sun or a shaft at a bus. */
function field(Graph $graph, string $id, string $bus, float $volts, float $amps, float $watts): void
{
    $ends = ["{$bus}.pos", "{$bus}.neg"];
    $graph->charger(
        new PowerConverter($id, $id, PowerConverter::FIELD, $ends, $ends, $volts, $amps, 1.0, 0.0, fieldW: $watts),
        $id,
    );
}

/** A converter from one group's bus to another's, its input on a wire of its own. */
function converter(Graph $graph, int $from, int $to, float $amps): void
{
    Small::ohms($graph, "in{$to}", "bus{$from}.pos", "c{$to}.in", mt_rand(2, 40) / 1000);
    $graph->charger(
        new PowerConverter(
            "c{$to}",
            "c{$to}",
            PowerConverter::DC_DC,
            ["c{$to}.in", "bus{$from}.neg"],
            ["bus{$to}.pos", "bus{$to}.neg"],
            14.4,
            $amps,
            0.9,
            0.0,
            inputLimitA: mt_rand(0, 1) === 0 ? null : (float) mt_rand(8, 40),
            cutOffV: 9.0,
        ),
        "c{$to}",
    );
}

it('agree with ngspice within a thousandth', function (int $first): void {
    foreach (range($first, $first + 30) as $seed) {
        $engine = new Engine(new Contraction(drawnGroups($seed)));
        $flow = LoadFlow::of($engine->settle(new Setting([], [])), [], [], ['full', 'half', 'low'][$seed % 3]);
        expect($flow->isSolved())->toBeTrue("seed {$seed}");
        expect($flow->residual)->toBeLessThan(1e-6, "seed {$seed}");
        $found = Small::directByNgspice($flow);
        expect(count($found))->toBe(count($flow->dc->names), "seed {$seed}");
        // Nothing but leakage ties these rigs to earth: what counts is volts between their own wires.
        foreach (array_diff_key($found, ['frame' => 0.0]) as $node => $volts) {
            $ours = $flow->dcV[$node] - $flow->dcV['bus0.neg'];
            $volts -= $found['bus0.neg'];
            expect(abs($ours - $volts))->toBeLessThan(max(1e-3, 1e-3 * abs($ours)), "seed {$seed}: {$node}");
        }
    }
})->with(array_map(fn(int $n): int => 31 * $n - 30, Seeds::of(10, 3)));
