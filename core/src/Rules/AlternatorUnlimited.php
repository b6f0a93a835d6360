<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Shaft;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** An alternator with nothing between it and a lithium battery that takes all it gives. */
final class AlternatorUnlimited implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'alternator_unlimited',
            Severity::Warning,
            'Alternator on lithium without a limit',
            'A lithium battery takes whatever it is offered: an alternator gives all it has for an hour, ' .
                'hot at idle, ' .
                'and burns out. A DC-DC charger or a regulator with a current limit belongs between.',
            Source::commonPractice(),
            [
                Sample::found(
                    'by a separator',
                    ...ChargingSamples::engine(),
                    ...ChargingSamples::house(),
                    ...ChargingSamples::separator(),
                ),
                Sample::silent(
                    'by a DC-DC charger',
                    ...ChargingSamples::engine(),
                    ...ChargingSamples::house(),
                    ...ChargingSamples::dcdc(),
                ),
                Sample::silent(
                    'a separator to lead',
                    ...ChargingSamples::engine(),
                    ...ChargingSamples::house('flooded', 12),
                    ...ChargingSamples::separator(),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->shafts as $shaft) {
            foreach (['idling', 'driving'] as $state) {
                foreach (isset($rig->settled[$state]) ? $rig->graph->batteries : [] as $id => $battery) {
                    $now = $rig->settled[$state]->situation;
                    if (
                        $battery->managed &&
                        !isset($hits["{$shaft->component}+{$battery->component}"]) &&
                        in_array($id, $now->batteriesAt($shaft->pos, $shaft->neg), true)
                    ) {
                        $hits["{$shaft->component}+{$battery->component}"] = $this->hit($rig, $shaft, $battery, $state);
                    }
                }
            }
        }

        return array_values($hits);
    }

    private function hit(Examination $rig, Shaft $shaft, Battery $battery, string $state): Hit
    {
        $flow = $rig->flows()->of($rig->settled[$state], [], 'low');
        $amps = array_sum(array_map(fn(string $id): float => $flow->sources[$id]['amps'] ?? 0.0, $shaft->converters));

        return new Hit(
            "{$shaft->component}+{$battery->component}",
            sprintf(
                'With %s nothing limits what %s takes from %s: %.0f A when it is low, for as long as it is.',
                $rig->named[$state]->title === 'driving' ? 'the engine running' : 'the engine idling',
                $rig->graph->label($battery->component),
                $rig->graph->label($shaft->component),
                $amps,
            ),
            [$shaft->component, $battery->component],
            [
                new Figure(
                    'Out of the alternator',
                    $amps,
                    'A',
                    'load flow of that state, the battery low',
                    Source::computed('load flow'),
                    0.0,
                    $battery->ohmAssumed,
                    of: new Of(Quantity::Current, $shaft->component, $state, 'none', 'low'),
                ),
            ],
            paths: [[$shaft->pos, $battery->pos]],
        );
    }
}
