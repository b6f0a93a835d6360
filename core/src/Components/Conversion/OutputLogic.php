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

    private string $mode;

    /** @var array{string, string} positive and negative of its battery side */
    private array $direct;

    /** @var array{float, float} volts of its battery side it inverts at */
    private array $batteryWindow;

    // Asked thousands of times of one rig: what does not change is taken from the part once.
    public function __construct(Inverter $unit)
    {
        $this->mode = $unit->mode();
        $this->direct = ["{$unit->id}.pos", "{$unit->id}.neg"];
        $this->batteryWindow = $unit->batteryWindow();
    }

    public function reads(): array
    {
        return [$this->mode];
    }

    public function hears(): array
    {
        return [$this->direct];
    }

    public function wish(Look $look): string
    {
        return $look->position($this->mode) === 'on' &&
            $look->dc($this->direct[0], $this->direct[1], ...$this->batteryWindow)
            ? 'invert'
            : 'rest';
    }

    public function misset(): array
    {
        return [];
    }

    public function delayS(string $from, string $to): float
    {
        return $to === 'invert' ? self::STARTS_S : 0.02;
    }
}
