<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A DC-DC charger whose wire cannot bring what it wants: it gives up, or there are no volts at which it could run. */
final class ConverterStarves implements RigRule
{
    public static function definition(): Definition
    {
        $rig = fn(string $size, float $m): array => [
            ...ChargingSamples::engine(),
            ...ChargingSamples::house(),
            ...ChargingSamples::dcdc([], $size, $m),
        ];

        return new Definition(
            'converter_starves',
            Severity::Warning,
            'DC-DC charger starves on its wire',
            'It takes constant power: the lower the volts at its input, the more amps it draws, and the lower they ' .
                'fall. Past what the wire can bring it gives up and tries again. A smaller unit, an input ' .
                'limit, or a ' .
                'heavier wire.',
            Source::computed('load flow'),
            [
                Sample::found('30 A over the tow plug\'s wire', ...$rig('awg:14', 12.0)),
                Sample::silent('on a heavy wire', ...$rig('awg:4', 4.0)),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $id => $unit) {
            foreach ($unit->kind === PowerConverter::DC_DC ? ['driving', 'idling'] : [] as $state) {
                $settled = $rig->settled[$state] ?? null;
                if ($settled === null || isset($hits[$id]) || !isset($settled->situation->givingDirect()[$id])) {
                    continue;
                }
                $flow = $rig->flows()->of($settled, [], 'low');
                if ($flow->isSolved() && !in_array($id, $flow->shutDown, true)) {
                    continue;
                }
                $hits[$id] = new Hit(
                    $unit->component,
                    sprintf(
                        '%s wants %.0f A at %g V; its wire does not bring the %.0f W for it without falling ' .
                            'below the %g V ' .
                            'at which it gives up.',
                        $rig->graph->label($unit->component),
                        $unit->limitA,
                        $unit->holdsV,
                        $unit->fullInputW(),
                        $unit->cutOffV,
                    ),
                    [$unit->component],
                    [
                        new Figure(
                            'It wants at its input',
                            $unit->fullInputW(),
                            'W',
                            sprintf('%g A × %g V ÷ %g', $unit->limitA, $unit->holdsV, $unit->efficiency),
                            Source::computed('arithmetic'),
                            of: new Of(Quantity::Power, $unit->id),
                        ),
                    ],
                    state: $state,
                );
            }
        }

        return array_values($hits);
    }
}
