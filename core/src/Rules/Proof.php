<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/**
 * What a search over all states of a rig has found. It holds for every rig of the same structure:
 * the same but for lengths and sizes of cable, for how well values are known and for what things are called
 * (States\Naming). Plain values, to be kept.
 */
final readonly class Proof
{
    /**
     * @param list<Found> $found
     * @param list<Prevented> $prevented
     */
    public function __construct(public array $found, public array $prevented, public Coverage $coverage) {}
}
