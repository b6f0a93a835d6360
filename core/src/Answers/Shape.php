<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Network\About;
use Hollin\Core\Rules\Work;

/**
 * The shape of the answers as JSON Schema definitions: one declaration for `hollin:check --json`,
 * the API description and the interface's types.
 */
final class Shape
{
    /** @return array<string, array<string, mixed>> definitions by name; references are "#/components/schemas/…" */
    public static function definitions(): array
    {
        $text = ['type' => 'string'];
        $number = ['type' => 'number'];
        $flag = ['type' => 'boolean'];
        $maybeText = ['type' => ['string', 'null']];
        $maybeNumber = ['type' => ['number', 'null']];
        $texts = self::list($text);

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
            'brings' => self::list(self::object(['severity' => $text, 'title' => $text, 'outside' => $flag])),
        ];

        return [
            'Figure' => self::object([
                'label' => $text,
                'value' => $number,
                'unit' => $text,
                'limit' => $maybeNumber,
                'arithmetic' => $text,
                'source' => $text,
                'assumed' => $flag,
            ]),
            // Tried, in `hollin:check --json` and where a finding is opened; untried in answers that must be quick.
            'Remedy' => self::object($remedy, $tried),
            'Offer' => self::object($remedy + $tried),
            'Witness' => self::object([
                'state' => $maybeText,
                'states' => $texts,
                'words' => $text,
                'controls' => self::nullable(self::map($text)),
                'surroundings' => self::nullable(self::map($text)),
                'path' => $texts,
                'elements' => $texts,
            ]),
            'Ways' => self::object([
                'kind' => ['type' => 'string', 'enum' => ['always', 'outage', 'slips', 'remote', 'passing', 'outside']],
                'words' => $text,
                'pairs' => self::list(
                    self::object([
                        'slips' => ['type' => 'integer'],
                        'failures' => ['type' => 'integer'],
                        'words' => $text,
                    ]),
                ),
            ]),
            'Finding' => self::object([
                'id' => $text,
                'rule' => $text,
                'severity' => ['type' => 'string', 'enum' => ['danger', 'warning', 'advice']],
                'title' => $text,
                'text' => $text,
                'components' => $texts,
                'figures' => self::list(self::ref('Figure')),
                'remedies' => self::list(self::ref('Remedy')),
                'source' => $text,
                'because' => $maybeText,
                'ways' => self::ref('Ways'),
                'witness' => self::ref('Witness'),
            ]),
            'Prevented' => self::object([
                'rule' => $text,
                'title' => $text,
                'by' => $text,
                'words' => $text,
                'proven' => $flag,
                'undoneBy' => self::list(
                    self::object(['slips' => ['type' => 'integer'], 'words' => $text], ['state' => $text]),
                ),
            ]),
            'StateName' => self::object([
                'id' => $text,
                'letter' => $text,
                'title' => $text,
                'group' => ['type' => 'string', 'enum' => ['usual', 'fault']],
                'about' => ['type' => 'string', 'enum' => array_column(About::cases(), 'value')],
                'controls' => self::map($text),
                'surroundings' => self::map($text),
            ]),
            'Control' => self::object([
                'id' => $text,
                'component' => $text,
                'label' => $text,
                'name' => $text,
                'job' => [
                    'type' => 'string',
                    'enum' => ['breaker', 'plug', 'transfer', 'disconnect', 'switch', 'mode', 'run', 'pedestal'],
                ],
                'positions' => self::map($text),
            ]),
            'Cell' => self::object([
                'kind' => ['type' => 'string', 'enum' => ['works', 'ground', 'live', 'dead']],
                'words' => $text,
                'source' => $maybeText,
                'by' => $maybeText,
            ]),
            'TableRow' => self::object([
                'circuit' => $text,
                'label' => $text,
                'panel' => $maybeText,
                'slot' => ['type' => 'integer'],
                'half' => $text,
                'ratingA' => $maybeNumber,
                'cells' => self::map(self::ref('Cell')),
            ]),
            'Plate' => self::object([
                'type' => $text,
                'label' => $text,
                'band' => ['type' => 'string', 'enum' => ['supplies', 'switching', 'panels', 'straddle', 'deck']],
                'shape' => ['type' => 'string', 'enum' => ['chip', 'gate', 'tray', 'body', 'bank', 'bar']],
                'rank' => ['type' => 'integer'],
                'lines' => $texts,
                'assumed' => ['type' => 'integer'],
                'pole' => $maybeText,
            ]),
            'Row' => self::object(
                [
                    'kind' => ['type' => 'string', 'enum' => ['main', 'circuit', 'backfeed', 'free']],
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
            'Tray' => self::object([
                'rows' => self::list(self::ref('Row')),
                'bondScrew' => $flag,
                'role' => $text,
                'carries' => $texts,
            ]),
            'LinkEnd' => self::object(['c' => $text], ['port' => $maybeText, 'row' => $text]),
            'Link' => self::object(
                [
                    'id' => $text,
                    'kind' => ['type' => 'string', 'enum' => ['ac', 'positive', 'negative', 'bond', 'ground', 'coil']],
                    'from' => self::ref('LinkEnd'),
                    'to' => self::ref('LinkEnd'),
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
            'Wall' => self::object([
                'plates' => self::map(self::ref('Plate')),
                'trays' => self::map(self::ref('Tray')),
                'links' => self::list(self::ref('Link')),
            ]),
            'LinkPaint' => self::object(
                [],
                [
                    'hot' => self::list($maybeText),
                    'soft' => $flag,
                    'neutralLive' => $maybeText,
                    'neutralHome' => $maybeText,
                    'exchanged' => $maybeText,
                    'on' => $flag,
                    'by' => $texts,
                ],
            ),
            'CircuitPaint' => self::object([
                'kind' => ['type' => 'string', 'enum' => ['works', 'ground', 'live', 'dead']],
                'source' => $maybeText,
                'words' => $text,
            ]),
            'Paint' => self::object([
                'links' => self::map(self::ref('LinkPaint')),
                'circuits' => self::map(self::ref('CircuitPaint')),
                'buses' => self::map(
                    self::object([
                        'source' => $maybeText,
                        'soft' => $flag,
                        'neutralLive' => $maybeText,
                        'exchanged' => $maybeText,
                    ]),
                ),
                'positions' => self::map(self::object(['position' => $text, 'words' => $text])),
                'moves' => self::list(
                    self::object([
                        'device' => $text,
                        'from' => $text,
                        'to' => $text,
                        'atS' => $number,
                        'component' => $text,
                        'words' => $text,
                    ]),
                ),
                'bonds' => self::list(
                    self::object([
                        'source' => $text,
                        'component' => $text,
                        'count' => ['type' => 'integer'],
                        'at' => $texts,
                        'where' => $texts,
                    ]),
                ),
                'closedBonds' => $texts,
                'gates' => self::map(
                    self::object([
                        'position' => $text,
                        'words' => $text,
                        'mode' => $text,
                        'settings' => $texts,
                        'running' => $flag,
                        'direct' => $maybeText,
                        'ways' => self::list(['type' => 'string', 'enum' => ['a', 'b', 'unit']]),
                        'bond' => $flag,
                        'carries' => $texts,
                    ]),
                ),
                'supplies' => self::map(self::object(['plugged' => $flag, 'words' => $text])),
                'pins' => self::map(self::object(['bare' => $flag, 'live' => $texts, 'words' => $text])),
                'charging' => self::list(self::object(['component' => $text, 'on' => $text, 'amps' => $number])),
            ]),
            'Choice' => self::object(
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
            'FuseOption' => self::object([
                'family' => $text,
                'label' => $text,
                'ratingA' => $maybeNumber,
                'interruptingA' => $maybeNumber,
                'breaks' => $flag,
                'suits' => $flag,
                'why' => $text,
            ]),
            'Size' => self::object([
                'inverter' => $text,
                'bank' => $text,
                'school' => $text,
                'figures' => self::list(self::ref('Figure')),
                'roundTripM' => $number,
                'roundTripAssumed' => $flag,
                'choices' => self::list(self::ref('Choice')),
                'fuse' => self::object([
                    'neededA' => $number,
                    'families' => self::list(self::ref('FuseOption')),
                    'fitted' => $maybeText,
                    'fittedFamily' => $maybeText,
                    'ratingA' => $maybeNumber,
                    'interim' => $maybeText,
                    'short' => self::nullable(self::ref('Figure')),
                    'source' => $text,
                ]),
                'fitted' => self::object(
                    [],
                    [
                        'ampacityA' => $number,
                        'size' => $text,
                        'spoken' => $text,
                        'dropV' => $number,
                        'dropLimitV' => $number,
                    ],
                ),
                'bank_limit' => self::nullable(self::ref('Figure')),
            ]),
            'AcRun' => self::object([
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
            'BoxFill' => self::object([
                'component' => $text,
                'label' => $text,
                'hasCm3' => $number,
                'needsCm3' => $number,
                'arithmetic' => $text,
                'source' => $text,
            ]),
            'Assumption' => self::object([
                'component' => $text,
                'type' => $text,
                'label' => $text,
                'what' => $text,
                'value' => ['type' => ['string', 'number', 'boolean']],
            ]),
            'RigAnswer' => self::object(
                [
                    'rules' => $text,
                    'wall' => self::ref('Wall'),
                    'states' => self::list(self::ref('StateName')),
                    'faults' => self::list(self::ref('StateName')),
                    'controls' => self::list(self::ref('Control')),
                    'paint' => self::map(self::ref('Paint')),
                    'table' => self::list(self::ref('TableRow')),
                    'amps' => self::map(self::map(self::map($number))),
                    'scenarios' => self::map($text),
                    'findings' => self::list(self::ref('Finding')),
                    'prevented' => self::list(self::ref('Prevented')),
                    'checked' => self::object([
                        'states' => $number,
                        'reduced' => ['type' => 'integer'],
                        'situations' => ['type' => 'integer'],
                        'all' => $flag,
                        'extent' => ['type' => 'string', 'enum' => ['all', 'two_slips']],
                        'left' => self::list($text),
                        'words' => $text,
                    ]),
                    'sizes' => self::list(self::ref('Size')),
                    'runs' => self::list(self::ref('AcRun')),
                    'boxes' => self::list(self::ref('BoxFill')),
                    'weight' => self::object(['kg' => $number, 'words' => $text]),
                    'points' => self::map($text),
                    'pointsOf' => self::map($texts),
                    'outlets' => self::map($texts),
                    'loads' => self::map($text),
                    'conductors' => self::map($text),
                    'assumptions' => self::list(self::ref('Assumption')),
                    'labels' => self::map($text),
                ],
                ['flows' => self::map(self::map(self::ref('StateFlow')))],
            ),
            // Only `hollin:check --json` works all of them out.
            'StateFlow' => self::object([
                'converged' => $flag,
                'trouble' => $maybeText,
                'loads' => self::map(
                    self::object([
                        'label' => $text,
                        'circuit' => $maybeText,
                        'on' => $flag,
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'collapsed' => $flag,
                    ]),
                ),
                'conductors' => self::map(
                    self::object([
                        'component' => $text,
                        'role' => $text,
                        'purpose' => $text,
                        'acA' => $number,
                        'dcA' => $number,
                        'ratingA' => $maybeNumber,
                    ]),
                ),
                'sources' => self::map(
                    self::object([
                        'component' => $text,
                        'kind' => ['type' => 'string', 'enum' => ['source', 'battery', 'charger']],
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'overloaded' => $flag,
                    ]),
                ),
                'converters' => self::map(
                    self::object([
                        'component' => $text,
                        'kind' => ['type' => 'string', 'enum' => ['charger', 'inverter', 'assist']],
                        'inW' => $number,
                        'outW' => $number,
                        'efficiency' => $number,
                    ]),
                ),
                'trips' => self::list(
                    self::object([
                        'id' => $text,
                        'component' => $text,
                        'what' => $text,
                        'then' => $text,
                        'amps' => $number,
                        'ratingA' => $number,
                        'afterS' => $maybeNumber,
                    ]),
                ),
                'after' => self::nullable(
                    self::object([
                        'ends' => $flag,
                        'opened' => $texts,
                        'sources' => self::map(
                            self::object(['volts' => $number, 'amps' => $number, 'watts' => $number]),
                        ),
                        'works' => $texts,
                    ]),
                ),
                'lostW' => $maybeNumber,
                'residual' => $maybeNumber,
            ]),
            'StoryStep' => self::object(['atS' => $number, 'words' => $texts]),
            'StateHit' => self::object([
                'rule' => $text,
                'severity' => ['type' => 'string', 'enum' => ['danger', 'warning', 'advice']],
                'title' => $text,
                'text' => $text,
                'components' => $texts,
            ]),
            'Flow' => self::object([
                'trouble' => $maybeText,
                'amps' => self::map($number),
                'volts' => self::map($number),
                'loading' => self::list(
                    self::object(['what' => $text, 'component' => $text, 'amps' => $number, 'ratingA' => $number]),
                ),
                'sources' => self::list(
                    self::object([
                        'id' => $text,
                        'label' => $text,
                        'volts' => $number,
                        'amps' => $number,
                        'watts' => $number,
                        'overloaded' => $flag,
                    ]),
                ),
                'loads' => self::list(
                    self::object([
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
                'trips' => self::list(self::object(['component' => $text, 'words' => $text])),
            ]),
            'StateAnswer' => self::object([
                'paint' => self::ref('Paint'),
                'story' => self::list(self::ref('StoryStep')),
                'hits' => self::list(self::ref('StateHit')),
                'flow' => self::ref('Flow'),
            ]),
            'Reading' => self::object([
                'kind' => ['type' => 'string', 'enum' => ['number', 'range', 'words', 'hazard']],
                'value' => $maybeNumber,
                'highest' => $maybeNumber,
                'unit' => $text,
                'words' => $text,
            ]),
            'View' => self::object(
                ['id' => $text, 'plan' => $maybeText, 'stage' => $maybeText, 'title' => $text, 'hash' => $text],
                ['last' => $flag],
            ),
        ];
    }

    /**
     * @param array<string, array<string, mixed>> $required
     * @param array<string, array<string, mixed>> $optional
     * @return array<string, mixed>
     */
    public static function object(array $required, array $optional = []): array
    {
        return ['type' => 'object', 'properties' => (object) ($required + $optional), 'additionalProperties' => false] +
            ($required === [] ? [] : ['required' => array_keys($required)]);
    }

    /**
     * @param array<string, mixed> $of
     * @return array<string, mixed>
     */
    public static function list(array $of): array
    {
        return ['type' => 'array', 'items' => $of];
    }

    /**
     * @param array<string, mixed> $of
     * @return array<string, mixed>
     */
    public static function map(array $of): array
    {
        return ['type' => 'object', 'additionalProperties' => $of];
    }

    /** @return array<string, mixed> */
    public static function ref(string $name): array
    {
        return ['$ref' => "#/components/schemas/{$name}"];
    }

    /**
     * @param array<string, mixed> $of
     * @return array<string, mixed>
     */
    private static function nullable(array $of): array
    {
        return ['anyOf' => [$of, ['type' => 'null']]];
    }
}
