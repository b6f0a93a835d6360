<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

/** One thing wrong in what was handed in: where (JSON pointer), what, and what would be right. */
final readonly class Problem
{
    public function __construct(public string $pointer, public string $message) {}

    /** @return array{pointer: string, message: string} */
    public function toArray(): array
    {
        return ['pointer' => $this->pointer, 'message' => $this->message];
    }
}
