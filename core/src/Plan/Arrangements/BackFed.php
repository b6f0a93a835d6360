<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** The inverter on a back-fed breaker of the main panel, interlocked with the main breaker. */
final class BackFed implements Arrangement
{
    public static function id(): string
    {
        return 'back_fed';
    }

    public static function title(): string
    {
        return 'Back-fed breaker with a mechanical interlock';
    }

    public static function gains(): string
    {
        return 'Cheap, one box, visible; without the interlock it is forbidden.';
    }

    public static function risks(): string
    {
        return 'It parts the hot only: neutrals and bonds stay common; the breaker needs a hold-down; a person must ' .
            'act.';
    }

    public static function options(): array
    {
        return ['interlocked' => Field::flag('With the mechanical interlock')->usual(true)] + Options::standAlone();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $panel = FoundParts::mainPanel($rig);
        $free = \Hollin\Core\Plan\Slots::free($rig, $panel);
        $whole = array_values(array_filter($free, fn(array $f): bool => $f['half'] === ''));
        if ($whole === []) {
            throw new NotPossible(
                sprintf(
                    '%s has no free slot for a back-fed breaker: move a circuit onto a tandem breaker first.',
                    $panel->label(),
                ),
            );
        }

        return [
            ...Units::standAlone($options, 'hard_wired'),
            ...BankAssembly::of($rig, $options),
            Changes::set(
                $panel->id,
                '/backfeed',
                (object) [
                    'breakerA' => 20,
                    'slot' => $whole[0]['slot'],
                    'interlocked' => $options->flag('interlocked'),
                    'holdDown' => true,
                ],
                'the inverter comes in on a breaker of the main panel',
            ),
            Changes::feeder(
                'inverter_out',
                'Inverter to back-fed breaker',
                'inverter',
                'ac_out',
                $panel->id,
                'backfeed',
                Changes::branchCable('awg:12', 3.0),
            ),
            ...ConverterFate::of($rig, $options, 'ac_out'),
        ];
    }
}
