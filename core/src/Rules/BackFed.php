<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** What keeps a back-fed breaker from joining what feeds it with what comes in by the main. */
final class BackFed
{
    /** @return list<Remedy> for panels whose main and back-fed breaker can be on at once */
    public static function remedies(Examination $rig): array
    {
        $remedies = [];
        foreach ($rig->graph->parts as $id => $part) {
            if (isset($rig->graph->devices["{$id}.backfeed_breaker"], $rig->graph->devices["{$id}.main"])) {
                $remedies[] = Remedy::set(
                    "Interlock the back-fed breaker of {$part->label} with its main",
                    'one of them at a time, never both',
                    (string) $id,
                    '/backfeed/interlocked',
                    true,
                );
            }
        }

        return $remedies;
    }
}
