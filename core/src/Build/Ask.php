<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/** Something to record at a step: a tick, a figure with its band, words, a photograph, a serial number. */
final readonly class Ask
{
    private function __construct(
        public string $id,
        public string $kind,
        public string $words,
        public bool $required,
        public string $unit = '',
        public ?float $low = null,
        public ?float $high = null,
        public string $why = '',
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
    ): self {
        return new self($id, 'number', $words, $required, $unit, $low, $high, $why);
    }

    /** What is found or written on something. */
    public static function text(string $id, string $words, bool $required = true, string $why = ''): self
    {
        return new self($id, 'text', $words, $required, why: $why);
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
        if ($this->kind !== 'number' || ($this->low === null && $this->high === null)) {
            return null;
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
        ];
    }
}
