<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * What a conductor may carry, by the school that governs it. The two schools disagree on the
 * same cable; which one was used is always stated and they are never mixed.
 */
enum Ampacity: string
{
    /** ABYC E-11 / ISO 10133, 105 °C insulation, free air. */
    case Marine = 'marine';
    /** NFPA 70 table 310.16, 75 °C column (terminals over 100 A). */
    case Building = 'building';
    /** NFPA 70 334.80: sheathed branch cable ends on the 60 °C column. */
    case Branch = 'branch';
    /** NFPA 70 table 400.5: flexible cord, two current-carrying conductors. */
    case Cord = 'cord';

    /** Ampacity in A, or null when the school's table has no such size. */
    public function ofSize(ConductorSize $size): ?float
    {
        [$system, $label] = explode(':', $size->designation);
        $amps = match ($this) {
            self::Marine => $system === 'awg' ? (ConductorTables::MARINE_AWG[$label] ?? null) : (ConductorTables::MARINE_MM2[$label] ?? null),
            self::Building => $system === 'awg' ? (ConductorTables::BUILDING[$label][1] ?? null) : null,
            self::Branch => $system === 'awg' ? (ConductorTables::BUILDING[$label][0] ?? null) : null,
            self::Cord => $system === 'awg' ? (ConductorTables::FLEXIBLE_CORD[$label] ?? null) : null,
        };

        return $amps === null ? null : (float) $amps;
    }

    public function source(): Source
    {
        return Source::recalled(match ($this) {
            self::Marine => 'ABYC E-11 / ISO 10133, 105 °C insulation, 30 °C free air, not bundled',
            self::Building => 'NFPA 70 table 310.16, copper, 75 °C column',
            self::Branch => 'NFPA 70 table 310.16, 60 °C column by 334.80',
            self::Cord => 'NFPA 70 table 400.5(A)(1), two current-carrying conductors',
        });
    }

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
