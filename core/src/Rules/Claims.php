<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** A state rule whose absence is worth telling: what the rig makes impossible. */
interface Claims
{
    /** @return list<Claim> */
    public function claims(Examination $rig): array;
}
