<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * What slotted screws of wire connectors are tightened with, by conductor, where the device says nothing: NEC
 * informative annex I, table I.1 (UL 486A-486B), from memory. What is printed on the device wins.
 */
final class ScrewTorque
{
    private const NM_PER_LBF_IN = 0.112984829;

    /** Up to mm² => lbf·in for a narrow and a wide slot */
    private const TABLE = [
        [5.3, 20.0, 35.0],
        [8.4, 25.0, 40.0],
        [21.2, 35.0, 45.0],
        [26.7, 35.0, 50.0],
        [33.7, 40.0, 50.0],
    ];

    /**
     * N·m from and to; null for conductors that the table leaves to the device.
     *
     * @return ?array{float, float}
     */
    public static function of(ConductorSize $size): ?array
    {
        foreach (self::TABLE as [$upTo, $narrow, $wide]) {
            if ($size->areaMm2 <= $upTo + 0.05) {
                return [round($narrow * self::NM_PER_LBF_IN, 2), round($wide * self::NM_PER_LBF_IN, 2)];
            }
        }

        return null;
    }

    public static function source(): Source
    {
        return Source::recalled('NEC informative annex I, table I.1 (UL 486A-486B)');
    }
}
