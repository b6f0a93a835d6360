<?php

declare(strict_types=1);

use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\Patch;
use Tests\Rigs;

it('turns one document into the other and back, empty maps included', function (): void {
    $before = Rigs::job();
    $after = Rigs::edit($before, [
        'kind' => 'choose_arrangement',
        'plan' => 'p',
        'recipe' => 'in_line',
        'options' => ['converter' => 'removed', 'continuousW' => 2000],
    ]);
    $after->plans->empty = (object) [
        'title' => 'Empty',
        'stages' => (object) ['whole' => (object) ['title' => 'W', 'order' => 1]],
        'changes' => new stdClass(),
    ];
    $patch = json_decode((string) json_encode(Patch::between($before, $after), JSON_PRESERVE_ZERO_FRACTION), false);
    $operations = array_map(fn(stdClass $o): array => (array) $o, $patch);
    $there = Patch::apply($before, $operations);
    expect($there == $after)
        ->toBeTrue()
        ->and(JobFile::write($there))
        ->toContain('"changes": {}');
    expect(Patch::apply($after, Patch::between($after, $before)) == $before)
        ->toBeTrue()
        ->and(Patch::apply($there, Patch::inverse($before, $operations)) == $before)
        ->toBeTrue();
});

it('sees when two patches touch the same, and only then', function (): void {
    $label = [['op' => 'replace', 'path' => '/asFound/components/c_air/label', 'value' => 'x']];
    $other = [['op' => 'replace', 'path' => '/asFound/components/c_wet/label', 'value' => 'x']];
    $whole = [['op' => 'remove', 'path' => '/asFound/components/c_air']];
    $alike = [['op' => 'replace', 'path' => '/asFound/components/c_air_2/label', 'value' => 'x']];
    expect(Patch::overlap($label, $other))
        ->toBe([])
        ->and(Patch::overlap($label, $alike))
        ->toBe([])
        ->and(Patch::overlap($whole, $alike))
        ->toBe([])
        ->and(Patch::overlap($label, $whole))
        ->toBe(['/asFound/components/c_air/label'])
        ->and(Patch::overlap($label, $label))
        ->toBe(['/asFound/components/c_air/label']);
});

it('reads a value at a pointer', function (): void {
    expect(Patch::at(Rigs::job(), '/asFound/components/inlet/ratingA'))
        ->toBe(30)
        ->and(Patch::at(Rigs::job(), '/nowhere/at/all'))
        ->toBeNull();
});
