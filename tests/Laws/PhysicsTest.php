<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('breaks no law of physics in any state, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('physics', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
