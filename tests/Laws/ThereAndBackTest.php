<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('holds what remedies and preventions promise, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('back', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
