<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use stdClass;

/** Values held against a JSON Schema (draft 2020-12), and what is wrong in words, with its place. */
final class SchemaCheck
{
    /** Letters of choices that a message spells out. */
    private const MOST_CHOICES = 300;

    private const MOST_ERRORS = 25;

    private const MOST_KEPT = 60;

    /** @var array<string, stdClass> */
    private static array $schemas = [];

    private static ?Validator $validator = null;

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
            'enum' => sprintf('must be one of: %s%s.', self::choices((array) $rule), $meaning) . $meant,
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

    /** @param array<mixed> $rule */
    private static function choices(array $rule): string
    {
        $words = '';
        foreach (array_map(self::plain(...), array_values($rule)) as $n => $choice) {
            if (strlen($words) + strlen($choice) > self::MOST_CHOICES) {
                return sprintf('%s and %d more', $words, count($rule) - $n);
            }
            $words .= ($n === 0 ? '' : ', ') . $choice;
        }

        return $words;
    }

    private static function plain(mixed $value): string
    {
        return is_string($value) ? $value : (string) json_encode($value);
    }

    /** Schema of a map by id with at most so many entries, each as defined under a reference. */
    public static function map(string $ref, int $most): stdClass
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
    public static function object(array $properties, array $required): stdClass
    {
        return (object) (['type' => 'object', 'properties' => (object) $properties, 'additionalProperties' => false] +
            ($required === [] ? [] : ['required' => $required]));
    }
}
