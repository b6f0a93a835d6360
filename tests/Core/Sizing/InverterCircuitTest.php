<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Sizing\InverterCircuit;
use Hollin\Core\Sizing\InverterCurrent;
use Hollin\Core\Sizing\ProspectiveShort;
use Tests\Rigs;

/** @return array<string, mixed>|null */
function circuitOf(array $options, array ...$edits): ?array
{
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', $options), ...$edits));

    return InverterCircuit::of(
        $rig->graph,
        $rig->graph->converters['inverter.dc'],
        $rig->graph->batteries['bank.cells'],
        $rig->needs->school,
    )?->answer;
}

it('follows the leads from bank to unit and back', function (): void {
    $answer = circuitOf(['dcRunM' => 2.5]);
    // 10 + 20 + 20 + 50 % of the run out, 30 + 20 + 50 % back.
    expect($answer['roundTripM'])
        ->toBe(5.0)
        ->and($answer['fuse']['fitted'])
        ->toBe('main_fuse')
        ->and($answer['fitted']['spoken'])
        ->toBe('4/0 AWG');
});

it('answers nothing for a unit that is not wired to the bank', function (): void {
    expect(circuitOf([], ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'ld_bar_inv']))
        ->toBeNull()
        ->and(circuitOf([], ['kind' => 'plan_remove', 'plan' => 'p', 'component' => 'ld_shunt_bar']))
        ->toBeNull();
});

it('takes the weakest lead of the chain for its cable', function (): void {
    $answer = circuitOf([], Sample::set('ld_shunt_bar', '/cable/size', ['value' => 'awg:1/0', 'basis' => 'told']));
    expect($answer['fitted']['spoken'])->toBe('1/0 AWG')->and($answer['fitted']['ampacityA'])->toBe(285.0);
});

it('adds up the drop of every lead at 75 C', function (): void {
    // 284.1 A × 0.1995 mΩ/m × 3 m = 0.170 V
    expect(circuitOf(['dcRunM' => 1.5])['fitted']['dropV'])
        ->toEqualWithDelta(0.17, 0.001)
        ->and(circuitOf(['dcRunM' => 1.5])['fitted']['dropLimitV'])
        ->toBe(0.36);
});

it('offers one conductor and two in parallel, each with its arithmetic', function (): void {
    $choices = circuitOf(['dcRunM' => 1.5])['choices'];
    expect($choices[0]['spoken'])
        ->toBe('4/0 AWG')
        ->and($choices[1]['spoken'])
        ->toBe('2 × 2 AWG')
        ->and($choices[0]['arithmetic'])
        ->toContain('445 A ≥ fuse 400 A ≥ design 355.1 A')
        ->and($choices[0]['source'])
        ->toContain('ABYC E-11')
        ->toContain('from memory');
});

it('offers no pair where the studs take one cable, and nothing the studs are too small for', function (): void {
    $one = circuitOf([], Sample::set('inverter', '/studs', 1))['choices'];
    expect($one[1]['possible'])->toBeFalse();
    $small = circuitOf([], Sample::set('inverter', '/largestLug', 'awg:2/0'))['choices'];
    expect($small[0]['possible'])
        ->toBeFalse()
        ->and($small[0]['why'])
        ->toContain('2/0 AWG, the largest its studs take')
        ->and($small[1]['possible'])
        ->toBeTrue();
});

it('compares the bank\'s BMS with the current at cut-off, and says what one open battery leaves', function (): void {
    $limit = circuitOf(['parallel' => 2])['bank_limit'];
    expect($limit['value'])
        ->toEqualWithDelta(324.7, 0.1)
        ->and($limit['limit'])
        ->toBe(400.0)
        ->and($limit['assumed'])
        ->toBeTrue()
        ->and($limit['arithmetic'])
        ->toContain('with one battery open the rest give 200 A');
    expect(circuitOf(['chemistry' => 'agm'])['bank_limit'])->toBeNull();
});

it('needs a larger device for a larger inverter', function (int $watts, float $design, ?int $classT): void {
    $answer = circuitOf(['continuousW' => $watts]);
    expect($answer['figures'][2]['value'])
        ->toEqualWithDelta($design, 0.1)
        ->and(array_column($answer['fuse']['families'], 'ratingA', 'family')['class_t'])
        ->toBe($classT);
})->with([
    // 1.25 × W ÷ (12 × 0.88)
    [1000, 118.4, 125],
    [2000, 236.7, 250],
    [3000, 355.1, 400],
    [4000, 473.5, 500],
    [5000, 591.9, 600],
]);

it('falls in short circuit with distance and rises with batteries', function (): void {
    $rig = fn(int $parallel) => Rigs::planned(Rigs::job(Sample::choose('in_line', ['parallel' => $parallel])));
    $at = function (int $parallel, string $terminal) use ($rig): float {
        return ProspectiveShort::at($rig($parallel)->graph, $terminal)->currentA ?? 0.0;
    };
    // By the formula, one way: 1.05 × 13.5 V ÷ (0.9 × R + cable); nothing arrives on the AC side.
    expect($at(2, 'main_fuse.in'))
        ->toBeGreaterThan($at(2, 'pos_bar.stud'))
        ->and($at(4, 'main_fuse.in'))
        ->toBeGreaterThan($at(2, 'main_fuse.in'))
        ->and($at(2, 'inverter.ac_in.l'))
        ->toBe(0.0);
});

it('caps watts by a fuse that is too small', function (): void {
    expect(InverterCurrent::capW(200, 12, 0.9))
        ->toEqualWithDelta(1728, 0.01)
        // Capped to that power, the design current is the fuse again.
        ->and(InverterCurrent::of(1728, 3000, 12, 10.5, 0.9)->nominalA * 1.25)
        ->toEqualWithDelta(200, 0.01);
});

it('states the school it used', function (): void {
    expect(circuitOf([])['school'])->toBe(Ampacity::Marine->label());
});

it('writes a short circuit with the milliohms it rests on', function (): void {
    // Two units of 4 mΩ side by side.
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('in_line'),
            Sample::set('bank', '/unitMilliohm', ['value' => 4, 'basis' => 'read_off']),
        ),
    );
    $short = ProspectiveShort::at($rig->graph, 'bank.pos');
    expect($short?->arithmetic)
        ->toContain('0.9 × 2.00 mΩ + 0.00 mΩ cable')
        ->and($short?->currentA)
        ->toEqualWithDelta((1.05 * $rig->graph->batteries['bank.cells']->fullV()) / 0.0018, 1.0);
});
