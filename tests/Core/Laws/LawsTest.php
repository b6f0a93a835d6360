<?php

declare(strict_types=1);

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Fault;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Sizing\ProspectiveShort;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\NodalNetwork;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Settled;
use Tests\Drawn;
use Tests\Rigs;
use Tests\Seeds;

/*
 * Laws that hold for every network whatever it is, on rigs drawn at random, in every named state: what
 * physics says about currents, powers, cuts, orders and faults, checked by sums of this file's own.
 * L1 exchanged with L2 waits for a component with two legs.
 */

/** @return list<array{string, Settled, LoadFlowResult}> solved states */
function solvedStates(Examination $rig, int $seed): array
{
    $solved = [];
    foreach ($rig->settled as $state => $settled) {
        $flow = LoadFlow::of($settled, Drawn::running($rig->graph, $seed));
        if ($flow->isSolved()) {
            $solved[] = [$state, $settled, $flow];
        }
    }

    return $solved;
}

/**
 * Volts and amps of two answers, to be the same.
 *
 * @param list<string> $but elements that only one of them has
 */
function sameFigures(LoadFlowResult $a, LoadFlowResult $b, string $what, array $but = []): void
{
    expect($b->trouble)->toBe($a->trouble, $what);
    foreach ($a->acA as $id => $amps) {
        if (!in_array($id, $but, true)) {
            expect($b->acA[$id] ?? null)->toEqualWithDelta($amps, 1e-5 + 1e-6 * $amps, "{$what}: AC in {$id}");
        }
    }
    foreach ($a->dcA as $id => $amps) {
        if (!in_array($id, $but, true)) {
            expect($b->dcA[$id] ?? null)->toEqualWithDelta($amps, 1e-5 + 1e-6 * abs($amps), "{$what}: DC in {$id}");
        }
    }
    foreach ($a->loads as $id => $load) {
        expect($b->loads[$id]['volts'] ?? null)->toEqualWithDelta(
            $load['volts'],
            1e-5 + 1e-6 * $load['volts'],
            "{$what}: volts at {$id}",
        );
    }
}

it('sums to nothing at every terminal of the battery side, and leaves every isolated port as it enters', function (
    int $seed,
): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $checked = 0;
    foreach (solvedStates($rig, $seed) as [$state, , $flow]) {
        $into = [];
        $put = function (string $from, string $to, float $amps) use (&$into): void {
            $into[$from] = ($into[$from] ?? 0.0) - $amps;
            $into[$to] = ($into[$to] ?? 0.0) + $amps;
        };
        foreach ($flow->dcA as $id => $amps) {
            $put($rig->graph->elements[$id]->a, $rig->graph->elements[$id]->b, $amps);
        }
        foreach ($rig->graph->batteries as $id => $battery) {
            $put($battery->neg, $battery->pos, $flow->sources[$id]['amps']);
        }
        foreach ($flow->chargers as $id => [$pos, $neg]) {
            $put($neg, $pos, $flow->sources[$id]['amps']);
        }
        foreach ($flow->dcInjections as $injection) {
            $v = (float) $flow->dcBetween($injection->a, $injection->b);
            $put($injection->a, $injection->b, $injection->currentAt($v, 0.0)[0]);
        }
        $largest = max([1.0, ...array_map(abs(...), $flow->dcA)]);
        foreach ($into as $terminal => $amps) {
            // Leakage of tyres and islands is all that is left out: microamperes.
            expect(abs($amps))->toBeLessThan(1e-4 + 1e-7 * $largest, "{$state}: {$terminal}");
            $checked++;
        }
    }
    expect($checked)->toBeGreaterThan(20);
})
    ->with(Seeds::of(40))
    ->group('drawn');

it('sums to nothing at every terminal of the AC side, protective conductors too, in each single solution', function (
    int $seed,
): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $checked = 0;
    foreach (solvedStates($rig, $seed) as [$state, , $flow]) {
        $re = $im = [];
        $volts = fn(string $t): array => $t === 'earth' ? [0.0, 0.0] : $flow->acV[$t];
        $put = function (string $from, string $to, array $i) use (&$re, &$im): void {
            $re[$from] = ($re[$from] ?? 0.0) - $i[0];
            $im[$from] = ($im[$from] ?? 0.0) - $i[1];
            $re[$to] = ($re[$to] ?? 0.0) + $i[0];
            $im[$to] = ($im[$to] ?? 0.0) + $i[1];
        };
        $largest = 1.0;
        foreach ($flow->ac->branches as $branch) {
            $a = $branch->a < 0 ? 'earth' : $flow->ac->names[$branch->a];
            $b = $branch->b < 0 ? 'earth' : $flow->ac->names[$branch->b];
            $d = [$volts($a)[0] - $volts($b)[0], $volts($a)[1] - $volts($b)[1]];
            $put($a, $b, [$d[0] * $branch->re - $d[1] * $branch->im, $d[0] * $branch->im + $d[1] * $branch->re]);
        }
        foreach ($flow->ac->injections as [, $a, $b, $iRe, $iIm]) {
            $put($b < 0 ? 'earth' : $flow->ac->names[$b], $a < 0 ? 'earth' : $flow->ac->names[$a], [$iRe, $iIm]);
            $largest = max($largest, hypot($iRe, $iIm));
        }
        foreach ($flow->acInjections as $injection) {
            if (!$injection->isImpedance()) {
                $d = [
                    $volts($injection->a)[0] - $volts($injection->b)[0],
                    $volts($injection->a)[1] - $volts($injection->b)[1],
                ];
                $put($injection->a, $injection->b, $injection->currentAt(...$d));
            }
        }
        foreach ($re as $terminal => $amps) {
            if ($terminal !== 'earth') {
                expect(hypot($amps, $im[$terminal]))->toBeLessThan(1e-6 * $largest, "{$state}: {$terminal}");
                $checked++;
            }
        }
    }
    expect($checked)->toBeGreaterThan(20);
})
    ->with(Seeds::of(25))
    ->group('drawn');

it('gives out what is taken and lost, on each side', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    foreach (solvedStates($rig, $seed) as [$state, , $flow]) {
        $heat = 0.0;
        foreach ($flow->dc->branches as $branch) {
            if ($branch->kind === 'wire') {
                $heat += $flow->dcA[$branch->of] ** 2 / $branch->re;
            }
        }
        $given = 0.0;
        foreach ($flow->sources as $id => $source) {
            $given +=
                isset($rig->graph->batteries[$id]) || isset($rig->graph->converters[$id]) ? $source['watts'] : 0.0;
        }
        $taken = 0.0;
        foreach ($flow->dcInjections as $injection) {
            $taken += $flow->loads[$injection->id]['watts'];
        }
        expect(abs($given - $taken - $heat))->toBeLessThan(
            0.01 + 1e-5 * (abs($given) + $taken + $heat),
            "{$state}: battery side gives {$given}, takes {$taken}, loses {$heat}",
        );
        if ($flow->otherAcV !== null) {
            continue;
        }
        $given = $taken = $heat = 0.0;
        foreach ($flow->sources as $id => $source) {
            $given += ($rig->graph->sources[$id]->kind ?? '') === 'ac' ? $source['watts'] : 0.0;
        }
        foreach ($flow->acInjections as $injection) {
            $taken += $flow->loads[$injection->id]['watts'];
        }
        foreach ($flow->ac->branches as $branch) {
            if ($branch->kind === 'wire' || $branch->kind === 'bond') {
                $heat += $flow->acA[$branch->of] ** 2 / $branch->re;
            }
        }
        expect(abs($given - $taken - $heat))->toBeLessThan(
            0.05 + 1e-4 * ($given + $heat),
            "{$state}: AC side gives {$given}, takes {$taken}, loses {$heat}",
        );
    }
})
    ->with(Seeds::of(40))
    ->group('drawn');

it('gets no more out of a converter than goes in, both ways, after every limit, and feeds no supply', function (
    int $seed,
): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $seen = 0;
    foreach (solvedStates($rig, $seed) as [$state, $settled, $flow]) {
        foreach ($flow->converters as $id => ['inW' => $in, 'outW' => $out]) {
            expect($out)->toBeLessThanOrEqual(
                $in * $rig->graph->converters[$id]->efficiency + 0.01,
                "{$state}: {$id} takes {$in} and gives {$out}",
            );
            expect($out)->toBeGreaterThanOrEqual(-0.01, "{$state}: {$id}");
            $seen++;
        }
        foreach ($rig->graph->converters as $id => $unit) {
            if ($unit->inputLimitA === null || $unit->kind !== PowerConverter::CHARGER || !isset($flow->sources[$id])) {
                continue;
            }
            // Through the outputs and into the charger together, where the unit can do anything about it.
            $through = array_sum(array_map(fn(string $e): float => $flow->acA[$e] ?? 0.0, $unit->throughInput));
            if ($through < $unit->inputLimitA) {
                expect($flow->loads[$id]['amps'])->toBeLessThanOrEqual(
                    $unit->inputLimitA - $through + 0.6,
                    "{$state}: the limit of {$id}",
                );
            }
        }
        foreach ($flow->sources as $id => $source) {
            if (($rig->graph->sources[$id]->kind ?? '') === 'ac' && $flow->otherAcV === null) {
                expect($source['watts'])->toBeGreaterThan(-0.5, "{$state}: {$id} receives power");
            }
        }
    }
    // Every rig that inverts or charges has one; a rig without either would prove nothing.
    expect($seen)->toBeGreaterThan(0);
})
    ->with(Seeds::of(60))
    ->group('drawn');

it('does not care for the order of components, nor for one that is connected to nothing', function (int $seed): void {
    $components = Drawn::components($seed);
    $rig = Drawn::rig($components);
    mt_srand($seed);
    $keys = array_keys($components);
    shuffle($keys);
    $shuffled = Drawn::rig(array_replace(array_flip($keys), $components));
    // An unconnected 48 V bank whose id sorts first, and a spare inverter for it.
    $spare = Drawn::rig(
        [
            'aa_bank' => [
                'type' => 'battery_bank',
                'label' => 'Spare',
                'chemistry' => 'agm',
                'unitV' => 12,
                'unitAh' => 100,
                'series' => 4,
                'parallel' => 1,
            ],
            'aa_fuse' => ['type' => 'dc_fuse', 'label' => 'Spare fuse', 'family' => 'class_t', 'ratingA' => 100],
        ] + $components,
    );
    foreach (solvedStates($rig, $seed) as [$state, , $flow]) {
        $running = Drawn::running($rig->graph, $seed);
        sameFigures($flow, LoadFlow::of($shuffled->settled[$state], $running), "{$state}, shuffled");
        sameFigures($flow, LoadFlow::of($spare->settled[$state], $running), "{$state}, with a spare");
    }
})
    ->with(Seeds::of(20))
    ->group('drawn');

it('does not care whether a cable is in one piece or two, nor whether leaves are contracted', function (
    int $seed,
): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $running = Drawn::running($rig->graph, $seed);
    $cables = array_keys(array_filter($rig->graph->elements, fn($e): bool => ($e->cable->lengthM ?? 0.0) > 1.0));
    $element = $cables[$seed % count($cables)];
    $cut = Drawn::cut($rig->graph, $element);
    $engine = new Engine(new Contraction($cut));
    $whole = new Engine(new Contraction($rig->graph, reduce: false));
    foreach (solvedStates($rig, $seed) as [$state, , $flow]) {
        $setting = $rig->named[$state]->setting;
        sameFigures($flow, LoadFlow::of($engine->settle($setting), $running), "{$state}, {$element} cut", [$element]);
        sameFigures($flow, LoadFlow::of($whole->settle($setting), $running), "{$state}, not contracted");
    }
})
    ->with(Seeds::of(20))
    ->group('drawn');

it('comes to rest where it already was', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    foreach ($rig->settled as $state => $settled) {
        if ($settled->trouble === []) {
            expect($rig->engine->settle($settled->setting, $settled->positions)->positions)->toBe(
                $settled->positions,
                $state,
            );
        }
    }
})
    ->with(Seeds::of(40))
    ->group('drawn');

it('is as it was when a fault is taken back', function (int $seed): void {
    $graph = Drawn::graph(Drawn::components($seed));
    $ids = array_keys(array_filter($graph->elements, fn($e): bool => $e->cable !== null));
    $one = $ids[$seed % count($ids)];
    $other = $ids[($seed * 7 + 3) % count($ids)];
    $back = $graph->with(Fault::exchanged($one, $other))->with(Fault::exchanged($one, $other));
    expect(array_map(fn($e): array => [$e->a, $e->b], $back->elements))
        ->toBe(array_map(fn($e): array => [$e->a, $e->b], $graph->elements))
        ->and($graph->with(Fault::open($one))->elements)
        ->not->toHaveKey($one)
        ->and($graph->elements)
        ->toHaveKey($one);
})
    ->with(Seeds::of(20))
    ->group('drawn');

it(
    'draws no less into a short when another battery stands beside, and just what a short of solved ohms draws',
    function (int $seed): void {
        $components = Drawn::components($seed, odd: false);
        $graph = Drawn::graph($components);
        foreach ($graph->elements as $element) {
            if ($element->rating?->family === null) {
                continue;
            }
            $short = ProspectiveShort::at($graph, $element->b);
            foreach (array_keys($graph->batteries) as $battery) {
                $less = ProspectiveShort::at($graph->without($battery), $element->b);
                expect($short->currentA ?? 0.0)->toBeGreaterThanOrEqual(($less->currentA ?? 0.0) - 1e-6);
            }
            if ($short !== null) {
                expect($short->currentA)->toEqualWithDelta(
                    shortBySolving($graph, $element->b),
                    1e-3 * $short->currentA,
                );
            }
        }
    },
)
    ->with(Seeds::of(30))
    ->group('drawn');

/** A short as a branch of a microohm between the terminal and the common negative, solved. */
function shortBySolving(Graph $graph, string $terminal): float
{
    $network = new NodalNetwork();
    foreach ($graph->elements as $element) {
        if ($element->role->isDc()) {
            $network->add(
                'wire',
                $element->id,
                $element->a,
                $element->b,
                1 / max(1e-7, $element->cable?->ohm(20.0) ?? 0.0),
            );
        }
    }
    foreach ($graph->batteries as $id => $battery) {
        // Every negative is one point here: the short is right beside it.
        $network->add('wire', 'back', $battery->neg, 'earth', 1e9);
        $network->source($id, $battery->pos, 'earth', 1.05 * $battery->fullV(), 0.0, 0.9 * $battery->ohm);
    }
    $network->add('short', 'short', $terminal, 'earth', 1e7);
    foreach ($network->names as $name) {
        $network->add('leak', 'air', $name, 'earth', 1e-9);
    }
    $volts = $network->volts();

    return $volts[0][$network->node[$terminal]] * 1e7;
}

it('is dead everywhere with every source off', function (int $seed): void {
    $graph = Drawn::graph(Drawn::components($seed));
    foreach (array_keys($graph->sources) as $id) {
        $graph = $graph->without($id);
    }
    $rig = Drawn::rig(Drawn::components($seed));
    $settled = (new Engine(new Contraction($graph)))->settle($rig->named['nothing']->setting);
    $flow = LoadFlow::of($settled, Drawn::running($graph, $seed));
    foreach ($flow->acV as $terminal => $volts) {
        expect(hypot(...$volts))->toBeLessThan(1e-9, $terminal);
    }
    foreach ($flow->dcV as $terminal => $volts) {
        expect(abs($volts))->toBeLessThan(1e-9, $terminal);
    }
    expect(array_filter($flow->acA + array_map(abs(...), $flow->dcA), fn(float $a): bool => $a > 1e-9))->toBe([]);
})
    ->with(Seeds::of(15))
    ->group('drawn');

it('raises no volts by more load on two wires', function (float $ohm): void {
    $volts = [];
    foreach ([10, 100, 500, 1000, 2000] as $watts) {
        $network = new NodalNetwork();
        $network->source('s', 'a', 'earth', 120.0, 0.0, 0.1);
        $network->add('wire', 'w', 'a', 'b', 1 / $ohm);
        $network->add('load', 'l', 'b', 'earth', $watts / 14400);
        $volts[] = $network->volts()[0][$network->node['b']];
    }
    $sorted = $volts;
    rsort($sorted);
    expect($volts)->toBe($sorted)->and($volts[4])->toBeLessThan($volts[0]);
})->with([0.01, 0.5, 5.0]);

it('says of each circuit what the solve says', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $said = ['works' => 0, 'ground' => 0, 'dead' => 0, 'live' => 0];
    foreach ($rig->settled as $state => $settled) {
        $flow = LoadFlow::of($settled, []);
        // A source that is shorted or starved has its own findings; its circuits have no volts to compare.
        $sound =
            $flow->isSolved() &&
            $flow->shutDown === [] &&
            !in_array(true, array_column($flow->sources, 'overloaded'), true);
        foreach ($sound ? $settled->situation->liveness() : [] as $id => $live) {
            $end = $rig->graph->circuits[$id];
            $across = (float) $flow->acBetween($end->hot, $end->neutral);
            // With no load on, what works has its volts, and what is dead has none to the frame but ghosts.
            in_array($live->kind, ['works', 'ground'], true)
                ? expect($across)->toBeGreaterThan(80.0, "{$state} {$id}")
                : null;
            if ($live->source !== null) {
                // With 100 Ω between its wires it draws an ampere, or as good as nothing; and grounds carry it, or do
                // not.
                $loaded = LoadFlow::of($settled, [], [[$end->hot, $end->neutral, 100.0]]);
                $runs = (float) $loaded->acBetween($end->hot, $end->neutral) > 60.0;
                $grounds = max([
                    0.0,
                    ...array_map(
                        fn(Element $e): float => abs(($loaded->acA[$e->id] ?? 0.0) - ($flow->acA[$e->id] ?? 0.0)),
                        array_filter(
                            $rig->graph->elements,
                            fn(Element $e): bool => $e->role === Role::PE && $e->kind !== ElementKind::Bond,
                        ),
                    ),
                ]);
                expect($runs)->toBe($live->kind !== 'live', "{$state} {$id} {$live->words}");
                $live->kind === 'ground' ? expect($grounds)->toBeGreaterThan(0.3, "{$state} {$id}") : null;
            }
            if ($live->kind === 'dead') {
                $loaded = LoadFlow::of($settled, [], [[$end->hot, 'frame', 3000.0], [$end->neutral, 'frame', 3000.0]]);
                expect(
                    max(
                        (float) $loaded->acBetween($end->hot, 'frame'),
                        (float) $loaded->acBetween($end->neutral, 'frame'),
                    ),
                )->toBeLessThan(10.0, "{$state} {$id}");
            }
            $said[$live->kind]++;
        }
    }
    expect($said['works'] + $said['dead'])->toBeGreaterThan(0);
})
    ->with(Seeds::of(20))
    ->group('drawn');

it('charges a battery only above its rest volts, and discharges it only below', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $seen = 0;
    foreach (solvedStates($rig, $seed) as [$state, , $flow]) {
        foreach ($rig->graph->batteries as $id => $battery) {
            assert($battery instanceof Battery);
            $solved = $flow->sources[$id];
            if (abs($solved['amps']) > 0.01) {
                $solved['amps'] < 0
                    ? expect($solved['volts'])->toBeGreaterThan($battery->restV('half'), "{$state} {$id}")
                    : expect($solved['volts'])->toBeLessThan($battery->restV('half'), "{$state} {$id}");
                $seen++;
            }
        }
    }
    expect($seen)->toBeGreaterThan(0);
})
    ->with(Seeds::of(25))
    ->group('drawn');

it('is the sum of what each source does alone, where two have no common phase', function (): void {
    $checked = 0;
    foreach (Seeds::of(40) as $seed) {
        $rig = Rigs::planned(Rigs::varied($seed));
        foreach ($rig->settled as $state => $settled) {
            $flow = LoadFlow::of($settled, array_fill_keys(array_keys($rig->graph->loads), true));
            if (!$flow->isSolved() || $flow->alone === []) {
                continue;
            }
            foreach ($flow->acV as $terminal => $volts) {
                $sum = [0.0, 0.0];
                foreach ($flow->alone as $of) {
                    $sum = [$sum[0] + ($of[$terminal][0] ?? 0.0), $sum[1] + ($of[$terminal][1] ?? 0.0)];
                }
                expect(hypot($sum[0] - $volts[0], $sum[1] - $volts[1]))->toBeLessThan(
                    1e-4,
                    "rig {$seed} {$state}: {$terminal}",
                );
                $checked++;
            }
        }
    }
    expect($checked)->toBeGreaterThan(100);
});

it('does not depend on the phase the clock starts at', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    $turned = clone $rig->graph;
    foreach ($turned->sources as $id => $source) {
        $turned->sources[$id] = new Source(...['angleDeg' => $source->angleDeg + 77.0] + get_object_vars($source));
    }
    $engine = new Engine(new Contraction($turned));
    $checked = 0;
    foreach (solvedStates($rig, $seed) as [$state, $settled, $flow]) {
        $other = LoadFlow::of($engine->settle($settled->setting), Drawn::running($rig->graph, $seed));
        sameFigures($flow, $other, $state);
        foreach ($flow->loads as $id => $load) {
            expect($other->loads[$id]['watts'])->toEqualWithDelta(
                $load['watts'],
                1e-3 + 1e-5 * abs($load['watts']),
                "{$state}: {$id}",
            );
            $checked++;
        }
        foreach ($flow->sources as $id => $source) {
            expect($other->sources[$id]['watts'])->toEqualWithDelta(
                $source['watts'],
                1e-3 + 1e-5 * abs($source['watts']),
                "{$state}: {$id}",
            );
        }
    }
    expect($checked)->toBeGreaterThan(0);
})
    ->with(Seeds::of(20))
    ->group('drawn');
