<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Cable;

/**
 * What joins two things on the wall: a cable, a lead, a cord. From and to name a component (c) with a port or
 * a row of its tray; elements are what its current can be read from; a gate is the device that opens it.
 */
final class Link
{
    /**
     * A cable that carries alternating current.
     *
     * @param array<string, string> $from
     * @param array<string, string> $to
     * @param array{string, string} $hot terminals at both ends
     * @param array{string, string} $neutral
     * @param list<string> $elements
     * @param array<string, mixed> $more what only some have: gate, gateIn, label, assumed, size, lengthM, parallel
     * @return array<string, mixed>
     */
    public static function ac(
        string $id,
        array $from,
        array $to,
        array $hot,
        array $neutral,
        array $elements,
        array $more = [],
        string $kind = 'ac',
    ): array {
        return [
            'id' => $id,
            'kind' => $kind,
            'from' => $from,
            'to' => $to,
            'hot' => $hot,
            'neutral' => $neutral,
            'elements' => $elements,
        ] +
            $more + ['gate' => null, 'label' => '', 'assumed' => false];
    }

    /** @return array{size: string, lengthM: float, parallel: int, label: string, assumed: bool} m */
    public static function cable(Cable $cable, Values $values): array
    {
        return self::sizeOf($cable) + ['label' => self::spoken($cable), 'assumed' => self::isAssumed($values)];
    }

    /**
     * A lead of the battery side, or a bond to the frame.
     *
     * @param string $kind positive, negative or bond
     * @return array<string, mixed>
     */
    public static function dc(
        string $id,
        string $kind,
        string $from,
        string $to,
        ?Cable $cable,
        Values $values,
        string $element,
    ): array {
        return [
            'id' => $id,
            'kind' => $kind,
            'from' => ['c' => explode('.', $from)[0]],
            'to' => ['c' => explode('.', $to)[0]],
            'gate' => null,
            'label' => $cable === null ? '' : self::spoken($cable),
            'assumed' => self::isAssumed($values),
            'ends' => [$from, $to],
            'elements' => [$element],
        ] + ($cable === null ? [] : self::sizeOf($cable));
    }

    /** @return array<string, mixed> a case that is joined with the frame */
    public static function ground(string $component): array
    {
        return [
            'id' => "{$component}.ground",
            'kind' => 'ground',
            'from' => ['c' => $component],
            'to' => ['c' => 'frame'],
            'gate' => null,
            'label' => '',
            'assumed' => false,
            'elements' => ["{$component}.frame_bond", "{$component}.case"],
        ];
    }

    /** @return array{c: string, port: string} a component's port, as a cable's end names it */
    public static function end(?Values $end): array
    {
        return ['c' => (string) $end?->text('at'), 'port' => (string) $end?->text('port')];
    }

    /** Size and length in words. */
    public static function spoken(Cable $cable): string
    {
        return sprintf('%s · %.1f m', $cable->spoken(), $cable->lengthM);
    }

    /** @return array{size: string, lengthM: float, parallel: int} for whoever writes it in the units somebody chose */
    private static function sizeOf(Cable $cable): array
    {
        return ['size' => $cable->size->designation, 'lengthM' => $cable->lengthM, 'parallel' => $cable->parallel];
    }

    private static function isAssumed(Values $values): bool
    {
        $cable = $values->group('cable');

        return $cable?->basis('size') === Basis::Assumed || $cable?->basis('lengthM') === Basis::Assumed;
    }
}
