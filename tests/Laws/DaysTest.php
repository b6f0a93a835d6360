<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('has days whose quarters are operating points, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('days', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
