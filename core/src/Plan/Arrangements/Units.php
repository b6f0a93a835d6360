<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Panels\Feeder;
use stdClass;

/** Units that arrangements fit: inverters, transfer switches, the box of what stays on shore. */
final class Units
{
    /** @return list<stdClass> */
    public static function inverter(Options $o): array
    {
        $watts = $o->number('continuousW', 3000);

        return [
            Changes::fit(
                'inverter',
                [
                    'type' => 'inverter_charger',
                    'label' => sprintf('Inverter/charger %g VA', $watts),
                    'continuousW' => $watts,
                    'surgeW' => $o->number('surgeW', 2 * $watts),
                    'efficiency' => $o->number('efficiency'),
                    'dcNominalV' => 12,
                    'cutOffV' => 10.5,
                    'idleW' => 25,
                    'passThroughA' => $o->number('passThroughA'),
                    'neutral' => $o->text('neutral'),
                    'bond' => 'relay',
                    'chargerA' => $o->number('chargerA'),
                    'inputLimitA' => $o->number('inputLimitA'),
                    'rejectsBelowV' => 100,
                    'passesWhenOff' => true,
                    'qualifyS' => 15,
                    'largestLug' => 'awg:4/0',
                    'studs' => 2,
                ] + ($o->flag('assist') ? ['assist' => true] : []),
            ),
        ];
    }

    /**
     * A stand-alone inverter of its own.
     *
     * @param array<string, mixed> $more
     * @return list<stdClass>
     */
    public static function standAlone(Options $o, string $output, array $more = []): array
    {
        $watts = $o->number('continuousW', 2000);

        return [
            Changes::fit(
                'inverter',
                [
                    'type' => 'inverter',
                    'label' => sprintf('Inverter %g W', $watts),
                    'continuousW' => (object) ['value' => $watts, 'basis' => 'told'],
                    'surgeW' => $o->surveyed('surgeW', 2 * $watts),
                    'efficiency' => $o->number('efficiency'),
                    'dcNominalV' => 12,
                    'cutOffV' => 10.5,
                    'idleW' => round($watts * 0.008, 1),
                    'neutral' => $o->text('outputNeutral'),
                    'output' => $output,
                    'waveform' => $o->text('waveform'),
                    'largestLug' => 'awg:4/0',
                    'studs' => 2,
                ] + $more,
            ),
        ];
    }

    /**
     * A transfer switch between the supply (A) and the inverter (B).
     *
     * @return list<stdClass>
     */
    public static function transfer(Options $o, string $label, int $ratingA): array
    {
        $manual = $o->text('switch') === 'manual';
        $prefers = $o->text('prefers') === 'supply' ? 'a' : 'b';

        return [
            Changes::fit(
                'transfer',
                [
                    'type' => 'transfer_switch',
                    'label' => $label,
                    'kind' => $manual ? 'manual' : 'automatic',
                    'poles' => $o->text('poles'),
                    'ratingA' => $ratingA,
                ] +
                    ($manual
                        ? []
                        : [
                            'prefers' => $prefers,
                            'rest' => $prefers === 'a' ? 'b' : 'a',
                            'delayS' => $o->number('delayS'),
                        ]),
            ),
        ];
    }

    /**
     * A box with two breakers on the supply side, for what must stay ahead of the transfer point.
     *
     * @return list<stdClass>
     */
    public static function shoreBox(Feeder $feeder, string $feeds, string $port, int $breakerA): array
    {
        return [
            Changes::fit('shore_box', [
                'type' => 'panel',
                'label' => 'Shore box',
                'role' => 'sub',
                'slots' => 2,
                'bondScrew' => (object) ['value' => false, 'basis' => 'told'],
                'bondedToFrame' => (object) ['value' => true, 'basis' => 'told'],
            ]),
            Changes::move(
                $feeder->id,
                '/to',
                (object) ['at' => 'shore_box', 'port' => 'line'],
                'shore reaches the shore box first',
            ),
            Changes::fit('inverter_feed', [
                'type' => 'circuit',
                'label' => $feeds === 'inverter' ? 'Inverter/charger feed' : 'Transfer switch feed',
                'hot' => (object) ['panel' => 'shore_box', 'slot' => 1],
                'neutral' => (object) ['panel' => 'shore_box'],
                'breakerA' => (object) ['value' => $breakerA, 'basis' => 'told'],
                'cable' => (object) Changes::branchCable(Changes::sizeFor($breakerA), 1.0),
                'gfci' => 'none',
                'place' => 'fixed',
                'feeds' => (object) ['at' => $feeds, 'port' => $port],
            ]),
        ];
    }
}
