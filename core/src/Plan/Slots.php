<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;

/** Where in a panel another breaker can go. */
final class Slots
{
    /**
     * Free places, whole slots first, then the free halves of tandem breakers.
     *
     * @return list<array{slot: int, half: string}>
     */
    public static function free(Rig $rig, Panel $panel, string $except = ''): array
    {
        $taken = [];
        foreach ($rig->all(Circuit::class) as $circuit) {
            if ($circuit->id !== $except && $circuit->hotPanel() === $panel->id) {
                $taken[$circuit->slot()][] = $circuit->half();
            }
        }
        $whole = $halves = [];
        for ($slot = 1; $slot <= $panel->slots(); $slot++) {
            if ($slot === $panel->values->integer('mainSlot')) {
                continue;
            }
            if (!isset($taken[$slot])) {
                $whole[] = ['slot' => $slot, 'half' => ''];
            } elseif (!in_array('', $taken[$slot], true)) {
                foreach (array_diff(['a', 'b'], $taken[$slot]) as $half) {
                    $halves[] = ['slot' => $slot, 'half' => $half];
                }
            }
        }

        return [...$whole, ...$halves];
    }

    /** Whether one more circuit fits a panel. */
    public static function hasRoom(Rig $rig, Panel $panel): bool
    {
        return self::free($rig, $panel) !== [];
    }
}
