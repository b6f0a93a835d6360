<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\UnfusedWay;

/** A switch or a fuse in the negative: what stays live behind it, and what its current does instead. */
final class NegativeSwitched implements RigRule
{
    public static function definition(): Definition
    {
        $in = fn(string $part): array => [
            Sample::choose('in_line'),
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'in_neg',
                'component' =>
                    $part === 'switch'
                        ? ['type' => 'dc_switch', 'label' => 'Negative switch', 'ratingA' => 600]
                        : ['type' => 'dc_fuse', 'label' => 'Negative fuse', 'family' => 'class_t', 'ratingA' => 400],
            ],
            Sample::set('ld_bank_shunt', '/to', 'in_neg.in'),
            Sample::lead('neg_on', 'in_neg.out', 'shunt.battery', 'negative', 0.2),
        ];

        return new Definition(
            'negative_switched',
            Severity::Warning,
            'Switch or fuse in the negative',
            'With the negative open every positive is still live to its end, and any other negative path (a ' .
                'case bond, an AC ground, a data cable) carries what it should not. Two schools: some open the ' .
                'negative first because the frame is negative; most switch and fuse the positive. A fuse in the ' .
                'negative alone protects no positive against the frame.',
            Source::commonPractice(),
            [
                Sample::found('a switch in the negative', ...$in('switch')),
                Sample::found('a fuse in the negative', ...$in('fuse')),
                Sample::silent('switch and fuse in the positive', Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        foreach ($graph->batteries as $battery) {
            $negative = Walk::reach($graph, [$battery->neg], Walk::direct(...));
            if (array_key_exists($battery->pos, $negative)) {
                continue;
            }
            foreach ($graph->elements as $element) {
                $opens = $element->rating?->protects === true || $element->rating?->what === 'switch';
                if (
                    !$opens ||
                    !Walk::direct($element) ||
                    !array_key_exists($element->a, $negative) ||
                    isset($hits[$element->component])
                ) {
                    continue;
                }
                $live = array_slice(
                    array_unique(
                        array_map(
                            $graph->label(...),
                            array_values(
                                array_intersect_key(
                                    UnfusedWay::consumers($graph),
                                    Walk::reach($graph, [$battery->pos], Walk::direct(...)),
                                ),
                            ),
                        ),
                    ),
                    0,
                    5,
                );
                $fuse = $element->rating->protects;
                $hits[$element->component] = new Hit(
                    $element->component,
                    sprintf(
                        '%s stands in the negative of %s. Open, it leaves every positive live: %s.%s',
                        $graph->label($element->component),
                        $graph->label($battery->component),
                        $live === [] ? 'all of them' : implode(', ', $live),
                        $fuse
                            ? ' It protects nothing against a positive that touches the frame.'
                            : ' Find every other way the negative has before you trust it.',
                    ),
                    [$element->component, $battery->component],
                    severity: $fuse ? Severity::Warning : Severity::Advice,
                    title: $fuse ? 'Fuse in the negative' : 'Switch in the negative',
                );
            }
        }

        return array_values($hits);
    }
}
