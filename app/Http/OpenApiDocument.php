<?php

declare(strict_types=1);

namespace App\Http;

use Hollin\Core\Answers\Shape;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Solve\Meter;
use OpenApi\Generator;

/** The API description: routes from the controllers' attributes, answers from the core's declared shape. */
final class OpenApiDocument
{
    public static function json(): string
    {
        $openapi = Generator::scan([app_path('Http/Controllers')], ['validate' => false]);
        $document = json_decode($openapi !== null ? $openapi->toJson() : '{}', true, 512, JSON_THROW_ON_ERROR);
        $document['openapi'] = '3.1.0';
        $document['components']['schemas'] = self::schemas() + Shape::definitions();

        return json_encode(
            $document,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        ) . "\n";
    }

    /** @return array<string, array<string, mixed>> */
    private static function schemas(): array
    {
        $text = ['type' => 'string'];
        $integer = ['type' => 'integer'];
        $maybe = ['type' => ['string', 'null']];
        $any = ['type' => 'object', 'additionalProperties' => true];
        $anything = ['description' => 'any value'];
        $problem = Shape::object(['pointer' => $text, 'message' => $text]);
        $field = Shape::object([
            'kind' => $text,
            'label' => $text,
            'unit' => $text,
            'min' => ['type' => 'number'],
            'max' => ['type' => 'number'],
            'choices' => Shape::map($text),
            'surveyed' => ['type' => 'boolean'],
            'required' => ['type' => 'boolean'],
            'note' => $text,
            'of' => Shape::list($text),
            'usual' => ['type' => ['number', 'string', 'boolean', 'null']],
            'only' => Shape::map(Shape::list($text)),
            'fields' => Shape::map(Shape::ref('Field')),
        ]);
        $plan = Shape::object(
            [
                'title' => $text,
                'stages' => Shape::map(Shape::object(['title' => $text], ['order' => ['type' => 'number']])),
                'changes' => Shape::map(Shape::ref('Change')),
            ],
            [
                'order' => ['type' => 'number'],
                'arrangement' => Shape::object(['recipe' => $text, 'options' => $any]),
                'additions' => Shape::map($any),
            ],
        );

        return [
            'Me' => Shape::object([
                'id' => $integer,
                'name' => $text,
                'role' => ['type' => 'string', 'enum' => ['lead', 'technician', 'apprentice']],
                'roleLabel' => $text,
                'workshop' => $text,
                'workshopId' => $integer,
            ]),
            'Person' => Shape::object([
                'id' => $integer,
                'name' => $text,
                'email' => $text,
                'role' => ['type' => 'string', 'enum' => ['lead', 'technician', 'apprentice']],
                'roleLabel' => $text,
                'me' => ['type' => 'boolean'],
                'seenAt' => $maybe,
                'leftAt' => $maybe,
            ]),
            'PersonLink' => Shape::object([
                'id' => $integer,
                'for' => $text,
                'renews' => ['type' => 'boolean', 'description' => 'a password; otherwise an invitation'],
                'roleLabel' => $maybe,
                'by' => $maybe,
                'until' => $text,
            ]),
            'MadeLink' => Shape::object(['link' => Shape::ref('PersonLink'), 'address' => $text]),
            'JoinLink' => Shape::object([
                'workshop' => $text,
                'renews' => ['type' => 'boolean'],
                'name' => $text,
                'email' => $maybe,
                'roleLabel' => $maybe,
            ]),
            'SignIn' => Shape::object([
                'id' => $integer,
                'here' => ['type' => 'boolean'],
                'address' => $maybe,
                'browser' => $maybe,
                'since' => $text,
                'seenAt' => $text,
            ]),
            'Customer' => Shape::object([
                'id' => $integer,
                'name' => $text,
                'jobs' => Shape::list(Shape::object(['id' => $integer, 'title' => $text])),
            ]),
            'AuditEntry' => Shape::object([
                'id' => $integer,
                'at' => $text,
                'who' => $maybe,
                'what' => $text,
                'words' => $text,
                'address' => $maybe,
            ]),
            'Trouble' => Shape::object(['message' => $text], ['problems' => Shape::list($problem)]),
            'ConflictTrouble' => Shape::object(
                [
                    'message' => $text,
                    'head' => $integer,
                    'conflicts' => Shape::list(
                        Shape::object([
                            'pointer' => $text,
                            'component' => $maybe,
                            'path' => $text,
                            'isValue' => ['type' => 'boolean'],
                            'yours' => $anything,
                            'theirs' => $anything,
                            'by' => $text,
                            'who' => $text,
                        ]),
                    ),
                ],
                ['problems' => Shape::list($problem)],
            ),
            'JobRow' => Shape::object([
                'id' => $integer,
                'title' => $text,
                'kind' => $text,
                'customer' => $maybe,
                'revision' => $integer,
                'away' => ['type' => 'boolean'],
                'changedAt' => $text,
                'customerId' => ['type' => ['integer', 'null']],
                'rig' => $maybe,
                'rigId' => ['type' => ['integer', 'null']],
                'stage' => $text,
                'next' => $text,
                'blocks' => Shape::list($text),
                'done' => $integer,
                'steps' => $integer,
                'dangers' => ['type' => ['integer', 'null']],
                'plan' => ['type' => ['string', 'null']],
                'assumed' => $integer,
                'here' => Shape::list($text),
            ]),
            'RigRow' => Shape::object([
                'id' => $integer,
                'name' => $text,
                'kind' => $text,
                'note' => $text,
                'customer' => $maybe,
                'customerId' => ['type' => ['integer', 'null']],
            ]),
            'RevisionRow' => Shape::object([
                'number' => $integer,
                'words' => $text,
                'kind' => $text,
                'undoes' => ['type' => ['integer', 'null']],
                'by' => $maybe,
                'at' => $text,
                'sha256' => $text,
            ]),
            'Intent' => [
                'type' => 'object',
                'properties' => ['kind' => ['type' => 'string', 'enum' => array_keys(Intents::all())]],
                'required' => ['kind'],
                'additionalProperties' => true,
            ],
            'StateBody' => Shape::object(
                ['view' => $text],
                [
                    'revision' => $integer,
                    'controls' => Shape::map($text),
                    'surroundings' => Shape::map($text),
                    'running' => Shape::list($text),
                    'charge' => ['type' => 'string', 'enum' => ['full', 'half', 'low']],
                ],
            ),
            'ProbeBody' => Shape::object(
                [
                    'view' => $text,
                    'function' => ['type' => 'string', 'enum' => array_keys(Meter::FUNCTIONS)],
                    'a' => $text,
                ],
                [
                    'b' => $text,
                    'zeroed' => ['type' => 'boolean'],
                    'revision' => $integer,
                    'controls' => Shape::map($text),
                    'surroundings' => Shape::map($text),
                    'running' => Shape::list($text),
                    'charge' => $text,
                ],
            ),
            'HereBody' => Shape::object(
                ['tab' => $text, 'revision' => $integer, 'place' => $text],
                ['about' => $maybe, 'leaving' => ['type' => 'boolean']],
            ),
            'Here' => Shape::object([
                'head' => $integer,
                'people' => Shape::list(
                    Shape::object([
                        'id' => $integer,
                        'name' => $text,
                        'place' => $text,
                        'about' => $maybe,
                        'self' => ['type' => 'boolean'],
                    ]),
                ),
                'changes' => Shape::list(Shape::object(['number' => $integer, 'words' => $text, 'by' => $maybe])),
            ]),
            'Token' => Shape::object([
                'id' => $integer,
                'name' => $text,
                'writes' => ['type' => 'boolean'],
                'usedAt' => $maybe,
                'until' => $maybe,
            ]),
            'Photo' => Shape::object([
                'id' => $integer,
                'component' => $text,
                'note' => $maybe,
                'width' => $integer,
                'height' => $integer,
                'bytes' => $integer,
                'status' => $text,
                'raw' => $maybe,
                'raws' => Shape::list($text),
                'trouble' => $maybe,
                'by' => $maybe,
                'at' => $text,
            ]),
            'BaselinePoint' => Shape::object([
                'id' => $text,
                'words' => $text,
                'state' => $text,
                'stateWords' => $text,
                'function' => $text,
                'a' => $text,
                'b' => $text,
                'unit' => $text,
                'lowest' => ['type' => ['number', 'null']],
                'highest' => ['type' => ['number', 'null']],
                'expected' => $maybe,
                'shown' => $text,
                'why' => $text,
            ]),
            'ReadingRow' => Shape::object([
                'id' => $integer,
                'what' => $text,
                'revision' => $integer,
                'value' => ['type' => ['number', 'null']],
                'words' => $maybe,
                'unit' => $text,
                'verdict' => ['type' => 'string', 'enum' => ['as expected', 'not as expected', 'to be judged']],
                'instrument' => $maybe,
                'note' => $maybe,
                'by' => $maybe,
                'at' => $text,
            ]),
            'ReadingBody' => Shape::object(
                ['uuid' => $text, 'what' => $text],
                ['value' => ['type' => 'number'], 'words' => $text, 'instrument' => $text, 'note' => $text],
            ),
            'Baseline' => Shape::object([
                'points' => Shape::list(Shape::ref('BaselinePoint')),
                'readings' => Shape::list(Shape::ref('ReadingRow')),
            ]),
            'EditBody' => Shape::object(
                ['uuid' => $text, 'base' => $integer, 'intent' => Shape::ref('Intent')],
                ['want' => Shape::list($text), 'have' => Shape::list($text)],
            ),
            'UndoBody' => Shape::object(
                ['uuid' => $text],
                [
                    'restore' => $integer,
                    'redo' => ['type' => 'boolean'],
                    'want' => Shape::list($text),
                    'have' => Shape::list($text),
                ],
            ),
            'Component' => [
                'type' => 'object',
                'properties' => ['type' => $text, 'label' => $text],
                'required' => ['type', 'label'],
                'additionalProperties' => true,
            ],
            'Change' => Shape::object(
                [
                    'op' => ['type' => 'string', 'enum' => ['fit', 'remove', 'move', 'set']],
                    'stage' => $text,
                    'target' => $text,
                    'by' => $text,
                ],
                [
                    'order' => ['type' => 'number'],
                    'path' => $text,
                    'value' => $anything,
                    'why' => $text,
                    'was' => Shape::object(['value' => $anything], ['why' => $text]),
                ],
            ),
            'Plan' => $plan,
            'Document' => Shape::object(
                [
                    'hollin' => $text,
                    'format' => $integer,
                    'title' => $text,
                    'rig' => Shape::object(['kind' => $text], ['note' => $text]),
                    'asFound' => Shape::object(
                        ['components' => Shape::map(Shape::ref('Component'))],
                        [
                            'walk' => Shape::map(
                                Shape::object(
                                    ['verdict' => ['type' => 'string', 'enum' => ['sound', 'fault']]],
                                    ['note' => $text, 'by' => $text, 'at' => $text],
                                ),
                            ),
                        ],
                    ),
                    'needs' => Shape::object(
                        [],
                        [
                            'ampacity' => $text,
                            'scenarios' => Shape::map(
                                Shape::object(
                                    ['title' => $text, 'running' => Shape::map(['type' => 'boolean'])],
                                    ['order' => ['type' => 'number']],
                                ),
                            ),
                            'offGrid' => Shape::map(['type' => 'boolean']),
                            'loads' => Shape::map(Shape::ref('NeedLoad')),
                            'measured' => Shape::ref('MonitorLog'),
                            'trip' => $any,
                            'unit' => $any,
                            'chosen' => Shape::map($text),
                        ],
                    ),
                    'plans' => Shape::map(Shape::ref('Plan')),
                ],
                ['place' => $any],
            ),
            'Design' => Shape::object([
                'id' => $integer,
                'revision' => $integer,
                'head' => $integer,
                'words' => $text,
                'customer' => $maybe,
                'notices' => Shape::list($text),
                'document' => Shape::ref('Document'),
                'views' => Shape::list(Shape::ref('View')),
                'answers' => Shape::map(Shape::ref('RigAnswer')),
            ]),
            'Sheet' => Shape::object([
                'id' => $integer,
                'status' => ['type' => 'string', 'enum' => ['waiting', 'printing', 'done', 'failed']],
                'trouble' => $maybe,
            ]),
            'Field' => $field,
        ] +
            SizingShapes::all() +
            PartShapes::all() +
            BuildShapes::all() +
            ReferenceShapes::all();
    }
}
