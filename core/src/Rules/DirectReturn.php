<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;

/** Something on the battery side has only one of its two leads. */
final class DirectReturn implements RigRule
{
    public static function definition(): Definition
    {
        $fan = [
            'kind' => 'survey_add',
            'id' => 'fan',
            'component' => ['type' => 'dc_load', 'label' => 'Roof fan', 'use' => 'other', 'amps' => 3],
        ];
        $pos = [
            'kind' => 'survey_add',
            'id' => 'ld_fan',
            'component' => [
                'type' => 'lead',
                'label' => 'To fan',
                'from' => 'dc_panel.fused',
                'to' => 'fan.pos',
                'pole' => 'positive',
                'cable' => ['size' => 'awg:14', 'lengthM' => 2],
            ],
        ];
        $neg = [
            'kind' => 'survey_add',
            'id' => 'ld_fan_neg',
            'component' => [
                'type' => 'lead',
                'label' => 'From fan',
                'from' => 'dc_panel.neg',
                'to' => 'fan.neg',
                'pole' => 'negative',
                'cable' => ['size' => 'awg:14', 'lengthM' => 2],
            ],
        ];

        $strap = [
            'kind' => 'survey_add',
            'id' => 'fan_strap',
            'component' => [
                'type' => 'frame_bond',
                'label' => 'Fan to frame',
                'from' => 'fan.neg',
                'cable' => ['size' => 'awg:14', 'lengthM' => 1],
            ],
        ];

        return new Definition(
            'dc_return',
            Severity::Warning,
            'No way back to the battery',
            'What has a positive and no negative, or the other way round, does not work, and its one lead is ' .
                'live to the end. Where it works all the same, the current comes home by a way nobody planned.',
            Source::commonPractice(),
            [
                Sample::found('a fan with a positive only', $fan, $pos),
                Sample::silent('both leads', $fan, $pos, $neg),
                Sample::silent('home by the frame', $fan, $pos, $strap),
                Sample::silent('not connected at all', $fan),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        $through = fn(Element $e): bool => Walk::direct($e) || $e->purpose === Purpose::Bonding;
        $ends = ['pos' => [], 'neg' => []];
        foreach ($graph->batteries as $battery) {
            $ends['pos'] += Walk::reach($graph, [$battery->pos], $through);
            $ends['neg'] += Walk::reach($graph, [$battery->neg], $through);
        }
        $takers = $chargers = [];
        foreach ($graph->users as $load) {
            if ($load->direct && $load->safety === '') {
                $takers[$load->component] = [$load->a, $load->b];
            }
        }
        foreach ($graph->converters as $converter) {
            $takers[$converter->component] = $converter->direct();
            if ($converter->charges()) {
                $chargers[$converter->component] = true;
            }
        }
        foreach ($takers as $component => [$pos, $neg]) {
            $any = $ends['pos'] + $ends['neg'];
            $has = [array_key_exists($pos, $any), array_key_exists($neg, $any)];
            $gives = isset($chargers[$component]);
            // A charger whose output is lifted keeps its negative: that is how it is taken out of use.
            if ($has[0] === $has[1] || ($gives && $has[1])) {
                continue;
            }
            $hits[] = new Hit(
                $component,
                $has[0]
                    ? sprintf(
                        '%s has its positive and no negative: nothing flows, and that lead is live to its end.',
                        $graph->label($component),
                    )
                    : sprintf('%s has its negative and no positive: it does not work.', $graph->label($component)),
                [$component],
                severity: $has[0] ? Severity::Warning : Severity::Advice,
                remedies: LeadRemedies::mate($rig, $component, $has[0] ? [$pos, $neg] : [$neg, $pos], $has[0]),
            );
        }

        return $hits;
    }
}
