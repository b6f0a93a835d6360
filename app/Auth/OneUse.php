<?php

declare(strict_types=1);

namespace App\Auth;

use Illuminate\Support\Str;

/** Tokens of links and entries that let somebody in once. Only their hash is kept. */
final class OneUse
{
    /** @return array{string, string} a token and what is kept of it */
    public static function token(): array
    {
        $token = Str::random(48);

        return [$token, self::hash($token)];
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
