<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Rules\Proof;

/** Where proofs are kept between answers, by the structure of the rig they hold for. */
interface Proofs
{
    /** What a search of a rig of that structure found before; null where none is kept. */
    public function of(string $structure): ?Proof;

    /** Keeps what a search has found for rigs of the same structure. */
    public function keep(string $structure, Proof $proof): void;
}
