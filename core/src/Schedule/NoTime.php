<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

use RuntimeException;

/** An activity that nobody can ever do: no hours, nobody of its competence, no daylight. */
final class NoTime extends RuntimeException
{
    public static function for(Activity $activity): self
    {
        return new self(
            "“{$activity->id}” finds no time: nobody who may do it is there long enough" .
                ($activity->daylight ? ' by daylight' : '') .
                ' in the weeks that are looked at.',
        );
    }
}
