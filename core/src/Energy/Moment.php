<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\States\Settled;

/** One quarter of an hour, as a load flow can be asked about it. */
final readonly class Moment
{
    /**
     * @param array<string, float> $alternatingW circuit => W taken from it
     * @param float $light on the panels, of what they are rated at
     * @param array<string, float> $storeW battery => W it gives at its posts; below nothing while it is charged
     */
    public function __construct(
        public Settled $settled,
        public array $alternatingW,
        public array $storeW,
        public float $light = 0.0,
    ) {}
}
