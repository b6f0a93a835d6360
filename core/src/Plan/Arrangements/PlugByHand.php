<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** A circuit ends in a plug that a person moves between the factory outlet and the inverter. */
final class PlugByHand implements Arrangement
{
    public static function id(): string
    {
        return 'plug_by_hand';
    }

    public static function title(): string
    {
        return 'A plug moved by hand between factory outlet and inverter';
    }

    public static function gains(): string
    {
        return 'All conductors move, break before make; nothing to go wrong by itself.';
    }

    public static function risks(): string
    {
        return 'One circuit only; it is a habit, and a charger or heater on that circuit follows it to the battery.';
    }

    public static function options(): array
    {
        return ['circuit' => Field::ref('Circuit that gets the plug')] + Options::standAlone();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $circuit = FoundParts::branch($rig, $options);
        $out = (object) ['at' => 'hand_plug', 'port' => 'out'];

        return [
            ...Units::standAlone($options, 'receptacles', ['outletA' => 15]),
            ...BankAssembly::of($rig, $options),
            Changes::fit('factory_outlet', Changes::branchEnd($circuit, $circuit->label() . ': factory outlet')),
            Changes::fit('hand_plug', [
                'type' => 'inlet',
                'label' => $circuit->label() . ' plug',
                'ratingA' => 15,
                'form' => 'plug',
                'usual' => 'factory',
                'cord' => (object) [
                    'size' => (object) ['value' => 'awg:14', 'basis' => 'told'],
                    'lengthM' => (object) ['value' => 1.5, 'basis' => 'assumed'],
                    'sheath' => 'cord',
                ],
                'into' => (object) [
                    'factory' => (object) ['at' => 'factory_outlet', 'port' => 'receptacle'],
                    'unit' => (object) ['at' => 'inverter', 'port' => 'ac_out'],
                ],
            ]),
            Changes::move($circuit->id, '/hot', $out, 'the circuit is fed by the plug'),
            Changes::move($circuit->id, '/neutral', clone $out, 'hot and neutral together'),
            Changes::set($circuit->id, '/breakerA', null, 'its breaker stays in the panel'),
            ...$circuit->gfci() === 'breaker'
                ? [Changes::set($circuit->id, '/gfci', 'none', 'its GFCI breaker stays in the panel')]
                : [],
            ...ConverterFate::of($rig, $options, 'ac_out'),
        ];
    }
}
