<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Job\Field;
use stdClass;

/** What arrangements that charge ask alike: what protects a line, how long and how thick it is. */
final class ChargingOptions
{
    /** @return array<string, Field> */
    public static function line(string $size, float $fuseA, float $runM): array
    {
        return [
            'protection' => Field::choice('At each end', [
                'fuse' => 'fuse: breaks more, never trips for nothing',
                'breaker' => 'breaker: resets and switches; must be made for the direct volts',
            ])->usual('fuse'),
            'fuseA' => Field::number('Its rating', 'A', 5, 600)->usual($fuseA),
            'size' => Field::size('Cable')->usual($size),
            'runM' => Field::number('Along the route, one way', 'm', 0.2, 20)->usual($runM),
        ];
    }

    /** @return stdClass fuse or breaker of a line */
    public static function protection(string $id, string $label, Options $o): stdClass
    {
        $breaker = $o->text('protection') === 'breaker';

        return Changes::fit($id, [
            'type' => 'dc_fuse',
            'label' => $label . ($breaker ? ' breaker' : ' fuse'),
            'family' => $breaker ? 'thermal_breaker' : 'mrbf',
            'ratingA' => $o->surveyed('fuseA'),
        ]);
    }

    /** @return stdClass a cable of the line, of so much of its run */
    public static function cable(Options $o, float $lengthM): stdClass
    {
        return (object) [
            'size' => $o->surveyed('size'),
            'lengthM' => (object) ['value' => round($lengthM, 3), 'basis' => $o->surveyed('runM')->basis],
            'sheath' => 'fine',
        ];
    }

    /** Meters from a post to its fuse: a hand at most, a tenth of a short run. */
    public static function nearM(Options $o): float
    {
        return min(0.15, 0.1 * (float) $o->surveyed('runM')->value);
    }

    /**
     * A charger's way to the house battery: a fuse at the battery, the positive in two pieces, the negative.
     *
     * @param string $unit id of the charger
     * @param string $name of the ids, before the tail
     * @param string $called the charger, in the names of its cables, before its number
     * @param ?string $fused the same in the name of its fuse; the same word where left out
     * @return list<stdClass>
     */
    public static function toHouse(
        Options $o,
        HouseSide $side,
        Bank $house,
        string $unit,
        string $name,
        string $tail,
        string $called,
        string $number = '',
        ?string $fused = null,
    ): array {
        $run = (float) $o->surveyed('runM')->value;
        $near = self::nearM($o);
        $fuse = "{$name}_fuse{$tail}";
        $lead = fn(
            string $which,
            string $label,
            string $from,
            string $to,
            string $pole,
            float $m,
        ): stdClass => Changes::lead("ld_{$name}_{$which}{$tail}", $label, $from, $to, $pole, self::cable($o, $m));

        return [
            self::protection($fuse, ($fused ?? $called) . $number, $o),
            $lead('out', "{$called}{$number} to its fuse", "{$unit}.pos", "{$fuse}.out", 'positive', $run - $near),
            $lead(
                'in',
                "Its fuse{$number} to the house battery",
                "{$fuse}.in",
                $side->positive($house),
                'positive',
                $near,
            ),
            $lead('neg', "{$called}{$number}, negative", "{$unit}.neg", $side->negative($house), 'negative', $run),
        ];
    }
}
