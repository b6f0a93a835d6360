<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Network\Part;
use Hollin\Core\Reference\Chemistry;

/**
 * How large parts usually are, what room they want around them, and what they leave as heat, until somebody has read
 * it off the unit. Common practice, no source; the maker's sheet wins.
 */
final class Usual
{
    /** Share of what a converter or inverter takes that comes out again, where nothing is written on it. */
    private const EFFICIENCY = ['inverter' => 0.88, 'inverter_charger' => 0.88, 'converter' => 0.85, 'dcdc' => 0.9];

    /**
     * Width, height, depth as it stands upright, m; null for what takes no room of its own.
     *
     * @return ?array{float, float, float}
     */
    public static function sides(Part $part): ?array
    {
        $watts = $part->number('continuousW');
        $kWh =
            ($part->number('unitAh') *
                $part->number('parallel', 1) *
                $part->number('unitV') *
                $part->number('series', 1)) /
            1000;

        return match ($part->type) {
            'battery_bank' => self::bank($kWh, $part->text('chemistry', 'lfp')),
            'inverter_charger' => $watts > 1500 ? [0.33, 0.45, 0.15] : [0.22, 0.36, 0.12],
            'inverter' => $watts > 1500 ? [0.25, 0.4, 0.15] : [0.2, 0.3, 0.1],
            'converter' => [0.2, 0.25, 0.12],
            'dcdc_charger' => [0.2, 0.15, 0.08],
            'solar_charger' => self::panels(
                $part->number('panelW') * $part->number('series', 1) * $part->number('parallel', 1),
            ),
            'panel' => [0.3, 0.35, 0.12],
            'transfer_switch' => [0.2, 0.25, 0.15],
            'bus_bar' => [0.2, 0.06, 0.06],
            'dc_fuse', 'dc_switch', 'battery_selector' => [0.12, 0.1, 0.08],
            'shunt' => [0.12, 0.05, 0.05],
            'generator' => [0.55, 0.4, 0.45],
            default => null,
        };
    }

    /**
     * Panels flat on a roof, a metre across: 200 W to the square metre.
     *
     * @return array{float, float, float}
     */
    private static function panels(float $watts): array
    {
        return [max(0.3, round($watts / 200, 2)), 0.04, 1.0];
    }

    /** @return array{float, float, float} */
    private static function bank(float $kWh, string $chemistry): array
    {
        // Litres for a kWh, laid out as a block twice as long as it is deep and 0.22 m high.
        $litres = max(0.3, $kWh) * (Chemistry::from($chemistry) === Chemistry::Lfp ? 9.5 : 13.0);
        $depth = sqrt($litres / 1000 / 0.22 / 2);

        return [round(2 * $depth, 2), 0.22, round($depth, 2)];
    }

    /** Free room all round, m. */
    public static function clearance(Part $part): float
    {
        return match ($part->type) {
            'inverter', 'inverter_charger' => 0.1,
            'converter', 'dcdc_charger', 'generator' => 0.05,
            'battery_bank' => 0.025,
            default => 0.0,
        };
    }

    /** Heat that it leaves behind at full power, W. */
    public static function heatW(Part $part): float
    {
        $efficiency = $part->number('efficiency', self::EFFICIENCY[$part->type] ?? 0.9);
        $out = match ($part->type) {
            'inverter', 'inverter_charger' => $part->number('continuousW'),
            'converter' => $part->number('outputA') * 13.6,
            'dcdc_charger' => $part->number('outputA') * 14.2,
            default => 0.0,
        };

        return Heat::lostW($out, $efficiency);
    }
}
