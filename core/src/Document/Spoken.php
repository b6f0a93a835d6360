<?php

declare(strict_types=1);

namespace Hollin\Core\Document;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Job\Problem;
use stdClass;

/** Problems of a document told to somebody who never sees ids or pointers: parts and places by their names. */
final class Spoken
{
    /**
     * @param list<Problem> $problems
     * @return list<Problem> with their pointers, and words that begin with the place
     */
    public static function problems(array $problems, stdClass $document): array
    {
        $parts = self::parts($document);

        return array_map(
            fn(Problem $p): Problem => new Problem(
                $p->pointer,
                self::place($p->pointer, $document, $parts) . self::named($p->message, $parts),
            ),
            $problems,
        );
    }

    /** @return array<string, stdClass> every part of the rig as found and of the plans */
    private static function parts(stdClass $document): array
    {
        $parts = get_object_vars($document->asFound->components);
        foreach (get_object_vars($document->plans) as $plan) {
            foreach (get_object_vars($plan->changes) as $change) {
                if (($change->op ?? '') === 'fit' && ($change->value ?? null) instanceof stdClass) {
                    $parts[$change->target] ??= $change->value;
                }
            }
        }

        return $parts;
    }

    /**
     * @param array<string, stdClass> $parts
     */
    private static function named(string $message, array $parts): string
    {
        return (string) preg_replace_callback(
            '/"([a-z][a-z0-9_]*)((?:\.[a-z0-9_]+)*)"/',
            fn(array $m): string => isset($parts[$m[1]])
                ? self::label($parts[$m[1]], $m[1]) . ($m[2] === '' ? '' : ', ' . strtr(substr($m[2], 1), '._', '  '))
                : $m[0],
            $message,
        );
    }

    /**
     * @param array<string, stdClass> $parts
     */
    private static function place(string $pointer, stdClass $document, array $parts): string
    {
        $path = '';
        if (preg_match('#/components/([^/]+)(/.*)?$#', $pointer, $found) === 1) {
            [$id, $path] = [$found[1], $found[2] ?? ''];
        } elseif (preg_match('#^/plans/([^/]+)/changes/([^/]+)(/.*)?$#', $pointer, $found) === 1) {
            $change = $document->plans->{$found[1]}->changes->{$found[2]} ?? null;
            $id = is_string($change->target ?? null) ? $change->target : '';
            $path =
                (is_string($change->path ?? null) ? $change->path : '') .
                (string) preg_replace('#^/value#', '', $found[3] ?? '');
        }
        $part = $parts[$id ?? ''] ?? null;
        if ($part === null) {
            return '';
        }
        $words = Catalogue::placeWords(
            is_string($part->type ?? null) ? $part->type : '',
            (string) preg_replace('#/value$#', '', $path),
        );

        return self::label($part, $id ?? '') . ($words === '' ? '' : ", {$words}") . ': ';
    }

    private static function label(stdClass $part, string $id): string
    {
        return is_string($part->label ?? null) ? $part->label : $id;
    }
}
