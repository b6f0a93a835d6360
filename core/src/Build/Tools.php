<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;
use Hollin\Core\Place\Bend;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Stud;

/** Tools by what they must fit: sockets by the stud, strippers and sleeves by the wire, a saw by what goes through. */
final class Tools
{
    /** Sleeves for fine strands, mm² (sizes of DIN 46228-4, from memory). */
    private const SLEEVES = [0.5, 0.75, 1.0, 1.5, 2.5, 4.0, 6.0, 10.0, 16.0, 25.0, 35.0, 50.0];

    /** Hole saws as they are sold: mm => in. Common practice, no source. */
    private const SAWS = [
        16 => '5/8',
        19 => '3/4',
        22 => '7/8',
        25 => '1',
        29 => '1 1/8',
        32 => '1 1/4',
        35 => '1 3/8',
        38 => '1 1/2',
        44 => '1 3/4',
        51 => '2',
        57 => '2 1/4',
        64 => '2 1/2',
        76 => '3',
    ];

    /** What a grommet's or gland's edge takes on each side, m. Common practice, no source. */
    private const EDGE_M = 0.003;

    /** Conductors side by side in a sheath, with the sheath, in thicknesses of one. Common practice, no source. */
    private const SHEATHED = 3.0;

    /**
     * For lugs: the wrench and what it carries.
     *
     * @param list<string> $studs as they are called
     * @return list<string>
     */
    public static function forStuds(array $studs): array
    {
        $sockets = [];
        foreach (Stud::cases() as $stud) {
            if (in_array($stud->label(), $studs, true)) {
                $sockets[] = $stud->socket();
            }
        }

        return ['torque wrench', ...array_map(fn(string $s): string => "socket {$s}", $sockets), 'paint pen'];
    }

    /**
     * For wires under screws: driver, stripper, and sleeves where strands are fine.
     *
     * @param list<Part> $cables
     * @return list<string>
     */
    public static function forWires(array $cables): array
    {
        $sizes = $sleeves = [];
        foreach ($cables as $cable) {
            $size = ConductorSize::of($cable->text('cable/size'));
            $sizes[$size->spoken()] = true;
            $sleeve = in_array($cable->text('cable/sheath'), ['fine', 'cord'], true) ? self::sleeve($size) : null;
            if ($sleeve !== null) {
                $sleeves[sprintf('%g mm²', $sleeve)] = true;
            }
        }

        return $sizes === []
            ? []
            : [
                'torque driver',
                'stripper for ' . implode(' and ', array_keys($sizes)),
                ...$sleeves === [] ? [] : ['ferrule crimper, sleeves of ' . implode(' and ', array_keys($sleeves))],
            ];
    }

    /** The sleeve that strands of a size go into, mm²; null where none is made. */
    public static function sleeve(ConductorSize $size): ?float
    {
        foreach (self::SLEEVES as $mm2) {
            // Gauges lie a little beside metric sizes.
            if ($size->areaMm2 <= $mm2 * 1.05) {
                return $mm2;
            }
        }

        return null;
    }

    /** What is cut out for a part, as far as somebody has entered it. */
    public static function cutOut(Part $part): string
    {
        $wide = $part->number('cutOutWidthMm');
        $high = $part->number('cutOutHeightMm');

        return match (true) {
            $wide > 0 && $high > 0 => sprintf('Cut-out %g × %g mm', $wide, $high),
            $wide > 0 => sprintf('Cut-out %g mm across, round', $wide),
            default => 'Cut-out by the template of its maker: nobody has entered its size',
        };
    }

    /** @return list<string> for an opening with corners, or a round one */
    public static function forCutOut(Part $part): array
    {
        $wide = $part->number('cutOutWidthMm');
        if ($wide <= 0) {
            return ['template of its maker'];
        }
        if ($part->number('cutOutHeightMm') > 0) {
            return ['drill 10 mm or 3/8 in for the corners', 'jigsaw, fine blade'];
        }
        foreach (self::SAWS as $mm => $inches) {
            // Saws are sold in steps.
            if (abs($mm - $wide) <= 1.5) {
                return ["hole saw {$mm} mm or {$inches} in"];
            }
        }

        return [sprintf('hole saw %g mm', $wide)];
    }

    /**
     * The saw for a hole that cables go through with their grommet; without a size where that is not known.
     *
     * @param list<Part> $cables
     */
    public static function saw(array $cables): string
    {
        $wide = 0.0;
        foreach ($cables as $cable) {
            if ($cable->text('cable/size') === '') {
                return 'hole saw';
            }
            $one = Bend::thicknessM(ConductorSize::of($cable->text('cable/size')));
            $single = in_array($cable->text('cable/sheath'), ['single', 'fine'], true);
            $wide = max($wide, $one * ($single ? 1.0 : self::SHEATHED));
        }
        foreach ($wide === 0.0 ? [] : self::SAWS as $mm => $inches) {
            if ($mm >= 1000 * ($wide + 2 * self::EDGE_M)) {
                return "hole saw {$mm} mm or {$inches} in";
            }
        }

        return 'hole saw';
    }
}
