<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Reference\FuseFamily;

/** What a part may carry for good, and whether it opens by itself when it carries more. */
final readonly class Rating
{
    /**
     * @param ?float $amps continuous; null when none is marked, which means not rated
     * @param string $what fuse, breaker, switch, relay, plug, bar, shunt, bond or pins
     * @param bool $protects opens by itself on too much current
     * @param ?FuseFamily $family of a DC fuse or breaker
     * @param bool $assumed nobody has read it
     * @param ?float $bySectionA what its section carries by a rule of thumb: no rating
     */
    public function __construct(
        public ?float $amps,
        public string $what,
        public bool $protects = false,
        public ?FuseFamily $family = null,
        public bool $assumed = false,
        public ?float $bySectionA = null,
    ) {}
}
