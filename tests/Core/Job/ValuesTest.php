<?php

declare(strict_types=1);

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Ampacity;
use Tests\Rigs;

function valuesOf(array $values): Values
{
    return new Values(Rigs::object($values));
}

describe('reading a value', function (): void {
    it('takes it bare or surveyed', function (mixed $written, float $read): void {
        expect(valuesOf(['x' => $written])->number('x'))->toBe($read);
    })->with([
        [15, 15.0],
        [1.5, 1.5],
        [['value' => 15, 'basis' => 'told'], 15.0],
        [['value' => 1.5, 'basis' => 'measured', 'entered' => '5 ft'], 1.5],
    ]);

    it('knows how it is known; a bare value says nothing', function (mixed $written, ?Basis $basis): void {
        expect(valuesOf(['x' => $written])->basis('x'))->toBe($basis);
    })->with([
        [15, null],
        [['value' => 15, 'basis' => 'measured'], Basis::Measured],
        [['value' => 15, 'basis' => 'read_off'], Basis::ReadOff],
        [['value' => 15, 'basis' => 'told'], Basis::Told],
        [['value' => 15, 'basis' => 'assumed'], Basis::Assumed],
    ]);

    it('falls back only where nothing is written', function (): void {
        $values = valuesOf(['zero' => 0, 'no' => false, 'empty' => '', 'yes' => true, 'text' => 'x']);
        expect($values->number('zero', 7))
            ->toBe(0.0)
            ->and($values->number('missing', 7))
            ->toBe(7.0)
            ->and($values->flag('no', true))
            ->toBeFalse()
            ->and($values->flag('missing', true))
            ->toBeTrue()
            ->and($values->flag('yes'))
            ->toBeTrue()
            ->and($values->text('empty', 'else'))
            ->toBe('')
            ->and($values->text('missing', 'else'))
            ->toBe('else')
            ->and($values->text('text'))
            ->toBe('x')
            ->and($values->numberOrNull('missing'))
            ->toBeNull()
            ->and($values->numberOrNull('zero'))
            ->toBe(0.0)
            ->and($values->integer('zero', 3))
            ->toBe(0)
            ->and($values->integer('missing', 3))
            ->toBe(3);
    });

    it('goes into groups and maps', function (): void {
        $values = valuesOf([
            'hot' => ['panel' => 'p', 'slot' => 3],
            'loads' => ['a' => ['watts' => 5], 'b' => ['watts' => 6]],
        ]);
        expect($values->group('hot')?->text('panel'))
            ->toBe('p')
            ->and($values->group('missing'))
            ->toBeNull()
            ->and(array_keys($values->entries('loads')))
            ->toBe(['a', 'b'])
            ->and($values->entries('loads')['b']->number('watts'))
            ->toBe(6.0)
            ->and($values->entries('missing'))
            ->toBe([]);
    });

    it('does not take a group for a value', function (): void {
        expect(fn() => valuesOf(['hot' => ['panel' => 'p']])->text('hot'))->toThrow(
            LogicException::class,
            'is a group',
        );
    });
});

describe('a cable', function (): void {
    it('is read with its size, length, sheath and number', function (): void {
        $cable = valuesOf([
            'cable' => [
                'size' => ['value' => 'awg:2', 'basis' => 'told'],
                'lengthM' => 1.5,
                'sheath' => 'fine',
                'parallel' => 2,
            ],
        ])->cable('cable');
        expect($cable?->spoken())
            ->toBe('2 × 2 AWG')
            ->and($cable?->lengthM)
            ->toBe(1.5)
            ->and($cable?->sheath)
            ->toBe('fine')
            // Two in parallel carry twice and drop half.
            ->and($cable === null ? null : Ampacity::Marine->ofCable($cable))
            ->toBe(420.0)
            ->and($cable?->ohm(75))
            ->toEqualWithDelta((1.5 * 0.6365e-3) / 2, 1e-6);
    });

    it('is a single sheathed one when nothing else is said', function (): void {
        $cable = valuesOf(['cable' => ['size' => 'awg:14', 'lengthM' => 4]])->cable('cable');
        expect($cable?->parallel)
            ->toBe(1)
            ->and($cable?->sheath)
            ->toBe('nm_b')
            ->and($cable?->spoken())
            ->toBe('14 AWG')
            ->and((new Values(new stdClass()))->cable('cable'))
            ->toBeNull();
    });

    it('carries its insulation, its place and its neighbours', function (): void {
        $cable = valuesOf([
            'cable' => ['size' => 'awg:6', 'lengthM' => 1, 'insulationC' => 90, 'ambientC' => 50, 'bundled' => 4],
        ])->cable('cable');
        // 6 AWG, 90 °C: 75 A × √(40 ÷ 60) × 0.8, under the 55 A of a 60 °C terminal (NFPA 70, from memory).
        expect($cable === null ? null : Ampacity::Building->ofCable($cable))->toEqualWithDelta(
            75 * sqrt(40 / 60) * 0.8,
            0.01,
        );
    });
});

describe('a field', function (): void {
    it('gives the form what it needs', function (): void {
        $form = Field::number('Length', 'm', 0.1, 60)->surveyed()->optional()->note('one way')->form();
        expect($form)->toMatchArray([
            'kind' => 'number',
            'label' => 'Length',
            'unit' => 'm',
            'min' => 0.1,
            'max' => 60.0,
            'surveyed' => true,
            'required' => false,
            'note' => 'one way',
        ]);
    });

    it('is required and plain until it is said otherwise', function (): void {
        $form = Field::text('Name')->form();
        expect($form['required'])->toBeTrue()->and($form['surveyed'])->toBeFalse();
    });

    it('does not change when another is made from it', function (): void {
        $plain = Field::number('x', 'A', 0, 1);
        $plain->surveyed()->optional();
        expect($plain->surveyed)->toBeFalse()->and($plain->required)->toBeTrue();
    });

    it('describes itself with unit and note', function (): void {
        expect(Field::number('Rating', 'A', 1, 2)->note('as marked')->schema()->description)->toBe(
            'Rating, A. as marked',
        );
    });
});

describe('a rig', function (): void {
    it('finds parts by id and by kind, in the order of their ids', function (): void {
        $rig = Rig::from(Rigs::job()->asFound->components);
        $ids = array_keys($rig->components);
        $sorted = $ids;
        sort($sorted);
        expect($ids)
            ->toBe($sorted)
            ->and($rig->find('inlet')?->label())
            ->toBe('Inlet')
            ->and($rig->find('ghost'))
            ->toBeNull()
            ->and(array_keys($rig->all(Hollin\Core\Components\Panels\Panel::class)))
            ->toBe(['main_panel'])
            ->and($rig->label('c_air'))
            ->toBe('Air conditioner')
            ->and($rig->label('ghost'))
            ->toBe('ghost');
    });

    it('is empty from an empty survey', function (): void {
        expect(Rig::from(new stdClass())->components)->toBe([]);
    });
});

it('carries a problem as pointer and message', function (): void {
    expect((new Problem('/a/b', 'is not right.'))->toArray())->toBe([
        'pointer' => '/a/b',
        'message' => 'is not right.',
    ]);
});
