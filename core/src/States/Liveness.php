<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** A cell of the what-is-live table. A hot without its return is never "dead". */
final readonly class Liveness
{
    private function __construct(
        /** works, ground (it runs, and its current comes home over grounds), live or dead */
        public string $kind,
        public ?string $source,
        public string $words,
    ) {}

    /** Whether a load on it runs, by whatever way its current comes home. */
    public function runs(): bool
    {
        return $this->kind === 'works' || $this->kind === 'ground';
    }

    /** Hot and neutral lead to one source. */
    public static function works(string $source): self
    {
        return new self('works', $source, 'works');
    }

    /** It works, and its current comes home over grounds. */
    public static function throughGround(string $source): self
    {
        return new self('ground', $source, 'works, its current comes home over the grounds');
    }

    /** Its hot is live and its neutral leads nowhere. */
    public static function withoutReturn(string $source): self
    {
        return new self('live', $source, 'hot is live without its neutral');
    }

    /** Live through something that is plugged in. */
    public static function throughLoad(string $source): self
    {
        return new self('live', $source, 'live through a load');
    }

    /** Its neutral is live. */
    public static function neutralLive(string $source): self
    {
        return new self('live', $source, 'neutral is live');
    }

    /** Nothing reaches it. */
    public static function dead(): self
    {
        return new self('dead', null, 'dead');
    }
}
