<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** The remedy against a faulty pedestal: a surge unit, hard-wired in the first cable behind the inlet. */
final class SurgeUnitInLine
{
    /** @return list<Remedy> one for the cable of each inlet that is fed by a pedestal and has no such unit */
    public static function of(Examination $rig): array
    {
        $remedies = [];
        foreach ($rig->graph->parts as $inlet) {
            if (!$inlet->is('inlet') || $inlet->text('form') === 'plug' || $rig->graph->partsOf('surge_unit') !== []) {
                continue;
            }
            foreach ($rig->graph->partsOf('feeder') as $feeder) {
                if ($feeder->text('from/at') !== $inlet->id) {
                    continue;
                }
                $amps = (int) $inlet->number('ratingA', 30.0);
                $remedies[] = new Remedy(
                    sprintf('Fit a %d A surge unit behind %s', $amps, $inlet->label),
                    'it looks at the pedestal before it lets it in',
                    [
                        'kind' => 'plan_in_line',
                        'id' => isset($rig->graph->parts['surge_guard']) ? 'surge_guard_2' : 'surge_guard',
                        'feeder' => $feeder->id,
                        'component' => [
                            'type' => 'surge_unit',
                            'label' => sprintf('Surge unit %d A', $amps),
                            'ratingA' => $amps,
                            'mount' => 'inside',
                            'opens' => 'both',
                            'delayS' => 136,
                            'lowV' => 104,
                            'highV' => 132,
                        ],
                    ],
                );
            }
        }

        return $remedies;
    }
}
