<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Controllers\HereController;
use App\Models\RigJob;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Rules\Finding;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What a job on the floor is held up by and what is done next. The dangers of a job are worked out once a revision;
 * a list that finds many of them unknown works out a few and tells the rest as not known yet.
 */
final class FloorSummary
{
    private const KEEP_S = 604_800;

    /** Jobs that one list may work out. */
    private const A_LIST = 4;

    private int $worked = 0;

    /** @var ?array<int, list<string>> job => who is on it now */
    private ?array $present = null;

    /**
     * @return array{
     *     stage: string, next: string, blocks: list<string>, dangers: ?int, assumed: int, here: list<string>
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
        $dangers = $components === [] ? 0 : $this->dangers($job, $document);

        return [
            'stage' => $stage,
            'next' => self::next($stage, $dangers, $assumed),
            'blocks' => self::blocks($document, $components, $plans, $dangers, $assumed),
            'dangers' => $dangers,
            'assumed' => $assumed,
            'here' => $this->present()[$job->id] ?? [],
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
     * @return list<string>
     */
    private static function blocks(
        stdClass $document,
        array $components,
        array $plans,
        ?int $dangers,
        int $assumed,
    ): array {
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
                $dangers === null || $dangers === 0 ? null : $counted($dangers, 'danger open', 'dangers open'),
                $faults === 0 ? null : $counted($faults, 'fault from the walk round', 'faults from the walk round'),
                $assumed === 0 ? null : $counted($assumed, 'value assumed', 'values assumed'),
            ]),
        );
    }

    /** Dangers of the plan with the fewest, or of the rig as found; null where nobody has worked them out yet. */
    private function dangers(RigJob $job, stdClass $document): ?int
    {
        $key = "floor:{$job->id}:{$job->head}";
        $known = Cache::get($key);
        if (is_int($known)) {
            return $known;
        }
        if ($this->worked++ >= self::A_LIST) {
            return null;
        }
        $answers = new JobAnswers($document, new KeptProofs());
        $counts = [];
        foreach ($answers->ends() ?: ['as_found'] as $view) {
            $judged = $answers->judged($view);
            $counts[] = count(
                array_filter(
                    $judged[1]->findings ?? [],
                    fn(Finding $f): bool => $f->severity()->value === 'danger' && $f->ways->kind !== 'outside',
                ),
            );
        }
        $dangers = min($counts);
        Cache::put($key, $dangers, self::KEEP_S);

        return $dangers;
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
