<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Approval;
use App\Models\LogEntry;
use App\Models\Reading;
use App\Models\Revision;
use App\Models\RigJob;
use Hollin\Core\Answers\BuildAnswer;
use Hollin\Core\Build\Logbook;
use Hollin\Core\Build\Times;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\RuleBook;
use Illuminate\Support\Facades\Cache;

/** The work of a job: of its approved plan, or of a draft that somebody looks at. */
final class Builds
{
    private const KEEP_S = 604_800;

    /** Kept work of another form is made anew. */
    private const FORM = 9;

    /** Jobs of a workshop whose recorded times are learnt from, the latest first. */
    private const LEARNT_FROM = 40;

    /** What a lead has last let be built, of a plan or of any. */
    public function approval(RigJob $job, ?string $plan = null): ?Approval
    {
        return Approval::query()
            ->with('user')
            ->where('rig_job_id', $job->id)
            ->when($plan !== null, fn($rows) => $rows->where('plan', $plan))
            ->orderByDesc('id')
            ->first();
    }

    /**
     * The work of a plan at a revision; kept, so that it is compiled once.
     *
     * @throws Refused when there is no such plan
     */
    public function answer(Revision $revision, string $plan): BuildAnswer
    {
        $key = 'work:' . self::FORM . ':' . RuleBook::VERSION . ":{$revision->sha256}:{$plan}";
        $cache = Cache::store('answers');
        $kept = $cache->get($key);
        $answer = is_string($kept) ? @unserialize($kept, ['allowed_classes' => true]) : null;
        if (!($answer instanceof BuildAnswer)) {
            $answer = BuildAnswer::of($revision->decoded(), $plan);
            $cache->put($key, serialize($answer), self::KEEP_S);
        }

        return $answer;
    }

    /** How the work stands: by the logbook, and by what the survey had read before. */
    public function logbook(RigJob $job, BuildAnswer $work): Logbook
    {
        return $work->logbook(LogEntry::entriesOf($job->id), Reading::ofSurvey($job->id));
    }

    /** How long steps take in this workshop. */
    public function times(RigJob $job): Times
    {
        return Cache::remember("times:{$job->workshop_id}", 60, function () use ($job): Times {
            $took = [];
            $jobs = RigJob::query()
                ->where('workshop_id', $job->workshop_id)
                ->whereIn('id', LogEntry::query()->select('rig_job_id')->where('kind', 'done'))
                ->orderByDesc('updated_at')
                ->limit(self::LEARNT_FROM)
                ->get();
            foreach ($jobs as $other) {
                $approval = $this->approval($other);
                if ($approval === null) {
                    continue;
                }
                $log = $this->logbook($other, $this->answer($other->revision($approval->revision), $approval->plan));
                foreach ($log->took() as $kind => $minutes) {
                    $took[$kind] = array_merge($took[$kind] ?? [], $minutes);
                }
            }

            return new Times($took);
        });
    }
}
