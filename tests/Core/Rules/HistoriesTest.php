<?php

declare(strict_types=1);

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Histories;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Untouched;
use Tests\Rigs;
use Tests\Seeds;

/** The converter behind a contactor whose coil hangs on what the contactor feeds. */
function sealedIn(): Examination
{
    return Rigs::planned(
        Rigs::job(
            Sample::choose('in_line', ['converter' => 'contactor_safe']),
            Sample::set('lock_out', '/coil', ['at' => 'lock_out', 'port' => 'out']),
        ),
    );
}

it('finds a contactor that holds itself in, and what that does', function (): void {
    $rig = sealedIn();
    // From rest it never pulls in.
    expect($rig->settled['inverting']->positions['lock_out.coil'])->toBe('released');
    $ends = iterator_to_array((new Histories($rig, new Untouched($rig->engine)))->ends(), false);
    $said = fn(string $kept): string => Naming::read($kept, $rig->graph, $rig->named);
    $inverting = array_values(array_filter($ends, fn(array $e): bool => $e['state'] === 'inverting'));
    expect($inverting)
        ->not->toBe([])
        ->and($inverting[0]['end']->positions['lock_out.coil'])
        ->toBe('pulled')
        ->and($inverting[0]['slips'])
        ->toBe(0)
        ->and($said($inverting[0]['words']))
        ->toContain('coil pulled in');

    // And what is one move of a hand away from there: the cord, the unit's switch, the battery's.
    $moved = implode(
        "\n",
        array_column(array_filter($ends, fn(array $e): bool => $e['state'] === null && $e['slips'] === 1), 'words'),
    );
    expect($said($moved))
        ->toContain('pulled in", Shore cord plugged into 20 A')
        ->toContain('Battery disconnect open')
        ->toContain('Inverter/charger 3000 VA switch off');

    $loops = Rigs::findings($rig, 'charging_loop');
    expect($loops)
        ->toHaveCount(1)
        ->and($loops[0]->severity()->value)
        ->toBe('danger')
        ->and($loops[0]->ways->words)
        ->toStartWith('by what went before: ')
        ->and($loops[0]->states)
        ->toBe(['inverting']);
});

it('finds no other end where nothing holds itself in', function (string $demo, string $plan): void {
    $rig = Rigs::planned(Rigs::demo($demo), $plan);
    expect(iterator_to_array((new Histories($rig, new Untouched($rig->engine)))->ends(), false))->toBe([]);
})->with([['grafting', 'panel'], ['archive', 'right'], ['tideline', 'line'], ['tideline', 'some']]);

it('finds every end of a named state that trying all positions finds', function (Examination $rig, bool $some): void {
    $automatic = $rig->engine->automatic();
    $found = [];
    foreach ((new Histories($rig, new Untouched($rig->engine)))->ends() as $end) {
        if ($end['state'] !== null) {
            $found["{$end['state']} " . json_encode(array_intersect_key($end['end']->positions, $automatic))] = true;
        }
    }
    // All at once, in every combination: what stays put and is not the rest.
    foreach ($rig->named as $id => $state) {
        $combinations = [[]];
        foreach ($automatic as $device => $of) {
            $combinations = array_merge(
                ...array_map(
                    fn(array $c): array => array_map(
                        fn(string $p): array => $c + [$device => $p],
                        $of->positionNames(),
                    ),
                    $combinations,
                ),
            );
        }
        foreach ($combinations as $from) {
            $end = $rig->engine->settle($state->setting, $from);
            if ($end->situation !== $rig->settled[$id]->situation) {
                expect($found)->toHaveKey("{$id} " . json_encode(array_intersect_key($end->positions, $automatic)));
            }
        }
    }
    expect($found !== [])->toBe($some);
})->with(
    fn() => [
        'a contactor that holds itself in' => [fn() => sealedIn(), true],
        ...array_map(fn(int $seed) => [fn() => Rigs::planned(Rigs::varied($seed)), false], Seeds::of(12)),
    ],
);
