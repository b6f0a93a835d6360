<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Controllers\HereController;
use App\Jobs\SummariseJob;
use App\Models\Approval;
use App\Models\LogEntry;
use App\Models\Reading;
use App\Models\RigJob;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Build\OpenItem;
use Hollin\Core\Build\Step;
use Hollin\Core\Rules\Finding;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What a job on the floor is held up by and what is done next. A list works nothing out: what it does not find is
 * told as not known yet, and worked out by the worker, once a revision and once a line of the logbook.
 */
final class FloorSummary
{
    private const KEEP_S = 604_800;

    public function __construct(private readonly Builds $builds) {}

    /** So long nobody asks the worker again for the same, s. */
    private const ASKED_S = 120;

    /** After so long working out a job makes room for what else waits, s. */
    private const AT_A_TIME_S = 1.5;

    /** @var ?array<int, list<string>> job => who is on it now */
    private ?array $present = null;

    /**
     * @return array{
     *     stage: string, next: string, blocks: list<string>, done: int, steps: int, dangers: ?int, plan: ?string,
     *     assumed: int, here: list<string>
     * }
     */
    public function of(RigJob $job): array
    {
        $document = $job->revision($job->head)->decoded();
        $components = get_object_vars($document->asFound->components);
        $plans = get_object_vars($document->plans);
        $assumed = substr_count((string) json_encode($components), '"basis":"assumed"');
        $stage = match (true) {
            $components === [] => 'survey',
            $plans === [] => 'plan',
            default => 'prove',
        };
        [$dangers, $plan] = $components === [] ? [0, null] : $this->dangers($job);
        $work = $this->work($job);

        return [
            'stage' => $work === null ? $stage : 'build',
            'next' => $work['next'] ?? self::next($stage, $dangers, $assumed),
            'blocks' => $work['blocks'] ?? self::blocks($document, $components, $plans, [$dangers, $plan], $assumed),
            'done' => $work['done'] ?? 0,
            'steps' => $work['steps'] ?? 0,
            'dangers' => $dangers,
            'plan' => $plan,
            'assumed' => $assumed,
            'here' => $this->present()[$job->id] ?? [],
        ];
    }

    /**
     * How the work of an approved plan stands; null where nothing is approved.
     *
     * @return ?array{next: string, blocks: list<string>, done: int, steps: int}
     */
    private function work(RigJob $job): ?array
    {
        $approval = $this->builds->approval($job);
        if ($approval === null) {
            return null;
        }
        $key = self::workKey($job, $approval);
        if (!is_array(Cache::get($key))) {
            $this->ask($job, $key);
        }
        /** @var ?array{next: string, blocks: list<string>, done: int, steps: int} $known */
        $known = Cache::get($key) ?? Cache::get("stands:last:{$job->id}");

        return $known ?? ['next' => 'Being worked out', 'blocks' => [], 'done' => 0, 'steps' => 0];
    }

    private static function workKey(RigJob $job, Approval $approval): string
    {
        $last = LogEntry::query()->where('rig_job_id', $job->id)->max('number');
        $read = Reading::query()->where('rig_job_id', $job->id)->max('id');

        return "stands:{$job->id}:{$approval->id}:{$last}:{$read}";
    }

    private static function dangerKey(RigJob $job): string
    {
        return "floor:plan:{$job->id}:{$job->head}";
    }

    /** Has the worker work out what a list does not know of a job. */
    private function ask(RigJob $job, string $what): void
    {
        if (Cache::add("asked:{$what}", true, self::ASKED_S)) {
            SummariseJob::dispatch($job->id)->onQueue(SummariseJob::QUEUE);
        }
    }

    /**
     * Works out what lists tell of a job, for a while.
     *
     * @return bool whether that was all
     */
    public function workOut(RigJob $job): bool
    {
        $approval = $this->builds->approval($job);
        $key = $approval === null ? null : self::workKey($job, $approval);
        if ($approval !== null && $key !== null && !is_array(Cache::get($key))) {
            $stands = $this->stands($job, $approval);
            Cache::put($key, $stands, self::KEEP_S);
            Cache::put("stands:last:{$job->id}", $stands, self::KEEP_S);
        }

        return is_array(Cache::get(self::dangerKey($job))) || $this->count($job, $job->revision($job->head)->decoded());
    }

    /** Notes that a job is more than the worker can work out. */
    public function giveUp(RigJob $job): void
    {
        Cache::put(self::dangerKey($job), [null, null], self::KEEP_S);
    }

    /** @return array{next: string, blocks: list<string>, done: int, steps: int} how the work stands by the logbook */
    private function stands(RigJob $job, Approval $approval): array
    {
        $answer = $this->builds->answer($job->revision($approval->revision), $approval->plan);
        $log = $this->builds->logbook($job, $answer);
        $now = array_filter($answer->work->steps, fn(Step $s): bool => !$s->kind->isLater());
        $done = array_filter(
            $now,
            fn(Step $s): bool => in_array($log->steps[$s->id]->status, ['done', 'overridden', 'incomplete'], true),
        );
        $next = null;
        foreach (['running', 'reopened', 'open'] as $status) {
            foreach ($now as $id => $step) {
                $next ??= $log->steps[$id]->status === $status ? $step->title : null;
            }
        }
        $blocks = array_values(array_filter($log->open, fn(OpenItem $o): bool => $o->blocks));
        $waits = array_filter($log->arrivals, fn(array $a): bool => !$a['here'] && $a['date'] !== '');

        return [
            'next' => $next ?? 'Prove and hand over',
            'blocks' => [
                ...$blocks === []
                    ? []
                    : [count($blocks) === 1 ? $blocks[0]->words : count($blocks) . ' items block the hand-over'],
                ...$waits === []
                    ? []
                    : [count($waits) === 1 ? 'one part on its way' : count($waits) . ' parts on their way'],
            ],
            'done' => count($done),
            'steps' => count($now),
        ];
    }

    private static function next(string $stage, ?int $dangers, int $assumed): string
    {
        return match (true) {
            $stage === 'survey' => 'Survey the rig as found',
            $stage === 'plan' && $assumed > 0 => 'Look at what is assumed, then choose how the inverter comes in',
            $stage === 'plan' => 'Choose how the inverter comes in',
            $dangers !== null && $dangers > 0 => 'Work through the dangers',
            $assumed > 0 => 'Look at what is still assumed',
            default => 'Print the plan sheet',
        };
    }

    /**
     * @param array<string, stdClass> $components
     * @param array<string, stdClass> $plans
     * @param array{?int, ?string} $open dangers, and the plan that has them
     * @return list<string>
     */
    private static function blocks(
        stdClass $document,
        array $components,
        array $plans,
        array $open,
        int $assumed,
    ): array {
        [$dangers, $plan] = $open;
        $faults = count(
            array_filter(
                get_object_vars($document->asFound->walk ?? new stdClass()),
                fn(stdClass $f): bool => $f->verdict === 'fault',
            ),
        );
        $counted = fn(int $n, string $one, string $many): string => "{$n} " . ($n === 1 ? $one : $many);

        return array_values(
            array_filter([
                $components === [] ? 'nothing surveyed' : null,
                $components !== [] && $plans === [] ? 'no plan' : null,
                $dangers === null || $dangers === 0
                    ? null
                    : $counted($dangers, 'danger open', 'dangers open') .
                        ($plan === null ? '' : " in “{$plan}”") .
                        (count($plans) > 1 ? ', the plan with the fewest' : ''),
                $faults === 0 ? null : $counted($faults, 'fault from the walk round', 'faults from the walk round'),
                $assumed === 0 ? null : $counted($assumed, 'value assumed', 'values assumed'),
            ]),
        );
    }

    /**
     * Dangers of the plan with the fewest and its title, or of the rig as found; null where nobody has worked them out
     * yet.
     *
     * @return array{?int, ?string}
     */
    private function dangers(RigJob $job): array
    {
        $key = self::dangerKey($job);
        if (!is_array(Cache::get($key))) {
            $this->ask($job, $key);
        }
        /** @var array{?int, ?string} $known */
        $known = Cache::get($key) ?? [null, null];

        return $known;
    }

    /** Counts the dangers of one plan after another; false when there are more of them and the time is up. */
    private function count(RigJob $job, stdClass $document): bool
    {
        $key = self::dangerKey($job);
        if (get_object_vars($document->asFound->components) === []) {
            Cache::put($key, [0, null], self::KEEP_S);

            return true;
        }
        /** @var array{done: list<string>, fewest: ?array{int, ?string}} $so */
        $so = Cache::get("{$key}:so-far") ?? ['done' => [], 'fewest' => null];
        $began = hrtime(true);
        $answers = new JobAnswers($document, new KeptProofs());
        foreach (array_diff($answers->ends() ?: ['as_found'], $so['done']) as $view) {
            if ($so['done'] !== [] && hrtime(true) - $began > self::AT_A_TIME_S * 1e9) {
                Cache::put("{$key}:so-far", $so, self::KEEP_S);

                return false;
            }
            $judged = $answers->judged($view);
            $count = count(
                array_filter(
                    $judged[1]->findings ?? [],
                    fn(Finding $f): bool => $f->severity()->value === 'danger' && $f->ways->kind !== 'outside',
                ),
            );
            $plan = $document->plans->{explode('/', $view)[0]}->title ?? null;
            $so['done'][] = $view;
            if ($so['fewest'] === null || $count < $so['fewest'][0]) {
                $so['fewest'] = [$count, $plan];
            }
        }
        Cache::forget("{$key}:so-far");
        Cache::put($key, $so['fewest'] ?? [0, null], self::KEEP_S);

        return true;
    }

    /** @return array<int, list<string>> who is on each job now, asked once for a whole list */
    private function present(): array
    {
        if ($this->present === null) {
            $this->present = [];
            $rows = DB::table('presences')
                ->join('users', 'users.id', '=', 'presences.user_id')
                ->where('seen_at', '>', now()->subSeconds(HereController::GONE_S))
                ->orderBy('users.name')
                ->distinct()
                ->get(['rig_job_id', 'users.name']);
            foreach ($rows as $row) {
                $this->present[(int) $row->rig_job_id][] = (string) $row->name;
            }
        }

        return $this->present;
    }
}
