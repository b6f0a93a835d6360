<?php

declare(strict_types=1);

use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

$subpanel = Sample::choose('subpanel', [
    'circuits' => ['c_outlets' => true, 'c_fridge' => true],
    'converter' => 'ahead',
]);

it('writes an arrangement as changes that apply', function (string $recipe, string $fate) use ($subpanel): void {
    $choose = $recipe === 'subpanel' ? $subpanel : Sample::choose($recipe);
    $choose['options']['converter'] = $fate;
    $rig = Rigs::planned(Rigs::job($choose));
    expect($rig->unapplied)
        ->toBe([])
        ->and(Rigs::findings($rig, 'does_not_apply'))
        ->toBe([])
        ->and($rig->rig->find('inverter'))
        ->not->toBeNull()
        ->and($rig->rig->find('house'))
        ->toBeNull();
})
    ->with(['in_line', 'subpanel'])
    ->with(['left', 'by_hand', 'ahead', 'removed']);

it('feeds the chosen circuits from the inverter and leaves the rest', function () use ($subpanel): void {
    $live = Rigs::planned(Rigs::job($subpanel))->settled['inverting']->situation->liveness();
    expect($live['c_outlets']->kind)
        ->toBe('works')
        ->and($live['c_fridge']->kind)
        ->toBe('works')
        ->and($live['c_air']->kind)
        ->toBe('dead')
        ->and($live['c_converter']->kind)
        ->toBe('dead');
});

it('replaces a move by the next one and removes it when the circuit goes home', function () use ($subpanel): void {
    $document = Rigs::job($subpanel);
    $before = JobFile::write($document);
    $moved = Rigs::edit($document, Sample::move('c_air', 'inverter_panel'));
    expect(isset($moved->plans->p->changes->ch_c_air_hot))->toBeTrue();
    $home = Rigs::edit($moved, Sample::move('c_air', 'main_panel'));
    expect(JobFile::write($home))->toBe($before);
});

it('moves hot and neutral apart when the rig really is so', function () use ($subpanel): void {
    $document = Rigs::edit(Rigs::job($subpanel), Sample::move('c_air', 'inverter_panel', 'hot'));
    expect(isset($document->plans->p->changes->ch_c_air_hot))
        ->toBeTrue()
        ->and(isset($document->plans->p->changes->ch_c_air_neutral))
        ->toBeFalse();
});

it('leaves a GFCI breaker with its panel, and brings it back with the circuit', function () use ($subpanel): void {
    $document = Rigs::edit(
        Rigs::job(Sample::survey('c_air', '/gfci', 'breaker'), $subpanel),
        Sample::move('c_air', 'inverter_panel'),
    );
    expect($document->plans->p->changes->ch_c_air_gfci->value)->toBe('none');
    $home = Rigs::edit($document, Sample::move('c_air', 'main_panel'));
    expect(isset($home->plans->p->changes->ch_c_air_gfci))->toBeFalse();
});

it('keeps what was changed by hand when another arrangement is chosen, and says so', function () use ($subpanel): void {
    $document = Rigs::edit(
        Rigs::job($subpanel),
        Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']),
    );
    $edit = Intents::apply($document, Rigs::object(Sample::choose('in_line')));
    expect($edit->document->plans->p->changes->ch_main_fuse_ratinga->value->value)
        ->toBe(300)
        ->and($edit->notices)
        ->toHaveCount(1)
        ->and($edit->notices[0])
        ->toContain('by hand')
        ->and(isset($edit->document->plans->p->changes->fit_inverter_panel))
        ->toBeFalse();
});

it('lets a later correction of the survey flow into the plan', function () use ($subpanel): void {
    $document = Rigs::edit(
        Rigs::job($subpanel),
        Sample::survey('c_air', '/breakerA', ['value' => 15, 'basis' => 'read_off']),
    );
    expect(Rigs::planned($document)->rig->find('c_air')?->values->number('breakerA'))->toBe(15.0);
});

it('proves every stage like the last', function () use ($subpanel): void {
    $document = Rigs::job(
        $subpanel,
        ['kind' => 'add_stage', 'plan' => 'p', 'id' => 'later', 'title' => 'Later'],
        ['kind' => 'stage_change', 'plan' => 'p', 'change' => 'ch_c_fridge_neutral', 'stage' => 'later'],
    );
    $stages = Planned::stages($document, 'p');
    expect($stages)->toHaveCount(2);
    $between = new Hollin\Core\Answers\JobAnswers($document);
    $first = $between->answer($between->views[1]['hash']);
    $last = $between->answer($between->views[2]['hash']);
    expect(array_column($first['findings'], 'rule'))
        ->toContain('split_return')
        ->and(array_column($last['findings'], 'rule'))
        ->not->toContain('split_return');
});

it('refuses and changes nothing', function (array $intent, string $pointer, string $said) use ($subpanel): void {
    $document = Rigs::job($subpanel);
    $before = JobFile::write($document);
    try {
        Rigs::edit($document, $intent);
        $this->fail('was not refused');
    } catch (Refused $e) {
        expect($e->problems[0]->pointer)->toBe($pointer)->and($e->problems[0]->message)->toContain($said);
    }
    expect(JobFile::write($document))->toBe($before);
})->with([
    'unknown intent' => [['kind' => 'explode'], '/intent/kind', 'must be one of'],
    'missing part' => [['kind' => 'add_plan', 'id' => 'q'], '/intent/title', 'is missing'],
    'unknown plan' => [['plan' => 'zzz'] + Sample::move('c_air', 'inverter_panel'), '/intent/plan', 'There is no plan'],
    'unknown circuit' => [Sample::move('c_moon', 'inverter_panel'), '/intent/circuit', 'no circuit'],
    'unknown panel' => [Sample::move('c_air', 'attic'), '/intent/panel', 'takes no branch circuit'],
    'unknown wires' => [Sample::move('c_air', 'inverter_panel', 'ground'), '/intent/wires', 'both, hot or neutral'],
    'absurd option' => [Sample::choose('in_line', ['fuseA' => 9000]), '/intent/options/fuseA', 'at most 600'],
    'unknown option' => [Sample::choose('in_line', ['colour' => 'red']), '/intent/options', 'unknown properties'],
    'a value that breaks the part' => [
        Sample::set('main_fuse', '/ratingA', ['value' => -5, 'basis' => 'told']),
        '/plans/p/changes/ch_main_fuse_ratinga/value',
        'at least 1',
    ],
    'a path that leads nowhere' => [Sample::set('main_fuse', '/../../etc', 1), '/intent/path', 'must be a place'],
    'an id twice' => [
        ['kind' => 'survey_add', 'id' => 'inlet', 'component' => ['type' => 'shunt', 'label' => 'S', 'ratingA' => 100]],
        '/intent/id',
        'already taken',
    ],
    'a part that is not one' => [
        ['kind' => 'survey_add', 'id' => 'new_one', 'component' => ['type' => 'shunt']],
        '/asFound/components/new_one',
        'lacks',
    ],
]);

it('does not lay a second layout over a survey', function (): void {
    expect(fn() => Rigs::edit(Rigs::job(), ['kind' => 'lay_out', 'layout' => 'teardrop_20']))->toThrow(
        Refused::class,
        'already has components',
    );
});

it('starts every layout as a whole rig with nothing dangerous but what is assumed', function (string $layout): void {
    $rig = Rigs::asFound(Rigs::edit(JobFile::blank('x'), ['kind' => 'lay_out', 'layout' => $layout]));
    $dangers = array_filter(
        (new Hollin\Core\Rules\Judge($rig))->findings,
        fn($f): bool => $f->severity()->value === 'danger' && $f->ways->kind !== 'outside',
    );
    expect($dangers)->toBe([])->and($rig->settled)->toHaveKey('nothing');
    foreach ($rig->graph->circuits as $id => $_) {
        $states = array_filter($rig->settled, fn($s): bool => $s->situation->liveness()[$id]->kind === 'works');
        expect($states)->not->toBeEmpty();
    }
})->with(array_keys(Hollin\Core\Plan\Layouts::all()));

describe('what the arrangement wrote', function (): void {
    $start = fn(): stdClass => Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]));
    // A cable that the arrangement sets, whichever it is.
    $written = function (stdClass $document): array {
        foreach (get_object_vars($document->plans->p->changes) as $id => $change) {
            if ($change->op === 'set' && $change->by === 'recipe' && $change->path === '/cable') {
                return [$id, $change];
            }
        }
        throw new RuntimeException('The arrangement sets nothing.');
    };

    it('is kept beneath what a hand sets, however often, and holds again when that is dropped', function () use (
        $start,
        $written,
    ): void {
        $document = $start();
        [$id, $change] = $written($document);
        $before = $document;
        $set = fn(stdClass $on, mixed $value): stdClass => Rigs::edit(
            $on,
            Sample::set($change->target, $change->path, $value),
        );
        $value = clone $change->value;
        $value->lengthM = (object) ['value' => 3.5, 'basis' => 'measured'];
        $document = $set($document, $value);
        expect($document->plans->p->changes->{$id}->by)
            ->toBe('hand')
            ->and($document->plans->p->changes->{$id}->was->value)
            ->toEqual($change->value);
        $again = clone $value;
        $again->lengthM = (object) ['value' => 4.5, 'basis' => 'told'];
        $document = $set($document, $again);
        expect($document->plans->p->changes->{$id}->was->value)->toEqual($change->value);
        $back = Rigs::edit($document, ['kind' => 'drop_change', 'plan' => 'p', 'change' => $id]);
        expect($back->plans->p->changes)->toEqual($before->plans->p->changes);
    });
});

it('begins a plan as another one stands, and neither changes the other', function (): void {
    $document = Rigs::edit(Rigs::job(Sample::choose('in_line')), [
        'kind' => 'add_plan',
        'id' => 'q',
        'title' => 'Another way',
        'from' => 'p',
    ]);
    expect($document->plans->q->changes)
        ->toEqual($document->plans->p->changes)
        ->and($document->plans->q->title)
        ->toBe('Another way');
    $changed = Rigs::edit($document, [
        ...Sample::set('main_fuse', '/ratingA', (object) ['value' => 200, 'basis' => 'told']),
        'plan' => 'q',
    ]);
    expect($changed->plans->p->changes)->toEqual($document->plans->p->changes);
    expect(
        fn() => Rigs::edit($document, ['kind' => 'add_plan', 'id' => 'r', 'title' => 'x', 'from' => 'nowhere']),
    )->toThrow(Refused::class, 'There is no plan "nowhere"');
});
