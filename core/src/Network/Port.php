<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A place of a component where an AC cable lands: hot, neutral, ground. */
final readonly class Port
{
    public function __construct(public string $hot, public string $neutral, public string $ground) {}

    /** The port of a name, with terminals name.l, name.n and name.g. */
    public static function named(string $prefix): self
    {
        return new self("{$prefix}.l", "{$prefix}.n", "{$prefix}.g");
    }
}
