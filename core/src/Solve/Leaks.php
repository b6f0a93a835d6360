<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Source;

/** Capacitances that tie wires to cases and grounds: where a ground is open, the metal behind it reads about half. */
final class Leaks
{
    /**
     * @param array<string, Source> $live sources that give anything
     * @param array<string, true> $running loads that are switched on
     */
    public static function into(NodalNetwork $network, Graph $graph, array $live, array $running): void
    {
        $omega = 2 * M_PI * LoadFlow::HZ;
        // Filters stand from both wires to the case, and a cable's wires have capacity to its ground: where a
        // ground is open the metal behind it reads about half.
        foreach ($graph->loads as $id => $load) {
            if (isset($running[$id], $graph->circuits[$load->circuit])) {
                $ground = $graph->circuits[$load->circuit]->ground;
                $network->add('leak', $id, $load->a, $ground, 0.0, $omega * LoadFlow::APPLIANCE_F);
                $network->add('leak', $id, $load->b, $ground, 0.0, $omega * LoadFlow::APPLIANCE_F);
            }
        }
        foreach ($graph->circuits as $id => $end) {
            $farads = LoadFlow::CABLE_F_PER_M * $end->lengthM;
            if ($farads > 0) {
                $network->add('leak', $id, $end->hot, $end->ground, 0.0, $omega * $farads);
                $network->add('leak', $id, $end->neutral, $end->ground, 0.0, $omega * $farads);
            }
        }
        foreach ($live as $id => $source) {
            if ($source->neutral === 'floating') {
                $network->add('leak', "{$id}#l", $source->a, $source->ground, 0.0, $omega * LoadFlow::FLOATING_F);
                $network->add('leak', "{$id}#n", $source->b, $source->ground, 0.0, $omega * LoadFlow::FLOATING_F);
            }
        }
    }
}
