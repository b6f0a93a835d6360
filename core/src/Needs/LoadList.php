<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

use Hollin\Core\Job\Basis;
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
        $text = '';
        foreach ($rows as $row) {
            $text .= implode(',', array_map(self::quoted(...), $row)) . "\r\n";
        }

        return $text;
    }

    /** A field as RFC 4180 writes it; what a spreadsheet would take for a formula is kept from being one. */
    private static function quoted(string $field): string
    {
        $field = preg_match('/^[=+\-@\t\r]/', $field) === 1 && !is_numeric($field) ? "'{$field}" : $field;

        return preg_match('/[",\r\n]/', $field) === 1 ? '"' . str_replace('"', '""', $field) . '"' : $field;
    }

    /**
     * @return stdClass loads by id, as the needs take them
     * @throws Refused with the row and column of everything that is wrong; nothing is taken then
     */
    public static function read(string $text): stdClass
    {
        $rows = self::rows(str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text);
        $known = [];
        foreach (array_keys(self::COLUMNS) as $column) {
            $known[mb_strtolower($column)] = $column;
        }
        $head = array_map(
            fn(string $c): string => $known[mb_strtolower(trim($c))] ?? trim($c),
            array_shift($rows) ?? [],
        );
        $unknown = array_diff($head, array_keys(self::COLUMNS));
        $problems = [];
        foreach ($unknown as $column) {
            $problems[] = new Problem(
                '/row/1',
                "column \"{$column}\" is not known; there are: " . implode(', ', array_keys(self::COLUMNS)) . '.',
            );
        }
        foreach (array_diff(['name', 'runs on', 'watts'], $head) as $column) {
            $problems[] = new Problem('/row/1', "column \"{$column}\" is missing.");
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }
        $loads = [];
        foreach ($rows as $n => $row) {
            if ($row === ['']) {
                continue;
            }
            $at = '/row/' . ($n + 2);
            if (count($row) !== count($head)) {
                $problems[] = new Problem(
                    $at,
                    sprintf('has %d fields, the first row has %d.', count($row), count($head)),
                );
                continue;
            }
            [$load, $wrong] = self::load(array_map(trim(...), array_combine($head, $row)), $at);
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
            } elseif ($field instanceof Field && in_array($field->kind, ['number', 'integer'], true)) {
                $number = is_numeric($value) ? (float) $value : null;
                if ($number === null || $number < $field->min || $number > $field->max) {
                    $wrong(
                        $column,
                        sprintf(
                            '"%s" is not a number from %g to %g%s.',
                            $value,
                            $field->min,
                            $field->max,
                            $field->unit === '' ? '' : " {$field->unit}",
                        ),
                    );
                    continue;
                }
                $load->{$name} = $field->kind === 'integer' ? (int) $number : $number;
            } elseif ($field instanceof Field && $field->kind === 'choice') {
                isset($field->choices[$value])
                    ? ($load->{$name} = $value)
                    : $wrong($column, "\"{$value}\" is none of: " . implode(', ', array_keys($field->choices)) . '.');
            } else {
                $load->{$name} = mb_substr($value, 0, 60);
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

    /**
     * RFC 4180: fields in quotes may hold commas, line ends and doubled quotes.
     *
     * @return list<list<string>>
     */
    private static function rows(string $text): array
    {
        $stream = fopen('php://memory', 'r+');
        if ($stream === false) {
            return [];
        }
        fwrite($stream, $text);
        rewind($stream);
        $rows = [];
        while (($row = fgetcsv($stream, null, ',', '"', '')) !== false) {
            $rows[] = array_map(
                fn(?string $f): string => (string) preg_replace("/^'(?=[=+\-@])/", '', (string) $f),
                $row,
            );
        }
        fclose($stream);

        return $rows;
    }
}
