<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use InvalidArgumentException;

/**
 * What is put in and taken out, by its place, on two supports: of a trailer the coupler and the axles, of a motorhome
 * the rear and the front axle. Statics: an item at x between them loads each by its lever; beyond one it lifts the
 * other. Any unit of weight and of length, the same throughout.
 */
final class Ledger
{
    /** Share of a loaded conventional trailer that its coupler carries (US practice). */
    public const COUPLER_SHARE = [0.1, 0.15];

    private function __construct(
        private readonly float $base,
        public readonly float $total,
        /** on the support that is measured to: coupler, or rear axle */
        public readonly float $far,
        /** on the support that is measured from: axles, or front axle */
        public readonly float $near,
    ) {}

    /**
     * A trailer as it was weighed.
     *
     * @param float $toCoupler from the middle of the axles to the coupler
     * @throws InvalidArgumentException for lengths or weights that cannot be
     */
    public static function trailer(float $total, float $coupler, float $toCoupler): self
    {
        if ($toCoupler <= 0 || $total <= 0 || $coupler >= $total) {
            throw new InvalidArgumentException(
                'A trailer has a weight, less of it on its coupler, and a coupler ahead of its axles.',
            );
        }

        return new self($toCoupler, $total, $coupler, $total - $coupler);
    }

    /**
     * A motorhome as it was weighed.
     *
     * @throws InvalidArgumentException for lengths or weights that cannot be
     */
    public static function motorhome(float $front, float $rear, float $wheelbase): self
    {
        if ($wheelbase <= 0 || $front < 0 || $rear < 0) {
            throw new InvalidArgumentException('A motorhome has a wheelbase and weight on its axles.');
        }

        return new self($wheelbase, $front + $rear, $rear, $front);
    }

    /**
     * With an item more; below nothing for one that is taken out.
     *
     * @param float $at of a trailer ahead of the axles (behind: below nothing), of a motorhome behind the front axle
     */
    public function with(float $weight, float $at): self
    {
        $far = ($weight * $at) / $this->base;

        return new self($this->base, $this->total + $weight, $this->far + $far, $this->near + $weight - $far);
    }

    /** With an item moved from one place to another. */
    public function moved(float $weight, float $from, float $to): self
    {
        return $this->with(-$weight, $from)->with($weight, $to);
    }

    /** Share of the whole on the coupler, or on the rear axle. */
    public function share(): float
    {
        return $this->far / $this->total;
    }

    /** Whether a trailer's coupler carries what keeps it from swaying, and no more than it likes. */
    public function isSteady(): bool
    {
        return $this->share() >= self::COUPLER_SHARE[0] && $this->share() <= self::COUPLER_SHARE[1];
    }

    /**
     * On the left and the right wheels, of an item so far to the left of the middle.
     *
     * @return array{float, float}
     * @throws InvalidArgumentException for wheels without a distance
     */
    public static function sides(float $weight, float $left, float $track): array
    {
        if ($track <= 0) {
            throw new InvalidArgumentException('Wheels stand apart.');
        }
        $on = $weight * (0.5 + $left / $track);

        return [$on, $weight - $on];
    }
}
