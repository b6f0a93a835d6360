<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;

/** A 12 V panel or load that no battery reaches any more: fed by a converter alone, or by nothing. */
final class LostDirect implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'lost_direct',
            Severity::Danger,
            '12 V without a battery',
            'What had a battery as found has none in the plan. Behind a converter alone it works on shore ' .
                'only, lamps flicker and a pump that starts pulls the volts down; with nothing behind it it is ' .
                'dead: lights, pump, heater controls and slide-outs with it.',
            Source::commonPractice(),
            [
                Sample::found('the old bank is out and the panel\'s lead was left', Sample::choose('in_line'), [
                    'kind' => 'plan_remove',
                    'plan' => 'p',
                    'component' => 'ld_dc',
                ]),
                Sample::silent('the panel on the new bank', Sample::choose('in_line')),
                Sample::silent('as found'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->users as $id => $load) {
            if (!$load->direct || isset($hits[$load->component]) || self::hasBattery($rig->graph, $load)) {
                continue;
            }
            $before = $rig->asFound?->graph;
            $had = $before?->users[$id] ?? null;
            if ($before === null || $had === null || !self::hasBattery($before, $had)) {
                continue;
            }
            $chargers = array_filter(
                $rig->graph->converters,
                fn($c): bool => $c->charges() && Walk::feeds($rig->graph, $load, ...$c->output),
            );
            $by = array_values(array_unique(array_map(fn($c): string => $c->component, $chargers)));
            $hits[$load->component] = new Hit(
                $load->component,
                $by === []
                    ? sprintf(
                        '%s had a battery as found and has none in the plan: it is dead.',
                        $rig->graph->label($load->component),
                    )
                    : sprintf(
                        '%s had a battery as found; in the plan only %s feeds it: dead off grid, and its ' .
                            'volts sag with every pump that starts.',
                        $rig->graph->label($load->component),
                        implode(' and ', array_map($rig->graph->label(...), $by)),
                    ),
                [$load->component, ...$by],
                severity: $by === [] ? Severity::Danger : Severity::Warning,
            );
        }

        return array_values($hits);
    }

    private static function hasBattery(Graph $graph, Load $load): bool
    {
        foreach ($graph->batteries as $battery) {
            if (Walk::feeds($graph, $load, $battery->pos, $battery->neg)) {
                return true;
            }
        }

        return false;
    }
}
