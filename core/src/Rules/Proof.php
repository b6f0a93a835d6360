<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/**
 * What a search over all states of a rig has found. It holds for every rig of the same structure:
 * the same but for lengths and sizes of cable and for how well values are known. Plain values, to
 * be kept.
 */
final readonly class Proof
{
    /**
     * @param list<Found> $found
     * @param list<Prevented> $prevented
     * @param int|float $total states of the product of all controls and surroundings; about, where it is more than an integer holds
     * @param int $reduced those left after exact reduction
     * @param int $situations different electrical situations met
     * @param bool $enumerated false when only settings within two slips were looked at
     */
    public function __construct(
        public array $found,
        public array $prevented,
        public int|float $total,
        public int $reduced,
        public int $situations,
        public bool $enumerated,
    ) {}
}
