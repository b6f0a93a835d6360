<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use stdClass;

/** The rig at the end of a stage. */
final readonly class Stage
{
    /**
     * @param array<string, string> $unapplied change => why it does not apply
     * @param array<string, list<string>> $touched component => changes that touched it
     */
    public function __construct(
        public string $id,
        public string $title,
        public stdClass $components,
        public array $unapplied,
        public array $touched,
    ) {}
}
