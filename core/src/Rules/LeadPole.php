<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;

/** A lead is called positive and ends on the negative, or the other way round. */
final class LeadPole implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'lead_pole',
            Severity::Warning,
            'Lead written down as the wrong pole',
            'What a lead is follows from what it is joined with. One that is written down as positive and ' .
                'lies on the negative is either written down wrong, or landed wrong: look before anything is ' .
                'connected. Whoever comes later believes the label.',
            Source::commonPractice(),
            [
                Sample::found('a negative called positive', Sample::survey('ld_dc_neg', '/pole', 'positive')),
                Sample::silent('as it is'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        $nets = [];
        foreach ($graph->batteries as $battery) {
            $positive = Walk::reach($graph, [$battery->pos], Walk::direct(...));
            if (!array_key_exists($battery->neg, $positive)) {
                $nets['positive'] = ($nets['positive'] ?? []) + $positive;
                $nets['negative'] = ($nets['negative'] ?? []) + Walk::reach($graph, [$battery->neg], Walk::direct(...));
            }
        }
        foreach ($graph->elements as $element) {
            $called = $element->role->value;
            if ($element->cable === null || !isset($nets[$called])) {
                continue;
            }
            $other = $called === 'positive' ? 'negative' : 'positive';
            if (array_key_exists($element->a, $nets[$other]) && !array_key_exists($element->a, $nets[$called])) {
                $hits[] = new Hit(
                    $element->component,
                    sprintf(
                        '%s is written down as %s and lies on the %s of a battery.',
                        $graph->label($element->component),
                        $called,
                        $other,
                    ),
                    [$element->component],
                    remedies: [
                        Remedy::set(
                            sprintf('Call %s %s', $graph->label($element->component), $other),
                            'if it is landed right and was written down wrong',
                            $element->component,
                            '/pole',
                            $other,
                        ),
                    ],
                );
            }
        }

        return $hits;
    }
}
