<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** Something to record at a step: a tick, a figure with its band, words, a photograph, a serial number. */
final readonly class Ask
{
    /** Under this a lead signs for what falls short. */
    public const SIGNED = 'signed';

    /** Before the name of a reading of the rig as it was found. */
    public const READING = 'base.';

    /** In this somebody says which readings could not be taken, and why. */
    public const UNREAD = 'unread';

    /** What a meter shows where nothing conducts. */
    public const OPEN = 'open';

    /**
     * @param list<string> $options words that it can be, where there are only some
     * @param string $expected which of them is right; '' when none is better
     * @param string $signedBy the ask of the same step in which a lead signs for what falls short; '' where nobody may
     * @param string $excusedBy the ask of the same step in which somebody says why this was not taken; '' if never
     * @param bool $finds it tells what is there: a figure outside its band is a finding and holds nothing up
     */
    private function __construct(
        public string $id,
        public string $kind,
        public string $words,
        public bool $required,
        public string $unit = '',
        public ?float $low = null,
        public ?float $high = null,
        public string $why = '',
        public array $options = [],
        public string $expected = '',
        public bool $finds = false,
        public string $signedBy = '',
        public string $excusedBy = '',
    ) {}

    /** Done, seen or agreed. */
    public static function tick(string $id, string $words, bool $required = true, string $why = ''): self
    {
        return new self($id, 'tick', $words, $required, why: $why);
    }

    /** A figure, with the band that is right; open on a side where that is null. */
    public static function number(
        string $id,
        string $words,
        string $unit,
        ?float $low = null,
        ?float $high = null,
        bool $required = true,
        string $why = '',
        string $signedBy = '',
    ): self {
        return new self($id, 'number', $words, $required, $unit, $low, $high, $why, signedBy: $signedBy);
    }

    /** What is found or written on something. */
    public static function text(string $id, string $words, bool $required = true, string $why = ''): self
    {
        return new self($id, 'text', $words, $required, why: $why);
    }

    /** A reading of the rig as it was found, kept whatever it says. */
    public static function reading(Baseline $point): self
    {
        return new self(
            self::READING . $point->id,
            $point->unit === '' ? 'text' : 'number',
            $point->words,
            true,
            $point->unit,
            $point->lowest,
            $point->highest,
            "{$point->stateWords} · {$point->why}",
            $point->options(),
            $point->expected === null ? '' : $point->shown(),
            true,
            excusedBy: self::UNREAD,
        );
    }

    public static function photo(string $id, string $words, bool $required = true): self
    {
        return new self($id, 'photo', $words, $required);
    }

    /** Whether what was recorded is what it should be; null when there is nothing to hold it against. */
    public function isRight(mixed $value): ?bool
    {
        if ($this->kind === 'tick') {
            return $value === true;
        }
        if ($this->expected !== '') {
            return $value === $this->expected;
        }
        if ($this->kind !== 'number' || ($this->low === null && $this->high === null)) {
            return null;
        }
        // No path at all is more ohms than any figure.
        if ($value === self::OPEN && $this->unit === 'Ω') {
            return $this->high === null;
        }

        return is_numeric($value) &&
            ($this->low === null || $value >= $this->low - 1e-9) &&
            ($this->high === null || $value <= $this->high + 1e-9);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind,
            'words' => $this->words,
            'required' => $this->required,
            'unit' => $this->unit,
            'low' => $this->low,
            'high' => $this->high,
            'why' => $this->why,
            'options' => $this->options,
            'expected' => $this->expected,
            'finds' => $this->finds,
            'signedBy' => $this->signedBy,
            'excusedBy' => $this->excusedBy,
        ];
    }
}
