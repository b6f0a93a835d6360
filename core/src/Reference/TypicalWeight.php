<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Component;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Conversion\Inverter;
use Hollin\Core\Components\Conversion\InverterCharger;
use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Switching\TransferSwitch;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Job\Rig;

/**
 * What parts of a retrofit usually weigh, kg, to compare plans before anything is bought. Common
 * practice, no source; the makers' sheets and a scale win.
 */
final class TypicalWeight
{
    /** Density of copper, kg per m and mm²; insulation adds about a fifth. */
    private const COPPER = 0.00896 * 1.2;

    /** Total of what a rig has, kg. */
    public static function ofRig(Rig $rig): float
    {
        return array_sum(array_map(self::of(...), $rig->components));
    }

    public static function of(Component $component): float
    {
        return match (true) {
            $component instanceof Bank => self::bank($component),
            $component instanceof InverterCharger => 4.0 + $component->continuousW() * 0.007,
            $component instanceof Inverter => 1.5 + $component->continuousW() * 0.0025,
            $component instanceof Converter => 1.0 + $component->outputA() * 0.035,
            $component instanceof Panel => 1.5 + $component->slots() * 0.15,
            $component instanceof TransferSwitch => 2.0,
            $component instanceof Lead => self::copper($component->cable(), 1),
            $component instanceof Feeder => self::copper($component->cable(), 3),
            default => 0.0,
        };
    }

    private static function bank(Bank $bank): float
    {
        $wattHours = $bank->capacityAh() * $bank->ratedV();

        return $wattHours * match ($bank->chemistry()) {
            Chemistry::Lfp => 0.0095,
            Chemistry::Flooded => 0.024,
            Chemistry::Agm, Chemistry::Gel => 0.026,
        };
    }

    private static function copper(Cable $cable, int $conductors): float
    {
        return $cable->size->areaMm2 * $cable->lengthM * $cable->parallel * $conductors * self::COPPER;
    }
}
