<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A separator that goes by volts, or by the ignition, on an alternator whose volts come down by themselves. */
final class LoweredAlternator implements RigRule
{
    public static function definition(): Definition
    {
        $rig = fn(array $engine, array $relay): array => [
            ...ChargingSamples::engine($engine),
            ...ChargingSamples::house('flooded', 12),
            ...ChargingSamples::separator($relay),
        ];

        return new Definition(
            'lowered_alternator',
            Severity::Warning,
            'Separator on an alternator that is lowered',
            'The engine\'s computer lets the volts down once its own battery is full. A separator by volts ' .
                'then opens, ' .
                'or never closes; one by the ignition stays closed and lets the house battery feed the ' .
                'vehicle. A DC-DC ' .
                'charger does neither.',
            Source::commonPractice(),
            [
                Sample::found('lowered, separator by volts', ...$rig(['control' => 'smart'], [])),
                Sample::silent('it holds its volts', ...$rig([], [])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->voltContacts as $relay) {
            foreach ($rig->graph->shafts as $shaft) {
                $joined =
                    isset($rig->settled['driving']) &&
                    $rig->settled['driving']->situation->joined($relay->a, $shaft->pos);
                if ($shaft->loweredV === null || !$joined || $shaft->loweredV >= $relay->closesV) {
                    continue;
                }
                $hits[] = new Hit(
                    "{$relay->component}+{$shaft->component}",
                    sprintf(
                        $relay->senses === []
                            ? '%s %s down to %.1f V while the engine runs, and %s stays closed with the ' .
                                'ignition: the house ' .
                                'battery then feeds the vehicle.'
                            : '%s %s down to %.1f V while the engine runs: %s closes at %.1f V, and then ' .
                                'does not charge.',
                        $rig->graph->label($shaft->component),
                        $shaft->known ? 'comes' : 'may come',
                        $shaft->loweredV,
                        $rig->graph->label($relay->component),
                        $relay->closesV,
                    ),
                    [$relay->component, $shaft->component],
                    [
                        new Figure(
                            'Lowered to',
                            $shaft->loweredV,
                            'V',
                            'common practice; measure after twenty minutes of driving',
                            Source::commonPractice(),
                            $relay->closesV,
                            true,
                            of: new Of(Quantity::OpenVolts, $shaft->component),
                        ),
                    ],
                    severity: $shaft->known ? Severity::Warning : Severity::Advice,
                );
            }
        }

        return $hits;
    }
}
