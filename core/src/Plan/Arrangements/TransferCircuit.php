<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Rig;

/** A stand-alone inverter and a transfer switch in one prepared circuit. */
final class TransferCircuit extends Recipe
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
        return 'The switch lands beyond the branch breaker: while inverting that breaker is bypassed, and what protects the cable is the inverter.';
    }

    public static function options(): array
    {
        return ['circuit' => Field::ref('Circuit behind the transfer switch')] + Options::transfer() + Options::standAlone();
    }

    protected function coilPort(): string
    {
        return 'ac_out';
    }

    public function changes(Rig $rig, Options $options): array
    {
        $circuit = self::branch($rig, $options);
        $out = (object) ['at' => 'transfer', 'port' => 'out'];

        return [
            ...$this->standAlone($options, 'hard_wired'),
            ...$this->bank($rig, $options),
            ...$this->transfer($options, 'Transfer switch', 20),
            self::fit('transfer_feed', self::branchEnd($circuit, $circuit->label() . ': feed') + ['feeds' => (object) ['at' => 'transfer', 'port' => 'in_a']]),
            self::feeder('inverter_out', 'Inverter to transfer switch', 'inverter', 'ac_out', 'transfer', 'in_b', self::branchCable('awg:12', 2.0)),
            self::move($circuit->id, '/hot', $out, 'the circuit is fed by the transfer switch'),
            self::move($circuit->id, '/neutral', clone $out, 'hot and neutral together'),
            self::set($circuit->id, '/breakerA', null, 'its breaker stays in the panel'),
            ...($circuit->gfci() === 'breaker' ? [self::set($circuit->id, '/gfci', 'none', 'its GFCI breaker stays in the panel')] : []),
            ...$this->fate($rig, $options),
        ];
    }
}
