<?php

declare(strict_types=1);

use Hollin\Core\Schedule\Activity;
use Hollin\Core\Schedule\CriticalPath;
use Hollin\Core\Schedule\Floor;
use Hollin\Core\Schedule\Person;
use Hollin\Core\Schedule\Windows;

/** BO-05 of the worked examples, h in minutes. @return array<string, Activity> */
function workedExample(int $lateMin = 0): array
{
    $h = fn(float $hours): int => (int) round($hours * 60);
    $all = [
        new Activity('A', $h(2)),
        new Activity('B', $h(1), 0, ['A']),
        new Activity('D', $h(3), 0, ['A']),
        new Activity('E', $h(4), 0, ['B', 'D']),
        new Activity('C1', 0, $h(5) + $lateMin),
        new Activity('C2', 0, $h(5), ['C1']),
        new Activity('F', $h(1), 0, ['E', 'C2']),
        new Activity('G', $h(2), 0, ['F']),
        new Activity('H', $h(1), 0, ['E']),
        new Activity('I', $h(1), 0, ['G', 'H']),
    ];

    return array_column($all, null, 'id');
}

function alone(int $people = 1): Floor
{
    $crew = [];
    for ($n = 1; $n <= $people; $n++) {
        $crew[] = new Person("p{$n}", "Person {$n}", 2, Windows::always());
    }

    return new Floor($crew, Windows::always());
}

it('finds the critical path and the floats of the worked example BO-05 (by hand)', function (): void {
    $path = CriticalPath::of(workedExample());
    expect($path->length)
        ->toBe(14 * 60)
        ->and($path->critical())
        ->toEqualCanonicalizing(['C1', 'C2', 'F', 'G', 'I']);
    foreach (['A' => 60, 'D' => 60, 'E' => 60, 'B' => 180, 'H' => 180] as $id => $float) {
        expect($path->float($id))->toBe($float, $id);
    }
});

it('schedules BO-05 with one person in 15 h, which no schedule beats, F at 10', function (): void {
    $table = alone()->schedule(workedExample(), 0);
    expect($table->ends)
        ->toBe(15 * 60)
        ->and($table->lowest)
        ->toBe(15 * 60)
        ->and($table->isProved())
        ->toBeTrue()
        ->and($table->tasks['F']->starts)
        ->toBeGreaterThanOrEqual(10 * 60);
});

it('ends at 15 h when the charge is an hour late (BO-05)', function (): void {
    expect(CriticalPath::of(workedExample(60))->length)
        ->toBe(15 * 60)
        ->and(alone(4)->schedule(workedExample(60), 0)->ends)
        ->toBe(15 * 60);
});

it('refuses a circle and a step that is not there', function (): void {
    expect(fn() => CriticalPath::of(['a' => new Activity('a', 1, 0, ['b']), 'b' => new Activity('b', 1, 0, ['a'])]))
        ->toThrow(LogicException::class, 'circle')
        ->and(fn() => CriticalPath::of(['a' => new Activity('a', 1, 0, ['z'])]))
        ->toThrow(LogicException::class, '“z”');
});
