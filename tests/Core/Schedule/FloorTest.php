<?php

declare(strict_types=1);

use Hollin\Core\Schedule\Activity;
use Hollin\Core\Schedule\CriticalPath;
use Hollin\Core\Schedule\Floor;
use Hollin\Core\Schedule\Hours;
use Hollin\Core\Schedule\NoTime;
use Hollin\Core\Schedule\Person;
use Hollin\Core\Schedule\Task;
use Hollin\Core\Schedule\Windows;

/** @return array<string, Activity> drawn at random */
function drawnWork(int $seed, int $count, bool $daylight = false): array
{
    mt_srand($seed);
    $all = [];
    for ($n = 0; $n < $count; $n++) {
        $after = [];
        for ($m = 0; $m < $n; $m++) {
            if (mt_rand(0, 3) === 0) {
                $after[] = "a{$m}";
            }
        }
        $alone = mt_rand(0, 4) === 0;
        $all["a{$n}"] = new Activity(
            "a{$n}",
            $alone ? mt_rand(0, 1) * 10 : mt_rand(1, 12) * 10,
            $alone ? mt_rand(5, 60) * 10 : 0,
            $after,
            mt_rand(0, 6) === 0 ? 2 : 1,
            mt_rand(0, 2),
            $daylight && mt_rand(0, 5) === 0,
        );
    }

    return $all;
}

/** @return non-empty-list<Person> one of each competence */
function crew(Windows $there): array
{
    return [
        new Person('lead', 'Lead', 2, $there),
        new Person('tech', 'Technician', 1, $there),
        new Person('learn', 'Apprentice', 0, $there),
    ];
}

/** 2026-11-30, a Monday, 00:00 in the workshop's zone, in minutes since 1970. */
const MONDAY = 29933640;

it('never beats the shortest of all orders, and finds it (brute force, up to 6 activities)', function (): void {
    $met = 0;
    for ($seed = 1; $seed <= 60; $seed++) {
        $activities = drawnWork($seed, 6);
        $floor = new Floor(crew(Windows::always()), Windows::always());
        $best = PHP_INT_MAX;
        $walk = function (array $order, array $rest) use (&$walk, &$best, $activities, $floor): void {
            if ($rest === []) {
                $tasks = $floor->laid($activities, $order, 0);
                $best = min($best, max(array_map(fn(Task $t): int => $t->ends, $tasks)));

                return;
            }
            foreach ($rest as $id) {
                if (array_diff($activities[$id]->after, $order) === []) {
                    $walk([...$order, $id], array_values(array_diff($rest, [$id])));
                }
            }
        };
        $walk([], array_keys($activities));
        $table = $floor->schedule($activities, 0);
        expect($table->ends)
            ->toBeGreaterThanOrEqual($best, "draw {$seed}")
            ->and($table->lowest)
            ->toBeLessThanOrEqual($best, "draw {$seed}")
            ->and($table->ends)
            ->toBeLessThanOrEqual($best * 1.1, "draw {$seed}");
        $met += $table->ends === $best ? 1 : 0;
    }
    expect($met)->toBeGreaterThanOrEqual(58);
});

it('keeps every rule of a schedule: order, people, competence, hours, daylight, dates', function (): void {
    $hours = Hours::usual('America/Chicago');
    $open = $hours->windows(MONDAY);
    $light = $hours->daylight(MONDAY);
    for ($seed = 1; $seed <= 40; $seed++) {
        $activities = drawnWork($seed, 30, true);
        $activities['a3'] = new Activity('a3', 60, 0, [], notBefore: MONDAY + 3 * 1440);
        $people = array_column(crew($open), null, 'id');
        $table = (new Floor(array_values($people), $light))->schedule($activities, MONDAY);
        $taken = [];
        foreach ($activities as $id => $activity) {
            $task = $table->tasks[$id];
            expect(array_sum(array_map(fn(array $s): int => $s[1] - $s[0], $task->spans)))->toBe($activity->handsMin);
            foreach ($activity->after as $before) {
                expect($task->starts)->toBeGreaterThanOrEqual($table->tasks[$before]->ends);
            }
            expect($task->starts)->toBeGreaterThanOrEqual($activity->notBefore ?? MONDAY);
            if ($activity->handsMin > 0) {
                expect($task->people)->toHaveCount($activity->people);
                expect(max(array_map(fn(string $p): int => $people[$p]->rank, $task->people)))->toBeGreaterThanOrEqual(
                    $activity->rank,
                );
            }
            foreach ($task->spans as [$from, $to]) {
                for ($minute = $from; $minute < $to; $minute += 10) {
                    expect($open->has($minute))->toBeTrue();
                    if ($activity->daylight) {
                        expect($light->has($minute))->toBeTrue();
                    }
                    foreach ($task->people as $person) {
                        expect(isset($taken["{$person} {$minute}"]))->toBeFalse();
                        $taken["{$person} {$minute}"] = true;
                    }
                }
            }
        }
        expect($table->ends)->toBeGreaterThanOrEqual($table->lowest);
    }
});

it('lets what goes on by itself run by night and at the weekend', function (): void {
    $hours = Hours::usual('America/Chicago');
    $activities = [
        'charge' => new Activity('charge', 30, 14 * 60),
        'next' => new Activity('next', 60, 0, ['charge']),
    ];
    $floor = new Floor([new Person('p', 'P', 2, $hours->windows(MONDAY))], $hours->daylight(MONDAY));
    $table = $floor->schedule($activities, MONDAY);
    // Begun at 8:00, full at 22:30, gone on with at 8:00 the next day.
    expect($table->tasks['charge']->ends - MONDAY)
        ->toBe(22 * 60 + 30)
        ->and($table->tasks['next']->starts - MONDAY)
        ->toBe(1440 + 8 * 60);
});

it('goes on after a break and a night, with nothing else between', function (): void {
    $hours = Hours::usual('America/Chicago');
    $floor = new Floor([new Person('p', 'P', 2, $hours->windows(MONDAY))], $hours->daylight(MONDAY));
    $table = $floor->schedule(['long' => new Activity('long', 9 * 60)], MONDAY);
    $clock = array_map(fn(array $s): array => [$s[0] - MONDAY, $s[1] - MONDAY], $table->tasks['long']->spans);
    expect($clock)->toBe([[480, 720], [750, 990], [1440 + 480, 1440 + 540]]);
});

it('keeps the hours of the clock over the change to summer time, and closes on closed days', function (): void {
    $hours = new Hours(new DateTimeZone('America/Chicago'), array_fill_keys(range(1, 7), [[480, 540]]), ['2026-03-07']);
    $from = intdiv(
        (new DateTimeImmutable('2026-03-06 00:00', new DateTimeZone('America/Chicago')))->getTimestamp(),
        60,
    );
    $said = array_map(
        fn(array $s): string => (new DateTimeImmutable('@' . $s[0] * 60))
            ->setTimezone(new DateTimeZone('America/Chicago'))
            ->format('m-d H:i'),
        $hours->windows($from, 4)->spans,
    );
    expect($said)->toBe(['03-06 08:00', '03-08 08:00', '03-09 08:00']);
});

it('puts tests of an array where the sun stands high', function (): void {
    $hours = Hours::usual('America/Chicago');
    [[$from, $to]] = $hours->daylight(MONDAY, 1)->spans;
    // At 40° north on the last of November the sun culminates at 28.3° and stands above 20° for some four hours.
    expect(($to - $from) / 60)
        ->toBeGreaterThan(3.0)
        ->toBeLessThan(5.5);
});

it('says who is missing when nobody may ever do it', function (): void {
    $floor = new Floor([new Person('p', 'P', 0, Windows::always())], Windows::always());
    expect(fn() => $floor->schedule(['inside' => new Activity('inside', 10, rank: 2)], 0))->toThrow(
        NoTime::class,
        '“inside” finds no time',
    );
});

it('ends no later when a person more is there, and no sooner when something is late (drawn)', function (): void {
    for ($seed = 1; $seed <= 30; $seed++) {
        $activities = drawnWork($seed, 14);
        $path = CriticalPath::of($activities);
        foreach (array_keys($activities) as $id) {
            $late = $activities;
            $a = $late[$id];
            $late[$id] = new Activity($a->id, $a->handsMin, $a->aloneMin + 30, $a->after, $a->people, $a->rank);
            expect(CriticalPath::of($late)->length)->toBe($path->length + max(0, 30 - $path->float((string) $id)));
        }
    }
});
