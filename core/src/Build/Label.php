<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** A label: what stands on it in large letters, the lines below, where it goes. */
final readonly class Label
{
    /** @param list<string> $lines */
    public function __construct(
        public string $id,
        public string $kind,
        public string $title,
        public array $lines,
        public string $where,
        public string $component,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
