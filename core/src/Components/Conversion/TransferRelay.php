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

    /** What a window set as wide as can be lets through, V. */
    private const ANY_VOLTS = [1.0, INF];

    private string $id;

    private string $mode;

    /** @var array{string, string} hot and neutral of its input */
    private array $input;

    /** @var array{string, string} positive and negative of its battery side */
    private array $direct;

    /** @var array{float, float} volts it takes for a supply */
    private array $window;

    /** @var array{float, float} volts of its battery side it inverts at */
    private array $batteryWindow;

    private bool $passesWhenOff;

    private float $qualifyS;

    // Asked thousands of times of one rig: what does not change is taken from the part once.
    /** @param ?array{float, float} $window volts it takes for a supply, if not those the unit is set to */
    public function __construct(private InverterCharger $unit, ?array $window = null)
    {
        $this->id = $unit->id;
        $this->mode = $unit->mode();
        $this->input = ["{$unit->id}.ac_in.l", "{$unit->id}.ac_in.n"];
        $this->direct = ["{$unit->id}.pos", "{$unit->id}.neg"];
        $this->window = $window ?? $unit->window();
        $this->batteryWindow = $unit->batteryWindow();
        $this->passesWhenOff = $unit->values->flag('passesWhenOff');
        $this->qualifyS = $unit->values->number('qualifyS', self::QUALIFY_S);
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
        $mode = $look->position($this->mode);
        if (
            $look->acWithin($this->input[0], $this->input[1], $this->id, ...$this->window) &&
            ($mode !== 'off' || $this->passesWhenOff)
        ) {
            return 'pass';
        }

        return $mode === 'on' && $look->dc($this->direct[0], $this->direct[1], ...$this->batteryWindow)
            ? 'invert'
            : 'rest';
    }

    public function misset(): array
    {
        return ['to take any volts at its input for a supply' => new self($this->unit, self::ANY_VOLTS)];
    }

    public function delayS(string $from, string $to): float
    {
        return $to === 'pass' ? $this->qualifyS : self::TO_INVERT_S;
    }
}
