<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** What a meter shows, or why it must not be used there. */
final readonly class Reading
{
    private function __construct(
        /** number, range, words or hazard */
        public string $kind,
        public ?float $value,
        public ?float $highest,
        public string $unit,
        public string $words,
    ) {}

    /** One figure on the display. */
    public static function number(float $value, string $unit, string $words = ''): self
    {
        return new self('number', $value, null, $unit, $words);
    }

    /** Anything between two figures. */
    public static function range(float $lowest, float $highest, string $unit, string $words): self
    {
        return new self('range', min($lowest, $highest), max($lowest, $highest), $unit, $words);
    }

    /** A word on the display, or a lamp. */
    public static function words(string $words, ?float $value = null, string $unit = ''): self
    {
        return new self('words', $value, null, $unit, $words);
    }

    /** What must not be measured so. */
    public static function hazard(string $words): self
    {
        return new self('hazard', null, null, '', $words);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind,
            'value' => $this->value === null ? null : round($this->value, 5),
            'highest' => $this->highest === null ? null : round($this->highest, 5),
            'unit' => $this->unit,
            'words' => $this->words,
        ];
    }
}
