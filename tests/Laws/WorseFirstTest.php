<?php

declare(strict_types=1);

use Tests\Laws\Owed;
use Tests\Laws\Sampled;

it('is never milder when something is made worse, but for what is owed', function (int $part): void {
    expect((new Owed())->differs(Sampled::of('worse', $part)))->toBe([]);
})->with([0, 1]);
