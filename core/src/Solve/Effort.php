<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * A bound on what may be spent on solving, counted in multiplications and not in seconds, so that an answer is the same
 * on every machine.
 */
final class Effort
{
    /** One load flow: a rig with four batteries takes under a hundredth of it. */
    public const FLOW = 3e7;

    /** All load flows of one rig together. */
    public const RIG = 1.5e8;

    public function __construct(private float $left = self::FLOW) {}

    /** @throws TooMuch when it is used up */
    public function spend(float $multiplications): void
    {
        $this->left -= $multiplications;
        if ($this->left < 0) {
            throw new TooMuch();
        }
    }

    /** What another, that was a share of it, has used. */
    public function count(self $share, float $had): void
    {
        $this->left -= $had - $share->left;
    }

    public function left(): float
    {
        return $this->left;
    }
}
