<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** A rule that is asked once about the rig and its named states. */
interface RigRule extends Rule
{
    /** @return list<Hit> */
    public function hits(Examination $rig): array;
}
