<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

/** Somebody who works, with what they may do and when they are there. */
final readonly class Person
{
    /** @param int $rank 0 apprentice, 1 technician, 2 lead */
    public function __construct(public string $id, public string $name, public int $rank, public Windows $there) {}
}
