<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;

/** A stand-alone inverter and a transfer switch ahead of the whole panel. */
final class TransferWhole implements Arrangement
{
    public static function id(): string
    {
        return 'transfer_whole';
    }

    public static function title(): string
    {
        return 'Transfer switch ahead of the whole panel';
    }

    public static function gains(): string
    {
        return 'Factory outlets work from either source; by itself, or visibly by hand.';
    }

    public static function risks(): string
    {
        return 'Which input it prefers and how long it waits; one pole or two; the converter loops behind it; the ' .
            'bond when transferred.';
    }

    public static function options(): array
    {
        return Options::transfer() + Options::standAlone(ahead: true);
    }

    public function changes(Rig $rig, Options $options): array
    {
        $panel = FoundParts::mainPanel($rig);
        $feeder = FoundParts::shoreFeeder($rig, $panel);
        [, $circuit] = FoundParts::converter($rig);
        $ahead = $options->converter() === 'ahead' && $circuit !== null;

        return [
            ...Units::standAlone($options, 'hard_wired'),
            ...BankAssembly::of($rig, $options),
            ...Units::transfer($options, 'Transfer switch', 30),
            ...$ahead
                ? [
                    ...Units::shoreBox($feeder, 'transfer', 'in_a', 30),
                    ...Changes::moveCircuit($circuit, 'shore_box', 2),
                ]
                : [
                    Changes::move(
                        $feeder->id,
                        '/to',
                        (object) ['at' => 'transfer', 'port' => 'in_a'],
                        'shore is input A',
                    ),
                ],
            Changes::feeder(
                'inverter_out',
                'Inverter to transfer switch',
                'inverter',
                'ac_out',
                'transfer',
                'in_b',
                Changes::branchCable('awg:10', 2.0),
            ),
            Changes::feeder(
                'transfer_out',
                'Transfer switch to main panel',
                'transfer',
                'out',
                $panel->id,
                'line',
                Changes::branchCable('awg:10', 2.0),
            ),
            ...ConverterFate::of($rig, $options, 'ac_out'),
        ];
    }
}
