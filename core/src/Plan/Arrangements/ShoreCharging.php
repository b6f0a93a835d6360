<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** The house battery charged from shore by a charger in a receptacle. */
final class ShoreCharging implements Addition
{
    public static function id(): string
    {
        return 'charge_shore';
    }

    public static function family(): string
    {
        return 'shore';
    }

    public static function title(): string
    {
        return 'Charging from shore';
    }

    public static function gains(): string
    {
        return 'A full battery on every night with a pedestal, with the profile that the bank wants.';
    }

    public static function risks(): string
    {
        return 'On a circuit that the inverter feeds it charges the battery from itself; two chargers add up, and so ' .
            'does what they take from a weak pedestal.';
    }

    public static function options(): array
    {
        return [
            'circuit' => Field::ref('Circuit it is plugged into', 'circuit'),
            'outputA' => Field::number('Charger', 'A', 3, 120)->usual(40),
            'outputV' => Field::number('Charging voltage', 'V', 13, 58)->usual(14.4),
            'profile' => Field::choice('Profile', [
                'chosen' => 'set to the bank',
                'lead' => 'lead',
                'lithium' => 'lithium',
            ])->usual('chosen'),
        ] + ChargingOptions::line('awg:8', 50, 2.0);
    }

    public function changes(Rig $rig, Options $options): array
    {
        $side = new HouseSide($rig);
        $house = $side->bank();
        $circuit = FoundParts::branch($rig, $options);

        return [
            Changes::fit('shore_charger', [
                'type' => 'converter',
                'label' => 'Charger',
                'outputA' => $options->number('outputA'),
                'outputV' => $options->number('outputV'),
                'efficiency' => (object) ['value' => 0.9, 'basis' => 'assumed'],
                'mount' => 'charger',
                'profile' => $options->text('profile'),
                'plug' => $circuit->id,
            ]),
            ...ChargingOptions::toHouse($options, $side, $house, 'shore_charger', 'charger', '', 'Charger'),
        ];
    }
}
