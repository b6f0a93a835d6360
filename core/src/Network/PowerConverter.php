<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * What takes power at one pair of terminals and gives it at another: a charger (AC to DC), an
 * inverter (DC to AC, forming its own voltage) or what an inverter/charger adds to a supply (DC to
 * AC, following), from one direct voltage to another, or from sun or a shaft. Nothing here is a
 * particular product.
 */
final readonly class PowerConverter
{
    public const CHARGER = 'charger';

    public const INVERTER = 'inverter';

    public const ASSIST = 'assist';

    /** Direct current in, direct current out at other volts. */
    public const DC_DC = 'dc_dc';

    /** What gives direct current from something that is no terminal: sun on panels, a shaft. */
    public const FIELD = 'field';

    /**
     * @param string $kind charger, inverter, assist, dc_dc or field
     * @param array{string, string} $input terminals it takes from: hot and neutral, or positive and negative
     * @param array{string, string} $output terminals it gives to
     * @param float $holdsV volts it holds at its output when it can
     * @param float $limitA most it gives for good at its output
     * @param float $idleW what it takes when it gives nothing
     * @param ?string $device it runs while this device …
     * @param list<string> $positions … is in one of these positions
     * @param ?string $mode control that must be in one of …
     * @param list<string> $modes … these positions too
     * @param ?float $inputLimitA current limit of the unit's input, as set; null for none
     * @param list<string> $throughInput elements whose current passes the unit's input on its way to its outputs
     * @param float $nominalV of the battery side, as the maker says
     * @param float $cutOffV below this on the battery side it stops
     * @param float $surgeA most it gives for seconds
     * @param string $profile lead, lithium, chosen or empty: what a charger is set to
     * @param float $inputV nominal of its input, where that is direct
     * @param ?string $stop contact through which a battery's management lets it charge: open, it stands still
     * @param float $fieldW most that sun or shaft leaves it, W; 0 for no such bound
     */
    public function __construct(
        public string $id,
        public string $component,
        public string $kind,
        public array $input,
        public array $output,
        public float $holdsV,
        public float $limitA,
        public float $efficiency,
        public float $idleW,
        public float $powerFactor = 1.0,
        public ?string $device = null,
        public array $positions = [],
        public ?string $mode = null,
        public array $modes = [],
        public ?float $inputLimitA = null,
        public array $throughInput = [],
        public float $nominalV = 12.0,
        public float $cutOffV = 0.0,
        public float $surgeA = 0.0,
        public string $profile = '',
        public float $fieldW = 0.0,
        public float $inputV = 12.0,
        public ?string $stop = null,
    ) {}

    /**
     * Whether it runs with the devices standing so.
     *
     * @param array<string, string> $positions
     */
    public function runs(array $positions): bool
    {
        return ($this->device === null || in_array($positions[$this->device] ?? '', $this->positions, true)) &&
            ($this->mode === null || in_array($positions[$this->mode] ?? '', $this->modes, true));
    }

    /** @return array{string, string} terminals on its battery side: positive, negative */
    public function direct(): array
    {
        return $this->charges() ? $this->output : $this->input;
    }

    /** Whether it gives direct current, wherever it takes it from. */
    public function charges(): bool
    {
        return in_array($this->kind, [self::CHARGER, self::DC_DC, self::FIELD], true);
    }

    /** Power it can take for good at its input, W. */
    public function fullInputW(): float
    {
        return ($this->limitA * $this->holdsV) / $this->efficiency;
    }
}
