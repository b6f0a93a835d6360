<?php

declare(strict_types=1);

namespace Hollin\Core\Document;

use Hollin\Core\Components\PartSchema;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Id;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\SchemaCheck;
use Hollin\Core\Job\Tree;
use Hollin\Core\Needs\Asked;
use Hollin\Core\Parts\Wishes;
use Hollin\Core\Place\Asked as Standing;
use Hollin\Core\Plan\Op;
use Hollin\Core\Plan\WalkRound;
use stdClass;

/**
 * The published JSON Schema of the job file (draft 2020-12), put together from what each
 * component type declares, and the check of a document against it.
 */
final class Schema
{
    public const FORMAT = 1;

    private const MOST_COMPONENTS = 400;

    private const MOST_CHANGES = 400;

    /**
     * The schema as published in docs/job-file.schema.json.
     *
     * @param ?list<string> $only component types to define, for a document that has no others; null for all
     */
    public static function document(?array $only = null): stdClass
    {
        $definitions = PartSchema::definitions($only);
        $componentMap = SchemaCheck::map('#/$defs/component', self::MOST_COMPONENTS);
        $title = (object) ['type' => 'string', 'minLength' => 1, 'maxLength' => 160];
        $order = (object) ['type' => 'number', 'minimum' => -1e6, 'maximum' => 1e6];
        $definitions['scenario'] = SchemaCheck::object(
            [
                'title' => $title,
                'order' => $order,
                'running' => (object) [
                    'type' => 'object',
                    'maxProperties' => 200,
                    'propertyNames' => (object) ['pattern' => '^[a-z][a-z0-9_]*\.[a-z][a-z0-9_]*$'],
                    'additionalProperties' => (object) ['const' => true],
                    'description' => 'which loads run together: "circuit.load": true',
                ],
            ],
            ['title', 'running'],
        );
        $definitions['load'] = (object) Field::objectSchema(Asked::load());
        foreach (
            [
                'zone' => Standing::zone(),
                'item' => Standing::item(),
                'thing' => Standing::thing(),
                'route' => Standing::route(),
            ]
            as $name => $fields
        ) {
            $definitions[$name] = (object) Field::objectSchema($fields);
        }
        $definitions['change'] = SchemaCheck::object(
            [
                'op' => (object) ['enum' => array_map(fn(Op $o): string => $o->value, Op::cases())],
                'order' => $order,
                'stage' => (object) ['type' => 'string', 'pattern' => Id::PATTERN],
                'target' => (object) [
                    'type' => 'string',
                    'pattern' => Id::PATTERN,
                    'description' => 'id of the component',
                ],
                'path' => (object) [
                    'type' => 'string',
                    'pattern' => '^(/[A-Za-z0-9_]+)+$',
                    'maxLength' => 120,
                    'description' => 'place inside the component, for set and move',
                ],
                'value' => (object) ['description' => 'what is fitted (a component) or the new value'],
                'by' => (object) ['enum' => ['recipe', 'hand']],
                'of' => (object) [
                    'type' => 'string',
                    'pattern' => Id::PATTERN,
                    'description' => 'addition that wrote it; the arrangement where left out',
                ],
                'was' => SchemaCheck::object(
                    [
                        'value' => (object) ['description' => 'what the arrangement wrote here'],
                        'why' => (object) ['type' => 'string', 'maxLength' => 200],
                    ],
                    ['value'],
                ),
                'why' => (object) ['type' => 'string', 'maxLength' => 200],
            ],
            ['op', 'stage', 'target', 'by'],
        );
        $definitions['plan'] = SchemaCheck::object(
            [
                'title' => $title,
                'order' => $order,
                'arrangement' => SchemaCheck::object(
                    [
                        'recipe' => (object) ['type' => 'string', 'pattern' => Id::PATTERN],
                        'options' => (object) ['type' => 'object', 'maxProperties' => 40],
                    ],
                    ['recipe', 'options'],
                ),
                'additions' => (object) [
                    'type' => 'object',
                    'description' => 'what composes with the arrangement: addition => its options',
                    'maxProperties' => 20,
                    'propertyNames' => (object) ['pattern' => Id::PATTERN],
                    'additionalProperties' => (object) ['type' => 'object', 'maxProperties' => 40],
                ],
                'stages' => (object) [
                    'type' => 'object',
                    'maxProperties' => 12,
                    'minProperties' => 1,
                    'propertyNames' => (object) ['pattern' => Id::PATTERN],
                    'additionalProperties' => SchemaCheck::object(
                        ['title' => $title, 'order' => $order],
                        ['title', 'order'],
                    ),
                ],
                'changes' => SchemaCheck::map('#/$defs/change', self::MOST_CHANGES),
            ],
            ['title', 'stages', 'changes'],
        );
        $schema = SchemaCheck::object(
            [
                'hollin' => (object) ['const' => 'job'],
                'format' => (object) ['const' => self::FORMAT],
                'title' => $title,
                'rig' => SchemaCheck::object(
                    [
                        'kind' => (object) ['enum' => ['travel_trailer', 'fifth_wheel', 'motorhome', 'van', 'other']],
                        'note' => (object) ['type' => 'string', 'maxLength' => 2000],
                    ],
                    ['kind'],
                ),
                'asFound' => SchemaCheck::object(
                    ['components' => $componentMap, 'walk' => WalkRound::schema()],
                    ['components'],
                ),
                'needs' => SchemaCheck::object(
                    [
                        'ampacity' => (object) [
                            'enum' => ['marine', 'building'],
                            'description' => 'which school governs DC conductors',
                        ],
                        'scenarios' => SchemaCheck::map('#/$defs/scenario', 20),
                        'offGrid' => (object) [
                            'type' => 'object',
                            'maxProperties' => 200,
                            'propertyNames' => (object) ['pattern' => Id::PATTERN],
                            'additionalProperties' => (object) ['const' => true],
                            'description' => 'circuits that must work without any supply: "circuit": true',
                        ],
                        'loads' => SchemaCheck::map('#/$defs/load', 100),
                        'measured' => (object) Field::objectSchema(Asked::measured()),
                        'trip' => (object) Field::objectSchema(Asked::trip()),
                        'unit' => (object) Field::objectSchema(Wishes::fields()),
                        'chosen' => (object) [
                            'type' => 'object',
                            'maxProperties' => 200,
                            'propertyNames' => (object) ['pattern' => Id::PATTERN],
                            'additionalProperties' => (object) [
                                'type' => 'string',
                                'pattern' => '^[a-z0-9][a-z0-9-]{0,59}$',
                            ],
                            'description' => 'what is bought for a part: component => code of the catalogue',
                        ],
                    ],
                    [],
                ),
                'place' => SchemaCheck::object(
                    [
                        'rig' => (object) Field::objectSchema(Standing::rig()),
                        'zones' => SchemaCheck::map('#/$defs/zone', 40),
                        'items' => SchemaCheck::map('#/$defs/item', self::MOST_COMPONENTS),
                        'things' => SchemaCheck::map('#/$defs/thing', 100),
                        'routes' => SchemaCheck::map('#/$defs/route', self::MOST_COMPONENTS),
                    ],
                    [],
                ),
                'plans' => SchemaCheck::map('#/$defs/plan', 8),
            ],
            ['hollin', 'format', 'title', 'rig', 'asFound', 'needs', 'plans'],
        );

        return (object) ([
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'Hollin job file, format ' . self::FORMAT,
        ] +
            get_object_vars($schema) + ['$defs' => (object) $definitions]);
    }

    /**
     * A document with the components, plans and changes left out that are as they were; maps that
     * have grown beyond their limit stay whole, so that the limit is seen.
     */
    public static function onlyChanged(stdClass $document, stdClass $before): stdClass
    {
        $pruned = clone $document;
        $pruned->asFound =
            (object) ([
                'components' => self::differing(
                    $document->asFound->components,
                    $before->asFound->components,
                    self::MOST_COMPONENTS,
                ),
            ] + get_object_vars($document->asFound));
        $plans = self::differing($document->plans, $before->plans, 8);
        foreach (get_object_vars($plans) as $id => $plan) {
            $earlier = $before->plans->{$id} ?? null;
            if (
                $plan instanceof stdClass &&
                $earlier instanceof stdClass &&
                ($plan->changes ?? null) instanceof stdClass
            ) {
                $plan = clone $plan;
                $plan->changes = self::differing($plan->changes, $earlier->changes, self::MOST_CHANGES);
                $plans->{$id} = $plan;
            }
        }
        $pruned->plans = $plans;
        if (Tree::same($document->needs, $before->needs)) {
            $pruned->needs = new stdClass();
        }

        return $pruned;
    }

    private static function differing(stdClass $after, stdClass $before, int $most): stdClass
    {
        if (count(get_object_vars($after)) > $most) {
            return $after;
        }
        $differing = new stdClass();
        foreach (get_object_vars($after) as $id => $value) {
            if (!isset($before->{$id}) || !Tree::same($before->{$id}, $value)) {
                $differing->{$id} = $value;
            }
        }

        return $differing;
    }

    /** @return list<Problem> */
    public static function problems(stdClass $document): array
    {
        $found = $document->asFound ?? null;
        $components = $found instanceof stdClass ? $found->components ?? null : null;
        $types = PartSchema::typesOf($components instanceof stdClass ? get_object_vars($components) : []);
        $error = SchemaCheck::validate(
            $document,
            'document of ' . implode(' ', $types),
            fn(): stdClass => self::document($types),
        );

        return $error === null ? [] : SchemaCheck::leaves($error);
    }
}
