<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What a connection is there for: to carry load current, to hold metal at one potential, or to carry a fault home. */
enum Purpose: string
{
    case Carrying = 'carrying';
    case Bonding = 'bonding';
    case Protective = 'protective';
}
