<?php

declare(strict_types=1);

use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\ChargingSamples;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\Severity;
use Tests\Rigs;

/** @return array<string, mixed> an addition chosen for the plan */
function addition(string $recipe, array $options = [], array $more = []): array
{
    return $more + [
        'kind' => 'choose_arrangement',
        'plan' => 'p',
        'recipe' => $recipe,
        'options' => (object) $options,
    ];
}

/** @return list<string> rules of danger and warning that a rig has and the other has not */
function newly(Examination $rig, Examination $before): array
{
    $rules = fn(Examination $of): array => array_unique(
        array_map(
            fn(Finding $f): string => $f->rule->id,
            array_filter((new Judge($of))->findings, fn(Finding $f): bool => $f->severity() !== Severity::Advice),
        ),
    );

    return array_values(array_diff($rules($rig), $rules($before)));
}

/** Amps into the house bank in a state. */
function into(Examination $rig, string $state, string $bank): float
{
    return -$rig->flows()->of($rig->settled[$state], [], 'low')->sources["{$bank}.cells"]['amps'];
}

it('adds what charges from the engine, either way, and finds nothing wrong with it', function (string $school): void {
    $engine = ChargingSamples::engine();
    $rig = Rigs::planned(
        Rigs::job(...$engine, ...[addition('charge_engine', ['school' => $school, 'size' => 'awg:4'])]),
    );
    $house = $rig->graph->partsOf('battery_bank');
    unset($house['starter']);
    expect(newly($rig, Rigs::planned(Rigs::job(...$engine))))
        // Joined, both batteries feed a short behind the old breaker: more than it breaks. A DC-DC charger keeps them
        // apart.
        ->toBe($school === 'relay' ? ['interrupting_capacity'] : [])
        ->and(into($rig, 'driving', (string) array_key_first($house)))
        ->toBeGreaterThan(10.0);
})->with(['dcdc', 'relay']);

it('adds panels on one controller or on one for each string, with the same power', function (): void {
    $rig = fn(string $school): Examination => Rigs::planned(
        Rigs::job(addition('charge_sun', ['school' => $school, 'strings' => 2])),
    );
    $watts = fn(Examination $of): float => array_sum(
        array_map(
            fn(array $s): float => $s['watts'],
            array_filter(
                $of->flows()->of($of->settled['sun'], [], 'low')->sources,
                fn(string $id): bool => str_starts_with($id, 'solar'),
                ARRAY_FILTER_USE_KEY,
            ),
        ),
    );
    expect(count($rig('each')->graph->arrays))
        ->toBe(2)
        ->and(count($rig('one')->graph->arrays))
        ->toBe(1)
        ->and($watts($rig('one')))
        // What the bank takes: a controller of 60 A or two of 30.
        ->toEqualWithDelta($watts($rig('each')), 0.1 * $watts($rig('each')))
        ->and(newly($rig('each'), Rigs::planned(Rigs::job())))
        ->toBe([]);
});

it('puts a second system beside the first, its master in either pole', function (): void {
    $rig = Rigs::planned(Rigs::job(addition('second_system', ['prechargeOhm' => 25])));
    $negative = Rigs::planned(Rigs::job(addition('second_system', ['master' => 'negative'])));
    $feeds = fn(string $panel): bool => $rig->settled['nothing']->situation->joined("{$panel}.pos", 'second_bank.pos');
    expect($feeds('dc_panel'))
        ->toBeTrue()
        ->and(count(Rigs::findings($negative, 'negative_switched')))
        ->toBeGreaterThan(0)
        ->and(Rigs::findings($rig, 'negative_switched'))
        ->toBe([])
        ->and(Rigs::findings($rig, 'unlike_parallel'))
        ->toBe([]);
});

it('composes: each lands on what the others made, and each is taken back by itself', function (): void {
    $all = Rigs::job(
        ...ChargingSamples::engine(),
        ...[
            Sample::choose('in_line'),
            addition('charge_engine'),
            addition('charge_sun'),
            addition('charge_shore', ['circuit' => 'c_outlets']),
        ],
    );
    $rig = Rigs::planned($all);
    expect(get_object_vars($all->plans->p->additions))
        ->toHaveKeys(['charge_engine', 'charge_sun', 'charge_shore'])
        // The bank's bars, not its posts, and behind the shunt.
        ->and($rig->graph->elements['ld_solar_neg.wire']->b)
        ->toBe('neg_bar.stud')
        ->and($rig->graph->elements['ld_charge_house.wire']->b)
        ->toBe('pos_bar.stud');
    // A charger on a circuit of the inverter's own charges the battery from itself.
    expect(Rigs::findings($rig, 'charging_loop'))->not->toBe([]);
    $less = Rigs::edit($all, addition('charge_shore', more: ['drop' => true]));
    expect(isset($less->plans->p->additions->charge_shore))
        ->toBeFalse()
        ->and(array_key_exists('shore_charger', Rigs::planned($less)->graph->parts))
        ->toBeFalse()
        ->and(array_key_exists('solar', Rigs::planned($less)->graph->parts))
        ->toBeTrue()
        ->and(Rigs::findings(Rigs::planned($less), 'charging_loop'))
        ->toBe([]);
});

it('leaves the engine its battery when the house bank is replaced', function (): void {
    $rig = Rigs::planned(Rigs::job(...ChargingSamples::engine(), ...[Sample::choose('in_line')]));
    expect(array_keys($rig->graph->partsOf('battery_bank')))->toContain('starter', 'bank');
});

it('adds a generator and a surge unit, and says what comes of the two together', function (): void {
    $floating = Rigs::planned(Rigs::job(addition('surge_unit'), addition('generator', ['bond' => 'floating'])));
    $bonded = Rigs::planned(Rigs::job(addition('surge_unit'), addition('generator', ['bond' => 'plug'])));
    expect(Rigs::findings($floating, 'supply_refused'))
        ->not->toBe([])
        ->and(Rigs::findings($bonded, 'supply_refused'))
        ->toBe([]);
});

it('says what an addition does, what goes wrong with it and what is usual', function (string $id): void {
    $class = Arrangements::additions()[$id];
    expect($class::title())->not->toBe('')->and($class::gains())->not->toBe('')->and($class::risks())->not->toBe('');
    foreach ($class::options() as $name => $field) {
        expect($field->usual !== null || !$field->required || $field->kind === 'ref')->toBeTrue("{$id}: {$name}");
    }
})->with(array_keys(Arrangements::additions()));

it('refuses what the rig has no place for', function (string $recipe, array $options, array $more, string $says): void {
    expect(fn() => Rigs::job(addition($recipe, $options, $more)))->toThrow(Refused::class, $says);
})->with([
    'no engine' => ['charge_engine', [], [], 'no engine'],
    'no such circuit' => ['charge_shore', ['circuit' => 'nowhere'], [], 'not a circuit'],
    'a choice that is none' => ['charge_sun', ['school' => 'both'], [], 'must be one of'],
    'out of bounds' => ['charge_sun', ['strings' => 0], [], 'at least 1'],
    'nothing to take out' => ['charge_sun', [], ['drop' => true], 'addition that this plan has'],
    'no such recipe' => ['magic', [], [], 'must be one of'],
]);
