<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** A stand-alone inverter and a transfer switch in one prepared circuit. */
final class TransferCircuit implements Arrangement
{
    public static function id(): string
    {
        return 'transfer_circuit';
    }

    public static function title(): string
    {
        return 'Transfer switch in one circuit';
    }

    public static function gains(): string
    {
        return 'Heavy loads stay off the battery; the factory prep cable is used.';
    }

    public static function risks(): string
    {
        return 'The switch lands beyond the branch breaker: while inverting that breaker is bypassed, and what ' .
            'protects the cable is the inverter.';
    }

    public static function options(): array
    {
        return ['circuit' => Field::ref('Circuit behind the transfer switch')] +
            Options::transfer() +
            Options::standAlone();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $circuit = FoundParts::branch($rig, $options);
        $out = (object) ['at' => 'transfer', 'port' => 'out'];

        return [
            ...Units::standAlone($options, 'hard_wired'),
            ...BankAssembly::of($rig, $options),
            ...Units::transfer($options, 'Transfer switch', 20),
            Changes::fit(
                'transfer_feed',
                Changes::branchEnd($circuit, $circuit->label() . ': feed') + [
                    'feeds' => (object) ['at' => 'transfer', 'port' => 'in_a'],
                ],
            ),
            Changes::feeder(
                'inverter_out',
                'Inverter to transfer switch',
                'inverter',
                'ac_out',
                'transfer',
                'in_b',
                Changes::branchCable('awg:12', 2.0),
            ),
            Changes::move($circuit->id, '/hot', $out, 'the circuit is fed by the transfer switch'),
            Changes::move($circuit->id, '/neutral', clone $out, 'hot and neutral together'),
            Changes::set($circuit->id, '/breakerA', null, 'its breaker stays in the panel'),
            ...$circuit->gfci() === 'breaker'
                ? [Changes::set($circuit->id, '/gfci', 'none', 'its GFCI breaker stays in the panel')]
                : [],
            ...ConverterFate::of($rig, $options, 'ac_out'),
        ];
    }
}
