<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** Studs that lugs go on, and what they are tightened with. General figures, from memory: the device's maker wins. */
enum Stud: string
{
    case M5 = 'm5';
    case M6 = 'm6';
    case M8 = 'm8';
    case M10 = 'm10';
    case M12 = 'm12';

    /** Lugs on one stud at most (ABYC E-11). */
    public const MOST_LUGS = 4;

    public function label(): string
    {
        return match ($this) {
            self::M5 => 'M5, #10',
            self::M6 => 'M6, 1/4 in',
            self::M8 => 'M8, 5/16 in',
            self::M10 => 'M10, 3/8 in',
            self::M12 => 'M12, 1/2 in',
        };
    }

    /**
     * Torque from and to, N·m.
     *
     * @return array{float, float}
     */
    public function torqueNm(): array
    {
        return match ($this) {
            self::M5 => [2.3, 3.4],
            self::M6 => [5.6, 9.0],
            self::M8 => [10.0, 15.0],
            self::M10 => [18.0, 26.0],
            self::M12 => [41.0, 54.0],
        };
    }

    /** Socket for its nut: across flats by ISO 4032 and ASME B18.2.2, from memory. */
    public function socket(): string
    {
        return match ($this) {
            self::M5 => '8 mm or 3/8 in',
            self::M6 => '10 mm or 7/16 in',
            self::M8 => '13 mm or 1/2 in',
            self::M10 => '16 mm (17 mm older) or 9/16 in',
            self::M12 => '18 mm (19 mm older) or 3/4 in',
        };
    }

    /** @return array<string, string> value => words */
    public static function choices(): array
    {
        return array_combine(
            array_column(self::cases(), 'value'),
            array_map(fn(self $s): string => $s->label(), self::cases()),
        );
    }
}
