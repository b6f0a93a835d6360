<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** Panels that stay on their controller when a hand parts it from the battery. */
final class ArrayFirst implements RigRule
{
    public static function definition(): Definition
    {
        $cut = fn(array $more): array => [
            ...ChargingSamples::house(),
            ...array_filter(
                ChargingSamples::panels($more),
                fn(array $edit): bool => !str_contains($edit['id'], 'solar_pos'),
            ),
            ChargingSamples::part('cut', ['type' => 'dc_switch', 'label' => 'Solar switch', 'ratingA' => 100]),
            ChargingSamples::lead('solar.pos', 'cut.in', 'positive'),
            ChargingSamples::lead('cut.out', 'second.pos', 'positive'),
        ];

        return new Definition(
            'array_first',
            Severity::Advice,
            'Panels stay on the controller without a battery',
            'A controller wants its battery before its panels, and its panels off before its battery. Where a switch ' .
                'parts the battery and nothing parts the panels, it meets them alone: some makes do not live ' .
                'through that, and its output goes to whatever the panels bring.',
            Source::commonPractice(),
            [
                Sample::found('a switch on the battery side only', ...$cut([])),
                Sample::silent('a breaker on the panels', ...$cut(['arrayBreakerA' => 20, 'arrayBreakerV' => 150])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->arrays as $array) {
            $unit = $rig->graph->converters["{$array->component}.output"] ?? null;
            if ($unit === null || $array->breakerA !== null) {
                continue;
            }
            $usual = $rig->settled['sun'] ?? $rig->settled['nothing'];
            foreach ($rig->graph->devices as $device) {
                if ($device->isAutomatic() || $device->byItself || !self::has($rig, $device->id)) {
                    continue;
                }
                foreach ($device->positionNames() as $position) {
                    $then = $rig->engine->settle($usual->setting->with($device->id, $position));
                    if (
                        $usual->situation->batteriesAt(...$unit->output) !== [] &&
                        $then->situation->batteriesAt(...$unit->output) === []
                    ) {
                        $hits["{$array->component}|{$device->component}"] = new Hit(
                            "{$array->component}|{$device->component}",
                            sprintf(
                                '%s parts %s from its battery, and nothing parts the panels: switch it with the ' .
                                    'panels covered, or fit a breaker for them.',
                                $device->label,
                                $rig->graph->label($array->component),
                            ),
                            [$array->component, $device->component],
                        );
                    }
                }
            }
        }

        return array_values($hits);
    }

    /** Whether a device has a contact of direct current. */
    private static function has(Examination $rig, string $device): bool
    {
        foreach ($rig->graph->elements as $element) {
            if ($element->device === $device && $element->role->isDc()) {
                return true;
            }
        }

        return false;
    }
}
