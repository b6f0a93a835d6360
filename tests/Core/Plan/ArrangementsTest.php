<?php

declare(strict_types=1);

use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Rig;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Layouts;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

function plannedRig(string $recipe, array $options = [], string $layout = 'trailer_30_in_panel'): Rig
{
    $document = JobFile::blank('x');
    foreach (
        [
            ['kind' => 'lay_out', 'layout' => $layout],
            ['kind' => 'add_plan', 'id' => 'p', 'title' => 'P'],
            Sample::choose($recipe, $options),
        ]
        as $edit
    ) {
        $document = Rigs::edit($document, $edit);
    }

    return Rigs::planned($document)->rig;
}

it('say what they gain and what they risk', function (string $class): void {
    expect($class::title())
        ->not->toBe('')
        ->and($class::gains())
        ->not->toBe('')
        ->and($class::risks())
        ->not->toBe('')
        ->and($class::options())
        ->toHaveKey('converter');
})->with(array_values(Arrangements::all()));

describe('in line', function (): void {
    it('puts the unit between inlet and panel', function (): void {
        $rig = plannedRig('in_line');
        expect($rig->find('feeder_main')?->values->group('to')?->text('at'))
            ->toBe('inverter')
            ->and($rig->find('inverter_out')?->values->group('to')?->text('at'))
            ->toBe('main_panel')
            ->and($rig->find('inverter_out')?->values->cable('cable')?->size->designation)
            ->toBe('awg:10');
    });

    it('leaves, forgets or removes the converter as asked', function (): void {
        expect(plannedRig('in_line', ['converter' => 'left'])->find('converter'))
            ->not->toBeNull()
            ->and(plannedRig('in_line', ['converter' => 'by_hand'])->find('switch_converter_off'))
            ->not->toBeNull()
            ->and(plannedRig('in_line', ['converter' => 'removed'])->find('converter'))
            ->toBeNull()
            ->and(plannedRig('in_line', ['converter' => 'removed'])->find('c_converter'))
            ->toBeNull();
    });

    it('moves the converter into a box of its own ahead of the unit', function (): void {
        $rig = plannedRig('in_line', ['converter' => 'ahead']);
        $circuit = $rig->find('c_converter');
        expect($circuit)
            ->toBeInstanceOf(Circuit::class)
            ->and($circuit->hotPanel())
            ->toBe('shore_box')
            ->and($circuit->neutralPanel())
            ->toBe('shore_box')
            ->and($rig->find('feeder_main')?->values->group('to')?->text('at'))
            ->toBe('shore_box')
            ->and($rig->find('inverter_feed')?->values->group('feeds')?->text('at'))
            ->toBe('inverter');
    });
});

describe('subpanel', function (): void {
    it('moves the chosen circuits in order, hot and neutral together', function (): void {
        $rig = plannedRig('subpanel', ['circuits' => ['c_fridge' => true, 'c_outlets' => true, 'c_air' => false]]);
        foreach (['c_fridge' => 1, 'c_outlets' => 2] as $id => $slot) {
            $circuit = $rig->find($id);
            expect($circuit->hotPanel())
                ->toBe('inverter_panel')
                ->and($circuit->neutralPanel())
                ->toBe('inverter_panel')
                ->and($circuit->slot())
                ->toBe($slot);
        }
        expect($rig->find('c_air')->hotPanel())->toBe('main_panel');
    });

    it('feeds the unit from a slot that came free', function (): void {
        $rig = plannedRig('subpanel', ['circuits' => ['c_outlets' => true]]);
        expect($rig->find('inverter_feed')->hotPanel())
            ->toBe('main_panel')
            ->and($rig->find('inverter_feed')->slot())
            ->toBe(2);
    });

    it('needs a free slot', function (): void {
        expect(fn() => plannedRig('subpanel', ['circuits' => new stdClass()]))->toThrow(
            Refused::class,
            'no slot for the breaker',
        );
    });

    it('does not first move a converter that stays or goes', function (string $fate): void {
        $document = Rigs::job(
            Sample::choose('subpanel', [
                'circuits' => ['c_outlets' => true, 'c_converter' => true],
                'converter' => $fate,
            ]),
        );
        expect(isset($document->plans->p->changes->ch_c_converter_hot))->toBeFalse();
    })->with(['ahead', 'removed']);

    it('gives its cables the size their breaker asks for', function (int $feedA, string $size): void {
        $rig = plannedRig('subpanel', ['circuits' => ['c_outlets' => true], 'feedA' => $feedA]);
        expect($rig->find('inverter_feed')->cable()->size->designation)
            ->toBe($size)
            ->and($rig->find('inverter_out')->values->cable('cable')?->size->designation)
            ->toBe($size);
    })->with([[15, 'awg:14'], [20, 'awg:12'], [30, 'awg:10'], [40, 'awg:8'], [50, 'awg:6']]);
});

describe('the bank', function (): void {
    it('replaces the old one, and what landed there lands on the bars', function (): void {
        $rig = plannedRig('in_line');
        expect($rig->find('house'))->toBeNull()->and($rig->find('bank'))->not->toBeNull();
        foreach ($rig->all(Lead::class) as $lead) {
            expect($lead->referenceProblems($rig->components))->toBe([]);
        }
        expect($rig->find('ld_dc_neg')->from())
            ->toBe('neg_bar.stud')
            ->and($rig->find('house_bond')->values->text('from'))
            ->toBe('neg_bar.stud');
    });

    it('keeps a fuse of its own for what hung on the old battery', function (): void {
        $rig = plannedRig('in_line');
        expect($rig->find('ld_house')->from())
            ->toBe('pos_bar.stud')
            ->and($rig->find('ld_house')->cable()->lengthM)
            ->toBe(0.15)
            ->and($rig->find('house_fuse')->values->text('family'))
            ->toBe('mrbf');
    });

    it('is as the planner says', function (): void {
        $rig = plannedRig('in_line', [
            'chemistry' => 'agm',
            'unitAh' => 105,
            'parallel' => 3,
            'fuseA' => 250,
            'fuseFamily' => 'anl',
            'dcSize' => 'awg:2/0',
            'dcRunM' => 2.0,
        ]);
        $bank = $rig->find('bank');
        expect($bank->capacityAh())
            ->toBe(315.0)
            ->and($bank->values->has('bmsContinuousA'))
            ->toBeFalse()
            ->and($rig->find('main_fuse')->ratingA())
            ->toBe(250.0)
            ->and($rig->find('ld_bar_inv')->cable()->size->designation)
            ->toBe('awg:2/0')
            ->and($rig->find('ld_bar_inv')->cable()->lengthM)
            ->toBe(1.25);
    });

    it('marks as assumed what nobody gave, and only that', function (): void {
        $assumed = fn(array $options): ?string => plannedRig('in_line', $options)
            ->find('ld_bar_inv')
            ?->values->group('cable')
            ?->basis('lengthM')?->value;
        expect($assumed([]))->toBe('assumed')->and($assumed(['dcRunM' => 2.0]))->toBe('told');
    });
});

it('work on every factory layout', function (string $recipe, string $layout): void {
    $found = get_object_vars(Layouts::components($layout));
    $circuits = array_keys(array_filter($found, fn(stdClass $c): bool => isset($c->hot->panel) && !isset($c->feeds)));
    if ($circuits === [] && $recipe !== 'in_line') {
        expect(fn() => plannedRig($recipe, ['circuits' => ['c_none' => true]], $layout))->toThrow(Refused::class);

        return;
    }
    $options = match ($recipe) {
        'in_line', 'transfer_whole' => [],
        'subpanel' => ['circuits' => [$circuits[0] => true]],
        default => ['circuit' => $circuits[0]],
    };
    $converter = in_array($recipe, ['in_line', 'subpanel'], true) ? 'removed' : 'replaced';
    $rig = plannedRig($recipe, $options + ['converter' => $converter], $layout);
    $new = array_diff_key($rig->components, $found);
    // One unit more than there was, and what was there is still there.
    $units = array_filter($new, fn($c): bool => in_array($c::type(), ['inverter', 'inverter_charger'], true));
    expect(count($units))->toBe(1);
    $unit = array_key_first($units);
    $leads = array_filter($rig->all(Lead::class), fn(Lead $l): bool => $l->to() === "{$unit}.pos");
    expect(count($leads))->toBe(1);
    if (isset($found['inverter'])) {
        expect($rig->find('inverter')?->label())->toBe($found['inverter']->label);
    }
})
    ->with(['in_line', 'subpanel', 'transfer_circuit', 'transfer_whole'])
    ->with(array_keys(Layouts::all()));

it('say what must be surveyed first', function (array $remove, string $said): void {
    $document = Rigs::job(
        ...array_map(fn(string $id): array => ['kind' => 'survey_remove', 'component' => $id], $remove),
    );
    expect(fn() => Rigs::edit($document, Sample::choose('in_line')))->toThrow(Refused::class, $said);
})->with([[['feeder_main'], 'what feeds the main panel']]);

it('ask for a main panel in an empty survey', function (): void {
    $document = Rigs::edit(JobFile::blank('x'), ['kind' => 'add_plan', 'id' => 'p', 'title' => 'P']);
    expect(fn() => Rigs::edit($document, Sample::choose('in_line')))->toThrow(Refused::class, 'no main panel yet');
});
