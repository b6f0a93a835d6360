<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A load between any two terminals, with the volts it is made for. */
final readonly class Load
{
    /**
     * @param string $circuit branch circuit it hangs on; empty for what is wired on its own
     * @param float $volts nominal; 0 for the volts of the battery system it is joined to
     * @param string $kind resistive, constant (power) or motor
     * @param ?float $lockedRotorA of a motor, A; null when nobody has looked
     * @param bool $direct takes direct current
     * @param ?string $device on by itself while this device …
     * @param list<string> $positions … is in one of these positions; always on when no device is named
     * @param ?float $amps given in amps at its nominal volts instead of in watts
     * @param string $safety detector or breakaway, for what people's lives hang on
     */
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
        public string $kind = 'resistive',
        public ?float $lockedRotorA = null,
        public string $component = '',
        public bool $direct = false,
        public ?string $device = null,
        public array $positions = [],
        public ?float $amps = null,
        public string $safety = '',
    ) {}

    /** What takes so many amps from its own two terminals, at the volts of the battery system, all day. */
    public static function direct(string $component, string $label, float $amps, string $safety = ''): self
    {
        return new self(
            $component,
            '',
            $label,
            "{$component}.pos",
            "{$component}.neg",
            0.0,
            1.0,
            0.0,
            true,
            false,
            'constant',
            component: $component,
            direct: true,
            amps: $amps,
            safety: $safety,
        );
    }

    /** Running current in A: W / (V × power factor). */
    public function currentA(): float
    {
        return $this->watts / ($this->volts * $this->powerFactor);
    }

    /** Active power in W at the volts it is made for. */
    public function wattsAt(float $nominalV): float
    {
        return $this->amps === null ? $this->watts : $this->amps * $nominalV;
    }
}
