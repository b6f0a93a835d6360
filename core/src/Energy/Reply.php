<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

/** An answer to what an owner asks. */
final readonly class Reply
{
    /** @param list<string> $lines its arithmetic */
    public function __construct(
        public string $id,
        public string $ask,
        public bool $good,
        public string $words,
        public array $lines,
    ) {}

    /** @return array{id: string, ask: string, good: bool, words: string, lines: list<string>} */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'ask' => $this->ask,
            'good' => $this->good,
            'words' => $this->words,
            'lines' => $this->lines,
        ];
    }
}
