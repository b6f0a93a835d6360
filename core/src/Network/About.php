<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What feeds the rig in a named state, if anything does. */
enum About: string
{
    case Nothing = 'nothing';
    case Inverting = 'inverting';
    case Shore = 'shore';
    case Generator = 'generator';
    case Driving = 'driving';
    case Sun = 'sun';
    case Storage = 'storage';
    /** Whatever charges the rig does. */
    case Charging = 'charging';
    case Battery = 'battery';
}
