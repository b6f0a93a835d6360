<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** A hazard Hollin looks for. */
interface Rule
{
    /** What the rule is called, how grave it is, what it says, its source, and samples that are run as tests. */
    public static function definition(): Definition;
}
