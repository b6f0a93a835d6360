<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Approval;
use App\Models\RigJob;
use App\Models\User;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\RuleBook;
use Illuminate\Support\Facades\DB;

/** Lets a plan be built as it stands at a revision, with what stays open named. */
final class Approve
{
    public function __construct(private readonly Builds $builds) {}

    /**
     * Findings of every stage of a plan, dangers first, each once.
     *
     * @return list<array{id: string, severity: string, title: string, text: string, stage: string}>
     */
    public function open(RigJob $job, int $revision, string $plan): array
    {
        $document = $job->revision($revision)->decoded();
        // Says that there is no such plan, where there is none.
        $this->builds->answer($job->revision($revision), $plan);
        $answers = new JobAnswers($document, new KeptProofs());
        $open = [];
        foreach ($answers->views as $view) {
            if ($view['plan'] !== $plan) {
                continue;
            }
            foreach ($answers->judged($view['id'])[1]->findings ?? [] as $finding) {
                if ($finding->ways->kind !== 'outside') {
                    $open[$finding->identity()] ??= self::row($finding, (string) $view['stage']);
                }
            }
        }
        $rank = ['danger' => 0, 'warning' => 1, 'advice' => 2];
        uasort($open, fn(array $a, array $b): int => ($rank[$a['severity']] ?? 3) <=> ($rank[$b['severity']] ?? 3));

        return array_values($open);
    }

    /** @return array{id: string, severity: string, title: string, text: string, stage: string} */
    private static function row(Finding $finding, string $stage): array
    {
        return [
            'id' => $finding->identity(),
            'severity' => $finding->severity()->value,
            'title' => $finding->hit->title ?? $finding->rule->title,
            'text' => $finding->hit->text,
            'stage' => $stage,
        ];
    }

    /**
     * @param array<string, string> $why finding => why it may stay open
     * @throws Refused when a danger stays open without a reason, or the plan changes nothing
     */
    public function __invoke(
        RigJob $job,
        User $user,
        string $uuid,
        int $revision,
        string $plan,
        array $why,
        ?string $words,
    ): Approval {
        $done = Approval::query()->where('rig_job_id', $job->id)->where('uuid', $uuid)->first();
        if ($done !== null) {
            return $done;
        }
        $answer = $this->builds->answer($job->revision($revision), $plan);
        if ($answer->work->steps === []) {
            throw Refused::because('/plan', 'changes nothing: there is nothing to build.');
        }
        $problems = $open = [];
        foreach ($this->open($job, $revision, $plan) as $finding) {
            $reason = trim($why[$finding['id']] ?? '');
            if ($finding['severity'] === 'danger' && mb_strlen($reason) < 4) {
                $problems[] = new Problem(
                    "/open/{$finding['id']}",
                    "“{$finding['title']}” is a danger: put it right, or say in words why it may stay open.",
                );
            }
            $open[] = $finding + ['why' => $reason];
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }

        return DB::transaction(function () use ($job, $user, $uuid, $revision, $plan, $words, $open): Approval {
            RigJob::query()->whereKey($job->id)->lockForUpdate()->first();
            $approval = new Approval([
                'user_id' => $user->id,
                'uuid' => $uuid,
                'revision' => $revision,
                'plan' => $plan,
                'words' => $words,
                'open' => json_encode($open, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'rules' => RuleBook::VERSION,
            ]);
            $approval->rig_job_id = $job->id;
            $approval->save();

            return $approval;
        });
    }
}
