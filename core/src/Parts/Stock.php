<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Stud;

/**
 * The catalogue that every workshop begins with: generic parts, no maker's. Prices are assumed, round, in no currency,
 * and there to be written over; weights and sizes are usual ones.
 */
final class Stock
{
    private const SIZES = [
        'awg:16',
        'awg:14',
        'awg:12',
        'awg:10',
        'awg:8',
        'awg:6',
        'awg:4',
        'awg:2',
        'awg:1',
        'awg:1/0',
        'awg:2/0',
        'awg:4/0',
    ];

    private const METRIC = ['mm2:6', 'mm2:10', 'mm2:16', 'mm2:25', 'mm2:35', 'mm2:50', 'mm2:70', 'mm2:95', 'mm2:120'];

    private const SHEATHED = ['awg:14' => 1.6, 'awg:12' => 2.3, 'awg:10' => 3.6, 'awg:6' => 8.0];

    /** family => ratings, price of one, price of its holder, stud */
    private const FUSES = [
        'class_t' => [[110, 150, 200, 225, 250, 300, 350, 400], 38, 55, 'm8'],
        'anl' => [[35, 40, 50, 60, 80, 100, 150, 200, 250, 300], 9, 16, 'm8'],
        'mrbf' => [[30, 50, 60, 80, 100, 150, 200, 250, 300], 14, 22, 'm8'],
        'automotive_bolt' => [[60, 80, 100, 125, 150, 200], 6, 12, 'm8'],
        'blade' => [[5, 7.5, 10, 15, 20, 25, 30, 40], 0.6, 5, ''],
        'thermal_breaker' => [[30, 40, 50, 60, 80, 100, 150, 200], 34, 0, 'm6'],
    ];

    /** watts => surge, price, kg, idle, dB, width, height, depth */
    private const INVERTERS = [
        600 => [1200, 160, 3.0, 8, 35, 180, 280, 90],
        1000 => [2000, 230, 4.2, 10, 42, 200, 320, 100],
        2000 => [4000, 420, 6.5, 18, 48, 230, 400, 130],
        3000 => [6000, 640, 9.0, 25, 52, 250, 460, 150],
    ];

    private const COMBINED = [
        2000 => [4000, 1150, 18, 20, 45, 330, 420, 150, 60, 30],
        3000 => [6000, 1650, 25, 28, 48, 330, 450, 150, 120, 50],
    ];

    /** @return array<string, Offer> code => offer */
    public static function all(): array
    {
        static $all = null;

        return $all ??= self::made([
            ...self::copper(),
            ...self::fuses(),
            ...self::units(),
            ...self::batteries(),
            ...self::rest(),
        ]);
    }

    /**
     * @param array<string, array<string, mixed>> $bodies
     * @return array<string, Offer>
     */
    private static function made(array $bodies): array
    {
        $offers = [];
        foreach ($bodies as $code => $body) {
            $offers[$code] = Offer::of($code, (object) $body);
        }

        return $offers;
    }

    /** @return array<string, array<string, mixed>> */
    private static function copper(): array
    {
        $bodies = [];
        foreach ([...self::SIZES, ...self::METRIC] as $designation) {
            $size = ConductorSize::of($designation);
            $name = $size->spoken();
            $code = strtr($designation, [':' => '-', '/' => '-']);
            // Copper by its area, and what handling and insulation cost besides.
            $bodies["cable-{$code}"] = [
                'kind' => 'cable',
                'name' => "Battery cable {$name}",
                'size' => $designation,
                'sheath' => 'fine',
                'per' => 'm',
                'price' => round(1.2 + 0.16 * $size->areaMm2, 1),
                'kg' => round(0.0108 * $size->areaMm2, 3),
                'minutes' => 4.0,
            ];
            foreach ($size->areaMm2 > 60 ? ['m8', 'm10'] : ['m6', 'm8', 'm10'] as $stud) {
                $bodies["lug-{$code}-{$stud}"] = [
                    'kind' => 'lug',
                    'name' => "Lug {$name}, " . Stud::from($stud)->label(),
                    'size' => $designation,
                    'stud' => $stud,
                    'price' => round(0.9 + 0.035 * $size->areaMm2, 2),
                    'kg' => round(0.01 + 0.0006 * $size->areaMm2, 3),
                    'minutes' => 5.0,
                ];
            }
            $bodies["sleeve-{$code}"] = [
                'kind' => 'sleeve',
                'name' => "Heat-shrink sleeve for {$name}",
                'size' => $designation,
                'price' => 0.8,
                'minutes' => 1.0,
            ];
        }
        foreach (self::SHEATHED as $designation => $price) {
            $name = ConductorSize::of($designation)->spoken();
            $bodies['nmb-' . strtr($designation, [':' => '-', '/' => '-'])] = [
                'kind' => 'cable',
                'name' => "NM-B cable {$name}/2 with ground",
                'size' => $designation,
                'sheath' => 'nm_b',
                'per' => 'm',
                'price' => $price,
                'minutes' => 6.0,
            ];
        }

        return $bodies;
    }

    /** @return array<string, array<string, mixed>> */
    private static function fuses(): array
    {
        $bodies = [];
        $names = Offer::fields()['family']->choices;
        foreach (self::FUSES as $family => [$ratings, $price, $holder, $stud]) {
            foreach ($ratings as $amps) {
                $bodies[strtr("fuse-{$family}-{$amps}", ['_' => '-', '.' => '-'])] =
                    [
                        'kind' => 'dc_fuse',
                        'name' => sprintf('Fuse %g A, %s', $amps, $names[$family]),
                        'family' => $family,
                        'ratingA' => (float) $amps,
                        'price' => (float) $price,
                        'minutes' => $holder > 0 ? 2.0 : 20.0,
                    ] + ($stud === '' ? [] : ['stud' => $stud]);
            }
            if ($holder > 0) {
                $bodies['holder-' . strtr($family, ['_' => '-'])] =
                    [
                        'kind' => 'fuse_holder',
                        'name' => "Holder for {$names[$family]} fuses",
                        'family' => $family,
                        'price' => (float) $holder,
                        'minutes' => 15.0,
                    ] + ($stud === '' ? [] : ['stud' => $stud]);
            }
        }

        return $bodies;
    }

    /** @return array<string, array<string, mixed>> */
    private static function units(): array
    {
        $bodies = [];
        $box = fn(int $w, int $h, int $d): array => [
            'widthMm' => (float) $w,
            'heightMm' => (float) $h,
            'depthMm' => (float) $d,
        ];
        foreach (self::INVERTERS as $watts => [$surge, $price, $kg, $idle, $db, $w, $h, $d]) {
            $sine =
                [
                    'kind' => 'inverter',
                    'watts' => (float) $watts,
                    'surgeW' => (float) $surge,
                    'volts' => 12.0,
                    'kg' => (float) $kg,
                    'noiseDb' => (float) $db,
                    'minutes' => 120.0,
                    'stud' => $watts > 1500 ? 'm8' : 'm6',
                ] + $box($w, $h, $d);
            $bodies["inverter-{$watts}"] =
                [
                    'name' => "Inverter {$watts} W, sine",
                    'price' => (float) $price,
                    'idleW' => (float) $idle,
                    'waveform' => 'sine',
                    'remote' => true,
                    'listed' => true,
                    'anySide' => true,
                ] + $sine;
            $bodies["inverter-{$watts}-stepped"] =
                [
                    'name' => "Inverter {$watts} W, stepped wave",
                    'price' => round(0.55 * $price, -1),
                    'idleW' => round(0.5 * $idle),
                    'waveform' => 'stepped',
                    'remote' => false,
                    'listed' => false,
                ] + $sine;
        }
        foreach (self::COMBINED as $watts => [$surge, $price, $kg, $idle, $db, $w, $h, $d, $charge, $pass]) {
            $bodies["combined-{$watts}"] =
                [
                    'kind' => 'inverter_charger',
                    'name' => "Inverter/charger {$watts} VA, sine",
                    'price' => (float) $price,
                    'watts' => (float) $watts,
                    'surgeW' => (float) $surge,
                    'volts' => 12.0,
                    'chargerA' => (float) $charge,
                    'passA' => (float) $pass,
                    'kg' => (float) $kg,
                    'idleW' => (float) $idle,
                    'noiseDb' => (float) $db,
                    'waveform' => 'sine',
                    'transferMs' => 16.0,
                    'remote' => true,
                    'listed' => true,
                    'stud' => 'm8',
                    'upToSize' => 'awg:4/0',
                    'minutes' => 240.0,
                ] + $box($w, $h, $d);
        }
        foreach ([20 => 170, 30 => 230, 50 => 390] as $amps => $price) {
            $bodies["dcdc-{$amps}"] = [
                'kind' => 'dcdc_charger',
                'name' => "DC-DC charger {$amps} A",
                'ratingA' => (float) $amps,
                'volts' => 12.0,
                'price' => (float) $price,
                'kg' => round(0.5 + 0.03 * $amps, 2),
                'idleW' => 0.2,
                'minutes' => 90.0,
                ...$box(190, 150, 70),
            ];
        }
        foreach ([20 => 110, 30 => 160, 50 => 290] as $amps => $price) {
            $bodies["solar-{$amps}"] = [
                'kind' => 'solar_charger',
                'name' => "Solar controller {$amps} A, tracking",
                'ratingA' => (float) $amps,
                'volts' => 100.0,
                'price' => (float) $price,
                'kg' => 1.2,
                'minutes' => 60.0,
                ...$box(190, 130, 70),
            ];
        }
        foreach ([100 => 90, 200 => 150, 400 => 260] as $watts => $price) {
            $bodies["solar-panel-{$watts}"] = [
                'kind' => 'solar_panel',
                'name' => "Solar panel {$watts} W",
                'watts' => (float) $watts,
                'price' => (float) $price,
                'kg' => 0.06 * $watts,
                'minutes' => 90.0,
            ];
        }
        foreach ([45 => 190, 55 => 230, 80 => 330] as $amps => $price) {
            $bodies["converter-{$amps}"] = [
                'kind' => 'converter',
                'name' => "Converter {$amps} A, with a lithium profile",
                'ratingA' => (float) $amps,
                'volts' => 12.0,
                'price' => (float) $price,
                'kg' => round(1.0 + 0.035 * $amps, 2),
                'minutes' => 60.0,
            ];
        }

        return $bodies;
    }

    /** @return array<string, array<string, mixed>> */
    private static function batteries(): array
    {
        $bodies = [];
        foreach (
            [
                ['lfp', 100, 360, 11.5],
                ['lfp', 200, 680, 22],
                ['lfp', 280, 900, 29],
                ['agm', 100, 190, 30],
                ['flooded', 100, 110, 26],
                ['flooded', 220, 210, 29],
            ]
            as [$chemistry, $ah, $price, $kg]
        ) {
            $volts = $chemistry === 'lfp' ? 12.8 : ($ah === 220 ? 6.0 : 12.0);
            $bodies["battery-{$chemistry}-{$ah}"] = [
                'kind' => 'battery_bank',
                'name' => sprintf('%s %d Ah, %g V', Offer::fields()['chemistry']->choices[$chemistry], $ah, $volts),
                'chemistry' => $chemistry,
                'ah' => (float) $ah,
                'volts' => $volts,
                'price' => (float) $price,
                'kg' => (float) $kg,
                'stud' => 'm8',
                'minutes' => 30.0,
            ];
        }

        return $bodies;
    }

    /** @return array<string, array<string, mixed>> */
    private static function rest(): array
    {
        $plain = fn(string $kind, string $name, float $price, float $minutes, array $more = []): array => [
            'kind' => $kind,
            'name' => $name,
            'price' => $price,
            'minutes' => $minutes,
            ...$more,
        ];

        return [
            'transfer-30' => $plain('transfer_switch', 'Transfer switch 30 A', 95.0, 90.0, [
                'passA' => 30.0,
                'kg' => 2.0,
            ]),
            'transfer-50' => $plain('transfer_switch', 'Transfer switch 50 A', 210.0, 110.0, [
                'passA' => 50.0,
                'kg' => 3.2,
            ]),
            'panel-6' => $plain('panel', 'Sub-panel, 6 slots', 45.0, 120.0, [
                'slots' => 6,
                'ratingA' => 60.0,
                'kg' => 2.4,
            ]),
            'panel-12' => $plain('panel', 'Panel, 12 slots', 80.0, 180.0, [
                'slots' => 12,
                'ratingA' => 100.0,
                'kg' => 3.3,
            ]),
            'bus-250' => $plain('bus_bar', 'Bus bar 250 A', 28.0, 20.0, ['ratingA' => 250.0, 'stud' => 'm8']),
            'bus-600' => $plain('bus_bar', 'Bus bar 600 A', 62.0, 25.0, ['ratingA' => 600.0, 'stud' => 'm10']),
            'switch-300' => $plain('dc_switch', 'Battery switch 300 A', 34.0, 25.0, [
                'ratingA' => 300.0,
                'stud' => 'm10',
            ]),
            'switch-600' => $plain('dc_switch', 'Battery switch 600 A', 130.0, 30.0, [
                'ratingA' => 600.0,
                'stud' => 'm12',
            ]),
            'switch-450' => $plain('dc_switch', 'Battery switch 450 A', 68.0, 25.0, [
                'ratingA' => 450.0,
                'stud' => 'm10',
            ]),
            'shunt-500' => $plain('shunt', 'Shunt 500 A with monitor', 120.0, 45.0, [
                'ratingA' => 500.0,
                'stud' => 'm10',
            ]),
            'surge-30' => $plain('surge_unit', 'Surge unit 30 A', 240.0, 30.0, ['ratingA' => 30.0]),
            'surge-50' => $plain('surge_unit', 'Surge unit 50 A', 330.0, 30.0, ['ratingA' => 50.0]),
            'contactor-30' => $plain('contactor', 'Contactor, two poles, 30 A, coil 120 V', 58.0, 75.0),
            'bypass-30' => $plain('bypass', 'Bypass switch, 30 A, centre off', 110.0, 90.0, ['ratingA' => 30.0]),
            'bypass-50' => $plain('bypass', 'Bypass switch, 50 A, centre off', 190.0, 110.0, ['ratingA' => 50.0]),
            'splice-box' => $plain('splice_box', 'Splice box with cover and clamps', 6.0, 15.0),
            'switch-120' => $plain('ac_switch', 'Wall switch, 15 A', 4.0, 20.0),
            'inlet-30' => $plain('inlet', 'Inlet 30 A', 42.0, 60.0, ['ratingA' => 30.0]),
            'inlet-50' => $plain('inlet', 'Inlet 50 A', 85.0, 75.0, ['ratingA' => 50.0]),
            'solar-inlet' => $plain('side_inlet', 'Solar inlet, two poles', 24.0, 40.0),
            'selector-300' => $plain('battery_selector', 'Battery selector 1-2-both, 300 A', 46.0, 30.0, [
                'ratingA' => 300.0,
                'stud' => 'm10',
            ]),
            'separator-140' => $plain('separator', 'Separating relay 140 A', 75.0, 40.0, ['ratingA' => 140.0]),
            'cut-off-65' => $plain('cut_off', 'Low-voltage cut-off 65 A', 58.0, 35.0, ['ratingA' => 65.0]),
            'dc-panel-6' => $plain('dc_panel', '12 V fuse panel, 6 circuits', 38.0, 60.0),
            'label' => $plain('label', 'Printed label', 0.4, 1.0),
            'screw' => $plain('screw', 'Stainless screw', 0.2, 0.5),
            'clamp' => $plain('clamp', 'Cushioned cable clamp', 0.7, 2.0),
            'box-18' => $plain('box', 'Box, 18 cubic inches', 3.0, 10.0),
            'crimper' => $plain('tool', 'Hexagonal lug crimper to 4/0', 120.0, 0.0, ['upToSize' => 'awg:4/0']),
            'torque' => $plain('tool', 'Torque driver and wrench, 2 to 30 N·m', 90.0, 0.0),
            'dcclamp' => $plain('tool', 'Clamp meter for direct current', 75.0, 0.0),
            'cutter' => $plain('tool', 'Cable cutter to 4/0', 45.0, 0.0, ['upToSize' => 'awg:4/0']),
            'proving' => $plain('tool', 'Tester and proving unit', 60.0, 0.0),
        ];
    }
}
