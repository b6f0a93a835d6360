<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** A map archive's trailer in which somebody fitted an inverter years ago. */
final class ArchiveTrailer
{
    /**
     * A rig whose trouble does not show by looking: the transfer switch in it has one pole, so the
     * inverter's bond stays connected on shore; the converter follows the inverter by itself.
     *
     * @return list<array<string, mixed>>
     */
    public static function survey(): array
    {
        return [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_separate'],
            Write::set('c_outlets', '/label', 'Reading-room outlets'),
            Write::set('c_outlets', '/loads', [
                'scanner' => Write::load('Map scanner', 340, 'constant', 0.92),
                'lamps' => Write::load('Table lamps', 90, 'constant', 0.9, true),
            ]),
            Write::set('c_wet', '/label', 'Washbasin and outside outlets'),
            Write::set('c_wet', '/loads', ['urn' => Write::load('Tea urn', 1000)]),
            Write::set('c_air', '/label', 'Dehumidifier'),
            Write::set('c_air', '/loads', [
                'unit' => Write::load('Dehumidifier', 620, 'motor', 0.82, true, true) + [
                    'lockedRotorA' => Write::read(31),
                ],
            ]),
            Write::set('c_water', '/label', 'Film cabinet heater'),
            Write::set('c_water', '/loads', [
                'element' => Write::load('Film cabinet heater', 400, 'resistive', 1.0, true, true),
            ]),
            Write::set('c_fridge', '/label', 'Film cold cabinet'),
            Write::set('c_fridge', '/loads', [
                'element' => Write::load('Cold cabinet, absorption', 310, 'resistive', 1.0, true, true),
            ]),
            Write::set('c_outlets', '/cable', Write::cable('awg:14', 6.1, '20 ft')),
            Write::set('converter', '/label', 'Converter on a plug'),
            Write::set('house', '/label', 'Archive batteries'),
            Write::set('house', '/chemistry', 'agm'),
            Write::set('house', '/unitAh', Write::read(100)),
            Write::set('house', '/parallel', 2),
            // Found behind the bench seat, with no label.
            Write::add('old_inverter', [
                'type' => 'inverter',
                'label' => 'Old inverter 2000 W',
                'continuousW' => Write::read(2000),
                'surgeW' => Write::told(4000),
                'efficiency' => 0.86,
                'dcNominalV' => 12,
                'cutOffV' => 10.5,
                'idleW' => 18,
                'neutral' => 'bonded',
                'output' => 'hard_wired',
                'waveform' => 'modified',
                'largestLug' => 'awg:2/0',
                'studs' => 1,
            ]),
            Write::add('old_transfer', [
                'type' => 'transfer_switch',
                'label' => 'Old transfer switch',
                'kind' => 'automatic',
                'poles' => 'one',
                'ratingA' => 30,
                'prefers' => 'a',
                'rest' => 'b',
                'delayS' => 15,
            ]),
            Write::set('feeder_main', '/to', ['at' => 'old_transfer', 'port' => 'in_a']),
            Write::add(
                'old_inverter_out',
                Write::feeder(
                    'Old inverter to transfer switch',
                    'old_inverter',
                    'ac_out',
                    'old_transfer',
                    'in_b',
                    Write::cable('awg:12', 2.4, '8 ft'),
                ),
            ),
            Write::add(
                'old_transfer_out',
                Write::feeder(
                    'Transfer switch to main panel',
                    'old_transfer',
                    'out',
                    'main_panel',
                    'line',
                    Write::cable('awg:10', 1.2, '4 ft'),
                ),
            ),
            Write::add('old_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Inverter fuse',
                'family' => 'anl',
                'ratingA' => Write::read(200),
            ]),
            Write::add('old_disconnect', [
                'type' => 'dc_switch',
                'label' => 'Battery switch',
                'ratingA' => Write::read(300),
            ]),
            Write::add(
                'ld_old_switch',
                Write::lead('Battery to switch', 'house.pos', 'old_disconnect.in', 'positive', 'awg:1/0', 0.15),
            ),
            Write::add(
                'ld_old_fuse',
                Write::lead(
                    'Switch to inverter fuse',
                    'old_disconnect.out',
                    'old_fuse.in',
                    'positive',
                    'awg:1/0',
                    0.15,
                ),
            ),
            Write::add(
                'ld_old_pos',
                Write::lead('Fuse to old inverter', 'old_fuse.out', 'old_inverter.pos', 'positive', 'awg:1/0', 2.6),
            ),
            Write::add(
                'ld_old_neg',
                Write::lead('Old inverter to battery', 'house.neg', 'old_inverter.neg', 'negative', 'awg:1/0', 2.7),
            ),
            Write::set('ld_house', '/from', 'old_disconnect.out'),
            Write::add('gas_detector', [
                'type' => 'dc_load',
                'label' => 'Propane detector',
                'use' => 'detector',
                'amps' => Write::read(0.1),
            ]),
            Write::add(
                'ld_gas',
                Write::lead('12 V panel to detector', 'dc_panel.fused', 'gas_detector.pos', 'positive', 'awg:14', 2.0),
            ),
            Write::add(
                'ld_gas_neg',
                Write::lead('Detector to 12 V panel', 'dc_panel.neg', 'gas_detector.neg', 'negative', 'awg:14', 2.0),
            ),
            Write::add('breakaway', [
                'type' => 'dc_load',
                'label' => 'Breakaway brakes',
                'use' => 'breakaway',
                'amps' => Write::told(16),
            ]),
            Write::add(
                'ld_break',
                Write::lead('Battery to breakaway switch', 'house.pos', 'breakaway.pos', 'positive', 'awg:10', 1.5),
            ),
            Write::add(
                'ld_break_neg',
                Write::lead('Breakaway to battery', 'house.neg', 'breakaway.neg', 'negative', 'awg:10', 1.5),
            ),
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => [
                    'reading' => [
                        'title' => 'Reading room open',
                        'order' => 1,
                        'running' => [
                            'c_outlets.scanner' => true,
                            'c_outlets.lamps' => true,
                            'c_air.unit' => true,
                            'c_fridge.element' => true,
                        ],
                    ],
                    'tea' => [
                        'title' => 'Tea for visitors',
                        'order' => 2,
                        'running' => [
                            'c_outlets.lamps' => true,
                            'c_wet.urn' => true,
                            'c_fridge.element' => true,
                            'c_water.element' => true,
                        ],
                    ],
                    'night' => [
                        'title' => 'Night',
                        'order' => 3,
                        'running' => ['c_fridge.element' => true, 'c_water.element' => true],
                    ],
                ],
            ],
            ['kind' => 'set_need', 'path' => '/offGrid', 'value' => ['c_outlets' => true]],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function plans(): array
    {
        $plan = fn(string $plan, string $component, string $path, mixed $value): array => [
            'kind' => 'plan_set',
            'plan' => $plan,
            'component' => $component,
            'path' => $path,
            'value' => $value,
        ];

        return [
            ['kind' => 'add_plan', 'id' => 'right', 'title' => 'Put right what is there'],
            $plan('right', 'old_transfer', '/poles', 'two'),
            [
                'kind' => 'plan_fit',
                'plan' => 'right',
                'id' => 'shore_contactor',
                'component' => [
                    'type' => 'contactor',
                    'label' => 'Converter contactor',
                    'contact' => 'no',
                    'coil' => ['at' => 'inlet', 'port' => 'out'],
                    'coilW' => Write::told(5),
                    'ratingA' => 20,
                    'lamp' => 'output',
                ],
            ],
            [
                'kind' => 'plan_fit',
                'plan' => 'right',
                'id' => 'converter_outlet',
                'component' => [
                    'type' => 'circuit',
                    'label' => 'Converter outlet',
                    'hot' => ['at' => 'shore_contactor', 'port' => 'out'],
                    'neutral' => ['at' => 'shore_contactor', 'port' => 'out'],
                    'cable' => Write::cable('awg:14', 0.9, '3 ft'),
                    'gfci' => 'none',
                    'place' => 'fixed',
                ],
            ],
            $plan('right', 'c_converter', '/feeds', ['at' => 'shore_contactor', 'port' => 'in']),
            $plan('right', 'converter', '/plug', 'converter_outlet'),
            ['kind' => 'add_plan', 'id' => 'hand', 'title' => 'By hand, centre-off'],
            $plan('hand', 'old_transfer', '/kind', 'manual'),
            $plan('hand', 'old_transfer', '/poles', 'two'),
            [
                'kind' => 'plan_fit',
                'plan' => 'hand',
                'id' => 'unplug_converter',
                'component' => [
                    'type' => 'instruction',
                    'label' => 'Converter unplugged while inverting',
                    'device' => 'converter',
                    'while' => 'inverting',
                ],
            ],
        ];
    }
}
