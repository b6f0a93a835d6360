<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** A state rule whose absence is no protection that anything gives, so that nothing is claimed of it. */
interface Unclaimed
{
    /** Why, in a sentence. */
    public static function whyUnclaimed(): string;
}
