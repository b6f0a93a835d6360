<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\FuseFamily;

/*
 * Tables recalled without a printed copy, recomputed by formula where there is one; where there is none
 * the program marks them as uncertain wherever it shows them.
 */

it(
    'has the ambient factors of NFPA 70 table 310.15(B)(1), by √((Tc − Ta) ÷ (Tc − 30)) and as printed (from memory)',
    function (int $ambient, int $insulation, float $printed): void {
        expect(round(sqrt(($insulation - $ambient) / ($insulation - 30)), 2))->toBe($printed);
        // 6 AWG: 55, 65, 75 A in the 60, 75 and 90 °C columns; a 60 °C terminal caps it at 55.
        $column = ['60' => 55, '75' => 65, '90' => 75][(string) $insulation];
        $cable = new Cable(ConductorSize::of('awg:6'), 1, 'nm_b', 1, $insulation, (float) $ambient);
        expect(Ampacity::Branch->ofCable($cable))->toEqualWithDelta(
            min(55, $column * $printed),
            0.005 * $column + 1e-9,
        );
    },
)->with([
    [35, 60, 0.91],
    [40, 75, 0.88],
    [50, 60, 0.58],
    [50, 75, 0.75],
    [50, 90, 0.82],
    [60, 75, 0.58],
    [60, 90, 0.71],
    [70, 90, 0.58],
]);

it('has the engine-space factors of ABYC E-11 within a hundredth of the same formula at 50 °C', function (): void {
    foreach ([60, 75, 80, 90, 105, 125] as $insulation) {
        expect(ConductorTables::MARINE_ENGINE_SPACE[$insulation])->toEqualWithDelta(
            sqrt(($insulation - 50) / ($insulation - 30)),
            0.01,
        );
    }
    // 4/0 at 105 °C inside: 445 × 0.85 = 378.3 A.
    expect(
        Ampacity::Marine->ofCable(new Cable(ConductorSize::of('awg:4/0'), 1, 'fine', 1, 105, 50.0)),
    )->toEqualWithDelta(378.3, 0.1);
});

it('bundles by NFPA 70 310.15(C)(1) and by ABYC E-11 (from memory)', function (): void {
    $of = fn(Ampacity $school, int $bundled, ?int $insulation = null): ?float => $school->ofCable(
        new Cable(ConductorSize::of('awg:10'), 1, 'nm_b', 1, $insulation, null, $bundled),
    );
    // Worked example 9: 6 AWG, 90 °C, 50 °C, 4 to 6 conductors: 75 × 0.82 × 0.8 = 49.2 A.
    expect(Ampacity::Branch->ofCable(new Cable(ConductorSize::of('awg:6'), 1, 'nm_b', 1, 90, 50.0, 5)))
        ->toEqualWithDelta(49.2, 0.3)
        ->and($of(Ampacity::Branch, 8, 90))
        ->toEqualWithDelta(min(30, 40 * 0.7), 1e-6)
        ->and($of(Ampacity::Marine, 3))
        ->toEqualWithDelta(60 * 0.7, 1e-6)
        ->and($of(Ampacity::Marine, 24))
        ->toEqualWithDelta(60 * 0.5, 1e-6);
});

it('allows the next standard size up where the school does, and no further', function (
    Ampacity $school,
    string $size,
    float $device,
): void {
    expect($school->largestDevice(new Cable(ConductorSize::of($size), 1, 'single', 1)))->toBe($device);
})->with([
    // ABYC E-11: up to 150 %; NFPA 70 240.4(B); small conductors by 240.4(D); cords by 400.5 as they are.
    [Ampacity::Marine, 'awg:3/0', 400.0],
    [Ampacity::Marine, 'awg:4/0', 450.0],
    [Ampacity::Marine, 'awg:6', 125.0],
    [Ampacity::Marine, 'awg:16', 25.0],
    [Ampacity::Branch, 'awg:6', 60.0],
    [Ampacity::Branch, 'awg:14', 15.0],
    [Ampacity::Branch, 'awg:16', 10.0],
    [Ampacity::Branch, 'mm2:1.5', 20.0],
    [Ampacity::Building, 'awg:4/0', 250.0],
    [Ampacity::Cord, 'awg:10', 30.0],
    [Ampacity::Cord, 'mm2:0.75', 6.0],
]);

it('counts parallel conductors in the building school from 1/0 on only', function (): void {
    $two = fn(string $size): ?float => Ampacity::Building->ofCable(new Cable(ConductorSize::of($size), 1, 'single', 2));
    expect($two('awg:2'))
        ->toBe(115.0)
        ->and($two('awg:1/0'))
        ->toBe(300.0)
        ->and(Ampacity::Marine->ofCable(new Cable(ConductorSize::of('awg:2'), 1, 'single', 2)))
        ->toBe(420.0);
});

it('marks what no formula confirms wherever it is shown', function (): void {
    expect(FuseFamily::ClassT->source()->text())
        ->toContain('uncertain')
        ->and(Chemistry::Lfp->source()->text())
        ->toContain('uncertain')
        ->and(Ampacity::Marine->source()->text())
        ->toContain('from memory');
});
