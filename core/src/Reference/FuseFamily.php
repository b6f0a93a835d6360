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

    /** @return list<int> ratings in A */
    public function ratingsA(): array
    {
        return match ($this) {
            self::ClassT => [30, 40, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400, 450, 500, 600],
            self::BoltDown => [35, 40, 50, 60, 80, 100, 130, 150, 175, 200, 225, 250, 300, 325, 350, 400, 500, 600, 750],
            self::OnPost => [30, 40, 50, 60, 75, 80, 90, 100, 125, 150, 175, 200, 225, 250, 300],
            self::AutomotiveBolt => [60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 500],
            self::Blade => [1, 2, 3, 4, 5, 10, 15, 20, 25, 30, 40],
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
            self::OnPost => [14 => 10000, 32 => 5000, 58 => 2000],
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

    public function source(): Source
    {
        return Source::recalled('usual maker data for the family; the label of the device rules');
    }

    /** Smallest rating of the family at or above the wanted current, in A. */
    public function ratingAtLeast(float $currentA): ?int
    {
        foreach ($this->ratingsA() as $rating) {
            if ($rating >= $currentA - 1e-9) {
                return $rating;
            }
        }

        return null;
    }
}
