<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use DateTimeImmutable;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Logbook;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\Times;
use Hollin\Core\Build\Work;
use Hollin\Core\Schedule\Activity;
use Hollin\Core\Schedule\CriticalPath;
use Hollin\Core\Schedule\Floor;
use Hollin\Core\Schedule\Hours;
use Hollin\Core\Schedule\NoTime;
use Hollin\Core\Schedule\Person;
use Hollin\Core\Schedule\Timetable;
use Hollin\Core\Schedule\Windows;

/** What is left of the work of a job, laid along days and people. */
final class ScheduleAnswer
{
    /** Days that are looked ahead, and as many again when they do not do. */
    private const DAYS = [30, 150];

    private const DAY_MIN = 1440;

    /** @var array<string, Activity> */
    private array $activities;

    /**
     * @param array<string, int> $late step or material => minutes that it comes or lasts longer
     */
    public function __construct(
        private readonly Work $work,
        private readonly Logbook $log,
        private readonly Times $times,
        private readonly Hours $hours,
        private readonly int $from,
        array $late = [],
    ) {
        $this->activities = $this->activities($late);
    }

    /**
     * Steps that are still to be done, each behind those that are.
     *
     * @param array<string, int> $late
     * @return array<string, Activity>
     */
    private function activities(array $late): array
    {
        $waits = $this->work->waits();
        $left = array_filter(
            $this->work->steps,
            fn(Step $s): bool => !$s->kind->isLater() &&
                !in_array($this->log->steps[$s->id]->status, ['done', 'overridden', 'incomplete'], true),
        );
        $activities = [];
        foreach ($left as $id => $step) {
            $after = [];
            foreach ($waits[$id] ?? [] as $link) {
                if (isset($left[$link->before])) {
                    $after[$link->before] = true;
                }
            }
            $activities[$id] = new Activity(
                $id,
                (int) ceil($this->times->of($step)['likely']),
                (int) $step->unattendedMin + ($late[$id] ?? 0),
                array_map(strval(...), array_keys($after)),
                $step->people,
                $step->who->rank(),
                $step->daylight,
                $this->notBefore($step, $late),
            );
        }

        return $activities;
    }

    /**
     * Minute before which a step cannot begin: a day somebody chose, parts on their way.
     *
     * @param array<string, int> $late
     */
    private function notBefore(Step $step, array $late): ?int
    {
        $days = [];
        if (isset($this->log->pins[$step->id])) {
            $days[] = $this->midnight($this->log->pins[$step->id]);
        }
        foreach ($this->log->arrivals as $key => $arrival) {
            $own = $step->kind === Kind::Materials || in_array($key, $step->components, true);
            if ($own && !$arrival['here'] && $arrival['date'] !== '') {
                $days[] = $this->midnight($arrival['date']) + ($late[$key] ?? 0);
            }
        }

        return $days === [] ? null : max($days);
    }

    private function midnight(string $day): int
    {
        return intdiv((new DateTimeImmutable($day, $this->hours->zone))->getTimestamp(), 60);
    }

    /**
     * @param non-empty-list<array{id: string, name: string, rank: int}> $people
     * @param array<string, Windows> $free what other jobs leave of their time
     * @throws NoTime when something can never be done
     */
    public function timetable(array $people, array $free = []): Timetable
    {
        $sun = array_filter($this->activities, fn(Activity $a): bool => $a->daylight) !== [];
        foreach (self::DAYS as $n => $days) {
            try {
                $there = $this->hours->windows($this->from, $days);
                $light = $sun ? $this->hours->daylight($this->from, $days) : new Windows([]);
                $crew = array_map(
                    fn(array $p): Person => new Person($p['id'], $p['name'], $p['rank'], $there),
                    $people,
                );

                return (new Floor($crew, $light))->schedule(
                    $this->activities,
                    $this->from,
                    array_map(fn(Windows $w): Windows => $w->and($there), $free),
                );
            } catch (NoTime $e) {
                if ($n === count(self::DAYS) - 1) {
                    throw $e;
                }
            }
        }
        throw new \LogicException('unreachable');
    }

    /**
     * @param string $goes day on which the rig is fetched, empty where nobody has said
     * @return array<string, mixed>
     */
    public function toArray(Timetable $table, string $goes): array
    {
        $path = CriticalPath::of($this->activities);
        $tasks = [];
        foreach ($table->tasks as $id => $task) {
            $tasks[] = [
                'step' => $id,
                'title' => $this->work->steps[$id]->title,
                'spans' => array_map(
                    fn(array $s): array => ['from' => self::iso($s[0]), 'to' => self::iso($s[1])],
                    $task->spans,
                ),
                'from' => self::iso($task->starts),
                'to' => self::iso($task->ends),
                'aloneMin' => $this->activities[$id]->aloneMin,
                'people' => $task->people,
                'floatMin' => $path->float($id),
            ];
        }
        usort($tasks, fn(array $a, array $b): int => [$a['from'], $a['step']] <=> [$b['from'], $b['step']]);
        $hands = array_sum(array_map(fn(Activity $a): int => $a->handsMin * $a->people, $this->activities));
        $due = $goes === '' ? null : $this->midnight($goes);

        return [
            'zone' => $this->hours->zone->getName(),
            'from' => self::iso($this->from),
            'ends' => self::iso($table->ends),
            'lowest' => self::iso($table->lowest),
            'proved' => $table->isProved(),
            'handsMin' => $hands,
            'aloneMin' => array_sum(array_map(fn(Activity $a): int => $a->aloneMin, $this->activities)),
            'goesOn' => $goes === '' ? null : $goes,
            'lateMin' => $due === null ? null : max(0, $table->ends - $due),
            'critical' => $path->critical(),
            'again' => $this->again($table),
            'tasks' => $tasks,
        ];
    }

    /** @return list<string> days on which hands go back on wiring that was proven dead the day before */
    private function again(Timetable $table): array
    {
        $proven = [];
        $days = [];
        foreach ($table->tasks as $id => $task) {
            $step = $this->work->steps[$id];
            foreach ($task->spans as [$from]) {
                $day = $this->day($from);
                if ($step->kind === Kind::ProveDead) {
                    $proven[$day] = true;
                }
                if ($step->kind->isOnWiring()) {
                    $days[$day] = true;
                }
            }
        }
        $again = array_map(strval(...), array_keys(array_diff_key($days, $proven)));
        sort($again);

        return $again;
    }

    private function day(int $minute): string
    {
        return (new DateTimeImmutable('@' . $minute * 60))->setTimezone($this->hours->zone)->format('Y-m-d');
    }

    /**
     * How much later the end is when something that is waited for is a day late.
     *
     * @param non-empty-list<array{id: string, name: string, rank: int}> $people
     * @return list<array{key: string, words: string, slipMin: int}>
     */
    public function slips(Timetable $table, array $people): array
    {
        $slips = [];
        foreach ($this->log->arrivals as $key => $arrival) {
            if (!$arrival['here'] && $arrival['date'] !== '') {
                $slips[] = $this->slip((string) $key, (string) $key, $table, $people);
            }
        }
        foreach ($this->activities as $id => $activity) {
            if ($activity->aloneMin >= 60) {
                $slips[] = $this->slip((string) $id, $this->work->steps[$id]->title, $table, $people);
            }
        }
        usort($slips, fn(array $a, array $b): int => $b['slipMin'] <=> $a['slipMin']);

        return $slips;
    }

    /**
     * @param non-empty-list<array{id: string, name: string, rank: int}> $people
     * @return array{key: string, words: string, slipMin: int}
     */
    private function slip(string $key, string $words, Timetable $table, array $people): array
    {
        $late = new self($this->work, $this->log, $this->times, $this->hours, $this->from, [$key => self::DAY_MIN]);

        return [
            'key' => $key,
            'words' => $words,
            'slipMin' => max(0, $late->timetable($people)->ends - $table->ends),
        ];
    }

    public static function iso(int $minute): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $minute * 60);
    }
}
