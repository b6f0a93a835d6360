<?php

declare(strict_types=1);

use Hollin\Core\Rules\RuleBook;
use Tests\Laws\Edges;

it('speaks, falls silent and changes its severity where it was read to', function (string $rule): void {
    $lines = Edges::of($rule);
    expect(array_filter($lines, fn(string $line): bool => !Edges::holds($line)))->toBe([]);
})->with(fn(): array => array_map(fn($rule): string => $rule::definition()->id, RuleBook::rules()));

it('knows an edge of every rule that has a limit', function (): void {
    $known = array_unique(array_map(fn(string $line): string => explode(' | ', $line)[0], Edges::lines()));
    expect(count($known))->toBeGreaterThan(35);
});
