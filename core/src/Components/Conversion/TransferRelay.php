<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Conversion;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Look;

/** The relay inside an inverter/charger: pass a good supply through, else invert, else rest. */
final readonly class TransferRelay implements Automatic
{
    /** Time from losing a supply to inverting, s (common practice: within one to two cycles). */
    private const TO_INVERT_S = 0.02;

    /** Default wait for a steady supply before passing it through, s. */
    private const QUALIFY_S = 15.0;

    public function __construct(private InverterCharger $unit) {}

    public function reads(): array
    {
        return [$this->unit->mode()];
    }

    public function wish(Look $look): string
    {
        $mode = $look->position($this->unit->mode());
        $id = $this->unit->id;
        $good = $look->acWithin("{$id}.ac_in.l", "{$id}.ac_in.n", $id, ...$this->unit->window());
        if ($good && ($mode !== 'off' || $this->unit->values->flag('passesWhenOff'))) {
            return 'pass';
        }

        return $mode === 'on' && $look->dc("{$id}.pos", "{$id}.neg", ...$this->unit->batteryWindow()) ? 'invert' : 'rest';
    }

    public function delayS(string $from, string $to): float
    {
        return $to === 'pass' ? $this->unit->values->number('qualifyS', self::QUALIFY_S) : self::TO_INVERT_S;
    }
}
