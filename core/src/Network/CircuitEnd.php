<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Where a branch circuit's conductors arrive. */
final readonly class CircuitEnd
{
    public function __construct(
        public string $circuit,
        public string $hot,
        public string $neutral,
        public string $ground,
        /** Hot and neutral come from one place, so the neutral cannot stay behind. */
        public bool $together,
        public string $hotFrom,
        public string $neutralFrom,
        public string $label = '',
        /** none, breaker or receptacle */
        public string $gfci = 'none',
        /** bath, counter, outside, general or fixed */
        public string $place = 'general',
        /** A; null for none of its own */
        public ?float $breakerA = null,
        /** circuit on whose GFCI's load side its hot hangs, and its neutral */
        public ?string $behind = null,
        public ?string $neutralBehind = null,
        /** panel its hot lands in, and its neutral */
        public ?string $panel = null,
        public ?string $neutralPanel = null,
        public int $slot = 0,
        public string $half = '',
        /** component it feeds */
        public ?string $feeds = null,
        /** of its cable, one way, m */
        public float $lengthM = 0.0,
    ) {}

    /** Places where NFPA 70 551.41 asks for GFCI protection (from memory). */
    public function wantsGfci(): bool
    {
        return in_array($this->place, ['bath', 'counter', 'outside'], true);
    }
}
