<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * Where a number comes from, and how far it can be trusted.
 *
 * Values recalled without a printed copy at hand say so; the interface shows
 * that beside the figure, so that nobody takes a memory for a quotation.
 */
final readonly class Source
{
    private function __construct(public string $title, public bool $fromMemory, public bool $uncertain = false) {}

    /**
     * Recalled, and not with the certainty of a printed table: right in order of magnitude, the part's own sheet rules.
     */
    public static function uncertain(string $title): self
    {
        return new self($title, true, true);
    }

    /** A clause or table, from memory. */
    public static function recalled(string $title): self
    {
        return new self($title, true);
    }

    /** Arithmetic, and of what. */
    public static function computed(string $title): self
    {
        return new self($title, false);
    }

    /** What people in the trade do; nobody has written it down. */
    public static function commonPractice(): self
    {
        return new self('common practice, no source', false);
    }

    /** As it stands beside a figure. */
    public function text(): string
    {
        return $this->title .
            ($this->uncertain ? ' (value from memory, uncertain)' : ($this->fromMemory ? ' (value from memory)' : ''));
    }
}
