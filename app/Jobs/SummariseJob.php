<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\FloorSummary;
use App\Models\RigJob;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Works out what lists tell of a job, a plan or some at a time and behind everything else the worker has to do. */
final class SummariseJob implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public const QUEUE = 'slow';

    public int $tries = 1;

    public int $timeout = 60;

    public function __construct(private readonly int $jobId) {}

    public function handle(FloorSummary $floor): void
    {
        $job = RigJob::query()->find($this->jobId);
        if ($job !== null && !$floor->workOut($job)) {
            self::dispatch($this->jobId)->onQueue(self::QUEUE);
        }
    }

    /** Whatever it failed by, a list is not told to wait for it for ever. */
    public function failed(): void
    {
        $job = RigJob::query()->find($this->jobId);
        if ($job !== null) {
            app(FloorSummary::class)->giveUp($job);
        }
    }
}
