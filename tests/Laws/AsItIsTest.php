<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('gives one verdict, by physics, on every instrument, in weights and sizes, but for what is owed', function (
    int $part,
): void {
    expect((new Owed())->differs(Sampled::of('as it is', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
