<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Rules\Proof;

/** Proofs held as long as an answer takes: plans, stages and remedies of one structure are searched once. */
final class HeldProofs implements Proofs
{
    /** @var array<string, Proof> */
    private array $proofs = [];

    public function of(string $structure): ?Proof
    {
        return $this->proofs[$structure] ?? null;
    }

    public function keep(string $structure, Proof $proof): void
    {
        $this->proofs[$structure] = $proof;
    }
}
