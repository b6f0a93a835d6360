<?php

declare(strict_types=1);

namespace App\Http;

use Hollin\Core\Answers\Shape;

/** Shapes of what is asked of a survey and of what every job has in common. */
final class ReferenceShapes
{
    /** @return array<string, array<string, mixed>> */
    public static function all(): array
    {
        $text = ['type' => 'string'];
        $integer = ['type' => 'integer'];
        $any = ['type' => 'object', 'additionalProperties' => true];
        $anything = ['description' => 'any value'];
        $kind = Shape::object(['id' => $text, 'title' => $text, 'values' => $any]);

        return [
            'Looks' => Shape::object([
                'status' => ['type' => 'string', 'enum' => ['working', 'done']],
                'percent' => $integer,
                'all' => ['type' => 'boolean'],
                'looks' => Shape::list(
                    Shape::object([
                        'component' => $text,
                        'type' => $text,
                        'label' => $text,
                        'what' => $text,
                        'value' => $anything,
                        'weight' => $integer,
                        'flips' => Shape::list($text),
                        'tried' => Shape::list($anything),
                        'reason' => $text,
                    ]),
                ),
            ]),
            'Reference' => Shape::object([
                'needs' => Shape::object([
                    'load' => Shape::map(Shape::ref('Field')),
                    'trip' => Shape::map(Shape::ref('Field')),
                    'typical' => Shape::map(Shape::ref('NeedLoad')),
                ]),
                'place' => Shape::object(
                    array_fill_keys(['rig', 'zone', 'item', 'thing', 'route'], Shape::map(Shape::ref('Field'))),
                ),
                'offer' => Shape::map(Shape::ref('Field')),
                'wishes' => Shape::map(Shape::ref('Field')),
                'version' => $text,
                'forms' => Shape::map(
                    Shape::object([
                        'name' => $text,
                        'summary' => $text,
                        'fields' => Shape::map(Shape::ref('Field')),
                        'ports' => Shape::map(Shape::object(['words' => $text, 'way' => $text])),
                        'terminals' => Shape::map($text),
                    ]),
                ),
                'layouts' => Shape::list(Shape::object(['id' => $text, 'title' => $text, 'summary' => $text])),
                'arrangements' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'family' => $text,
                        'title' => $text,
                        'gains' => $text,
                        'risks' => $text,
                        'options' => Shape::map(Shape::ref('Field')),
                        'units' => Shape::list($kind),
                    ]),
                ),
                'batteries' => Shape::list($kind),
                'walk' => Shape::list(Shape::object(['id' => $text, 'title' => $text, 'how' => $text])),
                'rules' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'severity' => $text,
                        'title' => $text,
                        'explanation' => $text,
                        'source' => $text,
                    ]),
                ),
                'conductors' => Shape::list(
                    Shape::object([
                        'designation' => $text,
                        'spoken' => $text,
                        'areaMm2' => ['type' => 'number'],
                        'mohmPerM20C' => ['type' => 'number'],
                        'ampacity' => Shape::map(['type' => 'number']),
                    ]),
                ),
            ]),
        ];
    }
}
