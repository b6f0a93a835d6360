<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('says the same whatever is added beside the point, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('beside', $part)))->toBe([]);
})->with([0, 1, 2, 3]);
