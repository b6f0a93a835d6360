<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/**
 * The trailer of two organ tuners: lithium for the bellows' blower beside the lead battery it came with, panels on two
 * controllers, a charge line from the vehicle in front. Everything in it is invented.
 */
final class BellowsTrailer
{
    /** @return list<array<string, mixed>> */
    public static function survey(): array
    {
        $unit = fn(string $label, float $ah, string $management): array => [
            'type' => 'battery_bank',
            'label' => $label,
            'chemistry' => 'lfp',
            'unitV' => 12.8,
            'unitAh' => Write::read($ah),
            'series' => 1,
            'parallel' => 1,
            'unitMilliohm' => ['value' => round(900 / $ah, 1), 'basis' => 'told'],
            'bmsContinuousA' => Write::read($ah),
            'bmsPeakA' => Write::told(2 * $ah),
            'bmsChargeA' => Write::read($ah / 2),
            'management' => $management,
            'cold' => 'blocks',
        ];
        $panels = fn(string $label, int $series): array => [
            'type' => 'solar_charger',
            'label' => $label,
            'panelW' => Write::read(190),
            'panelVoc' => Write::read(24.6),
            'panelVmp' => Write::read(20.4),
            'panelIsc' => Write::read(9.9),
            'series' => $series,
            'parallel' => 1,
            'coldestC' => ['value' => -25, 'basis' => 'assumed'],
            'limitV' => Write::read(100),
            'outputA' => Write::read(30),
            'outputV' => 14.2,
            'kind' => 'tracking',
            'profile' => 'lithium',
            'arrayBreakerA' => 20,
            'arrayBreakerV' => 150,
            'stoppedBy' => 'lith_long',
        ];
        $fuse = fn(string $label, string $family, float $amps): array => [
            'type' => 'dc_fuse',
            'label' => $label,
            'family' => $family,
            'ratingA' => Write::read($amps),
        ];
        $bar = fn(string $label, string $pole, ?float $ratingA): array => [
            'type' => 'bus_bar',
            'label' => $label,
            'pole' => $pole,
        ] + ($ratingA === null ? ['sectionMm2' => 60] : ['ratingA' => $ratingA]);

        return [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_separate'],
            Write::set('house', '/unitAh', Write::read(85)),
            Write::set('dc_panel', '/loadA', Write::told(6)),
            Write::add('lith_long', $unit('Lithium, long', 200, 'apart')),
            Write::add('lith_short', $unit('Lithium, short', 100, 'together')),
            Write::add('fuse_long', $fuse('Fuse, long', 'class_t', 200)),
            Write::add('fuse_short', $fuse('Fuse, short', 'class_t', 110)),
            Write::add('lith_switch', [
                'type' => 'dc_switch',
                'label' => 'Lithium switch',
                'ratingA' => Write::read(300),
                'prechargeOhm' => 33,
            ]),
            Write::add('lith_bar', $bar('Lithium bar', 'positive', 250)),
            Write::add('lith_neg', $bar('Lithium negative bar', 'negative', null)),
            Write::add(
                'lead_long',
                Write::lead('Long to fuse', 'lith_long.pos', 'fuse_long.in', 'positive', 'awg:1/0', 0.12),
            ),
            Write::add(
                'lead_short',
                Write::lead('Short to fuse', 'lith_short.pos', 'fuse_short.in', 'positive', 'awg:2', 0.12),
            ),
            Write::add(
                'lead_long_on',
                Write::lead('Long to switch', 'fuse_long.out', 'lith_switch.in', 'positive', 'awg:1/0', 0.4),
            ),
            Write::add(
                'lead_short_on',
                Write::lead('Short to switch', 'fuse_short.out', 'lith_switch.in', 'positive', 'awg:2', 0.9),
            ),
            Write::add(
                'lead_bar',
                Write::lead('Switch to bar', 'lith_switch.out', 'lith_bar.stud', 'positive', 'awg:1/0', 0.3),
            ),
            Write::add(
                'lead_long_neg',
                Write::lead('Long, negative', 'lith_long.neg', 'lith_neg.stud', 'negative', 'awg:1/0', 0.5),
            ),
            Write::add(
                'lead_short_neg',
                Write::lead('Short, negative', 'lith_short.neg', 'lith_neg.stud', 'negative', 'awg:2', 1.0),
            ),
            Write::add(
                'lead_common',
                Write::lead('Negatives together', 'lith_neg.stud', 'house.neg', 'negative', 'awg:4', 1.1),
            ),
            Write::add('east', $panels('Panels, east roof', 2)),
            Write::add('west', $panels('Panels, west roof', 1)),
            Write::add('fuse_east', $fuse('East fuse', 'mrbf', 40)),
            Write::add('fuse_west', $fuse('West fuse', 'mrbf', 40)),
            Write::add(
                'lead_east',
                Write::lead('East to its fuse', 'east.pos', 'fuse_east.out', 'positive', 'awg:8', 1.4),
            ),
            Write::add(
                'lead_west',
                Write::lead('West to its fuse', 'west.pos', 'fuse_west.out', 'positive', 'awg:8', 1.4),
            ),
            Write::add(
                'lead_east_on',
                Write::lead('East fuse to bar', 'fuse_east.in', 'lith_bar.stud', 'positive', 'awg:8', 0.1),
            ),
            Write::add(
                'lead_west_on',
                Write::lead('West fuse to bar', 'fuse_west.in', 'lith_bar.stud', 'positive', 'awg:8', 0.1),
            ),
            Write::add(
                'lead_east_neg',
                Write::lead('East, negative', 'east.neg', 'lith_neg.stud', 'negative', 'awg:8', 1.5),
            ),
            Write::add(
                'lead_west_neg',
                Write::lead('West, negative', 'west.neg', 'lith_neg.stud', 'negative', 'awg:8', 1.5),
            ),
            Write::add('blower', [
                'type' => 'dc_load',
                'label' => 'Bellows blower',
                'use' => 'other',
                'amps' => Write::read(38),
            ]),
            Write::add('fuse_blower', $fuse('Blower fuse', 'mrbf', 40)),
            Write::add(
                'lead_blower',
                Write::lead('Bar to blower fuse', 'lith_bar.stud', 'fuse_blower.in', 'positive', 'awg:8', 0.1),
            ),
            Write::add(
                'lead_blower_on',
                Write::lead('Fuse to blower', 'fuse_blower.out', 'blower.pos', 'positive', 'awg:8', 1.8),
            ),
            Write::add(
                'lead_blower_neg',
                Write::lead('Blower, negative', 'blower.neg', 'lith_neg.stud', 'negative', 'awg:8', 1.8),
            ),
            Write::add('cut_off', [
                'type' => 'cut_off',
                'label' => 'Lead cut-off',
                'ratingA' => Write::read(60),
                'opensV' => Write::read(11.6),
                'closesV' => Write::read(12.4),
                'opensAfterS' => 60,
                'closesAfterS' => 10,
            ]),
            ['kind' => 'survey_set', 'component' => 'ld_dc', 'path' => '/to', 'value' => 'cut_off.in'],
            Write::add(
                'lead_cut',
                Write::lead('Cut-off to 12 V panel', 'cut_off.out', 'dc_panel.pos', 'positive', 'awg:6', 0.3),
            ),
            Write::add(
                'lead_cut_neg',
                Write::lead('Cut-off, sensing', 'cut_off.neg', 'dc_panel.neg', 'negative', 'awg:16', 0.3),
            ),
            Write::add('engine', [
                'type' => 'alternator',
                'label' => 'Tow vehicle',
                'spareA' => Write::told(60),
                'idleA' => Write::told(20),
                'holdsV' => ['value' => 14.1, 'basis' => 'measured', 'by' => 'Posy Tarn'],
                'control' => 'fixed',
            ]),
            Write::add('starter', [
                'type' => 'battery_bank',
                'label' => 'Vehicle battery',
                'chemistry' => 'flooded',
                'unitV' => 12,
                'unitAh' => Write::told(70),
                'series' => 1,
                'parallel' => 1,
            ]),
            Write::add('tow_fuse', $fuse('Vehicle\'s charge fuse', 'mrbf', 30)),
            Write::add('tow', [
                'type' => 'tow_plug',
                'label' => 'Tow plug',
                'pinA' => Write::read(30),
                'contactMilliohm' => ['value' => 9, 'basis' => 'measured', 'by' => 'Posy Tarn'],
            ]),
            Write::add(
                'lead_engine',
                Write::lead('Alternator to its battery', 'engine.pos', 'starter.pos', 'positive', 'awg:4', 0.8),
            ),
            Write::add(
                'lead_engine_neg',
                Write::lead('Engine, negative', 'engine.neg', 'starter.neg', 'negative', 'awg:4', 0.6),
            ),
            Write::add(
                'lead_tow',
                Write::lead('To charge fuse', 'starter.pos', 'tow_fuse.in', 'positive', 'awg:12', 0.12),
            ),
            Write::add(
                'lead_tow_on',
                Write::lead('Fuse to plug', 'tow_fuse.out', 'tow.in_pos', 'positive', 'awg:12', 5.2),
            ),
            Write::add(
                'lead_tow_neg',
                Write::lead('Plug, vehicle negative', 'tow.in_neg', 'starter.neg', 'negative', 'awg:12', 5.0),
            ),
            Write::add('lead_line', Write::lead('Charge line', 'tow.pos', 'house.pos', 'positive', 'awg:12', 4.4)),
            Write::add(
                'lead_line_neg',
                Write::lead('Plug, trailer negative', 'tow.neg', 'house.neg', 'negative', 'awg:12', 4.4),
            ),
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => [
                    'tuning' => ['title' => 'A day of tuning', 'order' => 1, 'running' => new \stdClass()],
                ],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function plans(): array
    {
        return [
            ['kind' => 'add_plan', 'id' => 'road', 'title' => 'DC-DC charger on the charge line'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'road',
                'recipe' => 'charge_engine',
                'options' => [
                    'school' => 'dcdc',
                    'outputA' => 12,
                    'profile' => 'lithium',
                    'size' => 'awg:8',
                    'fuseA' => 30,
                    'runM' => 4.6,
                ],
            ],
        ];
    }
}
