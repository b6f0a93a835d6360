<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Plan\Op;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use stdClass;

/**
 * The published JSON Schema of the job file (draft 2020-12), put together from what each
 * component type declares, and the check of a document against it.
 */
final class Schema
{
    public const FORMAT = 1;

    private const MOST_ERRORS = 25;

    private const MOST_KEPT = 60;

    /** @var array<string, stdClass> */
    private static array $schemas = [];

    private static ?Validator $validator = null;

    private const MOST_COMPONENTS = 400;

    private const MOST_CHANGES = 400;

    /**
     * The schema as published in docs/job-file.schema.json.
     *
     * @param ?list<string> $only component types to define, for a document that has no others; null for all
     */
    public static function document(?array $only = null): stdClass
    {
        $definitions = [];
        foreach (
            $only === null ? Catalogue::types() : array_intersect_key(Catalogue::types(), array_flip($only))
            as $type => $class
        ) {
            $schema = Field::objectSchema($class::allFields());
            $schema['properties'] =
                (object) (['type' => (object) ['const' => $type]] + get_object_vars($schema['properties']));
            $schema['description'] = $class::summary();
            $definitions[$type] = (object) $schema;
        }
        $branches = array_map(
            fn(string $type): stdClass => (object) [
                'if' => (object) [
                    'properties' => (object) ['type' => (object) ['const' => $type]],
                    'required' => ['type'],
                ],
                'then' => (object) ['$ref' => "#/\$defs/{$type}"],
            ],
            array_keys($definitions),
        );
        $definitions['component'] =
            (object) ([
                'type' => 'object',
                'properties' => (object) ['type' => (object) ['enum' => array_keys(Catalogue::types())]],
                'required' => ['type'],
            ] + ($branches === [] ? [] : ['allOf' => $branches]));
        $componentMap = self::map('#/$defs/component', self::MOST_COMPONENTS);
        $title = (object) ['type' => 'string', 'minLength' => 1, 'maxLength' => 160];
        $order = (object) ['type' => 'number', 'minimum' => -1e6, 'maximum' => 1e6];
        $definitions['scenario'] = self::object(
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
        $definitions['change'] = self::object(
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
                'why' => (object) ['type' => 'string', 'maxLength' => 200],
            ],
            ['op', 'stage', 'target', 'by'],
        );
        $definitions['plan'] = self::object(
            [
                'title' => $title,
                'order' => $order,
                'arrangement' => self::object(
                    [
                        'recipe' => (object) ['type' => 'string', 'pattern' => Id::PATTERN],
                        'options' => (object) ['type' => 'object', 'maxProperties' => 40],
                    ],
                    ['recipe', 'options'],
                ),
                'stages' => (object) [
                    'type' => 'object',
                    'maxProperties' => 12,
                    'minProperties' => 1,
                    'propertyNames' => (object) ['pattern' => Id::PATTERN],
                    'additionalProperties' => self::object(['title' => $title, 'order' => $order], ['title', 'order']),
                ],
                'changes' => self::map('#/$defs/change', self::MOST_CHANGES),
            ],
            ['title', 'stages', 'changes'],
        );
        $schema = self::object(
            [
                'hollin' => (object) ['const' => 'job'],
                'format' => (object) ['const' => self::FORMAT],
                'title' => $title,
                'rig' => self::object(
                    [
                        'kind' => (object) ['enum' => ['travel_trailer', 'fifth_wheel', 'motorhome', 'van', 'other']],
                        'note' => (object) ['type' => 'string', 'maxLength' => 2000],
                    ],
                    ['kind'],
                ),
                'asFound' => self::object(['components' => $componentMap], ['components']),
                'needs' => self::object(
                    [
                        'ampacity' => (object) [
                            'enum' => ['marine', 'building'],
                            'description' => 'which school governs DC conductors',
                        ],
                        'scenarios' => self::map('#/$defs/scenario', 20),
                        'offGrid' => (object) [
                            'type' => 'object',
                            'maxProperties' => 200,
                            'propertyNames' => (object) ['pattern' => Id::PATTERN],
                            'additionalProperties' => (object) ['const' => true],
                            'description' => 'circuits that must work without any supply: "circuit": true',
                        ],
                    ],
                    [],
                ),
                'plans' => self::map('#/$defs/plan', 8),
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
     * A validator's time goes into putting its schema together: only what a document uses is.
     *
     * @param iterable<mixed> $components
     * @return list<string> their types, those that exist
     */
    private static function typesOf(iterable $components): array
    {
        $types = [];
        foreach ($components as $component) {
            if (
                $component instanceof stdClass &&
                is_string($component->type ?? null) &&
                isset(Catalogue::types()[$component->type])
            ) {
                $types[$component->type] = true;
            }
        }
        ksort($types);

        return array_keys($types);
    }

    /**
     * A document with the components, plans and changes left out that are as they were; maps that
     * have grown beyond their limit stay whole, so that the limit is seen.
     */
    public static function onlyChanged(stdClass $document, stdClass $before): stdClass
    {
        $pruned = clone $document;
        $pruned->asFound = (object) [
            'components' => self::differing(
                $document->asFound->components,
                $before->asFound->components,
                self::MOST_COMPONENTS,
            ),
        ];
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

        return $pruned;
    }

    private static function differing(stdClass $after, stdClass $before, int $most): stdClass
    {
        if (count(get_object_vars($after)) > $most) {
            return $after;
        }
        $differing = new stdClass();
        foreach (get_object_vars($after) as $id => $value) {
            if (!isset($before->{$id}) || !JobFile::same($before->{$id}, $value)) {
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
        $types = self::typesOf($components instanceof stdClass ? get_object_vars($components) : []);
        $error = self::validate(
            $document,
            'document of ' . implode(' ', $types),
            fn(): stdClass => self::document($types),
        );

        return $error === null ? [] : self::leaves($error);
    }

    /**
     * The same check of a single component, for what a plan fits.
     *
     * @return list<Problem>
     */
    public static function componentProblems(mixed $component, string $pointer): array
    {
        $types = self::typesOf([$component]);
        $error = self::validate($component, 'component ' . implode(' ', $types), function () use ($types): stdClass {
            $whole = self::document($types);

            return (object) [
                '$schema' => $whole->{'$schema'},
                '$ref' => '#/$defs/component',
                '$defs' => $whole->{'$defs'},
            ];
        });

        return $error === null ? [] : self::leaves($error, $pointer);
    }

    /**
     * The validator remembers every schema object it was given: each is made once, and a process
     * that sees very many kinds of document starts over.
     *
     * @param \Closure(): stdClass $make
     */
    public static function validate(mixed $value, string $key, \Closure $make): ?ValidationError
    {
        if (count(self::$schemas) >= self::MOST_KEPT) {
            self::$schemas = [];
            self::$validator = null;
        }
        self::$validator ??= new Validator(max_errors: self::MOST_ERRORS, stop_at_first_error: false);

        return self::$validator->validate($value, self::$schemas[$key] ??= $make())->error();
    }

    /** @return list<Problem> */
    public static function leaves(ValidationError $error, string $prefix = ''): array
    {
        if ($error->subErrors() !== []) {
            $problems = [];
            foreach ($error->subErrors() as $sub) {
                foreach (self::leaves($sub, $prefix) as $problem) {
                    $problems[$problem->pointer . $problem->message] = $problem;
                }
            }

            return array_slice(array_values($problems), 0, self::MOST_ERRORS);
        }
        if ($error->keyword() === 'additionalProperties' && self::unknown($error) === []) {
            // The validator counts a known property that failed as unknown as well.
            return [];
        }
        $pointer = $prefix;
        foreach ($error->data()->fullPath() as $step) {
            $pointer .= '/' . str_replace(['~', '/'], ['~0', '~1'], (string) $step);
        }

        return [new Problem($pointer, self::words($error))];
    }

    /** @return list<string> */
    private static function unknown(ValidationError $error): array
    {
        $schema = $error->schema()->info()->data();
        $known = $schema instanceof stdClass ? array_keys(get_object_vars($schema->properties ?? new stdClass())) : [];

        return array_values(array_diff(array_map(strval(...), (array) ($error->args()['properties'] ?? [])), $known));
    }

    private static function words(ValidationError $error): string
    {
        $args = $error->args();
        $list = fn(string $key): string => implode(
            ', ',
            array_map(
                fn(mixed $v): string => is_string($v) ? $v : (string) json_encode($v),
                (array) ($args[$key] ?? []),
            ),
        );
        $schema = $error->schema()->info()->data();
        $rule = $schema instanceof stdClass ? $schema->{$error->keyword()} ?? null : null;
        $meaning =
            $schema instanceof stdClass && is_string($schema->description ?? null) ? " ({$schema->description})" : '';
        $meant =
            $error->keyword() === 'enum' || $error->keyword() === 'type'
                ? Meant::by($error->data()->value(), $error->keyword() === 'enum' ? (array) $rule : [], $meaning)
                : '';

        return match ($error->keyword()) {
            'type' => sprintf('must be %s, not %s%s.%s', $list('expected'), $list('type'), $meaning, $meant),
            'required' => sprintf('lacks %s.', $list('missing')),
            'additionalProperties' => sprintf(
                'has unknown properties: %s. Known here: %s.',
                implode(', ', self::unknown($error)),
                implode(
                    ', ',
                    array_keys(
                        get_object_vars(
                            $schema instanceof stdClass ? $schema->properties ?? new stdClass() : new stdClass(),
                        ),
                    ),
                ) ?:
                'none',
            ),
            'minimum' => sprintf('must be at least %s%s.', self::plain($rule), $meaning),
            'maximum' => sprintf('must be at most %s%s.', self::plain($rule), $meaning),
            'enum' => sprintf(
                'must be one of: %s%s.',
                implode(', ', array_map(self::plain(...), array_slice((array) $rule, 0, 40))),
                $meaning,
            ) . $meant,
            'const' => sprintf('must be %s.', self::plain($rule)),
            'pattern' => $rule === Id::PATTERN
                ? 'has a name that is not allowed: lower case letters, digits and _, starting with a letter.'
                : sprintf('does not have the right form%s; expected %s.', $meaning, self::plain($rule)),
            'minLength' => sprintf('must not be empty%s.', $meaning),
            'maxLength' => sprintf('is longer than %s characters%s.', self::plain($rule), $meaning),
            'maxProperties' => sprintf('has more than %s entries.', self::plain($rule)),
            'minProperties' => sprintf('needs at least %s entry.', self::plain($rule)),
            default => $error->message(),
        };
    }

    private static function plain(mixed $value): string
    {
        return is_string($value) ? $value : (string) json_encode($value);
    }

    private static function map(string $ref, int $most): stdClass
    {
        return (object) [
            'type' => 'object',
            'maxProperties' => $most,
            'propertyNames' => (object) ['pattern' => Id::PATTERN],
            'additionalProperties' => (object) ['$ref' => $ref],
        ];
    }

    /**
     * @param array<string, stdClass> $properties
     * @param list<string> $required
     */
    private static function object(array $properties, array $required): stdClass
    {
        return (object) (['type' => 'object', 'properties' => (object) $properties, 'additionalProperties' => false] +
            ($required === [] ? [] : ['required' => $required]));
    }
}
