<?php

declare(strict_types=1);

use Hollin\Core\Answers\Shape;
use Hollin\Core\Document\JobFile;
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
    [$code, $said] = checked(
        Rigs::job(Sample::choose('in_line'), [
            'kind' => 'add_stage',
            'plan' => 'p',
            'id' => 'later',
            'title' => 'Later',
        ]),
    );
    expect($code)
        ->toBe(0)
        ->and($said)
        ->toContain('== As found ==')
        ->toContain('== Plan: Whole retrofit ==')
        ->toContain('== Plan: Later ==');
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
    [, $said] = checked(
        Rigs::job(
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_fridge' => true]]),
            Sample::move('c_outlets', 'main_panel', 'neutral'),
        ),
        ['--view' => 'p/whole'],
    );
    expect($said)
        ->toMatch('/Inside outlets +- +!I +S +S +S +S +I\* +I\* +-/')
        ->toMatch('/Absorption fridge +- +I +S +S +S +S +I +I +-/')
        ->toContain('I = inverting')
        ->toContain('!letter: live, does not work')
        ->toContain('Measure before you touch');
});

it('prints every figure with its arithmetic, its limit and its source', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])), ['--view' => 'p/whole']);
    expect($said)
        ->toContain('Lost 277 W')
        ->toContain('748 W × (1 ÷ (0.88 × 0.85) − 1) + 25 W idle')
        ->toContain('common practice, no source');
});

it('prints sizes with what governs them', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('in_line')), ['--view' => 'p/whole']);
    expect($said)
        ->toContain('Battery-inverter circuit (marine table, 105 °C), round trip 3 m assumed')
        ->toContain('larger of 1.25 × 284.1 A and 324.7 A')
        ->toContain('4/0 AWG, ampacity governs')
        ->toMatch('/fuse Class T +400 A suits/')
        ->toMatch('/fuse bolt-down ANL +does not suit: breaks 6.0 kA/');
});

it('says what is impossible, what is assumed, and who rules', function (): void {
    [, $said] = checked(Rigs::job(Sample::choose('in_line')), ['--view' => 'p/whole']);
    expect($said)
        ->toContain('made impossible: two sources joined')
        ->toMatch('/\d+ values are assumed, not measured/')
        ->toContain('Local code, the equipment\'s instructions and licensed practice rule');
});

it('never says that all is well where nothing was surveyed', function (): void {
    [$code, $said] = checked(JobFile::blank('Nothing yet'));
    expect($code)->toBe(0)->and($said)->toContain('nothing was checked for overload')->not->toContain('No findings.');
});

it('gives JSON in the documented shape', function (): void {
    [$code, $said] = checked(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])), ['--json' => true]);
    $answer = json_decode($said, false, 512, JSON_THROW_ON_ERROR);
    $schema = json_decode(
        (string) json_encode([
            '$ref' => '#/components/schemas/RigAnswer',
            'components' => ['schemas' => Shape::definitions()],
        ]),
        false,
    );
    expect($code)
        ->toBe(1)
        ->and($answer->title)
        ->toBe('Test rig')
        ->and(array_map(fn($v): string => $v->id, $answer->views))
        ->toBe(['as_found', 'p/whole']);
    foreach ($answer->views as $view) {
        expect((new Validator())->validate($answer->answers->{$view->id}, $schema)->isValid())->toBeTrue();
    }
});

it('gives problems as JSON and nothing else', function (): void {
    [$code, $said] = checked(
        '{"hollin": "job", "format": 1, "title": "", "rig": {"kind": "van"}, "asFound": {"components": {}}, ' .
            '"needs": {}, "plans": {}}',
        ['--json' => true],
    );
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
    'a plan with a change about nothing' => [
        '{"hollin":"job","format":1,"title":"x","rig":{"kind":"van"},"asFound":{"components":{}},' .
        '"needs":{},"plans":{"p":{"title":"P","stages":{"s":{"title":"S","order":1}},' .
        '"changes":{"c":{"op":"set","stage":"s","target":"x","by":"hand"}}}}}',
    ],
]);

it('judges a rig with more moving poles than can be reckoned with, and says what was left out', function (): void {
    $document = Rigs::demo('archive');
    for ($i = 0; $i < 70; $i++) {
        $document->asFound->components->{"switch_{$i}"} = clone $document->asFound->components->old_disconnect;
    }
    [$code, $said] = checked($document);
    expect($code)
        ->toBe(1)
        ->and($said)
        ->toContain('too many to check: of about 10^')
        ->toContain('controls always as they usually are: ');
});

describe('figures', function (): void {
    it('carries volts, amps and watts of every named state and scenario', function (): void {
        $document = Rigs::job(
            [
                'kind' => 'set_need',
                'path' => '/scenarios/x',
                'value' => ['title' => 'Cold', 'running' => ['c_fridge.element' => true]],
            ],
            Sample::choose('in_line'),
        );
        [, $said] = checked($document, ['--json' => true]);
        $flows = json_decode($said, true)['answers']['p/whole']['flows'];
        expect(array_keys($flows['inverting']))->toBe(['none', 'all', 'x']);
        $flow = $flows['inverting']['x'];
        // 325 W at 120 V is a resistance of 44.3 Ω; what the inverter gives it takes from the bank at 0.88, and 25 W
        // for itself.
        expect($flow['converged'])
            ->toBeTrue()
            ->and($flow['loads']['c_fridge.element']['watts'])
            ->toEqualWithDelta($flow['loads']['c_fridge.element']['volts'] ** 2 / (14400 / 325), 0.1)
            ->and($flow['conductors']['c_fridge.neutral']['acA'])
            ->toEqualWithDelta($flow['conductors']['c_fridge.hot']['acA'], 0.001)
            ->and($flow['conductors']['c_fridge.ground']['acA'])
            ->toBeLessThan(0.001)
            ->and($flow['converters']['inverter.dc']['inW'])
            ->toEqualWithDelta($flow['converters']['inverter.dc']['outW'] / 0.88 + 25, 0.1)
            ->and($flow['sources']['bank.cells']['kind'])
            ->toBe('battery')
            ->and($flow['sources']['bank.cells']['watts'])
            ->toBeGreaterThan($flow['converters']['inverter.dc']['inW'])
            ->and($flow['conductors']['main_fuse.link']['dcA'])
            ->toEqualWithDelta($flow['sources']['bank.cells']['amps'], 0.01)
            ->and($flow['trips'])
            ->toBe([]);
    });

    it('says what trips, when, and how it ends', function (): void {
        $document = Rigs::job(Sample::choose('in_line', ['continuousW' => 1000, 'surgeW' => 2000]));
        [, $said] = checked($document, ['--json' => true]);
        $flow = json_decode($said, true)['answers']['p/whole']['flows']['inverting']['all'];
        expect(array_column($flow['trips'], 'what'))
            ->toContain('inverter')
            ->and($flow['after']['works'])
            ->toBe([])
            ->and($flow['sources']['inverter.inverter']['overloaded'])
            ->toBeTrue();
    });

    it('gives no figure where nothing can be solved', function (): void {
        $document = Rigs::job(Sample::choose('in_line'), [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'feeder_main',
            'path' => '/to',
            'value' => ['at' => 'main_panel', 'port' => 'line'],
        ]);
        [, $said] = checked($document, ['--json' => true]);
        $flow = json_decode($said, true)['answers']['p/whole']['flows']['shore_and_inverter']['none'];
        expect($flow['converged'])
            ->toBeFalse()
            ->and($flow['trouble'])
            ->toContain('no common phase')
            ->and($flow['sources'])
            ->toBe([]);
    });
});

describe('one state', function (): void {
    it('answers as a meter does', function (array $options, float|string $value): void {
        [$code, $said] = checked(
            Rigs::job(Sample::choose('in_line')),
            ['--json' => true, '--state' => 'inverting'] + $options,
        );
        $reading = json_decode($said, true)['reading'];
        expect($code)->toBe(0);
        is_string($value)
            ? expect($reading['words'])->toContain($value)
            : expect($reading['value'])->toEqualWithDelta($value, 1.5);
    })->with([
        'volts at an outlet' => [['--probe' => 'c_outlets.l,c_outlets.n'], 120.0],
        'after a slip' => [['--probe' => 'c_outlets.l,c_outlets.n', '--set' => ['main_panel.main:off']], 0.0],
        'the battery' => [['--probe' => 'bank.pos,bank.neg', '--function' => 'dc_volts', '--charge' => 'full'], 13.5],
        'a clamp' => [['--probe' => 'c_fridge.hot', '--function' => 'ac_amps', '--on' => ['c_fridge.element']], 2.7],
        'a tester' => [['--probe' => 'c_outlets', '--function' => 'plug_tester'], 'says correct'],
        'ohms on what is live' => [
            ['--probe' => 'c_outlets.l,c_outlets.n', '--function' => 'ohms'],
            'never measure ohms',
        ],
    ]);

    it('tells it in words', function (): void {
        [$code, $said] = checked(Rigs::job(Sample::choose('in_line')), [
            '--state' => 'inverting',
            '--scenario' => 'all',
        ]);
        expect($code)->toBe(0)->and($said)->toContain('inverter.inverter')->toContain('c_air.unit');
        [, $said] = checked(Rigs::job(Sample::choose('in_line')), [
            '--state' => 'inverting',
            '--probe' => 'c_outlets.l,c_outlets.n',
        ]);
        expect($said)->toContain('c_outlets.l to c_outlets.n, ac_volts: 1')->toContain(' V');
    });

    it('writes the state as SPICE', function (): void {
        foreach (['ac' => 'ac lin 1 60', 'dc' => "\nop\n"] as $side => $analysis) {
            [$code, $said] = checked(Rigs::job(Sample::choose('in_line')), [
                '--state' => 'inverting',
                '--netlist' => $side,
            ]);
            expect($code)->toBe(0)->and($said)->toStartWith('* ')->toContain($analysis)->toEndWith(".end\n");
        }
        $base = sys_get_temp_dir() . '/hollin-netlist-' . getmypid();
        [$code] = checked(Rigs::job(Sample::choose('in_line')), [
            '--state' => 'inverting',
            '--netlist' => "{$base}.cir",
        ]);
        expect($code)->toBe(0)->and(is_file("{$base}.ac.cir"))->toBeTrue()->and(is_file("{$base}.dc.cir"))->toBeTrue();
        array_map(unlink(...), ["{$base}.ac.cir", "{$base}.dc.cir"]);
    });

    it('names what is wrong with what was asked', function (array $options, string $said): void {
        [$code, $out] = checked(Rigs::job(Sample::choose('in_line')), ['--json' => true] + $options);
        // Problems stand on the error output as well, which is the same buffer here.
        expect($code)
            ->toBe(2)
            ->and(json_decode(substr($out, 0, (int) strrpos($out, '}') + 1), true)['problems'][0]['message'])
            ->toContain($said);
    })->with([
        [['--state' => 'flying'], 'is not a named state'],
        [['--state' => 'inverting', '--set' => ['warp:on']], 'is not something that can be set'],
        [['--state' => 'inverting', '--set' => ['inlet.plug:moon']], 'has no such position'],
        [['--state' => 'inverting', '--scenario' => 'party'], 'is no scenario'],
        [['--state' => 'inverting', '--on' => ['c_air.engine']], 'is not a load'],
        [['--state' => 'inverting', '--probe' => 'a.b,c.d'], 'is not a terminal'],
        [['--state' => 'inverting', '--probe' => 'c_outlets.l,c_outlets.n', '--function' => 'smell'], 'must be one of'],
        [['--state' => 'inverting', '--charge' => 'some'], 'must be one of'],
        [['--state' => 'inverting', '--netlist' => '/nowhere/at/all'], 'cannot be written'],
    ]);
});

describe('what is hardly meant', function (): void {
    it('is warned of with its place, and judged all the same', function (): void {
        $document = Rigs::job([
            'kind' => 'survey_add',
            'id' => 'odd_fuse',
            'component' => ['type' => 'dc_fuse', 'label' => 'Odd', 'family' => 'class_t', 'ratingA' => 130],
        ]);
        $document->needs = Rigs::object([
            'scenarios' => ['x' => ['title' => 'X', 'running' => ['c_air.unit' => true, 'c_ari.unit' => true]]],
            'offGrid' => ['c_air' => true, 'c_attic' => true],
        ]);
        [$code, $said] = checked($document, ['--json' => true]);
        $warnings = array_column(json_decode($said, true)['warnings'], 'message', 'pointer');
        expect($code)
            ->toBe(0)
            ->and(array_keys($warnings))
            ->toBe([
                '/asFound/components/odd_fuse/ratingA',
                '/needs/scenarios/x/running/c_ari.unit',
                '/needs/offGrid/c_attic',
            ])
            ->and($warnings['/asFound/components/odd_fuse/ratingA'])
            ->toContain('110, 125, 150');
    });

    it('is not warned of where only a plan has it', function (): void {
        $document = Rigs::job([
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'c_new',
            'component' => [
                'type' => 'circuit',
                'label' => 'New',
                'hot' => ['behind' => 'c_outlets'],
                'neutral' => ['behind' => 'c_outlets'],
                'cable' => ['size' => 'awg:14', 'lengthM' => 2],
                'gfci' => 'none',
                'place' => 'general',
                'loads' => ['fan' => ['label' => 'Fan', 'watts' => 40, 'kind' => 'motor']],
            ],
        ]);
        $document->needs = Rigs::object([
            'scenarios' => ['x' => ['title' => 'X', 'running' => ['c_new.fan' => true]]],
            'offGrid' => ['c_new' => true],
        ]);
        [, $said] = checked($document, ['--json' => true]);
        expect(json_decode($said, true)['warnings'])->toBe([]);
    });

    it('says what to write', function (mixed $size, mixed $length, string $said): void {
        $document = Rigs::job();
        $document->asFound->components->c_outlets->cable = Rigs::object(['size' => $size, 'lengthM' => $length]);
        [$code, $out] = checked($document, ['--json' => true]);
        expect($code)
            ->toBe(2)
            ->and(
                implode(
                    ' ',
                    array_column(
                        json_decode(substr($out, 0, (int) strrpos($out, '}') + 1), true)['problems'],
                        'message',
                    ),
                ),
            )
            ->toContain($said);
    })->with([
        ['4 AWG', 3, 'Write awg:4.'],
        ['#12', 3, 'Write awg:12.'],
        ['4/0', 3, 'Write awg:4/0.'],
        ['2.5 mm²', 3, 'Write mm2:2.5.'],
        ['fat', 3, 'Write for example awg:4'],
        ['awg:12', '10 ft', 'Write metres, without a unit: 3.048.'],
        ['awg:12', '90 cm', 'Write metres, without a unit: 0.9.'],
        ['awg:12', '3', 'Write 3 without quotes.'],
        ['awg:12', '10 furlong', 'Write the number alone, in m.'],
    ]);
});
