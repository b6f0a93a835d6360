<?php

declare(strict_types=1);

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Walk;
use Tests\Small;

/** a - b - c - d, and a longer way round from a to c; ohms beside each. */
function ladder(): Graph
{
    $graph = new Graph();
    foreach (
        [
            ['ab', 'a', 'b', 1.0],
            ['bc', 'b', 'c', 1.0],
            ['cd', 'c', 'd', 5.0],
            ['ax', 'a', 'x', 0.5],
            ['xy', 'x', 'y', 0.5],
            ['yc', 'y', 'c', 0.5],
        ]
        as [$id, $from, $to, $ohm]
    ) {
        Small::ohms($graph, $id, $from, $to, $ohm);
    }

    return $graph;
}

it('goes by the fewest elements, first one first', function (): void {
    $any = fn(Element $e): bool => true;
    expect(Walk::way(ladder(), 'a', 'd', $any))
        ->toBe(['ab', 'bc', 'cd'])
        ->and(Walk::way(ladder(), 'd', 'a', $any))
        ->toBe(['cd', 'bc', 'ab'])
        ->and(Walk::way(ladder(), 'a', 'a', $any))
        ->toBe([])
        ->and(Walk::way(ladder(), 'a', 'd', fn(Element $e): bool => $e->id !== 'cd'))
        ->toBeNull()
        ->and(Walk::way(ladder(), 'a', 'd', fn(Element $e): bool => $e->id !== 'bc'))
        ->toBe(['ax', 'xy', 'yc', 'cd']);
});

it('knows what everything must pass', function (): void {
    $any = fn(Element $e): bool => true;
    expect(Walk::leadsThrough(ladder(), ['a'], 'd', 'cd', $any))
        ->toBeTrue()
        ->and(Walk::leadsThrough(ladder(), ['a'], 'd', 'bc', $any))
        ->toBeFalse()
        ->and(Walk::leadsThrough(ladder(), ['a'], 'd', 'bc', fn(Element $e): bool => $e->id !== 'xy'))
        ->toBeTrue()
        ->and(Walk::leadsThrough(ladder(), ['d'], 'd', 'cd', $any))
        ->toBeFalse();
});

it('finds the least sum to every terminal, and the element it was reached by', function (): void {
    $least = Walk::least(ladder(), ['a'], fn(Element $e): ?float => $e->ohm);
    expect(array_map(fn(array $l): float => $l[0], $least))
        ->toEqualCanonicalizing(['a' => 0.0, 'b' => 1.0, 'c' => 1.5, 'd' => 6.5, 'x' => 0.5, 'y' => 1.0])
        ->and($least['c'])
        ->toBe([1.5, 'yc'])
        ->and($least['d'])
        ->toBe([6.5, 'cd'])
        ->and($least['a'][1])
        ->toBeNull();
    // Reached twice over, first by a dearer way: everything behind is cheaper too.
    $dear = Walk::least(
        ladder(),
        ['a'],
        fn(Element $e): ?float => $e->id === 'ax' ? 0.9 : ($e->id === 'cd' ? null : $e->ohm),
    );
    expect($dear['c'])
        ->toBe([1.9, 'yc'])
        ->and(isset($dear['d']))
        ->toBeFalse();
    $two = Walk::least(ladder(), ['a', 'd'], fn(Element $e): ?float => $e->ohm);
    expect($two['d'])
        ->toBe([0.0, null])
        ->and($two['c'][0])
        ->toBe(1.5);
});
