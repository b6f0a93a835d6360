<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Csv;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Id;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use stdClass;

/** The loads of a day as a table of comma-separated values (RFC 4180), in and out. */
final class LoadList
{
    private const MOST = 100;

    /** Column => field of a load; hours as "7:00+0.25; 19:00+0.5". */
    public const COLUMNS = [
        'name' => 'label',
        'runs on' => 'supply',
        'watts' => 'watts',
        'known by' => 'basis',
        'how many' => 'count',
        'on' => 'at',
        'duty %' => 'duty',
        'hours' => 'spans',
        'season' => 'season',
        'starting A' => 'startA',
        'soft start A' => 'softStartA',
        'own 12 V W' => 'also12W',
        'burns' => 'fuel',
        'fuel l/h' => 'fuelPerH',
        'only above %' => 'onlyAbove',
    ];

    private const SUPPLIES = [
        '120 v' => 'ac',
        'ac' => 'ac',
        '120v' => 'ac',
        '12 v' => 'dc',
        '12v' => 'dc',
        'dc' => 'dc',
    ];

    /** @param stdClass $loads of the needs */
    public static function written(stdClass $loads): string
    {
        $rows = [array_keys(self::COLUMNS)];
        foreach (get_object_vars($loads) as $load) {
            $row = [];
            foreach (self::COLUMNS as $field) {
                $value = $load->{$field} ?? null;
                $row[] = match (true) {
                    $field === 'basis' => $load->watts->basis ?? 'told',
                    $field === 'supply' => $value === 'ac' ? '120 V' : '12 V',
                    $field === 'spans' => self::hoursOut($value ?? new stdClass()),
                    $value instanceof stdClass => (string) $value->value,
                    default => (string) $value,
                };
            }
            $rows[] = $row;
        }

        return Csv::written($rows);
    }

    /**
     * @return stdClass loads by id, as the needs take them
     * @throws Refused with the row and column of everything that is wrong; nothing is taken then
     */
    public static function read(string $text): stdClass
    {
        $rows = Csv::rows($text);
        [$head, $problems] = Csv::head(array_shift($rows) ?? [], array_keys(self::COLUMNS), [
            'name',
            'runs on',
            'watts',
        ]);
        if ($problems !== []) {
            throw new Refused($problems);
        }
        [$entries, $problems] = Csv::entries($rows, $head);
        $loads = [];
        foreach ($entries as $at => $row) {
            [$load, $wrong] = self::load($row, $at);
            array_push($problems, ...$wrong);
            $loads[Id::from($load->label ?? 'load', $loads)] = $load;
        }
        if (count($loads) > self::MOST) {
            $problems[] = new Problem(
                '/row/' . (self::MOST + 2),
                sprintf('is one too many: a day has at most %d loads.', self::MOST),
            );
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }

        return (object) $loads;
    }

    /**
     * @param array<string, string> $row
     * @return array{stdClass, list<Problem>}
     */
    private static function load(array $row, string $at): array
    {
        $fields = Asked::load();
        $load = new stdClass();
        $problems = [];
        $wrong = function (string $column, string $why) use (&$problems, $at): void {
            $problems[] = new Problem("{$at}/{$column}", "{$column}: {$why}");
        };
        foreach ($row as $column => $value) {
            $name = self::COLUMNS[$column];
            $field = $fields[$name] ?? null;
            if ($value === '' || $name === 'basis') {
                continue;
            }
            if ($name === 'supply') {
                $supply = self::SUPPLIES[mb_strtolower($value)] ?? null;
                $supply === null
                    ? $wrong($column, "\"{$value}\" is neither 120 V nor 12 V.")
                    : ($load->supply = $supply);
            } elseif ($name === 'spans') {
                $spans = self::hoursIn($value);
                $spans === null
                    ? $wrong(
                        $column,
                        "\"{$value}\" cannot be read: write 7:00+0.25; 19:00+0.5 (from, and for how many hours).",
                    )
                    : ($load->spans = $spans);
            } elseif ($field instanceof Field) {
                [$read, $why] = Csv::value($field, $value);
                $why === null ? ($load->{$name} = $read) : $wrong($column, $why);
            }
        }
        foreach (['label' => 'name', 'supply' => 'runs on', 'watts' => 'watts'] as $name => $column) {
            if (!isset($load->{$name}) && ($row[$column] ?? '') === '') {
                $wrong($column, 'is empty.');
            }
        }
        if (isset($load->watts)) {
            $basis = ($row['known by'] ?? '') === '' ? 'told' : $row['known by'];
            in_array($basis, array_column(Basis::cases(), 'value'), true)
                ? ($load->watts = (object) ['value' => $load->watts, 'basis' => $basis])
                : $wrong('known by', "\"{$basis}\" is none of: measured, read_off, told, assumed.");
        }

        return [$load, $problems];
    }

    private static function hoursOut(stdClass $spans): string
    {
        $said = array_map(
            fn(stdClass $s): string => sprintf(
                '%s+%s',
                Clock::of($s->fromH),
                rtrim(rtrim(sprintf('%.3f', $s->hours), '0'), '.'),
            ),
            get_object_vars($spans),
        );

        return implode('; ', $said);
    }

    private static function hoursIn(string $text): ?stdClass
    {
        $spans = new stdClass();
        foreach (explode(';', $text) as $n => $part) {
            if (preg_match('/^\s*(\d{1,2})(?::(\d{2}))?\s*\+\s*(\d+(?:\.\d+)?)\s*$/', $part, $m) !== 1) {
                return null;
            }
            $from = (int) $m[1] + ((int) $m[2]) / 60;
            if ($from > 24 || (float) $m[3] > 24) {
                return null;
            }
            $spans->{'h' . ($n + 1)} = (object) ['fromH' => round($from, 4), 'hours' => (float) $m[3]];
        }

        return $spans;
    }
}
