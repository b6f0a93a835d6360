<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A load between two terminals, as the survey has it. */
final readonly class Load
{
    public function __construct(
        public string $id,
        public string $circuit,
        public string $label,
        public string $a,
        public string $b,
        public float $watts,
        public float $powerFactor,
        public float $volts,
        public bool $continuous,
        public bool $startsByItself,
        /** resistive, constant or motor */
        public string $kind = 'resistive',
        /** locked-rotor current of a motor, A; null when nobody has looked */
        public ?float $lockedRotorA = null,
    ) {}

    /** Running current in A: W / (V × power factor). */
    public function currentA(): float
    {
        return $this->watts / ($this->volts * $this->powerFactor);
    }
}
