<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** Something that is not finished: what, whose, until when or until what, and whether the rig may leave with it. */
final readonly class OpenItem
{
    public function __construct(
        public string $id,
        public string $kind,
        public string $words,
        public bool $blocks,
        public string $whose = '',
        public string $due = '',
        public string $event = '',
        public ?float $capW = null,
        public string $step = '',
        public string $by = '',
        public string $at = '',
        public string $photo = '',
    ) {}

    /** @return array<string, mixed> */
    public function toArray(string $today): array
    {
        return get_object_vars($this) + ['late' => $this->due !== '' && $this->due < $today];
    }
}
