<?php

declare(strict_types=1);

namespace Tests\Laws;

use Tests\Everywhere;

/** The sample of the laws that the tests hold: which rigs, how much of each law. The rest is drawn by bin/laws. */
final class Sampled
{
    /** Rigs drawn at random, two of each. */
    public const DRAWN = 12;

    /** What each law is held on: share of the pairs, parts at most, samples of rules too. Days: few rigs. */
    private const LAWS = [
        'worse' => [0.03, 40, true],
        'beside' => [0.07, 40, true],
        'as it is' => [1.0, 70, true],
        'days' => [1.0, 70, false],
        'back' => [1.0, 26, false],
    ];

    /** Laws that are held on a rig as it is, judged once for all of them. */
    private const AS_IT_IS = ['verdict', 'physics', 'runs', 'meter', 'weights', 'prices', 'sizes'];

    /** Those of them that are held on the samples of rules, which differ little, too. */
    private const ON_SAMPLES = ['verdict', 'physics', 'runs'];

    /** How many parts a law's rigs are divided in, for tests that run beside each other. */
    public const PARTS = 4;

    /** The rigs of a part, held against a law. */
    public static function of(string $law, int $part): Court
    {
        [$share, $most, $samples] = self::LAWS[$law];
        $laws = $law === 'as it is' ? self::AS_IT_IS : [$law];
        $few =
            $law === 'as it is'
                ? array_fill_keys(array_keys(Specimens::samples()), ['throws', ...self::ON_SAMPLES])
                : [];
        $court = new Court(['throws', ...$laws]);
        $named = Specimens::named(self::DRAWN, $samples);
        foreach ($law === 'days' ? array_intersect_key($named, Everywhere::files()) : $named as $name => $make) {
            foreach (crc32((string) $name) % self::PARTS === $part ? $make() : [] as $rig) {
                if (count($rig->parts) <= $most) {
                    $court->try($rig, $share, laws: $few[$name] ?? ['throws', ...$laws]);
                }
            }
        }

        return $court;
    }
}
