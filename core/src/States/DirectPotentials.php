<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Potentials;

/** The batteries of a situation: what they put where, which are shorted, and which stand side by side. */
final class DirectPotentials
{
    /** Volts left over around a cycle that two like batteries may differ by, as a share of nominal. */
    private const LIKE_SHARE = 0.02;

    /** Above this share of nominal what is left over is no mismatch but a short. */
    private const SHORT_SHARE = 0.4;

    /** Direct current has one phase. */
    private const DIRECT = 'dc';

    private readonly Potentials $potentials;

    /** @var list<array{Battery, float}> batteries in a closed cycle that leaves volts over, and how many */
    public array $shorts = [];

    /** @var list<array{Battery, Battery, float}> batteries side by side, and the volts between them at rest */
    public array $parallel = [];

    private function __construct(private readonly Situation $situation)
    {
        $this->potentials = new Potentials();
        $placed = [];
        foreach ($situation->network->graph->batteries as $battery) {
            $pos = $situation->root($battery->pos);
            $neg = $situation->root($battery->neg);
            $left =
                $this->potentials->join($pos, $neg, [self::DIRECT => [$battery->restV('half'), 0.0]])[
                    self::DIRECT
                ][0] ?? null;
            foreach ($placed as [$other, $p, $n]) {
                if ($p === $pos && $n === $neg && $pos !== $neg) {
                    $this->parallel[] = [$other, $battery, $battery->restV('half') - $other->restV('half')];
                    $left = null;
                }
            }
            if ($left !== null && abs($left) > self::SHORT_SHARE * $battery->systemV()) {
                $this->shorts[] = [$battery, abs($left)];
            }
            $placed[] = [$battery, $pos, $neg];
        }
    }

    /**
     * Batteries do not follow alternating devices: one answer serves all situations that are alike on the battery side.
     */
    public static function of(Situation $situation): self
    {
        $network = $situation->network;

        return $network->directMemo[$situation->directKey()] ??= new self($situation);
    }

    /** Volts from one terminal to another that batteries put there; null where none does. */
    public function between(string $pos, string $neg): ?float
    {
        $volts = $this->potentials->between($this->situation->root($pos), $this->situation->root($neg));

        return $volts === null ? null : $volts[self::DIRECT][0] ?? 0.0;
    }

    /** Whether two batteries may stand side by side: one chemistry, one number of cells. */
    public static function areLike(Battery $a, Battery $b): bool
    {
        return $a->chemistry === $b->chemistry &&
            abs($a->restV('half') - $b->restV('half')) <= self::LIKE_SHARE * $a->systemV();
    }
}
