<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Approval;
use App\Models\LogEntry;
use App\Models\Reading;
use App\Models\RigJob;
use App\Models\Role;
use App\Models\User;
use App\Models\Workshop;
use Carbon\CarbonImmutable;
use Hollin\Core\Answers\ScheduleAnswer;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Schedule\NoTime;
use Hollin\Core\Schedule\Timetable;
use Hollin\Core\Schedule\Windows;
use Illuminate\Support\Facades\Cache;
use Sabre\VObject\Component\VCalendar;

/** Jobs laid along the days of a workshop, its people and its bays. */
final class Schedules
{
    /** How long the days of the floor stand before they are laid anew: work begins now, whenever that is. */
    private const LAID_S = 300;

    private const RANKS = ['apprentice' => 0, 'technician' => 1, 'lead' => 2];

    public function __construct(private readonly Builds $builds) {}

    /**
     * @param string $plan the approved one, else the first, where empty
     * @return array<string, mixed>
     */
    public function of(RigJob $job, string $plan, ?string $day, bool $slips): array
    {
        [$answer, $people] = $this->answer($job, $plan, $day);
        $table = $this->table($answer, $people, []);

        return $answer->toArray($table, $job->goes_on ?? '') + [
            'people' => $people,
            'slips' => $slips ? $answer->slips($table, $people) : [],
        ];
    }

    /** @return array{ScheduleAnswer, non-empty-list<array{id: string, name: string, rank: int}>} */
    private function answer(RigJob $job, string $plan, ?string $day): array
    {
        $workshop = $job->workshop ?? throw new \LogicException('A job belongs to a workshop.');
        $approval = $this->builds->approval($job, $plan === '' ? null : $plan);
        $revision = $job->revision($approval->revision ?? $job->head);
        $plans = array_keys(get_object_vars($revision->decoded()->plans));
        $named = $plan === '' ? (string) ($approval->plan ?? ($plans[0] ?? '')) : $plan;
        $work = $this->builds->answer($revision, $named);
        $log = $this->builds->logbook($job, $work);
        $from = $day ?? max(CarbonImmutable::now($workshop->timezone)->toDateString(), $job->comes_on ?? '');
        $start = CarbonImmutable::parse($from, $workshop->timezone);
        $now = CarbonImmutable::now();

        return [
            new ScheduleAnswer(
                $work->work,
                $log,
                $this->builds->times($job),
                $workshop->open(),
                intdiv(($start->lessThan($now) && $day === null ? $now : $start)->getTimestamp(), 60),
            ),
            $this->people($workshop),
        ];
    }

    /**
     * @param non-empty-list<array{id: string, name: string, rank: int}> $people
     * @param array<string, Windows> $free
     */
    private function table(ScheduleAnswer $answer, array $people, array $free): Timetable
    {
        try {
            return $answer->timetable($people, $free);
        } catch (NoTime $e) {
            throw Refused::because('', $e->getMessage());
        }
    }

    /** @return non-empty-list<array{id: string, name: string, rank: int}> who works here */
    private function people(Workshop $workshop): array
    {
        $people = array_values(
            $workshop
                ->users()
                ->whereNull('left_at')
                ->orderBy('id')
                ->get()
                ->map(
                    fn(User $u): array => [
                        'id' => "p{$u->id}",
                        'name' => $u->name,
                        'rank' => self::RANKS[$u->role->value],
                    ],
                )
                ->all(),
        );

        return $people === [] ? [['id' => 'p0', 'name' => Role::Lead->label(), 'rank' => 2]] : $people;
    }

    /**
     * Approved jobs that are not done, the soonest fetched first, each into what the ones before leave of people and
     * bays; laid once for some minutes while nothing is written that moves it.
     *
     * @return array<string, mixed>
     */
    public function floor(Workshop $workshop): array
    {
        $jobs = $workshop->rigJobs()->select('id');
        $said = [
            LogEntry::query()->whereIn('rig_job_id', clone $jobs)->max('id'),
            Reading::query()->whereIn('rig_job_id', clone $jobs)->max('id'),
            Approval::query()->whereIn('rig_job_id', clone $jobs)->max('id'),
            $workshop
                ->rigJobs()
                ->whereNull('away_at')
                ->orderBy('id')
                ->get(['id', 'title', 'comes_on', 'goes_on'])
                ->toArray(),
            $this->people($workshop),
            $workshop->only(['hours', 'bays', 'timezone']),
        ];

        return Cache::remember(
            "floor:{$workshop->id}:" . hash('sha256', json_encode($said, JSON_THROW_ON_ERROR)),
            self::LAID_S,
            fn(): array => $this->laid($workshop),
        );
    }

    /** @return array<string, mixed> */
    private function laid(Workshop $workshop): array
    {
        $people = $this->people($workshop);
        $free = [];
        $bays = array_fill(1, max(1, $workshop->bays), 0);
        $rows = [];
        $jobs = $workshop
            ->rigJobs()
            ->whereNull('away_at')
            ->with('workshop')
            ->whereIn('id', Approval::query()->select('rig_job_id'))
            ->orderByRaw('goes_on nulls last')
            ->orderBy('id')
            ->limit(60)
            ->get();
        $there = $workshop->open()->windows(intdiv(CarbonImmutable::now()->getTimestamp(), 60), 150);
        foreach ($people as $person) {
            $free[$person['id']] = $there;
        }
        foreach ($jobs as $job) {
            // The bay that is empty first; nothing of this job begins before.
            asort($bays);
            $bay = (int) array_key_first($bays);
            $day =
                $bays[$bay] === 0 ? null : CarbonImmutable::createFromTimestamp($bays[$bay] * 60, $workshop->timezone);
            $comes = $job->comes_on ?? '';
            $begin = $day === null ? null : max($day->toDateString(), $comes);
            [$answer] = $this->answer($job, '', $begin);
            $own = $free;
            if ($day !== null) {
                foreach ($own as $id => $windows) {
                    $own[$id] = $windows->and(Windows::always($bays[$bay]));
                }
            }
            $table = $this->table($answer, $people, $own);
            foreach ($table->tasks as $task) {
                foreach ($task->people as $id) {
                    foreach ($task->spans as [$a, $b]) {
                        $free[$id] = $free[$id]->without($a, $b);
                    }
                }
            }
            $bays[$bay] = max($bays[$bay], $table->ends);
            $rows[] =
                ['job' => $job->id, 'title' => $job->title, 'bay' => $bay] +
                $answer->toArray($table, $job->goes_on ?? '');
        }

        return ['people' => $people, 'bays' => $workshop->bays, 'jobs' => $rows];
    }

    /** The schedule of a job for a calendar program: an event for each stretch of work, named by its step. */
    public function calendar(RigJob $job, string $plan): string
    {
        $schedule = $this->of($job, $plan, null, false);
        $calendar = new VCalendar(['PRODID' => '-//Hollin//Build//EN', 'X-WR-CALNAME' => $job->title]);
        $names = array_column($schedule['people'], 'name', 'id');
        foreach ($schedule['tasks'] as $task) {
            $spans = $task['spans'];
            // What goes on by itself stands there as well, free time for everybody.
            if ($task['aloneMin'] >= 60) {
                $spans[] = ['from' => end($spans)['to'] ?? $task['from'], 'to' => $task['to'], 'alone' => true];
            }
            foreach ($spans as $n => $span) {
                $alone = isset($span['alone']);
                $calendar->add('VEVENT', [
                    'UID' => "{$job->id}-{$task['step']}-{$n}@hollin",
                    'DTSTAMP' => CarbonImmutable::now('UTC'),
                    'DTSTART' => CarbonImmutable::parse($span['from']),
                    'DTEND' => CarbonImmutable::parse($span['to']),
                    'SUMMARY' => ($alone ? 'By itself: ' : '') . $task['title'],
                    'DESCRIPTION' =>
                        $job->title .
                        ($alone
                            ? ''
                            : ' · ' .
                                implode(', ', array_map(fn(string $p): string => $names[$p] ?? $p, $task['people']))),
                    'TRANSP' => $alone ? 'TRANSPARENT' : 'OPAQUE',
                ]);
            }
        }

        return $calendar->serialize();
    }

    /**
     * @param array<string, mixed> $given checked
     * @throws Refused when hours overlap or end before they begin
     */
    public function setHours(Workshop $workshop, array $given): void
    {
        $problems = [];
        $week = [];
        foreach ($given['week'] as $day => $spans) {
            if (!in_array((int) $day, [1, 2, 3, 4, 5, 6, 7], true)) {
                $problems[] = new Problem("/week/{$day}", 'is no day of the week: 1 is Monday, 7 Sunday.');
                continue;
            }
            sort($spans);
            foreach ($spans as $n => [$a, $b]) {
                if ($a >= $b || ($n > 0 && $a < $spans[$n - 1][1])) {
                    $problems[] = new Problem("/week/{$day}/{$n}", 'ends before it begins, or overlaps another.');
                }
            }
            $week[(int) $day] = $spans;
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }
        $workshop
            ->fill([
                'hours' => json_encode([
                    'week' => (object) $week,
                    'closed' => array_values($given['closed'] ?? []),
                    'latitude' => (float) $given['latitude'],
                    'longitude' => (float) $given['longitude'],
                ]),
                'bays' => (int) $given['bays'],
            ])
            ->save();
    }
}
