<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** A trailer a grafting school tows from orchard to orchard. */
final class GraftingTrailer
{
    /** @return list<array<string, mixed>> */
    public static function survey(): array
    {
        $read = fn(mixed $v): array => ['value' => $v, 'basis' => 'read_off', 'by' => 'Posy Tarn'];
        $told = fn(mixed $v): array => ['value' => $v, 'basis' => 'told'];
        $cable = fn(string $size, float $m, string $entered): array => [
            'size' => $read($size),
            'lengthM' => ['value' => $m, 'basis' => 'measured', 'entered' => $entered],
            'sheath' => 'nm_b',
        ];
        $circuit = fn(
            string $label,
            int $slot,
            string $half,
            int $amps,
            array $cable,
            string $gfci,
            string $place,
            array $loads,
        ): array => [
            'type' => 'circuit',
            'label' => $label,
            'hot' => ['panel' => 'main_panel', 'slot' => $slot] + ($half === '' ? [] : ['half' => $half]),
            'neutral' => ['panel' => 'main_panel'],
            'breakerA' => $read($amps),
            'cable' => $cable,
            'gfci' => $gfci,
            'place' => $place,
            'loads' => (object) $loads,
        ];
        $load = fn(
            string $label,
            float $w,
            string $kind = 'resistive',
            float $pf = 1.0,
            bool $long = false,
            bool $itself = false,
        ): array => [
            'label' => $label,
            'watts' => $read($w),
            'kind' => $kind,
            'powerFactor' => $pf,
            'continuous' => $long,
            'startsByItself' => $itself,
        ];
        $add = fn(string $id, array $component): array => [
            'kind' => 'survey_add',
            'id' => $id,
            'component' => $component,
        ];
        $set = fn(string $id, string $path, mixed $value): array => [
            'kind' => 'survey_set',
            'component' => $id,
            'path' => $path,
            'value' => $value,
        ];

        return [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_in_panel'],
            $set('c_outlets', '/label', 'Bench lights and outlets'),
            $set('c_outlets', '/cable', $cable('awg:14', 5.5, '18 ft')),
            $set('c_outlets', '/loads', [
                'lamps' => $load('Bench lamps', 120, 'constant', 0.9, true),
                'irons' => $load('Wax irons', 260),
            ]),
            $set('c_wet', '/label', 'Wash place and counter'),
            $set('c_wet', '/loads', ['kettle' => $load('Wax kettle', 900)]),
            $set('c_air', '/label', 'Air conditioner'),
            $set('c_water', '/label', 'Wash-water heater'),
            $set('c_fridge', '/label', 'Scion cold store'),
            $set('c_fridge', '/loads', [
                'compressor' => $load('Cold-store compressor', 210, 'motor', 0.75, true, true),
            ]),
            $set('c_fridge', '/hot', ['panel' => 'main_panel', 'slot' => 6, 'half' => 'a']),
            $add(
                'c_mats',
                $circuit('Rooting heat mats', 6, 'b', 15, $cable('awg:14', 6.7, '22 ft'), 'none', 'fixed', [
                    'mats' => $load('Heat mats', 420, 'resistive', 1.0, true, true),
                ]),
            ),
            $set('c_converter', '/hot', ['panel' => 'main_panel', 'slot' => 7, 'half' => 'a']),
            // Trouble: 20 A on 14 AWG, and an outlet in the weather without GFCI.
            $add(
                'c_awning',
                $circuit('Awning outlets, outside', 7, 'b', 20, $cable('awg:14', 7.3, '24 ft'), 'none', 'outside', [
                    'projector' => $load('Projector', 180, 'constant', 0.95),
                ]),
            ),
            $set('main_panel', '/label', 'Main panel'),
            // Trouble: somebody fitted a house panel's bonding screw.
            $set('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off', 'by' => 'Posy Tarn']),
            $set('converter', '/efficiency', $told(0.85)),
            $set('inlet', '/cord', [
                'size' => $read('awg:10'),
                'lengthM' => ['value' => 9.1, 'basis' => 'measured', 'entered' => '30 ft'],
                'sheath' => 'cord',
            ]),
            $set('house', '/label', 'Tongue battery'),
            $set('house', '/unitAh', $read(105)),
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => [
                    'class' => [
                        'title' => 'Class in the orchard',
                        'order' => 1,
                        'running' => [
                            'c_outlets.lamps' => true,
                            'c_outlets.irons' => true,
                            'c_fridge.compressor' => true,
                            'c_mats.mats' => true,
                            'c_awning.projector' => true,
                        ],
                    ],
                    'hot' => [
                        'title' => 'Hot afternoon',
                        'order' => 2,
                        'running' => [
                            'c_outlets.lamps' => true,
                            'c_fridge.compressor' => true,
                            'c_mats.mats' => true,
                            'c_air.unit' => true,
                            'c_water.element' => true,
                            'c_wet.kettle' => true,
                        ],
                    ],
                    'night' => [
                        'title' => 'Night',
                        'order' => 3,
                        'running' => ['c_fridge.compressor' => true, 'c_mats.mats' => true],
                    ],
                ],
            ],
            [
                'kind' => 'set_need',
                'path' => '/offGrid',
                'value' => ['c_outlets' => true, 'c_fridge' => true, 'c_mats' => true, 'c_awning' => true],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function plans(): array
    {
        $told = fn(mixed $v): array => ['value' => $v, 'basis' => 'told'];

        return [
            ['kind' => 'add_plan', 'id' => 'panel', 'title' => 'Inverter panel'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'panel',
                'recipe' => 'subpanel',
                'options' => [
                    'converter' => 'left',
                    'circuits' => ['c_outlets' => true, 'c_fridge' => true, 'c_mats' => true, 'c_converter' => true],
                    'continuousW' => 3000,
                    'surgeW' => 6000,
                    'chargerA' => 100,
                    'passThroughA' => 30,
                    'inputLimitA' => 24,
                    'unitAh' => 200,
                    'parallel' => 2,
                    'dcRunM' => 1.6,
                    'fuseA' => 400,
                    'slots' => 8,
                ],
            ],
            [
                'kind' => 'plan_set',
                'plan' => 'panel',
                'component' => 'main_panel',
                'path' => '/bondScrew',
                'value' => $told(false),
            ],
            // Trouble: the bench circuit's neutral was forgotten on the old bar.
            [
                'kind' => 'move_circuit',
                'plan' => 'panel',
                'circuit' => 'c_outlets',
                'panel' => 'main_panel',
                'wires' => 'neutral',
            ],
            ['kind' => 'add_plan', 'id' => 'line', 'title' => 'Whole trailer in line'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'line',
                'recipe' => 'in_line',
                'options' => [
                    'converter' => 'by_hand',
                    'continuousW' => 2000,
                    'surgeW' => 4000,
                    'neutral' => 'common',
                    'chargerA' => 60,
                    'unitAh' => 200,
                    'parallel' => 2,
                    'dcRunM' => 1.6,
                    'dcSize' => 'awg:2/0',
                    'fuseA' => 300,
                ],
            ],
        ];
    }
}
