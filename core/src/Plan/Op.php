<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

/** What a change does to the rig. */
enum Op: string
{
    case Fit = 'fit';
    case Remove = 'remove';
    case Move = 'move';
    case Set = 'set';
}
