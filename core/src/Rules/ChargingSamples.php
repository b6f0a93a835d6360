<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** Parts of the charging side, for samples of rules: an engine beside the house battery, panels, a second battery. */
final class ChargingSamples
{
    /**
     * @param array<string, mixed> $component
     * @return array<string, mixed> a part more in the survey
     */
    public static function part(string $id, array $component): array
    {
        return ['kind' => 'survey_add', 'id' => $id, 'component' => $component];
    }

    /** @return array<string, mixed> a lead more in the survey */
    public static function lead(string $from, string $to, string $pole, string $size = 'awg:2', float $m = 2.0): array
    {
        return self::part('ld_' . strtr("{$from}_{$to}", '.', '_'), [
            'type' => 'lead',
            'label' => "{$from} to {$to}",
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => ['size' => $size, 'lengthM' => $m],
        ]);
    }

    /**
     * An engine with its own battery, 12 V.
     *
     * @param array<string, mixed> $more
     * @return list<array<string, mixed>>
     */
    public static function engine(array $more = []): array
    {
        return [
            self::part(
                'alternator',
                $more + [
                    'type' => 'alternator',
                    'label' => 'Alternator',
                    'spareA' => 120,
                    'idleA' => 40,
                    'holdsV' => 14.2,
                    'control' => 'fixed',
                ],
            ),
            self::part('starter', self::battery('Starter battery', 'flooded', 12, 80)),
            self::lead('alternator.pos', 'starter.pos', 'positive', m: 1.0),
            self::lead('alternator.neg', 'starter.neg', 'negative', m: 1.0),
        ];
    }

    /** @return array<string, mixed> */
    public static function battery(string $label, string $chemistry, float $volts, float $ah): array
    {
        return [
            'type' => 'battery_bank',
            'label' => $label,
            'chemistry' => $chemistry,
            'unitV' => $volts,
            'unitAh' => $ah,
            'series' => 1,
            'parallel' => 1,
        ];
    }

    /**
     * A house battery of its own, apart from what the rig has.
     *
     * @return list<array<string, mixed>>
     */
    public static function house(string $chemistry = 'lfp', float $volts = 12.8): array
    {
        return [self::part('second', self::battery('Second battery', $chemistry, $volts, 200))];
    }

    /**
     * A separator between the engine and the second battery.
     *
     * @param array<string, mixed> $more
     * @return list<array<string, mixed>>
     */
    public static function separator(array $more = [], string $size = 'awg:2', float $m = 2.0): array
    {
        return [
            self::part(
                'separator',
                $more + [
                    'type' => 'separator',
                    'label' => 'Separator',
                    'ratingA' => 140,
                    'by' => 'volts',
                    'closesV' => 13.3,
                    'opensV' => 12.8,
                    'closesAfterS' => 2,
                    'opensAfterS' => 5,
                ],
            ),
            self::lead('starter.pos', 'separator.a', 'positive', $size, $m),
            self::lead('separator.b', 'second.pos', 'positive'),
            self::lead('starter.neg', 'second.neg', 'negative'),
            self::lead('separator.neg', 'starter.neg', 'negative', 'awg:16'),
        ];
    }

    /**
     * A DC-DC charger between the engine and the second battery.
     *
     * @param array<string, mixed> $more
     * @return list<array<string, mixed>>
     */
    public static function dcdc(array $more = [], string $size = 'awg:4', float $m = 4.0): array
    {
        return [
            self::part(
                'dcdc',
                $more + [
                    'type' => 'dcdc_charger',
                    'label' => 'DC-DC charger',
                    'outputA' => 30,
                    'outputV' => 14.4,
                    'inputNominalV' => 12,
                    'efficiency' => 0.9,
                    'cutsInV' => 9,
                    'profile' => 'lithium',
                    'ignition' => 'alternator',
                ],
            ),
            self::lead('starter.pos', 'dcdc.in_pos', 'positive', $size, $m),
            self::lead('starter.neg', 'dcdc.in_neg', 'negative', $size, $m),
            self::lead('dcdc.pos', 'second.pos', 'positive'),
            self::lead('dcdc.neg', 'second.neg', 'negative'),
        ];
    }

    /**
     * Panels on a controller at the second battery.
     *
     * @param array<string, mixed> $more
     * @return list<array<string, mixed>>
     */
    public static function panels(array $more = []): array
    {
        return [
            self::part(
                'solar',
                $more + [
                    'type' => 'solar_charger',
                    'label' => 'Solar controller',
                    'panelW' => 200,
                    'panelVoc' => 24.3,
                    'panelVmp' => 20.4,
                    'panelIsc' => 10.2,
                    'series' => 2,
                    'parallel' => 1,
                    'coldestC' => -20,
                    'limitV' => 100,
                    'outputA' => 30,
                    'outputV' => 14.4,
                    'kind' => 'tracking',
                    'profile' => 'lithium',
                ],
            ),
            self::lead('solar.pos', 'second.pos', 'positive'),
            self::lead('solar.neg', 'second.neg', 'negative'),
        ];
    }

    /**
     * A second battery with a load behind a low-voltage cut-off.
     *
     * @param array<string, mixed> $more
     * @return list<array<string, mixed>>
     */
    public static function behindCutOff(array $more = [], float $amps = 20.0, string $use = 'other'): array
    {
        return [
            ...self::house('flooded', 12),
            self::part(
                'cut_off',
                $more + [
                    'type' => 'cut_off',
                    'label' => 'Low-voltage cut-off',
                    'ratingA' => 100,
                    'opensV' => 11.8,
                    'closesV' => 12.8,
                    'opensAfterS' => 60,
                    'closesAfterS' => 30,
                ],
            ),
            self::part('lamps', ['type' => 'dc_load', 'label' => 'Lamps', 'amps' => $amps, 'use' => $use]),
            self::lead('second.pos', 'cut_off.in', 'positive', 'awg:6'),
            self::lead('cut_off.out', 'lamps.pos', 'positive', 'awg:6'),
            self::lead('lamps.neg', 'second.neg', 'negative', 'awg:6'),
            self::lead('cut_off.neg', 'second.neg', 'negative', 'awg:16'),
        ];
    }

    /**
     * A trailer's charge line from its plug to a second battery, with a fuse at the battery or without.
     *
     * @return list<array<string, mixed>>
     */
    public static function towed(?float $fuseA): array
    {
        return [
            ...self::engine(),
            ...self::house('agm', 12),
            self::part('tow_plug', ['type' => 'tow_plug', 'label' => 'Tow plug', 'pinA' => 30]),
            self::lead('starter.pos', 'tow_plug.in_pos', 'positive', 'awg:12', 5.0),
            self::lead('starter.neg', 'tow_plug.in_neg', 'negative', 'awg:12', 5.0),
            ...$fuseA === null
                ? [self::lead('tow_plug.pos', 'second.pos', 'positive', 'awg:12', 6.0)]
                : [
                    self::part('tow_fuse', [
                        'type' => 'dc_fuse',
                        'label' => 'Charge line fuse',
                        'family' => 'blade',
                        'ratingA' => $fuseA,
                    ]),
                    self::lead('tow_plug.pos', 'tow_fuse.out', 'positive', 'awg:12', 6.0),
                    self::lead('tow_fuse.in', 'second.pos', 'positive', 'awg:12', 0.1),
                ],
            self::lead('tow_plug.neg', 'second.neg', 'negative', 'awg:12', 6.0),
        ];
    }
}
