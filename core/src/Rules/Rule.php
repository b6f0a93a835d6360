<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** A hazard Hollin looks for. */
interface Rule
{
    public static function definition(): Definition;
}
