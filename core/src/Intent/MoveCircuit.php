<?php

declare(strict_types=1);

namespace Hollin\Core\Intent;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Arrangements\Changes;
use Hollin\Core\Plan\Moves;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Plan\Slots;
use Hollin\Core\Reference\ConductorSize;
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
        $last = Planned::atLast($on->document, $on->text('plan'));
        $rig = Rig::from($last);
        $circuit = $rig->find($id);
        if (!($circuit instanceof Circuit)) {
            throw Refused::because('/intent/circuit', sprintf('There is no circuit "%s" in the plan.', $id));
        }
        $panel = $rig->find($on->text('panel'));
        if ($panel === null || !Moves::takes($panel)) {
            throw Refused::because(
                '/intent/panel',
                sprintf(
                    '%s takes no branch circuit: choose a panel, or a switch for its load side.',
                    $panel === null ? "\"{$on->text('panel')}\"" : $panel->label(),
                ),
            );
        }
        if (!($panel instanceof Panel)) {
            return $this->behind($on, $plan, $circuit, $panel, $wires);
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
        if ($wires !== 'neutral' && ($found->hot->panel ?? null) === $panel->id) {
            unset($plan->changes->{"ch_{$id}_gfci"});
        }
        // A breaker it had left behind, or one that suits its cable.
        if ($wires !== 'neutral' && $circuit->breakerA() === null) {
            $breaker = $found->breakerA ?? (object) ['value' => self::breaker($circuit), 'basis' => 'told'];
            $on->write($plan, Changes::set($id, '/breakerA', $breaker, 'it needs a breaker here'));
        }

        return $on->done(self::words($circuit, $panel, $wires));
    }

    /** Its wires on the load side of a switch; its breaker stays where it was. */
    private function behind(Editing $on, stdClass $plan, Circuit $circuit, Component $switch, string $wires): Edit
    {
        $out = (object) ['at' => $switch->id, 'port' => 'out'];
        foreach (['hot', 'neutral'] as $wire) {
            if ($wires === 'both' || $wires === $wire) {
                $on->write($plan, Changes::move($circuit->id, "/{$wire}", clone $out));
            }
        }
        if ($wires !== 'neutral') {
            $on->write($plan, Changes::set($circuit->id, '/breakerA', null, 'its breaker stays in the panel'));
            if ($circuit->gfci() === 'breaker') {
                $on->write($plan, Changes::set($circuit->id, '/gfci', 'none', 'its GFCI breaker stays in the panel'));
            }
        }

        return $on->done(self::words($circuit, $switch, $wires));
    }

    private static function words(Circuit $circuit, Component $to, string $wires): string
    {
        $what = ['both' => '', 'hot' => 'the hot of ', 'neutral' => 'the neutral of '][$wires];
        $where = $to instanceof Panel ? '' : 'the load side of ';

        return "moved {$what}{$circuit->label()} to {$where}{$to->label()}";
    }

    /** A: the largest usual breaker for its cable. */
    private static function breaker(Circuit $circuit): int
    {
        foreach ([30, 20] as $amps) {
            if ($circuit->cable()->size->areaMm2 >= ConductorSize::of(Changes::sizeFor($amps))->areaMm2 - 1e-9) {
                return $amps;
            }
        }

        return 15;
    }
}
