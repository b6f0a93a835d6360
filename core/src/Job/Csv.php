<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

/** Comma-separated values (RFC 4180), and single fields of them. */
final class Csv
{
    /** @param list<list<string>> $rows */
    public static function written(array $rows): string
    {
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
     * Fields in quotes may hold commas, line ends and doubled quotes.
     *
     * @return list<list<string>>
     */
    public static function rows(string $text): array
    {
        $stream = fopen('php://memory', 'r+');
        if ($stream === false) {
            return [];
        }
        fwrite($stream, str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text);
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

    /**
     * The first row: columns by the names that are known, however they are capitalised.
     *
     * @param list<string> $row
     * @param list<string> $known
     * @param list<string> $needed
     * @return array{list<string>, list<Problem>}
     */
    public static function head(array $row, array $known, array $needed): array
    {
        $byLower = array_combine(array_map(mb_strtolower(...), $known), $known);
        $head = array_map(fn(string $c): string => $byLower[mb_strtolower(trim($c))] ?? trim($c), $row);
        $problems = array_map(
            fn(string $column): Problem => new Problem(
                '/row/1',
                "column \"{$column}\" is not known; there are: " . implode(', ', $known) . '.',
            ),
            array_values(array_diff($head, $known)),
        );
        foreach (array_diff($needed, $head) as $column) {
            $problems[] = new Problem('/row/1', "column \"{$column}\" is missing.");
        }

        return [$head, $problems];
    }

    /**
     * The rows below the first, each with the pointer of its row; empty ones are left out.
     *
     * @param list<list<string>> $rows
     * @param list<string> $head
     * @return array{array<string, array<string, string>>, list<Problem>}
     */
    public static function entries(array $rows, array $head): array
    {
        $entries = [];
        $problems = [];
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
            $entries[$at] = array_map(trim(...), array_combine($head, $row));
        }

        return [$entries, $problems];
    }

    /**
     * What a field says of a declared value, or why it cannot be that.
     *
     * @return array{mixed, ?string} the value, or what is wrong with it
     */
    public static function value(Field $field, string $text): array
    {
        if (in_array($field->kind, ['number', 'integer'], true)) {
            $number = is_numeric($text) ? (float) $text : null;
            if (
                $number === null ||
                $number < $field->min ||
                $number > $field->max ||
                ($field->kind === 'integer' && $number != round($number))
            ) {
                $unit = $field->unit === '' ? '' : " {$field->unit}";

                return [
                    null,
                    sprintf(
                        '"%s" is not a %snumber from %s to %s%s.',
                        $text,
                        $field->kind === 'integer' ? 'whole ' : '',
                        $field->min + 0,
                        $field->max + 0,
                        $unit,
                    ),
                ];
            }

            return [$field->kind === 'integer' ? (int) $number : $number, null];
        }
        if ($field->kind === 'choice') {
            return isset($field->choices[$text])
                ? [$text, null]
                : [null, "\"{$text}\" is none of: " . implode(', ', array_keys($field->choices)) . '.'];
        }
        if ($field->kind === 'flag') {
            $flag = ['yes' => true, 'no' => false][mb_strtolower($text)] ?? null;

            return $flag === null ? [null, "\"{$text}\" is neither yes nor no."] : [$flag, null];
        }
        if ($field->kind === 'size') {
            $known = $field->schema()->enum ?? [];

            return in_array($text, $known, true)
                ? [$text, null]
                : [null, "\"{$text}\" is no conductor size: write awg:4/0 or mm2:35."];
        }

        return [mb_substr($text, 0, (int) ($field->max ?: 60)), null];
    }
}
