<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

/** Loads that rigs have, with values to start from: assumed until somebody measures. Common practice, no source. */
final class Typical
{
    private const DAY = [[0, 24]];

    private const EVENING = [[18, 4.5]];

    private const NIGHT = [[21, 10]];

    /** id => label, supply, W, duty %, hours [from, for], more */
    private const LOADS = [
        'fridge_12v' => ['Compressor fridge', 'dc', 55, 40, self::DAY, []],
        'fridge_gas' => [
            'Absorption fridge on gas',
            'dc',
            6,
            100,
            self::DAY,
            ['fuel' => 'propane', 'fuelPerH' => 0.03],
        ],
        'furnace' => [
            'Furnace',
            'dc',
            85,
            35,
            [[20, 12]],
            ['season' => 'cold', 'fuel' => 'propane', 'fuelPerH' => 0.6],
        ],
        'detectors' => ['Gas and CO detectors', 'dc', 2, 100, self::DAY, []],
        'lights' => ['Lights', 'dc', 25, 100, self::EVENING, []],
        'fan' => ['Roof fan', 'dc', 25, 60, self::NIGHT, ['season' => 'warm']],
        'pump' => ['Water pump', 'dc', 70, 100, [[7, 0.15], [19, 0.15]], []],
        'phones' => ['Phones and tablets', 'dc', 30, 100, [[21, 3]], []],
        'router' => ['Router', 'dc', 12, 100, self::DAY, []],
        'breathing' => ['Breathing machine', 'dc', 35, 100, [[22, 8]], []],
        'television' => ['Television', 'ac', 60, 100, [[19, 3]], []],
        'laptop' => ['Laptop', 'ac', 60, 100, [[9, 4]], []],
        'coffee' => ['Coffee maker', 'ac', 900, 100, [[7, 0.25]], []],
        'kettle' => ['Kettle', 'ac', 1400, 100, [[7, 0.1], [16, 0.1]], []],
        'microwave' => ['Microwave oven', 'ac', 1450, 100, [[12, 0.15], [18.5, 0.15]], []],
        'induction' => ['Induction plate', 'ac', 1800, 60, [[18, 0.5]], []],
        'hair_dryer' => ['Hair dryer', 'ac', 1500, 100, [[8, 0.15]], []],
        'air' => [
            'Air conditioner',
            'ac',
            1300,
            70,
            [[14, 3]],
            ['season' => 'warm', 'startA' => 60, 'softStartA' => 24],
        ],
        'water_heater' => ['Water heater element', 'ac', 1440, 100, [[6.5, 0.75]], []],
    ];

    /**
     * Each as the needs of a job file take it.
     *
     * @return array<string, array<string, mixed>>
     */
    public static function all(): array
    {
        $all = [];
        foreach (self::LOADS as $id => [$label, $supply, $watts, $duty, $hours, $more]) {
            $spans = [];
            foreach ($hours as $n => [$from, $for]) {
                $spans['h' . ($n + 1)] = ['fromH' => $from, 'hours' => $for];
            }
            $all[$id] = $more + [
                'label' => $label,
                'supply' => $supply,
                'watts' => ['value' => $watts, 'basis' => 'assumed'],
                'duty' => $duty,
                'spans' => $spans,
            ];
        }

        return $all;
    }
}
