<?php

declare(strict_types=1);

use Hollin\Core\Answers\RigAnswer;
use Hollin\Core\Components\Battery\DcFuse;
use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Arrangements\Kinds;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** @return array<string, mixed> the sizing of a unit on a battery, as a choice of both plans it */
function kindSized(string $recipe, array $unit, array $battery, array $more = []): array
{
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose(
                $recipe,
                $more + $unit['values'] + $battery['values'] + ['parallel' => 2, 'converter' => 'replaced'],
            ),
        ),
    );
    $size = RigAnswer::of($rig, new Judge($rig))['sizes'][0] ?? null;
    expect($size)->not->toBeNull();

    return [$rig, $size];
}

it('puts a cable on every unit that carries what flows, and a fuse that lets it', function (array $unit): void {
    $recipe = isset($unit['values']['chargerA']) ? 'in_line' : 'own_receptacles';
    [$rig, $size] = kindSized($recipe, $unit, Kinds::batteries()['lfp_300']);
    $amps = $unit['values']['continuousW'] / 0.88 / 12.0;
    // Worked beside the program: what flows at 12 V with the usual 88 %; a fuse above it, a cable above the fuse.
    expect($unit['values']['fuseA'])
        ->toBeGreaterThan($amps)
        ->and($size['fitted']['ampacityA'])
        ->toBeGreaterThan($amps)
        ->and(Rigs::findings($rig, 'conductor_protection'))
        ->toBe([])
        ->and($rig->rig->find('main_fuse'))
        ->toBeInstanceOf(DcFuse::class);
})->with([
    ...array_map(fn(array $u): array => [$u], Kinds::inverterChargers()),
    ...array_map(fn(array $u): array => [$u], Kinds::inverters()),
]);

it('gives every battery its own limit', function (array $battery): void {
    [$rig] = kindSized('in_line', Kinds::inverterChargers()['ic_2000'], $battery);
    $bank = $rig->rig->find('bank');
    $values = $battery['values'];
    expect($bank->ratedV())
        ->toBeGreaterThanOrEqual(12.0)
        ->toBeLessThanOrEqual(12.8)
        ->and($bank->capacityAh())
        ->toBe(2.0 * $values['unitAh'])
        ->and($bank->values->numberOrNull('bmsContinuousA'))
        ->toBe(isset($values['bmsContinuousA']) ? (float) $values['bmsContinuousA'] : null);
})->with(array_map(fn(array $b): array => [$b], Kinds::batteries()));

it('takes a lithium battery to give its capacity in amps, until its sheet says otherwise', function (
    float $ah,
    float $gives,
): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['unitAh' => $ah])))->rig;
    expect($rig->find('bank')->values->number('bmsContinuousA'))
        ->toBe($gives)
        ->and($rig->find('bank')->values->basis('bmsContinuousA')?->value)
        ->toBe('assumed');
})->with([[50, 50.0], [100, 100.0], [200, 200.0], [300, 200.0]]);

it('puts the lengths where the things are', function (): void {
    $length = fn(Rig $rig, string $lead): float => $rig->find($lead)->cable()->lengthM;
    $of = fn(array $options): Rig => Rig::from(Planned::atLast(Rigs::job(Sample::choose('in_line', $options)), 'p'));
    $rig = $of(['dcRunM' => 4.0, 'fuseRunM' => 0.25]);
    expect($length($rig, 'ld_bank_fuse'))
        ->toBe(0.25)
        // Fuse, disconnect and bars stand together; the rest of the way is one cable.
        ->and($length($rig, 'ld_bar_inv'))
        ->toBe(3.15)
        ->and(
            array_sum(
                array_map(fn($l) => $length($rig, $l), ['ld_bank_fuse', 'ld_fuse_disc', 'ld_disc_bar', 'ld_bar_inv']),
            ),
        )
        ->toEqualWithDelta(4.0, 1e-9)
        ->and(array_sum(array_map(fn($l) => $length($rig, $l), ['ld_bank_shunt', 'ld_shunt_bar', 'ld_bar_inv_neg'])))
        ->toEqualWithDelta(4.0, 1e-9);
    $of(['dcRunM' => 0.5, 'fuseRunM' => 0.45]);
})->throws(Refused::class, 'The fuse stands 0.45 m from the battery, and the inverter 0.5 m');

it('says what is usual for every option it can be left out of', function (): void {
    foreach (Arrangements::all() as $id => $class) {
        foreach ($class::options() as $name => $field) {
            if (!$field->required) {
                expect($field->usual !== null || $field->note !== '')->toBeTrue("{$id}: {$name}");
            }
        }
    }
});

it('writes a new plan and its arrangement in one edit', function (): void {
    $document = Rigs::job();
    $again = fn(string $title): array => ['plan' => 'q', 'title' => $title] + Sample::choose('in_line');
    $done = Rigs::edit($document, $again('Second thought'));
    expect($done->plans->q->title)
        ->toBe('Second thought')
        ->and($done->plans->q->order)
        ->toBeGreaterThan($done->plans->p->order)
        ->and($done->plans->q->arrangement->recipe)
        ->toBe('in_line')
        ->and((array) $done->plans->p->changes)
        ->toBe([]);
    Rigs::edit($done, $again('Again'));
})->throws(Refused::class, 'taken');
