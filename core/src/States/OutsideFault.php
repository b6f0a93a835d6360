<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** One thing wrong with one of the surroundings, all others as usual: a pedestal with hot and neutral reversed. */
final readonly class OutsideFault
{
    /**
     * @param string $supply component whose surrounding it is
     * @param string $surrounding id
     * @param string $value of that surrounding
     * @param string $words for the value
     * @param bool $first whether the supply is the first of the rig
     */
    public function __construct(
        public string $supply,
        public string $surrounding,
        public string $value,
        public string $words,
        public bool $first = true,
    ) {}

    /** A key among the faults of a rig: that of the first supply is told by the value alone. */
    public function key(): string
    {
        return $this->first ? $this->value : "{$this->value}|{$this->supply}";
    }
}
