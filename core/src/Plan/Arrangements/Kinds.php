<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

/**
 * Units and batteries as they are usually bought, by what is printed on them: a choice of one fills in what its sheet
 * would say. Common practice, no source; the sheet of the very part wins.
 */
final class Kinds
{
    /**
     * Inverter/chargers, with the cable and the Class T fuse that go with them at 12 V.
     *
     * @return array<string, array{title: string, values: array<string, float|int|string>}>
     */
    public static function inverterChargers(): array
    {
        return [
            'ic_1200' => self::charger(1200, 2400, 50, 'awg:2', 200, 30),
            'ic_2000' => self::charger(2000, 4000, 80, 'awg:3/0', 300, 30),
            'ic_3000' => self::charger(3000, 6000, 100, 'awg:4/0', 400, 30),
            'ic_3000_50' => self::charger(3000, 6000, 120, 'awg:4/0', 400, 50),
        ];
    }

    /**
     * Inverters that do not charge.
     *
     * @return array<string, array{title: string, values: array<string, float|int|string>}>
     */
    public static function inverters(): array
    {
        return [
            'inv_600' => self::inverter(600, 1200, 'awg:4', 100),
            'inv_1000' => self::inverter(1000, 2000, 'awg:2', 175),
            'inv_2000' => self::inverter(2000, 4000, 'awg:3/0', 300),
            'inv_3000' => self::inverter(3000, 6000, 'awg:4/0', 400),
        ];
    }

    /**
     * Batteries, each with what its BMS gives for long and for seconds.
     *
     * @return array<string, array{title: string, values: array<string, float|int|string>}>
     */
    public static function batteries(): array
    {
        return [
            'lfp_50' => self::lithium(50, 50),
            'lfp_100' => self::lithium(100, 100),
            'lfp_200' => self::lithium(200, 200),
            'lfp_280' => self::lithium(280, 200),
            'lfp_300' => self::lithium(300, 200),
            'agm_100' => self::lead('agm', 'AGM 12 V, 100 Ah', 100),
            'agm_6v_220' => self::lead('agm', 'AGM 6 V, 220 Ah, two in series', 220, 6),
            'flooded_85' => self::lead('flooded', 'Flooded 12 V, 85 Ah', 85),
            'flooded_6v_225' => self::lead('flooded', 'Flooded 6 V, 225 Ah, two in series', 225, 6),
            'gel_100' => self::lead('gel', 'Gel 12 V, 100 Ah', 100),
        ];
    }

    /** @return array{title: string, values: array<string, float|int|string>} */
    private static function charger(int $w, int $surgeW, int $chargerA, string $size, int $fuseA, int $passA): array
    {
        return [
            'title' => "Inverter/charger {$w} VA, charges {$chargerA} A, passes {$passA} A",
            'values' => [
                'continuousW' => $w,
                'surgeW' => $surgeW,
                'chargerA' => $chargerA,
                'passThroughA' => $passA,
                'inputLimitA' => $passA,
                'dcSize' => $size,
                'fuseA' => $fuseA,
                'fuseFamily' => 'class_t',
            ],
        ];
    }

    /** @return array{title: string, values: array<string, float|int|string>} */
    private static function inverter(int $w, int $surgeW, string $size, int $fuseA): array
    {
        return [
            'title' => "Inverter {$w} W, pure sine",
            'values' => [
                'continuousW' => $w,
                'surgeW' => $surgeW,
                'dcSize' => $size,
                'fuseA' => $fuseA,
                'fuseFamily' => 'class_t',
                'waveform' => 'sine',
            ],
        ];
    }

    /** @return array{title: string, values: array<string, float|int|string>} */
    private static function lithium(int $ah, int $amps): array
    {
        return [
            'title' => "LiFePO₄ 12.8 V, {$ah} Ah, gives {$amps} A",
            'values' => [
                'chemistry' => 'lfp',
                'unitV' => 12.8,
                'unitAh' => $ah,
                'series' => 1,
                'bmsContinuousA' => $amps,
                'bmsPeakA' => 2 * $amps,
            ],
        ];
    }

    /** @return array{title: string, values: array<string, float|int|string>} */
    private static function lead(string $chemistry, string $title, int $ah, int $volts = 12): array
    {
        return [
            'title' => $title,
            'values' => ['chemistry' => $chemistry, 'unitV' => $volts, 'unitAh' => $ah, 'series' => intdiv(12, $volts)],
        ];
    }
}
