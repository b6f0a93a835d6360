<?php

declare(strict_types=1);

namespace Hollin\Core\Answers\Shapes;

use Hollin\Core\Answers\Shape;

/** Shapes of a rig, a state of it, its figures and what a meter shows. */
final class StateShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        $text = Shape::TEXT;
        $number = Shape::NUMBER;
        $flag = Shape::FLAG;
        $maybeText = Shape::MAYBE_TEXT;
        $maybeNumber = Shape::MAYBE_NUMBER;
        $texts = Shape::list($text);

        return [
            'RigAnswer' => Shape::object(
                [
                    'rules' => $text,
                    'wall' => Shape::ref('Wall'),
                    'states' => Shape::list(Shape::ref('StateName')),
                    'faults' => Shape::list(Shape::ref('StateName')),
                    'controls' => Shape::list(Shape::ref('Control')),
                    'paint' => Shape::map(Shape::ref('Paint')),
                    'table' => Shape::list(Shape::ref('TableRow')),
                    'amps' => Shape::map(Shape::map(Shape::map($number))),
                    'scenarios' => Shape::map($text),
                    'findings' => Shape::list(Shape::ref('Finding')),
                    'prevented' => Shape::list(Shape::ref('Prevented')),
                    'checked' => Shape::object([
                        'states' => $number,
                        'reduced' => ['type' => 'integer'],
                        'situations' => ['type' => 'integer'],
                        'all' => $flag,
                        'extent' => ['type' => 'string', 'enum' => ['all', 'two_slips', 'one_slip']],
                        'left' => Shape::list($text),
                        'words' => $text,
                    ]),
                    'sizes' => Shape::list(Shape::ref('Size')),
                    'runs' => Shape::list(Shape::ref('AcRun')),
                    'boxes' => Shape::list(Shape::ref('BoxFill')),
                    'limits' => Shape::list(
                        Shape::object([
                            'label' => $text,
                            'value' => $number,
                            'unit' => $text,
                            'means' => $text,
                            'assumed' => $flag,
                        ]),
                    ),
                    'weight' => Shape::object(['kg' => $number, 'words' => $text]),
                    'points' => Shape::map($text),
                    'pointsOf' => Shape::map($texts),
                    'moves' => Shape::map(Shape::map(Shape::object(['hot' => $flag, 'neutral' => $flag]))),
                    'outlets' => Shape::map($texts),
                    'loads' => Shape::map($text),
                    'conductors' => Shape::map($text),
                    'assumptions' => Shape::list(Shape::ref('Assumption')),
                    'labels' => Shape::map($text),
                ],
                ['flows' => Shape::map(Shape::map(Shape::ref('StateFlow')))],
            ),
            // Only `hollin:check --json` works all of them out.
            'StateFlow' => Shape::object([
                'converged' => $flag,
                'trouble' => $maybeText,
                'loads' => Shape::map(
                    Shape::object([
                        'label' => $text,
                        'circuit' => $maybeText,
                        'on' => $flag,
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'collapsed' => $flag,
                    ]),
                ),
                'conductors' => Shape::map(
                    Shape::object([
                        'component' => $text,
                        'role' => $text,
                        'purpose' => $text,
                        'acA' => $number,
                        'dcA' => $number,
                        'ratingA' => $maybeNumber,
                    ]),
                ),
                'sources' => Shape::map(
                    Shape::object([
                        'component' => $text,
                        'kind' => ['type' => 'string', 'enum' => ['source', 'battery', 'charger']],
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'overloaded' => $flag,
                    ]),
                ),
                'converters' => Shape::map(
                    Shape::object([
                        'component' => $text,
                        'kind' => ['type' => 'string', 'enum' => ['charger', 'inverter', 'assist']],
                        'inW' => $number,
                        'outW' => $number,
                        'efficiency' => $number,
                    ]),
                ),
                'trips' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'component' => $text,
                        'what' => $text,
                        'then' => $text,
                        'amps' => $number,
                        'ratingA' => $number,
                        'afterS' => $maybeNumber,
                    ]),
                ),
                'after' => Shape::nullable(
                    Shape::object([
                        'ends' => $flag,
                        'opened' => $texts,
                        'sources' => Shape::map(
                            Shape::object(['volts' => $number, 'amps' => $number, 'watts' => $number]),
                        ),
                        'works' => $texts,
                    ]),
                ),
                'lostW' => $maybeNumber,
                'residual' => $maybeNumber,
            ]),
            'StoryStep' => Shape::object(['atS' => $number, 'words' => $texts]),
            'StateHit' => Shape::object([
                'rule' => $text,
                'severity' => ['type' => 'string', 'enum' => ['danger', 'warning', 'advice']],
                'title' => $text,
                'text' => $text,
                'components' => $texts,
            ]),
            'Flow' => Shape::object([
                'trouble' => $maybeText,
                'amps' => Shape::map($number),
                'volts' => Shape::map($number),
                'loading' => Shape::list(
                    Shape::object(['what' => $text, 'component' => $text, 'amps' => $number, 'ratingA' => $number]),
                ),
                'sources' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'label' => $text,
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'overloaded' => $flag,
                    ]),
                ),
                'loads' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'label' => $text,
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'collapsed' => $flag,
                    ]),
                ),
                'lostW' => $number,
                'residual' => $number,
                'floating' => $texts,
                'trips' => Shape::list(Shape::object(['component' => $text, 'words' => $text])),
            ]),
            'StateAnswer' => Shape::object([
                'paint' => Shape::ref('Paint'),
                'story' => Shape::list(Shape::ref('StoryStep')),
                'hits' => Shape::list(Shape::ref('StateHit')),
                'flow' => Shape::ref('Flow'),
            ]),
            'Reading' => Shape::object([
                'kind' => ['type' => 'string', 'enum' => ['number', 'range', 'words', 'hazard']],
                'value' => $maybeNumber,
                'highest' => $maybeNumber,
                'unit' => $text,
                'words' => $text,
            ]),
            'View' => Shape::object(
                ['id' => $text, 'plan' => $maybeText, 'stage' => $maybeText, 'title' => $text, 'hash' => $text],
                ['last' => $flag],
            ),
        ];
    }
}
