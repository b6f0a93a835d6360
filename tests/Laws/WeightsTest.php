<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('has one weight and one name for a part, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('weights', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
