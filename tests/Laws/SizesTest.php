<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('sizes what a hand follows, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('sizes', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
