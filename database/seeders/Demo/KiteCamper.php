<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/**
 * The camper of a school that flies kites for the weather: it works, and nobody has seen what is wrong with it. A
 * selector between the engine's battery and the lithium that took the old one's place, a charge line without a fuse, a
 * clamp that was turned by hand. Everything in it is invented.
 */
final class KiteCamper
{
    /** @return list<array<string, mixed>> */
    public static function survey(): array
    {
        return [
            ['kind' => 'lay_out', 'layout' => 'truck_camper_30'],
            Write::set('house', '/chemistry', 'lfp'),
            Write::set('house', '/unitV', 12.8),
            Write::set('house', '/unitAh', Write::read(150)),
            Write::set('house', '/unitMilliohm', ['value' => 3.2, 'basis' => 'read_off']),
            Write::set('house', '/management', 'together'),
            Write::set('house', '/bmsContinuousA', Write::read(120)),
            Write::set('house', '/bmsChargeA', Write::read(75)),
            Write::add('engine', [
                'type' => 'alternator',
                'label' => 'Truck alternator',
                'spareA' => Write::told(80),
                'idleA' => Write::told(30),
                'holdsV' => ['value' => 14.4, 'basis' => 'measured', 'by' => 'Posy Tarn'],
                'control' => 'unknown',
            ]),
            Write::add('starter', [
                'type' => 'battery_bank',
                'label' => 'Truck battery',
                'chemistry' => 'flooded',
                'unitV' => 12,
                'unitAh' => Write::read(90),
                'series' => 1,
                'parallel' => 1,
            ]),
            Write::add('selector', [
                'type' => 'battery_selector',
                'label' => 'Battery selector',
                'ratingA' => Write::read(250),
                'usual' => 'two',
            ]),
            Write::add(
                'lead_engine',
                Write::lead('Alternator to its battery', 'engine.pos', 'starter.pos', 'positive', 'awg:4', 0.7),
            ),
            Write::add(
                'lead_engine_neg',
                Write::lead('Engine, negative', 'engine.neg', 'starter.neg', 'negative', 'awg:4', 0.5),
            ),
            Write::add(
                'lead_line',
                Write::lead('Charge line', 'starter.pos', 'selector.one', 'positive', 'awg:8', 5.4),
            ),
            ['kind' => 'survey_set', 'component' => 'ld_house', 'path' => '/to', 'value' => 'selector.two'],
            Write::add(
                'lead_common',
                Write::lead('Selector to fuse', 'selector.common', 'house_fuse.in', 'positive', 'awg:6', 0.4),
            ),
            Write::add('lead_return', [
                ...Write::lead('House to truck, negative', 'house.neg', 'starter.neg', 'negative', 'awg:8', 5.6),
                'ends' => 'clamp',
                'jointMilliohm' => ['value' => 4.5, 'basis' => 'measured', 'by' => 'Posy Tarn'],
            ]),
            Write::add('truck_bond', [
                'type' => 'frame_bond',
                'label' => 'Truck battery to frame',
                'from' => 'starter.neg',
                'cable' => ['size' => 'awg:4', 'lengthM' => 0.4],
            ]),
            Write::add('side', [
                'type' => 'side_inlet',
                'label' => 'Side socket',
                'panelW' => Write::read(100),
                'panelVoc' => Write::read(22.4),
                'controller' => 'none',
            ]),
            Write::add(
                'lead_side',
                Write::lead('Side socket to battery', 'side.pos', 'house.pos', 'positive', 'awg:14', 2.6),
            ),
            Write::add(
                'lead_side_neg',
                Write::lead('Side socket, negative', 'side.neg', 'house.neg', 'negative', 'awg:14', 2.6),
            ),
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => [
                    'supper' => ['title' => 'Supper', 'order' => 1, 'running' => ['c_micro.oven' => true]],
                ],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function plans(): array
    {
        $move = fn(string $id, string $path, string $to): array => [
            'kind' => 'plan_set',
            'plan' => 'apart',
            'component' => $id,
            'path' => $path,
            'value' => $to,
        ];
        $out = fn(string $id): array => ['kind' => 'plan_remove', 'plan' => 'apart', 'component' => $id];

        return [
            ['kind' => 'add_plan', 'id' => 'apart', 'title' => 'Selector out, DC-DC charger in'],
            $move('ld_house', '/to', 'house_fuse.in'),
            $out('lead_common'),
            $out('lead_line'),
            $out('selector'),
            $out('lead_side'),
            $out('lead_side_neg'),
            $out('side'),
            [
                'kind' => 'plan_set',
                'plan' => 'apart',
                'component' => 'lead_return',
                'path' => '/ends',
                'value' => 'bolted',
            ],
            [
                'kind' => 'plan_set',
                'plan' => 'apart',
                'component' => 'lead_return',
                'path' => '/jointMilliohm',
                'value' => ['value' => 0.2, 'basis' => 'told'],
            ],
            [
                'kind' => 'plan_set',
                'plan' => 'apart',
                'component' => 'converter',
                'path' => '/profile',
                'value' => 'lithium',
            ],
            ['kind' => 'plan_set', 'plan' => 'apart', 'component' => 'house', 'path' => '/cold', 'value' => 'blocks'],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'apart',
                'recipe' => 'charge_engine',
                'options' => [
                    'school' => 'dcdc',
                    'outputA' => 30,
                    'profile' => 'lithium',
                    'size' => 'awg:6',
                    'runM' => 5.6,
                ],
            ],
        ];
    }
}
