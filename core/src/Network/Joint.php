<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** The ends of a cable that somebody has looked at. */
final readonly class Joint
{
    /**
     * @param string $kind bolted, clamp or plug
     * @param ?float $milliohm measured; null when nobody has
     * @param bool $locks holds by itself
     * @param ?string $wire hot, neutral or ground of a 120 V cable; null for direct current
     */
    public function __construct(
        public string $component,
        public string $kind,
        public ?float $milliohm,
        public bool $locks,
        public ?string $wire = null,
    ) {}
}
