<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\SchemaCheck;
use Hollin\Core\Job\Values;
use stdClass;

/** One line of the logbook. Never changed: a later line says otherwise. */
final readonly class Entry
{
    /**
     * @param int $number in the order in which the server took it; 0 while it is only on a tablet
     * @param string $at when it happened, ISO 8601 UTC, by the tablet's clock set right
     * @param int $seen number of the last line that whoever wrote it had before them
     */
    public function __construct(
        public string $uuid,
        public int $number,
        public EntryKind $kind,
        public string $step,
        public Values $says,
        public string $at,
        public string $by,
        public string $tablet,
        public int $seen,
        public int $revision = 0,
    ) {}

    /**
     * What is wrong with a line, with where.
     *
     * @return list<Problem>
     */
    public static function problems(mixed $kind, mixed $step, mixed $says): array
    {
        $known = is_string($kind) ? EntryKind::tryFrom($kind) : null;
        if ($known === null) {
            return [
                new Problem(
                    '/kind',
                    'must be one of: ' . implode(', ', array_column(EntryKind::cases(), 'value')) . '.',
                ),
            ];
        }
        $problems = [];
        if ($known->hasStep() && (!is_string($step) || $step === '' || strlen($step) > 160)) {
            $problems[] = new Problem('/step', "is missing: {$known->value} is about a step.");
        }
        if (!($says instanceof stdClass)) {
            return [...$problems, new Problem('/says', 'must be an object.')];
        }
        $error = SchemaCheck::validate(
            $says,
            "log {$known->value}",
            fn(): stdClass => (object) Field::objectSchema($known->fields()),
        );
        if ($error !== null) {
            foreach (SchemaCheck::leaves($error, '/says') as $problem) {
                $problems[] = $problem;
            }
        }
        foreach (['date', 'due'] as $day) {
            $value = $says->{$day} ?? null;
            if (is_string($value) && !self::isDay($value)) {
                $problems[] = new Problem("/says/{$day}", 'must be a day, such as 2026-11-27.');
            }
        }
        if (str_contains((string) json_encode($says), '\u0000')) {
            $problems[] = new Problem('/says', 'has a null character in it: no text has one.');
        }
        if ($known === EntryKind::Value) {
            $given = count(array_filter(['number', 'words', 'tick'], fn(string $n): bool => isset($says->{$n})));
            if ($given !== 1) {
                $problems[] = new Problem('/says', 'must give one of number, words or tick.');
            }
        }

        return $problems;
    }

    private static function isDay(string $day): bool
    {
        return preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $day, $m) === 1 &&
            checkdate((int) $m[2], (int) $m[3], (int) $m[1]);
    }

    /** What a value line gives. */
    public function given(): float|string|bool|null
    {
        return $this->says->numberOrNull('number') ??
            ($this->says->has('words')
                ? $this->says->text('words')
                : ($this->says->has('tick')
                    ? $this->says->flag('tick')
                    : null));
    }
}
