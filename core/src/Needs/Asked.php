<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;

/** What is asked of the owner: what must run, when, and where the rig stands meanwhile. */
final class Asked
{
    /** @return array<string, Field> of one load */
    public static function load(): array
    {
        $hour = fn(string $label): Field => Field::number($label, 'h', 0, 24);

        return [
            'label' => Field::text('Name', 60),
            'supply' => Field::choice('Runs on', ['ac' => '120 V', 'dc' => '12 V']),
            'watts' => Field::number('Power', 'W', 0, 6000)->plausibly(
                Plausible::times(0.6, 1.5, 'labels give the most, owners the least'),
            ),
            'count' => Field::integer('How many', 1, 50)->usual(1),
            'at' => Field::ref('On', 'circuit', 'dc_load', 'dc_circuit', 'dc_panel')->optional(),
            'duty' => Field::number('Of its hours it runs', '%', 1, 100)->usual(100),
            'spans' => Field::map('Hours', ['fromH' => $hour('From'), 'hours' => $hour('For')])->optional(),
            'season' => Field::choice('Season', ['all' => 'all year', 'warm' => 'warm', 'cold' => 'cold'])->usual(
                'all',
            ),
            'startA' => Field::number('Starting current', 'A', 0.5, 200)->optional(),
            'softStartA' => Field::number('Starting current with a soft starter', 'A', 0.5, 200)->optional(),
            'continuous' => Field::flag('Runs three hours or more')->optional(),
            'also12W' => Field::number('Its own 12 V while it is on', 'W', 0, 300)->optional(),
            'fuel' => Field::choice('Burns', ['propane' => 'propane', 'diesel' => 'diesel'])->optional(),
            'fuelPerH' => Field::number('Fuel an hour', 'l', 0.01, 20)->optional(),
            'onlyAbove' => Field::number('Only above a charge of', '%', 1, 99)->optional(),
            'order' => Field::number('Order', '', -1e6, 1e6)->optional(),
        ];
    }

    /** @return array<string, Field> of what a battery monitor has logged */
    public static function measured(): array
    {
        return [
            'fromAt' => Field::text('From', 20),
            'toAt' => Field::text('To', 20),
            'samples' => Field::integer('Readings', 2, 10000000),
            'hours' => Field::map('By the hour', [
                'hour' => Field::integer('Hour', 0, 23),
                'watts' => Field::number('Taken', 'W', 0, 20000),
            ]),
            'used' => Field::flag('Counts instead of the list')->optional(),
        ];
    }

    /** @return array<string, Field> of the place and the days there */
    public static function trip(): array
    {
        $hour = fn(string $label): Field => Field::number($label, 'h', 0, 24);
        $weather = ['sun' => 'clear', 'fair' => 'some cloud', 'grey' => 'grey'];

        return [
            'place' => Field::text('Where', 60)->optional(),
            'latitude' => Field::number('Latitude', '°', -66, 66)->usual(40),
            'elevationM' => Field::number('Height above the sea', 'm', -100, 4500)->usual(0),
            'month' => Field::integer('Month', 1, 12)->usual(7),
            'days' => Field::integer('Days', 1, 30)->usual(5),
            'lowC' => Field::number('Coldest of the night', '°C', -40, 40)->usual(12),
            'highC' => Field::number('Warmest of the day', '°C', -30, 55)->usual(26),
            'warmCells' => Field::flag('Batteries stand in the warm')->usual(false),
            'weather' => Field::choice('Weather', $weather)->usual('fair'),
            'weatherOn' => Field::map('On single days', [
                'day' => Field::integer('Day', 1, 30),
                'weather' => Field::choice('Weather', $weather),
            ])->optional(),
            'tiltDeg' => Field::number('Tilt of the panels', '°', 0, 90)->usual(0),
            'facingDeg' => Field::number('They face, from north by east', '°', 0, 360)->usual(180),
            'shadeFromH' => $hour('Shade from')->usual(0),
            'shadeH' => $hour('Shade for')->usual(0),
            'shadeLeft' => Field::number('Left in the shade', '%', 0, 100)->usual(20),
            'driveFromH' => $hour('Driving from')->usual(10),
            'driveH' => $hour('Driving for')->usual(0),
            'shore' => Field::text('Supply', 40)->optional()->note('a supply of the survey, or none'),
            'shoreFromH' => $hour('On it from')->usual(0),
            'shoreH' => $hour('On it for')->usual(24),
            'inverter' => Field::choice('Inverter', ['on' => 'left on', 'used' => 'switched on to use'])->usual('on'),
            'generatorBelow' => Field::number('Generator starts below', '%', 0, 95)->usual(0),
            'generatorTo' => Field::number('Generator stops at', '%', 5, 100)->usual(80),
            'quietFromH' => $hour('Quiet from')->usual(22),
            'quietH' => $hour('Quiet for')->usual(10),
            'fuelL' => Field::number('Generator fuel', 'l', 0, 500)->optional(),
            'fuelLPerKwh' => Field::number('Fuel for a kWh', 'l', 0.2, 3)->usual(0.6),
            'propaneL' => Field::number('Propane', 'l', 0, 500)->optional(),
            'waterL' => Field::number('Fresh water', 'l', 0, 2000)->optional(),
            'wasteL' => Field::number('Waste tanks hold', 'l', 0, 2000)->optional(),
            'waterPerDayL' => Field::number('Water a day', 'l', 0, 1000)->usual(40),
            'startShare' => Field::number('Charge on arrival', '%', 5, 100)->usual(100),
        ];
    }
}
