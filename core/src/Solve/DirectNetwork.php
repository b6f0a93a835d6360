<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\States\Situation;

/** The direct-current side of a situation as a nodal network. */
final class DirectNetwork
{
    /**
     * Everything linear at first: metal, batteries, what is an impedance.
     *
     * @param list<Winding> $windings
     * @param list<PowerInjection> $injections
     * @param array<string, PowerConverter> $chargers
     */
    public static function atFirst(
        Situation $situation,
        array $windings,
        OneWays $oneWays,
        array $injections,
        array $chargers,
    ): NodalNetwork {
        $network = new NodalNetwork();
        Metal::into($network, $situation, false);
        foreach ($windings as $winding) {
            $network->source($winding->name, $winding->a, $winding->b, $winding->re, 0.0, $winding->ohm);
        }
        $network->oneWays = $oneWays->conducting();
        foreach ($injections as $injection) {
            $network->node($injection->a);
            $network->node($injection->b);
            if ($injection->isImpedance()) {
                $network->add('load', $injection->id, $injection->a, $injection->b, ...$injection->nominal());
            }
        }
        foreach ($chargers as $charger) {
            $network->node($charger->output[0]);
            $network->node($charger->output[1]);
        }
        $network->add('leak', 'tyres', 'frame', 'earth', 1 / LoadFlow::TYRES_OHM);
        Islands::tie($network);

        return $network;
    }
}
