<?php

declare(strict_types=1);

use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Tree;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** @param array<string, mixed> $change */
function applied(array $change): array
{
    $components = Rigs::object([
        'lamp' => ['type' => 'shunt', 'label' => 'S', 'ratingA' => 100],
        'c' => ['cable' => ['size' => ['value' => 'awg:14', 'basis' => 'told']]],
    ]);
    $reason = Planned::apply($components, Rigs::object($change));

    return [$reason, $components];
}

describe('one change', function (): void {
    it('fits, and does not fit over what is there', function (): void {
        [$reason, $rig] = applied([
            'op' => 'fit',
            'target' => 'new',
            'value' => ['type' => 'shunt', 'label' => 'N', 'ratingA' => 50],
        ]);
        expect($reason)->toBeNull()->and($rig->new->label)->toBe('N');
        [$reason] = applied(['op' => 'fit', 'target' => 'lamp', 'value' => ['type' => 'shunt']]);
        expect($reason)->toContain('already a “lamp”');
    });

    it('removes, and says when there is nothing to remove', function (): void {
        [$reason, $rig] = applied(['op' => 'remove', 'target' => 'lamp']);
        expect($reason)
            ->toBeNull()
            ->and(isset($rig->lamp))
            ->toBeFalse();
        [$reason] = applied(['op' => 'remove', 'target' => 'ghost']);
        expect($reason)->toContain('“ghost” is not there any more');
    });

    it('sets at any depth, and says when the place is gone', function (): void {
        [$reason, $rig] = applied(['op' => 'set', 'target' => 'c', 'path' => '/cable/size/value', 'value' => 'awg:12']);
        expect($reason)
            ->toBeNull()
            ->and($rig->c->cable->size->value)
            ->toBe('awg:12')
            ->and($rig->c->cable->size->basis)
            ->toBe('told');
        [$reason] = applied(['op' => 'set', 'target' => 'c', 'path' => '/sheath/colour', 'value' => 'red']);
        expect($reason)->toContain('c has no sheath, colour any more');
    });

    it('moves by replacing where something lands', function (): void {
        [$reason, $rig] = applied([
            'op' => 'move',
            'target' => 'c',
            'path' => '/hot',
            'value' => ['panel' => 'sub', 'slot' => 3],
        ]);
        expect($reason)->toBeNull()->and($rig->c->hot->slot)->toBe(3);
    });

    it('does not share what it fits with the plan', function (): void {
        $change = Rigs::object([
            'op' => 'fit',
            'target' => 'new',
            'value' => ['type' => 'shunt', 'label' => 'N', 'ratingA' => 50],
        ]);
        $components = new stdClass();
        Planned::apply($components, $change);
        $components->new->label = 'changed';
        expect($change->value->label)->toBe('N');
    });
});

describe('stages', function (): void {
    $plan = fn(): stdClass => Rigs::job(
        ['kind' => 'add_stage', 'plan' => 'p', 'id' => 'second', 'title' => 'Second'],
        [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'late',
            'component' => ['type' => 'shunt', 'label' => 'Late', 'ratingA' => 100],
        ],
    );

    it('come in their order, each on top of the one before', function () use ($plan): void {
        $stages = Planned::stages($plan(), 'p');
        expect(array_map(fn($s): string => $s->id, $stages))
            ->toBe(['whole', 'second'])
            ->and(isset($stages[0]->components->late))
            ->toBeFalse()
            ->and(isset($stages[1]->components->late))
            ->toBeTrue();
    });

    it('leave the survey as it was', function () use ($plan): void {
        $document = $plan();
        $before = JobFile::write($document);
        Planned::stages($document, 'p');
        expect(JobFile::write($document))->toBe($before);
    });

    it('list what does not apply and go on', function (): void {
        $document = Rigs::job(Sample::set('c_air', '/label', 'Roof'), Sample::set('c_wet', '/label', 'Wet'), [
            'kind' => 'survey_remove',
            'component' => 'c_air',
        ]);
        $stage = Planned::stages($document, 'p')[0];
        expect(array_keys($stage->unapplied))
            ->toBe(['ch_c_air_label'])
            ->and($stage->components->c_wet->label)
            ->toBe('Wet')
            ->and(array_keys($stage->touched))
            ->toBe(['c_wet']);
    });

    it('order by order, then by id', function (): void {
        $map = Rigs::object([
            'b' => ['order' => 1],
            'a' => ['order' => 1],
            'z' => ['order' => 0.5],
            'none' => new stdClass(),
        ]);
        expect(array_keys(Planned::inOrder($map)))->toBe(['none', 'z', 'a', 'b']);
    });
});

it('finds clashes of a planned rig', function (): void {
    $document = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]));
    expect(Planned::clashes($document))->toBe([]);
    $document->plans->p->changes->clash = Rigs::object([
        'op' => 'move',
        'stage' => 'whole',
        'order' => 900,
        'target' => 'c_air',
        'path' => '/hot',
        'value' => ['panel' => 'inverter_panel', 'slot' => 1],
        'by' => 'hand',
    ]);
    expect(Planned::clashes($document)[0]->message)->toContain('already taken');
});

it('does not look again at what came out as before', function (): void {
    $document = Rigs::job(Sample::set('c_air', '/label', 'Roof'));
    $document->plans->p->changes->ch_c_air_label->value = '';
    expect(Planned::resultProblems($document))
        ->toHaveCount(1)
        ->and(Planned::resultProblems($document, $document))
        ->toBe([]);
});

it(
    'holds what plans make of a rig against the schema wherever a document is checked, after a merge as on reading',
    function (): void {
        $before = Rigs::job(Sample::set('c_air', '/label', 'Roof'));
        $merged = Tree::copy($before);
        $merged->plans->p->changes->ch_c_air_label->value = '';
        expect(fn() => JobFile::check($merged, $before))
            ->toThrow(BadJobFile::class, 'makes c_air/label wrong')
            ->and(fn() => JobFile::check($merged))
            ->toThrow(BadJobFile::class, 'makes c_air/label wrong');
        JobFile::check($before, $before);
    },
);
