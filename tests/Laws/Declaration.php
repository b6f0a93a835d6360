<?php

declare(strict_types=1);

namespace Tests\Laws;

/** What a rule says a step may do to its findings. */
final readonly class Declaration
{
    /**
     * @param string $kind worse, same, eases or taken over
     * @param list<string> $heirs rules of which one must take over what ends
     */
    public function __construct(public string $kind, public string $why = '', public array $heirs = []) {}
}
