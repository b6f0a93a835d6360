<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Shaft;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Settled;

/** A running alternator left without a battery by one turn of a hand or one battery that opens. */
final class LoadDump implements RigRule
{
    public static function definition(): Definition
    {
        $switch = ChargingSamples::part('cut', ['type' => 'dc_switch', 'label' => 'Battery switch', 'ratingA' => 300]);
        $alternator = fn(): array => ChargingSamples::engine()[0];
        $load = ChargingSamples::part('lamps', [
            'type' => 'dc_load',
            'label' => 'Lamps',
            'amps' => 8,
            'use' => 'other',
        ]);

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
                    $alternator(),
                    ChargingSamples::part('starter', ChargingSamples::battery('Starter battery', 'flooded', 12, 80)),
                    $switch,
                    $load,
                    ChargingSamples::lead('starter.pos', 'cut.in', 'positive'),
                    ChargingSamples::lead('cut.out', 'alternator.pos', 'positive'),
                    ChargingSamples::lead('alternator.neg', 'starter.neg', 'negative'),
                    ChargingSamples::lead('lamps.pos', 'alternator.pos', 'positive'),
                    ChargingSamples::lead('lamps.neg', 'starter.neg', 'negative'),
                ),
                Sample::silent('its own battery straight on it', ...ChargingSamples::engine()),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $driving = $rig->settled['driving'] ?? null;
        if ($driving === null) {
            return [];
        }
        foreach ($rig->graph->shafts as $shaft) {
            if (!self::isHeld($rig, $shaft, $driving)) {
                continue;
            }
            foreach ($rig->graph->devices as $device) {
                if ($device->isAutomatic() || $device->job === 'run' || $device->job === 'breaker') {
                    continue;
                }
                foreach ($device->positionNames() as $position) {
                    $then = $rig->engine->settle($driving->setting->with($device->id, $position), $driving->positions);
                    if ($position !== $driving->positions[$device->id] && !self::isHeld($rig, $shaft, $then)) {
                        $words = sprintf('%s turned to “%s”', $device->label, $device->positions[$position]);
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
                if ($battery->managed && !self::isHeld($rig, $shaft, $driving, $id)) {
                    $words = sprintf('The battery management of %s opening', $rig->graph->label($battery->component));
                    $hits["{$shaft->component}|{$id}"] = $this->hit($rig, $shaft, $battery->component, $words);
                }
            }
        }

        return array_values($hits);
    }

    /** Whether a battery stands at the alternator. */
    private static function isHeld(Examination $rig, Shaft $shaft, Settled $state, string $without = ''): bool
    {
        foreach ($rig->graph->batteries as $id => $battery) {
            if (
                $id !== $without &&
                $state->situation->joined($shaft->pos, $battery->pos) &&
                $state->situation->joined($shaft->neg, $battery->neg)
            ) {
                return true;
            }
        }

        return false;
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
                ),
            ],
        );
    }
}
