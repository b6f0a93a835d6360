<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** The bond of the negative to the frame is too thin, or bonds the positive. */
final class FrameBondSize implements RigRule
{
    /** NFPA 70 551.56 and 551.20(C): 8 AWG copper or larger. */
    private const LEAST = 'awg:8';

    public static function definition(): Definition
    {
        return new Definition(
            'frame_bond',
            Severity::Danger,
            'Frame bond too thin',
            'The bond must stand the current of a fault until the fuse opens: 8 AWG or larger by the RV ' .
                'rule, about one size under the largest positive by marine practice. A positive bonded to the ' .
                'frame makes every touch of a tool a short.',
            Source::recalled('NFPA 70 551.20(C), 551.56; ABYC E-11'),
            [
                Sample::found(
                    '18 AWG',
                    Sample::survey('house_bond', '/cable/size', ['value' => 'awg:18', 'basis' => 'read_off']),
                ),
                Sample::found('the positive bonded', Sample::survey('house_bond', '/from', 'house.pos')),
                Sample::silent('8 AWG'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        $least = ConductorSize::of(self::LEAST);
        $positive = Walk::reach(
            $graph,
            array_values(array_map(fn($b): string => $b->pos, $graph->batteries)),
            Walk::direct(...),
        );
        foreach ($graph->elements as $element) {
            if ($element->purpose !== Purpose::Bonding || $element->cable === null) {
                continue;
            }
            $label = $graph->label($element->component);
            if (array_key_exists($element->a, $positive)) {
                $hits[] = new Hit(
                    "{$element->component}|positive",
                    sprintf('%s joins the positive of a battery with the frame.', $label),
                    [$element->component],
                    paths: [[$element->a, 'frame']],
                    severity: Severity::Danger,
                    title: 'Positive on the frame',
                );
            } elseif ($element->cable->size->areaMm2 < $least->areaMm2 - 0.01) {
                $hits[] = new Hit(
                    "{$element->component}|thin",
                    sprintf('%s is %s; the RV rule asks for 8 AWG or larger.', $label, $element->cable->spoken()),
                    [$element->component],
                    [
                        new Figure(
                            'Section',
                            $element->cable->size->areaMm2,
                            'mm²',
                            $element->cable->spoken(),
                            Source::recalled('NFPA 70 551.20(C), 551.56'),
                            $least->areaMm2,
                            $graph->partAt($element->component)?->isAssumed('cable/size') === true,
                            of: new Of(Quantity::Section, $element->id),
                        ),
                    ],
                    [
                        Remedy::set(
                            "Run 8 AWG for {$label}",
                            'stands a fault until the fuse opens',
                            $element->component,
                            '/cable/size',
                            ['value' => self::LEAST, 'basis' => 'told'],
                        ),
                    ],
                    severity: Severity::Warning,
                );
            }
        }

        return $hits;
    }
}
