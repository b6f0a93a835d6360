<?php

declare(strict_types=1);

use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * Each rule on small rigs: what it finds where, with which figures, and that it keeps silent
 * beside it. Figures are worked by hand in the comments.
 */

/** The only finding of a rule in the plan. */
function theFinding(string $rule, array ...$edits): Finding
{
    $findings = Rigs::findings(Rigs::planned(Rigs::job(...$edits)), $rule);
    expect($findings)->toHaveCount(
        1,
        "{$rule}: " . implode(' | ', array_map(fn(Finding $f): string => $f->hit->text, $findings)),
    );

    return $findings[0];
}

/** @return list<Finding> */
function findingsOf(string $rule, array ...$edits): array
{
    return Rigs::findings(Rigs::planned(Rigs::job(...$edits)), $rule);
}

function usual(array $options = []): array
{
    return Sample::choose(
        'subpanel',
        $options + ['circuits' => ['c_outlets' => true, 'c_fridge' => true], 'converter' => 'ahead'],
    );
}

const SCENARIO = 'set_need';

describe('joined sources', function (): void {
    it('proves it with the path from one source to the other', function (): void {
        $finding = theFinding(
            'joined_sources',
            Sample::choose('in_line'),
            Sample::set('feeder_main', '/to', ['at' => 'main_panel', 'port' => 'line']),
        );
        $ends = [$finding->path[0], $finding->path[count($finding->path) - 1]];
        sort($ends);
        expect($ends)
            ->toBe(['inverter.ac_out.l', 'shore.service.l'])
            ->and($finding->elements)
            ->toContain('inlet.mate_s30_l')
            ->toContain('inverter_out.hot')
            ->and($finding->severity()->value)
            ->toBe('danger');
    });

    it('is not fooled by neutrals that are common', function (): void {
        expect(findingsOf('joined_sources', usual(['neutral' => 'common'])))->toBe([]);
    });
});

describe('live pins', function (): void {
    it('is hard when the feeder was left', function (): void {
        $finding = theFinding(
            'live_pins',
            Sample::choose('in_line'),
            Sample::set('feeder_main', '/to', ['at' => 'main_panel', 'port' => 'line']),
        );
        expect($finding->hit->key)
            ->toBe('inlet|hard')
            ->and($finding->hit->text)
            ->toContain('joined to the hot')
            ->and($finding->hit->remedies)
            ->toBe([]);
    });

    it('is soft through a load when a neutral was left, and offers to fetch it', function (): void {
        $finding = theFinding('live_pins', usual(), Sample::move('c_fridge', 'main_panel', 'neutral'));
        expect($finding->hit->text)
            ->toContain('through a load')
            ->and($finding->hit->key)
            ->toBe('inlet|c_fridge')
            ->and($finding->hit->remedies)
            ->toHaveCount(1)
            ->and($finding->hit->remedies[0]->intent)
            ->toBe([
                'kind' => 'move_circuit',
                'circuit' => 'c_fridge',
                'panel' => 'inverter_panel',
                'wires' => 'neutral',
            ])
            ->and($finding->states)
            ->toBe(['inverting']);
    });

    it('says nothing while something is mated with the inlet', function (): void {
        $rig = Rigs::planned(Rigs::job(usual(), Sample::move('c_fridge', 'main_panel', 'neutral')));
        $rule = new Hollin\Core\Rules\LivePins();
        expect($rule->hits($rig->settled['dead_pedestal']->situation, $rig))
            ->toBe([])
            ->and($rule->hits($rig->settled['inverting']->situation, $rig))
            ->toHaveCount(1);
    });
});

describe('bond count', function (): void {
    it('counts the screw in every state that has a source', function (): void {
        $screw = Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']);
        $finding = theFinding('bond_count', $screw, Sample::choose('in_line'));
        expect($finding->hit->key)
            ->toBe('two|main_panel.bond_screw')
            ->and($finding->states)
            ->toContain('inverting')
            ->toContain('shore_s30')
            ->toContain('dead_pedestal')
            ->not->toContain('nothing')
            ->and($finding->hit->remedies[0]->intent['path'])
            ->toBe('/bondScrew');
    });

    it('does not count a screw on a panel whose neutral is not in the system', function (): void {
        // The main panel is on the shore side: dark and apart while the inverter feeds its own panel.
        $screw = Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']);
        $finding = theFinding('bond_count', $screw, usual());
        expect($finding->states)->not->toContain('inverting')->toContain('shore_s30');
    });

    it('warns when there is none', function (): void {
        $finding = theFinding('bond_count', usual(), Sample::set('inverter', '/bond', 'none'));
        expect($finding->hit->key)
            ->toBe('none|inverter.inverter')
            ->and($finding->severity()->value)
            ->toBe('warning')
            ->and($finding->hit->remedies[0]->intent['value'])
            ->toBe('relay');
    });

    it('finds a unit that is always bonded on shore', function (): void {
        $finding = theFinding('bond_count', usual(), Sample::set('inverter', '/bond', 'fixed'));
        expect($finding->states)
            ->toContain('shore_s30')
            ->and($finding->hit->figures[0]->value)
            ->toBe(2.0)
            ->and($finding->hit->figures[0]->limit)
            ->toBe(1.0);
    });
});

describe('split return', function (): void {
    it('names the circuit, both panels, and both ways to mend it', function (): void {
        $findings = findingsOf('split_return', usual(), Sample::move('c_fridge', 'main_panel', 'neutral'));
        $danger = array_column(array_map(fn(Finding $f): array => [$f->hit->key, $f], $findings), 1, 0)[
            'c_fridge|no return'
        ];
        expect($danger->hit->components)
            ->toBe(['c_fridge', 'inverter_panel', 'main_panel'])
            ->and(array_map(fn($r): string => $r->intent['wires'], $danger->hit->remedies))
            ->toBe(['neutral', 'hot'])
            ->and($danger->states)
            ->toBe(['inverting']);
    });

    it('warns of the wrong path where the neutrals do meet', function (): void {
        $findings = findingsOf('split_return', usual(), Sample::move('c_fridge', 'main_panel', 'neutral'));
        $warning = array_values(
            array_filter($findings, fn(Finding $f): bool => $f->severity()->value === 'warning'),
        )[0];
        expect($warning->states)->toContain('shore_s30')->and($warning->hit->text)->toContain('a path nobody sized');
    });

    it('sees a hot moved behind a GFCI without its neutral', function (): void {
        $edits = [usual(), Sample::set('c_air', '/hot', ['behind' => 'c_wet'])];
        expect(findingsOf('split_return', ...$edits))->not->toBe([]);
        expect(
            findingsOf('split_return', ...[...$edits, Sample::set('c_air', '/neutral', ['behind' => 'c_wet'])]),
        )->toBe([]);
    });
});

describe('charging loop', function (): void {
    it('works its figures by hand for another unit', function (): void {
        // 2000 W at 0.9, converter 30 A × 13.6 V at 0.8: 408 × (1 ÷ 0.72 − 1) = 158.7 W, plus 25 W idle = 183.7 W; × 24
        // ÷ 12.8 = 344 Ah a day.
        $finding = theFinding(
            'charging_loop',
            Sample::survey('converter', '/outputA', 30),
            Sample::survey('converter', '/efficiency', ['value' => 0.8, 'basis' => 'told']),
            Sample::choose('in_line', ['converter' => 'left', 'continuousW' => 2000, 'efficiency' => 0.9]),
        );
        expect($finding->hit->figures[0]->value)
            ->toEqualWithDelta(183.7, 0.1)
            ->and($finding->hit->figures[1]->value)
            ->toEqualWithDelta(344.4, 0.3)
            ->and($finding->hit->figures[0]->assumed)
            ->toBeFalse();
    });

    it('says when it rests on an assumed efficiency', function (): void {
        expect(
            theFinding('charging_loop', Sample::choose('in_line', ['converter' => 'left']))->hit->figures[0]->assumed,
        )->toBeTrue();
    });

    it('offers the shore side when there is one, and taking it out always', function (): void {
        $labels = fn(Finding $f): array => array_map(fn($r): string => $r->label, $f->hit->remedies);
        $sub = theFinding(
            'charging_loop',
            Sample::choose('subpanel', [
                'circuits' => ['c_converter' => true, 'c_fridge' => true],
                'converter' => 'left',
            ]),
        );
        $line = theFinding('charging_loop', Sample::choose('in_line', ['converter' => 'left']));
        expect($labels($sub))
            ->toContain('Move Converter to Main panel')
            ->and($labels($line))
            ->not->toContain('Move Converter to Main panel')
            ->toContain('Take Converter 55 A out');
    });

    it('is gone when the converter\'s lead is lifted off the bank', function (): void {
        expect(
            findingsOf(
                'charging_loop',
                ['kind' => 'survey_remove', 'component' => 'ld_conv'],
                Sample::choose('in_line', ['converter' => 'left']),
            ),
        )->toBe([]);
    });

    it('finds it through a plug as well', function (): void {
        $document = Hollin\Core\Document\JobFile::blank('x');
        foreach (
            [
                ['kind' => 'lay_out', 'layout' => 'trailer_30_separate'],
                ['kind' => 'add_plan', 'id' => 'p', 'title' => 'P'],
                Sample::choose('in_line', ['converter' => 'left']),
            ]
            as $edit
        ) {
            $document = Rigs::edit($document, $edit);
        }
        $finding = Rigs::findings(Rigs::planned($document), 'charging_loop')[0];
        expect($finding->elements)
            ->toContain('converter.plug_l')
            ->and($finding->hit->components)
            ->toContain('c_converter');
    });
});

describe('GFCI', function (): void {
    it('counts protection from the circuit it hangs behind', function (): void {
        $behind = Sample::survey('c_outlets', '/hot', ['behind' => 'c_wet']);
        $with = [
            $behind,
            Sample::survey('c_outlets', '/neutral', ['behind' => 'c_wet']),
            Sample::survey('c_outlets', '/place', 'outside'),
        ];
        expect(Rigs::findings(Rigs::asFound(Rigs::job(...$with)), 'lost_gfci'))->toBe([]);
        $moved = [...$with, usual(['circuits' => ['c_fridge' => true]]), Sample::move('c_outlets', 'inverter_panel')];
        $finding = theFinding('lost_gfci', ...$moved);
        expect($finding->hit->key)->toBe('c_outlets|lost')->and($finding->severity()->value)->toBe('danger');
    });

    it('is content with either remedy', function (string $kind): void {
        $edits = [
            Sample::survey('c_wet', '/gfci', 'breaker'),
            Sample::choose('subpanel', ['circuits' => ['c_wet' => true]]),
        ];
        expect(theFinding('lost_gfci', ...$edits)->hit->remedies)->toHaveCount(2);
        expect(findingsOf('lost_gfci', ...[...$edits, Sample::set('c_wet', '/gfci', $kind)]))->toBe([]);
    })->with(['receptacle', 'breaker']);
});

describe('conductor protection', function (): void {
    it('holds each branch cable against its own breaker', function (string $size, int $breakerA, bool $found): void {
        $findings = Rigs::findings(
            Rigs::asFound(
                Rigs::job(
                    Sample::survey('c_air', '/breakerA', ['value' => $breakerA, 'basis' => 'read_off']),
                    Sample::survey('c_air', '/cable/size', ['value' => $size, 'basis' => 'read_off']),
                ),
            ),
            'conductor_protection',
        );
        expect($findings !== [])->toBe($found);
    })->with([
        ['awg:14', 15, false],
        ['awg:14', 20, true],
        ['awg:12', 20, false],
        ['awg:12', 25, true],
        ['awg:10', 30, false],
        ['awg:10', 35, true],
        ['awg:8', 40, false],
        ['awg:8', 50, true],
    ]);

    it('offers the smallest cable that is allowed', function (): void {
        $finding = Rigs::findings(
            Rigs::asFound(Rigs::job(Sample::survey('c_outlets', '/breakerA', ['value' => 20, 'basis' => 'read_off']))),
            'conductor_protection',
        )[0];
        expect(array_map(fn($r): mixed => $r->intent['value']['value'], $finding->hit->remedies))
            ->toBe([15, 'awg:12'])
            ->and($finding->hit->figures[0]->value)
            ->toBe(20.0)
            ->and($finding->hit->figures[0]->limit)
            ->toBe(15.0);
    });

    it('protects the cord by the largest pedestal', function (): void {
        $thin = Sample::survey('inlet', '/cord/size', ['value' => 'awg:14', 'basis' => 'read_off']);
        $finding = Rigs::findings(Rigs::asFound(Rigs::job($thin)), 'conductor_protection');
        expect($finding)
            ->toHaveCount(1)
            ->and($finding[0]->hit->components[0])
            ->toBe('inlet');
        $small = Sample::survey('shore', '/supplies', ['s15' => ['ratingA' => 15]]);
        expect(Rigs::findings(Rigs::asFound(Rigs::job($thin, $small)), 'conductor_protection'))->toBe([]);
    });

    it('lets a short tap to its own fuse be', function (float $metres, bool $found): void {
        $findings = findingsOf(
            'conductor_protection',
            Sample::choose('in_line'),
            Sample::set('ld_house', '/cable/lengthM', ['value' => $metres, 'basis' => 'measured']),
        );
        expect(array_filter($findings, fn(Finding $f): bool => $f->hit->components[0] === 'ld_house') !== [])->toBe(
            $found,
        );
    })->with([[0.15, false], [0.5, true]]);

    it('grades an unfused lead by its length', function (float $metres, ?string $severity): void {
        $findings = Rigs::findings(
            Rigs::asFound(
                Rigs::job(Sample::survey('ld_house', '/cable/lengthM', ['value' => $metres, 'basis' => 'measured'])),
            ),
            'conductor_protection',
        );
        expect($findings === [] ? null : $findings[0]->severity()->value)->toBe($severity);
    })->with([[0.15, null], [0.4, 'warning'], [1.0, 'danger'], [2.5, 'danger']]);

    it('asks the school that governs', function (): void {
        $edits = [Sample::choose('in_line', ['dcSize' => 'awg:4/0'])];
        expect(findingsOf('conductor_protection', ...$edits))->toBe([]);
        // 4/0 carries 445 A by the marine table and 230 A by the building one; the fuse is 400 A.
        $building = findingsOf(
            'conductor_protection',
            ['kind' => 'set_need', 'path' => '/ampacity', 'value' => 'building'],
            ...$edits,
        );
        expect($building)
            ->not->toBe([])
            ->and($building[0]->hit->figures[0]->limit)
            ->toBe(230.0);
    });
});

describe('interrupting capacity', function (): void {
    it('lets a fuse nearer the bank supply what a small one lacks', function (): void {
        expect(findingsOf('interrupting_capacity', Sample::choose('in_line')))->toBe([]);
        // The small fuse alone at the bank cannot: 5 kA against some 19 kA.
        $alone = findingsOf(
            'interrupting_capacity',
            Sample::choose('in_line'),
            Sample::set('ld_house', '/from', 'bank.pos'),
        );
        expect(array_map(fn(Finding $f): string => $f->hit->components[0], $alone))->toBe(['house_fuse']);
    });

    it('offers only families that break it and are made in that rating', function (): void {
        $finding = theFinding(
            'interrupting_capacity',
            Sample::choose('in_line'),
            Sample::set('main_fuse', '/family', 'anl'),
            ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'ld_house'],
        );
        expect(array_map(fn($r): string => $r->intent['value'], $finding->hit->remedies))->toBe(['class_t']);
    });

    it('takes the maker\'s resistance when it is given', function (): void {
        // 10 mΩ each, two in parallel: 1.05 × 13.5 ÷ (0.9 × 5 mΩ + cable) ≈ 3.1 kA, which ANL breaks.
        expect(
            findingsOf(
                'interrupting_capacity',
                Sample::choose('in_line', ['fuseFamily' => 'anl']),
                Sample::set('bank', '/unitMilliohm', ['value' => 10, 'basis' => 'read_off']),
            ),
        )->toBe([]);
    });
});

describe('pass-through', function (): void {
    it('compares the relay with what stands before it', function (int $feedA, int $relayA, bool $found): void {
        expect(findingsOf('pass_through', usual(['feedA' => $feedA, 'passThroughA' => $relayA])) !== [])->toBe($found);
    })->with([[30, 30, false], [20, 30, false], [30, 20, true]]);

    it('takes the pedestal for it when nothing stands between', function (): void {
        $finding = theFinding('pass_through', Sample::choose('in_line', ['passThroughA' => 20]));
        expect($finding->hit->figures[0]->value)
            ->toBe(30.0)
            ->and($finding->hit->remedies)
            ->toBe([]);
    });

    it('offers the breaker that protects the relay', function (): void {
        $finding = theFinding('pass_through', usual(['passThroughA' => 20]));
        expect($finding->hit->remedies[0]->intent)->toMatchArray([
            'component' => 'inverter_feed',
            'path' => '/breakerA',
        ]);
    });
});

describe('overload', function (): void {
    $together = fn(array $running): array => [
        'kind' => SCENARIO,
        'path' => '/scenarios/x',
        'value' => ['title' => 'X', 'running' => array_fill_keys($running, true)],
    ];

    it('adds up the loads behind each device', function () use ($together): void {
        // 1500 + 1440 W behind the 30 A main: 24.5 A, 82 % of it, and the converter's 7.3 A: 31.8 A.
        $findings = Rigs::findings(Rigs::asFound(Rigs::job($together(['c_air.unit', 'c_water.element']))), 'overload');
        $main = array_values(
            array_filter($findings, fn(Finding $f): bool => $f->hit->key === 'main_panel.main_pole'),
        )[0];
        expect($main->hit->figures[0]->value)
            ->toEqualWithDelta(12.5 + 12.0 + 7.33, 0.02)
            ->and($main->severity()->value)
            ->toBe('warning');
    });

    it('hangs what follows beneath the supply that is too small', function () use ($together): void {
        $findings = Rigs::findings(Rigs::asFound(Rigs::job($together(['c_air.unit', 'c_water.element']))), 'overload');
        $supply = array_values(array_filter($findings, fn(Finding $f): bool => $f->hit->key === 'shore.supply'))[0];
        $inlet = array_values(array_filter($findings, fn(Finding $f): bool => $f->hit->key === 'inlet.hot'))[0];
        expect($inlet->toArray()['because'])->toBe($supply->identity());
    });

    it('advises from 80 % on', function () use ($together): void {
        // Converter 7.33 A for hours and the fridge 2.7 A on a 15 A pedestal; 400 W more for hours are past 80 %,
        // though within 15 A.
        $document = Rigs::job(
            Sample::survey('shore', '/supplies', ['s15' => ['ratingA' => 15]]),
            Sample::survey('c_outlets', '/loads', [
                'iron' => ['label' => 'Iron', 'watts' => 400, 'kind' => 'resistive', 'continuous' => true],
            ]),
            $together(['c_fridge.element']),
        );
        expect(Rigs::findings(Rigs::asFound($document), 'overload'))->toBe([]);
        $more = Rigs::edit($document, $together(['c_fridge.element', 'c_outlets.iron']));
        $finding = Rigs::findings(Rigs::asFound($more), 'overload');
        expect($finding)
            ->toHaveCount(1)
            ->and($finding[0]->severity()->value)
            ->toBe('advice');
    });

    it('holds the inverter to its continuous watts', function () use ($together): void {
        $findings = findingsOf(
            'overload',
            $together(['c_air.unit', 'c_water.element']),
            Sample::choose('in_line', ['continuousW' => 2000]),
        );
        $inverter = array_values(
            array_filter($findings, fn(Finding $f): bool => $f->hit->key === 'inverter.inverter'),
        )[0];
        expect($inverter->hit->figures[0]->limit)
            ->toEqualWithDelta(16.67, 0.01)
            ->and($inverter->hit->state)
            ->toBe('inverting');
    });

    it('never passes what was not checked', function (): void {
        expect(theFinding('overload', usual())->hit->text)->toContain('nothing was checked');
    });
});

describe('charging lost', function (): void {
    it('does not complain of a bank that somebody disconnected', function (): void {
        expect(findingsOf('charging_lost', usual()))->toBe([]);
    });

    it('complains once for a bank', function (): void {
        $finding = theFinding('charging_lost', usual(['chargerA' => 0, 'converter' => 'removed']));
        expect($finding->hit->components)
            ->toBe(['bank'])
            ->and($finding->state)
            ->toBe('shore_s30');
    });
});

describe('lost circuit', function (): void {
    it('offers the panel the inverter feeds', function (): void {
        $finding = theFinding(
            'lost_circuit',
            ['kind' => 'set_need', 'path' => '/offGrid/c_wet', 'value' => true],
            usual(),
        );
        expect($finding->hit->remedies[0]->intent)->toBe([
            'kind' => 'move_circuit',
            'circuit' => 'c_wet',
            'panel' => 'inverter_panel',
            'wires' => 'both',
        ]);
    });

    it('asks nothing off grid of a rig that has no inverter yet', function (): void {
        expect(
            Rigs::findings(
                Rigs::asFound(Rigs::job(['kind' => 'set_need', 'path' => '/offGrid/c_wet', 'value' => true])),
                'lost_circuit',
            ),
        )->toBe([]);
    });
});

describe('does not apply', function (): void {
    it('gives the reason and the way out, and the rest of the plan goes on', function (): void {
        $document = Rigs::job(usual(), ['kind' => 'survey_remove', 'component' => 'c_fridge']);
        $rig = Rigs::planned($document);
        $findings = Rigs::findings($rig, 'does_not_apply');
        expect($findings)
            ->toHaveCount(2)
            ->and($findings[0]->hit->text)
            ->toContain('“fridge” is not there any more')
            ->and($rig->rig->find('inverter'))
            ->not->toBeNull();
        foreach ($findings as $finding) {
            $document = Rigs::edit($document, $finding->hit->remedies[0]->intent + ['plan' => 'p']);
        }
        expect(Rigs::findings(Rigs::planned($document), 'does_not_apply'))->toBe([]);
    });

    it('finds parts that name what is not there', function (): void {
        $finding = theFinding(
            'does_not_apply',
            usual(),
            ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'pos_bar'],
            ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'ld_disc_bar'],
            ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'ld_bar_inv'],
        );
        expect($finding->hit->title)
            ->toBe('The plan does not hold together')
            ->and($finding->hit->text)
            ->toContain('pos_bar');
    });
});

it('finds nothing dangerous in the usual retrofits', function (array $choose): void {
    $dangers = array_filter(
        (new Judge(Rigs::planned(Rigs::job($choose))))->findings,
        fn(Finding $f): bool => $f->severity()->value === 'danger' && $f->ways->kind !== 'outside',
    );
    expect(array_map(fn(Finding $f): string => $f->hit->text, $dangers))->toBe([]);
})->with([
    'in line, converter out' => [Sample::choose('in_line')],
    'in line, converter ahead' => [Sample::choose('in_line', ['converter' => 'ahead'])],
    'subpanel, converter stays with the shore' => [
        Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'ahead']),
    ],
    'subpanel, everything but the air conditioner' => [
        Sample::choose('subpanel', [
            'circuits' => ['c_outlets' => true, 'c_wet' => true, 'c_water' => true, 'c_fridge' => true],
            'converter' => 'removed',
        ]),
    ],
]);

it('asks for a thicker cord where the cord is thin, and for a thicker cable where the cable is', function (): void {
    foreach (['inlet' => '/cord/size', 'feeder_main' => '/cable/size'] as $component => $path) {
        $document = Rigs::job(Sample::survey($component, $path, ['value' => 'awg:14', 'basis' => 'read_off']));
        $of = array_values(
            array_filter(
                Rigs::findings(Rigs::asFound($document), 'conductor_protection'),
                fn($f): bool => $f->hit->components[0] === $component,
            ),
        );
        expect($of)
            ->toHaveCount(1)
            ->and($of[0]->hit->remedies[0]->intent['path'])
            ->toBe($path)
            ->and($of[0]->hit->figures[0]->assumed)
            ->toBeFalse();
    }
});

it('allows three per cent to what lives hang on and to the 12 V panel, ten to the rest', function (
    string $use,
    bool $found,
): void {
    // 5 A over 6 m of 14 AWG and back: 2 × 6 m × 10.3 mΩ/m × 5 A = 0.62 V, more than 0.36 V and less than 1.2 V.
    $lead = fn(string $id, string $port, string $pole): array => Sample::add($id, [
        'type' => 'lead',
        'label' => $id,
        'from' => "dc_panel.{$port}",
        'to' => 'fan.' . ($pole === 'positive' ? 'pos' : 'neg'),
        'pole' => $pole,
        'cable' => ['size' => 'awg:14', 'lengthM' => 6],
    ]);
    $rig = Rigs::planned(
        Rigs::job(
            Sample::add('fan', ['type' => 'dc_load', 'label' => 'Roof fan', 'use' => $use, 'amps' => 5]),
            $lead('ld_fan', 'fused', 'positive'),
            $lead('ld_fan_neg', 'neg', 'negative'),
            Sample::choose('in_line'),
        ),
    );
    $of = array_values(
        array_filter(Rigs::findings($rig, 'voltage_drop'), fn($f): bool => in_array('fan', $f->hit->components, true)),
    );
    expect($of !== [])->toBe($found);
    if ($found) {
        expect($of[0]->hit->figures[0]->value)
            ->toBeGreaterThan(0.61)
            ->toBeLessThan(0.75)
            ->and($of[0]->hit->figures[0]->limit)
            ->toEqualWithDelta(0.36, 1e-9)
            ->and($of[0]->hit->remedies[0]->intent['path'])
            ->toBe('/cable/size')
            ->and($of[0]->hit->remedies[0]->intent['value']['value'])
            ->toBeIn(['awg:12', 'awg:10', 'awg:8']);
    }
    $panel = fn(float $lengthM): array => array_filter(
        Rigs::findings(
            Rigs::planned(
                Rigs::job(
                    Sample::choose('in_line'),
                    Sample::set('ld_dc', '/cable/lengthM', ['value' => $lengthM, 'basis' => 'measured']),
                    Sample::set('ld_dc', '/cable/size', ['value' => 'awg:14', 'basis' => 'measured']),
                ),
            ),
            'voltage_drop',
        ),
        fn($f): bool => in_array('dc_panel', $f->hit->components, true),
    );
    expect($panel(0.5))->toBe([])->and($panel(6.0))->toHaveCount(1);
})->with([['detector', true], ['other', false]]);

it('names the device that lets through what a bar in the negative cannot carry', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('in_line', ['continuousW' => 3000]),
            Sample::set('neg_bar', '/ratingA', 100),
            Sample::set('main_fuse', '/ratingA', 400),
        ),
    );
    $of = array_values(
        array_filter(Rigs::findings($rig, 'path_rating'), fn($f): bool => $f->hit->components[0] === 'neg_bar'),
    );
    expect($of)
        ->toHaveCount(1)
        ->and($of[0]->hit->text)
        ->toContain('Main fuse lets 400 A through')
        ->and($of[0]->hit->figures[0]->limit)
        ->toBe(100.0);
});

it('points at the leads and at the bank behind them where poles are exchanged', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('in_line'),
            Sample::set('ld_bar_inv', '/to', 'inverter.neg'),
            Sample::set('ld_bar_inv_neg', '/to', 'inverter.pos'),
        ),
    );
    $of = array_values(
        array_filter(Rigs::findings($rig, 'dc_polarity'), fn($f): bool => $f->hit->components[0] === 'inverter'),
    );
    expect($of)->not->toBe([])->and($of[0]->hit->components)->toContain('ld_bar_inv', 'ld_bar_inv_neg', 'bank');
});

it('looks at every circuit, also behind one that a GFCI protects', function (): void {
    // A small inverter, whose surge no breaker answers in time, feeds everything; the first circuit has a GFCI.
    $document = Rigs::job(Sample::alone('transfer_whole', ['continuousW' => 600, 'surgeW' => 1200]));
    $of = fn(stdClass $d): array => array_merge(
        ...array_map(fn($f): array => $f->hit->components, Rigs::findings(Rigs::planned($d), 'fault_clearing')),
    );
    $all = $of($document);
    expect($all)->not->toBe([]);
    $first = array_key_first(Rigs::planned($document)->graph->circuits);
    $protected = $of(Rigs::edit($document, Sample::survey((string) $first, '/gfci', 'breaker')));
    expect($protected)->not->toBe([]);
});

describe('the battery side in words', function (): void {
    it('says by what way a battery is shorted, and by the frame where it is', function (): void {
        $strap = [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'plus_bond',
            'component' => [
                'type' => 'frame_bond',
                'label' => 'Strap',
                'from' => 'pos_bar.stud',
                'cable' => ['size' => 'awg:8', 'lengthM' => 0.4],
            ],
        ];
        expect(
            theFinding(
                'dc_short',
                Sample::choose('in_line'),
                Sample::lead('stray', 'pos_bar.stud', 'neg_bar.stud', 'positive'),
            )->hit->text,
        )
            ->toStartWith('The positive of Bank is joined with its negative: by way of ')
            ->and(theFinding('dc_short', Sample::choose('in_line'), $strap)->hit->text)
            ->toContain('joined with its negative through the frame: by way of')
            ->toContain('Strap');
    });

    it('names what stays live behind a switch in the negative', function (): void {
        $switched = [
            Sample::choose('in_line'),
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'neg_switch',
                'component' => ['type' => 'dc_switch', 'label' => 'Negative switch', 'ratingA' => 600],
            ],
            Sample::set('ld_shunt_bar', '/to', 'neg_switch.in'),
            Sample::lead('ld_switch_bar', 'neg_switch.out', 'neg_bar.stud', 'negative'),
        ];
        $finding = theFinding('negative_switched', ...$switched);
        expect($finding->hit->text)
            ->toContain('Open, it leaves every positive live: ')
            ->toContain('Inverter/charger')
            ->not->toContain('all of them')
            ->and($finding->severity()->value)
            ->toBe('advice')
            ->and($finding->hit->text)
            ->toContain('Find every other way');
    });
});

describe('figures in words', function (): void {
    it('gives the milliohms that lose the volts', function (): void {
        $of = Rigs::findings(
            Rigs::planned(
                Rigs::job(
                    Sample::choose('in_line', ['dcRunM' => 4]),
                    Sample::set('ld_bar_inv', '/cable/size', ['value' => 'awg:2', 'basis' => 'measured']),
                ),
            ),
            'voltage_drop',
        );
        $figure = $of[0]->hit->figures[0];
        preg_match('/([\d.]+) A × ([\d.]+) mΩ/', $figure->arithmetic, $said);
        expect(($said[1] * $said[2]) / 1000)
            ->toEqualWithDelta($figure->value, 0.01)
            ->and((float) $said[2])
            ->toBeGreaterThan(0.5)
            ->toBeLessThan(10.0);
    });

    it('counts four fifths of a rating for what runs for hours', function (): void {
        $long = [
            'kind' => 'set_need',
            'path' => '/scenarios/long',
            'value' => ['title' => 'All day', 'running' => ['c_outlets.heater' => true]],
        ];
        $heater = Sample::survey('c_outlets', '/loads', [
            'heater' => ['label' => 'Heater', 'watts' => 1600, 'kind' => 'resistive', 'continuous' => true],
        ]);
        $near = array_values(
            array_filter(
                findingsOf('overload', $heater, Sample::choose('in_line', ['continuousW' => 3000]), $long),
                fn(Finding $f): bool => str_starts_with($f->hit->title ?? '', 'Near its limit') &&
                    in_array('c_outlets', $f->hit->components, true),
            ),
        );
        // 13.3 A on 15 A is no overload; 12 A is what it may carry all day.
        expect($near)
            ->toHaveCount(1)
            ->and($near[0]->hit->figures[0]->limit)
            ->toEqualWithDelta(12.0, 1e-9)
            ->and($near[0]->hit->figures[0]->value)
            ->toEqualWithDelta(1600 / 120, 1e-6);
    });

    it('asks for a unit that switches its neutral only where it does not', function (): void {
        $remedies = function (string $neutral): array {
            $found = findingsOf(
                'bond_count',
                Sample::choose('in_line', ['neutral' => $neutral]),
                Sample::set('inverter', '/bond', 'fixed'),
            );

            return array_merge(
                ...array_map(
                    fn(Finding $f): array => array_map(fn($r): string => $r->intent['path'] ?? '', $f->hit->remedies),
                    $found,
                ),
            );
        };
        expect($remedies('common'))
            ->toContain('/neutral', '/bond')
            ->and($remedies('switched'))
            ->toContain('/bond')
            ->not->toContain('/neutral');
    });

    it('says in kiloamps what a device breaks at 14 V where the bank is charged at more', function (): void {
        $text = findingsOf(
            'interrupting_capacity',
            Sample::choose('in_line'),
            Sample::set('bank', '/unitMilliohm', ['value' => 5, 'basis' => 'read_off']),
            Sample::set('main_fuse', '/family', 'mrbf'),
        )[0]->hit->text;
        expect($text)->toMatch('/is listed to break \\d{1,2}\\.\\d kA at 14 V/');
    });

    it('takes the share past the shunt from the resistances of both ways', function (): void {
        $bond = fn(float $metres): array => [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'second_bond',
            'component' => [
                'type' => 'frame_bond',
                'label' => 'Second bond',
                'from' => 'bank.neg',
                'cable' => ['size' => 'awg:8', 'lengthM' => $metres],
            ],
        ];
        foreach ([0.5, 2.0] as $metres) {
            $rig = Rigs::planned(Rigs::job(Sample::choose('in_line'), $bond($metres)));
            $hit = Rigs::findings($rig, 'shunt_bypassed')[0]->hit;
            $shunt = array_values(
                array_filter($rig->graph->elements, fn($e): bool => $e->rating?->what === 'shunt'),
            )[0];
            $own = Hollin\Core\Solve\Impedance::ohm($shunt, $rig->graph);
            // The figure's own words give the two resistances; the share is the shunt's over the sum.
            preg_match('/([\d.]+) mΩ of shunt beside ([\d.]+) mΩ/', $hit->figures[0]->arithmetic, $said);
            expect((float) $said[1])
                ->toEqualWithDelta($own * 1000, 0.006)
                ->and($hit->figures[0]->value)
                ->toEqualWithDelta((100 * $said[1]) / ($said[1] + $said[2]), 1.0)
                ->and((float) $said[2])
                ->toBeGreaterThan(2.06 * $metres)
                ->and($hit->text)
                ->toContain(sprintf('about %.0f %%', $hit->figures[0]->value));
        }
    });
});

describe('plugged in and yet', function (): void {
    $heater = Sample::survey('c_outlets', '/loads', [
        'heat' => ['label' => 'Heater', 'watts' => 1500, 'kind' => 'resistive', 'continuous' => true],
    ]);
    $cold = [
        'kind' => 'set_need',
        'path' => '/scenarios/cold',
        'value' => ['title' => 'Cold evening', 'running' => ['c_outlets.heat' => true]],
    ];

    it('drained: as long as what the battery holds lasts at what the solve takes out of it', function () use (
        $heater,
        $cold,
    ): void {
        $finding = theFinding(
            'assist_drains',
            $heater,
            $cold,
            Sample::choose('in_line', [
                'continuousW' => 3000,
                'inputLimitA' => 6,
                'assist' => true,
                'converter' => 'removed',
                'unitAh' => 100,
                'parallel' => 2,
            ]),
        );
        [$amps, $hours] = $finding->hit->figures;
        // 12.5 A less 6 A of the supply are 780 W; ÷ 0.88, and idle, at 13 V some 70 A. Two of 100 Ah, nine tenths of
        // it.
        expect($amps->value)
            ->toBeGreaterThan(62.0)
            ->toBeLessThan(85.0)
            ->and($hours->value)
            ->toEqualWithDelta(180.0 / $amps->value, 1e-9)
            ->and($finding->hit->text)
            ->toContain('held to 6 A')
            ->toContain('"Cold evening"');
    });

    it('dark: tells the circuits, and is milder where nobody has said what the unit does', function (): void {
        $dark = fn(mixed $passes): array => findingsOf(
            'dark_on_shore',
            Sample::choose('in_line'),
            Sample::set('inverter', '/passesWhenOff', $passes),
        );
        expect($dark(true))
            ->toBe([])
            ->and($dark(false))
            ->toHaveCount(1)
            ->and($dark(false)[0]->severity()->value)
            ->toBe('warning')
            ->and($dark(false)[0]->hit->components)
            ->toContain('inverter', 'c_air')
            ->and($dark(false)[0]->hit->remedies[0]->intent['path'])
            ->toBe('/passesWhenOff');
        $unsaid = findingsOf('dark_on_shore', Sample::choose('in_line'), [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'inverter',
            'path' => '/passesWhenOff',
            'value' => null,
        ]);
        expect($unsaid[0]->severity()->value)
            ->toBe('advice')
            ->and($unsaid[0]->hit->text)
            ->toContain('nobody has said');
    });

    it('without a charge: names every state in which that is so', function (): void {
        $text = theFinding('charging_lost', Sample::choose('in_line', ['converter' => 'removed', 'chargerA' => 0]))->hit
            ->text;
        expect($text)->toContain('shore 30 A, shore 20 A, shore 15 A')->toContain('nothing charges Bank');
    });

    it('without a battery on the 12 V panel: dead, or on a converter alone', function (): void {
        $gone = fn(string $lead): array => ['kind' => 'plan_remove', 'plan' => 'p', 'component' => $lead];
        $alone = theFinding('lost_direct', Sample::choose('in_line', ['converter' => 'ahead']), $gone('ld_dc'));
        expect($alone->hit->components)
            ->toContain('dc_panel', 'converter')
            ->and($alone->severity()->value)
            ->toBe('warning')
            ->and($alone->hit->text)
            ->toContain('only Converter');
        $dead = theFinding('lost_direct', Sample::choose('in_line', ['converter' => 'removed']), $gone('ld_dc'));
        expect($dead->severity()->value)->toBe('danger')->and($dead->hit->text)->toContain('it is dead');
    });
});

describe('a motor somebody switches on', function (): void {
    it('needs its standstill current beside what runs already, in the worst of the scenarios', function (): void {
        $press = Sample::survey('c_outlets', '/loads', [
            'press' => ['label' => 'Drill press', 'watts' => 900, 'kind' => 'motor', 'lockedRotorA' => 20],
        ]);
        $of = fn(array $running): array => [
            'kind' => 'set_need',
            'path' => '/scenarios/shop',
            'value' => ['title' => 'Shop', 'running' => $running],
        ];
        $unit = Sample::choose('in_line', ['continuousW' => 2400, 'surgeW' => 3000]);
        // 25 A for a moment: 20 A alone start, beside 1400 W of water heater (11.7 A) they do not.
        expect(findingsOf('motor_start', $press, $of(['c_outlets.press' => true]), $unit))->toBe([]);
        $finding = theFinding(
            'motor_start',
            $press,
            $of(['c_outlets.press' => true, 'c_water.element' => true]),
            $unit,
        );
        $water = Rigs::asFound(Rigs::job())->graph->loads['c_water.element']->currentA();
        expect($finding->hit->figures[0]->value)
            ->toEqualWithDelta(20 + $water, 0.01)
            ->and($finding->hit->figures[0]->limit)
            ->toEqualWithDelta(25.0, 1e-9)
            ->and($finding->hit->text)
            ->toContain('run already in "Shop"');
        // Running in no scenario: only said.
        $alone = theFinding(
            'motor_start',
            Sample::survey('c_outlets', '/loads', [
                'press' => ['label' => 'Drill press', 'watts' => 900, 'kind' => 'motor', 'lockedRotorA' => 60],
            ]),
            $unit,
        );
        expect($alone->severity()->value)->toBe('advice')->and($alone->hit->text)->toContain('needs 60 A to start;');
    });

    it('runs hot on a modified sine', function (): void {
        $press = Sample::survey('c_outlets', '/loads', [
            'press' => ['label' => 'Drill press', 'watts' => 500, 'kind' => 'motor'],
        ]);
        $found = findingsOf('motor_start', $press, Sample::alone('transfer_whole', ['waveform' => 'modified']));
        expect(array_map(fn(Finding $f): string => $f->hit->key, $found))
            ->toContain('inverter|c_outlets.press|wave')
            ->and(findingsOf('motor_start', $press, Sample::alone('transfer_whole', ['waveform' => 'sine'])))
            ->toBe([]);
    });
});

it('shouts about what was read off, and asks to look at what was assumed', function (): void {
    $of = fn(string $breaker, string $size): array => array_values(
        array_filter(
            Rigs::findings(
                Rigs::asFound(
                    Rigs::job(
                        Sample::survey('c_outlets', '/breakerA', ['value' => 25, 'basis' => $breaker]),
                        Sample::survey('c_outlets', '/cable/size', ['value' => 'awg:14', 'basis' => $size]),
                    ),
                ),
                'conductor_protection',
            ),
            fn(Finding $f): bool => in_array('c_outlets', $f->hit->components, true),
        ),
    );
    expect($of('read_off', 'read_off')[0]->severity()->value)
        ->toBe('danger')
        ->and($of('assumed', 'read_off')[0]->severity()->value)
        ->toBe('warning')
        ->and($of('read_off', 'assumed')[0]->severity()->value)
        ->toBe('warning')
        ->and($of('assumed', 'assumed')[0]->hit->text)
        ->toContain('look before you act')
        ->and($of('read_off', 'read_off')[0]->hit->text)
        ->not->toContain('look before');
});

it('folds what a faulty pedestal does to the frame under the worst of it', function (): void {
    $found = array_values(
        array_filter(
            Rigs::findings(Rigs::asFound(Rigs::job()), 'frame_energised'),
            fn(Finding $f): bool => $f->ways->kind === 'outside',
        ),
    );
    $heads = array_values(array_filter($found, fn(Finding $f): bool => $f->toArray()['because'] === null));
    expect(count($found))->toBeGreaterThan(2)->and($heads)->toHaveCount(1);
    foreach ($found as $finding) {
        expect($finding->hit->figures[1]->value)
            ->toBeLessThanOrEqual($heads[0]->hit->figures[1]->value)
            ->and($finding === $heads[0] || $finding->toArray()['because'] === $heads[0]->identity())
            ->toBeTrue();
    }
});

it('hangs an overload on the pedestal only where the pedestal opens first', function (): void {
    $heavy = Sample::survey('c_outlets', '/loads', [
        'a' => ['label' => 'Kiln', 'watts' => 2600, 'kind' => 'resistive'],
    ]);
    $scenario = [
        'kind' => 'set_need',
        'path' => '/scenarios/kiln',
        'value' => ['title' => 'Kiln', 'running' => ['c_outlets.a' => true, 'c_water.element' => true]],
    ];
    $found = Rigs::findings(Rigs::asFound(Rigs::job($heavy, $scenario)), 'overload');
    $of = fn(string $component): Finding => array_values(
        array_filter($found, fn(Finding $f): bool => $f->hit->components[0] === $component),
    )[0];
    $supply = $of('shore')->identity();
    // 21.7 A on a 15 A branch breaker: its own fault, whatever feeds it. The 30 A main never carries what a 30 A
    // pedestal or less lets in.
    expect($of('c_outlets')->toArray()['because'])
        ->toBe($of('c_outlets')->state === 'shore_s15' ? $supply : null)
        ->and($of('main_panel')->toArray()['because'])
        ->toBe($supply);
});

describe('what is offered and told beside a finding', function (): void {
    it('offers a box with room, to the next ten cubic centimetres', function (): void {
        $rig = Rigs::asFound(
            Rigs::job(
                Sample::add('box', [
                    'type' => 'splice_box',
                    'label' => 'Box',
                    'volumeCm3' => 60,
                    'moreCables' => 2,
                    'moreSize' => 'awg:12',
                ]),
                Sample::survey('feeder_main', '/to', ['at' => 'box', 'port' => 'in']),
            ),
        );
        $finding = array_values(
            array_filter(Rigs::findings($rig, 'box_fill'), fn(Finding $f): bool => $f->hit->components[0] === 'box'),
        )[0];
        $needed = $finding->hit->figures[0]->value;
        $offered = $finding->hit->remedies[0]->intent['value']['value'];
        expect($needed)
            ->toBeGreaterThan(60.0)
            ->and($offered)
            ->toBeGreaterThanOrEqual($needed)
            ->toBeLessThan($needed + 10)
            ->and($offered % 10)
            ->toBe(0);
    });

    it('moves a charger only to a panel that stays dark while its inverter runs', function (): void {
        $finding = findingsOf(
            'charging_loop',
            usual(['circuits' => ['c_outlets' => true, 'c_converter' => true], 'converter' => 'left']),
        )[0];
        $moves = array_filter(
            array_map(fn($r): array => (array) $r->intent, $finding->hit->remedies),
            fn(array $i): bool => $i['kind'] === 'move_circuit',
        );
        expect(array_column($moves, 'panel'))->toBe(['main_panel']);
    });

    it('counts only what hangs on the battery side of a shunt as not counted', function (): void {
        $uncounted = findingsOf(
            'shunt_bypassed',
            Sample::choose('in_line'),
            Sample::set('ld_dc_neg', '/from', 'bank.neg'),
        );
        expect($uncounted)
            ->toHaveCount(1)
            ->and($uncounted[0]->hit->key)
            ->toBe('shunt|uncounted')
            ->and($uncounted[0]->hit->text)
            ->toStartWith('12 V panel')
            ->not->toContain('Inverter');
        expect(findingsOf('shunt_bypassed', Sample::choose('in_line')))->toBe([]);
    });

    it('tells what starts by itself in one list', function (): void {
        $text = fn(array ...$edits): string => array_values(
            array_filter(
                findingsOf('starts_by_itself', ...$edits),
                fn(Finding $f): bool => $f->hit->key === 'inverter',
            ),
        )[0]->hit->text;
        $all = $text(Sample::choose('in_line'));
        expect($all)->toMatch('/^[^,]+, .* and [a-z]/')->toContain('themselves');
        $one = $text(usual(['circuits' => ['c_fridge' => true]]));
        expect($one)->toContain('by itself')->not->toContain(' and ');
    });

    it('says that batteries share unequally of those on one inverter only', function (): void {
        expect(findingsOf('unequal_sharing', Sample::choose('in_line', ['parallel' => 2])))->toBe([]);
    });

    it('names the battery that gives more than its management allows', function (): void {
        $unequal = Hollin\Core\Rules\UnequalSharing::definition()->samples[0]->edits;
        $limit = fn(string $bank, int $amps): array => Sample::set($bank, '/bmsContinuousA', [
            'value' => $amps,
            'basis' => 'read_off',
        ]);
        $given = array_column(
            array_map(
                fn($f): array => [$f->label, $f->value],
                theFinding('unequal_sharing', ...$unequal)->hit->figures,
            ),
            1,
            0,
        );
        [$more, $less] = [max($given), min($given)];
        $over = theFinding(
            'unequal_sharing',
            ...[...$unequal, $limit('bank', (int) $more - 5), $limit('second', (int) $less + 5)],
        )->hit->text;
        expect($over)
            ->toContain(array_search($more, $given, true) . ' is past its management\'s limit')
            ->not->toContain(array_search($less, $given, true) . ' is past');
        $within = theFinding(
            'unequal_sharing',
            ...[...$unequal, $limit('bank', (int) $more + 5), $limit('second', (int) $less + 5)],
        )->hit->text;
        expect($within)->not->toContain('past its management');
    });
});

it('does not call a breaker that an instruction keeps off a second way in', function (): void {
    $both = Hollin\Core\Rules\FedTwice::definition()->samples[0]->edits;
    $off = [
        'kind' => 'plan_fit',
        'plan' => 'p',
        'id' => 'off',
        'component' => ['type' => 'instruction', 'label' => 'Feed off', 'device' => 'feed_a', 'while' => 'inverting'],
    ];
    $found = findingsOf('fed_twice', ...[...$both, Sample::choose('in_line'), $off]);
    // On shore both are on; while inverting one alone feeds the joint.
    expect(array_map(fn($f): string => $f->hit->key, $found))
        ->toBe(['feed_a+feed_b'])
        ->and($found[0]->state)
        ->toBe('shore_s30')
        ->and($found[0]->hit->figures[0]->value)
        ->toBe(30.0);
});

it('counts two cables side by side twice against the RV table', function (int $parallel, bool $told): void {
    $edits = [
        Sample::choose('in_line'),
        Sample::set('house_fuse', '/ratingA', ['value' => 30, 'basis' => 'read_off']),
        Sample::set('ld_dc', '/cable', [
            'size' => ['value' => 'awg:12', 'basis' => 'read_off'],
            'lengthM' => ['value' => 1, 'basis' => 'measured'],
            'sheath' => 'single',
            'parallel' => $parallel,
        ]),
    ];
    $above = array_filter(
        findingsOf('conductor_protection', ...$edits),
        fn($f): bool => $f->hit->title === 'Above the RV table for low-voltage branches' &&
            in_array('ld_dc', $f->hit->components, true),
    );
    expect($above !== [])->toBe($told);
})->with([[1, true], [2, false]]);

it('leaves what a receptacle\'s own breaker covers to its maker, and tells where there is none', function (
    array $edits,
    array $keys,
): void {
    $rig = Rigs::planned(
        Rigs::job(Sample::alone('transfer_circuit', ['circuit' => 'c_outlets', 'converter' => 'left']), ...$edits),
    );
    $none = array_filter(
        array_map(fn($f): string => $f->hit->key, Rigs::findings($rig, 'fault_clearing')),
        fn(string $key): bool => str_starts_with($key, 'none|'),
    );
    expect(array_values($none))->toBe($keys);
})->with([
    'a hard-wired output' => [[Sample::set('inverter', '/outletA', null)], ['none|c_outlets|inverter']],
    'a receptacle with a breaker' => [[Sample::set('inverter', '/outletA', 15)], []],
]);

it(
    'names every state in which a bank charges itself, though another charger runs on shore beside it',
    function (): void {
        // The locker's charger on the factory inverter; the converter, first of the two, on shore.
        $loop = Rigs::findings(Rigs::asFound(Rigs::demo('tideline')), 'charging_loop');
        expect($loop)
            ->toHaveCount(1)
            ->and($loop[0]->hit->key)
            ->toBe('locker_charger|factory_inverter')
            ->and($loop[0]->states)
            ->toContain('inverting', 'shore_and_inverter', 'generator_and_inverter');
    },
);

it('proposes a switch for what starts by itself where there is a breaker to switch', function (): void {
    $finding = theFinding('starts_by_itself', Sample::choose('in_line'));
    expect(array_map(fn($r): string => $r->label, $finding->hit->remedies))->toBe([
        'Switch Air conditioner off by hand when inverting',
    ]);
    $panel = theFinding(
        'starts_by_itself',
        Sample::survey('main_panel', '/slots', 14),
        usual(['circuits' => ['c_fridge' => true]]),
    );
    expect($panel->hit->remedies[0]->intent)->toMatchArray([
        'kind' => 'move_circuit',
        'circuit' => 'c_fridge',
        'panel' => 'main_panel',
    ]);
});
