<?php

declare(strict_types=1);

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\DirectPotentials;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Setting;
use Tests\Rigs;
use Tests\Small;

it('tells works from live from dead', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_fridge' => true]]),
            Sample::move('c_outlets', 'main_panel', 'neutral'),
        ),
    );
    $live = $rig->settled['inverting']->situation->liveness();
    expect($live['c_fridge']->kind)
        ->toBe('works')
        ->and($live['c_outlets']->kind)
        ->toBe('live')
        ->and($live['c_outlets']->words)
        ->toContain('without its neutral')
        // The stray neutral lifts the shore panel's bar, and through its loads the bus.
        ->and($live['c_air']->words)
        ->toBe('live through a load')
        ->and($rig->settled['nothing']->situation->liveness()['c_air']->kind)
        ->toBe('dead');
});

it('keeps two neutrals apart that meet only in the frame', function (): void {
    $rig = Rigs::planned(
        Rigs::job(Sample::choose('in_line'), [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'main_panel',
            'path' => '/bondScrew',
            'value' => ['value' => true, 'basis' => 'told'],
        ]),
    );
    $situation = $rig->settled['inverting']->situation;
    expect($situation->joined('main_panel.neutral_bar', 'frame'))
        ->toBeFalse()
        ->and($situation->bondsOf('inverter.inverter'))
        ->toHaveCount(2);
});

it('finds a soft path through a load and stops at the return', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $situation = $rig->settled['inverting']->situation;
    expect($situation->hardHot('main_panel.bus'))
        ->toBe('inverter.inverter')
        ->and($situation->softHot('main_panel.neutral_bar'))
        ->toBeNull()
        ->and($situation->hotAt('inlet.pin_n'))
        ->toBeNull();
});

it('asks the batteries anew when the first contact of all is on their side', function (): void {
    // One switch, and it is the battery's: its bit is the first.
    $graph = new Graph();
    Small::battery($graph, 'b', 0.003);
    $graph->device(new Device('switch', 'switch', 'Switch', 'switch', ['on' => 'on', 'off' => 'off'], 'on'));
    $graph->contact('pole', 'switch', 'b.pos', 'x.pos', Role::DcPositive, 'switch', ['on']);
    $engine = new Engine(new Contraction($graph));
    $between = fn(string $position): ?float => DirectPotentials::of(
        $engine->settle(new Setting(['switch' => $position], []))->situation,
    )->between('x.pos', 'b.neg');
    expect($between('on'))
        ->toEqualWithDelta(13.2, 1e-9)
        ->and($between('off'))
        ->toBeNull()
        ->and($between('on'))
        ->toEqualWithDelta(13.2, 1e-9);
});

it('tells a circuit that runs over the grounds from one that has no way home', function (): void {
    // Moved to the inverter's panel with its neutral left behind: at a dead pedestal the cord's neutral and ground meet
    // in the service.
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('subpanel', ['circuits' => ['c_fridge' => true], 'converter' => 'ahead']),
            Sample::move('c_fridge', 'main_panel', 'neutral'),
        ),
    );
    $kinds = fn(string $state): string => $rig->settled[$state]->situation->liveness()['c_fridge']->kind;
    expect($kinds('inverting'))
        ->toBe('live')
        ->and($kinds('dead_pedestal'))
        ->toBe('ground')
        ->and($kinds('nothing'))
        ->toBe('dead');

    // The solve agrees: its amps come home through the cord's ground and the feeder's.
    $load = array_key_first(array_filter($rig->graph->loads, fn($l): bool => $l->circuit === 'c_fridge'));
    $flow = LoadFlow::of($rig->settled['dead_pedestal'], [$load => true]);
    expect($flow->loads[$load]['amps'])
        ->toBeGreaterThan(1.0)
        ->and($flow->acA['feeder_main.ground'])
        ->toBeGreaterThan(0.9 * $flow->loads[$load]['amps'])
        ->and(LoadFlow::of($rig->settled['inverting'], [$load => true])->loads[$load]['amps'])
        ->toBeLessThan(0.01);

    // The bond at the service holds the neutral bar: the shore side comes up with nothing plugged in, not with a dead
    // pedestal.
    expect($rig->settled['inverting']->situation->liveness()['c_air']->kind)
        ->toBe('live')
        ->and($rig->settled['dead_pedestal']->situation->liveness()['c_air']->kind)
        ->toBe('dead');
    $all = $rig->allLoads();
    expect(LoadFlow::of($rig->settled['inverting'], $all)->acBetween('main_panel.bus', 'frame'))
        ->toBeGreaterThan(80.0)
        ->and(LoadFlow::of($rig->settled['dead_pedestal'], $all)->acBetween('main_panel.bus', 'frame'))
        ->toBeLessThan(5.0);

    $found = Rigs::findings($rig, 'split_return');
    $keys = array_map(fn($f): string => $f->hit->key, $found);
    expect($keys)->toContain('c_fridge|no return', 'c_fridge|by ground');
});

it('asks the batteries anew when a failure parts one pole of two that move together', function (): void {
    $graph = new Graph();
    Small::battery($graph, 'b', 0.003);
    $logic = new class implements Hollin\Core\Network\Automatic {
        public function reads(): array
        {
            return [];
        }

        public function hears(): array
        {
            return [];
        }

        public function wish(Hollin\Core\Network\Look $look): string
        {
            return 'closed';
        }

        public function misset(): array
        {
            return [];
        }

        public function delayS(string $from, string $to): float
        {
            return 0.1;
        }
    };
    $graph->device(
        new Device('relay', 'relay', 'Relay', 'relay', ['open' => 'open', 'closed' => 'closed'], 'open', $logic),
    );
    $graph->contact('plus', 'relay', 'b.pos', 'x.pos', Role::DcPositive, 'relay', ['closed']);
    $graph->contact('minus', 'relay', 'b.neg', 'x.neg', Role::DcNegative, 'relay', ['closed']);
    $engine = new Engine(new Contraction($graph));
    $between = fn(?Failure $failure): ?float => DirectPotentials::of(
        $engine->settle(new Setting([], []), [], $failure)->situation,
    )->between('x.pos', 'x.neg');
    $stuck = array_column(Failure::ofNetwork($engine->network), null, 'id');
    expect($between(null))
        ->toEqualWithDelta(13.2, 1e-9)
        ->and($between($stuck['plus.stuck_open']))
        ->toBeNull()
        ->and($between($stuck['minus.stuck_open']))
        ->toBeNull()
        ->and($between(null))
        ->toEqualWithDelta(13.2, 1e-9);
});

it('lets batteries of one chemistry and one number of cells stand side by side', function (
    float $volts,
    Hollin\Core\Reference\Chemistry $chemistry,
    bool $like,
): void {
    $graph = new Graph();
    Small::battery($graph, 'a', 0.003);
    Small::battery($graph, 'b', 0.003, $chemistry, $volts);
    expect(DirectPotentials::areLike(...array_values($graph->batteries)))->toBe($like);
})->with([
    'the same' => [12.8, Hollin\Core\Reference\Chemistry::Lfp, true],
    'lead beside it' => [12.0, Hollin\Core\Reference\Chemistry::Flooded, false],
    'twice the cells' => [25.6, Hollin\Core\Reference\Chemistry::Lfp, false],
]);
