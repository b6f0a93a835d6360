<?php

declare(strict_types=1);

namespace Hollin\Core\Answers\Shapes;

use Hollin\Core\Answers\Shape;

/** Shapes of places: the rig on its supports, zones, what stands in them. */
final class PlaceShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        $text = Shape::TEXT;
        $number = Shape::NUMBER;
        $flag = Shape::FLAG;
        $spot = Shape::nullable(
            Shape::object(['xM' => $number, 'leftM' => $number, 'upM' => $number, 'zone' => $text]),
        );
        $level = ['type' => 'string', 'enum' => ['good', 'unknown', 'danger']];

        return [
            'PlaceItem' => Shape::object([
                'id' => $text,
                'label' => $text,
                'type' => $text,
                'state' => ['type' => 'string', 'enum' => ['stays', 'new', 'gone', 'moved', 'changed']],
                'kg' => $number,
                'basis' => $text,
                'before' => $spot,
                'at' => $spot,
                'sides' => Shape::nullable(Shape::list($number)),
                'assumedSides' => $flag,
                'clearanceM' => $number,
                'held' => $text,
            ]),
            'PlaceZone' => Shape::object([
                'id' => $text,
                'label' => $text,
                'xM' => $number,
                'leftM' => $number,
                'upM' => $number,
                'widthM' => $number,
                'depthM' => $number,
                'heightM' => $number,
                'doorM' => Shape::MAYBE_NUMBER,
                'inside' => $flag,
                'verdict' => ['type' => 'string', 'enum' => ['empty', 'fits', 'tight', 'cannot', 'unknown']],
                'lines' => Shape::list(Shape::object(['item' => $text, 'words' => $text, 'stops' => $flag])),
                'faces' => Shape::map(
                    Shape::object([
                        'w' => $number,
                        'h' => $number,
                        'at' => Shape::list(
                            Shape::object([
                                'id' => $text,
                                'x' => $number,
                                'y' => $number,
                                'w' => $number,
                                'h' => $number,
                            ]),
                        ),
                    ]),
                ),
                'heat' => Shape::nullable(
                    Shape::object([
                        'watts' => $number,
                        'riseK' => $number,
                        'airM3h' => $number,
                        'ventCm2' => $number,
                        'good' => $flag,
                        'words' => $text,
                    ]),
                ),
            ]),
            'Scale' => Shape::object([
                'id' => $text,
                'label' => $text,
                'atM' => Shape::MAYBE_NUMBER,
                'beforeKg' => $number,
                'afterKg' => $number,
                'limitKg' => Shape::MAYBE_NUMBER,
                'bandKg' => Shape::nullable(Shape::list($number)),
                'over' => $flag,
            ]),
            'Places' => Shape::object([
                'rig' => Shape::object([
                    'motor' => $flag,
                    'kind' => $text,
                    'baseM' => $number,
                    'noseM' => $number,
                    'bodyM' => $number,
                    'widthM' => $number,
                    'heightM' => $number,
                    'axles' => ['type' => 'integer'],
                    'drawn' => $flag,
                    'weighedBy' => $text,
                ]),
                'scales' => Shape::list(Shape::ref('Scale')),
                'words' => Shape::object(['text' => $text, 'level' => $level, 'lines' => Shape::list($text)]),
                'sides' => Shape::object(['leftKg' => $number, 'rightKg' => $number]),
                'moreKg' => $number,
                'perMetre' => Shape::MAYBE_NUMBER,
                'items' => Shape::list(Shape::ref('PlaceItem')),
                'zones' => Shape::list(Shape::ref('PlaceZone')),
                'looks' => Shape::list(
                    Shape::object([
                        'at' => $text,
                        'level' => ['type' => 'string', 'enum' => ['danger', 'warn', 'note']],
                        'words' => $text,
                        'source' => $text,
                    ]),
                ),
                'ways' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'label' => $text,
                        'cableM' => $number,
                        'straightM' => $number,
                        'alongM' => $number,
                        'assumed' => $flag,
                        'short' => $flag,
                    ]),
                ),
                'feeds' => Shape::list(
                    Shape::object([
                        'unit' => $text,
                        'label' => $text,
                        'amps' => $number,
                        'saidM' => $number,
                        'alongM' => $number,
                        'saidV' => $number,
                        'alongV' => $number,
                        'limitV' => $number,
                    ]),
                ),
                'nowhere' => Shape::list($text),
            ]),
        ];
    }
}
