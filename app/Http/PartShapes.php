<?php

declare(strict_types=1);

namespace App\Http;

use Hollin\Core\Answers\Shape;
use Hollin\Core\Job\Field;
use Hollin\Core\Parts\Offer;

/** Shapes of what a plan takes and costs, and of the workshop's catalogue. */
final class PartShapes
{
    /** @return array<string, array<string, mixed>> definitions by name */
    public static function all(): array
    {
        $text = ['type' => 'string'];
        $integer = ['type' => 'integer'];
        $number = ['type' => 'number'];
        $flag = ['type' => 'boolean'];

        return [
            'CableCut' => Shape::object([
                'size' => $text,
                'spoken' => $text,
                'kind' => ['type' => 'string', 'enum' => ['positive', 'negative', 'bond', 'sheathed', 'cord']],
                'runs' => Shape::list(
                    Shape::object([
                        'component' => $text,
                        'label' => $text,
                        'lengthM' => ['type' => 'number'],
                        'cutM' => ['type' => 'number'],
                        'assumed' => ['type' => 'boolean'],
                    ]),
                ),
                'totalM' => ['type' => 'number'],
                'pieces' => Shape::list(
                    Shape::list(
                        Shape::object(['component' => $text, 'label' => $text, 'cutM' => ['type' => 'number']]),
                    ),
                ),
                'wasteM' => ['type' => 'number'],
                'atLeast' => $integer,
                'proved' => ['type' => 'boolean'],
                'tooLong' => Shape::list($text),
            ]),
            'TakeOff' => Shape::object([
                'stockM' => ['type' => 'number'],
                'cables' => Shape::list(Shape::ref('CableCut')),
                'lugs' => Shape::list(
                    Shape::object([
                        'size' => $text,
                        'spoken' => $text,
                        'kind' => $text,
                        'stud' => Shape::MAYBE_TEXT,
                        'studWords' => $text,
                        'count' => $integer,
                    ]),
                ),
                'fuses' => Shape::list(
                    Shape::object([
                        'label' => $text,
                        'family' => $text,
                        'ratingA' => ['type' => 'number'],
                        'count' => $integer,
                        'spares' => $integer,
                        'of' => Shape::list($text),
                    ]),
                ),
                'parts' => Shape::list(Shape::object(['type' => $text, 'label' => $text, 'words' => $text])),
                'out' => Shape::list($text),
                'labels' => Shape::list($text),
                'missing' => Shape::list($text),

                'small' => Shape::list(Shape::object(['kind' => $text, 'label' => $text, 'count' => $integer])),
                'terminals' => Shape::list(
                    Shape::object([
                        'terminal' => $text,
                        'label' => $text,
                        'stud' => Shape::MAYBE_TEXT,
                        'torqueNm' => Shape::nullable(Shape::list($number)),
                        'ofMaker' => $flag,
                        'lugs' => Shape::list(Shape::object(['size' => $text, 'lead' => $text, 'label' => $text])),
                        'wrong' => Shape::list($text),
                    ]),
                ),
                'currency' => $text,
                'costs' => Shape::ref('Costs'),
                'choices' => Shape::list(Shape::ref('BuyChoice')),
            ]),
            'Costs' => Shape::object([
                'lines' => Shape::list(
                    Shape::object([
                        'group' => $text,
                        'label' => $text,
                        'component' => $text,
                        'quantity' => $number,
                        'unit' => $text,
                        'code' => Shape::MAYBE_TEXT,
                        'offer' => Shape::MAYBE_TEXT,
                        'each' => Shape::MAYBE_NUMBER,
                        'total' => Shape::MAYBE_NUMBER,
                        'minutes' => $number,
                        'assumed' => $flag,
                    ]),
                ),
                'tools' => Shape::list(Shape::object(['name' => $text, 'price' => Shape::MAYBE_NUMBER])),
                'material' => $number,
                'hours' => $number,
                'hoursOf' => Shape::object(['fitting' => $number, 'takingOut' => $number, 'around' => $number]),
                'hour' => Shape::MAYBE_NUMBER,
                'labour' => Shape::MAYBE_NUMBER,
                'total' => Shape::MAYBE_NUMBER,
                'without' => Shape::list($text),
                'assumed' => $integer,
            ]),
            'BuyChoice' => Shape::object([
                'component' => $text,
                'label' => $text,
                'taken' => Shape::MAYBE_TEXT,
                'candidates' => Shape::list(
                    Shape::object([
                        'code' => $text,
                        'name' => $text,
                        'price' => Shape::MAYBE_NUMBER,
                        'assumed' => $flag,
                        'verdict' => ['type' => 'string', 'enum' => ['has', 'ask', 'lacks']],
                        'musts' => Shape::list(
                            Shape::object([
                                'name' => $text,
                                'wants' => $text,
                                'has' => Shape::MAYBE_TEXT,
                                'ok' => ['type' => ['boolean', 'null']],
                            ]),
                        ),
                        'stopgap' => Shape::MAYBE_TEXT,
                    ]),
                ),
            ]),
            'CatalogueOffer' => self::offer(),
            'CatalogueTerms' => Shape::object(['hour' => Shape::MAYBE_NUMBER, 'currency' => Shape::MAYBE_TEXT]),
            'Catalogue' => Shape::object([
                'hour' => Shape::MAYBE_NUMBER,
                'currency' => $text,
                'offers' => Shape::list(
                    Shape::object(['code' => $text, 'own' => $flag, 'body' => Shape::ref('CatalogueOffer')]),
                ),
            ]),
        ];
    }

    /** @return array<string, mixed> */
    private static function offer(): array
    {
        $types = ['number' => 'number', 'integer' => 'integer', 'flag' => 'boolean'];
        $of = fn(bool $required): array => array_map(
            fn(Field $f): array => ['type' => $types[$f->kind] ?? 'string'],
            array_filter(Offer::fields(), fn(Field $f): bool => $f->required === $required),
        );

        return Shape::object($of(true), $of(false));
    }
}
