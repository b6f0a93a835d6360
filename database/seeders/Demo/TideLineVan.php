<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** A van that counts birds on the tide line. */
final class TideLineVan
{
    /**
     * The largest rig: a surge unit, a portable generator the cord is carried to, a factory inverter
     * with outlets of its own, and a charger that somebody plugged into one of them.
     *
     * @return list<array<string, mixed>>
     */
    public static function survey(): array
    {
        return [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_in_panel'],
            Write::set('c_outlets', '/label', 'Work-desk outlets'),
            Write::set('c_outlets', '/loads', [
                'radio' => Write::load('Radio and recorder', 140, 'constant', 0.9, true),
                'computer' => Write::load('Field computer', 95, 'constant', 0.95, true),
            ]),
            Write::set('c_wet', '/label', 'Wet room and galley'),
            Write::set('c_wet', '/loads', ['boiler' => Write::load('Boot-drying heater', 750)]),
            Write::set('c_air', '/loads', [
                'unit' => Write::load('Air conditioner', 1450, 'motor', 0.93, true, true) + [
                    'lockedRotorA' => Write::read(58),
                ],
            ]),
            Write::set('c_water', '/label', 'Water heater element'),
            Write::set('c_fridge', '/label', 'Absorption fridge'),
            Write::set('c_water', '/hot', ['panel' => 'main_panel', 'slot' => 5, 'half' => 'a']),
            Write::add('c_tanks', [
                'type' => 'circuit',
                'label' => 'Tank heaters',
                'hot' => ['panel' => 'main_panel', 'slot' => 5, 'half' => 'b'],
                'neutral' => ['panel' => 'main_panel'],
                'breakerA' => Write::read(15),
                'cable' => Write::cable('awg:14', 4.6, '15 ft'),
                'gfci' => 'none',
                'place' => 'fixed',
                'loads' => ['pads' => Write::load('Tank heater pads', 260, 'resistive', 1.0, true, true)],
            ]),
            Write::add('genset', [
                'type' => 'generator',
                'label' => 'Portable generator',
                'ratedW' => Write::read(2200),
                'surgeW' => Write::read(2800),
                'outletA' => Write::read(20),
                'mount' => 'portable',
                'bond' => 'floating',
                'reaches' => 'inlet',
            ]),
            Write::add('guard', [
                'type' => 'surge_unit',
                'label' => 'Surge unit',
                'ratingA' => 30,
                'mount' => 'inside',
                'opens' => 'both',
                'delayS' => 136,
                'lowV' => 104,
                'highV' => 132,
                'bypass' => true,
            ]),
            Write::set('feeder_main', '/from', ['at' => 'guard', 'port' => 'out']),
            Write::add(
                'guard_feed',
                Write::feeder(
                    'Inlet to surge unit',
                    'inlet',
                    'out',
                    'guard',
                    'in',
                    Write::cable('awg:10', 0.6, '2 ft'),
                ),
            ),
            Write::add('factory_inverter', [
                'type' => 'inverter',
                'label' => 'Factory inverter 1000 W',
                'continuousW' => Write::read(1000),
                'surgeW' => Write::told(2000),
                'efficiency' => 0.85,
                'dcNominalV' => 12,
                'cutOffV' => 10.5,
                'idleW' => 9,
                'neutral' => 'unknown',
                'output' => 'hard_wired',
                'waveform' => 'modified',
                'largestLug' => 'awg:2',
                'studs' => 1,
            ]),
            Write::add('c_locker', [
                'type' => 'circuit',
                'label' => 'Locker outlets',
                'hot' => ['at' => 'factory_inverter', 'port' => 'ac_out'],
                'neutral' => ['at' => 'factory_inverter', 'port' => 'ac_out'],
                'cable' => Write::cable('awg:14', 3.4, '11 ft'),
                'gfci' => 'none',
                'place' => 'general',
                'loads' => ['lenses' => Write::load('Lens dryer', 80, 'resistive', 1.0, true)],
            ]),
            // Trouble nobody sees from the panel: a battery charger lives in the locker.
            Write::add('locker_charger', [
                'type' => 'converter',
                'label' => 'Charger in the locker',
                'outputA' => 20,
                'outputV' => 14.4,
                'efficiency' => Write::told(0.82),
                'mount' => 'charger',
                'profile' => 'lead',
                'plug' => 'c_locker',
            ]),
            Write::add('fact_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Factory inverter fuse',
                'family' => 'mrbf',
                'ratingA' => Write::read(125),
            ]),
            Write::add(
                'ld_fact_fuse',
                Write::lead('Battery to inverter fuse', 'house.pos', 'fact_fuse.in', 'positive', 'awg:2', 0.15),
            ),
            Write::add(
                'ld_fact',
                Write::lead(
                    'Fuse to factory inverter',
                    'fact_fuse.out',
                    'factory_inverter.pos',
                    'positive',
                    'awg:2',
                    1.8,
                ),
            ),
            Write::add(
                'ld_fact_neg',
                Write::lead(
                    'Factory inverter to battery',
                    'house.neg',
                    'factory_inverter.neg',
                    'negative',
                    'awg:2',
                    1.9,
                ),
            ),
            Write::add(
                'ld_charger',
                Write::lead('Charger to 12 V panel', 'locker_charger.pos', 'dc_panel.pos', 'positive', 'awg:10', 2.0),
            ),
            Write::add(
                'ld_charger_neg',
                Write::lead('Charger to 12 V panel', 'locker_charger.neg', 'dc_panel.neg', 'negative', 'awg:10', 2.0),
            ),
            Write::add('co_detector', [
                'type' => 'dc_load',
                'label' => 'CO detector',
                'use' => 'detector',
                'amps' => Write::read(0.1),
            ]),
            Write::add(
                'ld_co',
                Write::lead('12 V panel to detector', 'dc_panel.fused', 'co_detector.pos', 'positive', 'awg:14', 2.5),
            ),
            Write::add(
                'ld_co_neg',
                Write::lead('Detector to 12 V panel', 'dc_panel.neg', 'co_detector.neg', 'negative', 'awg:14', 2.5),
            ),
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => [
                    'count' => [
                        'title' => 'Counting at dusk',
                        'order' => 1,
                        'running' => [
                            'c_outlets.radio' => true,
                            'c_outlets.computer' => true,
                            'c_locker.lenses' => true,
                            'c_fridge.element' => true,
                        ],
                    ],
                    'storm' => [
                        'title' => 'Waiting out weather',
                        'order' => 2,
                        'running' => [
                            'c_outlets.radio' => true,
                            'c_outlets.computer' => true,
                            'c_wet.boiler' => true,
                            'c_air.unit' => true,
                            'c_fridge.element' => true,
                            'c_tanks.pads' => true,
                        ],
                    ],
                ],
            ],
            ['kind' => 'set_need', 'path' => '/offGrid', 'value' => ['c_outlets' => true, 'c_locker' => true]],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function plans(): array
    {
        $joined = fn(string $plan): array => [
            [
                'kind' => 'plan_fit',
                'plan' => $plan,
                'id' => 'locker_splice',
                'component' => [
                    'type' => 'splice_box',
                    'label' => 'Locker splice box',
                    'volumeCm3' => Write::told(295),
                ],
            ],
            [
                'kind' => 'plan_set',
                'plan' => $plan,
                'component' => 'c_locker',
                'path' => '/hot',
                'value' => ['at' => 'locker_splice', 'port' => 'out'],
            ],
            [
                'kind' => 'plan_set',
                'plan' => $plan,
                'component' => 'c_locker',
                'path' => '/neutral',
                'value' => ['at' => 'locker_splice', 'port' => 'out'],
            ],
            ...array_map(fn(string $id): array => ['kind' => 'plan_remove', 'plan' => $plan, 'component' => $id], [
                'factory_inverter',
                'fact_fuse',
                'ld_fact_fuse',
                'ld_fact',
                'ld_fact_neg',
                'ld_charger',
                'ld_charger_neg',
                'locker_charger',
            ]),
        ];
        $feed = fn(string $plan, array $hot): array => [
            'kind' => 'plan_fit',
            'plan' => $plan,
            'id' => 'locker_feed',
            'component' => [
                'type' => 'circuit',
                'label' => 'Locker feed',
                'hot' => $hot,
                'neutral' => ['panel' => $hot['panel']],
                'breakerA' => Write::told(15),
                'cable' => Write::cable('awg:14', 1.8, '6 ft'),
                'gfci' => 'none',
                'place' => 'fixed',
                'feeds' => ['at' => 'locker_splice', 'port' => 'in'],
            ],
        ];
        $equipment = [
            'continuousW' => 3000,
            'surgeW' => 6000,
            'chargerA' => 80,
            'passThroughA' => 30,
            'inputLimitA' => 15,
            'unitAh' => 280,
            'parallel' => 1,
            'dcRunM' => 1.1,
            'fuseA' => 400,
        ];

        return [
            ['kind' => 'add_plan', 'id' => 'line', 'title' => 'In line, with a bypass'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'line',
                'recipe' => 'in_line',
                'options' => $equipment + ['converter' => 'contactor', 'bypass' => true, 'assist' => true],
            ],
            ...$joined('line'),
            $feed('line', ['panel' => 'main_panel', 'slot' => 6, 'half' => 'b']),
            [
                'kind' => 'plan_set',
                'plan' => 'line',
                'component' => 'c_fridge',
                'path' => '/hot',
                'value' => ['panel' => 'main_panel', 'slot' => 6, 'half' => 'a'],
            ],
            ['kind' => 'add_plan', 'id' => 'some', 'title' => 'Desk and lockers only'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'some',
                'recipe' => 'subpanel',
                'options' => ['continuousW' => 2000, 'surgeW' => 4000] +
                    $equipment + ['converter' => 'left', 'circuits' => ['c_outlets' => true], 'slots' => 4],
            ],
            ...$joined('some'),
            $feed('some', ['panel' => 'inverter_panel', 'slot' => 2]),
            ['kind' => 'add_plan', 'id' => 'cord', 'title' => 'Cord into the inverter'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'cord',
                'recipe' => 'cord_into_inverter',
                'options' => [
                    'continuousW' => 2000,
                    'outputNeutral' => 'bonded',
                    'converter' => 'by_hand',
                    'unitAh' => 280,
                    'parallel' => 1,
                    'dcRunM' => 1.1,
                    'fuseA' => 300,
                ],
            ],
        ];
    }
}
