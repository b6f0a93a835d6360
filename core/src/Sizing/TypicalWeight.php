<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Reference\ConductorSize;

/**
 * What parts of a retrofit usually weigh, kg, to compare plans before anything is bought. Common
 * practice, no source; the makers' sheets and a scale win.
 */
final class TypicalWeight
{
    /** Density of copper, kg per m and mm²; insulation adds about a fifth. */
    private const COPPER = 0.00896 * 1.2;

    /** Total of what a rig has, kg. */
    public static function ofRig(Graph $graph): float
    {
        return array_sum(array_map(self::of(...), $graph->parts));
    }

    /** Usual weight of a part, kg; nobody has weighed it. */
    public static function of(Part $part): float
    {
        return match ($part->type) {
            'battery_bank' => self::bank($part),
            'inverter_charger' => 4.0 + $part->number('continuousW') * 0.007,
            'inverter' => 1.5 + $part->number('continuousW') * 0.0025,
            'converter' => 1.0 + $part->number('outputA') * 0.035,
            'panel' => 1.5 + $part->number('slots') * 0.15,
            'transfer_switch' => 2.0,
            'dcdc_charger' => 0.5 + $part->number('outputA') * 0.03,
            'solar_charger' => 1.0 +
                $part->number('panelW') * $part->number('series', 1) * $part->number('parallel', 1) * 0.06,
            'generator' => 8.0 + $part->number('ratedW') * ($part->text('mount') === 'portable' ? 0.009 : 0.018),
            'bus_bar', 'shunt', 'dc_fuse' => 0.4,
            'dc_switch', 'battery_selector' => 0.6,
            'lead' => self::copper($part, 1),
            'feeder' => self::copper($part, 3),
            default => 0.0,
        };
    }

    private static function bank(Part $bank): float
    {
        $wattHours =
            $bank->number('unitAh') *
            $bank->number('parallel', 1) *
            $bank->number('unitV') *
            $bank->number('series', 1);

        return $wattHours *
            match (Chemistry::from($bank->text('chemistry'))) {
                Chemistry::Lfp => 0.0095,
                Chemistry::Flooded => 0.024,
                Chemistry::Agm, Chemistry::Gel => 0.026,
            };
    }

    private static function copper(Part $part, int $conductors): float
    {
        return ConductorSize::of($part->text('cable/size'))->areaMm2 *
            $part->number('cable/lengthM') *
            $part->number('cable/parallel', 1) *
            $conductors *
            self::COPPER;
    }
}
