<?php

declare(strict_types=1);

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Look;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Setting;
use Tests\Rigs;

/** A device whose wish is any function of what it sees. */
function follows(Closure $wish, float $delayS): Automatic
{
    return new class ($wish, $delayS) implements Automatic {
        public function __construct(private Closure $wishes, private float $delay) {}

        public function reads(): array
        {
            return [];
        }

        public function hears(): array
        {
            return [];
        }

        public function wish(Look $look): string
        {
            return ($this->wishes)($look);
        }

        public function misset(): array
        {
            return [];
        }

        public function delayS(string $from, string $to): float
        {
            return $this->delay;
        }
    };
}

/** @param array<string, array{Closure, float}> $devices */
function rigOf(array $devices): Engine
{
    $graph = Wiring::of(Rig::from(new stdClass()));
    $graph->source(new Source('s', 'shore', 'shore', 'S', 'ac', true, 's.l', 's.n', 'frame', 120, 30));
    foreach ($devices as $id => [$wish, $delay]) {
        $graph->device(
            new Device(
                $id,
                $id,
                $id,
                'relay',
                ['open' => 'open', 'closed' => 'closed'],
                'open',
                follows($wish, $delay),
            ),
        );
        $graph->contact("{$id}.l", $id, 's.l', "{$id}.out", Role::L1, $id, ['closed']);
        $graph->conductor("{$id}.n", $id, 's.n', "{$id}.n", Role::N);
    }

    return new Engine(new Contraction($graph));
}

it('moves the quickest first and reports when', function (): void {
    $slow = fn(Look $look): string => $look->ac('quick.out', 'quick.n', 'none') === 'good' ? 'closed' : 'open';
    $settled = rigOf(['slow' => [$slow, 5.0], 'quick' => [fn(): string => 'closed', 0.02]])->settle(
        new Setting([], []),
    );
    expect(array_column($settled->moves, 'device'))
        ->toBe(['quick', 'slow'])
        ->and($settled->moves[1]['atS'])
        ->toEqualWithDelta(5.02, 1e-9)
        ->and($settled->positions)
        ->toMatchArray(['quick' => 'closed', 'slow' => 'closed'])
        ->and($settled->trouble)
        ->toBe([]);
});

it('lets a running timer run on while another device moves', function (): void {
    $settled = rigOf(['a' => [fn(): string => 'closed', 2.0], 'b' => [fn(): string => 'closed', 3.0]])->settle(
        new Setting([], []),
    );
    expect(array_column($settled->moves, 'atS'))->toEqual([2.0, 3.0]);
});

it('reports hunting with its period', function (): void {
    // It opens as soon as its own output is live, and closes when it is not.
    $hunter = fn(Look $look): string => $look->ac('hunter.out', 'hunter.n', 'none') === null ? 'closed' : 'open';
    $settled = rigOf(['hunter' => [$hunter, 4.0]])->settle(new Setting([], []));
    expect($settled->trouble)->toHaveCount(1)->and($settled->trouble[0])->toContain('hunting, about every 8 s');
});

it('reports a race when equal delays end differently by order', function (): void {
    $unless = fn(string $other): Closure => fn(Look $look): string => $look->ac(
        "{$other}.out",
        "{$other}.n",
        'none',
    ) === null
        ? 'closed'
        : 'open';
    $settled = rigOf(['a' => [$unless('b'), 1.0], 'b' => [$unless('a'), 1.0]])->settle(new Setting([], []));
    expect(implode(' ', $settled->trouble))->toContain('race between a and b');
});

it('transfers as an inverter/charger does', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $positions = array_map(fn($s): string => $s->positions['inverter.relay'], $rig->settled);
    expect($positions)->toMatchArray([
        'nothing' => 'rest',
        'shore_s30' => 'pass',
        'shore_and_inverter' => 'pass',
        'inverting' => 'invert',
        'dead_pedestal' => 'invert',
        'low_shore' => 'invert',
        'storage' => 'rest',
    ]);
    $move = $rig->settled['shore_s30']->moves[0];
    expect($move['to'])->toBe('pass')->and($move['atS'])->toBe(15.0);
});

it('rests when the bank is disconnected', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $setting = $rig->named['inverting']->setting->with('disconnect.handle', 'off');
    expect($rig->engine->settle($setting)->positions['inverter.relay'])->toBe('rest');
});

it('goes about as a wrong setting has it, and as before once that is put right', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $wide = array_column(Failure::ofNetwork($rig->engine->network), null, 'words')[
        '{component inverter} set to take any volts at its input for a supply'
    ];
    $low = $rig->named['low_shore']->setting;
    $end = fn(?Failure $failure): string => $rig->engine->settle($low, [], $failure)->positions['inverter.relay'];
    expect([$end(null), $end($wide), $end(null)])
        ->toBe(['invert', 'pass', 'invert'])
        // Volts that are right anyway leave nothing for the setting to change.
        ->and($rig->engine->settle($rig->named['shore_s30']->setting, [], $wide)->positions['inverter.relay'])
        ->toBe('pass');
});

it('takes the other input of a transfer switch that is set the other way', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('transfer_whole', ['converter' => 'left'])));
    $switch = array_key_first($rig->graph->partsOf('transfer_switch')) ?? '';
    $set = array_values(
        array_filter(Failure::ofNetwork($rig->engine->network), fn(Failure $f): bool => $f->logics !== []),
    );
    expect(array_column($set, 'words'))->toBe(["{component {$switch}} set to prefer its other input"]);
    $both = $rig->named['shore_and_inverter']->setting;
    $at = fn(?Failure $failure): string => $rig->engine->settle($both, [], $failure)->positions["{$switch}.handle"];
    expect($at($set[0]))
        ->not->toBe($at(null))
        ->and([$at(null), $at($set[0])])
        ->each->toBeIn(['a', 'b']);
});

it('holds a failed contact whatever the device wants', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $welded = array_values(
        array_filter(
            Failure::ofNetwork($rig->engine->network),
            fn(Failure $f): bool => str_contains($f->words, 'pass-through') && str_contains($f->words, 'welded'),
        ),
    )[0];
    $settled = $rig->engine->settle($rig->named['inverting']->setting, [], $welded);
    expect($settled->situation->hardHot('inlet.pin_l'))->toBe('inverter.inverter');
});

it('parts one failed pole from those that move with it', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $failures = array_column(Failure::ofNetwork($rig->engine->network), null, 'id');
    $state = $rig->named['inverting'];
    $sound = $rig->engine->settle($state->setting)->situation;
    $hot = $rig->engine->settle($state->setting, [], $failures['inverter.pass_l.welded'])->situation;
    $both = $rig->engine->settle($state->setting, [], $failures['inverter.pass_l.all_welded'])->situation;
    expect($rig->engine->network->movesWith('inverter.pass_l'))
        ->toContain('inverter.pass_l', 'inverter.pass_n')
        ->and(array_map($sound->isClosed(...), ['inverter.pass_l', 'inverter.pass_n']))
        ->toBe([false, false])
        ->and(array_map($hot->isClosed(...), ['inverter.pass_l', 'inverter.pass_n']))
        ->toBe([true, false])
        ->and(array_map($both->isClosed(...), ['inverter.pass_l', 'inverter.pass_n']))
        ->toBe([true, true])
        ->and($hot->joined('inlet.pin_l', 'inverter.ac_out.l'))
        ->toBeTrue()
        ->and($hot->joined('inlet.pin_n', 'inverter.ac_out.n'))
        ->toBeFalse()
        ->and($both->joined('inlet.pin_n', 'inverter.ac_out.n'))
        ->toBeTrue()
        ->and($sound->key)
        ->not->toBe($hot->key)
        ->and($both->key)
        ->not->toBe($hot->key);

    // The solve takes the same poles for closed.
    $flow = LoadFlow::of($rig->engine->settle($state->setting, [], $failures['inverter.pass_l.welded']), [], []);
    expect($flow->acBetween('inlet.pin_l', 'frame'))->toBeGreaterThan(110.0);

    // And one that stays open where its fellows close.
    $shore = $rig->named['shore_s30'];
    $open = $rig->engine->settle($shore->setting, [], $failures['inverter.pass_n.stuck_open'])->situation;
    expect(array_map($open->isClosed(...), ['inverter.pass_l', 'inverter.pass_n']))
        ->toBe([true, false])
        ->and(array_filter($open->liveness(), fn($l): bool => $l->kind === 'works'))
        ->toBe([]);
});

it('knows whether a failure would have changed anything on the way', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $failures = array_column(Failure::ofNetwork($rig->engine->network), null, 'id');
    // Coming to shore it inverts for the 15 s of qualifying, then passes.
    $arrives = $rig->engine->settle($rig->named['shore_and_inverter']->setting, ['inverter.relay' => 'invert']);
    expect($arrives->isTouchedBy($failures['inverter.pass_l.welded']))
        ->toBeTrue('closed all the while it waits')
        ->and($arrives->isTouchedBy($failures['inverter.pass_l.stuck_open']))
        ->toBeTrue('closed at the end')
        ->and($arrives->isTouchedBy($failures['inverter.relay.stuck_invert']))
        ->toBeTrue('leaves that position')
        ->and($arrives->isTouchedBy($failures['inverter.relay.dead']))
        ->toBeTrue('is elsewhere');
    $rests = $rig->engine->settle($rig->named['nothing']->setting);
    expect($rests->isTouchedBy($failures['inverter.pass_l.stuck_open']))
        ->toBeFalse('open anyway')
        ->and($rests->isTouchedBy($failures['inverter.relay.dead']))
        ->toBeFalse('rests anyway')
        ->and($rests->isTouchedBy($failures['inverter.pass_l.welded']))
        ->toBeTrue();
});
