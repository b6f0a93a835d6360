<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Situation;

/** A rule that is asked about every situation the rig can be in. */
interface StateRule extends Rule
{
    /** @return list<Hit> */
    public function hits(Situation $situation, Examination $rig): array;
}
