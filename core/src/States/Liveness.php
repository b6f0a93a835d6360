<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** A cell of the what-is-live table. A hot without its return is never "dead". */
final readonly class Liveness
{
    private function __construct(
        /** works, live or dead */
        public string $kind,
        public ?string $source,
        public string $words,
    ) {}

    public static function works(string $source): self
    {
        return new self('works', $source, 'works');
    }

    public static function withoutReturn(string $source): self
    {
        return new self('live', $source, 'hot is live without its neutral');
    }

    public static function throughLoad(string $source): self
    {
        return new self('live', $source, 'live through a load');
    }

    public static function neutralLive(string $source): self
    {
        return new self('live', $source, 'neutral is live');
    }

    public static function dead(): self
    {
        return new self('dead', null, 'dead');
    }
}
