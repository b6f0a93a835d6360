<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

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
}
