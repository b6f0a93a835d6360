<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Reference\ConductorSize;
use stdClass;

/**
 * One-line entry of a circuit, as it is called out at the panel: `20 gfci bath 12/2`.
 *
 * Breaker amps first; then in any order `gfci` (breaker) or `gfci-rec`, a place word, the cable
 * (`12/2`), a length (`18ft`, `18 ft`, `18'`, `5.5m`), a slot (`#4` or `#4a`), watts (`1500w`) and a name. A gauge
 * that is easily misread ("2" for "2/0") is asked back. What is not said is marked assumed.
 */
final class QuickEntry
{
    private const PLACES = [
        'bath' => 'bath',
        'kitchen' => 'counter',
        'counter' => 'counter',
        'galley' => 'counter',
        'outside' => 'outside',
        'patio' => 'outside',
        'fridge' => 'fixed',
        'ac' => 'fixed',
        'air' => 'fixed',
        'heater' => 'fixed',
        'water' => 'fixed',
        'converter' => 'fixed',
        'microwave' => 'fixed',
    ];

    private const SLOPE_M_PER_FT = 0.3048;

    /**
     * @param list<int> $freeSlots of the panel, in order
     * @throws Refused naming the word that was not understood
     */
    public static function circuit(string $line, string $panel, array $freeSlots, int $lineNumber = 1): stdClass
    {
        $at = "/lines/{$lineNumber}";
        // "18 ft" and "900 w" are one word, and an apostrophe means feet.
        $words =
            preg_split(
                '/\s+/',
                (string) preg_replace(
                    ['/(\d)\s+(ft|feet|m|w)(?=\s|$)/i', '/(\d)(feet|\'|′)(?=\s|$)/iu'],
                    ['$1$2', '$1ft'],
                    trim($line),
                ),
            ) ?:
            [];
        $amps = array_shift($words);
        if ($amps === null || preg_match('/^(\d{1,2})a?$/i', $amps, $m) !== 1) {
            throw Refused::because(
                $at,
                sprintf('"%s": start with the breaker, for example "20 gfci bath 12/2".', mb_substr($line, 0, 60)),
            );
        }
        $breakerA = (int) $m[1];
        if ($breakerA < 10 || $breakerA > 50) {
            throw Refused::because($at, sprintf('a %d A branch breaker is not usual here: 10 to 50 A.', $breakerA));
        }
        $gfci = 'none';
        $place = 'general';
        $size = null;
        $lengthM = null;
        $entered = null;
        $slot = null;
        $half = null;
        $watts = null;
        $name = [];
        foreach ($words as $word) {
            $w = strtolower($word);
            if ($w === 'gfci') {
                $gfci = 'breaker';
            } elseif (in_array($w, ['gfci-rec', 'gfci-receptacle'], true)) {
                $gfci = 'receptacle';
            } elseif (preg_match('#^(\d{1,2})/([23])$#', $w, $m) === 1) {
                $size = self::gauge($m[1], $word, $at);
            } elseif (preg_match('#^\d{1,2}/0$#', $w) === 1) {
                throw Refused::because(
                    $at,
                    sprintf(
                        '"%s" is a battery-cable size; a branch cable is written like 12/2 (12 AWG, 2 ' .
                            'conductors). Which is it?',
                        $word,
                    ),
                );
            } elseif (preg_match('/^(\d+(?:\.\d+)?)(ft|m)$/', $w, $m) === 1) {
                $lengthM = round((float) $m[1] * ($m[2] === 'ft' ? self::SLOPE_M_PER_FT : 1.0), 3);
                $entered = $m[1] . ' ' . $m[2];
                if ($lengthM < 0.1 || $lengthM > 40) {
                    throw Refused::because($at, sprintf('"%s" is not a length inside a rig: 0.1 to 40 m.', $word));
                }
            } elseif (preg_match('/^#(\d{1,2})([ab]?)$/', $w, $m) === 1) {
                $slot = (int) $m[1];
                $half = $m[2] === '' ? null : $m[2];
            } elseif (preg_match('/^(\d{1,4})w$/', $w, $m) === 1) {
                $watts = (int) $m[1];
            } elseif (preg_match('/^[\d.,]+$/', $w) === 1) {
                throw Refused::because(
                    $at,
                    sprintf(
                        '"%s": a bare number here is not clear. Write 12/2 for cable, 18ft for length, #4 ' .
                            'for the slot, 900w for a load.',
                        $word,
                    ),
                );
            } else {
                $place = self::PLACES[$w] ?? $place;
                $name[] = $word;
            }
        }
        $slot ??= $freeSlots[0] ?? null;
        if ($slot === null) {
            throw Refused::because($at, 'the panel has no free slot left; name a tandem half, for example #4b.');
        }
        $label = ucfirst(mb_substr(implode(' ', $name), 0, 60));
        if ($label === '') {
            $label = "Circuit {$slot}" . ($half ?? '');
        }
        $hot = ['panel' => $panel, 'slot' => $slot] + ($half === null ? [] : ['half' => $half]);
        $loads = new stdClass();
        if ($watts !== null) {
            $loads->load = (object) [
                'label' => $label,
                'watts' => (object) ['value' => $watts, 'basis' => 'told', 'entered' => "{$watts} W"],
                'kind' => 'resistive',
            ];
        }

        return (object) [
            'type' => 'circuit',
            'label' => $label,
            'hot' => (object) $hot,
            'neutral' => (object) ['panel' => $panel],
            'breakerA' => (object) ['value' => $breakerA, 'basis' => 'read_off'],
            'cable' => (object) [
                'size' =>
                    (object) ($size === null
                        ? [
                            'value' => $breakerA <= 15 ? 'awg:14' : ($breakerA <= 20 ? 'awg:12' : 'awg:10'),
                            'basis' => 'assumed',
                        ]
                        : ['value' => $size, 'basis' => 'read_off', 'entered' => substr($size, 4) . ' AWG']),
                'lengthM' =>
                    (object) ($lengthM === null
                        ? ['value' => 5.0, 'basis' => 'assumed']
                        : ['value' => $lengthM, 'basis' => 'measured', 'entered' => (string) $entered]),
                'sheath' => 'nm_b',
            ],
            'gfci' => $gfci,
            'place' => $place,
            'loads' => $loads,
        ];
    }

    private static function gauge(string $number, string $word, string $at): string
    {
        if (!ConductorSize::exists("awg:{$number}") || (int) $number < 6) {
            throw Refused::because($at, sprintf('"%s" is not a branch cable: 14/2, 12/2, 10/2, 8/3 or 6/3.', $word));
        }

        return "awg:{$number}";
    }
}
