<?php

declare(strict_types=1);

namespace Tools\Bench;

use Database\Seeders\DemoRigs;
use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Answers\ScheduleAnswer;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Times as StepTimes;
use Hollin\Core\Job\Values;
use Hollin\Core\Schedule\Hours;

/** Steps and schedule of the demo plans, nothing kept; the logbook of a job that was worked on for weeks. */
final class BuildBench
{
    private const PEOPLE = [
        ['id' => 'a', 'name' => 'A', 'rank' => 2],
        ['id' => 'b', 'name' => 'B', 'rank' => 1],
        ['id' => 'c', 'name' => 'C', 'rank' => 0],
    ];

    public function run(): void
    {
        foreach (
            ['tideline' => 'line', 'grafting' => 'panel', 'bellows' => 'road', 'kite' => 'apart']
            as $name => $plan
        ) {
            $document = DemoRigs::document($name);
            $answer = BuildAnswer::of($document, $plan);
            $log = $answer->logbook([]);
            $schedule = fn(): array => self::scheduled($answer);
            $table = (new ScheduleAnswer($answer->work, $log, new StepTimes(), self::hours(), 29_933_640))->timetable(
                self::PEOPLE,
            );
            $steps = Times::median(fn() => BuildAnswer::of($document, $plan));
            $laid = Times::median($schedule);
            Times::say(
                sprintf(
                    '%s: %d steps, %d links %.0f ms, schedule %.0f ms, together %.0f ms (wanted 100); ends %.1f h ' .
                        'after the least any schedule takes',
                    $name,
                    count($answer->work->steps),
                    count($answer->work->links),
                    $steps,
                    $laid,
                    $steps + $laid,
                    ($table->ends - $table->lowest) / 60,
                ),
            );
        }
        $answer = BuildAnswer::of(DemoRigs::document('tideline'), 'line');
        $entries = self::entries($answer, 2000);
        Times::say(
            sprintf('a logbook of 2000 lines read in %.0f ms', Times::median(fn() => $answer->logbook($entries))),
        );
    }

    private static function hours(): Hours
    {
        return Hours::usual('America/Chicago');
    }

    /** @return array<string, mixed> */
    private static function scheduled(BuildAnswer $answer): array
    {
        $schedule = new ScheduleAnswer($answer->work, $answer->logbook([]), new StepTimes(), self::hours(), 29_933_640);

        return $schedule->toArray($schedule->timetable(self::PEOPLE), '2026-12-04');
    }

    /** @return list<Entry> */
    private static function entries(BuildAnswer $answer, int $count): array
    {
        $steps = array_values($answer->work->steps);
        $entries = [];
        for ($n = 1; $n <= $count; $n++) {
            $step = $steps[$n % count($steps)];
            $ask = $step->asks[$n % count($step->asks)];
            $says = new Values((object) ['ask' => $ask->id, 'number' => (float) $n]);
            $entries[] = new Entry(
                "u{$n}",
                $n,
                EntryKind::Value,
                $step->id,
                $says,
                '2026-11-27T09:00:00Z',
                'A',
                'one',
                $n - 1,
            );
        }

        return $entries;
    }
}
