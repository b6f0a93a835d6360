<?php

declare(strict_types=1);

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Energy\Moment;
use Hollin\Core\Rules\AcRun;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\Prevented;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\VoltageDrop;
use Hollin\Core\Rules\Ways;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\Meter;
use Tests\Laws\Addition;
use Tests\Laws\Beside;
use Tests\Laws\Court;
use Tests\Laws\Declared;
use Tests\Laws\Edges;
use Tests\Laws\Meters;
use Tests\Laws\Owed;
use Tests\Laws\Physics;
use Tests\Laws\Prices;
use Tests\Laws\Quarters;
use Tests\Laws\Runs;
use Tests\Laws\Said;
use Tests\Laws\Sizes;
use Tests\Laws\Specimen;
use Tests\Laws\Specimens;
use Tests\Laws\Spoken;
use Tests\Laws\Step;
use Tests\Laws\Steps;
use Tests\Laws\ThereAndBack;
use Tests\Laws\Verdict;
use Tests\Laws\Weights;
use Tests\Laws\Worse;

/* Judges that cannot fail judge nothing: each law is shown a fault and must see it; no rule or part stays outside. */

function knownRig(string $name, ?string $view = null): Specimen
{
    $views = iterator_to_array(Specimens::written()[$name]());

    return $view === null
        ? array_values($views)[count($views) - 1]
        : $views[$view === 'as_found' ? $name : "{$name} [{$view}]"];
}

/** What is said of a rig with its findings changed. */
function tampered(Said $said, Closure $change): Said
{
    return new Said($said->rig, $said->judge, $change($said->findings));
}

/** @return list<string> what a law says broke, in short */
function whats(object $law): array
{
    return array_values(array_unique(array_map(fn($v): string => $v->what, $law->broken)));
}

describe('worse is never milder', function (): void {
    $held = function (string $name, string $step, Closure $change): array {
        $rig = knownRig($name);
        $said = Said::of($rig->document, $rig->view);
        $worse = new Worse(new Declared());
        $worse->hold($rig, new Step($step, 'nothing', []), $said, tampered($said, $change));

        return whats($worse);
    };
    $of = fn(string $rule, Closure $change): Closure => fn(array $all): array => array_map(
        fn(array $f): array => $f['rule'] === $rule ? $change($f) : $f,
        $all,
    );

    it(
        'sees nothing where nothing changed',
        fn() => expect($held('thin-negative', 'cable.thinner', fn(array $a): array => $a))->toBe([]),
    );

    it(
        'sees a finding vanish',
        fn() => expect(
            $held(
                'thin-negative',
                'cable.thinner',
                fn(array $all): array => array_filter(
                    $all,
                    fn(array $f): bool => $f['rule'] !== 'conductor_protection',
                ),
            ),
        )->toBe(['vanished']),
    );

    it(
        'sees a lower severity',
        fn() => expect(
            $held(
                'small-ratings',
                'part.smaller',
                $of('path_rating', fn(array $f): array => ['severity' => 'advice'] + $f),
            ),
        )->toContain('severity danger to advice'),
    );

    it(
        'sees a way that is farther',
        fn() => expect(
            $held(
                'thin-negative',
                'cable.thinner',
                $of('conductor_protection', fn(array $f): array => ['ways' => ['kind' => 'remote'] + $f['ways']] + $f),
            ),
        )->each->toStartWith('way '),
    );

    it(
        'sees a figure nearer to its limit',
        fn() => expect(
            $held(
                'thin-negative',
                'cable.thinner',
                $of('conductor_protection', function (array $f): array {
                    $f['figures'][0]['value'] *= 0.9;

                    return $f;
                }),
            ),
        )->toBe(['figure nearer to its limit']),
    );

    it('sees what is new where a step is declared to touch nothing', function () use ($held): void {
        $more = fn(array $all): array => [
            ...$all,
            ['id' => 'new', 'rule' => 'live_pins', 'components' => ['inlet']] + $all[0],
        ];
        expect($held('base-inline', 'joint.worse', $more))->toBe(['declared untouched, and new']);
    });

    it('sees a step that must bring a finding and brings none', function () use ($held): void {
        $none = fn(array $all): array => array_values(
            array_filter($all, fn(array $f): bool => $f['rule'] !== 'bond_count'),
        );
        expect($held('thin-negative', 'bond.screw', $none))->toBe(['brings nothing']);
    });

    it(
        'sees a rig freed of its dangers by a fuse taken away',
        fn() => expect(
            $held(
                'thin-negative',
                'fuse.gone',
                fn(array $all): array => array_values(
                    array_filter($all, fn(array $f): bool => $f['severity'] !== 'danger'),
                ),
            ),
        )->toContain('free of dangers by what protects being taken away'),
    );

    it('has every rule declare every step', fn() => expect((new Declared())->missing())->toBe([]));

    it('has a reason for everything that may ease', function (): void {
        $declared = new Declared();
        foreach ($declared->eases() as [$rule, $step]) {
            expect(strlen($declared->of($rule, $step)->why))->toBeGreaterThan(8, "{$rule}: {$step}");
        }
    });

    it('refuses a step that nobody declared', fn() => (new Declared())->of('overload', 'made.up'))->throws(
        LogicException::class,
    );
});

it('has steps of every kind and every kind of part on the rigs there are', function (): void {
    $steps = $parts = [];
    foreach (Specimens::named(3) as $make) {
        foreach ($make() as $rig) {
            $parts += array_column($rig->parts, 'type', 'type');
            $steps += array_column(Steps::of($rig), 'name', 'name');
        }
    }
    expect(array_values(array_diff(Steps::NAMES, $steps)))->toBe([]);
    expect(array_values(array_diff(array_keys(Catalogue::types()), $parts)))->toBe([]);
});

describe('beside the point', function (): void {
    $held = function (Closure $change): array {
        $rig = knownRig('base-inline');
        $said = Said::of($rig->document, $rig->view);
        $beside = new Beside();
        $beside->hold(
            $rig,
            new Addition('spare box', 'box', fn() => $rig->document, ['box']),
            $said,
            tampered($said, $change),
        );

        return whats($beside);
    };

    it('sees nothing where nothing changed', fn() => expect($held(fn(array $all): array => $all))->toBe([]));
    it(
        'sees other words',
        fn() => expect(
            $held(fn(array $all): array => [['text' => 'Something else.'] + $all[0], ...array_slice($all, 1)]),
        )->toBe(['other words']),
    );
    it(
        'sees a finding vanish',
        fn() => expect($held(fn(array $all): array => array_slice($all, 1)))->toBe(['vanished']),
    );
    it(
        'sees one appear',
        fn() => expect(
            $held(
                fn(array $all): array => [
                    ...$all,
                    ['id' => 'x', 'rule' => 'fed_twice', 'components' => ['inlet'], 'severity' => 'danger'] + $all[0],
                ],
            ),
        )->toBe(['appears, and does not mention what was added']),
    );
});

describe('one verdict', function (): void {
    $held = function (string $name, Closure $change): array {
        $rig = knownRig($name);
        $verdict = new Verdict();
        $verdict->hold($rig, tampered(Said::of($rig->document, $rig->view), $change));

        return whats($verdict);
    };

    it(
        'sees two findings with one identity',
        fn() => expect($held('sun-and-a-cord', fn(array $all): array => [$all[0], ...$all]))->toContain(
            'two findings have one identity',
        ),
    );

    it(
        'sees sources that are said to be joined, and are solved',
        fn() => expect(
            $held('sun-and-a-cord', function (array $all): array {
                $joined = ['rule' => 'joined_sources', 'id' => 'joined_sources|a|b', 'figures' => []] + $all[0];
                $joined['witness']['states'] = ['shore_s30'];

                return [...$all, $joined];
            }),
        )->toContain('joined sources are solved, or what is not solved is not told'),
    );

    it(
        'sees a figure that is not solved so',
        fn() => expect(
            $held(
                'bms-opens-while-driving',
                fn(array $all): array => array_map(function (array $f): array {
                    foreach ($f['figures'] as $n => $figure) {
                        $f['figures'][$n]['value'] = 1.2 * $figure['value'];
                    }

                    return $f;
                }, $all),
            ),
        )->toContain('a figure is not that of its operating point'),
    );

    it(
        'sees a figure that names nothing',
        fn() => expect(
            $held(
                'thin-negative',
                fn(array $all): array => array_map(function (array $f): array {
                    foreach ($f['figures'] as $n => $figure) {
                        unset($f['figures'][$n]['of']);
                    }

                    return $f;
                }, $all),
            ),
        )->toContain('a figure names nothing'),
    );

    it(
        'sees a row of the rulers that no finding tells of',
        fn() => expect(
            $held(
                'thin-negative',
                fn(array $all): array => array_filter(
                    $all,
                    fn(array $f): bool => $f['rule'] !== 'conductor_protection',
                ),
            ),
        )->toContain('a row is out of order (wire), no finding says it'),
    );
});

describe('physics', function (): void {
    $held = function (string $state, Closure $change): array {
        $rig = knownRig('thin-negative');
        $of = Said::of($rig->document, $rig->view)->rig;
        $settled = $of->settled[$state];
        $flow = get_object_vars(LoadFlow::of($settled, $of->allLoads()));
        $physics = new Physics();
        $physics->point($of->graph, $settled, new LoadFlowResult(...$change($flow)), $state);

        return whats($physics);
    };
    $amps = fn(float $times): Closure => function (array $flow) use ($times): array {
        foreach ($flow['sources'] as $id => $source) {
            $flow['sources'][$id] = ['amps' => $times * $source['amps']] + $source;
        }

        return $flow;
    };

    it(
        'sees currents that do not add up',
        fn() => expect($held('nothing', $amps(1.5)))->toContain('currents do not sum to nothing'),
    );
    it(
        'sees a charger past its limit',
        fn() => expect($held('shore_s30', $amps(20)))->toContain('a charger past its limit'),
    );
    it('sees a charger that draws less than its power factor asks for', function (): void {
        $rig = knownRig('old-converter');
        $of = Said::of($rig->document, $rig->view)->rig;
        $flow = get_object_vars(LoadFlow::of($of->settled['shore_s30'], []));
        $physics = new Physics();
        $physics->point($of->graph, $of->settled['shore_s30'], new LoadFlowResult(...$flow), 'shore');
        expect(whats($physics))->toBe([]);
        $flow['acA']['c_converter.into.hot'] *= 0.7;
        $physics->point($of->graph, $of->settled['shore_s30'], new LoadFlowResult(...$flow), 'shore');
        expect(whats($physics))->toContain('draws other amps than its watts and power factor');
    });
    it(
        'sees power out of nothing',
        fn() => expect(
            $held('shore_s30', function (array $flow): array {
                foreach ($flow['converters'] as $id => $unit) {
                    $flow['converters'][$id] = ['inW' => $unit['inW'], 'outW' => $unit['inW'] * 1.1 + 10];
                }

                return $flow;
            }),
        )->toContain('gives more than it takes'),
    );
    it(
        'sees loads that take more than is given',
        fn() => expect(
            $held('shore_s30', function (array $flow): array {
                foreach ($flow['loads'] as $id => $load) {
                    $flow['loads'][$id] = ['watts' => $load['watts'] * 3] + $load;
                }

                return $flow;
            }),
        )->toContain('loads take more than sources give'),
    );
    it(
        'sees volts that nothing holds up',
        fn() => expect(
            $held(
                'nothing',
                fn(array $flow): array => ['dcV' => array_map(fn(float $v): float => 10 * $v, $flow['dcV'])] + $flow,
            ),
        )->toContain('stands above what holds it up'),
    );
});

it('sees a meter that shows what the circuit in front of it has not', function (): void {
    $rig = Said::of(Tests\Rigs::demo('grafting'), 'as_found')->rig;
    $meters = new Meters();
    $on = $rig->settled['shore_s30'];
    $off = $rig->engine->settle($on->setting->with('main_panel.main', 'off'));
    $meters->read(new Meter($on, []), $on);
    expect($meters->broken)->toBe([])->and($meters->taken)->toBeGreaterThan(50);
    // Held to the rig with its main breaker off, and the live one asked.
    $meters->read(new Meter($off, []), $on);
    expect(whats($meters))->toBe(['works, and a meter shows nothing']);
});

it('sees a part that weighs something else where it stands', function (): void {
    $rig = knownRig('base-inline', 'p/whole');
    $said = Said::of($rig->document, $rig->view);
    $weights = new Weights();
    $weights->hold($rig, $said);
    expect($weights->parts)->toBeGreaterThan(3)->and(whats($weights))->not->toContain('another weight where it stands');
    // Told where it stands, and nowhere else.
    $told = Specimen::copy($rig->document);
    $told->place = (object) ['items' => (object) ['bank' => (object) ['kg' => 99]]];
    $weights->hold(new Specimen($rig->name, $told, $rig->view, $rig->parts, $rig->plan, $rig->stage), $said);
    expect(whats($weights))->toContain('another weight where it stands');
});

it('sees a size that a hand does not follow', function (): void {
    $rig = knownRig('base-inline', 'p/whole');
    $sizes = new Sizes();
    $sizes->hold($rig, Said::of($rig->document, $rig->view));
    expect($sizes->held)->toBe(1)->and($sizes->broken)->toBe([]);
    // Sized for another unit than the one that is there.
    $other = $rig->edited([['set', 'inverter', 'continuousW', 2000]]);
    $sizes->hold($rig, Said::of($other, $rig->view));
    expect(whats($sizes))->toContain('Continuous at nominal volts: not W ÷ (V × η)');
});

it('sees a sample of which a rule says something else', function (): void {
    $definition = VoltageDrop::definition();
    [$found] = array_filter($definition->samples, fn(Sample $s): bool => $s->found);
    expect(Spoken::of($definition->id, $found))->toBe(Spoken::expected($definition->id, $found))->not->toBe([]);
    $longer = Sample::found($found->title, ...[...$found->edits, Sample::set('ld_bar_inv', '/cable/lengthM', 9.5)]);
    expect(Spoken::of($definition->id, $longer))->not->toBe(Spoken::expected($definition->id, $longer));
});

it('sees a quarter of a day that no load flow gives', function (): void {
    $rig = knownRig('two-banks-sum', 'as_found');
    $of = Said::of($rig->document, $rig->view)->rig;
    $run = Quarters::run($rig, $of);
    $days = new Quarters();
    $days->hold($rig, $of, $run);
    expect($days->broken)->toBe([])->and($days->held)->toBeGreaterThan(3);
    foreach ($run->moments as $n => $m) {
        $more = array_map(fn(float $w): float => 1.1 * $w + 10, $m->storeW);
        $run->moments[$n] = new Moment($m->settled, $m->alternatingW, $more, $m->light);
    }
    $days->hold($rig, $of, $run);
    expect(whats($days))->toBe(['a quarter of the day is not its operating point']);
});

describe('there and back', function (): void {
    it('sees a failure that undoes what is said to survive any', function (): void {
        $rig = knownRig('backfed-without-interlock', 'interlock/now');
        $said = Said::of($rig->document, $rig->view);
        $back = new ThereAndBack();
        $back->prevented($rig, $said);
        expect($back->broken)->toBe([]);
        $said->judge->prevented = array_map(
            fn(Prevented $p): Prevented => new Prevented($p->rule, $p->title, $p->by, [], $p->words),
            $said->judge->prevented,
        );
        $back->prevented($rig, $said);
        expect(whats($back))->toBe(['said to survive any single failure']);
    });

    it('sees a remedy that does not do what it says', function (): void {
        $rig = knownRig('thin-negative');
        $said = Said::of($rig->document, $rig->view);
        $f = array_values(
            array_filter($said->findings, fn(array $g): bool => $g['rule'] === 'conductor_protection'),
        )[0];
        $nothing = ['result' => 'clears', 'brings' => []];
        $left = new ReflectionMethod(ThereAndBack::class, 'left');
        expect(array_column(iterator_to_array($left->invoke(null, $f, $nothing, $said, $said)), 0))->toBe([
            'said to clear, and stays',
        ]);
        $less = tampered(
            $said,
            fn(array $all): array => array_filter($all, fn(array $g): bool => $g['id'] !== $f['id']),
        );
        expect(array_column(iterator_to_array($left->invoke(null, $f, $nothing, $less, $less)), 0))->toBe([]);
        expect(array_column(iterator_to_array($left->invoke(null, $f, $nothing, $less, $said)), 0))->toContain(
            'brings danger conductor_protection, unsaid',
        );
    });
});

describe('what is owed', function (): void {
    it('is counted as the head of its file says', fn() => expect(Owed::told())->toBe((new Owed())->counts()));

    it('only shrinks', function (): void {
        // What was owed when the laws were written.
        foreach ((new Owed())->counts() as $law => $count) {
            expect($count)->toBeLessThanOrEqual(Owed::AT_FIRST[$law] ?? 0, $law);
        }
    });

    it('tells what broke and is not owed, and what is owed and holds', function (): void {
        $rig = knownRig('base-inline');
        $court = new Court(['throws', 'verdict']);
        $court->try($rig);
        $owed = new Owed(["verdict | {$rig->title()} | as it is | table on c_air | dead in the table, and live"]);
        expect($owed->differs($court))->toContain(
            'holds now, strike it from docs/owed.txt: ' .
                "verdict | {$rig->title()} | as it is | table on c_air | dead in the table, and live",
        );
        $court->verdict->hold(
            $rig,
            tampered(Said::of($rig->document, $rig->view), fn(array $all): array => [$all[0], ...$all]),
        );
        expect(implode(' ', $owed->differs($court)))->toContain('broken: verdict');
    });
});

it('tells an answer that ends in an exception', function (): void {
    $rig = knownRig('base-inline');
    $court = new Court();
    $court->try(new Specimen('none', $rig->document, 'no/view', $rig->parts));
    expect($court->broken()[0]->law)->toBe('throws');
});

it('sees a row of the sizes that a hand cannot follow', function (): void {
    $rig = knownRig('tide-line-van', 'as_found');
    $said = Said::of($rig->document, $rig->view);
    $runs = new Runs();
    $runs->hold($rig, $said);
    expect($runs->held)->toBeGreaterThan(40)->and($runs->broken)->toBe([]);
    $cables = [];
    foreach ($said->rig->graph->elements as $id => $element) {
        $element->cable === null ? null : ($cables[$id] = $cables[$element->component] = $element->cable);
    }
    $carried = new Carried($said->rig);
    [$told, $rows, $parts] = [
        AcRun::of($said->rig),
        Ruler::of($said->rig, $carried),
        RatedParts::of($said->rig, $carried),
    ];
    $broken = function (string $list, array $with, array $is) use (
        $told,
        $rows,
        $parts,
        $cables,
        $said,
        $carried,
    ): array {
        $runs = new Runs();
        $of = ['runs' => $told, 'rows' => $rows, 'parts' => $parts][$list];
        $n = array_key_first(array_filter($of, fn(array $r): bool => array_intersect_assoc($with, $r) === $with));
        $of[$n] = $is + $of[$n];
        match ($list) {
            'runs' => $runs->runs($of, $cables),
            'rows' => [
                $runs->rows($of, $cables, [0.36], array_fill_keys(array_column($rows, 'device'), true)),
                $runs->shorts($said->rig, $of),
            ],
            'parts' => [$runs->parts($of), $runs->most($said->rig, $carried, $of)],
        };

        return whats($runs);
    };
    $branch = ['kind' => 'branch', 'holds' => true];
    expect($broken('runs', $branch, ['dropV' => 9.0]))
        ->toContain('a drop that the table does not give')
        ->and($broken('runs', $branch, ['dropLimitV' => 4.3]))
        ->toContain('another drop than three per cent is usual')
        ->and($broken('runs', $branch, ['holds' => false]))
        ->toContain('holds what it does not, or not what it does')
        ->and($broken('runs', $branch + ['size' => 'awg:14'], ['limitA' => 20.0]))
        ->toContain('another device than its gauge may have')
        ->and($broken('runs', $branch, ['suits' => 'awg:6']))
        ->toContain('not the smallest gauge that suits')
        ->and($broken('rows', ['kind' => 'alternating'], ['shortA' => 4000.0]))
        ->toContain("a bank's short in an alternating run")
        ->and($broken('rows', ['kind' => 'positive'], ['dropLimitV' => 0.5]))
        ->toContain('another drop than three per cent is usual')
        ->and($broken('rows', ['kind' => 'alternating'], ['trouble' => [['kind' => 'load', 'words' => '']]]))
        ->toContain('what is out of order by its figures is not what is told')
        ->and($broken('rows', ['id' => 'ld_house.wire'], ['shortA' => null]))
        ->toContain('another short than at either end')
        ->and($broken('rows', ['device' => 'Factory inverter fuse'], ['breaksA' => null]))
        ->toContain('what its device breaks is known and not told')
        ->and($broken('parts', ['kind' => 'device'], ['carriesA' => 0.3]))
        ->toContain('a part carries something else than its contacts')
        ->and($broken('parts', ['kind' => 'device'], ['used' => 7.0]))
        ->toContain('the share that is used is not that of its figures')
        ->and($broken('parts', ['kind' => 'device'], ['trouble' => ['hot', 'hotter', 'hottest']]))
        ->toContain('what is out of order by its figures is not what is told');
});

it('sees a way that is called by other slips than its own', function (Ways $ways, ?string $wrong): void {
    expect(Verdict::wrongWay((array) $ways))->toBe($wrong);
})->with([
    'always' => [Ways::slips(0, 'on shore'), null],
    'two slips' => [Ways::slips(2, 'x'), null],
    'remote' => [Ways::slips(3, 'x')->orFailing('a relay welded', 1), null],
    'outside, with a slip' => [Ways::outside('reversed, and one slip: bypassed', 1), null],
    'outside, its slip left out' => [Ways::outside('reversed', 1), 'a way says other slips than it takes'],
    'always, by a slip' => [
        new Ways('always', Ways::slips(1, 'x')->pairs, 'always, x'),
        'a way is called by other slips or failures than its own',
    ],
    'one slip, said as two' => [
        new Ways('slips', Ways::slips(1, 'x')->pairs, 'two slips: x'),
        'a way says other slips than it takes',
    ],
    'a slip, said as one from outside' => [
        new Ways('outside', Ways::outside('x')->pairs, 'without any slip: x'),
        'a way is outside the rig, or not, and says otherwise',
    ],
    'a failure that takes as many slips' => [
        Ways::slips(1, 'x')->orFailing('y', 1),
        'a pair is no easier than another',
    ],
]);

it('sees a bar that is not among the parts', function (): void {
    $rig = knownRig('bellows-trailer', 'as_found');
    $said = Said::of($rig->document, $rig->view);
    $runs = new Runs();
    $runs->hold($rig, $said);
    expect($runs->broken)->toBe([])->and($said->rig->graph->junctions)->not->toBe([]);
    $parts = RatedParts::of($said->rig, new Carried($said->rig));
    $runs->whole($said->rig, [], [], array_filter($parts, fn(array $p): bool => $p['kind'] !== 'bar'));
    expect(whats($runs))->toContain('a bar is not among the parts');
});

it('sees an edge that has moved', function (): void {
    foreach (Edges::of('conductor_protection') as $line) {
        expect(Edges::holds($line))->toBeTrue($line);
        $said = explode(' | ', $line);
        $moved = [
            ...array_slice($said, 0, 3),
            ...array_map(fn(string $v): string => (string) (1.2 * (float) $v), [$said[3], $said[4]]),
            ...array_slice($said, 5),
        ];
        expect(Edges::holds(implode(' | ', $moved)))->toBeFalse($line);
        break;
    }
});

it('sees a price that is not the one that is billed', function (): void {
    $rig = knownRig('inverter-that-cuts-off');
    $prices = new Prices();
    $prices->hold($rig, Said::of($rig->document, $rig->view));
    expect($prices->held)->toBeGreaterThan(8)->and($prices->broken)->toBe([]);
    $line = [
        'label' => 'Cable',
        'each' => 2.0,
        'quantity' => 3.0,
        'total' => 6.0,
        'minutes' => 30.0,
        'group' => 'cable',
    ];
    $bill = fn(array $line, array $is): array => $is + [
        'lines' => [$line],
        'without' => [],
        'material' => 6.0,
        'hours' => 3.5,
        'total' => 321.0,
    ];
    $broken = function (array $line, array $is) use ($bill): array {
        $prices = new Prices();
        $prices->bill($bill($line, $is), 0);

        return whats($prices);
    };
    expect($broken($line, []))
        ->toBe([])
        ->and($broken(['total' => 5.0] + $line, []))
        ->toContain('a line is not its price times its number', 'a bill is not the sum of its lines')
        ->and($broken($line, ['hours' => 3.0]))
        ->toContain('hours are not those of the lines', 'a bill is not material and hours')
        ->and($broken(['total' => null, 'each' => null] + $line, ['material' => 0.0, 'total' => 315.0]))
        ->toBe(['what has no price is not told']);
    $prices = new Prices();
    $prices->rows(
        [['component' => 'plug', 'size' => 'awg:10', 'kind' => 'alternating', 'cost' => 9.0]],
        [
            [
                'size' => 'awg:10',
                'spoken' => '10 AWG',
                'kind' => 'cord',
                'runs' => [['component' => 'plug', 'cutM' => 4.0]],
            ],
        ],
        [$line],
    );
    expect(whats($prices))->toBe(['a run costs something else among the sizes']);
});
