<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

/** Something that takes time: first with hands on it, then by itself. */
final readonly class Activity
{
    /**
     * @param int $handsMin minutes with hands on it
     * @param int $aloneMin minutes it then goes on by itself, by night too
     * @param int $people that it takes together
     * @param int $rank least competence of whoever does it: 0 apprentice, 1 technician, 2 lead
     * @param bool $daylight only while the sun stands high
     * @param list<string> $after that must have ended
     * @param ?int $notBefore minute since 1970 UTC before which it cannot begin: parts on their way, a day chosen
     */
    public function __construct(
        public string $id,
        public int $handsMin,
        public int $aloneMin = 0,
        public array $after = [],
        public int $people = 1,
        public int $rank = 0,
        public bool $daylight = false,
        public ?int $notBefore = null,
    ) {}

    public function lasts(): int
    {
        return $this->handsMin + $this->aloneMin;
    }
}
