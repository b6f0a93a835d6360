<?php

declare(strict_types=1);

namespace Tests\Laws;

use stdClass;

/** A change that is beside the point of what is found: the rig with it, and what of a finding it may touch. */
final readonly class Addition
{
    /**
     * @param \Closure(): stdClass $document the job with it
     * @param list<string> $parts that it adds
     * @param array<string, string> $names a new name => the old one, in small letters
     * @param list<string> $loose rules it may rightly touch; * for the words and figures of all
     */
    public function __construct(
        public string $name,
        public string $target,
        public \Closure $document,
        public array $parts = [],
        public array $names = [],
        public array $loose = [],
    ) {}

    public function title(): string
    {
        return "{$this->name}: {$this->target}";
    }
}
