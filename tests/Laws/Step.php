<?php

declare(strict_types=1);

namespace Tests\Laws;

/** One change of a rig: what it is called, which part it touches, its edits. */
final readonly class Step
{
    /** @param list<array{0: string, 1: string, 2?: string, 3?: mixed}> $edits {@see Specimen::edited()} */
    public function __construct(public string $name, public string $target, public array $edits) {}

    public function title(): string
    {
        return "{$this->name}: {$this->target}";
    }

    /** @return list<string> parts it takes away */
    public function removes(): array
    {
        return array_column(array_filter($this->edits, fn(array $e): bool => $e[0] === 'remove'), 1);
    }

    /** @return list<string> parts it fits */
    public function fits(): array
    {
        return array_column(array_filter($this->edits, fn(array $e): bool => $e[0] === 'fit'), 1);
    }
}
