<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What a conductor is meant for. Polarity and liveness follow from what it is joined with, never from this. */
enum Role: string
{
    case L1 = 'hot';
    case L2 = 'hot2';
    case N = 'neutral';
    case PE = 'ground';
    case DcPositive = 'positive';
    case DcNegative = 'negative';
    /** Joins batteries in a row. */
    case SeriesLink = 'series';
    /** Carries no current worth the name: a monitor's or a regulator's wire. */
    case SenseLead = 'sense';

    /** Whether it is a hot or a neutral. */
    public function isAc(): bool
    {
        return in_array($this, [self::L1, self::L2, self::N], true);
    }

    /** Whether it is a wire of the battery side. */
    public function isDc(): bool
    {
        return !$this->isAc() && $this !== self::PE;
    }

    /** What a conductor of it is there for, where nothing else is said. */
    public function purpose(): Purpose
    {
        return $this === self::PE ? Purpose::Protective : Purpose::Carrying;
    }
}
