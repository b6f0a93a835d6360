<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Rules\Proof;

/** Where proofs are kept between answers, by the structure of the rig they hold for. */
interface Proofs
{
    public function of(string $structure): ?Proof;

    public function keep(string $structure, Proof $proof): void;
}
