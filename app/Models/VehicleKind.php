<?php

declare(strict_types=1);

namespace App\Models;

/** Kinds of rigs, as the job file has them. */
enum VehicleKind: string
{
    case TravelTrailer = 'travel_trailer';
    case FifthWheel = 'fifth_wheel';
    case Motorhome = 'motorhome';
    case Van = 'van';
    case Other = 'other';
}
