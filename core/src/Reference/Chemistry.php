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

    /** How many batteries of 12 V rated volts come to, by whole cells. */
    public function blocks(float $ratedV): float
    {
        $cells = $this->cellsPer12V();

        return max(1, round(($ratedV / $this->nominalV()) * $cells)) / $cells;
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

    /** Volts at which a full 12 V battery is kept. */
    public function floatV(): float
    {
        return match ($this) {
            self::Lfp => 13.5,
            self::Flooded => 13.4,
            self::Agm => 13.6,
            self::Gel => 13.7,
        };
    }

    /** Change of charging volts of a 12 V battery for each degree above 25 °C, mV. */
    public function compensationMv(): float
    {
        return match ($this) {
            self::Lfp => 0.0,
            self::Flooded => -27.0,
            self::Agm, self::Gel => -21.0,
        };
    }

    /** Most that it is charged with, as a share of its capacity in amps. */
    public function chargeShare(): float
    {
        return match ($this) {
            self::Lfp => 0.5,
            self::Agm => 0.3,
            self::Flooded, self::Gel => 0.2,
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

    /**
     * Rested open-circuit volts of a 12 V battery at a share of charge, between the points that makers print (25 °C,
     * reference list, from memory; lithium is flat, its charge cannot be told from its volts).
     */
    public function restAtV(float $share): float
    {
        $points = match ($this) {
            self::Lfp => [[0.0, 10.8], [0.1, 12.7], [0.2, 12.9], [0.3, 13.0], [0.5, 13.1], [0.7, 13.2], [0.9, 13.3]],
            self::Flooded => [[0.0, 11.89], [0.25, 12.06], [0.5, 12.24], [0.75, 12.45]],
            self::Agm => [[0.0, 11.8], [0.25, 12.0], [0.5, 12.3], [0.75, 12.6]],
            self::Gel => [[0.0, 11.8], [0.25, 12.0], [0.5, 12.35], [0.75, 12.65]],
        };
        $points[] = [1.0, $this->fullV()];
        [$from, $low] = $points[0];
        $share = max(0.0, min(1.0, $share));
        $volts = $low;
        foreach ($points as [$to, $high]) {
            $width = $to - $from;
            if ($width > 0) {
                $volts += ($high - $low) * max(0.0, min(1.0, ($share - $from) / $width));
            }
            [$from, $low] = [$to, $high];
        }

        return $volts;
    }

    /** Peukert's exponent, for capacity at the rate of twenty hours (common maker practice). */
    public function peukert(): float
    {
        return match ($this) {
            self::Lfp => 1.0,
            self::Flooded => 1.25,
            self::Agm => 1.1,
            self::Gel => 1.15,
        };
    }

    /** Share of the ampere-hours put in that can be taken out again (common maker practice). */
    public function chargeEfficiency(): float
    {
        return match ($this) {
            self::Lfp => 0.99,
            self::Flooded => 0.85,
            self::Agm => 0.92,
            self::Gel => 0.88,
        };
    }

    /** Share of charge at which charging volts are reached and what it takes begins to fall (common practice). */
    public function knee(): float
    {
        return $this === self::Lfp ? 0.95 : 0.8;
    }

    /** Share of the capacity, in amps, that a full one still takes at charging volts (common practice). */
    public function tail(): float
    {
        return 0.02;
    }

    /** Where its figures come from. */
    public function source(): Source
    {
        return Source::uncertain('common maker practice; the battery maker\'s sheet wins');
    }
}
