<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;

/** What of a rig is meant when somebody says the battery, or the inverter. */
final class House
{
    /** The largest battery that is no engine's, by energy; null where there is none. */
    public static function battery(Examination $rig): ?Battery
    {
        $best = null;
        foreach (array_diff_key($rig->graph->batteries, Scenes::engineBatteries($rig)) as $battery) {
            $wh = $battery->capacityAh * $battery->ratedV;
            $best = $wh > ($best === null ? 0.0 : $best->capacityAh * $best->ratedV) ? $battery : $best;
        }

        return $best;
    }

    /**
     * What is said of a battery that is emptied further than its kind stands day after day; null where it is not.
     *
     * @param float $share the lowest it came to
     */
    public static function tooDeep(Battery $battery, float $share): ?string
    {
        $least = 1 - $battery->chemistry->usableShare();
        if ($share >= $least - 0.005) {
            return null;
        }

        return sprintf(
            'down to %.0f %%, below the %.0f %% that %s stands day after day',
            100 * $share,
            100 * $least,
            $battery->chemistry->label(),
        );
    }

    /** The largest inverter; null where there is none. */
    public static function inverter(Examination $rig): ?PowerConverter
    {
        $best = null;
        foreach ($rig->graph->converters as $unit) {
            if ($unit->kind === PowerConverter::INVERTER && $unit->limitA > ($best->limitA ?? 0.0)) {
                $best = $unit;
            }
        }

        return $best;
    }
}
