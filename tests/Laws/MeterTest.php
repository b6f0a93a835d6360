<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('shows on instruments what the load flow has, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('meter', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
