<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

/** An activity with its time and its people. */
final readonly class Task
{
    /**
     * @param list<array{int, int}> $spans with hands on it, minutes since 1970 UTC; several where a night lies between
     * @param int $ends when it has ended, by itself too
     * @param list<string> $people
     */
    public function __construct(
        public string $id,
        public array $spans,
        public int $starts,
        public int $ends,
        public array $people,
    ) {}
}
