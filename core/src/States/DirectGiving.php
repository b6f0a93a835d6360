<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\PowerConverter;

/** What gives direct current in a situation without running on alternating current. */
final class DirectGiving
{
    /** @return array<string, true> what charges from sun, shaft or another battery and is on */
    public static function of(Situation $situation): array
    {
        $giving = [];
        foreach ($situation->network->graph->converters as $id => $unit) {
            $on =
                ($unit->kind === PowerConverter::FIELD || $unit->kind === PowerConverter::DC_DC) &&
                $situation->isActive($id);
            if ($on && ($unit->kind === PowerConverter::FIELD || self::isFed($situation, $unit))) {
                $giving[$id] = true;
            }
        }

        return $giving;
    }

    /** Whether a battery or something that charges stands at the input of what takes direct current. */
    private static function isFed(Situation $situation, PowerConverter $unit): bool
    {
        [$pos, $neg] = array_map($situation->root(...), $unit->input);
        $stands = fn(string $plus, string $minus): bool => $situation->root($plus) === $pos &&
            $situation->root($minus) === $neg;
        foreach ($situation->network->graph->batteries as $battery) {
            if ($stands($battery->pos, $battery->neg)) {
                return true;
            }
        }
        foreach ($situation->network->graph->converters as $other) {
            if (
                $other->kind === PowerConverter::FIELD &&
                $situation->isActive($other->id) &&
                $stands(...$other->output)
            ) {
                return true;
            }
        }

        return false;
    }
}
