<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Field;

/**
 * What is asked of where things stand. Along the rig every place is counted in metres to the rear, from the coupler
 * of a trailer or the front axle of a motorhome; across it to the left of the middle; up from the floor.
 */
final class Asked
{
    /** @return array<string, Field> of the rig itself: its outline, and what a scale or its label says */
    public static function rig(): array
    {
        $kg = fn(string $label): Field => Field::number($label, 'kg', 0, 20000)->optional();

        return [
            'baseM' => Field::number('Coupler to middle of the axles, or wheelbase', 'm', 1, 14)->optional(),
            'noseM' => Field::number('Front wall behind the coupler or front axle', 'm', -3, 6)->optional(),
            'bodyM' => Field::number('Length of the body', 'm', 1.5, 14)->optional(),
            'widthM' => Field::number('Width of the body', 'm', 1, 3)->usual(2.4),
            'heightM' => Field::number('Floor to roof', 'm', 1, 3.5)->usual(2.1),
            'trackM' => Field::number('Between left and right wheels', 'm', 1, 2.6)->usual(1.9),
            'axles' => Field::integer('Axles that carry the trailer', 1, 3)->usual(1),
            'hitch' => Field::choice('Hitched by', [
                'ball' => 'a coupler on a ball',
                'pin' => 'a pin over the bed',
            ])->optional(),
            'totalKg' => $kg('Weight of all of it'),
            'couplerKg' => $kg('Of that on the coupler'),
            'frontKg' => $kg('On the front axle'),
            'rearKg' => $kg('On the rear axle'),
            'weighedBy' => Field::choice('These weights are', [
                'scale' => 'from a scale',
                'label' => 'from its label',
                'assumed' => 'assumed',
            ])->usual('assumed'),
            'maxTotalKg' => $kg('May weigh in all'),
            'maxCouplerKg' => $kg('May put on the coupler'),
            'maxAxlesKg' => $kg('May put on its axles'),
            'maxFrontKg' => $kg('May put on the front axle'),
            'maxRearKg' => $kg('May put on the rear axle'),
        ];
    }

    /** @return array<string, Field> of a zone: a room that parts can stand in */
    public static function zone(): array
    {
        $side = fn(string $label): Field => Field::number($label, 'm', 0.05, 6);

        return self::spot() + [
            'label' => Field::text('Name', 60),
            'widthM' => $side('Along the rig'),
            'depthM' => $side('Across the rig'),
            'heightM' => $side('Height'),
            'openWidthM' => $side('Its opening is wide')->optional(),
            'openHeightM' => $side('Its opening is high')->optional(),
            'doorM' => Field::number('Its door swings', 'm', 0.05, 2)->optional(),
            'inside' => Field::flag('Part of the living space')->optional(),
            'toOutside' => Field::flag('Vented to the outside, closed to the inside')->optional(),
            'gas' => Field::flag('Propane or fuel is in it, or flows into it')->optional(),
            'water' => Field::flag('Water above or in it')->optional(),
            'moving' => Field::flag('A bed or a slide moves through it')->optional(),
            'ventCm2' => Field::number('Free area of its vents, each of two', 'cm²', 1, 5000)->optional(),
            'ventRiseM' => Field::number('From the lower to the upper vent', 'm', 0.05, 3)->optional(),
            'fanM3h' => Field::number('Its fan moves', 'm³/h', 1, 2000)->optional(),
            'lowC' => Field::number('Coldest in it', '°C', -40, 40)->optional(),
            'highC' => Field::number('Warmest in it, nothing running', '°C', -10, 70)->optional(),
            'reached' => Field::flag('Reached without taking anything apart')->optional(),
            'reachM' => Field::number('From its opening to the farthest terminal', 'm', 0.05, 3)->optional(),
            'behindM' => Field::number('Free behind the board that parts hang on', 'm', 0, 1)->optional(),
        ];
    }

    /** @return array<string, Field> of a part of the rig, by its component */
    public static function item(): array
    {
        $side = fn(string $label): Field => Field::number($label, 'm', 0.01, 4)->optional();

        return array_map(fn(Field $f): Field => $f->optional(), self::spot()) + [
            'zone' => Field::text('In', 40)->optional(),
            'kg' => Field::number('Weight', 'kg', 0.05, 2000)->surveyed()->optional(),
            'widthM' => $side('Width'),
            'heightM' => $side('Height'),
            'depthM' => $side('Depth'),
            'clearanceM' => Field::number('Free all round it', 'm', 0, 1)->optional(),
            'held' => Field::choice('It stands or hangs', [
                'floor' => 'on the floor',
                'wall' => 'on a wall',
                'hung' => 'hung from above',
            ])->usual('floor'),
            'upright' => Field::flag('Only upright')->optional(),
            'strapped' => Field::flag('Held for a crash')->optional(),
            'backed' => Field::flag('On a backing board or a frame')->optional(),
            'sealed' => Field::flag('Ignition-protected')->optional(),
            'moves' => self::moves(),
        ];
    }

    /** @return array<string, Field> of a mass that is no part of the electrical system */
    public static function thing(): array
    {
        return self::spot() + [
            'label' => Field::text('Name', 60),
            'zone' => Field::text('In', 40)->optional(),
            'kg' => Field::number('Weight', 'kg', 0.05, 4000),
            'when' => Field::choice('It', [
                'stays' => 'is there and stays',
                'added' => 'comes',
                'removed' => 'goes',
            ])->usual('stays'),
            'plan' => Field::text('Only with the plan', 40)->optional(),
            'moves' => self::moves(),
        ];
    }

    private static function moves(): Field
    {
        return Field::map(
            'Where plans move it',
            array_map(fn(Field $f): Field => $f->optional(), self::spot()) + [
                'zone' => Field::text('In', 40)->optional(),
            ],
        )->optional();
    }

    /** @return array<string, Field> of the way a cable takes, by its component */
    public static function route(): array
    {
        return [
            'segments' => Field::map('Segments', [
                'order' => Field::number('Order', '', -1e6, 1e6)->optional(),
                'lengthM' => Field::number('Length', 'm', 0.05, 30),
                'through' => Field::choice('Through', [
                    'inside' => 'cabinets, open',
                    'wall' => 'a wall or ceiling, closed up',
                    'floor' => 'the floor',
                    'under' => 'under the rig',
                    'roof' => 'over the roof',
                    'engine' => 'the engine bay',
                ])->usual('inside'),
                'exposure' => Field::choice('Open to', [
                    'none' => 'nothing',
                    'road' => 'road and water',
                    'sun' => 'sun',
                    'heat' => 'heat',
                    'moving' => 'a part that moves',
                    'edge' => 'a sharp edge',
                ])->usual('none'),
                'protection' => Field::choice('In', [
                    'none' => 'nothing',
                    'loom' => 'loom',
                    'conduit' => 'conduit',
                    'grommet' => 'grommet',
                    'sleeve' => 'heat sleeve',
                    'chain' => 'flexible guide',
                ])->usual('none'),
            ]),
        ];
    }

    /** @return array<string, Field> where something is, by its middle */
    public static function spot(): array
    {
        return [
            'xM' => Field::number('Behind the coupler or front axle', 'm', -4, 18),
            'leftM' => Field::number('Left of the middle', 'm', -1.5, 1.5)->usual(0),
            'upM' => Field::number('Its bottom above the floor', 'm', -1.2, 3.5)->usual(0),
        ];
    }
}
