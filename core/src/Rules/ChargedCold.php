<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Reference\Source;

/** Lithium that something charges below freezing, with nothing to stop it. */
final class ChargedCold implements RigRule
{
    public static function definition(): Definition
    {
        $house = fn(array $more): array => [
            ChargingSamples::part('second', $more + ChargingSamples::battery('Second battery', 'lfp', 12.8, 200)),
            ...ChargingSamples::panels(),
        ];

        return new Definition(
            'charged_cold',
            Severity::Warning,
            'Lithium charged below freezing',
            'Lithium that is charged below 0 °C plates metal inside and is spoilt, slowly and for good. Either its ' .
                'management stops it, or it warms its cells first, or it lies where it does not freeze.',
            Source::commonPractice(),
            [
                Sample::found('nothing stops it', ...$house(['cold' => 'none'])),
                Sample::silent('its management stops it', ...$house(['cold' => 'blocks'])),
                Sample::silent(
                    'lead',
                    ...[
                        ChargingSamples::part('second', ChargingSamples::battery('Second battery', 'agm', 12, 200)),
                        ...ChargingSamples::panels(),
                    ],
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->batteries as $battery) {
            if ($battery->chemistry->isLead() || !in_array($battery->cold, ['', 'none'], true)) {
                continue;
            }
            $by = self::chargers($rig, $battery);
            // Nobody asked about a battery that nothing else is known of but its volts: the survey asks first.
            if ($by === [] || ($battery->cold === '' && $battery->switch === null)) {
                continue;
            }
            $names = implode(', ', array_map($rig->graph->label(...), $by));
            $hits[] = new Hit(
                $battery->component,
                $battery->cold === 'none'
                    ? sprintf(
                        'Nothing keeps %s from being charged below freezing, by %s.',
                        $rig->graph->label($battery->component),
                        $names,
                    )
                    : sprintf(
                        'Nobody has said what keeps %s from being charged below freezing, by %s: ask for its sheet.',
                        $rig->graph->label($battery->component),
                        $names,
                    ),
                [$battery->component, ...$by],
                severity: $battery->cold === 'none' ? Severity::Warning : Severity::Advice,
                title: $battery->cold === 'none' ? null : 'Charging in the cold not known',
                state: isset($rig->named['cold']) ? 'cold' : null,
            );
        }

        return $hits;
    }

    /** @return list<string> parts that charge a battery in some state */
    private static function chargers(Examination $rig, Battery $battery): array
    {
        $by = [];
        foreach ($rig->settled as $settled) {
            $now = $settled->situation;
            foreach ($now->charging() + $now->givingDirect() as $id => $_) {
                $unit = $rig->graph->converters[$id];
                if (in_array($battery->id, $now->batteriesAt(...$unit->output), true)) {
                    $by[$unit->component] = $unit->component;
                }
            }
        }

        return array_values($by);
    }
}
