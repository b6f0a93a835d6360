<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Battery;
use Hollin\Core\States\Situation;

/**
 * What flows between two batteries at the moment they are joined: their rest volts over their own resistance and all
 * the metal between them, whatever else is on. One that has taken charge for a while takes less.
 */
final class FirstCurrent
{
    /** Amps out of the first, below nothing into it. */
    public static function between(Situation $situation, Battery $a, Battery $b, string $charge = 'half'): float
    {
        $network = new NodalNetwork();
        Metal::into($network, $situation, false);
        foreach ([$a, $b] as $battery) {
            $network->source($battery->id, $battery->pos, $battery->neg, $battery->restV($charge), 0.0, $battery->ohm);
        }
        Islands::tie($network);
        [$volts] = $network->volts();
        $across = $volts[$network->node($a->pos)] - $volts[$network->node($a->neg)];

        return ($a->restV($charge) - $across) / $a->ohm;
    }
}
