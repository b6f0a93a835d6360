<?php

declare(strict_types=1);

namespace Hollin\Core\Answers\Shapes;

use Hollin\Core\Answers\Shape;

/** Shapes of days: the day, the run over several, replies, sizes. */
final class DayShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        $text = Shape::TEXT;
        $number = Shape::NUMBER;
        $flag = Shape::FLAG;
        $numbers = Shape::list($number);

        return [
            'StayRun' => Shape::object([
                'days' => ['type' => 'integer'],
                'batteries' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'label' => $text,
                        'ah' => $number,
                        'ofEngine' => $flag,
                        'share' => $numbers,
                        'lowest' => $number,
                    ]),
                ),
                'inW' => Shape::map($numbers),
                'useW' => $numbers,
                'curtailedW' => $numbers,
                'missedW' => $numbers,
                'cameWh' => Shape::map($number),
                'usedWh' => $number,
                'keptWh' => Shape::list(Shape::object(['label' => $text, 'wh' => $number])),
                'curtailedWh' => $number,
                'generatorHPerDay' => $number,
                'tooDeep' => Shape::FLAG,
                'endsBy' => Shape::MAYBE_TEXT,
                'endsAtH' => Shape::MAYBE_NUMBER,
                'words' => $text,
                'events' => Shape::list(Shape::object(['atH' => $number, 'kind' => $text, 'words' => $text])),
            ]),
            'Alternatives' => Shape::object([
                'currency' => $text,
                'ways' => Shape::list(
                    Shape::object([
                        'ah' => $number,
                        'chemistry' => $text,
                        'panelsW' => $number,
                        'generatorBelow' => $number,
                        'lasts' => $flag,
                        'days' => $number,
                        'words' => $text,
                        'tooDeep' => $flag,
                        'lowest' => $number,
                        'generatorH' => $number,
                        'curtailedWh' => $number,
                        'cost' => Shape::MAYBE_NUMBER,
                        'kg' => $number,
                    ]),
                ),
            ]),
            'Stay' => Shape::object([
                'day' => Shape::object([
                    'usesWh' => $number,
                    'keptWh' => $number,
                    'rows' => Shape::list(
                        Shape::object([
                            'id' => $text,
                            'dayWh' => $number,
                            'fullW' => $number,
                            'runs' => $flag,
                            'assumed' => $flag,
                        ]),
                    ),
                    'sunW' => $numbers,
                    'sunWh' => $number,
                    'panelsW' => $number,
                    'drives' => $flag,
                ]),
                'run' => Shape::ref('StayRun'),
                'replies' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'ask' => $text,
                        'good' => $flag,
                        'words' => $text,
                        'lines' => Shape::list($text),
                    ]),
                ),
                'sizes' => Shape::object([
                    'from' => $text,
                    'days' => $number,
                    'togetherW' => $number,
                    'surgeW' => $number,
                    'inverterW' => $number,
                    'inverterSoftlyW' => $number,
                    'dayWh' => $number,
                    'bankAh' => $number,
                    'chargerA' => $number,
                    'sunW' => $number,
                    'sunShare' => $number,
                    'sunHours' => $number,
                    'cost' => Shape::MAYBE_NUMBER,
                ]),
                'schools' => Shape::list(Shape::ref('School')),
                'states' => Shape::list(
                    Shape::object([
                        'state' => $text,
                        'letter' => $text,
                        'title' => $text,
                        'missing' => Shape::list(Shape::object(['load' => $text, 'label' => $text, 'energy' => $text])),
                    ]),
                ),
                'assumed' => Shape::list($text),
            ]),
        ];
    }
}
