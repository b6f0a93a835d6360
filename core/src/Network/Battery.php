<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Reference\Chemistry;

/**
 * A battery as a winding with its chemistry: rest volts by charge, resistance, what its management
 * lets through. Units in series and parallel inside one bank count as one.
 */
final readonly class Battery
{
    /**
     * @param float $ratedV nominal of the whole bank
     * @param float $ohm internal resistance of the whole bank
     * @param bool $ohmAssumed nobody has read it off the maker's sheet
     * @param ?float $limitA of battery management, all units together, continuous; null when nobody has entered it
     * @param ?float $peakA the same for a short while
     * @param bool $limitAssumed
     * @param bool $managed it has battery management that can open, whether its limit was entered or not
     * @param ?float $chargeLimitA of battery management while it is charged; null when nobody has entered it
     * @param string $cold what keeps it from being charged below freezing: blocks, heats, none; empty when not known
     * @param ?string $switch device of its management, where its positions are modelled
     */
    public function __construct(
        public string $id,
        public string $component,
        public string $pos,
        public string $neg,
        public Chemistry $chemistry,
        public float $ratedV,
        public float $capacityAh,
        public int $parallel,
        public float $ohm,
        public bool $ohmAssumed,
        public ?float $limitA,
        public ?float $peakA,
        public bool $limitAssumed,
        public bool $managed,
        public ?float $chargeLimitA = null,
        public string $cold = '',
        public ?string $switch = null,
        /** shows more resistance once it has been charged for some seconds; not at the first moment */
        public bool $polarises = true,
    ) {}

    /**
     * How many times the 12 V figures of the chemistry apply: by cells, so that a lithium entered as 12 V has its own
     * curve.
     */
    public function blocks(): float
    {
        return $this->chemistry->blocks($this->ratedV);
    }

    /** Volts at rest when full, half or low. */
    public function restV(string $charge): float
    {
        return $this->chemistry->restV($charge) * $this->blocks();
    }

    /** V at rest, full. */
    public function fullV(): float
    {
        return $this->chemistry->fullV() * $this->blocks();
    }

    /** V that its charging ends at. */
    public function highestV(): float
    {
        return $this->chemistry->absorptionV() * $this->blocks();
    }

    /** Nominal volts of the system it makes: 12, 24, 36 or 48. */
    public function systemV(): float
    {
        return 12.0 * $this->blocks();
    }

    /** Resistance it shows while it is being charged, ohm: its own and what the cells' polarisation adds. */
    public function chargingOhm(string $charge): float
    {
        return !$this->polarises
            ? $this->ohm
            : $this->ohm + $this->chemistry->polarisationOhm($charge, $this->capacityAh) * $this->blocks();
    }

    /** The same at the first moment of a current. */
    public function atFirst(): self
    {
        return new self(...['polarises' => false] + get_object_vars($this));
    }

    /** What it is to the network: a source between its posts. */
    public function asSource(): Source
    {
        return new Source(
            $this->id,
            $this->component,
            'battery',
            'B',
            'dc',
            true,
            $this->pos,
            $this->neg,
            'frame',
            $this->ratedV,
            $this->limitA ?? 1000.0 * $this->parallel,
            impedanceOhm: $this->ohm,
        );
    }
}
