<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Values;
use Hollin\Core\Network\Part;

/** Something with a weight and a place, before and after a plan. */
final readonly class Item
{
    /**
     * @param ?Part $part null for what is no part of the electrical system
     * @param float $beforeKg as found; 0 for what comes
     * @param float $afterKg 0 for what goes
     * @param string $basis how its weight is known
     * @param ?array{float, float, float} $sides width, height, depth as it stands, m
     */
    public function __construct(
        public string $id,
        public string $label,
        public ?Part $part,
        public float $beforeKg,
        public float $afterKg,
        public string $basis,
        public ?Spot $before,
        public ?Spot $after,
        public ?array $sides = null,
        public bool $assumedSides = true,
        public float $clearanceM = 0.0,
        private ?Values $said = null,
    ) {}

    /** stays, new, gone, moved or changed */
    public function state(): string
    {
        return match (true) {
            $this->beforeKg == 0.0 && $this->afterKg > 0 => 'new',
            $this->afterKg == 0.0 && $this->beforeKg > 0 => 'gone',
            abs($this->beforeKg - $this->afterKg) > 1e-9 => 'changed',
            $this->before != $this->after => 'moved',
            default => 'stays',
        };
    }

    public function isThere(): bool
    {
        return $this->afterKg > 0;
    }

    /** Whether something is said of how it stands. */
    public function is(string $flag): bool
    {
        return $this->said?->flag($flag) ?? false;
    }

    /** On the floor, on a wall, or hung from above. */
    public function held(): string
    {
        return $this->said?->text('held', 'floor') ?? 'floor';
    }

    /** Whether it may be laid on another side. */
    public function turns(): bool
    {
        return !$this->is('upright');
    }

    /**
     * Width and the other side of the face it stands on: depth on a floor, height on a wall.
     *
     * @return array{float, float}
     */
    public function foot(): array
    {
        [$w, $h, $d] = $this->sides ?? [0.0, 0.0, 0.0];

        return $this->held() === 'wall' ? [$w, $h] : [$w, $d];
    }

    /** How far it stands off the face it is on, m. */
    public function off(): float
    {
        [, $h, $d] = $this->sides ?? [0.0, 0.0, 0.0];

        return $this->held() === 'wall' ? $d : $h;
    }

    /** From its middle to its farthest corner, m. */
    public function reachM(): float
    {
        return $this->sides === null
            ? 0.0
            : sqrt(array_sum(array_map(fn(float $s): float => $s ** 2, $this->sides))) / 2;
    }
}
