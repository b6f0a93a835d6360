<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Job\Rig;

/** A stand-alone inverter and a transfer switch ahead of the whole panel. */
final class TransferWhole extends Recipe
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
        return 'Which input it prefers and how long it waits; one pole or two; the converter loops behind it; the bond when transferred.';
    }

    public static function options(): array
    {
        return Options::transfer() + Options::standAlone(ahead: true);
    }

    protected function coilPort(): string
    {
        return 'ac_out';
    }

    public function changes(Rig $rig, Options $options): array
    {
        $panel = self::mainPanel($rig);
        $feeder = self::shoreFeeder($rig, $panel);
        [, $circuit] = self::converter($rig);
        $ahead = $options->converter() === 'ahead' && $circuit !== null;

        return [
            ...$this->standAlone($options, 'hard_wired'),
            ...$this->bank($rig, $options),
            ...$this->transfer($options, 'Transfer switch', 30),
            ...($ahead
                ? [...self::shoreBox($feeder, 'transfer', 'in_a', 30), ...self::moveCircuit($circuit, 'shore_box', 2)]
                : [self::move($feeder->id, '/to', (object) ['at' => 'transfer', 'port' => 'in_a'], 'shore is input A')]),
            self::feeder('inverter_out', 'Inverter to transfer switch', 'inverter', 'ac_out', 'transfer', 'in_b', self::branchCable('awg:10', 2.0)),
            self::feeder('transfer_out', 'Transfer switch to main panel', 'transfer', 'out', $panel->id, 'line', self::branchCable('awg:10', 2.0)),
            ...$this->fate($rig, $options),
        ];
    }
}
