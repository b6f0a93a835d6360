<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Arrangements\Changes;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Plan\Slots;
use stdClass;

/** A circuit's wires landed in another panel. */
final class MoveCircuit implements Handler
{
    public static function kind(): string
    {
        return 'move_circuit';
    }

    public static function needs(): array
    {
        return ['plan', 'circuit', 'panel', 'wires'];
    }

    public static function right(): Right
    {
        return Right::Plan;
    }

    public function handle(Editing $on): Edit
    {
        $plan = $on->plan();
        $id = $on->text('circuit');
        $wires = $on->text('wires');
        if (!in_array($wires, ['both', 'hot', 'neutral'], true)) {
            throw Refused::because('/intent/wires', 'must be both, hot or neutral.');
        }
        $stages = Planned::stages($on->document, $on->text('plan'));
        $rig = Rig::from($stages[count($stages) - 1]->components);
        $circuit = $rig->find($id);
        if (!($circuit instanceof Circuit)) {
            throw Refused::because('/intent/circuit', sprintf('There is no circuit "%s" in the plan.', $id));
        }
        $panel = $rig->find($on->text('panel'));
        if (!($panel instanceof Panel)) {
            throw Refused::because('/intent/panel', sprintf('"%s" is not a panel of the plan.', $on->text('panel')));
        }
        $slot = $on->intent->integer('slot');
        $half = $on->text('half');
        $found = $on->document->asFound->components->{$id} ?? null;
        $home = $found instanceof stdClass ? $found->hot->panel ?? null : null;
        if ($slot === 0 && $wires !== 'neutral') {
            if ($circuit->hotPanel() === $panel->id) {
                $slot = $circuit->slot();
                $half = $circuit->half();
            } else {
                $free = Slots::free($rig, $panel, $id);
                // Going home means going back to the very slot it came from.
                $own = ['slot' => (int) ($found->hot->slot ?? 0), 'half' => (string) ($found->hot->half ?? '')];
                $home =
                    $home === $panel->id &&
                    (in_array($own, $free, true) || in_array(['slot' => $own['slot'], 'half' => ''], $free, true));
                ['slot' => $slot, 'half' => $half] = $home
                    ? $own
                    : $free[0] ??
                        throw Refused::because('/intent/panel', sprintf('%s has no free slot.', $panel->label()));
            }
        }
        foreach (Changes::moveCircuit($circuit, $panel->id, $slot, $wires, $half) as $change) {
            $on->write($plan, $change);
        }
        $gfci = 'ch_' . $id . '_gfci';
        if ($wires !== 'neutral' && ($found->hot->panel ?? null) === $panel->id && isset($plan->changes->{$gfci})) {
            unset($plan->changes->{$gfci});
        }
        $what = ['both' => '', 'hot' => 'the hot of ', 'neutral' => 'the neutral of '][$wires];

        return $on->done("moved {$what}{$circuit->label()} to {$panel->label()}");
    }
}
