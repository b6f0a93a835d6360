<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * Something with positions. A person sets a manual device; an automatic one follows what is present at its terminals.
 */
final readonly class Device
{
    /** Where a breaker stands that has opened by itself: no hand sets it there, and a hand must set it back. */
    public const TRIPPED = 'tripped';

    /**
     * @param non-empty-array<string, string> $positions position => words; the first is the resting one
     * @param string $job breaker, plug, transfer, disconnect, switch, mode, run or relay
     * @param array<string, string> $selects position => hot terminal that this position joins on; for what chooses
     *      between supplies
     * @param array<string, list<string>> $while other control => positions in which this one makes any difference
     * @param string $contacts what its contacts are called when they weld or stay open
     */
    public function __construct(
        public string $id,
        public string $component,
        public string $label,
        public string $job,
        public array $positions,
        public string $normal,
        public ?Automatic $logic = null,
        public array $selects = [],
        public string $contacts = 'contacts',
        public array $while = [],
        /** looks at the volts of a supply and lets it in or not */
        public bool $judgesVolts = false,
        /** a control that something in the rig may throw without a hand: a set that starts by itself */
        public bool $byItself = false,
    ) {}

    /**
     * Whether this control makes any difference with the others set so.
     *
     * @param array<string, string> $controls
     */
    public function matters(array $controls): bool
    {
        foreach ($this->while as $other => $positions) {
            if (!in_array($controls[$other] ?? '', $positions, true)) {
                return false;
            }
        }

        return true;
    }

    /** Whether it moves by itself. */
    public function isAutomatic(): bool
    {
        return $this->logic !== null;
    }

    /** Whether it may open by itself and stay so. */
    public function trips(): bool
    {
        return $this->job === 'breaker';
    }

    /** @return array<string, string> position => words, those it only comes to by itself among them */
    public function everyPosition(): array
    {
        return $this->positions + ($this->trips() ? [self::TRIPPED => 'tripped'] : []);
    }

    /** @return non-empty-list<string> positions that a hand or its own logic sets */
    public function positionNames(): array
    {
        return array_keys($this->positions);
    }
}
