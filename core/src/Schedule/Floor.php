<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

/**
 * Who does what when: activities laid one after another into the free time of people (serial schedule generation), in
 * several orders by rules of priority, the shortest kept. What goes on by itself needs nobody and knows no night.
 */
final class Floor
{
    /** Orders tried beside the rules of priority: many of few activities, few of many. */
    private const MOST_TRIES = 40;

    private const TRIED_ACTIVITIES = 500;

    /** @param non-empty-list<Person> $people */
    public function __construct(private readonly array $people, private readonly Windows $daylight) {}

    /**
     * @param array<string, Activity> $activities by id
     * @param array<string, Windows> $free what is left of people's time; theirs where left out
     */
    public function schedule(array $activities, int $from, array $free = []): Timetable
    {
        $path = CriticalPath::of($activities);
        $lowest = $this->lowest($activities, $path, $from);
        $best = null;
        foreach ($this->orders($activities, $path) as $order) {
            $tasks = $this->laid($activities, $order, $from, $free);
            $end = self::end($tasks, $from);
            if ($best === null || $end < self::end($best, $from)) {
                $best = $tasks;
            }
            if ($end <= $lowest) {
                break;
            }
        }

        return new Timetable($best ?? [], $from, self::end($best ?? [], $from), $lowest);
    }

    /** @param array<string, Task> $tasks */
    private static function end(array $tasks, int $from): int
    {
        return max([$from, ...array_map(fn(Task $t): int => $t->ends, array_values($tasks))]);
    }

    /**
     * No schedule ends sooner than its longest chain with every activity at the earliest the calendar allows, nor
     * sooner than all hands together can do the work.
     *
     * @param array<string, Activity> $activities
     */
    private function lowest(array $activities, CriticalPath $path, int $from): int
    {
        $all = $this->anybody($from);
        $ends = [];
        $last = $from;
        $hands = 0;
        foreach ($path->order as $id) {
            $activity = $activities[$id];
            $ready = max($from, $activity->notBefore ?? $from);
            foreach ($activity->after as $before) {
                $ready = max($ready, $ends[$before]);
            }
            $windows = $activity->daylight ? $all->and($this->daylight) : $all;
            $spans = self::place($windows, $ready, $activity->handsMin) ?? [[$ready, $ready + $activity->handsMin]];
            $ends[$id] = self::spansEnd($spans, $ready) + $activity->aloneMin;
            $last = max($last, $ends[$id]);
            $hands += $activity->handsMin * $activity->people;
        }
        $left = $hands;
        $cuts = [];
        foreach ($this->people as $person) {
            foreach ($person->there->and(Windows::always($from))->spans as [$a, $b]) {
                $cuts[$a] = ($cuts[$a] ?? 0) + 1;
                $cuts[$b] = ($cuts[$b] ?? 0) - 1;
            }
        }
        ksort($cuts);
        $at = $from;
        $there = 0;
        foreach ($cuts as $minute => $change) {
            $gives = $there * ($minute - $at);
            if ($gives >= $left) {
                break;
            }
            $left -= $gives;
            $at = $minute;
            $there += $change;
        }

        return max($last, $there > 0 && $left > 0 ? $at + (int) ceil($left / $there) : $last);
    }

    /** When anybody at all is there. */
    private function anybody(int $from): Windows
    {
        $spans = array_merge(...array_map(fn(Person $p): array => $p->there->spans, $this->people));
        sort($spans);
        $joined = [];
        $last = null;
        foreach ($spans as [$a, $b]) {
            if ($last !== null && $a <= $last[1]) {
                $last = [$last[0], max($last[1], $b)];
            } else {
                $joined[] = $last;
                $last = [$a, $b];
            }
        }
        $joined[] = $last;

        return (new Windows(array_values(array_filter($joined))))->and(Windows::always($from));
    }

    /**
     * Orders in which each activity stands behind what it waits for.
     *
     * @param array<string, Activity> $activities
     * @return \Generator<list<string>>
     */
    private function orders(array $activities, CriticalPath $path): \Generator
    {
        $given = array_flip(array_keys($activities));
        $hands = $this->handsBehind($activities, $path);
        $rules = [
            fn(string $id): array => [$path->latest[$id], $given[$id]],
            fn(string $id): array => [$path->latest[$id] + $activities[$id]->lasts(), $given[$id]],
            fn(string $id): array => [-$activities[$id]->aloneMin, $path->latest[$id], $given[$id]],
            fn(string $id): array => [$given[$id]],
            fn(string $id): array => [-$hands[$id], $given[$id]],
        ];
        foreach ($rules as $rule) {
            yield self::sorted($activities, $path, $rule);
        }
        // Small changes to the first rule, the same each time it is asked.
        $seed = 12345;
        $tries = (int) min(self::MOST_TRIES, ceil(self::TRIED_ACTIVITIES / max(1, count($activities))));
        for ($try = 0; $try < $tries; $try++) {
            $shift = [];
            foreach ($path->order as $id) {
                $seed = ($seed * 1103515245 + 12345) % 2147483648;
                // Near the rule, then far from it.
                $shift[$id] = ($seed / 2147483648) * ($try % 2 === 0 ? 0.3 : 1.5) * max(1, $path->length);
            }
            yield self::sorted(
                $activities,
                $path,
                fn(string $id): array => [$path->latest[$id] + $shift[$id], $given[$id]],
            );
        }
    }

    /**
     * @param array<string, Activity> $activities
     * @return array<string, int> work with hands in all that waits for an activity
     */
    private function handsBehind(array $activities, CriticalPath $path): array
    {
        $next = [];
        foreach ($activities as $id => $activity) {
            foreach ($activity->after as $before) {
                $next[$before][] = (string) $id;
            }
        }
        $behind = [];
        foreach (array_reverse($path->order) as $id) {
            $behind[$id] =
                $activities[$id]->handsMin +
                max([0, ...array_map(fn(string $n): int => $behind[$n], $next[$id] ?? [])]);
        }

        return $behind;
    }

    /**
     * @param array<string, Activity> $activities
     * @param \Closure(string): array<int|float> $key smaller first
     * @return list<string>
     */
    private static function sorted(array $activities, CriticalPath $path, \Closure $key): array
    {
        $waits = $next = [];
        foreach ($path->order as $id) {
            $waits[$id] = count($activities[$id]->after);
            foreach ($activities[$id]->after as $before) {
                $next[$before][] = $id;
            }
        }
        $heap = new class extends \SplMinHeap {
            /**
             * @param array{array<int|float>, string} $a
             * @param array{array<int|float>, string} $b
             */
            protected function compare(mixed $a, mixed $b): int
            {
                return $b[0] <=> $a[0];
            }
        };
        foreach ($waits as $id => $n) {
            if ($n === 0) {
                $heap->insert([$key((string) $id), (string) $id]);
            }
        }
        $order = [];
        while (!$heap->isEmpty()) {
            [, $id] = $heap->extract();
            $order[] = $id;
            foreach ($next[$id] ?? [] as $other) {
                if (--$waits[$other] === 0) {
                    $heap->insert([$key($other), $other]);
                }
            }
        }

        return $order;
    }

    /**
     * @param array<string, Activity> $activities
     * @param list<string> $order
     * @param array<string, Windows> $free
     * @return array<string, Task>
     */
    public function laid(array $activities, array $order, int $from, array $free = []): array
    {
        foreach ($this->people as $person) {
            $free[$person->id] = ($free[$person->id] ?? $person->there)->and(Windows::always($from));
        }
        $tasks = [];
        foreach ($order as $id) {
            $activity = $activities[$id];
            $ready = max($from, $activity->notBefore ?? $from);
            foreach ($activity->after as $before) {
                $ready = max($ready, $tasks[$before]->ends);
            }
            $tasks[$id] = $this->task($activity, $ready, $free);
            foreach ($tasks[$id]->people as $person) {
                foreach ($tasks[$id]->spans as [$a, $b]) {
                    $free[$person] = $free[$person]->without($a, $b);
                }
            }
        }

        return $tasks;
    }

    /** @param array<string, Windows> $free */
    private function task(Activity $activity, int $ready, array $free): Task
    {
        if ($activity->handsMin === 0) {
            return new Task($activity->id, [], $ready, $ready + $activity->aloneMin, []);
        }
        $best = null;
        foreach ($this->crews($activity) as $crew) {
            $windows = $there = null;
            foreach ($crew as $person) {
                $windows = $windows === null ? $free[$person->id] : $windows->and($free[$person->id]);
                $there = $there === null ? $person->there : $there->and($person->there);
            }
            if ($windows === null || $there === null) {
                continue;
            }
            if ($activity->daylight) {
                $windows = $windows->and($this->daylight);
                $there = $there->and($this->daylight);
            }
            $spans = self::place($windows, $ready, $activity->handsMin, $there);
            // The least competent of those who end it as soon.
            $over = array_sum(array_map(fn(Person $p): int => $p->rank - $activity->rank, $crew));
            if ($spans !== null && ($best === null || [self::spansEnd($spans, $ready), $over] < [$best[1], $best[2]])) {
                $best = [$spans, self::spansEnd($spans, $ready), $over, $crew];
            }
        }
        if ($best === null) {
            throw NoTime::for($activity);
        }

        return new Task(
            $activity->id,
            $best[0],
            $best[0][0][0],
            $best[1] + $activity->aloneMin,
            array_map(fn(Person $p): string => $p->id, $best[3]),
        );
    }

    /** @param list<array{int, int}> $spans */
    private static function spansEnd(array $spans, int $else): int
    {
        return $spans === [] ? $else : $spans[count($spans) - 1][1];
    }

    /** @return list<list<Person>> people who may do it together: each alone, or each pair */
    private function crews(Activity $activity): array
    {
        $able = array_values(array_filter($this->people, fn(Person $p): bool => $p->rank >= $activity->rank));
        if ($activity->people < 2 || count($this->people) < 2) {
            return array_map(fn(Person $p): array => [$p], $able);
        }
        $crews = [];
        foreach ($able as $first) {
            foreach ($this->people as $second) {
                // A helper may be of any competence.
                if ($second->id !== $first->id) {
                    $crews[] = [$first, $second];
                }
            }
        }

        return $crews;
    }

    /**
     * The earliest spans for so many minutes of work, with no other work between, only nights and breaks.
     *
     * @param ?Windows $there when people are there at all; what lies between two of its stretches is no other work
     * @return ?list<array{int, int}>
     */
    private static function place(Windows $free, int $ready, int $minutes, ?Windows $there = null): ?array
    {
        if ($minutes === 0) {
            return [];
        }
        $spans = [];
        $left = $minutes;
        foreach ($free->spans as [$from, $to]) {
            $from = max($from, $ready);
            if ($from >= $to) {
                continue;
            }
            if ($spans !== [] && $there !== null && self::isInterrupted($there, $spans[count($spans) - 1][1], $from)) {
                $spans = [];
                $left = $minutes;
            }
            $until = min($to, $from + $left);
            $spans[] = [$from, $until];
            $left -= $until - $from;
            if ($left === 0) {
                return $spans;
            }
        }

        return null;
    }

    /** Whether people are there between two minutes, and so at other work. */
    private static function isInterrupted(Windows $there, int $from, int $to): bool
    {
        foreach ($there->spans as [$a, $b]) {
            if (max($a, $from) < min($b, $to)) {
                return true;
            }
            if ($a >= $to) {
                return false;
            }
        }

        return false;
    }
}
