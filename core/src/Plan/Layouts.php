<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use stdClass;

/** Factory layouts a survey can start from. Every figure in them is marked assumed until somebody looks. */
final class Layouts
{
    /** @return array<string, array{title: string, summary: string}> */
    public static function all(): array
    {
        return [
            'trailer_30_in_panel' => [
                'title' => '30 A travel trailer, converter in the panel',
                'summary' =>
                    'One inlet, one panel of seven slots, converter behind it, one lead battery on the tongue.',
            ],
            'trailer_30_separate' => [
                'title' => '30 A travel trailer, converter on a plug',
                'summary' => 'As above, the converter apart and plugged into a receptacle of its own circuit.',
            ],
            'teardrop_20' => [
                'title' => '20 A teardrop',
                'summary' => 'A 20 A inlet, three circuits, a small converter.',
            ],
        ];
    }

    /** @throws Refused when there is no such layout */
    public static function components(string $layout): stdClass
    {
        return match ($layout) {
            'trailer_30_in_panel' => self::trailer(plugIn: false),
            'trailer_30_separate' => self::trailer(plugIn: true),
            'teardrop_20' => self::teardrop(),
            default => throw Refused::because(
                '/layout',
                sprintf('"%s" is not a factory layout; there is: %s.', $layout, implode(', ', array_keys(self::all()))),
            ),
        };
    }

    private static function trailer(bool $plugIn): stdClass
    {
        $c = self::entry(30, 's30', 7.6, 'awg:10', ['s30' => 30, 's20' => 20, 's15' => 15]);
        $c['main_panel'] = self::panel(7, 30);
        $c['feeder_main'] = self::feeder(4.5, 'awg:10');
        $c['c_outlets'] = self::circuit('Inside outlets', 2, 15, 'awg:14', 'none', 'general');
        $c['c_wet'] = self::circuit('Bath, counter and outside outlets', 3, 15, 'awg:14', 'receptacle', 'bath');
        $c['c_air'] = self::circuit('Air conditioner', 4, 20, 'awg:12', 'none', 'fixed', [
            'unit' => ['Air conditioner', 1500, 'motor', true],
        ]);
        $c['c_water'] = self::circuit('Water heater element', 5, 15, 'awg:14', 'none', 'fixed', [
            'element' => ['Water heater element', 1440, 'resistive', true],
        ]);
        $c['c_fridge'] = self::circuit('Absorption fridge', 6, 15, 'awg:14', 'none', 'fixed', [
            'element' => ['Fridge element', 325, 'resistive', true],
        ]);
        $c['c_converter'] = self::circuit('Converter', 7, 15, 'awg:14', 'none', 'fixed');
        $c['converter'] = self::converter(55, $plugIn ? 'separate' : 'in_panel');
        if ($plugIn) {
            $c['converter']->plug = 'c_converter';
        } else {
            $c['c_converter']->feeds = (object) ['at' => 'converter', 'port' => 'ac_in'];
        }

        return (object) ($c + self::twelveVolts(100));
    }

    private static function teardrop(): stdClass
    {
        $c = self::entry(20, 's20', 7.6, 'awg:12', ['s20' => 20, 's15' => 15]);
        $c['main_panel'] = self::panel(4, 20);
        $c['feeder_main'] = self::feeder(2.0, 'awg:12');
        $c['c_outlets'] = self::circuit('Outlets', 2, 15, 'awg:14', 'receptacle', 'counter');
        $c['c_air'] = self::circuit('Air conditioner', 3, 15, 'awg:14', 'none', 'fixed', [
            'unit' => ['Air conditioner', 900, 'motor', true],
        ]);
        $c['c_converter'] = self::circuit('Converter', 4, 15, 'awg:14', 'none', 'fixed');
        $c['converter'] = self::converter(30, 'in_panel');
        $c['c_converter']->feeds = (object) ['at' => 'converter', 'port' => 'ac_in'];

        return (object) ($c + self::twelveVolts(80));
    }

    /**
     * @param array<string, int> $supplies
     * @return array<string, stdClass>
     */
    private static function entry(int $ratingA, string $own, float $cordM, string $cord, array $supplies): array
    {
        $list = new stdClass();
        foreach ($supplies as $id => $amps) {
            $list->{$id} = (object) (['ratingA' => $amps] + ($id === $own ? [] : ['adapter' => "{$amps} A adapter"]));
        }

        return [
            'shore' => (object) [
                'type' => 'shore_supply',
                'label' => 'Shore',
                'reaches' => 'inlet',
                'supplies' => $list,
            ],
            'inlet' => (object) [
                'type' => 'inlet',
                'label' => 'Inlet',
                'ratingA' => $ratingA,
                'form' => 'inlet',
                'cord' => (object) [
                    'size' => self::assumed($cord),
                    'lengthM' => self::assumed($cordM),
                    'sheath' => 'cord',
                ],
            ],
        ];
    }

    private static function panel(int $slots, int $mainA): stdClass
    {
        return (object) [
            'type' => 'panel',
            'label' => 'Main panel',
            'role' => 'main',
            'slots' => $slots,
            'tandem' => true,
            'mainA' => $mainA,
            'mainSlot' => 1,
            'bondScrew' => self::assumed(false),
            'bondedToFrame' => self::assumed(true),
        ];
    }

    private static function feeder(float $lengthM, string $size): stdClass
    {
        return (object) [
            'type' => 'feeder',
            'label' => 'Inlet to main panel',
            'from' => (object) ['at' => 'inlet', 'port' => 'out'],
            'to' => (object) ['at' => 'main_panel', 'port' => 'line'],
            'cable' => (object) [
                'size' => self::assumed($size),
                'lengthM' => self::assumed($lengthM),
                'sheath' => 'nm_b',
            ],
        ];
    }

    /** @param array<string, array{string, int, string, bool}> $loads label, watts, kind, starts by itself */
    private static function circuit(
        string $label,
        int $slot,
        int $breakerA,
        string $size,
        string $gfci,
        string $place,
        array $loads = [],
    ): stdClass {
        $list = new stdClass();
        foreach ($loads as $id => [$name, $watts, $kind, $byItself]) {
            $list->{$id} = (object) [
                'label' => $name,
                'watts' => self::assumed($watts),
                'kind' => $kind,
                'continuous' => true,
                'startsByItself' => $byItself,
            ];
        }

        return (object) [
            'type' => 'circuit',
            'label' => $label,
            'hot' => (object) ['panel' => 'main_panel', 'slot' => $slot],
            'neutral' => (object) ['panel' => 'main_panel'],
            'breakerA' => self::assumed($breakerA),
            'cable' => (object) ['size' => self::assumed($size), 'lengthM' => self::assumed(5.0), 'sheath' => 'nm_b'],
            'gfci' => $gfci,
            'place' => $place,
            'loads' => $list,
        ];
    }

    private static function converter(float $amps, string $mount): stdClass
    {
        return (object) [
            'type' => 'converter',
            'label' => sprintf('Converter %g A', $amps),
            'outputA' => $amps,
            'outputV' => 13.6,
            'efficiency' => self::assumed(0.85),
            'mount' => $mount,
        ];
    }

    /** @return array<string, stdClass> */
    private static function twelveVolts(int $ah): array
    {
        $lead = fn(
            string $label,
            string $from,
            string $to,
            string $pole,
            string $size,
            float $m,
        ): stdClass => (object) [
            'type' => 'lead',
            'label' => $label,
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => (object) ['size' => self::assumed($size), 'lengthM' => self::assumed($m), 'sheath' => 'single'],
        ];

        return [
            'house' => (object) [
                'type' => 'battery_bank',
                'label' => 'House battery',
                'chemistry' => 'flooded',
                'unitV' => 12,
                'unitAh' => self::assumed($ah),
                'series' => 1,
                'parallel' => 1,
            ],
            'house_fuse' => (object) [
                'type' => 'dc_fuse',
                'label' => 'Battery breaker',
                'family' => 'thermal_breaker',
                'ratingA' => self::assumed(50),
            ],
            'dc_panel' => (object) ['type' => 'dc_panel', 'label' => '12 V panel', 'loadA' => self::assumed(8)],
            'ld_house' => $lead('Battery to breaker', 'house.pos', 'house_fuse.in', 'positive', 'awg:6', 0.15),
            'ld_dc' => $lead('Breaker to 12 V panel', 'house_fuse.out', 'dc_panel.pos', 'positive', 'awg:6', 4.0),
            'ld_dc_neg' => $lead('12 V panel to battery', 'house.neg', 'dc_panel.neg', 'negative', 'awg:6', 4.3),
            'ld_conv' => $lead('Converter to 12 V panel', 'converter.pos', 'dc_panel.pos', 'positive', 'awg:6', 0.3),
            'ld_conv_neg' => $lead(
                'Converter to 12 V panel',
                'converter.neg',
                'dc_panel.neg',
                'negative',
                'awg:6',
                0.3,
            ),
            'house_bond' => (object) [
                'type' => 'frame_bond',
                'label' => 'Battery negative to frame',
                'from' => 'house.neg',
                'cable' => (object) ['size' => self::assumed('awg:8'), 'lengthM' => self::assumed(0.4)],
            ],
        ];
    }

    private static function assumed(mixed $value): stdClass
    {
        return (object) ['value' => $value, 'basis' => 'assumed'];
    }
}
