<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Shape;
use Hollin\Core\Job\Tree;
use Opis\JsonSchema\Validator;
use Tests\Rigs;

/** The demo's document, without a database. */
function demoDocument(): stdClass
{
    return Tree::copy(Rigs::demo('grafting'));
}

it('answers in the shape it documents', function (): void {
    $schema = json_decode(
        (string) json_encode([
            '$ref' => '#/components/schemas/RigAnswer',
            'components' => ['schemas' => Shape::definitions()],
        ]),
        false,
    );
    $answers = new JobAnswers(demoDocument());
    foreach ($answers->views as $view) {
        $result = (new Validator())->validate(
            json_decode((string) json_encode($answers->answer($view['hash'])), false),
            $schema,
        );
        expect($result->error()?->message())->toBeNull();
    }
});

it('hashes what an answer depends on and nothing else', function (): void {
    $before = demoDocument();
    $hashes = fn(stdClass $d): array => array_column((new JobAnswers($d))->views, 'hash', 'id');
    $was = $hashes($before);
    $moved = Rigs::edit($before, [
        'kind' => 'move_circuit',
        'plan' => 'panel',
        'circuit' => 'c_wet',
        'panel' => 'inverter_panel',
        'wires' => 'both',
    ]);
    $now = $hashes($moved);
    expect($now['panel/whole'])
        ->not->toBe($was['panel/whole'])
        ->and($now['as_found'])
        ->toBe($was['as_found'])
        ->and($now['line/whole'])
        ->toBe($was['line/whole']);
    $titled = Rigs::edit($before, ['kind' => 'set_title', 'title' => 'Another name']);
    expect($hashes($titled))->toBe($was);
});

it('shows the demo rig\'s trouble', function (): void {
    $answers = new JobAnswers(demoDocument());
    $rules = [];
    foreach ($answers->views as $view) {
        foreach ($answers->answer($view['hash'])['findings'] as $finding) {
            $rules[$view['id']][$finding['rule']] ??= $finding['severity'];
        }
    }
    expect($rules['as_found'])
        ->toMatchArray(['bond_count' => 'danger', 'lost_gfci' => 'warning', 'conductor_protection' => 'danger'])
        // Worst first, so the first of a rule is its worst.
        ->and($rules['panel/whole'])
        ->toMatchArray(['charging_loop' => 'danger', 'split_return' => 'danger', 'live_pins' => 'danger'])
        ->and($rules['line/whole'])
        ->toMatchArray(['charging_loop' => 'danger', 'bond_count' => 'danger']);
});
