<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** A back-fed breaker that can be pulled off the bus while its other side is live. */
final class HoldDown implements RigRule
{
    public static function definition(): Definition
    {
        $room = Sample::survey('main_panel', '/slots', 12);

        return new Definition(
            'hold_down',
            Severity::Warning,
            'Back-fed breaker not held down',
            'A plug-in breaker that is fed from its load side stays live at its stab when it works loose or ' .
                'is pulled. It needs a fastener that takes more than a pull to release, beside the interlock.',
            Source::recalled('NFPA 70 408.36(D)'),
            [
                Sample::found(
                    'no hold-down',
                    $room,
                    Sample::alone('back_fed'),
                    Sample::set('main_panel', '/backfeed/holdDown', false),
                ),
                Sample::silent('held down by a screw', $room, Sample::alone('back_fed')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->partsOf('panel') as $id => $panel) {
            if (!$panel->has('backfeed/slot') || $panel->flag('backfeed/holdDown')) {
                continue;
            }
            $hits[] = new Hit(
                $id,
                sprintf(
                    'The back-fed breaker in slot %d of %s is held by its clip alone: pulled, its stab is live.',
                    (int) $panel->number('backfeed/slot'),
                    $panel->label,
                ),
                [$id],
                remedies: [
                    Remedy::set(
                        'Hold it down with its screw',
                        'it cannot come off the bus live',
                        $id,
                        '/backfeed/holdDown',
                        true,
                    ),
                ],
            );
        }

        return $hits;
    }
}
