<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Job\Tree;
use Hollin\Core\Plan\Op;
use stdClass;

/** Changes of a plan, as arrangements write them. */
final class Changes
{
    /** @param array<string, mixed> $component */
    public static function fit(string $id, array $component): stdClass
    {
        return (object) ['op' => Op::Fit->value, 'target' => $id, 'value' => (object) $component];
    }

    /** @return stdClass a change that takes a component out */
    public static function remove(string $id, string $why): stdClass
    {
        return (object) ['op' => Op::Remove->value, 'target' => $id, 'why' => $why];
    }

    /** @return stdClass a change that lands one end of a component elsewhere */
    public static function move(string $id, string $path, mixed $value, string $why = ''): stdClass
    {
        return (object) (['op' => Op::Move->value, 'target' => $id, 'path' => $path, 'value' => $value] +
            ($why === '' ? [] : ['why' => $why]));
    }

    /** @return stdClass a change of one value */
    public static function set(string $id, string $path, mixed $value, string $why): stdClass
    {
        return (object) ['op' => Op::Set->value, 'target' => $id, 'path' => $path, 'value' => $value, 'why' => $why];
    }

    /** @return stdClass a change that fits a lead of the battery side */
    public static function lead(
        string $id,
        string $label,
        string $from,
        string $to,
        string $pole,
        stdClass $cable,
    ): stdClass {
        return self::fit($id, [
            'type' => 'lead',
            'label' => $label,
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => $cable,
        ]);
    }

    /** @param array<string, mixed> $cable */
    public static function feeder(
        string $id,
        string $label,
        string $from,
        string $fromPort,
        string $to,
        string $toPort,
        array $cable,
    ): stdClass {
        return self::fit($id, [
            'type' => 'feeder',
            'label' => $label,
            'from' => (object) ['at' => $from, 'port' => $fromPort],
            'to' => (object) ['at' => $to, 'port' => $toPort],
            'cable' => (object) $cable,
        ]);
    }

    /**
     * Hot and neutral of a circuit to a panel's slot.
     *
     * @return list<stdClass>
     */
    public static function moveCircuit(
        Circuit $circuit,
        string $panel,
        int $slot,
        string $wires = 'both',
        string $half = '',
    ): array {
        $changes = [];
        if ($wires !== 'neutral') {
            $hot = ['panel' => $panel, 'slot' => $slot] + ($half === '' ? [] : ['half' => $half]);
            $changes[] = self::move($circuit->id, '/hot', (object) $hot);
            if ($circuit->gfci() === 'breaker' && $circuit->hotPanel() !== $panel) {
                $changes[] = self::set(
                    $circuit->id,
                    '/gfci',
                    'none',
                    'the GFCI breaker stays with the panel it was made for',
                );
            }
        }
        if ($wires !== 'hot') {
            $changes[] = self::move($circuit->id, '/neutral', (object) ['panel' => $panel]);
        }

        return $changes;
    }

    /**
     * @return array<string, mixed> the short end that stays on a circuit's breaker when the circuit itself is fed
     *      elsewhere
     */
    public static function branchEnd(Circuit $circuit, string $label): array
    {
        return [
            'type' => 'circuit',
            'label' => $label,
            'hot' => clone $circuit->values->raw()->hot,
            'neutral' => clone $circuit->values->raw()->neutral,
            'breakerA' => Tree::copy((object) ['v' => $circuit->values->raw()->breakerA])->v,
            'cable' => (object) self::branchCable($circuit->cable()->size->designation, 1.0),
            'gfci' => $circuit->gfci() === 'breaker' ? 'breaker' : 'none',
            'place' => 'fixed',
        ];
    }

    /** @return array<string, mixed> a cable of NM-B, its length assumed */
    public static function branchCable(string $size, float $lengthM): array
    {
        return [
            'size' => (object) ['value' => $size, 'basis' => 'told'],
            'lengthM' => (object) ['value' => $lengthM, 'basis' => 'assumed'],
            'sheath' => 'nm_b',
        ];
    }

    /** The smallest branch cable for a device, by the small-conductor limits and the 60 °C column. */
    public static function sizeFor(float $amps): string
    {
        return $amps <= 15
            ? 'awg:14'
            : ($amps <= 20
                ? 'awg:12'
                : ($amps <= 30
                    ? 'awg:10'
                    : ($amps <= 40
                        ? 'awg:8'
                        : 'awg:6')));
    }
}
