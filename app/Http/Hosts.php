<?php

declare(strict_types=1);

namespace App\Http;

/** Names and addresses this application answers to: what a request calls it stands in no link it writes. */
final class Hosts
{
    /** @return list<string> patterns of host names, whole */
    public static function patterns(): array
    {
        $own = [
            parse_url((string) config('app.url'), PHP_URL_HOST),
            parse_url((string) config('hollin.loopback'), PHP_URL_HOST),
            'localhost',
            ...array_map(trim(...), explode(',', (string) config('hollin.hosts'))),
        ];

        return array_map(
            fn(string $host): string => '^' . preg_quote($host, '/') . '$',
            array_values(array_unique(array_filter($own, fn(mixed $h): bool => is_string($h) && $h !== ''))),
        );
    }
}
