<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\PowerConverter;

/**
 * The input limit of an inverter/charger as its own regulator keeps it: charging is cut back first;
 * when that is not enough and the unit assists, it adds what the limit leaves over, at the power factor of what passes.
 * It never
 * adds so much that anything flows back to the supply.
 */
final class InputLimit
{
    /**
     * What the limit leaves for charging, in amps in phase with the input's volts; what is missing when negative.
     *
     * @param array{float, float} $through current to the outputs without what the unit adds, A
     * @param array{float, float} $volts at the input
     */
    public static function leaves(float $limitA, array $through, array $volts): float
    {
        $size = hypot(...$volts);
        if ($size < 1e-6) {
            return 0.0;
        }
        $active = ($through[0] * $volts[0] + $through[1] * $volts[1]) / $size;
        $reactive = ($through[1] * $volts[0] - $through[0] * $volts[1]) / $size;

        return sqrt(max(0.0, $limitA ** 2 - $reactive ** 2)) - $active;
    }

    /**
     * What an assisting unit adds so that no more than the limit comes in: the part of the current that is
     * over it, active and reactive alike, up to its own rating. Negative, as what gives.
     *
     * @param array{float, float} $through current to the outputs without what the unit adds, A
     * @param array{float, float} $volts at the input
     * @return array{float, float} W, var
     */
    public static function adds(float $limitA, float $ratingA, array $through, array $volts): array
    {
        $amps = hypot(...$through);
        $watts = $volts[0] * $through[0] + $volts[1] * $through[1];
        if ($amps <= $limitA || $watts <= 0.0) {
            return [0.0, 0.0];
        }
        $share = min($amps - $limitA, $ratingA) / $amps;

        return [-$share * $watts, -$share * ($volts[1] * $through[0] - $volts[0] * $through[1])];
    }

    /**
     * Current through a unit's input to its outputs, and what would pass without what it adds, A.
     *
     * @return array{float, float}
     */
    public static function through(AcSide $ac, PowerConverter $unit): array
    {
        $re = $im = 0.0;
        foreach ($unit->throughInput as $element) {
            [$iRe, $iIm] = $ac->through($element);
            $re += $iRe;
            $im += $iIm;
        }

        return [$re, $im];
    }
}
