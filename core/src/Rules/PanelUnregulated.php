<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A portable panel plugged straight onto a battery. */
final class PanelUnregulated implements RigRule
{
    public static function definition(): Definition
    {
        $inlet = fn(string $controller): array => [
            ...ChargingSamples::house(),
            ChargingSamples::part('socket', [
                'type' => 'side_inlet',
                'label' => 'Side socket',
                'panelW' => 120,
                'panelVoc' => 22,
                'controller' => $controller,
            ]),
            ChargingSamples::lead('socket.pos', 'second.pos', 'positive', 'awg:10', 3.0),
            ChargingSamples::lead('socket.neg', 'second.neg', 'negative', 'awg:10', 3.0),
        ];

        return new Definition(
            'panel_unregulated',
            Severity::Warning,
            'Panel straight onto the battery',
            'A socket in the wall is a line to the battery. A panel without a controller pushes on when the battery ' .
                'is full: lead boils, the management of lithium opens, and then the bus stands at what the panel has.',
            Source::commonPractice(),
            [
                Sample::found('no controller', ...$inlet('none')),
                Sample::silent('a controller on the panel', ...$inlet('panel')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $sun = $rig->settled['sun'] ?? null;
        foreach ($rig->graph->unregulated as $component => $volts) {
            $reached = $sun?->situation->batteriesAt("{$component}.pos", "{$component}.neg") ?? [];
            foreach ($reached as $id) {
                $battery = $rig->graph->batteries[$id];
                if ($volts <= $battery->highestV()) {
                    continue;
                }
                $hits[] = new Hit(
                    "{$component}|{$battery->component}",
                    sprintf(
                        'A panel in %s stands at up to %g V; nothing ends the charging of %s at %.1f V.',
                        $rig->graph->label($component),
                        $volts,
                        $rig->graph->label($battery->component),
                        $battery->highestV(),
                    ),
                    [$component, $battery->component],
                    [
                        new Figure(
                            'Open circuit',
                            $volts,
                            'V',
                            'the panel\'s label',
                            Source::computed('panel sheet'),
                            $battery->highestV(),
                            of: new Of(Quantity::OpenVolts, $component),
                        ),
                    ],
                    state: 'sun',
                );
            }
        }

        return $hits;
    }
}
