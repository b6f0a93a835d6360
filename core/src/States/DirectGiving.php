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
                $situation->isActive($id) &&
                $situation->mayCharge($id);
            if ($on && ($unit->kind === PowerConverter::FIELD || self::isFed($situation, $unit))) {
                $giving[$id] = true;
            }
        }

        return $giving;
    }

    /** Whether a battery or something that charges stands at the input of what takes direct current. */
    private static function isFed(Situation $situation, PowerConverter $unit): bool
    {
        if ($situation->batteriesAt(...$unit->input) !== []) {
            return true;
        }
        [$pos, $neg] = array_map($situation->root(...), $unit->input);
        foreach ($situation->network->graph->converters as $other) {
            if (
                $other->kind === PowerConverter::FIELD &&
                $situation->isActive($other->id) &&
                [$pos, $neg] === array_map($situation->root(...), $other->output)
            ) {
                return true;
            }
        }

        return false;
    }
}
