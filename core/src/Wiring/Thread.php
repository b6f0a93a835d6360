<?php

declare(strict_types=1);

namespace Hollin\Core\Wiring;

enum Thread: string
{
    case Hot = 'hot';
    case Neutral = 'neutral';
    case Ground = 'ground';
    case Positive = 'positive';
    case Negative = 'negative';
}
