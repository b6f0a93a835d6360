<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\RigJob;
use Hollin\Core\Answers\FirstLooks;
use Hollin\Core\Answers\JobAnswers;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Cache;

/**
 * Ranks what is assumed in a survey by what it could flip, a few at a time and behind everything else the worker has
 * to do: a photograph or a sheet waits for none of it. Kept in the database, as the worker shares no memory.
 */
final class RankLooks implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public const QUEUE = 'slow';

    public int $tries = 1;

    public int $timeout = 60;

    /** A survey is typed in one value after another: so long it waits for the next, s. */
    public const SETTLES_S = 2;

    private const KEEP_S = 86_400;

    /** After so long it makes room for what else waits. */
    private const AT_A_TIME_S = 1.5;

    /** @param list<string> $views */
    public function __construct(
        private readonly int $jobId,
        private readonly int $revision,
        private readonly array $views,
        private readonly string $key,
        private readonly int $from = 0,
    ) {}

    /**
     * What a ranking is kept under: what its views are worked out from.
     *
     * @param list<string> $views
     */
    public static function key(JobAnswers $answers, array $views): string
    {
        $hashes = array_column($answers->views, 'hash', 'id');

        return 'looks:' . hash('sha256', implode(' ', array_map(fn(string $v): string => $hashes[$v] ?? '', $views)));
    }

    /** Whether it still is the ranking of how the job stands: nobody reads that of a survey that has moved on. */
    private function isAsked(RigJob $job): bool
    {
        return $job->head === $this->revision ||
            self::key(new JobAnswers($job->revision($job->head)->decoded()), $this->views) === $this->key;
    }

    public function handle(): void
    {
        $cache = Cache::store();
        $job = RigJob::query()->find($this->jobId);
        if ($job === null || !$this->isAsked($job)) {
            $cache->forget("{$this->key}:asked");

            return;
        }
        $document = $job->revision($this->revision)->decoded();
        $began = hrtime(true);
        $at = $this->from;
        $all = true;
        $ranked = (new FirstLooks($document, $this->views))->ranked(function (int $done, int $of) use (
            $began,
            &$at,
            &$all,
            $cache,
        ): bool {
            $at = $done;
            $cache->put("{$this->key}:percent", (int) ((100 * $done) / max(1, $of)), self::KEEP_S);

            return $all = $done === $this->from || hrtime(true) - $began < self::AT_A_TIME_S * 1e9;
        }, $this->from);
        /** @var list<array{weight: int}> $earlier */
        $earlier = $this->from > 0 ? $cache->get("{$this->key}:parts", []) : [];
        $ranked = [...$earlier, ...$ranked];
        if (!$all) {
            $cache->put("{$this->key}:parts", $ranked, self::KEEP_S);
            $cache->put("{$this->key}:asked", true, 120);
            self::dispatch($this->jobId, $this->revision, $this->views, $this->key, $at)->onQueue(self::QUEUE);

            return;
        }
        $cache->forget("{$this->key}:parts");
        $cache->put(
            $this->key,
            json_encode(
                ['status' => 'done', 'percent' => 100, 'all' => true, 'looks' => FirstLooks::sorted($ranked)],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            self::KEEP_S,
        );
    }
}
