<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * A source between two terminals. A forming source makes its own voltage; a charging source
 * pushes direct current while the AC it runs on is there, and never sinks any.
 */
final readonly class Source
{
    /** Letters of one kind, in the order in which they are given. */
    private const LETTERS = ['I' => ['I', 'J', 'K'], 'G' => ['G', 'F'], 'S' => ['S', 'T']];

    /**
     * @param string $kind ac or dc
     * @param ?string $device active while this device …
     * @param list<string> $positions … is in one of these positions
     * @param ?array{string, string} $runsOnAc terminals whose AC a charging source needs
     * @param string $letter one or two letters that name it on the wall
     */
    public function __construct(
        public string $id,
        public string $component,
        public string $label,
        public string $letter,
        public string $kind,
        public bool $forming,
        public string $a,
        public string $b,
        public string $ground,
        public float $volts,
        public float $limitA,
        public ?string $device = null,
        public array $positions = [],
        public ?string $surrounding = null,
        public ?array $runsOnAc = null,
        public float $impedanceOhm = 0.1,
        /** most it gives for a short while, A; nothing said when 0 */
        public float $surgeA = 0.0,
        /** bonded, floating (an isolated output) or half (each output half the voltage from the case) */
        public string $neutral = 'bonded',
        /** how long it gives up to its surge, s */
        public float $surgeS = 5.0,
        /** what it does past that: trips (a person resets it), retries, or holds */
        public string $past = 'holds',
        /** phase of its windings against each other, degrees */
        public float $angleDeg = 0.0,
        /** control that must also stand in one of … */
        public ?string $mode = null,
        /** @var list<string> … these positions */
        public array $modes = [],
        /** sine or modified */
        public string $waveform = 'sine',
        /** synchronised group it belongs to; its own when empty */
        public string $group = '',
    ) {}

    /** Impedance that limits a fault, ohm: what holds the volts up at first stops at the surge limit. */
    public function faultOhm(): float
    {
        return $this->surgeA > 0 ? $this->volts / $this->surgeA : $this->impedanceOhm;
    }

    /** Windings of one group keep step with each other; of two groups nobody knows the phase. */
    public function group(): string
    {
        return $this->group === '' ? $this->id : $this->group;
    }

    /** The same with another letter. */
    public function lettered(string $letter): self
    {
        return $letter === $this->letter ? $this : new self(...['letter' => $letter] + get_object_vars($this));
    }

    /**
     * Two inverters are I and J, two generators G and F: a letter names one source.
     *
     * @param array<string, self> $others that have theirs
     */
    public function freeLetter(array $others): string
    {
        $taken = array_map(
            fn(self $s): string => $s->letter,
            array_filter($others, fn(self $s): bool => $s->kind === 'ac'),
        );
        foreach (self::LETTERS[$this->letter] ?? [$this->letter] as $letter) {
            if (!in_array($letter, $taken, true)) {
                return $letter;
            }
        }

        return $this->letter;
    }
}
