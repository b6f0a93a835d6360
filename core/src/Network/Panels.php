<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Panels of a network by what they are made of, and where another breaker goes. */
final class Panels
{
    /** @return array<string, Part> */
    public static function of(Graph $graph): array
    {
        return $graph->partsOf('panel');
    }

    /** Terminal of a panel's bus. */
    public static function bus(Part $panel): string
    {
        return $panel->text('bus');
    }

    /** Terminal of its neutral bar. */
    public static function neutralBar(Part $panel): string
    {
        return $panel->text('neutralBar');
    }

    /** Terminal of its ground bar. */
    public static function groundBar(Part $panel): string
    {
        return $panel->text('groundBar');
    }

    /** Whether one more circuit fits: a free slot, or the free half of a tandem breaker. */
    public static function hasRoom(Graph $graph, Part $panel): bool
    {
        $taken = [];
        foreach ($graph->circuits as $circuit) {
            if ($circuit->panel === $panel->id) {
                $taken[$circuit->slot][] = $circuit->half;
            }
        }
        for ($slot = 1; $slot <= $panel->number('slots'); $slot++) {
            if ($slot === (int) $panel->number('mainSlot')) {
                continue;
            }
            if (
                !isset($taken[$slot]) ||
                (!in_array('', $taken[$slot], true) && count(array_unique($taken[$slot])) < 2)
            ) {
                return true;
            }
        }

        return false;
    }
}
