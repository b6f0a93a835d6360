<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\Precharge;

/** A switch closed onto the capacitors of an inverter with nothing to fill them slowly first. */
final class InrushUnlimited implements RigRule
{
    /** Below this an inverter's capacitors are small, W (common practice, no source). */
    private const FROM_W = 1500.0;

    public static function definition(): Definition
    {
        return new Definition(
            'inrush',
            Severity::Advice,
            'Switch closed onto empty capacitors',
            'An inverter\'s capacitors are a short for some milliseconds. The switch that closes on them pits, and a ' .
                'battery\'s management may take it for a fault and open. A resistor across the switch for a few ' .
                'seconds fills them first.',
            Source::commonPractice(),
            [
                Sample::found(
                    'a switch alone',
                    Sample::choose('in_line'),
                    Sample::set('disconnect', '/prechargeOhm', null),
                ),
                Sample::silent('one that fills them first', Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::INVERTER || $unit->limitA * $unit->holdsV < self::FROM_W) {
                continue;
            }
            foreach ($rig->graph->batteries as $battery) {
                $way = Walk::way($rig->graph, $battery->pos, $unit->input[0], Walk::direct(...)) ?? [];
                foreach ($way as $id) {
                    $device = $rig->graph->devices[(string) $rig->graph->elements[$id]->device] ?? null;
                    if ($device === null || $device->job !== 'disconnect' || isset($rig->graph->precharged[$id])) {
                        continue;
                    }
                    $first = Precharge::bare($battery->fullV(), $battery->ohm);
                    $hits["{$device->component}|{$unit->component}"] ??= new Hit(
                        "{$device->component}|{$unit->component}",
                        sprintf(
                            '%s closes onto the empty capacitors of %s: up to %.1f kA for some milliseconds.',
                            $device->label,
                            $rig->graph->label($unit->component),
                            $first / 1000,
                        ),
                        [$device->component, $unit->component],
                        [
                            new Figure(
                                'First amps, at most',
                                $first,
                                'A',
                                sprintf('%.1f V ÷ %.1f mΩ; cables lower it', $battery->fullV(), $battery->ohm * 1000),
                                Source::computed('arithmetic'),
                                0.0,
                                $battery->ohmAssumed,
                                of: new Of(Quantity::Starting, $device->component),
                            ),
                        ],
                    );
                }
            }
        }

        return array_values($hits);
    }
}
