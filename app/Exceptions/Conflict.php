<?php

declare(strict_types=1);

namespace App\Exceptions;

use RuntimeException;

/** Somebody changed the same place since: both values, for the person to choose. */
final class Conflict extends RuntimeException
{
    /** @param list<array{pointer: string, yours: mixed, theirs: mixed, by: string}> $conflicts */
    public function __construct(public readonly int $head, public readonly array $conflicts, string $message)
    {
        parent::__construct($message);
    }
}
