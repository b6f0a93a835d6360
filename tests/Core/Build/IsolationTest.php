<?php

declare(strict_types=1);

use Hollin\Core\Build\Difference;
use Hollin\Core\Build\Isolation;
use Hollin\Core\Build\Opening;
use Hollin\Core\Build\Ways;
use Hollin\Core\Network\Fault;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\States\ByVolts;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Situation;
use Tests\Rigs;

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
