<?php

declare(strict_types=1);

namespace Hollin\Core\Answers\Shapes;

use Hollin\Core\Answers\Shape;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Rules\Work;

/** Shapes of findings, how they come about, and what can be done about them. */
final class FindingShapes
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

        $remedy = [
            'label' => $text,
            'effect' => $text,
            'intent' => ['type' => 'object', 'additionalProperties' => true],
        ];
        $tried = [
            'result' => ['type' => 'string', 'enum' => ['clears', 'lessens', 'eases']],
            'work' => ['type' => 'string', 'enum' => array_column(Work::cases(), 'value')],
            'workWords' => $text,
            'clears' => $texts,
            'brings' => Shape::list(Shape::object(['severity' => $text, 'title' => $text, 'outside' => $flag])),
        ];

        return [
            'Figure' => Shape::object(
                [
                    'label' => $text,
                    'value' => $number,
                    'unit' => $text,
                    'limit' => $maybeNumber,
                    'arithmetic' => $text,
                    'source' => $text,
                    'assumed' => $flag,
                ],
                // What it is of, so that a program can hold it against the figures of a state; in findings always.
                [
                    'of' => Shape::object([
                        'quantity' => ['type' => 'string', 'enum' => array_column(Quantity::cases(), 'value')],
                        'element' => $text,
                        'state' => $maybeText,
                        'scenario' => $maybeText,
                        'charge' => $maybeText,
                    ]),
                ],
            ),
            // Tried, in `hollin:check --json` and where a finding is opened; untried in answers that must be quick.
            'Remedy' => Shape::object($remedy, $tried),
            'Offer' => Shape::object($remedy + $tried),
            'Witness' => Shape::object([
                'state' => $maybeText,
                'states' => $texts,
                'words' => $text,
                'controls' => Shape::nullable(Shape::map($text)),
                'surroundings' => Shape::nullable(Shape::map($text)),
                'path' => $texts,
                'elements' => $texts,
            ]),
            'Ways' => Shape::object([
                'kind' => ['type' => 'string', 'enum' => ['always', 'outage', 'slips', 'remote', 'passing', 'outside']],
                'words' => $text,
                'pairs' => Shape::list(
                    Shape::object([
                        'slips' => ['type' => 'integer'],
                        'failures' => ['type' => 'integer'],
                        'words' => $text,
                    ]),
                ),
            ]),
            'Finding' => Shape::object([
                'id' => $text,
                'rule' => $text,
                'severity' => ['type' => 'string', 'enum' => ['danger', 'warning', 'advice']],
                'title' => $text,
                'text' => $text,
                'components' => $texts,
                'figures' => Shape::list(Shape::ref('Figure')),
                'remedies' => Shape::list(Shape::ref('Remedy')),
                'source' => $text,
                'because' => $maybeText,
                'ways' => Shape::ref('Ways'),
                'witness' => Shape::ref('Witness'),
            ]),
            'Prevented' => Shape::object([
                'rule' => $text,
                'title' => $text,
                'by' => $text,
                'words' => $text,
                'proven' => $flag,
                'undoneBy' => Shape::list(
                    Shape::object(['slips' => ['type' => 'integer'], 'words' => $text], ['state' => $text]),
                ),
            ]),
        ];
    }
}
