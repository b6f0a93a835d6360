<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Sizing\ConductorChoice;
use Hollin\Core\Sizing\InverterCurrent;
use Tests\Rigs;

/** @return array<string, mixed> the sizing of the usual retrofit, with options */
function sizedFor(array $options, array ...$edits): array
{
    $answers = new Hollin\Core\Answers\JobAnswers(Rigs::job(Sample::choose('in_line', $options), ...$edits));

    return $answers->answer($answers->views[1]['hash'])['sizes'][0];
}

it('lets cut-off volts govern when they ask for more than 125 %', function (): void {
    $wide = InverterCurrent::of(1000, 2000, 12, 9.0, 0.9);
    expect($wide->designA)->toEqualWithDelta(1000 / (9 * 0.9), 1e-9);
    $narrow = InverterCurrent::of(1000, 2000, 12, 11.5, 0.9);
    expect($narrow->designA)
        ->toEqualWithDelta((1.25 * 1000) / (12 * 0.9), 1e-9)
        ->and($narrow->peakA)
        ->toEqualWithDelta(2000 / (11.5 * 0.9), 1e-9);
});

it('goes up in size for voltage drop on a long run, and says which governs', function (): void {
    $short = ConductorChoice::smallest(Ampacity::Marine, 150, 120, 1.0, 0.36);
    $long = ConductorChoice::smallest(Ampacity::Marine, 150, 120, 9.0, 0.36);
    expect($short?->size->designation)
        ->toBe('awg:4')
        ->and($short?->governs)
        ->toBe('ampacity')
        ->and($long?->size->areaMm2)
        ->toBeGreaterThan($short->size->areaMm2)
        ->and($long?->governs)
        ->toBe('voltage drop')
        ->and($long?->dropV)
        ->toBeLessThanOrEqual(0.36);
});

it('does not choose a cable the studs cannot take', function (): void {
    expect(ConductorChoice::smallest(Ampacity::Marine, 440, 300, 2, 0.36, 1, ConductorSize::of('awg:2/0')))
        ->toBeNull()
        ->and(ConductorChoice::smallest(Ampacity::Marine, 440, 300, 2, 0.36, 2, ConductorSize::of('awg:2/0')))
        ->not->toBeNull();
});

it('answers differently by school and says which', function (): void {
    $marine = sizedFor(['continuousW' => 2000]);
    $building = sizedFor(['continuousW' => 2000], ['kind' => 'set_need', 'path' => '/ampacity', 'value' => 'building']);
    expect($marine['choices'][0]['size'])
        ->not->toBe($building['choices'][0]['size'] ?? 'none')
        ->and($marine['school'])
        ->toContain('marine')
        ->and($building['school'])
        ->toContain('building');
});

it('calls a fuse below the design current interim and states the watts', function (): void {
    $size = sizedFor(['continuousW' => 3000, 'fuseA' => 300]);
    // 300 ÷ 1.25 × 12 × 0.88 = 2534 W
    expect($size['fuse']['interim'])->toContain('interim')->toContain('2534 W');
    expect(sizedFor(['continuousW' => 3000, 'fuseA' => 400])['fuse']['interim'])->toBeNull();
});

it('suits a family only when rating, breaking and cable all fit', function (): void {
    $families = array_column(sizedFor(['continuousW' => 3000, 'parallel' => 2])['fuse']['families'], null, 'family');
    expect($families['class_t']['suits'])
        ->toBeTrue()
        ->and($families['mrbf']['suits'])
        ->toBeFalse()
        ->and($families['mrbf']['why'])
        ->toContain('not made large enough')
        ->and($families['anl']['suits'])
        ->toBeFalse()
        ->and($families['anl']['why'])
        ->toContain('breaks 6.0 kA');
    $thin = array_column(sizedFor(['continuousW' => 3000, 'dcSize' => 'awg:2/0'])['fuse']['families'], null, 'family');
    expect($thin['class_t']['suits'])
        ->toBeFalse()
        ->and($thin['class_t']['why'])
        ->toContain('more than the cable may have ahead of it (350 A)');
});

it('marks what rests on an assumption', function (): void {
    $assumed = sizedFor([]);
    $given = sizedFor(['dcRunM' => 2.0]);
    expect($assumed['roundTripAssumed'])
        ->toBeTrue()
        ->and($given['roundTripAssumed'])
        ->toBeFalse()
        ->and($given['roundTripM'])
        ->toBe(4.0)
        ->and($assumed['fuse']['short']['assumed'])
        ->toBeTrue();
});

it('lets conductors count together only as they will be judged once run', function (): void {
    // NFPA 70 310.10(G): in parallel from 1/0 AWG on (from memory); the marine tables know no such limit.
    foreach ([100, 150, 250, 400, 500] as $designA) {
        $building = ConductorChoice::smallest(Ampacity::Building, $designA, $designA / 1.25, 2.0, 0.36, 2);
        if ($building !== null) {
            expect($building->size->areaMm2)->toBeGreaterThanOrEqual(53.0, "{$designA} A");
        }
        foreach (Ampacity::cases() as $school) {
            $choice = ConductorChoice::smallest($school, $designA, $designA / 1.25, 2.0, 0.36, 2);
            if ($choice !== null) {
                $asRun = $school->ofCable(new Hollin\Core\Reference\Cable($choice->size, 1.0, 'single', 2));
                expect($choice->ampacityA)->toBe($asRun)->and($asRun)->toBeGreaterThanOrEqual($designA);
            }
        }
    }
});

it('says that a stud takes one cable, not that no cable is large enough', function (): void {
    $why = fn(array $edit): ?string => array_values(
        array_filter(
            sizedFor(['continuousW' => 2000], ...$edit)['choices'],
            fn(array $c): bool => $c['parallel'] === 2,
        ),
    )[0]['why'] ?? null;
    expect($why([Sample::set('inverter', '/studs', 1)]))
        ->toContain('takes one cable')
        ->and($why([Sample::set('inverter', '/studs', 2)]))
        ->toBeNull();
});
