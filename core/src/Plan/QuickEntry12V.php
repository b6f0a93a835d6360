<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Reference\ConductorSize;
use stdClass;

/** A 12 V circuit in one line, as it is called out at the fuse panel: `15 lights 14awg 18ft 4a`. */
final class QuickEntry12V
{
    /** Draw to assume for what is named, A. Common practice, no source. */
    private const DRAWS = ['lights' => 4, 'pump' => 6, 'furnace' => 7, 'fan' => 3, 'fridge' => 5, 'detector' => 0.2];

    private const M_PER_FT = 0.3048;

    /** @throws Refused naming the word that was not understood */
    public static function circuit(string $line, string $panel, int $lineNumber = 1): stdClass
    {
        $at = "/lines/{$lineNumber}";
        $line = (string) preg_replace('/(\d)\s+(ft|feet|m|a|awg|ga)(?=\s|$)/i', '$1$2', trim($line));
        $words = preg_split('/\s+/', $line) ?: [];
        $fuse = (string) array_shift($words);
        if (preg_match('/^(\d{1,2}(?:\.5)?)a?$/i', $fuse, $m) !== 1 || (float) $m[1] < 1 || (float) $m[1] > 40) {
            throw Refused::because($at, 'start with the fuse, 1 to 40 A, for example "15 lights 14awg 18ft 4a".');
        }
        $fuseA = (float) $m[1];
        $amps = $size = $lengthM = $entered = null;
        $name = [];
        foreach ($words as $word) {
            $w = strtolower($word);
            if (preg_match('/^(\d{1,2})(awg|ga)$/', $w, $m) === 1) {
                if (!ConductorSize::exists("awg:{$m[1]}")) {
                    throw Refused::because($at, sprintf('"%s" is no wire size here: 18awg to 4awg.', $word));
                }
                $size = "awg:{$m[1]}";
            } elseif (preg_match('/^(\d+(?:\.\d+)?)(ft|feet|m)$/', $w, $m) === 1) {
                $lengthM = round((float) $m[1] * ($m[2] === 'm' ? 1.0 : self::M_PER_FT), 3);
                $entered = $m[1] . ($m[2] === 'm' ? ' m' : ' ft');
            } elseif (preg_match('/^(\d+(?:\.\d+)?)a$/', $w, $m) === 1) {
                $amps = (float) $m[1];
            } elseif (preg_match('/^[\d.,\/]+$/', $w) === 1) {
                throw Refused::because(
                    $at,
                    sprintf('"%s": write 14awg for the wire, 18ft for its length, 4a for the draw.', $word),
                );
            } else {
                $name[] = $word;
            }
        }
        $label = ucfirst(mb_substr(implode(' ', $name), 0, 60)) ?: sprintf('12 V circuit %g A', $fuseA);
        $known = strtolower($label);
        $usual = 0.4 * $fuseA;
        foreach (self::DRAWS as $word => $draw) {
            $usual = str_contains($known, rtrim($word, 's')) ? $draw : $usual;
        }

        return (object) [
            'type' => 'dc_circuit',
            'label' => $label,
            'panel' => $panel,
            'fuseA' => (object) ['value' => $fuseA, 'basis' => 'read_off'],
            'amps' =>
                (object) ($amps === null
                    ? ['value' => $usual, 'basis' => 'assumed']
                    : ['value' => $amps, 'basis' => 'told']),
            'use' => match (true) {
                preg_match('/detector|alarm|\bco\b|\bgas\b/', $known) === 1 => 'detector',
                str_contains($known, 'breakaway') => 'breakaway',
                default => 'other',
            },
            'cable' => (object) [
                'size' =>
                    (object) ($size === null
                        ? [
                            'value' => $fuseA <= 15 ? 'awg:14' : ($fuseA <= 20 ? 'awg:12' : 'awg:10'),
                            'basis' => 'assumed',
                        ]
                        : ['value' => $size, 'basis' => 'read_off']),
                'lengthM' =>
                    (object) ($lengthM === null
                        ? ['value' => 4.0, 'basis' => 'assumed']
                        : ['value' => $lengthM, 'basis' => 'measured', 'entered' => $entered]),
                'sheath' => 'single',
            ],
        ];
    }
}
