<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A relay that joins two batteries while one is charged. */
final readonly class JoiningRelay
{
    /**
     * @param list<array{string, string}> $senses pairs of terminals at which it looks for volts; none where it goes by
     *      the ignition
     */
    public function __construct(
        public string $component,
        public string $device,
        public string $a,
        public string $b,
        public array $senses,
        public float $closesV,
        public float $opensV,
        public float $closesAfterS,
        public float $opensAfterS,
    ) {}
}
