<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Part;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\FuseFamily;

/** Overcurrent devices that can be bought in place of another. */
final class Devices
{
    /** Branch breakers of a trailer's panels, A: UL 489 sizes that fit them (common practice, no source). */
    private const BREAKERS = [10, 15, 20, 25, 30, 35, 40, 45, 50, 60];

    /** The largest breaker that is no larger than a current; null when there is none. */
    public static function breakerAtMost(float $amps): ?int
    {
        $fit = array_filter(self::BREAKERS, fn(int $size): bool => $size <= $amps + 1e-9);

        return $fit === [] ? null : max($fit);
    }

    /**
     * Something smaller in place of what lets too much through.
     *
     * @param float $amps the most it may let through, A
     */
    public static function smaller(Part $device, float $amps, string $effect): ?Remedy
    {
        if ($device->is('dc_fuse') || $device->is('dc_circuit')) {
            $branch = $device->is('dc_circuit');
            $family = $branch ? FuseFamily::Blade : FuseFamily::tryFrom($device->text('family'));
            $fit = array_filter($family?->ratingsA() ?? [], fn(int|float $size): bool => $size <= $amps + 1e-9);

            return $fit === []
                ? null
                : Remedy::set(
                    sprintf('Use %g A in %s', max($fit), $device->label),
                    $effect,
                    $device->id,
                    $branch ? '/fuseA' : '/ratingA',
                    ['value' => max($fit), 'basis' => 'told'],
                );
        }
        $path = match (true) {
            $device->is('circuit') => '/breakerA',
            $device->is('panel') => '/mainA',
            default => null,
        };
        $size = self::breakerAtMost($amps);
        if ($path === null || $size === null) {
            return null;
        }
        $fitted = $device->has(ltrim($path, '/'));
        if ($device->is('panel')) {
            return $fitted
                ? Remedy::set(
                    sprintf('Use a %d A main breaker in %s', $size, $device->label),
                    $effect,
                    $device->id,
                    $path,
                    $size,
                )
                : null;
        }

        return Remedy::set(
            sprintf(
                $fitted ? 'Use a %d A breaker for %s' : 'Fit a %d A breaker at the head of %s',
                $size,
                $device->label,
            ),
            $effect,
            $device->id,
            $path,
            ['value' => $size, 'basis' => 'told'],
        );
    }

    /**
     * The most that everything on a way may carry, A: cables by what may protect them, pins, contacts and breakers by
     * their rating.
     *
     * @param iterable<Element> $way
     */
    public static function leastOf(iterable $way): float
    {
        $least = INF;
        foreach ($way as $element) {
            $school = $element->cable?->sheath === 'cord' ? Ampacity::Cord : Ampacity::Branch;
            $cable = $element->cable === null ? INF : $school->largestDevice($element->cable) ?? 0.0;
            $least = min($least, $cable, $element->ratingA() ?? INF);
        }

        return $least;
    }
}
