<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/**
 * A van that reads the tide gauges along a causeway: charged on the road by a relay that somebody put in when the
 * engine was another, with two panels on the roof. Everything in it is invented.
 */
final class CausewayVan
{
    /** @return list<array<string, mixed>> */
    public static function survey(): array
    {
        $lead = fn(
            string $id,
            string $label,
            string $from,
            string $to,
            string $pole,
            string $size,
            float $m,
        ): array => [
            'kind' => 'survey_add',
            'id' => $id,
            'component' => [
                'type' => 'lead',
                'label' => $label,
                'from' => $from,
                'to' => $to,
                'pole' => $pole,
                'cable' => ['size' => Write::read($size), 'lengthM' => Write::told($m), 'sheath' => 'single'],
            ],
        ];

        return [
            ['kind' => 'lay_out', 'layout' => 'van_inverter'],
            Write::set('house', '/unitAh', Write::read(100)),
            Write::set('house_fuse', '/ratingA', Write::read(60)),
            Write::add('alternator', [
                'type' => 'alternator',
                'label' => 'Alternator',
                'spareA' => Write::told(90),
                'idleA' => Write::told(35),
                'holdsV' => ['value' => 14.3, 'basis' => 'measured', 'by' => 'Posy Tarn'],
                'control' => 'smart',
            ]),
            Write::add('starter', [
                'type' => 'battery_bank',
                'label' => 'Starter battery',
                'chemistry' => 'flooded',
                'unitV' => 12,
                'unitAh' => Write::read(80),
                'series' => 1,
                'parallel' => 1,
            ]),
            $lead('ld_alt', 'Alternator to starter battery', 'alternator.pos', 'starter.pos', 'positive', 'awg:2', 1.2),
            $lead('ld_alt_neg', 'Starter battery to engine', 'alternator.neg', 'starter.neg', 'negative', 'awg:2', 0.9),
            Write::add('charge_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Charge line fuse',
                'family' => 'anl',
                'ratingA' => Write::read(60),
            ]),
            Write::add('relay', [
                'type' => 'separator',
                'label' => 'Charging relay',
                'ratingA' => Write::read(100),
                'by' => 'volts',
                'closesV' => Write::read(13.3),
                'opensV' => Write::read(12.8),
                'closesAfterS' => 3,
                'opensAfterS' => 10,
            ]),
            $lead(
                'ld_charge',
                'Starter battery to charge fuse',
                'starter.pos',
                'charge_fuse.in',
                'positive',
                'awg:6',
                0.3,
            ),
            $lead('ld_relay', 'Charge fuse to relay', 'charge_fuse.out', 'relay.a', 'positive', 'awg:6', 4.6),
            $lead('ld_relay_out', 'Relay to house battery', 'relay.b', 'house.pos', 'positive', 'awg:6', 0.6),
            $lead('ld_relay_neg', 'Relay, sensing', 'relay.neg', 'house.neg', 'negative', 'awg:16', 0.6),
            $lead(
                'ld_return',
                'House battery to starter battery',
                'house.neg',
                'starter.neg',
                'negative',
                'awg:6',
                4.8,
            ),
            Write::add('panels', [
                'type' => 'solar_charger',
                'label' => 'Roof panels',
                'panelW' => Write::read(175),
                'panelVoc' => Write::read(24.2),
                'panelVmp' => Write::read(20.1),
                'panelIsc' => Write::read(9.3),
                'series' => 2,
                'parallel' => 1,
                'coldestC' => ['value' => -15, 'basis' => 'assumed'],
                'limitV' => Write::read(75),
                'outputA' => Write::read(20),
                'outputV' => Write::read(14.4),
                'kind' => 'tracking',
                'profile' => 'lead',
            ]),
            Write::add('solar_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Solar fuse',
                'family' => 'blade',
                'ratingA' => Write::read(30),
            ]),
            $lead('ld_solar', 'Controller to solar fuse', 'panels.pos', 'solar_fuse.in', 'positive', 'awg:8', 1.5),
            $lead(
                'ld_solar_on',
                'Solar fuse to 12 V panel',
                'solar_fuse.out',
                'dc_panel.pos',
                'positive',
                'awg:8',
                0.4,
            ),
            $lead('ld_solar_neg', 'Controller to 12 V panel', 'panels.neg', 'dc_panel.neg', 'negative', 'awg:8', 1.6),
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => [
                    'noon' => ['title' => 'Noon meal', 'order' => 1, 'running' => ['c_micro.oven' => true]],
                ],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function plans(): array
    {
        $fit = fn(string $id, array $component): array => [
            'kind' => 'plan_fit',
            'plan' => 'dcdc',
            'id' => $id,
            'component' => $component,
        ];
        $lead = fn(string $id, string $label, string $from, string $to, string $pole, float $m): array => $fit($id, [
            'type' => 'lead',
            'label' => $label,
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => ['size' => 'awg:6', 'lengthM' => $m, 'sheath' => 'single'],
        ]);
        $out = fn(string $id): array => ['kind' => 'plan_remove', 'plan' => 'dcdc', 'component' => $id];

        return [
            ['kind' => 'add_plan', 'id' => 'dcdc', 'title' => 'DC-DC charger in place of the relay'],
            $out('ld_relay'),
            $out('ld_relay_out'),
            $out('ld_relay_neg'),
            $out('relay'),
            $fit('dcdc', [
                'type' => 'dcdc_charger',
                'label' => 'DC-DC charger 20 A',
                'outputA' => 20,
                'outputV' => 14.4,
                'inputNominalV' => 12,
                'efficiency' => 0.9,
                'cutsInV' => 9,
                'profile' => 'lead',
                'ignition' => 'alternator',
            ]),
            $fit('dcdc_fuse', [
                'type' => 'dc_fuse',
                'label' => 'DC-DC output fuse',
                'family' => 'anl',
                'ratingA' => 40,
            ]),
            $lead('ld_dcdc_in', 'Charge fuse to DC-DC charger', 'charge_fuse.out', 'dcdc.in_pos', 'positive', 4.6),
            $lead('ld_dcdc_in_neg', 'DC-DC charger to starter battery', 'dcdc.in_neg', 'starter.neg', 'negative', 4.8),
            $lead('ld_dcdc', 'DC-DC charger to its fuse', 'dcdc.pos', 'dcdc_fuse.out', 'positive', 0.5),
            $lead('ld_dcdc_on', 'Fuse to house battery', 'dcdc_fuse.in', 'house.pos', 'positive', 0.15),
            $lead('ld_dcdc_neg', 'DC-DC charger to house battery', 'dcdc.neg', 'house.neg', 'negative', 0.6),
        ];
    }
}
