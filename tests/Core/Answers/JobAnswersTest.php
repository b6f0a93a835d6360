<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

it('views as found first, then each plan\'s stages in order', function (): void {
    $document = Rigs::job(
        ['kind' => 'add_stage', 'plan' => 'p', 'id' => 'two', 'title' => 'Second go'],
        ['kind' => 'add_plan', 'id' => 'a', 'title' => 'Another'],
    );
    $views = (new JobAnswers($document))->views;
    expect(array_column($views, 'id'))
        ->toBe(['as_found', 'p/whole', 'p/two', 'a/whole'])
        ->and(array_column($views, 'title'))
        ->toBe(['As found', 'Plan: Whole retrofit', 'Plan: Second go', 'Another'])
        ->and(array_map(fn(array $v): bool => $v['last'] ?? false, $views))
        ->toBe([false, false, true, true]);
});

it('answers an empty job', function (): void {
    $answers = new JobAnswers(JobFile::blank('x'));
    $answer = $answers->answer($answers->views[0]['hash']);
    expect($answer['table'])
        ->toBe([])
        ->and($answer['checked']['states'])
        ->toBe(1)
        ->and($answer['sizes'])
        ->toBe([])
        ->and($answer['rules'])
        ->toBe(RuleBook::VERSION);
});

it('hashes by content: the same rig twice is the same answer', function (): void {
    $document = Rigs::job(['kind' => 'add_plan', 'id' => 'q', 'title' => 'Twin']);
    $views = (new JobAnswers($document))->views;
    expect($views[1]['hash'])->toBe($views[2]['hash']);
});

it('answers anew when needs or survey change', function (array $edit): void {
    $document = Rigs::job(Sample::choose('in_line'));
    $before = array_column((new JobAnswers($document))->views, 'hash');
    $after = array_column((new JobAnswers(Rigs::edit($document, $edit)))->views, 'hash');
    expect(array_intersect($before, $after))->toBe([]);
})->with([
    [['kind' => 'set_need', 'path' => '/ampacity', 'value' => 'building']],
    [Sample::survey('c_air', '/breakerA', ['value' => 15, 'basis' => 'read_off'])],
    [Sample::survey('c_air', '/label', 'Roof')],
]);

it('tables circuits by panel and slot', function (): void {
    $answers = new JobAnswers(
        Rigs::job(
            Sample::choose('subpanel', [
                'circuits' => ['c_fridge' => true, 'c_outlets' => true],
                'converter' => 'ahead',
            ]),
        ),
    );
    $rows = $answers->answer($answers->views[1]['hash'])['table'];
    $places = array_map(fn(array $r): string => "{$r['panel']} {$r['slot']}", $rows);
    $sorted = $places;
    sort($sorted, SORT_NATURAL);
    expect($places)->toBe($sorted)->and($rows[0]['circuit'])->toBe('c_fridge');
});

it('lists every assumption with where it stands', function (): void {
    $answers = new JobAnswers(Rigs::job());
    $list = $answers->answer($answers->views[0]['hash'])['assumptions'];
    expect($list)
        ->toContain([
            'component' => 'main_panel',
            'type' => 'panel',
            'label' => 'Main panel',
            'what' => '/bondScrew',
            'value' => false,
        ])
        ->toContain([
            'component' => 'c_air',
            'type' => 'circuit',
            'label' => 'Air conditioner',
            'what' => '/loads/unit/watts',
            'value' => 1500,
        ]);
});

it('gives amps for each scenario by state and element', function (): void {
    $document = Rigs::job([
        'kind' => 'set_need',
        'path' => '/scenarios/noon',
        'value' => ['title' => 'Noon', 'running' => ['c_air.unit' => true]],
    ]);
    $answers = new JobAnswers($document);
    $answer = $answers->answer($answers->views[0]['hash']);
    expect($answer['scenarios'])
        ->toBe(['noon' => 'Noon'])
        ->and($answer['amps']->shore_s30->noon->{'c_air.pole'})
        ->toBe(12.5)
        ->and(get_object_vars($answer['amps']->nothing->noon))
        ->toBe([]);
});

it('offers every remedy as an intent that the plan takes', function (string $title, array $edits): void {
    $document = Rigs::job(...$edits);
    $answers = new JobAnswers($document);
    $tried = 0;
    foreach ($answers->answer($answers->views[1]['hash'])['findings'] as $finding) {
        foreach ($finding['remedies'] as $remedy) {
            $mended = new JobAnswers(Rigs::edit($document, $remedy['intent'] + ['plan' => 'p']));
            $left = array_column($mended->answer($mended->views[1]['hash'])['findings'], 'id');
            expect($left)->not->toContain($finding['id'], "{$title}: {$remedy['label']}");
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(0);
})->with([
    [
        'a forgotten neutral',
        [
            Sample::choose('subpanel', ['circuits' => ['c_fridge' => true]]),
            Sample::move('c_fridge', 'main_panel', 'neutral'),
        ],
    ],
    ['a neutral beside the GFCI it hangs behind', [Sample::set('c_air', '/hot', ['behind' => 'c_wet'])]],
    [
        'a loop by way of the panel',
        [Sample::choose('subpanel', ['circuits' => ['c_converter' => true], 'converter' => 'left'])],
    ],
    [
        'a bonding screw',
        [
            Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']),
            Sample::choose('in_line'),
        ],
    ],
    ['a common neutral', [Sample::choose('in_line', ['neutral' => 'common'])]],
    ['no bond', [Sample::choose('in_line'), Sample::set('inverter', '/bond', 'none')]],
    [
        'GFCI left behind',
        [Sample::survey('c_wet', '/gfci', 'breaker'), Sample::choose('subpanel', ['circuits' => ['c_wet' => true]])],
    ],
    [
        'a thin cable',
        [Sample::choose('in_line'), Sample::set('ld_bar_inv', '/cable/size', ['value' => 'awg:2', 'basis' => 'told'])],
    ],
    ['a weak relay', [Sample::choose('subpanel', ['circuits' => ['c_fridge' => true], 'passThroughA' => 20])]],
    ['a fuse that cannot break it', [Sample::choose('in_line', ['fuseFamily' => 'anl'])]],
    [
        'needed off grid',
        [
            ['kind' => 'set_need', 'path' => '/offGrid/c_wet', 'value' => true],
            Sample::choose('subpanel', ['circuits' => ['c_fridge' => true]]),
        ],
    ],
]);
