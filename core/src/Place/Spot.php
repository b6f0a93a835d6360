<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Values;

/** Where the middle of something is: to the rear, to the left of the middle; its bottom above the floor. */
final readonly class Spot
{
    public function __construct(public float $xM, public float $leftM, public float $upM, public string $zone = '') {}

    /**
     * Its own place, or the middle of the zone it is in; null where nobody has said either.
     *
     * @param array<string, Zone> $zones
     */
    public static function of(?Values $said, array $zones): ?self
    {
        if ($said === null) {
            return null;
        }
        $name = $said->text('zone');
        $zone = $zones[$name] ?? null;
        $x = $said->numberOrNull('xM') ?? $zone?->xM;

        return $x === null
            ? null
            : new self(
                $x,
                $said->number('leftM', $zone->leftM ?? 0.0),
                $said->number('upM', $zone->upM ?? 0.0),
                $zone === null ? '' : $name,
            );
    }

    /** The shortest a cable can be from here to there, m. */
    public function straightM(self $to): float
    {
        return sqrt(($this->xM - $to->xM) ** 2 + ($this->leftM - $to->leftM) ** 2 + ($this->upM - $to->upM) ** 2);
    }

    /** Along walls and floor, m. */
    public function alongM(self $to): float
    {
        return abs($this->xM - $to->xM) + abs($this->leftM - $to->leftM) + abs($this->upM - $to->upM);
    }
}
