<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** How much of what could be set a search went through. */
enum Extent: string
{
    case All = 'all';
    case TwoSlips = 'two_slips';
    case OneSlip = 'one_slip';
}
