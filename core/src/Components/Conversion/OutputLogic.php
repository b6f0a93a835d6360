<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Conversion;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Look;

/** A stand-alone inverter makes 120 V while it is switched on and has a battery. */
final readonly class OutputLogic implements Automatic
{
    /** From switching on to full output, s (common practice, no source). */
    private const STARTS_S = 2.0;

    public function __construct(private Inverter $unit) {}

    public function reads(): array
    {
        return [$this->unit->mode()];
    }

    public function wish(Look $look): string
    {
        return $look->position($this->unit->mode()) === 'on' && $look->dc("{$this->unit->id}.pos", "{$this->unit->id}.neg", ...$this->unit->batteryWindow()) ? 'invert' : 'rest';
    }

    public function delayS(string $from, string $to): float
    {
        return $to === 'invert' ? self::STARTS_S : 0.02;
    }
}
