<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** Battery chemistries, per 12 V nominal. Maker's sheet wins. */
enum Chemistry: string
{
    case Lfp = 'lfp';
    case Flooded = 'flooded';
    case Agm = 'agm';
    case Gel = 'gel';

    /** As it is said in the workshop. */
    public function label(): string
    {
        return match ($this) {
            self::Lfp => 'LiFePO₄',
            self::Flooded => 'flooded lead',
            self::Agm => 'AGM lead',
            self::Gel => 'gel lead',
        };
    }

    /** Nominal volts of a "12 V" battery. */
    public function nominalV(): float
    {
        return $this === self::Lfp ? 12.8 : 12.0;
    }

    /** Rested open-circuit volts when full, of a 12 V battery. */
    public function fullV(): float
    {
        return match ($this) {
            self::Lfp => 13.5,
            self::Flooded => 12.65,
            self::Agm, self::Gel => 12.85,
        };
    }

    /**
     * Rested open-circuit volts of a 12 V battery that is full, half or low (about a tenth of lithium, a third of lead
     * left).
     */
    public function restV(string $charge): float
    {
        return match ([$this === self::Lfp, $charge]) {
            [true, 'half'] => 13.2,
            [true, 'low'] => 12.8,
            [false, 'half'] => $this->fullV() - 0.45,
            [false, 'low'] => $this->fullV() - 0.75,
            default => $this->fullV(),
        };
    }

    /** Highest charging volts of a 12 V battery. */
    public function absorptionV(): float
    {
        return match ($this) {
            self::Lfp => 14.4,
            self::Flooded => 14.8,
            self::Agm => 14.7,
            self::Gel => 14.2,
        };
    }

    /**
     * Internal resistance to assume for one 12 V battery, ohm: low end of what is usual, which gives
     * the larger fault. Half is taken to shrink with capacity (cells), half not (BMS, terminals).
     * Order of magnitude only.
     */
    public function typicalOhm(float $capacityAh): float
    {
        return $this->typicalOhmAt100Ah() * (0.5 + (0.5 * 100) / max(1.0, $capacityAh));
    }

    private function typicalOhmAt100Ah(): float
    {
        return match ($this) {
            self::Lfp => 0.002,
            self::Flooded => 0.005,
            self::Agm => 0.003,
            self::Gel => 0.004,
        };
    }

    /**
     * What polarisation adds to the resistance of one 12 V battery while it is charged, ohm. A full one
     * takes only its tail current at absorption volts; one that is not rises by a few tenths of a volt
     * (lithium at half its capacity in amps) or one and a half (lead at a fifth). Common practice, no source.
     */
    public function polarisationOhm(string $charge, float $capacityAh): float
    {
        [$riseV, $share] = match (true) {
            $charge === 'full' => [$this->absorptionV() - $this->fullV(), $this === self::Lfp ? 0.05 : 0.02],
            $this === self::Lfp => [0.3, 0.5],
            default => [1.5, 0.2],
        };

        return $riseV / ($share * max(1.0, $capacityAh));
    }

    /** Cells of a "12 V" battery. */
    public function cellsPer12V(): int
    {
        return $this === self::Lfp ? 4 : 6;
    }

    /** Whether its cells are lead and acid. */
    public function isLead(): bool
    {
        return $this !== self::Lfp;
    }

    /** Share of the capacity that may be taken out day after day. */
    public function usableShare(): float
    {
        return $this === self::Lfp ? 0.9 : 0.5;
    }

    /** Where its figures come from. */
    public function source(): Source
    {
        return Source::uncertain('common maker practice; the battery maker\'s sheet wins');
    }
}
