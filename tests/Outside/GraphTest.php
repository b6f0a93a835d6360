<?php

declare(strict_types=1);

use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Link;
use Hollin\Core\Schedule\Activity;
use Hollin\Core\Schedule\CriticalPath;
use Tests\Node;
use Tests\Works;

/**
 * What a general library of graphs says of links: whether they go in a circle, a topological order, and the longest way
 * to each node (by its shortest ways with negative weights, Bellman and Ford).
 *
 * @param list<array{list<string>, list<array{string, string, int}>}> $graphs nodes, and from, to, weight
 * @return list<array{acyclic: bool, order: list<string>, longest: array<string, int>}>
 */
function graphsOutside(array $graphs): array
{
    return Node::each(
        '@dagrejs/graphlib',
        '(() => { const { Graph, alg } = m.default ?? m; const g = new Graph(); g.setNode("from"); ' .
            'for (const n of x[0]) { g.setNode(n); g.setEdge("from", n, 0); } ' .
            'for (const [a, b, w] of x[1]) g.setEdge(a, b, -w); const acyclic = alg.isAcyclic(g); ' .
            'const far = acyclic ? alg.bellmanFord(g, "from", (e) => g.edge(e)) : {}; ' .
            'return { acyclic, order: acyclic ? alg.topsort(g) : [], longest: Object.fromEntries(' .
            'Object.entries(far).map(([n, d]) => [n, -d.distance])) }; })()',
        $graphs,
    );
}

it('orders the work of every demo plan as a general library of graphs allows', function (): void {
    $graphs = [];
    $works = [];
    foreach (Works::plans() as [$name, $plan]) {
        $work = Compiled::inARow([Works::demo($name, $plan)]);
        $works[] = $work;
        $graphs[] = [
            array_keys($work->steps),
            array_map(fn(Link $l): array => [$l->before, $l->after, 1], $work->links),
        ];
    }
    foreach (graphsOutside($graphs) as $n => $said) {
        expect($said['acyclic'])->toBeTrue();
        $ours = array_flip(array_keys($works[$n]->steps));
        // How many links lie before a step at least: our order keeps that many steps before it.
        foreach ($ours as $id => $place) {
            expect($place)->toBeGreaterThanOrEqual($said['longest'][$id], $id);
        }
        expect(array_values(array_diff($said['order'], ['from'])))->toEqualCanonicalizing(array_keys($ours));
    }
});

it('finds critical paths as a general library finds the longest ways', function (): void {
    mt_srand(21);
    $graphs = $ours = [];
    for ($case = 0; $case < 60; $case++) {
        $activities = [];
        $edges = [];
        for ($n = 0; $n < mt_rand(3, 40); $n++) {
            $after = [];
            for ($m = 0; $m < $n; $m++) {
                if (mt_rand(0, 4) === 0) {
                    $after[] = "a{$m}";
                    $edges[] = ["a{$m}", "a{$n}", $activities["a{$m}"]->lasts()];
                }
            }
            $activities["a{$n}"] = new Activity(
                "a{$n}",
                mt_rand(0, 90),
                mt_rand(0, 2) === 0 ? mt_rand(1, 600) : 0,
                $after,
            );
        }
        $graphs[] = [array_keys($activities), $edges];
        $ours[] = [CriticalPath::of($activities), $activities];
    }
    foreach (graphsOutside($graphs) as $n => $said) {
        [$path, $activities] = $ours[$n];
        $end = 0;
        foreach ($activities as $id => $activity) {
            expect($path->earliest[$id])->toBe($said['longest'][$id]);
            $end = max($end, $said['longest'][$id] + $activity->lasts());
        }
        expect($path->length)->toBe($end);
    }
});
