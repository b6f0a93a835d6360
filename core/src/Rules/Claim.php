<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** Something a rule can say is made impossible, when no combination of controls shows it. */
final readonly class Claim
{
    public function __construct(public string $keyPrefix, public string $title) {}
}
