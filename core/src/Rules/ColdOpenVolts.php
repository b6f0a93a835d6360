<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\ColdVolts;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A string of panels on a cold morning against what the controller takes. */
final class ColdOpenVolts implements RigRule
{
    public static function definition(): Definition
    {
        $rig = fn(array $more): array => [...ChargingSamples::house(), ...ChargingSamples::panels($more)];

        return new Definition(
            'cold_open_volts',
            Severity::Danger,
            'Panels too many volts in the cold',
            'At sunrise on the coldest morning panels stand at their open-circuit volts, raised by the cold, before ' .
                'anything loads them: the controller takes that once. The maker\'s coefficient governs where it is ' .
                'known, else the table of the electrical code.',
            ColdVolts::source(),
            [
                Sample::found('three in series on a 75 V controller', ...$rig(['series' => 3, 'limitV' => 75])),
                Sample::silent('two in series on a 100 V controller', ...$rig([])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->arrays as $array) {
            $factor = ColdVolts::factor($array->coldestC);
            $byTable = $array->coldByTableV();
            $volts = $array->coldV();
            if ($volts <= $array->limitV && $byTable <= $array->limitV) {
                continue;
            }
            $over = $volts > $array->limitV;
            $hits[] = new Hit(
                $array->component,
                $over
                    ? sprintf(
                        'At %g °C the panels of %s stand at %.0f V before anything loads them; the ' .
                            'controller takes %g V.',
                        $array->coldestC,
                        $rig->graph->label($array->component),
                        $volts,
                        $array->limitV,
                    )
                    : sprintf(
                        'By the maker\'s coefficient the panels of %s stay at %.0f V at %g °C; by the table of the ' .
                            'electrical code they would reach %.0f V, more than the %g V of the controller. ' .
                            'The maker\'s ' .
                            'figure governs: check it once more.',
                        $rig->graph->label($array->component),
                        $volts,
                        $array->coldestC,
                        $byTable,
                        $array->limitV,
                    ),
                [$array->component],
                [
                    new Figure(
                        'Open circuit in the cold',
                        $volts,
                        'V',
                        $array->coldByMakerV === null
                            ? sprintf('%.1f V × %.2f', $array->openV, $factor)
                            : sprintf('%.1f V by the maker\'s coefficient', $array->openV),
                        $array->coldByMakerV === null ? ColdVolts::source() : Source::computed('maker\'s coefficient'),
                        $array->limitV,
                        $array->assumed,
                        of: new Of(Quantity::OpenVolts, $array->component),
                    ),
                ],
                severity: $over ? Severity::Danger : Severity::Advice,
                title: $over ? null : 'Panels near the limit in the cold',
            );
        }

        return $hits;
    }
}
