<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** One step before another, and why. */
final readonly class Link
{
    public function __construct(public string $before, public string $after, public string $why) {}
}
