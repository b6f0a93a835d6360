<?php

declare(strict_types=1);

use Tests\Laws\Declared;
use Tests\Laws\Eased;

/* Whatever is declared to ease must ease somewhere, or the declaration only covers up. */

it('eases where it is said to', function (string $line): void {
    expect(Eased::is(new Declared(), $line))->toBeTrue();
})->with(Eased::lines());

it('has a rig for everything that may ease', function (): void {
    $seen = array_map(
        fn(string $line): string => implode('|', array_slice(explode(' | ', $line), 0, 2)),
        Eased::lines(),
    );
    $declared = array_map(fn(array $cell): string => implode('|', $cell), (new Declared())->eases());
    sort($seen);
    sort($declared);
    expect($seen)->toBe($declared);
});

it('does not take what stays for eased', function (): void {
    [, , $rig, $target] = explode(' | ', Eased::lines()[0]);
    expect(Eased::is(new Declared(), "box_fill | cable.longer | {$rig} | {$target}"))->toBeFalse();
});
