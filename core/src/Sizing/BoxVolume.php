<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\Source;

/** Volume the conductors in a box need, by NFPA 70 314.16(B). */
final readonly class BoxVolume
{
    private const CM3_PER_IN3 = 16.387064;

    private function __construct(public float $cm3, public string $arithmetic) {}

    /** Where the volumes come from. */
    public static function source(): Source
    {
        return Source::recalled('NFPA 70 314.16(B)');
    }

    /**
     * Insulated conductors by size, equipment grounds, clamps.
     *
     * @param list<string> $insulated designations of the insulated conductors
     * @param list<string> $grounds designations of the equipment grounds
     */
    public static function needed(array $insulated, array $grounds, bool $clamps): self
    {
        $parts = [];
        $cubicInches = 0.0;
        $add = function (float $count, string $size, string $what) use (&$parts, &$cubicInches): void {
            $each = self::allowance($size);
            $cubicInches += $count * $each;
            $parts[] = sprintf('%g × %.2f in³ %s', $count, $each, $what);
        };
        foreach (array_count_values($insulated) as $size => $count) {
            $add((float) $count, (string) $size, ConductorSize::of((string) $size)->spoken());
        }
        if ($grounds !== []) {
            $add(1.0 + 0.25 * max(0, count($grounds) - 4), self::largest($grounds), 'grounds');
        }
        if ($clamps) {
            $add(1.0, self::largest([...$insulated, ...$grounds]), 'clamps');
        }

        return new self(
            $cubicInches * self::CM3_PER_IN3,
            implode(' + ', $parts) . sprintf(' = %.2f in³', $cubicInches),
        );
    }

    /** What the conductors of a splice box need, cm³. */
    public static function of(Graph $graph, Part $box): self
    {
        $insulated = $grounds = [];
        $faces = [
            "{$box->id}.in.l",
            "{$box->id}.in.n",
            "{$box->id}.in.g",
            "{$box->id}.out.l",
            "{$box->id}.out.n",
            "{$box->id}.out.g",
        ];
        foreach ($graph->elements as $element) {
            if ($element->component === $box->id || array_intersect($faces, [$element->a, $element->b]) === []) {
                continue;
            }
            $size = self::sizeOf($graph, $element);
            $element->role === Role::PE ? ($grounds[] = $size) : ($insulated[] = $size);
        }
        $more = (int) $box->number('moreCables');
        $size = $box->text('moreSize', 'awg:14');
        for ($i = 0; $i < $more; $i++) {
            array_push($insulated, $size, $size);
            $grounds[] = $size;
        }

        return self::needed($insulated, $grounds, $box->flag('clamps'));
    }

    /** A circuit that ends in the box brings its own cable. */
    private static function sizeOf(Graph $graph, Element $element): string
    {
        return $element->cable?->size->designation ??
            ($graph->partAt($element->component)?->text('cable/size', 'awg:14') ?? 'awg:14');
    }

    /** Allowance of one conductor, in³. mm² sizes count as the next larger gauge. */
    private static function allowance(string $designation): float
    {
        $size = ConductorSize::of($designation);
        foreach (ConductorTables::BOX_IN3 as $gauge => $cubicInches) {
            if (ConductorSize::of("awg:{$gauge}")->areaMm2 >= $size->areaMm2 - 1e-6) {
                return $cubicInches;
            }
        }

        return ConductorTables::BOX_IN3['6'];
    }

    /** @param list<string> $designations */
    private static function largest(array $designations): string
    {
        usort(
            $designations,
            fn(string $a, string $b): int => ConductorSize::of($b)->areaMm2 <=> ConductorSize::of($a)->areaMm2,
        );

        return $designations[0] ?? 'awg:14';
    }
}
