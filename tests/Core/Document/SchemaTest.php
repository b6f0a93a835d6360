<?php

declare(strict_types=1);

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Components\PartSchema;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Document\Schema;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Id;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Tree;
use Opis\JsonSchema\Validator;
use Tests\Rigs;

/** A value that a field takes. */
function goodValue(Field $field): mixed
{
    $plain = match ($field->kind) {
        'text' => 'x',
        'number' => ($field->min + $field->max) / 2,
        'integer' => (int) ceil(($field->min + $field->max) / 2),
        'choice' => (string) array_key_first($field->choices),
        'flag' => true,
        'size' => 'awg:12',
        'ref' => 'some_part',
        'terminal' => 'part.pos',
        'group' => goodObject($field->fields),
        'map' => (object) ['one' => goodObject($field->fields)],
        default => null,
    };

    return $plain;
}

/** @param array<string, Field> $fields */
function goodObject(array $fields): stdClass
{
    $object = new stdClass();
    foreach ($fields as $name => $field) {
        $object->{$name} = goodValue($field);
    }

    return $object;
}

function goodComponent(string $type): stdClass
{
    return (object) (['type' => $type] + get_object_vars(goodObject(Catalogue::types()[$type]::allFields())));
}

/** @return list<string> "pointer message" */
function complaintsAbout(stdClass $component): array
{
    return array_map(fn(Problem $p): string => "{$p->pointer} {$p->message}", PartSchema::problems($component, ''));
}

$types = array_keys(Catalogue::types());

it('takes a component with every property in the middle of its range', function (string $type): void {
    expect(complaintsAbout(goodComponent($type)))->toBe([]);
})->with($types);

it('takes surveyed values with how they are known', function (string $type): void {
    $component = goodComponent($type);
    foreach (Catalogue::types()[$type]::fields() as $name => $field) {
        if ($field->surveyed) {
            $component->{$name} = (object) [
                'value' => goodValue($field),
                'basis' => 'measured',
                'by' => 'Posy',
                'at' => '2026-01-01',
                'entered' => 'as read',
            ];
        }
    }
    expect(complaintsAbout($component))->toBe([]);
})->with($types);

it('misses what is required, and only that', function (string $type): void {
    foreach (Catalogue::types()[$type]::allFields() as $name => $field) {
        $component = goodComponent($type);
        unset($component->{$name});
        expect(complaintsAbout($component))->toBe(
            $field->required ? [" lacks {$name}."] : [],
            "{$type} without {$name}",
        );
    }
})->with($types);

it('holds every number to its range and says the limit and the meaning', function (string $type): void {
    $checked = 0;
    foreach (Catalogue::types()[$type]::fields() as $name => $field) {
        if (!in_array($field->kind, ['number', 'integer'], true)) {
            continue;
        }
        foreach ([[$field->max + 1, 'at most'], [$field->min - 1, 'at least']] as [$value, $said]) {
            $component = goodComponent($type);
            $component->{$name} = $field->kind === 'integer' ? (int) $value : $value;
            $complaints = complaintsAbout($component);
            expect($complaints)
                ->toHaveCount(1)
                ->and($complaints[0])
                ->toStartWith("/{$name} ")
                ->toContain($said)
                ->toContain($field->label);
            $checked++;
        }
        $component = goodComponent($type);
        $component->{$name} = '12';
        expect(complaintsAbout($component)[0])->toContain('not string');
    }
    expect($checked)->toBeGreaterThanOrEqual(0);
})->with($types);

it('knows its choices and nothing else', function (string $type): void {
    foreach (Catalogue::types()[$type]::fields() as $name => $field) {
        if ($field->kind === 'choice') {
            $component = goodComponent($type);
            $component->{$name} = 'something_else';
            expect(complaintsAbout($component)[0])
                ->toContain('must be one of')
                ->toContain((string) array_key_first($field->choices));
            foreach (array_keys($field->choices) as $choice) {
                $component->{$name} = (string) $choice;
                expect(complaintsAbout($component))->toBe([]);
            }
        }
    }
    expect(true)->toBeTrue();
})->with($types);

it('refuses what it does not know, and names it', function (string $type): void {
    $component = goodComponent($type);
    $component->colour = 'red';
    $complaints = complaintsAbout($component);
    expect($complaints)->toHaveCount(1)->and($complaints[0])->toContain('unknown properties: colour');
})->with($types);

it('takes text of no more than its length, control characters and all', function (): void {
    $component = goodComponent('shunt');
    $component->label = str_repeat('ä', 80);
    expect(complaintsAbout($component))->toBe([]);
    $component->label = str_repeat('ä', 81);
    expect(complaintsAbout($component)[0])->toContain('longer than 80 characters');
    $component->label = '';
    expect(complaintsAbout($component)[0])->toContain('must not be empty');
});

it('is itself a schema that the validator accepts, and describes every property', function (): void {
    $schema = Schema::document();
    expect((new Validator())->validate(Rigs::job(), $schema)->isValid())->toBeTrue();
    foreach (Catalogue::types() as $type => $class) {
        expect($schema->{'$defs'}->{$type}->description)->toBe($class::summary());
        foreach (array_keys($class::allFields()) as $name) {
            expect($schema->{'$defs'}->{$type}->properties->{$name}->description ?? '')->not->toBe(
                '',
                "{$type}.{$name}",
            );
        }
    }
});

it('bounds how much a document may hold', function (): void {
    $document = JobFile::blank('x');
    for ($i = 0; $i <= 400; $i++) {
        $document->asFound->components->{"part_{$i}"} = Rigs::object([
            'type' => 'bus_bar',
            'label' => 'B',
            'pole' => 'positive',
        ]);
    }
    expect(array_map(fn(Problem $p): string => $p->message, Schema::problems($document)))->toBe([
        'has more than 400 entries.',
    ]);
    // Also when only what changed is looked at.
    expect(Schema::problems(Schema::onlyChanged($document, JobFile::blank('x'))))->toHaveCount(1);
});

it('prunes what did not change and keeps what did', function (): void {
    $before = Rigs::job();
    $after = Tree::copy($before);
    $after->asFound->components->c_air->label = 'Roof';
    $pruned = Schema::onlyChanged($after, $before);
    expect(array_keys(get_object_vars($pruned->asFound->components)))
        ->toBe(['c_air'])
        ->and(get_object_vars($pruned->plans))
        ->toBe([])
        ->and($after->asFound->components)
        ->toHaveProperty('inlet');
});

describe('ids', function (): void {
    it('are lower case, never a number, not too long', function (string $id, bool $valid): void {
        expect(Id::valid($id))->toBe($valid);
    })->with([
        ['c1', true],
        ['main_panel', true],
        ['1', false],
        ['C1', false],
        ['_x', false],
        ['a-b', false],
        ['', false],
        [str_repeat('a', 48), true],
        [str_repeat('a', 49), false],
        ["a\n", false],
    ]);

    it('are made from labels and never twice', function (string $label, array $taken, string $id): void {
        expect(Id::from($label, array_fill_keys($taken, 1)))->toBe($id)->and(Id::valid($id))->toBeTrue();
    })->with([
        ['Bath outlets', [], 'bath_outlets'],
        ['Bath outlets', ['bath_outlets'], 'bath_outlets_2'],
        ['12 V panel', [], 'x12_v_panel'],
        ['Über!', [], 'ber'],
        ['', [], 'x'],
    ]);
});

it('says how an end of a lead is written that somebody wrote like a feeder\'s', function (): void {
    $by = Hollin\Core\Job\Meant::by(...);
    expect($by((object) ['at' => 'bank', 'port' => 'pos'], [], 'From'))
        ->toBe(' Write it as one text: "bank.pos".')
        ->and($by((object) ['at' => 'bank'], [], 'From'))
        ->toBe(' Write it as one text: "bank".')
        ->and($by((object) ['x' => 1], [], 'From'))
        ->toBe('')
        ->and($by(12, [], 'From'))
        ->toBe('');
});
