<?php

declare(strict_types=1);

namespace Hollin\Core\Document;

use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Plan\Planned;
use JsonException;
use stdClass;

/** Reading and writing job files. What comes out of {@see read()} has passed every check. */
final class JobFile
{
    public const MOST_BYTES = 2_000_000;

    private const DEEPEST = 24;

    /**
     * @throws BadJobFile with JSON pointers, when anything is wrong
     */
    public static function read(string $text): stdClass
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw BadJobFile::because(
                '',
                sprintf('is %.1f MB; a job file has at most %d MB.', strlen($text) / 1e6, self::MOST_BYTES / 1e6),
            );
        }
        try {
            $document = json_decode($text, false, self::DEEPEST, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw BadJobFile::because(
                '',
                $e->getCode() === JSON_ERROR_DEPTH
                    ? sprintf('is nested deeper than %d levels; a job file never is.', self::DEEPEST)
                    : 'is not JSON: ' . $e->getMessage() . '.',
            );
        }
        if (!($document instanceof stdClass)) {
            throw BadJobFile::because('', 'must be a JSON object with "hollin": "job".');
        }
        self::check($document);

        return $document;
    }

    /**
     * Every check on a decoded document: version, schema, references, and what its plans make of the rig. With the
     * document it came
     * from, which passed before, only what differs is held against the schema again.
     *
     * @throws BadJobFile
     */
    public static function check(stdClass $document, ?stdClass $before = null): void
    {
        $format = $document->format ?? null;
        if (is_int($format) && $format > Schema::FORMAT) {
            throw BadJobFile::because(
                '/format',
                sprintf(
                    'is %d, written by a newer Hollin; this one reads up to %d. Update Hollin, then open it again.',
                    $format,
                    Schema::FORMAT,
                ),
            );
        }
        $problems = Schema::problems($before === null ? $document : Schema::onlyChanged($document, $before));
        if ($problems !== []) {
            throw new BadJobFile($problems);
        }
        $problems = References::problems($document, $before) ?: Planned::resultProblems($document, $before);
        if ($problems !== []) {
            throw new BadJobFile($problems);
        }
    }

    /** Text of a document: stable, readable, an empty map stays a map. */
    public static function write(stdClass $document): string
    {
        return json_encode(
            $document,
            JSON_PRETTY_PRINT |
                JSON_UNESCAPED_SLASHES |
                JSON_UNESCAPED_UNICODE |
                JSON_THROW_ON_ERROR |
                JSON_PRESERVE_ZERO_FRACTION,
        ) . "\n";
    }

    /** A job with nothing surveyed yet. */
    public static function blank(string $title, string $kind = 'travel_trailer'): stdClass
    {
        return (object) [
            'hollin' => 'job',
            'format' => Schema::FORMAT,
            'title' => $title,
            'rig' => (object) ['kind' => $kind],
            'asFound' => (object) ['components' => new stdClass()],
            'needs' => new stdClass(),
            'plans' => new stdClass(),
        ];
    }
}
