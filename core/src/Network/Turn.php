<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A position that a hand cannot avoid on its way from one position to another. */
final readonly class Turn
{
    /** @param array{string, string} $between positions it lies between */
    public function __construct(
        public string $component,
        public string $device,
        public string $through,
        public array $between,
    ) {}
}
