<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** What was looked at of all that a rig could be set to, and how to say so: the one place that words it. */
final readonly class Coverage
{
    /**
     * @param int|float $states of the product of all controls and surroundings; about, where it is more than an integer
     *      holds
     * @param int $settings those gone through, or left to go through after exact reduction
     * @param int $situations different electrical situations met
     * @param list<string> $left names of controls that were left in their usual position throughout
     */
    public function __construct(
        public Extent $extent,
        public int|float $states,
        public int $settings,
        public int $situations,
        public array $left = [],
    ) {}

    /**
     * The same with the names of a rig.
     *
     * @param \Closure(string): string $read
     */
    public function read(\Closure $read): self
    {
        return new self(
            $this->extent,
            $this->states,
            $this->settings,
            $this->situations,
            array_map($read, $this->left),
        );
    }

    /** Whether nothing that could be set was left out. */
    public function isWhole(): bool
    {
        return $this->extent === Extent::All && $this->left === [];
    }

    /** How far was looked, in a sentence for answers, sheets and claims. */
    public function words(): string
    {
        $states = self::count($this->states);
        if ($this->isWhole()) {
            return "{$states} states checked";
        }
        $words = match ($this->extent) {
            Extent::All => "not all of {$states} states checked",
            Extent::TwoSlips
                => "too many to check: of {$states} states the named ones and those within two slips of them",
            Extent::OneSlip
                => "too much to check: of {$states} states the named ones, those within one slip of them, and some " .
                'within two',
        };

        return $this->left === []
            ? $words
            : $words .
                    sprintf(
                        '; %d controls always as they usually are: %s',
                        count($this->left),
                        implode(', ', array_slice($this->left, 0, 3)) . (count($this->left) > 3 ? ' …' : ''),
                    );
    }

    /** A number of states as one reads it; a power of ten where its digits say nothing. */
    private static function count(int|float $states): string
    {
        return $states < 1e15
            ? number_format($states, 0, '.', ' ')
            : sprintf('about 10^%d', (int) round(log10($states)));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'states' => $this->states,
            'reduced' => $this->settings,
            'situations' => $this->situations,
            'all' => $this->isWhole(),
            'extent' => $this->extent->value,
            'left' => $this->left,
            'words' => $this->words(),
        ];
    }
}
