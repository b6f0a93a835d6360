<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

/** Every activity of a job with its time. */
final readonly class Timetable
{
    /**
     * @param array<string, Task> $tasks
     * @param int $lowest no schedule ends sooner: the longest chain, and the hands there are
     */
    public function __construct(public array $tasks, public int $starts, public int $ends, public int $lowest) {}

    /** Whether nothing could end sooner. */
    public function isProved(): bool
    {
        return $this->ends === $this->lowest;
    }
}
