<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Sizing\ConductorChoice;
use Hollin\Core\Sizing\InverterCurrent;
use Hollin\Core\Sizing\ProspectiveShort;

/*
 * Checks against figures from outside the project. The source stands beside each; the published
 * figures were entered from memory, not from a printed copy.
 */

it('AWG areas: circular mils of NFPA 70 chapter 9 table 8', function (string $gauge, int $circularMils): void {
    $mils = ConductorSize::of("awg:{$gauge}")->areaMm2 / 5.067075e-4;
    expect($mils)->toEqualWithDelta($circularMils, $circularMils * 0.003);
})->with([
    ['18', 1620],
    ['14', 4110],
    ['12', 6530],
    ['10', 10380],
    ['8', 16510],
    ['6', 26240],
    ['4', 41740],
    ['2', 66360],
    ['1', 83690],
    ['1/0', 105600],
    ['2/0', 133100],
    ['3/0', 167800],
    ['4/0', 211600],
]);

it('AWG resistance at 75 C: ohm per kFT of NFPA 70 chapter 9 table 8', function (
    string $gauge,
    float $ohmPerKft,
): void {
    expect(ConductorSize::of("awg:{$gauge}")->ohm(304.8, 75))->toEqualWithDelta($ohmPerKft, 1e-9);
})->with([['12', 1.98], ['10', 1.24], ['6', 0.491], ['2/0', 0.0967], ['4/0', 0.0608]]);

it('copper physics: table 8 follows from area and resistivity within 4 %', function (string $designation): void {
    $size = ConductorSize::of($designation);
    // 10.371 ohm-cmil/ft at 20 °C for solid copper (ASTM B193); stranding adds about 2 %.
    $solidOhmPerM = 10.371 / ($size->areaMm2 / 5.067075e-4) / 0.3048;
    expect($size->ohm(1, 20) / $solidOhmPerM)
        ->toBeGreaterThan(0.99)
        ->toBeLessThan(1.04);
})->with(array_map(fn($g): string => "awg:{$g}", array_keys(ConductorTables::AWG)));

it('metric resistance at 70 C: IEC 60228 times 1.1965', function (string $mm2, float $ohmPerKm): void {
    expect(ConductorSize::of("mm2:{$mm2}")->ohm(1000, 70))->toEqualWithDelta($ohmPerKm, $ohmPerKm * 0.003);
})->with([['2.5', 9.55], ['16', 1.448], ['50', 0.462], ['120', 0.1926]]);

it(
    'voltage drop worked example: 20 A, 15 ft one way, 10 AWG stranded at 75 C is 0.744 V (NFPA 70 chapter 9 table 8)',
    function (): void {
        expect(ConductorChoice::dropV(ConductorSize::of('awg:10'), 20, 2 * 15 * 0.3048))
            ->toEqualWithDelta(0.744, 0.0005)
            ->and(ConductorChoice::dropV(ConductorSize::of('awg:8'), 20, 2 * 15 * 0.3048))
            ->toEqualWithDelta(0.467, 0.0005)
            // 6 AWG is the first even size that passes 3 % of 12 V.
            ->and(ConductorChoice::smallest(Ampacity::Marine, 20, 20, 2 * 15 * 0.3048, 0.36)?->size->designation)
            ->toBe('awg:6');
    },
);

it('inverter currents: W / (V x 0.85), as practitioners check them (common practice)', function (): void {
    expect(InverterCurrent::of(2000, 4000, 12, 10.5, 0.85)->nominalA)
        ->toEqualWithDelta(196, 0.5)
        ->and(InverterCurrent::of(3000, 6000, 12, 10.5, 0.85)->nominalA)
        ->toEqualWithDelta(294, 0.5)
        ->and(InverterCurrent::of(3000, 6000, 12, 10.5, 0.85)->lowestA)
        ->toEqualWithDelta(336, 0.5)
        ->and(InverterCurrent::of(3000, 6000, 12, 10.5, 0.85)->designA)
        ->toEqualWithDelta(368, 0.5)
        ->and(InverterCurrent::of(2000, 4000, 24, 21, 0.85)->nominalA)
        ->toEqualWithDelta(98, 0.5);
});

it(
    '3000 W at 12 V takes 4/0 (ABYC 445 A) and a 400 A fuse; 2000 W a 250 A fuse (common practice, ABYC E-11)',
    function (): void {
        $three = InverterCurrent::of(3000, 6000, 12, 10.5, 0.85);
        $fuse = FuseFamily::ClassT->ratingAtLeast($three->designA);
        expect($fuse)
            ->toBe(400)
            ->and(
                ConductorChoice::smallest(Ampacity::Marine, (float) $fuse, $three->nominalA, 8 * 0.3048, 0.36)?->size
                    ->designation,
            )
            ->toBe('awg:4/0')
            ->and(FuseFamily::ClassT->ratingAtLeast(InverterCurrent::of(2000, 4000, 12, 10.5, 0.85)->designA))
            ->toBe(250);
        // 4/0, 8 ft round, 294 A: 0.143 V
        expect(ConductorChoice::dropV(ConductorSize::of('awg:4/0'), 294, 8 * 0.3048))->toEqualWithDelta(0.143, 0.001);
    },
);

it(
    'the two schools disagree on the same cable: 10 AWG passes marine for a 50 A fuse and fails building ' .
        '(ABYC E-11 / NFPA 70 310.16)',
    function (): void {
        $ten = ConductorSize::of('awg:10');
        expect(Ampacity::Marine->ofSize($ten))
            ->toBe(60.0)
            ->and(Ampacity::Branch->ofSize($ten))
            ->toBe(30.0)
            ->and(Ampacity::Branch->ofSize(ConductorSize::of('awg:6')))
            ->toBe(55.0);
    },
);

it('prospective short circuit: two AGM of 4 mohm in parallel (IEC 61660-1 style)', function (): void {
    // 1.05 × 12.8 V ÷ (0.9 × 2 mΩ) = 7.47 kA at the posts, 6.15 kA behind 1 m of 50 mm² in all.
    expect(ProspectiveShort::currentA(12.8, 0.002, 0))
        ->toEqualWithDelta(7467, 1)
        ->and(ProspectiveShort::currentA(12.8, 0.002, ConductorSize::of('mm2:50')->ohm(1, 20)))
        ->toEqualWithDelta(6148, 5);
});

it(
    'which family breaks 7.47 kA at 14.7 V: Class T, and the on-post type with a word to its maker (usual maker data)',
    function (): void {
        $breaks = array_values(
            array_filter(FuseFamily::cases(), fn(FuseFamily $f): bool => ($f->interruptingA(14.7) ?? 0) >= 7470),
        );
        expect($breaks)
            ->toBe([FuseFamily::ClassT, FuseFamily::OnPost])
            // Listed at 14 V, and a lithium bank charges at more: plainly it counts to 5 kA only.
            ->and(FuseFamily::OnPost->plainlyA(14.4))
            ->toBe(5000.0)
            ->and(FuseFamily::OnPost->plainlyA(13.9))
            ->toBe(10000.0)
            ->and(FuseFamily::OnPost->interruptingA(28.8))
            ->toBe(5000.0)
            ->and(FuseFamily::BoltDown->interruptingA(100))
            ->toBeNull();
    },
);

it('ampacity tables rise with size and with temperature (a table typed wrong usually breaks this)', function (): void {
    $last = [0, 0, 0];
    foreach (ConductorTables::BUILDING as $row) {
        foreach ($row as $i => $amps) {
            expect($amps)->toBeGreaterThan($last[$i]);
        }
        expect($row[0])->toBeLessThan($row[1])->and($row[1])->toBeLessThan($row[2]);
        $last = $row;
    }
    foreach ([ConductorTables::MARINE_AWG, ConductorTables::MARINE_MM2, ConductorTables::FLEXIBLE_CORD] as $table) {
        $amps = array_values($table);
        $sorted = $amps;
        sort($sorted);
        expect($amps)->toBe($sorted);
    }
});
