<?php

declare(strict_types=1);

namespace Hollin\Core\Answers\Shapes;

use Hollin\Core\Answers\Shape;

/** Shapes of sizes, runs, boxes and what is assumed. */
final class SizeShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        $text = Shape::TEXT;
        $number = Shape::NUMBER;
        $flag = Shape::FLAG;
        $maybeText = Shape::MAYBE_TEXT;
        $maybeNumber = Shape::MAYBE_NUMBER;

        return [
            'RulerRow' => Shape::object([
                'id' => $text,
                'component' => $text,
                'label' => $text,
                'kind' => ['type' => 'string', 'enum' => ['alternating', 'positive', 'negative']],
                'place' => ['type' => 'string', 'enum' => ['cable', 'cord']],
                'size' => $text,
                'spoken' => $text,
                'parallel' => ['type' => 'integer'],
                'lengthM' => $number,
                'assumed' => Shape::list($text),
                'carriesA' => $maybeNumber,
                'carriesWhy' => $text,
                'deviceA' => $maybeNumber,
                'device' => $text,
                'ampacityA' => $maybeNumber,
                'limitA' => $maybeNumber,
                'school' => $text,
                'shortA' => $maybeNumber,
                'shortAssumed' => $flag,
                'shortWhy' => $text,
                'breaksA' => $maybeNumber,
                'backedUp' => $flag,
                'dropV' => $number,
                'dropLimitV' => $number,
                'dropWhy' => $text,
                'tap' => $flag,
                'trouble' => Shape::list(Shape::object(['kind' => $text, 'words' => $text])),
                'cost' => $maybeNumber,
            ]),
            'RatedPart' => Shape::object([
                'id' => $text,
                'component' => $text,
                'label' => $text,
                'kind' => ['type' => 'string', 'enum' => ['device', 'part', 'joint', 'bar']],
                'carriesA' => $maybeNumber,
                'carriesWhy' => $text,
                'ratedA' => $maybeNumber,
                'bySectionA' => $maybeNumber,
                'ohm' => $maybeNumber,
                'heatW' => $maybeNumber,
                'used' => $maybeNumber,
                'trouble' => Shape::list($text),
            ]),
            'BankShare' => Shape::object([
                'unit' => $text,
                'label' => $text,
                'amps' => $number,
                'batteries' => Shape::list(
                    Shape::object([
                        'id' => $text,
                        'label' => $text,
                        'ah' => $number,
                        'amps' => $number,
                        'equalA' => $number,
                        'limitA' => $maybeNumber,
                        'units' => ['type' => 'integer'],
                        'unitLimitA' => $maybeNumber,
                        'oneEnd' => Shape::list($number),
                        'across' => Shape::list($number),
                        'takenOff' => $text,
                        'assumed' => $flag,
                    ]),
                ),
            ]),
            'School' => Shape::object([
                'ask' => $text,
                'ways' => Shape::list(Shape::object(['name' => $text, 'words' => $text])),
                'decides' => $text,
            ]),
            'Choice' => Shape::object(
                ['parallel' => ['type' => 'integer'], 'possible' => $flag],
                [
                    'why' => $text,
                    'size' => $text,
                    'spoken' => $text,
                    'areaMm2' => $number,
                    'ampacityA' => $number,
                    'dropV' => $number,
                    'dropShare' => $number,
                    'governs' => $text,
                    'arithmetic' => $text,
                    'source' => $text,
                ],
            ),
            'FuseOption' => Shape::object([
                'family' => $text,
                'label' => $text,
                'ratingA' => $maybeNumber,
                'interruptingA' => $maybeNumber,
                'breaks' => $flag,
                'suits' => $flag,
                'why' => $text,
            ]),
            'Size' => Shape::object([
                'inverter' => $text,
                'bank' => $text,
                'way' => Shape::list($text),
                'school' => $text,
                'figures' => Shape::list(Shape::ref('Figure')),
                'roundTripM' => $number,
                'roundTripAssumed' => $flag,
                'choices' => Shape::list(Shape::ref('Choice')),
                'fuse' => Shape::object([
                    'neededA' => $number,
                    'families' => Shape::list(Shape::ref('FuseOption')),
                    'fitted' => $maybeText,
                    'fittedFamily' => $maybeText,
                    'ratingA' => $maybeNumber,
                    'interim' => $maybeText,
                    'capW' => $maybeNumber,
                    'short' => Shape::nullable(Shape::ref('Figure')),
                    'source' => $text,
                ]),
                'fitted' => Shape::object(
                    [],
                    [
                        'ampacityA' => $number,
                        'size' => $text,
                        'spoken' => $text,
                        'dropV' => $number,
                        'dropLimitV' => $number,
                    ],
                ),
                'bank_limit' => Shape::nullable(Shape::ref('Figure')),
            ]),
            'AcRun' => Shape::object([
                'component' => $text,
                'label' => $text,
                'kind' => ['type' => 'string', 'enum' => ['branch', 'feeder', 'cord']],
                'size' => $text,
                'lengthM' => $number,
                'arrivingA' => $maybeNumber,
                'limitA' => $maybeNumber,
                'holds' => $flag,
                'carriedA' => $number,
                'scenario' => $maybeText,
                'state' => $maybeText,
                'dropV' => $number,
                'dropLimitV' => $number,
                'suits' => $maybeText,
                'arithmetic' => $text,
                'source' => $text,
            ]),
            'BoxFill' => Shape::object([
                'component' => $text,
                'label' => $text,
                'hasCm3' => $number,
                'needsCm3' => $number,
                'arithmetic' => $text,
                'source' => $text,
            ]),
            'Assumption' => Shape::object([
                'component' => $text,
                'type' => $text,
                'label' => $text,
                'what' => $text,
                'value' => ['type' => ['string', 'number', 'boolean']],
            ]),
        ];
    }
}
