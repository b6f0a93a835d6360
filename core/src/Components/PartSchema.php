<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\SchemaCheck;
use stdClass;

/** The JSON Schema of components, put together from what each type declares, and the check of one against it. */
final class PartSchema
{
    /**
     * @param ?list<string> $only component types to define, for a document that has no others; null for all
     * @return array<string, stdClass> by name under $defs: each type, and "component", which is any of them
     */
    public static function definitions(?array $only = null): array
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

        return $definitions;
    }

    /**
     * A validator's time goes into putting its schema together: only what a document uses is.
     *
     * @param iterable<mixed> $components
     * @return list<string> their types, those that exist
     */
    public static function typesOf(iterable $components): array
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
     * What is wrong with a single component, such as a plan fits.
     *
     * @return list<Problem>
     */
    public static function problems(mixed $component, string $pointer): array
    {
        $types = self::typesOf([$component]);
        $error = SchemaCheck::validate($component, 'component ' . implode(' ', $types), function () use (
            $types,
        ): stdClass {
            return (object) [
                '$schema' => 'https://json-schema.org/draft/2020-12/schema',
                '$ref' => '#/$defs/component',
                '$defs' => (object) self::definitions($types),
            ];
        });

        return $error === null ? [] : SchemaCheck::leaves($error, $pointer);
    }
}
