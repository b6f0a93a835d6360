<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** An engine with its alternator, as a source on the battery side. */
final readonly class Shaft
{
    /**
     * @param string $device control by which the engine stands, idles or drives
     * @param list<string> $converters what it gives, by position
     * @param ?float $loweredV volts it may come down to by itself while the engine runs; null when it holds them
     * @param bool $known whether that is known, and not only feared
     */
    public function __construct(
        public string $component,
        public string $device,
        public array $converters,
        public string $pos,
        public string $neg,
        public float $holdsV,
        public ?float $loweredV,
        public bool $known,
    ) {}
}
