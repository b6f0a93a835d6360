<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

use Hollin\Core\Needs\Typical;

/** What the owners of the demo rigs want to run, and where they stand. */
final class Stays
{
    /** rig => loads with what is known better, and the stay */
    private const STAYS = [
        'grafting' => [
            [
                'fridge_gas' => [],
                'detectors' => [],
                'lights' => [],
                'pump' => [],
                'television' => ['at' => 'c_outlets'],
                'coffee' => ['at' => 'c_outlets'],
                'microwave' => ['at' => 'c_outlets'],
            ],
            ['place' => 'Orchard', 'latitude' => 41, 'month' => 5, 'days' => 3, 'weather' => 'sun', 'waterL' => 150],
        ],
        'tideline' => [
            [
                'fridge_12v' => ['watts' => ['value' => 52, 'basis' => 'measured']],
                'detectors' => ['at' => 'co_detector'],
                'lights' => [],
                'laptop' => ['at' => 'c_outlets', 'watts' => ['value' => 85, 'basis' => 'read_off']],
                'coffee' => ['at' => 'c_outlets'],
                'microwave' => ['at' => 'c_outlets'],
                'air' => ['at' => 'c_air', 'spans' => ['h1' => ['fromH' => 14, 'hours' => 1]]],
                'furnace' => [],
            ],
            [
                'place' => 'Estuary hide',
                'latitude' => 52,
                'month' => 8,
                'days' => 5,
                'shore' => 's15',
                'shoreFromH' => 18,
                'shoreH' => 2,
            ],
        ],
        'causeway' => [
            [
                'fridge_12v' => ['at' => 'd_fridge'],
                'detectors' => ['at' => 'd_gas'],
                'lights' => ['at' => 'd_lights'],
                'fan' => ['at' => 'd_fan'],
                'pump' => ['at' => 'd_pump'],
                'phones' => [],
                'laptop' => ['at' => 'c_inverter', 'watts' => ['value' => 72, 'basis' => 'measured']],
                'coffee' => ['at' => 'c_inverter', 'watts' => ['value' => 700, 'basis' => 'read_off']],
            ],
            [
                'place' => 'Causeway end',
                'latitude' => 47,
                'month' => 9,
                'days' => 7,
                'weatherOn' => ['d2' => ['day' => 2, 'weather' => 'grey'], 'd3' => ['day' => 3, 'weather' => 'grey']],
                'driveFromH' => 9,
                'driveH' => 1,
                'inverter' => 'used',
            ],
        ],
        'bellows' => [
            [
                'fridge_gas' => [],
                'detectors' => [],
                'lights' => [],
                'fan' => [],
                'pump' => [],
                'breathing' => [],
                'furnace' => [],
            ],
            [
                'place' => 'Organ meadow',
                'latitude' => 44,
                'month' => 10,
                'days' => 9,
                'shadeFromH' => 14,
                'shadeH' => 3,
                'lowC' => -3,
                'highC' => 12,
                'propaneL' => 50,
                'waterL' => 400,
                'wasteL' => 350,
            ],
        ],
    ];

    /** @return list<array<string, mixed>> edits that write them down */
    public static function of(string $rig): array
    {
        [$known, $stay] = self::STAYS[$rig];
        $loads = [];
        foreach ($known as $id => $better) {
            $loads[$id] = $better + Typical::all()[$id] + ['order' => count($loads) + 1];
        }

        return [
            ['kind' => 'set_need', 'path' => '/loads', 'value' => $loads],
            ['kind' => 'set_need', 'path' => '/trip', 'value' => $stay],
        ];
    }
}
