<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Shaft;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Settled;

/** A running alternator left without a battery by one turn of a hand or one battery that opens. */
final class LoadDump implements RigRule
{
    public static function definition(): Definition
    {
        // A switch between alternator and starter battery, with a load on the alternator's side.
        $switched = fn(array $switch, string $in, string $out): array => [
            ChargingSamples::engine()[0],
            ChargingSamples::part('starter', ChargingSamples::battery('Starter battery', 'flooded', 12, 80)),
            ChargingSamples::part('cut', $switch + ['ratingA' => 300]),
            ChargingSamples::part('lamps', ['type' => 'dc_load', 'label' => 'Lamps', 'amps' => 8, 'use' => 'other']),
            ChargingSamples::lead('starter.pos', $in, 'positive'),
            ChargingSamples::lead($out, 'alternator.pos', 'positive'),
            ChargingSamples::lead('alternator.neg', 'starter.neg', 'negative'),
            ChargingSamples::lead('lamps.pos', 'alternator.pos', 'positive'),
            ChargingSamples::lead('lamps.neg', 'starter.neg', 'negative'),
        ];

        return new Definition(
            'load_dump',
            Severity::Warning,
            'Alternator loses its battery while it runs',
            'An alternator whose battery is taken away while it charges goes up to tens of volts for a moment: its ' .
                'diodes go, and whatever else hangs on the wire.',
            Source::commonPractice(),
            [
                Sample::found(
                    'a switch between alternator and battery',
                    ...$switched(['type' => 'dc_switch', 'label' => 'Battery switch'], 'cut.in', 'cut.out'),
                ),
                Sample::found(
                    'a selector left open',
                    ...$switched(
                        ['type' => 'battery_selector', 'label' => 'Selector', 'usual' => 'off'],
                        'cut.one',
                        'cut.common',
                    ),
                ),
                Sample::found(
                    'panels on a battery whose management opens',
                    ChargingSamples::part(
                        'second',
                        ['management' => 'together', 'cold' => 'blocks'] +
                            ChargingSamples::battery('Second battery', 'lfp', 12.8, 200),
                    ),
                    ...ChargingSamples::panels(),
                ),
                Sample::silent(
                    'panels stopped by that management first',
                    ChargingSamples::part(
                        'second',
                        ['management' => 'together', 'cold' => 'blocks'] +
                            ChargingSamples::battery('Second battery', 'lfp', 12.8, 200),
                    ),
                    ...ChargingSamples::panels(['stoppedBy' => 'second']),
                ),
                Sample::silent('its own battery straight on it', ...ChargingSamples::engine()),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $driving = $rig->settled['driving'] ?? null;
        foreach ($rig->graph->shafts as $shaft) {
            if ($driving === null) {
                continue;
            }
            // Left open by habit, it is so already.
            $held = self::isHeld($shaft, $driving);
            foreach ($rig->graph->devices as $device) {
                if (
                    $device->isAutomatic() ||
                    in_array($device->job, ['run', 'breaker'], true) ||
                    in_array($device->id, array_column($rig->graph->batteries, 'switch'), true)
                ) {
                    continue;
                }
                foreach ($device->positionNames() as $position) {
                    $then = $rig->engine->settle($driving->setting->with($device->id, $position), $driving->positions);
                    if ($position !== $driving->positions[$device->id] && self::isHeld($shaft, $then) !== $held) {
                        $words = sprintf(
                            match (true) {
                                !$held => '%s left at “%s”',
                                $device->byItself => '%s going to “%s” by itself',
                                default => '%s turned to “%s”',
                            },
                            $device->label,
                            $device->positions[$held ? $position : $driving->positions[$device->id]],
                        );
                        $hits["{$shaft->component}|{$device->id}"] ??= $this->hit(
                            $rig,
                            $shaft,
                            $device->component,
                            $words,
                        );
                    }
                }
            }
            foreach ($rig->graph->batteries as $id => $battery) {
                if ($held && $battery->managed && !self::isHeld($shaft, $driving, $id)) {
                    $words = sprintf('The battery management of %s opening', $rig->graph->label($battery->component));
                    $hits["{$shaft->component}|{$id}"] = $this->hit($rig, $shaft, $battery->component, $words);
                }
            }
        }

        return [...array_values($hits), ...$this->leftAlone($rig)];
    }

    /**
     * What charges on when the management of the only battery on its bus has opened.
     *
     * @return list<Hit>
     */
    private function leftAlone(Examination $rig): array
    {
        $hits = [];
        $shafts = array_merge([], ...array_map(fn(Shaft $s): array => $s->converters, $rig->graph->shafts));
        foreach ($rig->graph->batteries as $battery) {
            foreach ($battery->switch === null ? [] : $rig->named as $state => $named) {
                $now = $rig->settled[$state]->situation;
                $open = null;
                foreach (array_keys($now->charging() + $now->givingDirect()) as $id) {
                    $unit = $rig->graph->converters[$id];
                    if (in_array($id, $shafts, true) || $now->batteriesAt(...$unit->output) !== [$battery->id]) {
                        continue;
                    }
                    $open ??= $rig->engine->settle($named->setting->with((string) $battery->switch, 'open'))->situation;
                    if (!isset(($open->charging() + $open->givingDirect())[$id])) {
                        continue;
                    }
                    $hits["{$unit->component}|{$battery->id}"] ??= new Hit(
                        "{$unit->component}|{$battery->id}",
                        sprintf(
                            'When the management of %s opens, %s goes on feeding the bus with no battery on it: its ' .
                                'volts go where they will. A charge-stop line from the management to it ends that.',
                            $rig->graph->label($battery->component),
                            $rig->graph->label($unit->component),
                        ),
                        [$unit->component, $battery->component],
                        severity: Severity::Advice,
                        title: 'Charger left without a battery',
                        state: $state,
                    );
                }
            }
        }

        return array_values($hits);
    }

    /** Whether a battery stands at the alternator. */
    private static function isHeld(Shaft $shaft, Settled $state, string $without = ''): bool
    {
        return array_diff($state->situation->batteriesAt($shaft->pos, $shaft->neg), [$without]) !== [];
    }

    private function hit(Examination $rig, Shaft $shaft, string $by, string $words): Hit
    {
        return new Hit(
            "{$shaft->component}|{$by}",
            sprintf(
                '%s while the engine runs leaves %s without a battery.',
                $words,
                $rig->graph->label($shaft->component),
            ),
            [$shaft->component, $by],
            [
                new Figure(
                    'Batteries left on it',
                    0.0,
                    '',
                    'what is joined with it then',
                    Source::computed('connectivity'),
                    1.0,
                    of: new Of(Quantity::Number, $shaft->component),
                ),
            ],
        );
    }
}
