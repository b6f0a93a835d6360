<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Something nobody in the rig sets: whether the pedestal is good, low or dead. */
final readonly class Surrounding
{
    /**
     * @param non-empty-array<string, string> $values value => words
     * @param ?string $device it only matters while this control …
     * @param list<string> $positions … is in one of these positions
     * @param list<string> $sound values that are no failure; all when left out
     * @param list<string> $distinct of these, the ones in which devices behave differently; all when left out
     */
    public function __construct(
        public string $id,
        public string $label,
        public array $values,
        public ?string $device = null,
        public array $positions = [],
        private array $sound = [],
        private array $distinct = [],
        public string $component = '',
        /** what it is unless a state says otherwise */
        public string $usual = 'good',
    ) {}

    /** @return list<string> values that are no failure */
    public function sound(): array
    {
        return $this->sound === [] ? array_map(strval(...), array_keys($this->values)) : $this->sound;
    }

    /** @return list<string> one value for all that devices cannot tell apart */
    public function distinct(): array
    {
        return $this->distinct === [] ? $this->sound() : $this->distinct;
    }

    /** @return list<string> values that are a failure of what surrounds the rig */
    public function faults(): array
    {
        return array_values(array_diff(array_map(strval(...), array_keys($this->values)), $this->sound()));
    }

    /** @param array<string, string> $controls */
    public function matters(array $controls): bool
    {
        return $this->device === null || in_array($controls[$this->device] ?? '', $this->positions, true);
    }
}
