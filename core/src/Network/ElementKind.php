<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What joins two terminals. */
enum ElementKind
{
    case Conductor;
    case Contact;
    /** Neutral to ground: kept out of the hard islands, so that two neutrals bonded to one frame stay two neutrals. */
    case Bond;
    /**
     * Lets direct current through from a to b only: a separating diode, the transistor of a battery's management. What
     * joins is taken as conducting; the solve says whether it does.
     */
    case OneWay;
}
