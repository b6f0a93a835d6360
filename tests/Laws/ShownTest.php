<?php

declare(strict_types=1);

use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Severity;
use Tests\Laws\Shown;
use Tests\Laws\Spoken;

it('says of every kind of finding, on a rig that shows it, what was read', function (string $name): void {
    expect(Shown::of($name))->toBe(Shown::read()[$name])->not->toBe([]);
})->with(fn(): array => array_keys(Shown::read()));

it('shows every kind of finding there is', function (): void {
    expect(Shown::missing())->toBe([]);
});

it('calls a rule as grave as the gravest it says', function (): void {
    foreach (RuleBook::rules() as $rule) {
        $definition = $rule::definition();
        $said = [];
        foreach ($definition->samples as $sample) {
            array_push($said, ...Spoken::expected($definition->id, $sample));
        }
        foreach (Shown::read() as $name => $lines) {
            array_push($said, ...str_starts_with($name, "{$definition->id} | ") ? $lines : []);
        }
        $ranks = array_map(
            fn(string $line): int => Severity::from(explode(', ', explode(' | ', $line)[2])[0])->rank(),
            $said,
        );
        expect($definition->severity->rank())->toBe($ranks === [] ? null : min($ranks), $definition->id);
    }
});
