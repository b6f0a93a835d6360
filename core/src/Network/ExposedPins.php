<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Male contacts a hand can touch while nothing is mated with them. */
final readonly class ExposedPins
{
    /**
     * @param array<string, string> $pins name of the pin => terminal
     * @param list<string> $exposedIn
     */
    public function __construct(
        public string $component,
        public string $label,
        public array $pins,
        public string $device,
        public array $exposedIn,
    ) {}
}
