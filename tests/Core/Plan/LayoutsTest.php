<?php

declare(strict_types=1);

use Hollin\Core\Components\Rig;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Plan\Layouts;
use Tests\Rigs;

it('is a job file that reads, with nothing said to be measured', function (string $layout): void {
    $text = (string) file_get_contents(dirname(__DIR__, 3) . "/core/layouts/{$layout}.json");
    $document = JobFile::read($text);
    expect($document->title)
        ->toBe(Layouts::all()[$layout]['title'])
        ->and(strlen(Layouts::all()[$layout]['summary']))
        ->toBeGreaterThan(30)
        ->and($text)
        ->not->toContain('measured')
        ->not->toContain('read_off');
    $rig = Rigs::asFound($document);
    // A factory rig has no danger of its own: what is found is what a pedestal brings.
    $own = array_filter(
        (new Hollin\Core\Rules\Judge($rig))->findings,
        fn($f) => in_array($f->severity()->value, ['danger', 'warning'], true) &&
            !in_array($f->rule->id, ['frame_energised', 'pedestal_volts', 'reversed_polarity'], true),
    );
    expect(array_map(fn($f) => $f->toArray()['text'], array_values($own)))->toBe([]);
})->with(array_keys(Layouts::all()));

it('offers at least ten, and every file that is there', function (): void {
    $files = array_map(
        fn(string $f): string => basename($f, '.json'),
        (array) glob(dirname(__DIR__, 3) . '/core/layouts/*.json'),
    );
    expect(count($files))->toBeGreaterThanOrEqual(10)->and($files)->toEqualCanonicalizing(array_keys(Layouts::all()));
});

/** The trailer with a 12 V circuit on it. */
function withTwelveVoltCircuit(array $more): stdClass
{
    return Rigs::job([
        'kind' => 'survey_add',
        'id' => 'd_pump',
        'component' => $more + [
            'type' => 'dc_circuit',
            'label' => 'Pump',
            'panel' => 'dc_panel',
            'fuseA' => 10,
            'amps' => 6,
            'use' => 'other',
            'cable' => ['size' => 'awg:14', 'lengthM' => 5],
        ],
    ]);
}

it('holds the fuse of a 12 V circuit against its wire', function (): void {
    $thin = withTwelveVoltCircuit(['fuseA' => 30, 'cable' => ['size' => 'awg:16', 'lengthM' => 4]]);
    $found = array_filter(
        Rigs::findings(Rigs::asFound($thin), 'conductor_protection'),
        fn($f) => in_array('d_pump', $f->toArray()['components'], true),
    );
    expect($found)
        ->not->toBe([])
        ->and(array_values($found)[0]->toArray()['text'])
        ->toContain('its fuse lets 30 A through');
    $sound = Rigs::asFound(withTwelveVoltCircuit([]));
    expect(
        array_filter(
            Rigs::findings($sound, 'conductor_protection'),
            fn($f) => in_array('d_pump', $f->toArray()['components'], true),
        ),
    )->toBe([]);
});

it('drops volts along both wires of a 12 V circuit', function (): void {
    $rig = Rigs::asFound(withTwelveVoltCircuit([]));
    $dead = $rig->settled['nothing'];
    $flow = (new Hollin\Core\Solve\Meter($dead, []))->dcVolts('d_pump.pos', 'd_pump.neg')->value;
    $panel = (new Hollin\Core\Solve\Meter($dead, []))->dcVolts('dc_panel.pos', 'dc_panel.neg')->value;
    // Ohm's law by hand: 6 A through twice 5 m of 14 AWG (8.29 mΩ/m at 20 °C: NEC chapter 9 table 8, 2.57 Ω/kft dc).
    expect($panel - $flow)
        ->toBeGreaterThan(0.45)
        ->toBeLessThan(0.62);
});

it('refuses a 12 V circuit in what is no 12 V panel, by name', function (): void {
    withTwelveVoltCircuit(['panel' => 'main_panel']);
})->throws(Hollin\Core\Plan\Refused::class, 'Pump, 12 V panel: Main panel is not a dc panel of this rig');

it('confirms what was looked at in one edit, whole or not at all', function (): void {
    $document = Rigs::job();
    $confirm = fn(array $values, string $basis = 'read_off'): array => [
        'kind' => 'survey_confirm',
        'basis' => $basis,
        'by' => 'Robin',
        'at' => '2026-11-26',
        'values' => $values,
    ];
    $done = Rigs::edit(
        $document,
        $confirm([
            ['component' => 'c_air', 'path' => '/breakerA'],
            ['component' => 'c_air', 'path' => '/cable/size'],
            ['component' => 'c_air', 'path' => '/loads/unit/watts'],
        ]),
    );
    $air = $done->asFound->components->c_air;
    expect([$air->breakerA->basis, $air->cable->size->basis, $air->loads->unit->watts->basis])
        ->toBe(['read_off', 'read_off', 'read_off'])
        ->and($air->breakerA->value)
        ->toBe($document->asFound->components->c_air->breakerA->value)
        ->and($air->breakerA->by)
        ->toBe('Robin')
        ->and($air->cable->lengthM->basis)
        ->toBe('assumed');
    foreach (
        [
            [[['component' => 'c_air', 'path' => '/gfci']], 'read_off'],
            [[['component' => 'ghost', 'path' => '/gfci']], 'read_off'],
            [[], 'read_off'],
            [['c_air'], 'read_off'],
            [[['component' => 'c_air', 'path' => '/breakerA']], 'assumed'],
        ]
        as [$values, $basis]
    ) {
        expect(fn() => Rigs::edit($document, $confirm($values, $basis)))->toThrow(Hollin\Core\Plan\Refused::class);
    }
});

it('says what an assumed value could be instead, within its field', function (): void {
    foreach (Hollin\Core\Components\Catalogue::types() as $type => $class) {
        $walk = function (array $fields) use (&$walk, $type): void {
            foreach ($fields as $name => $field) {
                if ($field->surveyed) {
                    expect($field->plausible)->not->toBeNull("{$type}: {$name}");
                }
                $walk($field->fields);
            }
        };
        $walk($class::allFields());
    }
    $fields = Hollin\Core\Components\Panels\Circuit::fields();
    $of = fn($field, mixed $value): array => $field->plausible->insteadOf($value, $field);
    expect($of($fields['breakerA'], 20))
        ->toBe([15, 30])
        ->and($of($fields['cable']->fields['lengthM'], 5.0))
        ->toBe([2.5, 10.0])
        ->and($of($fields['cable']->fields['lengthM'], 50.0))
        ->toBe([25.0, 60.0])
        ->and($of($fields['cable']->fields['size'], 'awg:12'))
        ->toBe(['awg:14', 'awg:10'])
        ->and($of($fields['cable']->fields['size'], 'awg:1'))
        ->toBe(['awg:2', 'awg:1/0']);
    expect(Plausible::oneOf('x', true, false)->insteadOf(false, Hollin\Core\Job\Field::flag('y')))->toBe([true]);
});

it('copies another rig\'s survey, and believes none of it', function (): void {
    $other = Rigs::demo('grafting')->asFound->components;
    $copy = fn(mixed $parts): stdClass => Rigs::edit(JobFile::blank('x'), [
        'kind' => 'lay_out',
        'layout' => 'copy',
        'from' => 'The other one',
        'components' => $parts,
    ]);
    $done = $copy($other);
    $bases = [];
    $all = json_decode((string) json_encode($done->asFound->components), true);
    array_walk_recursive($all, function (mixed $v, string|int $k) use (&$bases): void {
        if ($k === 'basis') {
            $bases[$v] = true;
        }
    });
    expect(array_keys($bases))
        ->toBe(['assumed'])
        ->and(array_keys((array) $done->asFound->components))
        ->toBe(array_keys((array) $other))
        ->and(Rig::from($done->asFound->components)->find('inlet'))
        ->not->toBeNull();
    expect(fn() => $copy('none'))->toThrow(Hollin\Core\Plan\Refused::class, 'missing');
    expect(fn() => $copy(['x' => ['type' => 'castle', 'label' => 'X']]))->toThrow(Hollin\Core\Plan\Refused::class);
});

it('reads a 12 V circuit in one line, and assumes only what it does not say', function (): void {
    $add = fn(string $lines): stdClass => Rigs::job([
        'kind' => 'add_circuits',
        'panel' => 'dc_panel',
        'lines' => $lines,
    ])->asFound->components;
    $parts = $add("15 lights 14awg 18 ft 4a\n5 gas detector\n20 breakaway brakes 12ga 3m");
    expect($parts->d_lights->fuseA->value)
        ->toBe(15.0)
        ->and($parts->d_lights->cable->size->value)
        ->toBe('awg:14')
        ->and($parts->d_lights->cable->lengthM->value)
        ->toBe(5.486)
        ->and($parts->d_lights->cable->lengthM->entered)
        ->toBe('18 ft')
        ->and($parts->d_lights->amps->basis)
        ->toBe('told')
        ->and($parts->d_gas_detector->use)
        ->toBe('detector')
        ->and($parts->d_gas_detector->amps->basis)
        ->toBe('assumed')
        ->and($parts->d_breakaway_brakes->use)
        ->toBe('breakaway');
    foreach (['lights 15', '15 lights 14', '99 lights', '15 lights 14/2', '15 x 7awg'] as $bad) {
        expect(fn() => $add($bad))->toThrow(Hollin\Core\Plan\Refused::class);
    }
});
