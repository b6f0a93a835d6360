<?php

declare(strict_types=1);

use Hollin\Core\Answers\Shape;
use Hollin\Core\Job\JobFile;
use Hollin\Core\Rules\Sample;
use Illuminate\Support\Facades\Artisan;
use Opis\JsonSchema\Validator;
use Tests\Rigs;

/**
 * Runs the command on a document.
 *
 * @return array{int, string}
 */
function checked(stdClass|string $document, array $options = []): array
{
    $file = (string) tempnam(sys_get_temp_dir(), 'hollin');
    file_put_contents($file, is_string($document) ? $document : JobFile::write($document));
    try {
        $code = Artisan::call('hollin:check', ['file' => $file] + $options);

        return [$code, Artisan::output()];
    } finally {
        unlink($file);
    }
}

it('judges as found and every stage of every plan', function (): void {
    [$code, $said] = checked(Rigs::job(Sample::choose('in_line'), ['kind' => 'add_stage', 'plan' => 'p', 'id' => 'later', 'title' => 'Later']));
    expect($code)->toBe(0)->and($said)->toContain('== As found ==')->toContain('== Plan: Whole retrofit ==')->toContain('== Plan: Later ==');
});

it('judges one view alone', function (): void {
    $document = Rigs::job(Sample::choose('in_line', ['converter' => 'left']));
    [$code, $said] = checked($document, ['--view' => 'as_found']);
    expect($code)->toBe(0)->and($said)->not->toContain('== Plan ==');
    [$code, $said] = checked($document, ['--view' => 'p/whole']);
    expect($code)->toBe(1)->and($said)->not->toContain('== As found ==');
    [$code] = checked($document, ['--view' => 'nowhere']);
    expect($code)->toBe(2);
});

it('prints what is live as a table with its key', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_fridge' => true]]), Sample::move('c_outlets', 'main_panel', 'neutral')), ['--view' => 'p/whole']);
    expect($said)->toMatch('/Inside outlets +- +!I +S +S +S +S +!I +!I +-/')
        ->toMatch('/Absorption fridge +- +I +S +S +S +S +I +I +-/')
        ->toContain('I = inverting')->toContain('!letter: live, does not work')->toContain('Measure before you touch');
});

it('prints every figure with its arithmetic, its limit and its source', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])), ['--view' => 'p/whole']);
    expect($said)->toContain('Lost 277 W')->toContain('748 W × (1 ÷ (0.88 × 0.85) − 1) + 25 W idle')->toContain('common practice, no source');
});

it('prints sizes with what governs them', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('in_line')), ['--view' => 'p/whole']);
    expect($said)->toContain('Battery-inverter circuit (marine table, 105 °C), round trip 3 m assumed')
        ->toContain('larger of 1.25 × 284.1 A and 324.7 A')
        ->toContain('4/0 AWG, ampacity governs')
        ->toMatch('/fuse Class T +400 A suits/')
        ->toMatch('/fuse bolt-down ANL +does not suit: breaks 6.0 kA/');
});

it('says what is impossible, what is assumed, and who rules', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('in_line')), ['--view' => 'p/whole']);
    expect($said)->toContain('made impossible: two sources joined')->toMatch('/\d+ values are assumed, not measured/')->toContain('Local code, the equipment\'s instructions and licensed practice rule');
});

it('never says that all is well where nothing was surveyed', function (): void {
    [$code, $said] = checked(JobFile::blank('Nothing yet'));
    expect($code)->toBe(0)->and($said)->toContain('nothing was checked for overload')->not->toContain('No findings.');
});

it('gives JSON in the documented shape', function (): void {
    [$code, $said] = checked(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])), ['--json' => true]);
    $answer = json_decode($said, false, 512, JSON_THROW_ON_ERROR);
    $schema = json_decode((string) json_encode(['$ref' => '#/components/schemas/RigAnswer', 'components' => ['schemas' => Shape::definitions()]]), false);
    expect($code)->toBe(1)->and($answer->title)->toBe('Test rig')->and(array_map(fn($v): string => $v->id, $answer->views))->toBe(['as_found', 'p/whole']);
    foreach ($answer->views as $view) {
        expect((new Validator())->validate($answer->answers->{$view->id}, $schema)->isValid())->toBeTrue();
    }
});

it('gives problems as JSON and nothing else', function (): void {
    [$code, $said] = checked('{"hollin": "job", "format": 1, "title": "", "rig": {"kind": "van"}, "asFound": {"components": {}}, "needs": {}, "plans": {}}', ['--json' => true]);
    expect($code)->toBe(2)->and($said)->toContain('"pointer": "/title"')->toContain('must not be empty');
});

it('exits 2 whatever is thrown at it', function (string $text): void {
    [$code] = checked($text);
    expect($code)->toBe(2);
})->with([
    'nothing' => [''],
    'a number' => ['12'],
    'a string' => ['"job"'],
    'an array' => ['[{"hollin":"job"}]'],
    'null bytes' => ["\0\0\0"],
    'half of a file' => [substr(JobFile::write(JobFile::blank('x')), 0, 60)],
    'numbers without end' => ['{"hollin":"job","format":1e400}'],
    'a format that is text' => ['{"hollin":"job","format":"1"}'],
    'a negative format' => ['{"hollin":"job","format":-1}'],
    'another thing' => ['{"openapi":"3.1.0"}'],
    'ten thousand levels' => [str_repeat('{"a":', 10_000) . '1' . str_repeat('}', 10_000)],
    'a plan with a change about nothing' => ['{"hollin":"job","format":1,"title":"x","rig":{"kind":"van"},"asFound":{"components":{}},"needs":{},"plans":{"p":{"title":"P","stages":{"s":{"title":"S","order":1}},"changes":{"c":{"op":"set","stage":"s","target":"x","by":"hand"}}}}}'],
]);

it('refuses more moving poles than can be reckoned with, and says how many', function (): void {
    $document = Rigs::demo('archive');
    for ($i = 0; $i < 70; $i++) {
        $document->asFound->components->{"switch_{$i}"} = clone $document->asFound->components->old_disconnect;
    }
    [$code, $said] = checked($document);
    expect($code)->toBe(2)->and($said)->toContain('/asFound/components')->toContain('at most 62');
});
