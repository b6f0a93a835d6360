<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

/** A component's place on the wall: which band, which shape, what is written on it. */
final readonly class Plate
{
    /**
     * @param string $band supplies, switching, panels, straddle or deck
     * @param string $shape chip, gate, tray, body, bank or bar
     * @param list<string> $lines
     * @param ?string $pole positive or negative, of what one pole of the battery side runs through
     */
    public function __construct(
        public string $band,
        public string $shape,
        public int $rank,
        public array $lines = [],
        public ?string $pole = null,
    ) {}
}
