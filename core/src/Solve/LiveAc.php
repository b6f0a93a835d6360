<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Source;
use Hollin\Core\States\Settled;

/** The alternating sources that are on in a state, and what somebody feels who touches the frame in it. */
final class LiveAc
{
    /** @return array<string, Source> */
    public static function of(Settled $settled): array
    {
        $graph = $settled->situation->network->graph;
        $live = [];
        foreach (array_keys($settled->situation->acSources()) as $id) {
            $source = $graph->sources[$id];
            // A pedestal nobody is plugged into is no part of the rig.
            $surrounding = $graph->surroundings[(string) $source->surrounding] ?? null;
            if ($surrounding === null || $surrounding->matters($settled->positions)) {
                $live[$id] = $source;
            }
        }

        return $live;
    }

    /**
     * Volts of the frame to earth with nobody touching it, and the current through somebody of so
     * many ohm who does, A. Loads count as impedances, which is all this needs.
     *
     * @param array<string, true> $running
     * @return array{float, float}
     */
    public static function touch(Settled $settled, array $running, float $personOhm = 1000.0): array
    {
        $network = (new AcSide(
            $settled,
            self::of($settled),
            (new Demands($settled, $running))->alternating(true),
            $running,
            [],
        ))->network();
        $volts = $network->volts();
        $frame = $network->node['frame'] ?? null;
        if ($frame === null) {
            return [0.0, 0.0];
        }
        $held = $network->changed($volts, 'frame', 'earth', 1 / $personOhm);

        return [hypot($volts[0][$frame], $volts[1][$frame]), hypot($held[0][$frame], $held[1][$frame]) / $personOhm];
    }
}
