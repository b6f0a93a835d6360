<?php

declare(strict_types=1);

namespace App\Http;

use Hollin\Core\Answers\Shape;

/** Shapes of what is asked and answered of needs and sizes. */
final class SizingShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        $text = ['type' => 'string'];
        $integer = ['type' => 'integer'];
        $any = ['type' => 'object', 'additionalProperties' => true];

        return [
            'StayBody' => Shape::object(
                ['view' => $text],
                [
                    'revision' => $integer,
                    'from' => ['type' => 'string', 'enum' => ['days', 'bank', 'panels', 'budget']],
                    'value' => ['type' => 'number'],
                    'together' => Shape::list($text),
                ],
            ),
            'AlternativesBody' => Shape::object(
                ['view' => $text],
                [
                    'revision' => $integer,
                    'ways' => Shape::list(
                        Shape::object(
                            [],
                            [
                                'ah' => ['type' => 'number'],
                                'chemistry' => $text,
                                'panelsW' => ['type' => 'number'],
                                'generatorBelow' => ['type' => 'number'],
                            ],
                        ),
                    ),
                ],
            ),
            'PlaceBody' => Shape::object(
                ['view' => $text],
                [
                    'revision' => $integer,
                    'moved' => Shape::map(
                        Shape::object(
                            [],
                            [
                                'xM' => ['type' => 'number'],
                                'leftM' => ['type' => 'number'],
                                'upM' => ['type' => 'number'],
                                'zone' => $text,
                            ],
                        ),
                    ),
                ],
            ),
            'RulersBody' => Shape::object(
                ['view' => $text],
                [
                    'revision' => $integer,
                    'component' => $text,
                    'place' => ['type' => 'string', 'enum' => ['cable', 'cord']],
                    'size' => $text,
                    'lengthM' => ['type' => 'number'],
                ],
            ),
            'Rulers' => Shape::object([
                'rows' => Shape::list(Shape::ref('RulerRow')),
                'parts' => Shape::list(Shape::ref('RatedPart')),
                'banks' => Shape::list(Shape::ref('BankShare')),
                'options' => Shape::list(Shape::ref('School')),
            ]),
            'MonitorLog' => Shape::object(
                [
                    'fromAt' => $text,
                    'toAt' => $text,
                    'samples' => $integer,
                    'hours' => Shape::map(Shape::object(['hour' => $integer, 'watts' => ['type' => 'number']])),
                ],
                ['used' => ['type' => 'boolean']],
            ),
            'LoadListBody' => Shape::object(['text' => $text]),
            'LoadListRead' => Shape::object(['loads' => Shape::map(Shape::ref('NeedLoad'))]),
            'NeedLoad' => Shape::object(
                ['label' => $text, 'supply' => $text, 'watts' => $any],
                array_fill_keys(
                    ['order', 'count', 'duty', 'startA', 'softStartA', 'also12W', 'fuelPerH', 'onlyAbove'],
                    ['type' => 'number'],
                ) + [
                    'at' => $text,
                    'season' => $text,
                    'fuel' => $text,
                    'continuous' => ['type' => 'boolean'],
                    'spans' => Shape::map(
                        Shape::object(['fromH' => ['type' => 'number'], 'hours' => ['type' => 'number']]),
                    ),
                ],
            ),
        ];
    }
}
