<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use stdClass;

/**
 * The log of a battery monitor, comma-separated (RFC 4180): time (ISO 8601), volts, amps, below nothing while the
 * battery gives. What was taken is told by the hour of the day: of what flows while nothing charges, as the sun hides
 * the rest.
 */
final class MonitorLog
{
    private const MOST_ROWS = 200000;

    /** A reading stands for the time to the next, but for no longer than this, h. */
    private const GAP_H = 0.5;

    private const MOST_TOLD = 20;

    /**
     * @return stdClass as the needs take it: fromAt, toAt, samples, hours by hour of the day => W
     * @throws Refused with the row of everything that is wrong
     */
    public static function read(string $text): stdClass
    {
        $lines = preg_split('/\r\n|\n|\r/', trim(str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text)) ?: [];
        $head = array_map(
            fn(?string $c): string => strtolower(trim((string) $c)),
            str_getcsv($lines[0] ?? '', ',', '"', ''),
        );
        $at = [];
        foreach (['time', 'volts', 'amps'] as $column) {
            $place = array_search($column, $head, true);
            if ($place === false) {
                throw Refused::because('/row/1', "column \"{$column}\" is missing: a log has time, volts, amps.");
            }
            $at[$column] = $place;
        }
        $rows = array_slice($lines, 1, self::MOST_ROWS);
        $problems = [];
        $wh = $hours = array_fill(0, 24, 0.0);
        $before = null;
        foreach ($rows as $n => $line) {
            [$reading, $why] = self::reading(str_getcsv($line, ',', '"', ''), $at);
            if ($reading === null) {
                $problems[] = new Problem('/row/' . ($n + 2), $why);
                if (count($problems) >= self::MOST_TOLD) {
                    break;
                }
                continue;
            }
            if ($before !== null && $reading[0] < $before[0]) {
                $problems[] = new Problem('/row/' . ($n + 2), 'is earlier than the row before it.');
            }
            if ($before !== null) {
                $for = min(self::GAP_H, max(0.0, ($reading[0] - $before[0]) / 3600));
                $hour = intdiv($before[0] % 86400, 3600);
                if ($before[2] <= 0) {
                    $wh[$hour] -= $before[1] * $before[2] * $for;
                    $hours[$hour] += $for;
                }
            }
            $before = $reading;
            $first ??= $reading[0];
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }
        if (!isset($first) || $before === null || count($rows) < 2) {
            throw Refused::because('/row/2', 'is missing: a log has at least two readings.');
        }
        $by = new stdClass();
        for ($hour = 0; $hour < 24; $hour++) {
            if ($hours[$hour] > 0) {
                $by->{"h{$hour}"} = (object) ['hour' => $hour, 'watts' => round($wh[$hour] / $hours[$hour], 1)];
            }
        }

        return (object) [
            'fromAt' => gmdate('Y-m-d H:i', $first),
            'toAt' => gmdate('Y-m-d H:i', $before[0]),
            'samples' => count($rows),
            'hours' => $by,
        ];
    }

    /**
     * @param array<int, ?string> $row
     * @param array<string, int> $at column => place
     * @return array{?array{int, float, float}, string} seconds since 1970, V, A; or why not
     */
    private static function reading(array $row, array $at): array
    {
        $time = \DateTimeImmutable::createFromFormat(
            'Y-m-d\TH:i:sP',
            str_replace(' ', 'T', trim((string) ($row[$at['time']] ?? ''))),
        );
        $volts = trim((string) ($row[$at['volts']] ?? ''));
        $amps = trim((string) ($row[$at['amps']] ?? ''));

        return match (true) {
            $time === false => [null, 'time is not as 2026-07-01T21:00:00Z.'],
            !is_numeric($volts) || (float) $volts < 5 || (float) $volts > 70 => [
                null,
                "volts \"{$volts}\" are not between 5 and 70.",
            ],
            !is_numeric($amps) || abs((float) $amps) > 2000 => [
                null,
                "amps \"{$amps}\" are not between -2000 and 2000.",
            ],
            // By the clock of the log, whose night it is.
            default => [[$time->getTimestamp() + $time->getOffset(), (float) $volts, (float) $amps], ''],
        };
    }
}
