<?php

declare(strict_types=1);

namespace Database\Seeders;

use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use stdClass;

/**
 * The rigs of the demo workshop, as the edits that make them. Everything in them is invented:
 * a trailer a grafting school tows from orchard to orchard; a map archive's trailer in which
 * somebody fitted an inverter years ago; a van that counts birds on the tide line.
 */
final class DemoRigs
{
    /** One of them as the document its edits make. */
    public static function document(string $name): stdClass
    {
        $rig = self::all()[$name];
        $document = JobFile::blank($rig['title'], $rig['kind']);
        foreach ([...$rig['survey'], ...$rig['plans']] as $intent) {
            $document = Intents::apply(
                $document,
                json_decode((string) json_encode($intent, JSON_PRESERVE_ZERO_FRACTION), false, 32, JSON_THROW_ON_ERROR),
            )->document;
        }

        return $document;
    }

    /**
     * @return array<string, array{title: string, kind: string, customer: string, survey: list<array<string, mixed>>,
     *      plans: list<array<string, mixed>>}>
     */
    public static function all(): array
    {
        return [
            'grafting' => [
                'title' => 'Grafting trailer 2',
                'kind' => 'travel_trailer',
                'customer' => 'Pippin & Scion grafting school',
                'survey' => self::graftingSurvey(),
                'plans' => self::graftingPlans(),
            ],
            'archive' => [
                'title' => 'Map archive trailer',
                'kind' => 'travel_trailer',
                'customer' => 'Harrow Mobile Archive',
                'survey' => self::archiveSurvey(),
                'plans' => self::archivePlans(),
            ],
            'tideline' => [
                'title' => 'Tide-line van',
                'kind' => 'van',
                'customer' => 'Wader Count Society',
                'survey' => self::tidelineSurvey(),
                'plans' => self::tidelinePlans(),
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function graftingSurvey(): array
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
    private static function graftingPlans(): array
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

    /**
     * A rig whose trouble does not show by looking: the transfer switch in it has one pole, so the
     * inverter's bond stays connected on shore; the converter follows the inverter by itself.
     *
     * @return list<array<string, mixed>>
     */
    private static function archiveSurvey(): array
    {
        return [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_separate'],
            self::set('c_outlets', '/label', 'Reading-room outlets'),
            self::set('c_outlets', '/loads', [
                'scanner' => self::load('Map scanner', 340, 'constant', 0.92),
                'lamps' => self::load('Table lamps', 90, 'constant', 0.9, true),
            ]),
            self::set('c_wet', '/label', 'Washbasin and outside outlets'),
            self::set('c_wet', '/loads', ['urn' => self::load('Tea urn', 1000)]),
            self::set('c_air', '/label', 'Dehumidifier'),
            self::set('c_air', '/loads', [
                'unit' => self::load('Dehumidifier', 620, 'motor', 0.82, true, true) + [
                    'lockedRotorA' => self::read(31),
                ],
            ]),
            self::set('c_water', '/label', 'Film cabinet heater'),
            self::set('c_water', '/loads', [
                'element' => self::load('Film cabinet heater', 400, 'resistive', 1.0, true, true),
            ]),
            self::set('c_fridge', '/label', 'Film cold cabinet'),
            self::set('c_fridge', '/loads', [
                'element' => self::load('Cold cabinet, absorption', 310, 'resistive', 1.0, true, true),
            ]),
            self::set('c_outlets', '/cable', self::cable('awg:14', 6.1, '20 ft')),
            self::set('converter', '/label', 'Converter on a plug'),
            self::set('house', '/label', 'Archive batteries'),
            self::set('house', '/chemistry', 'agm'),
            self::set('house', '/unitAh', self::read(100)),
            self::set('house', '/parallel', 2),
            // Found behind the bench seat, with no label.
            self::add('old_inverter', [
                'type' => 'inverter',
                'label' => 'Old inverter 2000 W',
                'continuousW' => self::read(2000),
                'surgeW' => self::told(4000),
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
            self::add('old_transfer', [
                'type' => 'transfer_switch',
                'label' => 'Old transfer switch',
                'kind' => 'automatic',
                'poles' => 'one',
                'ratingA' => 30,
                'prefers' => 'a',
                'rest' => 'b',
                'delayS' => 15,
            ]),
            self::set('feeder_main', '/to', ['at' => 'old_transfer', 'port' => 'in_a']),
            self::add(
                'old_inverter_out',
                self::feeder(
                    'Old inverter to transfer switch',
                    'old_inverter',
                    'ac_out',
                    'old_transfer',
                    'in_b',
                    self::cable('awg:12', 2.4, '8 ft'),
                ),
            ),
            self::add(
                'old_transfer_out',
                self::feeder(
                    'Transfer switch to main panel',
                    'old_transfer',
                    'out',
                    'main_panel',
                    'line',
                    self::cable('awg:10', 1.2, '4 ft'),
                ),
            ),
            self::add('old_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Inverter fuse',
                'family' => 'anl',
                'ratingA' => self::read(200),
            ]),
            self::add('old_disconnect', [
                'type' => 'dc_switch',
                'label' => 'Battery switch',
                'ratingA' => self::read(300),
            ]),
            self::add(
                'ld_old_switch',
                self::lead('Battery to switch', 'house.pos', 'old_disconnect.in', 'positive', 'awg:1/0', 0.15),
            ),
            self::add(
                'ld_old_fuse',
                self::lead('Switch to inverter fuse', 'old_disconnect.out', 'old_fuse.in', 'positive', 'awg:1/0', 0.15),
            ),
            self::add(
                'ld_old_pos',
                self::lead('Fuse to old inverter', 'old_fuse.out', 'old_inverter.pos', 'positive', 'awg:1/0', 2.6),
            ),
            self::add(
                'ld_old_neg',
                self::lead('Old inverter to battery', 'house.neg', 'old_inverter.neg', 'negative', 'awg:1/0', 2.7),
            ),
            self::set('ld_house', '/from', 'old_disconnect.out'),
            self::add('gas_detector', [
                'type' => 'dc_load',
                'label' => 'Propane detector',
                'use' => 'detector',
                'amps' => self::read(0.1),
            ]),
            self::add(
                'ld_gas',
                self::lead('12 V panel to detector', 'dc_panel.fused', 'gas_detector.pos', 'positive', 'awg:14', 2.0),
            ),
            self::add(
                'ld_gas_neg',
                self::lead('Detector to 12 V panel', 'dc_panel.neg', 'gas_detector.neg', 'negative', 'awg:14', 2.0),
            ),
            self::add('breakaway', [
                'type' => 'dc_load',
                'label' => 'Breakaway brakes',
                'use' => 'breakaway',
                'amps' => self::told(16),
            ]),
            self::add(
                'ld_break',
                self::lead('Battery to breakaway switch', 'house.pos', 'breakaway.pos', 'positive', 'awg:10', 1.5),
            ),
            self::add(
                'ld_break_neg',
                self::lead('Breakaway to battery', 'house.neg', 'breakaway.neg', 'negative', 'awg:10', 1.5),
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
    private static function archivePlans(): array
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
                    'coilW' => self::told(5),
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
                    'cable' => self::cable('awg:14', 0.9, '3 ft'),
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

    /**
     * The largest rig: a surge unit, a portable generator the cord is carried to, a factory inverter
     * with outlets of its own, and a charger that somebody plugged into one of them.
     *
     * @return list<array<string, mixed>>
     */
    private static function tidelineSurvey(): array
    {
        return [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_in_panel'],
            self::set('c_outlets', '/label', 'Work-desk outlets'),
            self::set('c_outlets', '/loads', [
                'radio' => self::load('Radio and recorder', 140, 'constant', 0.9, true),
                'computer' => self::load('Field computer', 95, 'constant', 0.95, true),
            ]),
            self::set('c_wet', '/label', 'Wet room and galley'),
            self::set('c_wet', '/loads', ['boiler' => self::load('Boot-drying heater', 750)]),
            self::set('c_air', '/loads', [
                'unit' => self::load('Air conditioner', 1450, 'motor', 0.93, true, true) + [
                    'lockedRotorA' => self::read(58),
                ],
            ]),
            self::set('c_water', '/label', 'Water heater element'),
            self::set('c_fridge', '/label', 'Absorption fridge'),
            self::set('c_water', '/hot', ['panel' => 'main_panel', 'slot' => 5, 'half' => 'a']),
            self::add('c_tanks', [
                'type' => 'circuit',
                'label' => 'Tank heaters',
                'hot' => ['panel' => 'main_panel', 'slot' => 5, 'half' => 'b'],
                'neutral' => ['panel' => 'main_panel'],
                'breakerA' => self::read(15),
                'cable' => self::cable('awg:14', 4.6, '15 ft'),
                'gfci' => 'none',
                'place' => 'fixed',
                'loads' => ['pads' => self::load('Tank heater pads', 260, 'resistive', 1.0, true, true)],
            ]),
            self::add('genset', [
                'type' => 'generator',
                'label' => 'Portable generator',
                'ratedW' => self::read(2200),
                'surgeW' => self::read(2800),
                'outletA' => self::read(20),
                'mount' => 'portable',
                'bond' => 'floating',
                'reaches' => 'inlet',
            ]),
            self::add('guard', [
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
            self::set('feeder_main', '/from', ['at' => 'guard', 'port' => 'out']),
            self::add(
                'guard_feed',
                self::feeder('Inlet to surge unit', 'inlet', 'out', 'guard', 'in', self::cable('awg:10', 0.6, '2 ft')),
            ),
            self::add('factory_inverter', [
                'type' => 'inverter',
                'label' => 'Factory inverter 1000 W',
                'continuousW' => self::read(1000),
                'surgeW' => self::told(2000),
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
            self::add('c_locker', [
                'type' => 'circuit',
                'label' => 'Locker outlets',
                'hot' => ['at' => 'factory_inverter', 'port' => 'ac_out'],
                'neutral' => ['at' => 'factory_inverter', 'port' => 'ac_out'],
                'cable' => self::cable('awg:14', 3.4, '11 ft'),
                'gfci' => 'none',
                'place' => 'general',
                'loads' => ['lenses' => self::load('Lens dryer', 80, 'resistive', 1.0, true)],
            ]),
            // Trouble nobody sees from the panel: a battery charger lives in the locker.
            self::add('locker_charger', [
                'type' => 'converter',
                'label' => 'Charger in the locker',
                'outputA' => 20,
                'outputV' => 14.4,
                'efficiency' => self::told(0.82),
                'mount' => 'charger',
                'profile' => 'lead',
                'plug' => 'c_locker',
            ]),
            self::add('fact_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Factory inverter fuse',
                'family' => 'mrbf',
                'ratingA' => self::read(125),
            ]),
            self::add(
                'ld_fact_fuse',
                self::lead('Battery to inverter fuse', 'house.pos', 'fact_fuse.in', 'positive', 'awg:2', 0.15),
            ),
            self::add(
                'ld_fact',
                self::lead(
                    'Fuse to factory inverter',
                    'fact_fuse.out',
                    'factory_inverter.pos',
                    'positive',
                    'awg:2',
                    1.8,
                ),
            ),
            self::add(
                'ld_fact_neg',
                self::lead(
                    'Factory inverter to battery',
                    'house.neg',
                    'factory_inverter.neg',
                    'negative',
                    'awg:2',
                    1.9,
                ),
            ),
            self::add(
                'ld_charger',
                self::lead('Charger to 12 V panel', 'locker_charger.pos', 'dc_panel.pos', 'positive', 'awg:10', 2.0),
            ),
            self::add(
                'ld_charger_neg',
                self::lead('Charger to 12 V panel', 'locker_charger.neg', 'dc_panel.neg', 'negative', 'awg:10', 2.0),
            ),
            self::add('co_detector', [
                'type' => 'dc_load',
                'label' => 'CO detector',
                'use' => 'detector',
                'amps' => self::read(0.1),
            ]),
            self::add(
                'ld_co',
                self::lead('12 V panel to detector', 'dc_panel.fused', 'co_detector.pos', 'positive', 'awg:14', 2.5),
            ),
            self::add(
                'ld_co_neg',
                self::lead('Detector to 12 V panel', 'dc_panel.neg', 'co_detector.neg', 'negative', 'awg:14', 2.5),
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
    private static function tidelinePlans(): array
    {
        $joined = fn(string $plan): array => [
            [
                'kind' => 'plan_fit',
                'plan' => $plan,
                'id' => 'locker_splice',
                'component' => ['type' => 'splice_box', 'label' => 'Locker splice box', 'volumeCm3' => self::told(295)],
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
                'breakerA' => self::told(15),
                'cable' => self::cable('awg:14', 1.8, '6 ft'),
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

    /** @return array<string, mixed> */
    private static function read(mixed $value): array
    {
        return ['value' => $value, 'basis' => 'read_off', 'by' => 'Posy Tarn'];
    }

    /** @return array<string, mixed> */
    private static function told(mixed $value): array
    {
        return ['value' => $value, 'basis' => 'told'];
    }

    /** @return array<string, mixed> */
    private static function set(string $component, string $path, mixed $value): array
    {
        return ['kind' => 'survey_set', 'component' => $component, 'path' => $path, 'value' => $value];
    }

    /**
     * @param array<string, mixed> $component
     * @return array<string, mixed>
     */
    private static function add(string $id, array $component): array
    {
        return ['kind' => 'survey_add', 'id' => $id, 'component' => $component];
    }

    /** @return array<string, mixed> */
    private static function cable(string $size, float $m, string $entered, string $sheath = 'nm_b'): array
    {
        return [
            'size' => self::read($size),
            'lengthM' => ['value' => $m, 'basis' => 'measured', 'entered' => $entered],
            'sheath' => $sheath,
        ];
    }

    /**
     * @param array<string, mixed> $cable
     * @return array<string, mixed>
     */
    private static function feeder(
        string $label,
        string $from,
        string $fromPort,
        string $to,
        string $toPort,
        array $cable,
    ): array {
        return [
            'type' => 'feeder',
            'label' => $label,
            'from' => ['at' => $from, 'port' => $fromPort],
            'to' => ['at' => $to, 'port' => $toPort],
            'cable' => $cable,
        ];
    }

    /** @return array<string, mixed> */
    private static function lead(string $label, string $from, string $to, string $pole, string $size, float $m): array
    {
        return [
            'type' => 'lead',
            'label' => $label,
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => [
                'size' => self::read($size),
                'lengthM' => ['value' => $m, 'basis' => 'measured'],
                'sheath' => 'fine',
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function load(
        string $label,
        float $w,
        string $kind = 'resistive',
        float $pf = 1.0,
        bool $long = false,
        bool $itself = false,
    ): array {
        return [
            'label' => $label,
            'watts' => self::read($w),
            'kind' => $kind,
            'powerFactor' => $pf,
            'continuous' => $long,
            'startsByItself' => $itself,
        ];
    }
}
