<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\RigJob;
use Hollin\Core\Answers\FirstLooks;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\Cache;

/** Ranks what is assumed in a survey by what it could flip. Kept in the database: the worker shares no memory. */
final class RankLooks implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;

    public int $tries = 1;

    public int $timeout = 90;

    private const KEEP_S = 86_400;

    /** What has not been tried by then is not ranked. */
    private const LONGEST_S = 60;

    /** @param list<string> $views */
    public function __construct(
        private readonly int $jobId,
        private readonly int $revision,
        private readonly array $views,
        private readonly string $key,
    ) {}

    public function handle(): void
    {
        $cache = Cache::store();
        $document = RigJob::query()->findOrFail($this->jobId)->revision($this->revision)->decoded();
        $began = hrtime(true);
        $all = true;
        $ranked = (new FirstLooks($document, $this->views))->ranked(function (int $done, int $of) use (
            $cache,
            $began,
            &$all,
        ): bool {
            $cache->put("{$this->key}:percent", (int) ((100 * $done) / max(1, $of)), 120);

            return $all = hrtime(true) - $began < self::LONGEST_S * 1e9;
        });
        $cache->put(
            $this->key,
            json_encode(
                ['status' => 'done', 'percent' => 100, 'all' => $all, 'looks' => $ranked],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            self::KEEP_S,
        );
    }
}
