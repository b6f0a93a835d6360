<?php

declare(strict_types=1);

namespace App\Http;

use Closure;
use Illuminate\Support\Collection;

/** A list that is told so many at a time. */
final class Page
{
    /**
     * @template T
     * @param Collection<int, T> $found one more than is told, where there are further ones
     * @param Closure(T): array<string, mixed> $row
     * @return array<string, mixed> the rows under the list's name, and whether there are further ones
     */
    public static function of(string $name, Collection $found, int $most, Closure $row): array
    {
        return ['more' => $found->count() > $most, $name => $found->take($most)->map($row)->all()];
    }
}
