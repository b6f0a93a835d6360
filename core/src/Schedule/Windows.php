<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

/** Stretches of time, in minutes since 1970 UTC, in order and apart. */
final readonly class Windows
{
    /** @param list<array{int, int}> $spans from, to; in order, apart */
    public function __construct(public array $spans) {}

    /** One stretch without end. */
    public static function always(int $from = 0): self
    {
        return new self([[$from, PHP_INT_MAX >> 1]]);
    }

    /** What is in both. */
    public function and(self $other): self
    {
        $spans = [];
        $i = $j = 0;
        while ($i < count($this->spans) && $j < count($other->spans)) {
            [$a, $b] = $this->spans[$i];
            [$c, $d] = $other->spans[$j];
            $from = max($a, $c);
            $to = min($b, $d);
            if ($from < $to) {
                $spans[] = [$from, $to];
            }
            $b < $d ? $i++ : $j++;
        }

        return new self($spans);
    }

    /** Without a stretch. */
    public function without(int $from, int $to): self
    {
        $spans = [];
        foreach ($this->spans as [$a, $b]) {
            if ($to <= $a || $from >= $b) {
                $spans[] = [$a, $b];
                continue;
            }
            if ($a < $from) {
                $spans[] = [$a, $from];
            }
            if ($to < $b) {
                $spans[] = [$to, $b];
            }
        }

        return new self($spans);
    }

    /** Whether a minute is in it. */
    public function has(int $minute): bool
    {
        foreach ($this->spans as [$from, $to]) {
            if ($minute >= $from && $minute < $to) {
                return true;
            }
        }

        return false;
    }
}
