<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Plan\Planned;
use Hollin\Core\Reference\Ampacity;
use stdClass;

/** What must run, and which ampacity school governs. */
final readonly class Needs
{
    /** @param array<string, array{title: string, running: array<string, true>}> $scenarios */
    private function __construct(
        public Ampacity $school,
        public array $scenarios,
        /** @var array<string, true> */
        public array $offGrid,
    ) {}

    /** @param stdClass $needs of a job file, already checked */
    public static function from(stdClass $needs): self
    {
        $scenarios = [];
        foreach (Planned::inOrder($needs->scenarios ?? new stdClass()) as $id => $scenario) {
            $scenarios[$id] = ['title' => (string) $scenario->title, 'running' => get_object_vars($scenario->running)];
        }

        return new self(
            Ampacity::from($needs->ampacity ?? 'marine'),
            $scenarios,
            get_object_vars($needs->offGrid ?? new stdClass()),
        );
    }
}
