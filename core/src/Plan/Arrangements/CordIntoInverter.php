<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;

/** The shore cord is plugged into the inverter's receptacle. */
final class CordIntoInverter implements Arrangement
{
    public static function id(): string
    {
        return 'cord_into_inverter';
    }

    public static function title(): string
    {
        return 'Shore cord plugged into the inverter';
    }

    public static function gains(): string
    {
        return 'The whole rig without rewiring; a cord cannot be in two places.';
    }

    public static function risks(): string
    {
        return 'Converter, fridge, heater and air conditioner are all on the battery; one receptacle carries ' .
            'everything; the bond is whatever the inverter has.';
    }

    public static function options(): array
    {
        return Options::standAlone();
    }

    public function changes(Rig $rig, Options $options): array
    {
        return [
            ...Units::standAlone($options, 'receptacles', ['outletA' => 20, 'reaches' => FoundParts::inlet($rig)->id]),
            ...BankAssembly::of($rig, $options),
            ...ConverterFate::of($rig, $options, 'ac_out'),
        ];
    }
}
