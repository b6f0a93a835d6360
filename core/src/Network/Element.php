<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Job\Cable;

/** A conductor, a contact or a neutral-ground bond between two terminals. */
final readonly class Element
{
    /** @param list<string> $closedIn positions of the device in which a contact is closed; empty for what is always closed */
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
        public ?float $ratingA = null,
    ) {}
}
