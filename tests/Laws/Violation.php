<?php

declare(strict_types=1);

namespace Tests\Laws;

/** A law that broke: where, by which step, of which rule and parts, and how. */
final readonly class Violation
{
    /** @param list<string> $parts */
    public function __construct(
        public string $law,
        public string $rig,
        public string $step,
        public string $rule,
        public array $parts,
        public string $what,
        /** figures and words, for whoever looks: no part of its name */
        public string $detail = '',
    ) {}

    /** Stays the same while figures move: the name by which it is owed. */
    public function name(): string
    {
        $parts = implode(', ', array_slice($this->parts, 0, 3));

        return "{$this->law} | {$this->rig} | {$this->step} | {$this->rule}" .
            ($parts === '' ? '' : " on {$parts}") .
            " | {$this->what}";
    }
}
