<?php

declare(strict_types=1);

use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * Each intent does what it says, tells it in words, and leaves a document that passes every check.
 */

function done(stdClass $document, array $intent): Hollin\Core\Intent\Edit
{
    $edit = Intents::apply($document, Rigs::object($intent));
    JobFile::check($edit->document);

    return $edit;
}

it('renames a job', function (): void {
    $edit = done(Rigs::job(), ['kind' => 'set_title', 'title' => 'Bee school']);
    expect($edit->document->title)->toBe('Bee school')->and($edit->words)->toBe('renamed the job');
});

it('lays out an empty survey, every figure assumed', function (): void {
    $edit = done(JobFile::blank('x'), ['kind' => 'lay_out', 'layout' => 'teardrop_20']);
    $text = JobFile::write($edit->document);
    expect($edit->words)
        ->toContain('20 A teardrop')
        ->and(substr_count($text, '"basis": "assumed"'))
        ->toBeGreaterThan(15)
        ->and($text)
        ->not->toContain('"measured"');
});

it('adds circuits by lines, several at once, ids from their names', function (): void {
    $document = Rigs::job(
        ['kind' => 'survey_remove', 'component' => 'c_air'],
        ['kind' => 'survey_remove', 'component' => 'c_water'],
    );
    $edit = done($document, [
        'kind' => 'add_circuits',
        'panel' => 'main_panel',
        'lines' => "15 bunk lamps 14/2\n\n20 gfci patio 12/2 20ft",
    ]);
    expect($edit->document->asFound->components->c_bunk_lamps->hot->slot)
        ->toBe(4)
        ->and($edit->document->asFound->components->c_patio->hot->slot)
        ->toBe(5)
        ->and($edit->document->asFound->components->c_patio->place)
        ->toBe('outside')
        ->and($edit->words)
        ->toBe('surveyed Bunk lamps, Patio');
});

it('adds nothing when one of the lines is wrong', function (): void {
    $document = Rigs::job(['kind' => 'survey_remove', 'component' => 'c_air']);
    expect(
        fn() => done($document, [
            'kind' => 'add_circuits',
            'panel' => 'main_panel',
            'lines' => "15 bunk 14/2\nnonsense",
        ]),
    )->toThrow(Refused::class, 'start with the breaker');
});

it('gives two circuits of one name two ids', function (): void {
    $document = Rigs::job(
        ['kind' => 'survey_remove', 'component' => 'c_air'],
        ['kind' => 'survey_remove', 'component' => 'c_water'],
    );
    $edit = done($document, [
        'kind' => 'add_circuits',
        'panel' => 'main_panel',
        'lines' => "15 bunk 14/2\n15 bunk 14/2",
    ]);
    expect($edit->document->asFound->components)->toHaveProperties(['c_bunk', 'c_bunk_2']);
});

it('surveys a value, adds and removes a part', function (): void {
    $edit = done(
        Rigs::job(),
        Sample::survey('c_air', '/cable/lengthM', ['value' => 3.2, 'basis' => 'measured', 'entered' => '10.5 ft']),
    );
    expect($edit->document->asFound->components->c_air->cable->lengthM->entered)
        ->toBe('10.5 ft')
        ->and($edit->words)
        ->toBe('surveyed Air conditioner: cable, length one way');
    $edit = done($edit->document, [
        'kind' => 'survey_add',
        'id' => 'shunt',
        'component' => ['type' => 'shunt', 'label' => 'Shunt', 'ratingA' => 500],
    ]);
    expect($edit->document->asFound->components->shunt->ratingA)->toBe(500);
    $edit = done($edit->document, ['kind' => 'survey_remove', 'component' => 'shunt']);
    expect(isset($edit->document->asFound->components->shunt))
        ->toBeFalse()
        ->and($edit->words)
        ->toBe('took Shunt out of the survey');
});

it('does not take out what others hang on', function (): void {
    expect(fn() => done(Rigs::job(), ['kind' => 'survey_remove', 'component' => 'main_panel']))->toThrow(
        Refused::class,
        'not a panel of this rig',
    );
});

it('says what must run, and takes it back with nothing', function (): void {
    $edit = done(Rigs::job(), ['kind' => 'set_need', 'path' => '/offGrid/c_air', 'value' => true]);
    expect($edit->document->needs->offGrid->c_air)->toBeTrue();
    $edit = done($edit->document, ['kind' => 'set_need', 'path' => '/offGrid/c_air', 'value' => null]);
    expect(isset($edit->document->needs->offGrid->c_air))->toBeFalse();
    $edit = done($edit->document, [
        'kind' => 'set_need',
        'path' => '/scenarios/s1',
        'value' => ['title' => 'Noon', 'running' => ['c_air.unit' => true]],
    ]);
    expect($edit->document->needs->scenarios->s1->title)->toBe('Noon');
});

it('refuses needs of the wrong kind', function (string $path, mixed $value): void {
    expect(fn() => done(Rigs::job(), ['kind' => 'set_need', 'path' => $path, 'value' => $value]))->toThrow(
        Refused::class,
    );
})->with([
    ['/ampacity', 'folklore'],
    ['/offGrid/c_air', 'yes'],
    ['/scenarios/s1', ['title' => 'x']],
    ['/nonsense', 1],
    ['/scenarios/s1', ['title' => 'x', 'running' => ['../../etc' => true]]],
]);

it('adds, renames and removes plans', function (): void {
    $edit = done(Rigs::job(), ['kind' => 'add_plan', 'id' => 'q', 'title' => 'Other']);
    expect($edit->document->plans->q->order)
        ->toBe(2)
        ->and(get_object_vars($edit->document->plans->q->stages))
        ->toHaveKey('whole');
    $edit = done($edit->document, ['kind' => 'rename_plan', 'plan' => 'q', 'title' => 'Better']);
    expect($edit->document->plans->q->title)->toBe('Better');
    $edit = done($edit->document, ['kind' => 'remove_plan', 'plan' => 'q']);
    expect(get_object_vars($edit->document->plans))->toHaveKey('p')->not->toHaveKey('q');
});

it('sets, fits and removes in a plan without touching the survey', function (): void {
    $document = Rigs::job();
    $survey = JobFile::write($document->asFound);
    $edit = done(
        $document,
        ['why' => 'the old one hums'] + Sample::set('c_air', '/breakerA', ['value' => 15, 'basis' => 'told']),
    );
    expect($edit->document->plans->p->changes->ch_c_air_breakera->why)
        ->toBe('the old one hums')
        ->and($edit->words)
        ->toBe('planned Air conditioner: breaker');
    $edit = done($edit->document, [
        'kind' => 'plan_fit',
        'plan' => 'p',
        'id' => 'shunt',
        'component' => ['type' => 'shunt', 'label' => 'Shunt', 'ratingA' => 500],
    ]);
    $edit = done($edit->document, ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'c_water']);
    expect($edit->document->plans->p->changes->rm_c_water->op)
        ->toBe('remove')
        ->and(JobFile::write($edit->document->asFound))
        ->toBe($survey);
});

it('takes a fitted part out by dropping its changes', function (): void {
    $document = Rigs::job(
        [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'shunt',
            'component' => ['type' => 'shunt', 'label' => 'Shunt', 'ratingA' => 500],
        ],
        Sample::set('shunt', '/ratingA', 300),
    );
    $edit = done($document, ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'shunt']);
    expect(get_object_vars($edit->document->plans->p->changes))->toBe([]);
});

it('drops a change when a value goes back to what was found', function (): void {
    $edit = done(Rigs::job(Sample::set('c_air', '/gfci', 'breaker')), Sample::set('c_air', '/gfci', 'none'));
    expect(get_object_vars($edit->document->plans->p->changes))->toBe([]);
});

it('drops a change by name, in words', function (): void {
    $edit = done(Rigs::job(Sample::set('c_air', '/gfci', 'breaker')), [
        'kind' => 'drop_change',
        'plan' => 'p',
        'change' => 'ch_c_air_gfci',
    ]);
    expect($edit->words)
        ->toBe('dropped: set Air conditioner GFCI')
        ->and(get_object_vars($edit->document->plans->p->changes))
        ->toBe([]);
});

it('puts a change into another stage, by hand from then on', function (): void {
    $document = Rigs::job(Sample::choose('in_line'), [
        'kind' => 'add_stage',
        'plan' => 'p',
        'id' => 'later',
        'title' => 'Later',
    ]);
    $edit = done($document, ['kind' => 'stage_change', 'plan' => 'p', 'change' => 'fit_shunt', 'stage' => 'later']);
    expect($edit->document->plans->p->changes->fit_shunt->stage)
        ->toBe('later')
        ->and($edit->document->plans->p->changes->fit_shunt->by)
        ->toBe('hand');
    expect(
        fn() => done($document, ['kind' => 'stage_change', 'plan' => 'p', 'change' => 'fit_shunt', 'stage' => 'never']),
    )->toThrow(Refused::class, 'not a stage');
});

it('moves into the first free slot, past the main breaker and what is taken', function (): void {
    $document = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'slots' => 4]));
    foreach (['c_air' => 2, 'c_wet' => 3, 'c_water' => 4] as $circuit => $slot) {
        $document = done($document, Sample::move($circuit, 'inverter_panel'))->document;
        expect($document->plans->p->changes->{"ch_{$circuit}_hot"}->value->slot)->toBe($slot);
    }
    expect(fn() => done($document, Sample::move('c_fridge', 'inverter_panel')))->toThrow(
        Refused::class,
        'no free slot',
    );
});

it('moves into the slot and half that are named', function (): void {
    $edit = done(
        Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]])),
        ['slot' => 5, 'half' => 'b'] + Sample::move('c_air', 'inverter_panel'),
    );
    expect((array) $edit->document->plans->p->changes->ch_c_air_hot->value)->toBe([
        'panel' => 'inverter_panel',
        'slot' => 5,
        'half' => 'b',
    ]);
});

it('leaves the document it was given alone, whatever happens', function (): void {
    $document = Rigs::job();
    $before = JobFile::write($document);
    done($document, ['kind' => 'set_title', 'title' => 'x']);
    try {
        done($document, Sample::survey('c_air', '/breakerA', -1));
    } catch (Refused) {
        // as meant
    }
    expect(JobFile::write($document))->toBe($before);
});

it('puts what was in a slot on the other half of a tandem when a half is called out', function (): void {
    $edit = done(Rigs::job(), ['kind' => 'add_circuits', 'panel' => 'main_panel', 'lines' => '15 smoker 14/2 #3b']);
    $components = $edit->document->asFound->components;
    expect($components->c_wet->hot->half)
        ->toBe('a')
        ->and($components->c_smoker->hot->half)
        ->toBe('b')
        ->and($edit->words)
        ->toBe('surveyed Smoker (Bath, counter and outside outlets is then on 3a)');
});

it('takes no half in a panel without tandem breakers, and no slot that is not there', function (
    string $line,
    string $said,
): void {
    $document = Rigs::job(Sample::survey('main_panel', '/tandem', false));
    $before = JobFile::write($document);
    expect(fn() => done($document, ['kind' => 'add_circuits', 'panel' => 'main_panel', 'lines' => $line]))
        ->toThrow($said)
        ->and(JobFile::write($document))
        ->toBe($before);
})->with([
    ['15 smoker 14/2 #3b', 'does not take tandem breakers'],
    ['15 smoker 14/2 #99', '#99: Main panel has 7 slots'],
    ['15 smoker 14/2 #3', 'already taken by'],
]);
