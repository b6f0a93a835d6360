<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

/** Where things stand in the demo rigs. */
final class Places
{
    private const PLACES = [
        'grafting' => [
            'rig' => [
                'baseM' => 4.35,
                'noseM' => 1.15,
                'bodyM' => 5.9,
                'widthM' => 2.35,
                'heightM' => 2.05,
                'trackM' => 1.9,
                'axles' => 1,
                'totalKg' => 1790,
                'couplerKg' => 196,
                'weighedBy' => 'scale',
                'maxTotalKg' => 2000,
                'maxCouplerKg' => 250,
                'maxAxlesKg' => 1750,
            ],
            'zones' => [
                'tongue' => [
                    'label' => 'Tongue, in the open',
                    'xM' => 0.75,
                    'upM' => -0.1,
                    'widthM' => 0.5,
                    'depthM' => 0.8,
                    'heightM' => 0.4,
                    'toOutside' => true,
                    'gas' => true,
                    'lowC' => -10,
                ],
                'locker' => [
                    'label' => 'Front locker',
                    'xM' => 1.6,
                    'leftM' => 0.0,
                    'widthM' => 0.7,
                    'depthM' => 2.1,
                    'heightM' => 0.55,
                    'openWidthM' => 0.6,
                    'openHeightM' => 0.4,
                    'doorM' => 0.4,
                    'lowC' => -4,
                    'highC' => 32,
                    'reached' => true,
                ],
                'dinette' => [
                    'label' => 'Under the dinette',
                    'xM' => 4.9,
                    'leftM' => 0.75,
                    'widthM' => 1.1,
                    'depthM' => 0.6,
                    'heightM' => 0.42,
                    'openWidthM' => 0.5,
                    'openHeightM' => 0.38,
                    'inside' => true,
                    'highC' => 27,
                    'reached' => false,
                ],
                'galley' => [
                    'label' => 'Galley cabinet',
                    'xM' => 4.6,
                    'leftM' => -0.9,
                    'widthM' => 0.6,
                    'depthM' => 0.45,
                    'heightM' => 0.75,
                    'inside' => true,
                    'water' => true,
                    'reached' => true,
                ],
            ],
            'items' => [
                'house' => ['zone' => 'tongue', 'kg' => ['value' => 27, 'basis' => 'measured'], 'strapped' => true],
                'house_fuse' => ['zone' => 'tongue', 'xM' => 0.95, 'leftM' => 0.2, 'upM' => 0.1],
                'converter' => ['zone' => 'galley', 'xM' => 4.45, 'upM' => 0.1],
                'main_panel' => ['zone' => 'galley', 'xM' => 4.75, 'upM' => 0.5, 'held' => 'wall'],
                'inverter_panel' => ['xM' => 4.75, 'leftM' => -1.0, 'upM' => 1.0, 'held' => 'wall'],
                'bank' => ['zone' => 'dinette', 'xM' => 5.1],
                'inverter' => ['zone' => 'dinette', 'xM' => 4.65, 'leftM' => 0.7],
                'main_fuse' => ['zone' => 'dinette', 'xM' => 5.1, 'leftM' => 0.95, 'upM' => 0.28],
                'disconnect' => ['zone' => 'dinette', 'xM' => 5.25, 'leftM' => 0.95, 'upM' => 0.28],
                'shunt' => ['zone' => 'dinette', 'xM' => 5.35, 'leftM' => 0.7, 'upM' => 0.28],
                'pos_bar' => ['zone' => 'dinette', 'xM' => 4.95, 'leftM' => 0.95, 'upM' => 0.34],
                'neg_bar' => ['zone' => 'dinette', 'xM' => 5.35, 'leftM' => 0.9, 'upM' => 0.34],
            ],
            'things' => [
                'water' => ['label' => 'Fresh water, full', 'kg' => 150, 'xM' => 3.6],
                'propane' => ['label' => 'Propane, two', 'kg' => 34, 'xM' => 0.55],
                'scions' => ['label' => 'Grafting stock', 'kg' => 60, 'xM' => 6.3, 'leftM' => -0.4],
            ],
        ],
        'causeway' => [
            'rig' => [
                'baseM' => 3.64,
                'noseM' => -0.95,
                'bodyM' => 5.98,
                'widthM' => 2.0,
                'heightM' => 1.85,
                'trackM' => 1.75,
                'frontKg' => 1480,
                'rearKg' => 1530,
                'weighedBy' => 'scale',
                'maxFrontKg' => 1850,
                'maxRearKg' => 2000,
                'maxTotalKg' => 3500,
            ],
            'zones' => [
                'bench' => [
                    'label' => 'Bench over the wheel',
                    'xM' => 3.9,
                    'leftM' => 0.7,
                    'widthM' => 1.3,
                    'depthM' => 0.5,
                    'heightM' => 0.45,
                    'inside' => true,
                    'highC' => 30,
                    'ventCm2' => 60,
                    'ventRiseM' => 0.3,
                ],
                'bonnet' => [
                    'label' => 'Engine bay',
                    'xM' => -0.2,
                    'widthM' => 0.8,
                    'depthM' => 1.2,
                    'heightM' => 0.6,
                    'toOutside' => true,
                    'highC' => 65,
                ],
            ],
            'items' => [
                'house' => ['zone' => 'bench', 'xM' => 3.65, 'strapped' => true],
                'house_fuse' => ['zone' => 'bench', 'xM' => 3.35, 'leftM' => 0.75, 'upM' => 0.3],
                'inverter' => ['zone' => 'bench', 'xM' => 4.25],
                'inverter_fuse' => ['zone' => 'bench', 'xM' => 4.05, 'leftM' => 0.9, 'upM' => 0.3],
                'converter' => ['zone' => 'bench', 'xM' => 4.45, 'leftM' => 0.6],
                'main_panel' => ['xM' => 4.6, 'leftM' => 0.85, 'upM' => 0.6, 'held' => 'wall'],
                'starter' => ['zone' => 'bonnet', 'leftM' => 0.4, 'strapped' => true],
                'charge_fuse' => ['zone' => 'bonnet', 'xM' => -0.05, 'leftM' => 0.5],
                'panels' => ['xM' => 3.2, 'upM' => 1.9],
                'solar_fuse' => ['zone' => 'bench', 'xM' => 3.35, 'leftM' => 0.6, 'upM' => 0.3],
                'dcdc' => ['zone' => 'bench', 'xM' => 3.45, 'leftM' => 0.8, 'upM' => 0.2],
                'dcdc_fuse' => ['zone' => 'bench', 'xM' => 3.35, 'leftM' => 0.9, 'upM' => 0.3],
            ],
            'routes' => [
                'ld_charge' => [
                    'segments' => [
                        's1' => [
                            'order' => 1,
                            'lengthM' => 1.2,
                            'through' => 'engine',
                            'exposure' => 'heat',
                            'protection' => 'loom',
                        ],
                        's2' => [
                            'order' => 2,
                            'lengthM' => 2.6,
                            'through' => 'under',
                            'exposure' => 'road',
                            'protection' => 'conduit',
                        ],
                        's3' => ['order' => 3, 'lengthM' => 0.9, 'through' => 'inside'],
                    ],
                ],
            ],
        ],
    ];

    /** @return list<array<string, mixed>> edits that write them down */
    public static function of(string $rig): array
    {
        $edits = [];
        foreach (self::PLACES[$rig] as $what => $value) {
            $edits[] = ['kind' => 'set_place', 'path' => "/{$what}", 'value' => $value];
        }

        return $edits;
    }
}
