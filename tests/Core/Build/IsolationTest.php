<?php

declare(strict_types=1);

use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Difference;
use Hollin\Core\Build\Isolation;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Opening;
use Hollin\Core\Build\Openings;
use Hollin\Core\Build\Ways;
use Hollin\Core\Network\Fault;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\ByVolts;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Situation;
use Tests\Rigs;
use Tests\Works;

/** Every plan of the demo workshop, from as found to its end. @return array<string, array{Difference, Isolation}> */
function touchedRigs(): array
{
    static $all = null;
    if ($all === null) {
        $all = [];
        foreach (array_keys(Rigs::DEMO) as $name) {
            $document = Rigs::demo($name);
            foreach (array_keys(get_object_vars($document->plans)) as $plan) {
                $difference = Difference::between(
                    Rigs::asFound($document)->graph,
                    Rigs::planned($document, (string) $plan)->graph,
                );
                $all["{$name} {$plan}"] = [$difference, Isolation::of($difference->before, $difference->terminals())];
            }
        }
    }

    return $all;
}

/**
 * The rig with its openings made, everything else set at random.
 *
 * @param list<Opening> $openings
 */
function opened(Graph $graph, array $openings, int $seed): Situation
{
    mt_srand($seed);
    $fixed = [];
    $faults = [];
    $dark = false;
    foreach ($openings as $opening) {
        $fixed += $opening->controls;
        $dark = $dark || $opening->how === 'cover';
        foreach ($opening->elements as $element) {
            $faults[$element] = Fault::open($element);
        }
    }
    $at = [];
    foreach ($graph->devices as $id => $device) {
        if (!$device->isAutomatic()) {
            $names = $device->positionNames();
            $at[$id] = $fixed[$id] ?? $names[mt_rand(0, count($names) - 1)];
        }
    }
    $around = [];
    foreach ($graph->surroundings as $id => $surrounding) {
        $values = array_keys($surrounding->values);
        $around[$id] =
            $surrounding->label === 'Sun' && $dark ? 'dead' : (string) $values[mt_rand(0, count($values) - 1)];
    }
    $engine = new Engine(new Contraction($faults === [] ? $graph : $graph->with(...array_values($faults))));

    return ByVolts::settled($engine, new Setting($at, $around))->situation;
}

/**
 * What makes touched terminals live by the engine of states, which knows nothing of how the openings were chosen.
 *
 * @param list<string> $touched
 * @return array<string, string> "terminal by what" => its component
 */
function liveOf(Graph $graph, Situation $now, array $touched): array
{
    $live = [];
    $posts = [];
    foreach ($graph->batteries as $battery) {
        $posts += Ways::within($graph, $battery->component, [$battery->pos, $battery->neg]);
    }
    foreach ($touched as $terminal) {
        $hot = $now->hardHot($terminal) ?? $now->softHot($terminal);
        if ($hot !== null) {
            $live["{$terminal} by {$hot}"] = $graph->sources[$hot]->component;
        }
        foreach ($graph->batteries as $battery) {
            if (!isset($posts[$terminal]) && $now->joined($terminal, $battery->pos)) {
                $live["{$terminal} by {$battery->component}"] = $battery->component;
            }
        }
        foreach (array_keys($now->charging() + $now->givingDirect()) as $id) {
            $out = $graph->converters[$id]->output[0];
            if ($terminal !== $out && !isset($posts[$terminal]) && $now->joined($terminal, $out)) {
                $live["{$terminal} by {$id}"] = $graph->converters[$id]->component;
            }
        }
    }

    return $live;
}

it('leaves nothing live that hands come near, however the rest is set (judged by the states)', function (): void {
    foreach (touchedRigs() as $name => [$difference, $isolation]) {
        // Solar controllers and engines are stopped where they are: their own studs are told as staying live.
        $touched = $difference->terminals();
        for ($seed = 1; $seed <= 60; $seed++) {
            $now = opened($difference->before, $isolation->openings, $seed);
            expect(liveOf($difference->before, $now, $touched))->toBe([], "{$name}, settings {$seed}");
        }
    }
})->group('slow');

it('opens nothing in vain: with an opening left out, what it is for can be live', function (): void {
    foreach (touchedRigs() as $name => [$difference, $isolation]) {
        $graph = $difference->before;
        foreach ($isolation->openings as $left => $opening) {
            // Leads that are lifted part by the way what is stacked under them.
            $rest = array_filter(
                $isolation->openings,
                fn(Opening $o, int $n): bool => $n !== $left &&
                    $o->how !== 'lead' &&
                    // One sun shines on all panels.
                    !($o->how === 'cover' && $opening->how === 'cover'),
                ARRAY_FILTER_USE_BOTH,
            );
            $mine = function (string $component) use ($graph, $opening): bool {
                $converts = array_filter(
                    $graph->converters,
                    fn(PowerConverter $c): bool => $c->component === $component && $c->kind !== PowerConverter::FIELD,
                );

                return $converts !== [] || str_contains($opening->source, $graph->label($component));
            };
            $found = false;
            for ($seed = 1; $seed <= 600 && !$found; $seed++) {
                $live = liveOf($graph, opened($graph, array_values($rest), $seed), $difference->terminals());
                $found = array_filter($live, $mine) !== [];
            }
            // The key comes out of the engine even where a fuse parts its battery as well.
            expect($found || $opening->how === 'engine')->toBeTrue("{$name}: {$opening->words} ({$opening->source})");
        }
    }
})->group('slow');

/** What is switched off before anything is opened, as an opening. */
function unitsOff(Graph $graph, Isolation $isolation): Opening
{
    $off = [];
    foreach ($graph->devices as $id => $device) {
        if ($device->job === 'mode' && isset($isolation->running[$device->component])) {
            $off[$id] = 'off';
        }
    }

    return new Opening('off', '', 'run', '', '', '', $off);
}

/** Plans drawn at random beside those of the demo workshop. @return array<string, array{Difference, Isolation}> */
function drawnTouched(int $count): array
{
    $all = [];
    for ($seed = 1; $seed <= $count; $seed++) {
        $document = Rigs::varied($seed);
        $before = Rigs::asFound($document)->graph;
        $difference = Difference::between($before, Rigs::planned($document, 'p')->graph);
        $all["drawn {$seed}"] = [$difference, Isolation::of($before, $difference->terminals())];
    }

    return $all;
}

it('opens what feeds a bus before the battery that holds it (judged by the states)', function (): void {
    $checked = 0;
    foreach (touchedRigs() + drawnTouched(25) as $name => [$difference, $isolation]) {
        $graph = $difference->before;
        foreach ($isolation->openings as $n => $opening) {
            if (!in_array($opening->how, ['disconnect', 'fuse', 'lead'], true)) {
                continue;
            }
            for ($seed = 1; $seed <= 25; $seed++) {
                $now = opened(
                    $graph,
                    [unitsOff($graph, $isolation), ...array_slice($isolation->openings, 0, $n)],
                    $seed,
                );
                $checked++;
                foreach (array_keys($now->charging() + $now->givingDirect()) as $id) {
                    foreach ($graph->batteries as $battery) {
                        $feeds =
                            $battery->component === $opening->component ||
                            str_contains($opening->source, $graph->label($battery->component));
                        // A converter from one battery to another gives until one of both is off.
                        expect(
                            $feeds &&
                                $graph->converters[$id]->kind !== PowerConverter::DC_DC &&
                                $now->joined($graph->converters[$id]->output[0], $battery->pos),
                        )->toBeFalse("{$name}: {$id} still feeds the bus when {$opening->words}");
                    }
                }
            }
        }
    }
    expect($checked)->toBeGreaterThan(20);
})->group('slow');

it(
    'asks for loads, inverter, generator, engine, panels, supply, then the battery, each pole in turn',
    function (): void {
        foreach (Works::plans() as [$name, $plan]) {
            $work = Works::of(Rigs::demo($name), $plan);
            $step = Works::step($work, Kind::Isolate);
            expect($step->inOrder)->toBeTrue()->and($step->asks[0]->id)->toBe('loads_off');
            $ids = array_map(fn(Ask $a): string => $a->id, $step->asks);
            $at = function (string $start) use ($ids): int {
                $found = array_filter($ids, fn(string $id): bool => str_starts_with($id, $start));

                return $found === [] ? -1 : (int) array_key_first($found);
            };
            foreach (array_filter($ids, fn(string $id): bool => str_starts_with($id, 'plug_')) as $id) {
                foreach (['disconnect_', 'fuse_', 'lead_'] as $later) {
                    expect($at($later) === -1 || array_search($id, $ids, true) < $at($later))->toBeTrue(
                        "{$name} {$plan}: {$id}",
                    );
                }
            }
            foreach (array_filter($ids, fn(string $id): bool => str_starts_with($id, 'lead_')) as $id) {
                $battery = substr($id, 5);
                expect(array_search("bonded_{$battery}", $ids, true))->toBeLessThan(
                    array_search($id, $ids, true),
                    $name,
                );
            }
            foreach (array_filter($ids, fn(string $id): bool => str_starts_with($id, 'pedestal_')) as $n => $id) {
                expect($ids[$n + 1])->toStartWith('plug_');
            }
            expect(array_unique($ids))->toHaveCount(count($ids), "{$name} {$plan}");
        }
    },
);

it(
    'covers a portable panel before its plug, and unhitches a trailer whether the vehicle is described or not',
    function (): void {
        $lead = fn(string $from, string $to, string $pole): array => [
            'type' => 'lead',
            'label' => "{$from} to {$to}",
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => ['size' => 'awg:10', 'lengthM' => 2],
        ];
        $add = fn(string $id, array $component): array => [
            'kind' => 'survey_add',
            'id' => $id,
            'component' => $component,
        ];
        $document = Rigs::job(
            $add('tow', ['type' => 'tow_plug', 'label' => 'Cord plug', 'pinA' => 30]),
            $add('tow_pos', $lead('tow.pos', 'house.pos', 'positive')),
            $add('tow_neg', $lead('tow.neg', 'house.neg', 'negative')),
            $add('side', [
                'type' => 'side_inlet',
                'label' => 'Side socket',
                'panelW' => 100,
                'panelVoc' => 22,
                'controller' => 'panel',
            ]),
            $add('side_pos', $lead('side.pos', 'house.pos', 'positive')),
            $add('side_neg', $lead('side.neg', 'house.neg', 'negative')),
        );
        $graph = Rigs::asFound($document)->graph;
        $openings = array_column(Isolation::of($graph, ['house.pos'])->openings, null, 'id');
        expect($openings['cover_side']->words)
            ->toContain('covered or turned over')
            ->and(array_values($openings['cover_side']->then)[0])
            ->toContain('plug out')
            ->and($openings['plug_tow.plug']->words)
            ->toBe('Cord plug unhitched')
            ->and(array_filter($openings, fn(Opening $o): bool => $o->how === 'engine'))
            ->toBe([]);
    },
);

it('takes the pole that hangs on the frame off first, whichever it is', function (): void {
    $graph = Rigs::asFound(Rigs::job())->graph;
    $battery = array_values($graph->batteries)[0];
    expect(Openings::bondedPole($graph, $battery))->toBe('negative');
    $other = new Graph();
    $other->battery($battery);
    $other->conductor('earthed', 'earthed', $battery->pos, 'frame', Role::DcPositive);
    expect(Openings::bondedPole($other, $battery))->toBe('positive');
});

it(
    'pulls a fuse by hand before the first lead, and leaves a bolted one until the bonded pole is off',
    function (): void {
        foreach (['blade' => ['pull_house_fuse', 'bonded_house'], 'anl' => ['bonded_house']] as $family => $before) {
            $graph = Rigs::asFound(Rigs::job(Sample::survey('house_fuse', '/family', $family)))->graph;
            $battery = (string) array_key_first($graph->batteries);
            expect(array_keys(Openings::lead($graph, $battery, 'house')->before))->toBe($before, $family);
        }
    },
);

it('cuts each source where it can be opened first', function (): void {
    [, $isolation] = touchedRigs()['archive right'];
    $said = array_map(fn(Opening $o): string => "{$o->how}: {$o->words}", $isolation->openings);
    expect($said)->toEqualCanonicalizing(['disconnect: Battery switch: open', 'plug: Shore cord unplugged']);

    [, $isolation] = touchedRigs()['causeway dcdc'];
    $hows = array_column(array_map(fn(Opening $o): array => [$o->source, $o->how], $isolation->openings), 1, 0);
    expect($hows['Starter battery'])
        ->toBe('fuse')
        ->and($hows['Roof panels'])
        ->toBe('cover')
        ->and($isolation->stays)
        ->toContain('Leads of the panels up to where they are opened, whenever there is light');
});

it('tells a generator that starts by itself to be locked, and what leads nowhere near', function (): void {
    $document = Rigs::job(
        [
            'kind' => 'survey_add',
            'id' => 'set',
            'component' => [
                'type' => 'generator',
                'label' => 'Set',
                'ratedW' => 4000,
                'outletA' => 30,
                'mount' => 'on_board',
                'bond' => 'bonded',
                'autoStart' => true,
            ],
        ],
        [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'stage' => 'whole',
            'id' => 'box',
            'component' => [
                'type' => 'transfer_switch',
                'label' => 'Transfer',
                'kind' => 'automatic',
                'poles' => 'two',
                'ratingA' => 30,
            ],
        ],
    );
    $graph = Rigs::asFound($document)->graph;
    $near = Isolation::of($graph, ['set.l']);
    expect(
        array_column(array_map(fn(Opening $o): array => [$o->how, $o->locked], $near->openings), 1, 0)['run'] ?? '',
    )->toContain('starts by itself');
    $far = Isolation::of($graph, ['c_outlets.l']);
    expect($far->away)->toContain('Set');
});

it('counts a converter as a way: what its 120 V side feeds is near its 12 V side', function (): void {
    $graph = Rigs::asFound(Rigs::job())->graph;
    $converter = array_values(
        array_filter($graph->converters, fn(PowerConverter $c): bool => $c->kind === PowerConverter::CHARGER),
    )[0];
    $sources = array_map(fn(Opening $o): string => $o->how, Isolation::of($graph, [$converter->output[0]])->openings);
    expect($sources)->toContain('plug');
});
