<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Answers\Shapes\DayShapes;
use Hollin\Core\Answers\Shapes\FindingShapes;
use Hollin\Core\Answers\Shapes\PlaceShapes;
use Hollin\Core\Answers\Shapes\SizeShapes;
use Hollin\Core\Answers\Shapes\StateShapes;
use Hollin\Core\Answers\Shapes\WallShapes;

/**
 * The shape of the answers as JSON Schema definitions: one declaration for `hollin:check --json`,
 * the API description and the interface's types.
 */
final class Shape
{
    public const TEXT = ['type' => 'string'];

    public const NUMBER = ['type' => 'number'];

    public const FLAG = ['type' => 'boolean'];

    public const MAYBE_TEXT = ['type' => ['string', 'null']];

    public const MAYBE_NUMBER = ['type' => ['number', 'null']];

    /** @return array<string, array<string, mixed>> definitions by name; references are "#/components/schemas/…" */
    public static function definitions(): array
    {
        return FindingShapes::all() +
            WallShapes::all() +
            SizeShapes::all() +
            StateShapes::all() +
            DayShapes::all() +
            PlaceShapes::all();
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
    public static function nullable(array $of): array
    {
        return ['anyOf' => [$of, ['type' => 'null']]];
    }
}
