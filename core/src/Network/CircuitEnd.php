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
    ) {}
}
