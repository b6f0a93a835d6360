<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Switching\AcSwitch;
use Hollin\Core\Components\Switching\TransferSwitch;

/** Where the wires of a circuit can go. */
final class Moves
{
    /**
     * The places a circuit can move to: panels and load sides of switches that it does not feed itself. A hot needs a
     * free place for its breaker; a neutral needs none.
     *
     * @return array<string, array<string, array{hot: bool, neutral: bool}>> circuit => place => what can land there
     */
    public static function of(Rig $rig): array
    {
        $downstream = new Downstream($rig);
        $places = array_filter($rig->components, self::takes(...));
        $room = array_map(
            fn(Component $place): bool => !($place instanceof Panel) || Slots::hasRoom($rig, $place),
            $places,
        );
        $moves = [];
        foreach ($rig->all(Circuit::class) as $circuit) {
            $fed = $downstream->of($circuit->id);
            $to = [];
            foreach ($places as $id => $place) {
                if (isset($fed[$id])) {
                    continue;
                }
                $can = [
                    'hot' => $room[$id] && $circuit->lands('hot') !== $id,
                    'neutral' => $circuit->lands('neutral') !== $id,
                ];
                if (in_array(true, $can, true)) {
                    $to[$id] = $can;
                }
            }
            $moves[$circuit->id] = $to;
        }

        return $moves;
    }

    /** Whether the wires of a branch circuit can land on a part. */
    public static function takes(?Component $place): bool
    {
        return $place instanceof Panel || $place instanceof TransferSwitch || $place instanceof AcSwitch;
    }
}
