<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;

/** A stand-alone inverter with receptacles of its own; the factory wiring stays as it is. */
final class OwnReceptacles implements Arrangement
{
    public static function id(): string
    {
        return 'own_receptacles';
    }

    public static function title(): string
    {
        return 'Receptacles of its own, factory wiring untouched';
    }

    public static function gains(): string
    {
        return 'No way to join two sources; the least work.';
    }

    public static function risks(): string
    {
        return 'Few outlets, and guests confuse them; a first fault may not clear if the output floats; a charger ' .
            'can be plugged into it.';
    }

    public static function options(): array
    {
        return Options::standAlone();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $end = (object) ['at' => 'inverter', 'port' => 'ac_out'];

        return [
            ...Units::standAlone($options, 'both', ['outletA' => 15]),
            ...BankAssembly::of($rig, $options),
            Changes::fit('inverter_outlets', [
                'type' => 'circuit',
                'label' => 'Inverter outlets',
                'hot' => $end,
                'neutral' => clone $end,
                'breakerA' => (object) ['value' => 15, 'basis' => 'told'],
                'cable' => (object) Changes::branchCable('awg:14', 3.0),
                'gfci' => 'receptacle',
                'place' => 'general',
            ]),
            ...ConverterFate::of($rig, $options, 'ac_out'),
        ];
    }
}
