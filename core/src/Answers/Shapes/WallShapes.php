<?php

declare(strict_types=1);

namespace Hollin\Core\Answers\Shapes;

use Hollin\Core\Answers\Shape;
use Hollin\Core\Network\About;

/** Shapes of what the wall shows, and how a state paints it. */
final class WallShapes
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
            'StateName' => Shape::object([
                'id' => $text,
                'letter' => $text,
                'title' => $text,
                'group' => ['type' => 'string', 'enum' => ['usual', 'battery', 'fault']],
                'about' => ['type' => 'string', 'enum' => array_column(About::cases(), 'value')],
                'controls' => Shape::map($text),
                'surroundings' => Shape::map($text),
            ]),
            'Control' => Shape::object([
                'id' => $text,
                'component' => $text,
                'label' => $text,
                'name' => $text,
                'job' => [
                    'type' => 'string',
                    'enum' => ['breaker', 'plug', 'transfer', 'disconnect', 'switch', 'mode', 'run', 'pedestal'],
                ],
                'positions' => Shape::map($text),
            ]),
            'Cell' => Shape::object([
                'kind' => ['type' => 'string', 'enum' => ['works', 'ground', 'live', 'dead']],
                'words' => $text,
                'source' => $maybeText,
                'by' => $maybeText,
            ]),
            'TableRow' => Shape::object([
                'circuit' => $text,
                'label' => $text,
                'panel' => $maybeText,
                'slot' => ['type' => 'integer'],
                'half' => $text,
                'ratingA' => $maybeNumber,
                'cells' => Shape::map(Shape::ref('Cell')),
            ]),
            'Plate' => Shape::object([
                'type' => $text,
                'label' => $text,
                'band' => ['type' => 'string', 'enum' => ['supplies', 'switching', 'panels', 'straddle', 'deck']],
                'shape' => ['type' => 'string', 'enum' => ['chip', 'gate', 'tray', 'body', 'bank', 'bar']],
                'rank' => ['type' => 'integer'],
                'lines' => $texts,
                'assumed' => ['type' => 'integer'],
                'pole' => $maybeText,
            ]),
            'Row' => Shape::object(
                [
                    'kind' => ['type' => 'string', 'enum' => ['main', 'circuit', 'backfeed', 'free', 'fuse']],
                    'slot' => ['type' => 'integer'],
                    'half' => $text,
                    'label' => $text,
                    'ratingA' => $maybeNumber,
                    'device' => $maybeText,
                ],
                [
                    'closedIn' => $texts,
                    'carries' => $texts,
                    'circuit' => $text,
                    'gfci' => $text,
                    'indent' => ['type' => 'integer'],
                    'strayNeutral' => $maybeText,
                    'feeds' => $maybeText,
                    'cable' => $text,
                    'assumed' => ['type' => 'integer'],
                ],
            ),
            'Tray' => Shape::object([
                'rows' => Shape::list(Shape::ref('Row')),
                'bondScrew' => $flag,
                'role' => $text,
                'carries' => $texts,
            ]),
            'LinkEnd' => Shape::object(['c' => $text], ['port' => $maybeText, 'row' => $text]),
            'Link' => Shape::object(
                [
                    'id' => $text,
                    'kind' => ['type' => 'string', 'enum' => ['ac', 'positive', 'negative', 'bond', 'ground', 'coil']],
                    'from' => Shape::ref('LinkEnd'),
                    'to' => Shape::ref('LinkEnd'),
                    'gate' => $maybeText,
                    'label' => $text,
                    'assumed' => $flag,
                    'elements' => $texts,
                ],
                [
                    'hot' => $texts,
                    'neutral' => $texts,
                    'ends' => $texts,
                    'gateIn' => $texts,
                    'size' => $text,
                    'lengthM' => $number,
                    'parallel' => ['type' => 'integer'],
                ],
            ),
            'Wall' => Shape::object([
                'plates' => Shape::map(Shape::ref('Plate')),
                'trays' => Shape::map(Shape::ref('Tray')),
                'links' => Shape::list(Shape::ref('Link')),
            ]),
            'LinkPaint' => Shape::object(
                [],
                [
                    'hot' => Shape::list($maybeText),
                    'soft' => $flag,
                    'neutralLive' => $maybeText,
                    'neutralHome' => $maybeText,
                    'exchanged' => $maybeText,
                    'on' => $flag,
                    'by' => $texts,
                ],
            ),
            'CircuitPaint' => Shape::object([
                'kind' => ['type' => 'string', 'enum' => ['works', 'ground', 'live', 'dead']],
                'source' => $maybeText,
                'words' => $text,
            ]),
            'Paint' => Shape::object([
                'links' => Shape::map(Shape::ref('LinkPaint')),
                'circuits' => Shape::map(Shape::ref('CircuitPaint')),
                'buses' => Shape::map(
                    Shape::object([
                        'source' => $maybeText,
                        'soft' => $flag,
                        'neutralLive' => $maybeText,
                        'exchanged' => $maybeText,
                    ]),
                ),
                'positions' => Shape::map(Shape::object(['position' => $text, 'words' => $text])),
                'moves' => Shape::list(
                    Shape::object([
                        'device' => $text,
                        'from' => $text,
                        'to' => $text,
                        'atS' => $number,
                        'component' => $text,
                        'words' => $text,
                    ]),
                ),
                'bonds' => Shape::list(
                    Shape::object([
                        'source' => $text,
                        'component' => $text,
                        'count' => ['type' => 'integer'],
                        'at' => $texts,
                        'where' => $texts,
                    ]),
                ),
                'closedBonds' => $texts,
                'gates' => Shape::map(
                    Shape::object([
                        'position' => $text,
                        'words' => $text,
                        'mode' => $text,
                        'settings' => $texts,
                        'running' => $flag,
                        'direct' => $maybeText,
                        'ways' => Shape::list(['type' => 'string', 'enum' => ['a', 'b', 'unit']]),
                        'bond' => $flag,
                        'carries' => $texts,
                    ]),
                ),
                'supplies' => Shape::map(Shape::object(['plugged' => $flag, 'words' => $text])),
                'pins' => Shape::map(Shape::object(['bare' => $flag, 'live' => $texts, 'words' => $text])),
                'charging' => Shape::list(Shape::object(['component' => $text, 'on' => $text, 'amps' => $number])),
            ]),
        ];
    }
}
