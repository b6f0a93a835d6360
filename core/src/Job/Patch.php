<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use stdClass;
use Swaggest\JsonDiff\JsonDiff;
use Swaggest\JsonDiff\JsonPatch;

/** RFC 6902 patches between documents: making, applying, and telling whether two touch the same. */
final class Patch
{
    /** @return list<array<string, mixed>> operations that turn one document into the other */
    public static function between(stdClass $from, stdClass $to): array
    {
        [$from, $to] = self::whereDifferent($from, $to);
        $diff = new JsonDiff($from, $to, JsonDiff::SKIP_JSON_MERGE_PATCH);

        $operations = json_decode(
            (string) json_encode($diff->getPatch()->jsonSerialize(), JSON_PRESERVE_ZERO_FRACTION),
            false,
        );

        // The package guards each replacement with a test; conflicts are judged by place instead.
        return array_values(
            array_map(get_object_vars(...), array_filter($operations, fn(stdClass $o): bool => $o->op !== 'test')),
        );
    }

    /**
     * Both documents without what is alike, down to the parts: most of a document never changes.
     *
     * @return array{stdClass, stdClass}
     */
    private static function whereDifferent(stdClass $from, stdClass $to, int $depth = 4): array
    {
        $a = new stdClass();
        $b = new stdClass();
        foreach (get_object_vars($from) as $name => $value) {
            if (!property_exists($to, (string) $name)) {
                $a->{$name} = $value;
            } elseif (!Tree::same($value, $to->{$name})) {
                [$a->{$name}, $b->{$name}] =
                    $depth > 0 && $value instanceof stdClass && $to->{$name} instanceof stdClass
                        ? self::whereDifferent($value, $to->{$name}, $depth - 1)
                        : [$value, $to->{$name}];
            }
        }
        foreach (get_object_vars($to) as $name => $value) {
            if (!property_exists($from, (string) $name)) {
                $b->{$name} = $value;
            }
        }

        return [$a, $b];
    }

    /**
     * What takes a patch back, given the document it was made on.
     *
     * @param list<array<string, mixed>> $patch
     * @return list<array<string, mixed>>
     */
    public static function inverse(stdClass $before, array $patch): array
    {
        $inverse = [];
        foreach (array_reverse($patch) as $operation) {
            $inverse[] = match ($operation['op']) {
                'add' => ['op' => 'remove', 'path' => $operation['path']],
                'remove' => [
                    'op' => 'add',
                    'path' => $operation['path'],
                    'value' => self::at($before, $operation['path']),
                ],
                default => [
                    'op' => 'replace',
                    'path' => $operation['path'],
                    'value' => self::at($before, $operation['path']),
                ],
            };
        }

        return $inverse;
    }

    /**
     * @param list<array<string, mixed>> $patch
     * @throws \Swaggest\JsonDiff\Exception when a place the patch names is not there
     */
    public static function apply(stdClass $document, array $patch): stdClass
    {
        $copy = Tree::copy($document);
        JsonPatch::import(json_decode((string) json_encode($patch, JSON_PRESERVE_ZERO_FRACTION)))->apply($copy);

        return $copy;
    }

    /**
     * Places both patches touch: one is the other, or lies within it.
     *
     * @param list<array<string, mixed>> $one
     * @param list<array<string, mixed>> $other
     * @return list<string>
     */
    public static function overlap(array $one, array $other): array
    {
        $shared = [];
        foreach ($one as ['path' => $a]) {
            foreach ($other as ['path' => $b]) {
                if ($a === $b || str_starts_with($a, "{$b}/") || str_starts_with($b, "{$a}/")) {
                    $shared[] = strlen($a) >= strlen($b) ? $a : $b;
                }
            }
        }

        return array_values(array_unique($shared));
    }

    /** The value at a place, or null. */
    public static function at(stdClass $document, string $pointer): mixed
    {
        $at = $document;
        foreach (array_slice(explode('/', $pointer), 1) as $step) {
            $step = str_replace(['~1', '~0'], ['/', '~'], $step);
            $at = $at instanceof stdClass ? $at->{$step} ?? null : null;
        }

        return $at;
    }
}
