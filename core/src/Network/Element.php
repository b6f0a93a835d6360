<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Reference\Cable;

/** A conductor, a contact, a neutral-ground bond or a one-way element between two terminals. A pole is one contact. */
final readonly class Element
{
    /**
     * @param list<string> $closedIn positions of the device in which a contact is closed; empty for what is always
     *      closed
     * @param ?float $ohm resistance of what has no cable; null for what is usual of its kind
     * @param float $dropV what a one-way element keeps for itself before it conducts, V
     */
    public function __construct(
        public string $id,
        public ElementKind $kind,
        public string $component,
        public string $a,
        public string $b,
        public Role $role,
        public ?Cable $cable = null,
        public ?string $device = null,
        public array $closedIn = [],
        public ?Rating $rating = null,
        public Purpose $purpose = Purpose::Carrying,
        public ?float $ohm = null,
        public float $dropV = 0.0,
    ) {}

    /** Continuous rating in A, or null where it has none. */
    public function ratingA(): ?float
    {
        return $this->rating?->amps;
    }

    /** The terminal at its other end. */
    public function other(string $terminal): string
    {
        return $terminal === $this->a ? $this->b : $this->a;
    }
}
