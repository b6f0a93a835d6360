<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;
use Hollin\Core\Reference\Chemistry;

/** Something to record at a step: a tick, a figure with its band, words, a photograph, a serial number. */
final readonly class Ask
{
    /** Under this a lead signs for what falls short. */
    public const SIGNED = 'signed';

    /** Before the name of a reading of the rig as it was found. */
    public const READING = 'base.';

    /** In this somebody says which readings could not be taken, and why. */
    public const UNREAD = 'unread';

    /** Before the name of an ask: another way in which it was opened or measured. */
    public const OTHERWISE = 'way.';

    /** What a meter shows where nothing conducts. */
    public const OPEN = 'open';

    /**
     * @param list<string> $options words that it can be, where there are only some
     * @param string $expected which of them is right; '' when none is better
     * @param string $signedBy the ask of the same step in which a lead signs for what falls short; '' where nobody may
     * @param string $excusedBy the ask of the same step in which somebody says why this was not taken; '' if never
     * @param list<string> $of the asks of the same step that it is reckoned from
     * @param string $how spread, the largest of them less the smallest; or ratio, the first by the second, in
     *     thousandths
     * @param string $otherwise the ask of the same step in which somebody says how else it was opened or measured; ''
     *     where there is no other way
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
        public array $of = [],
        public string $how = '',
        public string $otherwise = '',
    ) {}

    /** Done, seen or agreed. */
    public static function tick(string $id, string $words, bool $required = true, string $why = ''): self
    {
        return new self($id, 'tick', $words, $required, why: $why);
    }

    /**
     * The same, where another way of opening or measuring may take its place, recorded in words: of a tick they are the
     * proof, a figure must be right all the same.
     */
    public function orOtherwise(): self
    {
        return new self(...['otherwise' => self::OTHERWISE . $this->id] + get_object_vars($this));
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

    /**
     * What one battery of a bank shows when it is full and has rested: nearer to full than to half, by the rested volts
     * of its chemistry, and less than its charger gives.
     */
    public static function rested(string $id, string $words, Part $bank): self
    {
        $of = Chemistry::from($bank->text('chemistry'));
        $blocks = $of->blocks($bank->number('unitV'));

        return self::number(
            $id,
            $words,
            'V',
            round(($of->fullV() - ($of->fullV() - $of->restV('half')) / 3) * $blocks, 2),
            round($of->absorptionV() * $blocks, 2),
            why: 'less is not full: charge on, and look at its charger',
        );
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

    /**
     * How far figures of the same step lie apart, in their unit. Nobody writes it down: it follows from them.
     *
     * @param list<string> $of their asks
     */
    public static function spread(string $id, string $words, string $unit, float $high, array $of): self
    {
        return new self($id, 'reckoned', $words, true, $unit, 0.0, $high, of: $of, how: 'spread');
    }

    /** One figure of the same step by another, in thousandths of their units: volts by amps is mΩ. */
    public static function ratio(
        string $id,
        string $words,
        string $unit,
        ?float $low,
        ?float $high,
        string $of,
        string $by,
        string $why = '',
    ): self {
        return new self($id, 'reckoned', $words, true, $unit, $low, $high, $why, of: [$of, $by], how: 'ratio');
    }

    public static function photo(string $id, string $words, bool $required = true): self
    {
        return new self($id, 'photo', $words, $required);
    }

    /**
     * What follows from what was recorded; null while something of it is missing.
     *
     * @param array<string, array{value: float|string|bool|null}> $answers
     */
    public function reckoned(array $answers): ?float
    {
        $figures = [];
        foreach ($this->of as $of) {
            $value = $answers[$of]['value'] ?? null;
            if (!is_numeric($value)) {
                return null;
            }
            $figures[] = (float) $value;
        }
        if ($figures === []) {
            return null;
        }
        if ($this->how === 'spread') {
            return round(max($figures) - min($figures), 6);
        }

        return abs($figures[1]) < 1e-9 ? null : round((1000 * $figures[0]) / $figures[1], 6);
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
        if (!in_array($this->kind, ['number', 'reckoned'], true)) {
            return null;
        }
        // No path at all is more ohms than any figure.
        if ($value === self::OPEN && $this->unit === 'Ω') {
            return $this->high === null;
        }
        if (!is_int($value) && !is_float($value)) {
            return false;
        }
        if ($this->low === null && $this->high === null) {
            return null;
        }

        return ($this->low === null || $value >= $this->low - 1e-9) &&
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
            'of' => $this->of,
            'how' => $this->how,
            'otherwise' => $this->otherwise,
        ];
    }
}
