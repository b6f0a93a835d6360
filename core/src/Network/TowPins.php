<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Pins of a trailer's cord that anybody can touch, or that touch anything, while it is not hitched. */
final readonly class TowPins
{
    public function __construct(
        public string $component,
        public string $device,
        public string $bareIn,
        public string $pos,
        public string $neg,
        /** its pin while it is bare, in words that a name follows */
        public string $words = 'Unhitched, the charge pin of',
    ) {}
}
