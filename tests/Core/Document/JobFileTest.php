<?php

declare(strict_types=1);

use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Tree;
use Tests\Rigs;

/** @return array<string, string> pointer => message of what is wrong */
function problemsOf(string $text): array
{
    try {
        JobFile::read($text);
    } catch (BadJobFile $e) {
        return array_combine(
            array_map(fn(Problem $p): string => $p->pointer, $e->problems),
            array_map(fn(Problem $p): string => $p->message, $e->problems),
        );
    }

    return [];
}

/** A good job file, changed by a callback. */
function brokenFile(Closure $break): string
{
    $document = Rigs::job();
    $break($document);

    return JobFile::write($document);
}

it('reads what it wrote, byte for byte', function (): void {
    $text = JobFile::write(Rigs::job());
    expect(JobFile::write(JobFile::read($text)))->toBe($text);
});

it('still reads the golden file of every format', function (string $file): void {
    $document = JobFile::read((string) file_get_contents($file));
    expect($document->format)->toBeInt()->and(get_object_vars($document->asFound->components))->not->toBeEmpty();
})->with(glob(__DIR__ . '/../../golden/*.json') ?: []);

it('keeps an empty map a map and a numeric-looking key a string', function (): void {
    $document = JobFile::blank('Empty');
    expect(JobFile::write($document))->toContain('"components": {}')->toContain('"plans": {}');
    $document->needs->offGrid = (object) ['c1' => true];
    expect(JobFile::write(JobFile::read(JobFile::write($document))))->toContain('"c1": true');
});

it('says what is wrong with a file that is no job file', function (string $text, string $said): void {
    expect(problemsOf($text))->toHaveKey('')->and(problemsOf($text)[''])->toContain($said);
})->with([
    'nothing' => ['', 'is not JSON'],
    'cut off' => ['{"hollin": "job", "format": 1', 'is not JSON'],
    'an array' => ['[1, 2]', 'must be a JSON object'],
    'too deep' => [str_repeat('{"a":', 40) . '1' . str_repeat('}', 40), 'nested deeper than'],
    'too large' => ['{"a":"' . str_repeat('x', 2_100_000) . '"}', 'a job file has at most 2 MB'],
    'invalid UTF-8' => ["{\"a\": \"\xff\xfe\"}", 'is not JSON'],
]);

it('refuses a newer format with a clear word', function (): void {
    expect(problemsOf(brokenFile(fn($d) => ($d->format = 7))))->toBe([
        '/format' => 'is 7, written by a newer Hollin; this one reads up to 1. Update Hollin, then open it again.',
    ]);
});

it('points at the place and says what would be right', function (Closure $break, string $pointer, string $said): void {
    $problems = problemsOf(brokenFile($break));
    expect($problems)->toHaveKey($pointer)->and($problems[$pointer])->toContain($said);
})->with([
    'negative length' => [
        fn($d) => ($d->asFound->components->ld_house->cable->lengthM->value = -3),
        '/asFound/components/ld_house/cable/lengthM/value',
        'at least 0.01',
    ],
    'absurd rating' => [
        fn($d) => ($d->asFound->components->c_air->breakerA->value = 4000),
        '/asFound/components/c_air/breakerA/value',
        'at most 60',
    ],
    'unknown component type' => [
        fn($d) => ($d->asFound->components->c_air->type = 'warp_core'),
        '/asFound/components/c_air/type',
        'must be one of: shore_supply',
    ],
    'unknown property' => [
        fn($d) => ($d->asFound->components->c_air->colour = 'red'),
        '/asFound/components/c_air',
        'unknown properties: colour',
    ],
    'missing property' => [
        function ($d): void {
            unset($d->asFound->components->inlet->ratingA);
        },
        '/asFound/components/inlet',
        'lacks ratingA',
    ],
    'a circuit that lands nowhere' => [
        fn($d) => ($d->asFound->components->c_air->hot = new stdClass()),
        '/asFound/components/c_air/hot',
        'must land somewhere',
    ],
    'a panel that is not there' => [
        fn($d) => ($d->asFound->components->c_air->hot->panel = 'attic'),
        '/asFound/components/c_air/hot/panel',
        '"attic" is not a panel of this rig. There is: "main_panel"',
    ],
    'a slot that is taken' => [
        fn($d) => ($d->asFound->components->c_wet->hot->slot = 2),
        '/asFound/components/c_wet/hot/slot',
        'already taken by Inside outlets',
    ],
    'a surge below the continuous output' => [
        fn($d) => ($d->asFound->components->inv = (object) [
            'type' => 'inverter',
            'label' => 'Inverter',
            'continuousW' => 2000,
            'surgeW' => 1500,
            'efficiency' => 0.88,
            'dcNominalV' => 12,
            'cutOffV' => 10.5,
            'idleW' => 9,
            'neutral' => 'floating',
            'output' => 'receptacles',
            'waveform' => 'sine',
        ]),
        '/asFound/components/inv/surgeW',
        'less than the 2000 W it gives continuously',
    ],
    'a slot beyond the panel' => [
        fn($d) => ($d->asFound->components->c_air->hot->slot = 20),
        '/asFound/components/c_air/hot/slot',
        'has 7 slots',
    ],
    'a size that does not exist' => [
        fn($d) => ($d->asFound->components->ld_house->cable->size->value = 'awg:5/0'),
        '/asFound/components/ld_house/cable/size/value',
        'must be one of',
    ],
    'a basis that does not exist' => [
        fn($d) => ($d->asFound->components->ld_house->cable->size->basis = 'dreamt'),
        '/asFound/components/ld_house/cable/size/basis',
        'measured, read_off, told, assumed',
    ],
    'an id of capitals' => [
        fn($d) => ($d->asFound->components->{'Inlet 2'} = $d->asFound->components->inlet),
        '/asFound/components',
        'lower case letters',
    ],
    'a lead that ends nowhere' => [
        fn($d) => ($d->asFound->components->ld_house->to = 'moon.pos'),
        '/asFound/components/ld_house/to',
        'no component "moon"',
    ],
    'a feed that goes in a circle' => [
        fn($d) => ($d->asFound->components->c_air->hot = (object) ['behind' => 'c_air']),
        '/asFound/components/c_air/hot/behind',
        'in a circle',
    ],
    'a change in no stage' => [
        fn($d) => ($d->plans->p->changes->x = (object) [
            'op' => 'remove',
            'stage' => 'never',
            'target' => 'c_air',
            'by' => 'hand',
        ]),
        '/plans/p/changes/x/stage',
        '"never" is not a stage',
    ],
    'a change to a value that cannot be' => [
        fn($d) => ($d->plans->p->changes->x = (object) [
            'op' => 'set',
            'stage' => 'whole',
            'target' => 'house_fuse',
            'path' => '/family',
            'by' => 'hand',
            'value' => 'awg:4/0',
        ]),
        '/plans/p/changes/x/value',
        'makes house_fuse/family wrong',
    ],
    'a fitted part that is wrong' => [
        fn($d) => ($d->plans->p->changes->x = (object) [
            'op' => 'fit',
            'stage' => 'whole',
            'target' => 'y',
            'by' => 'hand',
            'value' => (object) ['type' => 'shunt', 'label' => 'S', 'ratingA' => 0],
        ]),
        '/plans/p/changes/x/value/ratingA',
        'at least 10',
    ],
]);

it('compares values without mistaking one kind for another', function (mixed $a, mixed $b, bool $same): void {
    expect(Tree::same($a, $b))->toBe($same)->and(Tree::same($b, $a))->toBe($same);
})->with([
    [1, 1, true],
    [1, '1', false],
    [1, 1.0, false],
    [null, (object) [], false],
    [(object) ['value' => 15], 15, false],
    [(object) ['a' => (object) ['b' => 1]], (object) ['a' => (object) ['b' => 1]], true],
    [(object) ['a' => 1, 'b' => 2], (object) ['b' => 2, 'a' => 1], true],
    [(object) ['a' => 1], (object) ['a' => 1, 'b' => 2], false],
    [(object) ['a' => (object) ['value' => 1]], (object) ['a' => 1], false],
]);

it('keeps markup as text', function (): void {
    $text = brokenFile(fn($d) => ($d->asFound->components->c_air->label = '<script>alert(1)</script>'));
    expect(JobFile::read($text)->asFound->components->c_air->label)->toBe('<script>alert(1)</script>');
});
