<?php

declare(strict_types=1);

use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Panels;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Slots;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Needs;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Sizing\DirectShares;
use Tests\Rigs;
use Tests\Small;

it('finds room in a panel where the plan finds it', function (): void {
    $answers = [];
    foreach (range(1, 25) as $seed) {
        $document = Rigs::varied($seed);
        foreach ([$document->asFound->components, Planned::stages($document, 'p')[0]->components] as $components) {
            $rig = Rig::from($components);
            $graph = (new Examination($rig, Needs::from($document->needs)))->graph;
            foreach ($rig->components as $id => $panel) {
                if ($panel instanceof Panel) {
                    $room = Slots::hasRoom($rig, $panel);
                    expect(Panels::hasRoom($graph, $graph->parts[$id]))->toBe($room, "rig {$seed}: {$id}");
                    $answers[(int) $room] = true;
                }
            }
        }
    }
    expect($answers)->toHaveCount(2);
});

it('has room in the last slot, and in half of a tandem breaker', function (): void {
    $job = Rigs::job();
    $slots = fn(stdClass $document): Graph => Rigs::asFound($document)->graph;
    $graph = $slots($job);
    $used = count(array_filter($graph->circuits, fn($c): bool => $c->panel === 'main_panel')) + 1;
    $exactly = fn(int $n): stdClass => Rigs::edit($job, Sample::survey('main_panel', '/slots', $n));
    $full = $slots($exactly($used));
    $one = $slots($exactly($used + 1));
    expect(Panels::hasRoom($full, $full->parts['main_panel']))
        ->toBeFalse()
        ->and(Panels::hasRoom($one, $one->parts['main_panel']))
        ->toBeTrue();
    $circuit = array_key_first(
        array_filter($full->circuits, fn($c): bool => $c->panel === 'main_panel' && $c->half === ''),
    );
    $halved = $slots(Rigs::edit($exactly($used), Sample::survey((string) $circuit, '/hot/half', 'a')));
    expect(Panels::hasRoom($halved, $halved->parts['main_panel']))->toBeTrue();
});

it('names what a probe can reach, and nothing else', function (): void {
    $words = TerminalWords::of(Rigs::planned(Rigs::job(Sample::choose('in_line')))->graph);
    expect($words)
        ->toHaveKeys(['frame', 'earth', 'main_panel.neutral_bar', 'inverter.ac_in.l', 'bank.pos', 'c_outlets.l'])
        ->and($words['inverter.ac_in.l'])
        ->toEndWith('AC in hot')
        ->and($words['bank.pos'])
        ->toEndWith(': positive')
        ->and(array_filter(array_keys($words), fn(string $t): bool => str_contains($t, '.service.')))
        ->toBe([]);
});

it('passes through a bar half of all that comes and goes', function (): void {
    // Two equal batteries to a bar, one load off it: 100 A each in, 200 A out, so 200 A pass it.
    $graph = new Graph();
    foreach (['b1', 'b2'] as $id) {
        Small::battery($graph, $id, 0.003);
        Small::ohms($graph, "{$id}_lead", "{$id}.pos", 'bar.stud', 0.001);
        Small::ohms($graph, "{$id}_return", "{$id}.neg", 'load.neg', 0.001, Role::DcNegative);
    }
    $graph->junction('bar.stud', 'bar', new Rating(250, 'bar'));
    Small::ohms($graph, 'feed', 'bar.stud', 'load.pos', 0.002);
    Small::draw($graph, 'load.pos', 'load.neg', 200);
    $shares = new DirectShares($graph, 'load.pos', 'load.neg');
    expect($shares->junctions()['bar.stud'])
        ->toEqualWithDelta(1.0, 1e-6)
        ->and($shares->shares()['b1.cells'])
        ->toEqualWithDelta(0.5, 1e-6)
        ->and($shares->shares()['feed'])
        ->toEqualWithDelta(1.0, 1e-6)
        ->and($shares->isFed())
        ->toBeTrue();
});

it('multiplies a battery by its cells', function (): void {
    $of = fn(float $ratedV): Battery => new Battery(
        'b',
        'b',
        'p',
        'n',
        Chemistry::Lfp,
        $ratedV,
        100,
        1,
        0.004,
        false,
        null,
        null,
        false,
        false,
    );
    // Four cells make 12.8 V, eight 25.6 V: everything doubles. A lithium entered as 12 V has its own curve all the
    // same.
    expect($of(25.6)->restV('half'))
        ->toEqualWithDelta(26.4, 1e-9)
        ->and($of(25.6)->fullV())
        ->toEqualWithDelta(27.0, 1e-9)
        ->and($of(25.6)->highestV())
        ->toEqualWithDelta(28.8, 1e-9)
        ->and($of(25.6)->systemV())
        ->toEqualWithDelta(24.0, 1e-9)
        ->and($of(12.0)->restV('half'))
        ->toEqualWithDelta(13.2, 1e-9)
        ->and($of(51.2)->systemV())
        ->toEqualWithDelta(48.0, 1e-9);
});

it('shows as many polarisations as it has blocks of cells while it is charged', function (): void {
    $of = fn(float $ratedV): Battery => new Battery(
        'b',
        'b',
        'p',
        'n',
        Chemistry::Agm,
        $ratedV,
        100,
        1,
        0.004,
        false,
        null,
        null,
        false,
        false,
    );
    $adds = fn(float $ratedV): float => $of($ratedV)->chargingOhm('half') - 0.004;
    expect($adds(12.0))
        ->toBeGreaterThan(0.0)
        ->and($adds(24.0))
        ->toEqualWithDelta(2 * $adds(12.0), 1e-12);
});
