<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** DC overcurrent devices by family: the ratings they are sold in and what they can break. */
enum FuseFamily: string
{
    case ClassT = 'class_t';
    case BoltDown = 'anl';
    case OnPost = 'mrbf';
    case AutomotiveBolt = 'automotive_bolt';
    case Blade = 'blade';
    case ThermalBreaker = 'thermal_breaker';

    /** As it is printed on the fuse. */
    public function label(): string
    {
        return match ($this) {
            self::ClassT => 'Class T',
            self::BoltDown => 'bolt-down ANL',
            self::OnPost => 'on-post MRBF',
            self::AutomotiveBolt => 'automotive bolt-down',
            self::Blade => 'blade',
            self::ThermalBreaker => 'thermal DC breaker',
        };
    }

    /** @return list<int|float> ratings in A */
    public function ratingsA(): array
    {
        return match ($this) {
            self::ClassT => [
                30,
                40,
                50,
                60,
                70,
                80,
                90,
                100,
                110,
                125,
                150,
                175,
                200,
                225,
                250,
                300,
                350,
                400,
                450,
                500,
                600,
            ],
            self::BoltDown => [
                35,
                40,
                50,
                60,
                80,
                100,
                130,
                150,
                175,
                200,
                225,
                250,
                300,
                325,
                350,
                400,
                500,
                600,
                750,
            ],
            self::OnPost => [30, 40, 50, 60, 75, 80, 90, 100, 125, 150, 175, 200, 225, 250, 300],
            self::AutomotiveBolt => [60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 500],
            self::Blade => [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40],
            self::ThermalBreaker => [5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 120, 150, 200],
        };
    }

    /**
     * Interrupting capacity in A at the highest voltage the device will see; the figure of the
     * next listed voltage at or above it counts. Null: above its voltage rating, it may not break at all.
     */
    public function interruptingA(float $highestV): ?float
    {
        $steps = match ($this) {
            self::ClassT => [125 => 20000],
            self::BoltDown => [32 => 6000, 80 => 2700],
            // 10 kA is listed at 14 V, which makers give for 12 V systems.
            self::OnPost => [16 => 10000, 32 => 5000, 58 => 2000],
            self::AutomotiveBolt => [32 => 2000],
            self::Blade => [32 => 1000],
            self::ThermalBreaker => [16 => 3000],
        };
        foreach ($steps as $volts => $amps) {
            if ($highestV <= $volts) {
                return (float) $amps;
            }
        }

        return null;
    }

    /**
     * Highest system voltage the family is made for at all, V; between the last listed figure and this the label
     * decides.
     */
    public function highestV(): float
    {
        return match ($this) {
            self::ClassT => 125.0,
            self::BoltDown => 80.0,
            self::OnPost => 58.0,
            self::AutomotiveBolt, self::Blade => 32.0,
            self::ThermalBreaker => 60.0,
        };
    }

    /**
     * Up to this short circuit its figure needs no second look, A: the on-post type is listed at 14 V, a lithium bank
     * charges at more.
     */
    public function plainlyA(float $highestV): ?float
    {
        return $this === self::OnPost && $highestV > 14.0 && $highestV <= 16.0
            ? 5000.0
            : $this->interruptingA($highestV);
    }

    /** Where its figures come from. */
    public function source(): Source
    {
        return Source::uncertain('usual maker data for the family; the label of the device rules');
    }

    /** Smallest rating of the family at or above the wanted current, in A. */
    public function ratingAtLeast(float $currentA): int|float|null
    {
        foreach ($this->ratingsA() as $rating) {
            if ($rating >= $currentA - 1e-9) {
                return $rating;
            }
        }

        return null;
    }
}
