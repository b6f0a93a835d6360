<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use RuntimeException;

/** More than may be spent on one answer. */
final class TooMuch extends RuntimeException
{
    /** What a load flow says that was given up for it. */
    public const WORDS = 'Too much to check: ';

    public static function words(int $loads): string
    {
        return self::WORDS .
            "{$loads} loads at once. Checked was what is joined; no volts and no amps of this state were.";
    }
}
