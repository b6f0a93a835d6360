<?php

declare(strict_types=1);

namespace App\Actions;

use Hollin\Core\Answers\Proofs;
use Hollin\Core\Rules\Proof;
use Illuminate\Support\Facades\Cache;

/** Proofs beside the answers in the cache. */
final class KeptProofs implements Proofs
{
    private const KEEP_S = 86_400;

    public function of(string $structure): ?Proof
    {
        $proof = Cache::store('answers')->get("proof:{$structure}");

        return $proof instanceof Proof ? $proof : null;
    }

    public function keep(string $structure, Proof $proof): void
    {
        Cache::store('answers')->put("proof:{$structure}", $proof, self::KEEP_S);
    }
}
