<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** Where a setting comes to rest, and what happened on the way. */
final readonly class Settled
{
    /**
     * @param array<string, string> $positions every device's position
     * @param list<array{device: string, from: string, to: string, atS: float}> $moves
     * @param list<array{situation: Situation, lastsS: float}> $passing situations on the way
     * @param list<string> $trouble hunting, race
     */
    public function __construct(
        public Setting $setting,
        public array $positions,
        public Situation $situation,
        public array $moves,
        public array $passing,
        public array $trouble,
    ) {}

    /**
     * Whether a failure would have changed anything on the way here: a contact that moved or would not have, a device
     * that left.
     */
    public function isTouchedBy(Failure $failure): bool
    {
        if ($failure->logics !== []) {
            return true;
        }
        foreach ($this->passing as $passing) {
            if ($failure->changes($passing['situation'])) {
                return true;
            }
        }
        foreach ($failure->heldAt as $device => $position) {
            foreach (
                [
                    $this->positions[$device] ?? $position,
                    ...array_column(array_filter($this->moves, fn(array $m): bool => $m['device'] === $device), 'from'),
                ]
                as $at
            ) {
                if ($at !== $position) {
                    return true;
                }
            }
        }

        return $failure->changes($this->situation);
    }
}
