<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Hollin\Core\Reference\ConductorSize;
use stdClass;

/** What somebody meant who wrote a value as it is said in the workshop: "4 AWG", "10 ft", "20 A". */
final class Meant
{
    /** @var array<string, array{string, float}> unit as written => unit of the file, how many of it */
    private const UNITS = [
        'ft' => ['m', 0.3048],
        'feet' => ['m', 0.3048],
        "'" => ['m', 0.3048],
        'in' => ['m', 0.0254],
        'inch' => ['m', 0.0254],
        '"' => ['m', 0.0254],
        'cm' => ['m', 0.01],
        'mm' => ['m', 0.001],
        'm' => ['m', 1.0],
        'a' => ['A', 1.0],
        'amp' => ['A', 1.0],
        'amps' => ['A', 1.0],
        'w' => ['W', 1.0],
        'kw' => ['W', 1000.0],
        'v' => ['V', 1.0],
        'ah' => ['Ah', 1.0],
        's' => ['s', 1.0],
        'min' => ['s', 60.0],
        '%' => ['', 0.01],
    ];

    /**
     * A sentence that says what to write instead, with a space before it; nothing when nobody can tell.
     *
     * @param array<mixed> $choices
     */
    public static function by(mixed $value, array $choices, string $meaning): string
    {
        if ($value instanceof stdClass && is_string($value->at ?? null)) {
            return sprintf(
                ' Write it as one text: "%s".',
                $value->at . (is_string($value->port ?? null) ? ".{$value->port}" : ''),
            );
        }
        if (!is_string($value)) {
            return '';
        }
        if (in_array('awg:12', $choices, true)) {
            $size = self::size($value);

            return $size === null ? ' Write for example awg:4, awg:4/0 or mm2:35.' : sprintf(' Write %s.', $size);
        }
        if ($choices === [] && preg_match('/^\s*(-?\d+(?:\.\d+)?)\s*([a-zA-Z%"\']+)\s*$/', $value, $found) === 1) {
            [$unit, $times] = self::UNITS[strtolower($found[2])] ?? ['', 0.0];
            $wants = preg_match('/, ([^,.)]+)\)?$/', $meaning, $of) === 1 ? trim($of[1], ' )') : '';

            return $times > 0 && ($unit === $wants || $unit === '')
                ? sprintf(
                    ' Write %s, without a unit: %s.',
                    [
                        'm' => 'metres',
                        'A' => 'amps',
                        'W' => 'watts',
                        'V' => 'volts',
                        's' => 'seconds',
                        'Ah' => 'amp hours',
                    ][$unit] ?? 'a share',
                    round((float) $found[1] * $times, 4),
                )
                : ' Write the number alone' . ($wants === '' ? '.' : ", in {$wants}.");
        }

        return $choices === [] && is_numeric($value) ? " Write {$value} without quotes." : '';
    }

    private static function size(string $value): ?string
    {
        $plain = strtolower(trim($value));
        $gauge =
            preg_match('/^#?\s*(\d+(?:\/0)?)\s*(?:awg|ga|gauge)?\.?$/', $plain, $found) === 1 ||
            preg_match('/^awg\s*(\d+(?:\/0)?)$/', $plain, $found) === 1
                ? "awg:{$found[1]}"
                : null;
        if ($gauge === null && preg_match('/^(\d+(?:\.\d+)?)\s*(?:mm2|mm²|mm\^2|sqmm)$/u', $plain, $found) === 1) {
            $gauge = 'mm2:' . (float) $found[1];
        }

        return $gauge !== null && ConductorSize::exists($gauge) ? $gauge : null;
    }
}
