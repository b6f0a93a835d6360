<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** A hazard no combination of controls shows, what prevents it, and whether that survives a failure. */
final readonly class Prevented
{
    /** @param list<array{slips: int, words: string, state?: string}> $undoneBy state: the named state it shows by */
    public function __construct(
        public string $rule,
        public string $title,
        public string $by,
        public array $undoneBy,
        public string $words,
        /** whether every setting was gone through, or only what the coverage of the proof says */
        public bool $proven = true,
    ) {}

    /**
     * The same with the names of a rig.
     *
     * @param \Closure(string): string $read
     */
    public function read(\Closure $read): self
    {
        return new self(
            $this->rule,
            $read($this->title),
            $read($this->by),
            array_map(fn(array $way): array => array_replace($way, ['words' => $read($way['words'])]), $this->undoneBy),
            $read($this->words),
            $this->proven,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'rule' => $this->rule,
            'title' => $this->title,
            'by' => $this->by,
            'undoneBy' => $this->undoneBy,
            'words' => $this->words,
            'proven' => $this->proven,
        ];
    }
}
