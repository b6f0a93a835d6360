<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

enum ElementKind
{
    case Conductor;
    case Contact;
    /** Neutral to ground: kept out of the hard islands, so that two neutrals bonded to one frame stay two neutrals. */
    case Bond;
}
