<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

/** How a surveyed value is known. */
enum Basis: string
{
    case Measured = 'measured';
    case ReadOff = 'read_off';
    case Told = 'told';
    case Assumed = 'assumed';

    /** As it is said: "measured". */
    public function words(): string
    {
        return match ($this) {
            self::Measured => 'measured',
            self::ReadOff => 'read off the part',
            self::Told => 'told',
            self::Assumed => 'assumed',
        };
    }
}
