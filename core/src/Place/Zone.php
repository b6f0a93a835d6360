<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Values;

/** A room of the rig that parts stand in. */
final readonly class Zone
{
    public string $label;

    public float $xM;

    public float $leftM;

    public float $upM;

    public float $widthM;

    public float $depthM;

    public float $heightM;

    /** @param Values $values of a zone, already checked */
    public function __construct(public string $id, private Values $values)
    {
        $this->label = $values->text('label');
        $this->xM = $values->number('xM');
        $this->leftM = $values->number('leftM');
        $this->upM = $values->number('upM');
        $this->widthM = $values->number('widthM');
        $this->depthM = $values->number('depthM');
        $this->heightM = $values->number('heightM');
    }

    public function is(string $flag): bool
    {
        return $this->values->flag($flag);
    }

    /** Whether somebody has said either way. */
    public function says(string $name): bool
    {
        return $this->values->has($name);
    }

    public function numberOrNull(string $name): ?float
    {
        return $this->values->numberOrNull($name);
    }

    /**
     * What passes its opening, the smaller first; null where nobody has said.
     *
     * @return ?array{float, float}
     */
    public function opening(): ?array
    {
        $w = $this->numberOrNull('openWidthM');
        $h = $this->numberOrNull('openHeightM');

        return $w === null || $h === null ? null : [min($w, $h), max($w, $h)];
    }

    /** Its walls, floor and ceiling, m². */
    public function wallM2(): float
    {
        return 2 * ($this->widthM * $this->depthM + $this->widthM * $this->heightM + $this->depthM * $this->heightM);
    }

    /**
     * Warmer than outside it by so much while something leaves heat in it, K; null where there is none.
     *
     * @return array{riseK: float, by: string} by fan, by vents, or through closed walls alone
     */
    public function rise(float $watts): array
    {
        $fan = $this->numberOrNull('fanM3h');
        $vents = $this->numberOrNull('ventCm2');

        $walls = $this->wallM2();
        $apart = $this->betweenVentsM();

        return match (true) {
            $fan !== null => [
                'riseK' => Heat::riseOfBoth($watts, $walls, Heat::riseByFan($watts, $fan), 1.0),
                'by' => 'fan',
            ],
            $vents !== null => [
                'riseK' => Heat::riseOfBoth($watts, $walls, Heat::riseByVents($watts, $vents, $apart), 1.5),
                'by' => 'vents',
            ],
            default => ['riseK' => Heat::riseClosed($watts, $walls), 'by' => 'walls'],
        };
    }

    /** From the lower to the upper vent, or four fifths of its height where nobody has said. */
    public function betweenVentsM(): float
    {
        return $this->numberOrNull('ventRiseM') ?? $this->heightM * 0.8;
    }
}
