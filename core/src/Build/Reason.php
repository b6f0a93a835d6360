<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** A reason of substance: words that somebody else can act on, not a key held down. */
final class Reason
{
    private const WORDS = 3;

    private const LETTERS = 15;

    private const DIFFERENT = 6;

    /** What a reason lacks, in words; null where it says something. The same is asked where it is typed. */
    public static function lacks(string $words): ?string
    {
        $words = mb_strtolower($words);
        preg_match_all('/\p{L}{2,}/u', $words, $found);
        $letters = preg_replace('/\P{L}/u', '', $words) ?? '';
        $enough =
            count(array_unique($found[0])) >= self::WORDS &&
            mb_strlen($letters) >= self::LETTERS &&
            count(array_unique(mb_str_split($letters))) >= self::DIFFERENT;

        return $enough ? null : 'must say why in a sentence: what is, and what is done about it.';
    }
}
