<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Reference\Source;

it('knows a size by its designation alone', function (): void {
    expect(ConductorSize::exists('awg:4/0'))
        ->toBeTrue()
        ->and(ConductorSize::exists('awg:4'))
        ->toBeTrue()
        ->and(ConductorSize::exists('4/0'))
        ->toBeFalse()
        ->and(ConductorSize::exists('awg:5'))
        ->toBeFalse();
    expect(fn() => ConductorSize::of('awg:00'))->toThrow(InvalidArgumentException::class, 'not a conductor size');
});

it(
    'does not take one gauge for another: "3" and "3/0" differ threefold in copper, "4" and "4/0" fivefold',
    function (): void {
        $area = fn(string $d): float => ConductorSize::of($d)->areaMm2;
        expect($area('awg:3/0') / $area('awg:3'))
            ->toEqualWithDelta(3.19, 0.01)
            ->and($area('awg:4/0') / $area('awg:4'))
            ->toEqualWithDelta(5.07, 0.01)
            ->and($area('awg:2/0') / $area('awg:2'))
            ->toEqualWithDelta(2.005, 0.01);
    },
);

it('says a size as the workshop does', function (string $designation, string $spoken): void {
    expect(ConductorSize::of($designation)->spoken())->toBe($spoken);
})->with([['awg:4/0', '4/0 AWG'], ['awg:12', '12 AWG'], ['mm2:35', '35 mm²'], ['mm2:0.75', '0.75 mm²']]);

it('rises in resistance with temperature by each system\'s own coefficient', function (): void {
    $awg = ConductorSize::of('awg:10');
    expect($awg->ohm(1, 75) / $awg->ohm(1, 20))->toEqualWithDelta(1 / (1 - 0.00323 * 55), 1e-9);
    $metric = ConductorSize::of('mm2:10');
    expect($metric->ohm(1, 70) / $metric->ohm(1, 20))->toEqualWithDelta(1 + 0.00393 * 50, 1e-9);
});

it('answers ampacity by school, and nothing where the school has no such size', function (
    string $designation,
    ?float $marine,
    ?float $building,
    ?float $branch,
    ?float $cord,
): void {
    $size = ConductorSize::of($designation);
    expect([
        Ampacity::Marine->ofSize($size),
        Ampacity::Building->ofSize($size),
        Ampacity::Branch->ofSize($size),
        Ampacity::Cord->ofSize($size),
    ])->toBe([$marine, $building, $branch, $cord]);
})->with([
    ['awg:16', 25.0, 10.0, 10.0, 13.0],
    ['awg:14', 35.0, 15.0, 15.0, 18.0],
    ['awg:12', 45.0, 20.0, 20.0, 25.0],
    ['awg:10', 60.0, 30.0, 30.0, 30.0],
    ['awg:6', 120.0, 55.0, 55.0, 55.0],
    // 110.14(C): the 75 °C column where circuits are above 100 A.
    ['awg:2/0', 330.0, 175.0, 145.0, null],
    ['awg:4/0', 445.0, 230.0, 195.0, null],
    ['mm2:35', 210.0, 125.0, 125.0, null],
    ['mm2:1.5', 25.0, 17.5, 17.5, 16.0],
    ['mm2:0.75', 16.0, 6.0, 6.0, 6.0],
]);

it('states the source of each school and that it was recalled', function (Ampacity $school, string $said): void {
    expect($school->source()->text())
        ->toContain($said)
        ->toContain('from memory')
        ->and($school->label())
        ->not->toBe('');
})->with([
    [Ampacity::Marine, 'ABYC E-11'],
    [Ampacity::Building, '310.16'],
    [Ampacity::Branch, '334.80'],
    [Ampacity::Cord, '400.5'],
]);

it('limits small branch conductors whatever their ampacity: NFPA 70 240.4(D)', function (): void {
    expect(ConductorTables::SMALL_CONDUCTOR_LIMIT)->toBe(['18' => 7, '16' => 10, '14' => 15, '12' => 20, '10' => 30]);
});

it('lists standard ratings in order: NFPA 70 240.6(A)', function (): void {
    expect(ConductorTables::STANDARD_RATINGS)
        ->toContain(
            15,
            20,
            25,
            30,
            35,
            40,
            45,
            50,
            60,
            70,
            80,
            90,
            100,
            110,
            125,
            150,
            175,
            200,
            225,
            250,
            300,
            350,
            400,
        )
        ->toHaveCount(count(array_unique(ConductorTables::STANDARD_RATINGS)));
    $sorted = ConductorTables::STANDARD_RATINGS;
    sort($sorted);
    expect($sorted)->toBe(ConductorTables::STANDARD_RATINGS);
});

it('takes the smallest rating at or above what is wanted', function (
    FuseFamily $family,
    float $wanted,
    ?int $rating,
): void {
    expect($family->ratingAtLeast($wanted))->toBe($rating);
})->with([
    [FuseFamily::ClassT, 355.1, 400],
    [FuseFamily::ClassT, 400.0, 400],
    [FuseFamily::ClassT, 400.1, 450],
    [FuseFamily::ClassT, 601.0, null],
    [FuseFamily::OnPost, 201.0, 225],
    [FuseFamily::OnPost, 301.0, null],
    [FuseFamily::BoltDown, 301.0, 325],
    [FuseFamily::Blade, 11.0, 15],
]);

it('breaks less at higher volts, and nothing above its rating', function (
    FuseFamily $family,
    float $volts,
    ?float $amps,
): void {
    expect($family->interruptingA($volts))->toBe($amps);
})->with([
    [FuseFamily::ClassT, 14.4, 20000.0],
    [FuseFamily::ClassT, 58.4, 20000.0],
    [FuseFamily::ClassT, 130.0, null],
    [FuseFamily::BoltDown, 14.4, 6000.0],
    [FuseFamily::BoltDown, 57.6, 2700.0],
    [FuseFamily::OnPost, 12.8, 10000.0],
    // Makers give 10 kA for 12 V systems; listed at 14 V.
    [FuseFamily::OnPost, 14.4, 10000.0],
    [FuseFamily::OnPost, 28.8, 5000.0],
    [FuseFamily::OnPost, 57.6, 2000.0],
    [FuseFamily::AutomotiveBolt, 14.4, 2000.0],
    [FuseFamily::AutomotiveBolt, 48.0, null],
    [FuseFamily::Blade, 14.4, 1000.0],
    [FuseFamily::Blade, 57.6, null],
]);

it('knows chemistries within the usual bands (common maker practice)', function (
    Chemistry $chemistry,
    array $absorption,
    float $usable,
): void {
    expect($chemistry->absorptionV())
        ->toBeGreaterThanOrEqual($absorption[0])
        ->toBeLessThanOrEqual($absorption[1])
        ->and($chemistry->usableShare())
        ->toBe($usable)
        ->and($chemistry->fullV())
        ->toBeLessThan($chemistry->absorptionV())
        ->toBeGreaterThan($chemistry->nominalV());
})->with([
    [Chemistry::Lfp, [14.0, 14.6], 0.9],
    [Chemistry::Flooded, [14.4, 14.8], 0.5],
    [Chemistry::Agm, [14.2, 14.8], 0.5],
    [Chemistry::Gel, [14.0, 14.4], 0.5],
]);

it('assumes a lower resistance for a larger battery, never below half of the 100 Ah figure', function (
    Chemistry $chemistry,
): void {
    expect($chemistry->typicalOhm(200))
        ->toBeLessThan($chemistry->typicalOhm(100))
        ->toBeGreaterThan($chemistry->typicalOhm(100) / 2)
        // Bolted currents of 1 to 7 kA per 100 Ah are the order of magnitude.
        ->and($chemistry->fullV() / $chemistry->typicalOhm(100))
        ->toBeGreaterThan(1000.0)
        ->toBeLessThan(7000.0);
})->with(Chemistry::cases());

it('never passes a memory off as a quotation', function (): void {
    expect(Source::recalled('NFPA 70 240.4(D)')->text())
        ->toBe('NFPA 70 240.4(D) (value from memory)')
        ->and(Source::computed('arithmetic')->text())
        ->toBe('arithmetic')
        ->and(Source::commonPractice()->text())
        ->toBe('common practice, no source');
});
