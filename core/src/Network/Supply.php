<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A supply that a rig meets or carries: a pedestal with the receptacles its cord fits, or a generator. */
final readonly class Supply
{
    /**
     * @param string $kind shore or generator
     * @param string $source id of its winding
     * @param array<string, float> $ratingsA position of the cord => breaker ahead of it, largest first
     * @param bool $portable carried to the rig and not wired into it
     */
    public function __construct(
        public string $component,
        public string $kind,
        public string $source,
        public array $ratingsA,
        public bool $portable,
    ) {}
}
