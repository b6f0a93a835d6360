<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * What a conductor may carry and what device may protect it, by the school that governs it. The
 * schools disagree on the same cable; which one was used is always stated and they are never mixed.
 * Sizes and rules both ask here.
 */
enum Ampacity: string
{
    /** ABYC E-11 / ISO 10133, 105 °C insulation, free air. */
    case Marine = 'marine';
    /** NFPA 70 table 310.16; the 60 °C column up to 100 A, the 75 °C column above (110.14(C)). */
    case Building = 'building';
    /** NFPA 70 334.80: sheathed branch cable ends on the 60 °C column. */
    case Branch = 'branch';
    /** NFPA 70 table 400.5: flexible cord, two current-carrying conductors. */
    case Cord = 'cord';

    /** Circuits up to this end on 60 °C terminals unless marked: NFPA 70 110.14(C), from memory. */
    private const COOL_TERMINALS_A = 100.0;

    /**
     * A device may stand above the ampacity of what it protects by this share, where no standard size fits: ABYC E-11.
     */
    private const MARINE_NEXT_SIZE = 1.5;

    /** In buildings, sheathed branch cable too, conductors count together from this size on: NFPA 70 310.10(G), 1/0. */
    private const PARALLEL_FROM_MM2 = 53.0;

    /** Ampacity of one conductor in A as its school's table has it, or null when it has no such size. */
    public function ofSize(ConductorSize $size): ?float
    {
        [$system, $label] = explode(':', $size->designation);
        $amps = match ($this) {
            self::Marine => $system === 'awg'
                ? ConductorTables::MARINE_AWG[$label] ?? null
                : ConductorTables::MARINE_MM2[$label] ?? null,
            self::Building => $system === 'awg'
                ? $this->column($label)
                : ConductorTables::METRIC_CONDUIT[$label] ?? null,
            self::Branch => $system === 'awg'
                ? ConductorTables::BUILDING[$label][0] ?? (ConductorTables::SMALL_CONDUCTOR_LIMIT[$label] ?? null)
                : ConductorTables::METRIC_CONDUIT[$label] ?? null,
            self::Cord => $system === 'awg'
                ? ConductorTables::FLEXIBLE_CORD[$label] ?? null
                : ConductorTables::METRIC_CORD[$label] ?? null,
        };

        return $amps === null ? null : (float) $amps;
    }

    /** Of the building table: the 75 °C column where even the 60 °C one is above 100 A. */
    private function column(string $gauge): ?int
    {
        $row = ConductorTables::BUILDING[$gauge] ?? null;

        // 18 and 16 AWG have no 60 and 75 °C column: 240.4(D) limits them all the same.
        return $row === null
            ? ConductorTables::SMALL_CONDUCTOR_LIMIT[$gauge] ?? null
            : ($row[1] > self::COOL_TERMINALS_A
                ? $row[1]
                : $row[0]);
    }

    /**
     * Ampacity of a cable as it is run, A: insulation, ambient and bundling taken into account, conductors
     * in parallel together. Null when the school's table has no such size.
     */
    public function ofCable(Cable $cable): ?float
    {
        $one = $this->ofSize($cable->size);
        if ($one === null) {
            return null;
        }
        $parallel = $this->together($cable);
        if ($cable->insulationC === null && $cable->ambientC === null && $cable->bundled <= 1) {
            return $one * $parallel;
        }

        return $parallel * ($this === self::Marine ? $this->marine($cable, $one) : $this->building($cable, $one));
    }

    /** How many conductors in parallel count: one, where they may not be run so. */
    private function together(Cable $cable): int
    {
        $isBuilding = $this === self::Building || $this === self::Branch;

        return $isBuilding && $cable->size->areaMm2 < self::PARALLEL_FROM_MM2 ? 1 : $cable->parallel;
    }

    /** Heat goes with the square of the current: √((Tc − Ta) ÷ (Tc − 30)); the printed factor where there is one. */
    private function marine(Cable $cable, float $one): float
    {
        $insulation = $cable->insulationC ?? 105;
        $ambient = $cable->ambientC ?? 30.0;
        $amps = $one * sqrt(max(0, $insulation - 30) / 75);
        $amps *=
            $ambient === 50.0 && isset(ConductorTables::MARINE_ENGINE_SPACE[$insulation])
                ? ConductorTables::MARINE_ENGINE_SPACE[$insulation]
                : ($ambient <= 30
                    ? 1.0
                    : sqrt(max(0.0, $insulation - $ambient) / max(1, $insulation - 30)));

        return $amps * self::bundle(ConductorTables::MARINE_BUNDLE, $cable->bundled);
    }

    /**
     * The least of the insulation's own column, corrected, and the terminals' column as it stands: NFPA 70 110.14(C),
     * 310.15.
     */
    private function building(Cable $cable, float $one): float
    {
        [$system, $label] = explode(':', $cable->size->designation);
        $column = match (true) {
            ($cable->insulationC ?? 75) >= 90 => 2,
            ($cable->insulationC ?? 75) >= 75 => 1,
            default => 0,
        };
        $temperature = [60, 75, 90][$column];
        $own =
            $system === 'awg' && $this !== self::Cord
                ? (float) (ConductorTables::BUILDING[$label][$column] ?? $one)
                : $one;
        $ambient = $cable->ambientC ?? 30.0;
        $own *= sqrt(max(0.0, $temperature - $ambient) / ($temperature - 30));

        return min($one, $own * self::bundle(ConductorTables::BUILDING_BUNDLE, $cable->bundled));
    }

    /** @param array<int, float> $factors */
    private static function bundle(array $factors, int $conductors): float
    {
        foreach ($factors as $most => $factor) {
            if ($conductors <= $most) {
                return $factor;
            }
        }

        return (float) end($factors);
    }

    /**
     * The largest overcurrent device that may protect a cable, A: its ampacity, small conductors their own
     * limit, and the next standard size up where the school allows it.
     *
     * @param bool $receptacles feeds more than one receptacle for cord-connected loads
     */
    public function largestDevice(Cable $cable, bool $receptacles = false): ?float
    {
        $ampacity = $this->ofCable($cable);
        if ($ampacity === null) {
            return null;
        }
        $gauge = explode(':', $cable->size->designation)[1];
        if (
            ($this === self::Branch || $this === self::Building) &&
            $cable->size->isAwg() &&
            isset(ConductorTables::SMALL_CONDUCTOR_LIMIT[$gauge])
        ) {
            return min($ampacity, (float) ConductorTables::SMALL_CONDUCTOR_LIMIT[$gauge] * $this->together($cable));
        }
        if ($this === self::Cord || $receptacles) {
            return $ampacity;
        }
        foreach (ConductorTables::STANDARD_RATINGS as $rating) {
            if ($rating >= $ampacity - 1e-9) {
                return $this === self::Marine && $rating > self::MARINE_NEXT_SIZE * $ampacity
                    ? $ampacity
                    : (float) $rating;
            }
        }

        return $ampacity;
    }

    /** Where the table comes from. */
    public function source(): Source
    {
        return Source::recalled(
            match ($this) {
                self::Marine => 'ABYC E-11 / ISO 10133, 105 °C insulation, 30 °C free air, not bundled',
                self::Building
                    => 'NFPA 70 table 310.16, copper, by 110.14(C) the 60 °C column up to 100 A, the 75 °C ' .
                    'column above',
                self::Branch => 'NFPA 70 table 310.16, 60 °C column by 334.80; mm²: BS 7671 table 4D1A',
                self::Cord => 'NFPA 70 table 400.5(A)(1), two current-carrying conductors; mm²: BS 7671 table 4F3A',
            },
        );
    }

    /** As the school is called. */
    public function label(): string
    {
        return match ($this) {
            self::Marine => 'marine table, 105 °C',
            self::Building => 'building-wire table, 75 °C',
            self::Branch => 'sheathed cable, 60 °C',
            self::Cord => 'flexible cord',
        };
    }
}
