<?php

declare(strict_types=1);

use Hollin\Core\Document\Place;

it('tells the part, the place in it and whether it is the value itself', function (
    string $pointer,
    ?string $component,
    string $path,
    bool $isValue,
): void {
    expect(Place::of($pointer)->toArray())->toBe(compact('pointer', 'component', 'path', 'isValue'));
})->with([
    'a value' => ['/asFound/components/c_air/cable/lengthM/value', 'c_air', '/cable/lengthM', true],
    'how it is known' => ['/asFound/components/c_air/cable/lengthM/basis', 'c_air', '/cable/lengthM', false],
    'a plain field' => ['/asFound/components/c_air/hot', 'c_air', '/hot', true],
    'a whole part' => ['/asFound/components/c_air', 'c_air', '', true],
    'elsewhere' => ['/needs/offGrid', null, 'needs offGrid', true],
    'a title' => ['/title', null, 'title', true],
]);
