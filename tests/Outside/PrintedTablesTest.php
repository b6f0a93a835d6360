<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Sizing\ConductorChoice;
use Hollin\Core\Sizing\InverterCurrent;

/*
 * The published tables row by row, entered a second time and apart from the code, so that a slip
 * in either shows. From memory, not from a printed copy; the source stands at each.
 */

it('NFPA 70 table 310.16, copper, 60 / 75 / 90 C', function (string $gauge, int $c60, int $c75, int $c90): void {
    expect(ConductorTables::BUILDING[$gauge])->toBe([$c60, $c75, $c90]);
})->with([
    ['14', 15, 20, 25],
    ['12', 20, 25, 30],
    ['10', 30, 35, 40],
    ['8', 40, 50, 55],
    ['6', 55, 65, 75],
    ['4', 70, 85, 95],
    ['3', 85, 100, 115],
    ['2', 95, 115, 130],
    ['1', 110, 130, 145],
    ['1/0', 125, 150, 170],
    ['2/0', 145, 175, 195],
    ['3/0', 165, 200, 225],
    ['4/0', 195, 230, 260],
]);

it('ABYC E-11, 105 C insulation, outside engine spaces', function (string $gauge, int $amps): void {
    expect(Ampacity::Marine->ofSize(ConductorSize::of("awg:{$gauge}")))->toBe((float) $amps);
})->with([
    ['18', 20],
    ['16', 25],
    ['14', 35],
    ['12', 45],
    ['10', 60],
    ['8', 80],
    ['6', 120],
    ['4', 160],
    ['3', 180],
    ['2', 210],
    ['1', 245],
    ['1/0', 285],
    ['2/0', 330],
    ['3/0', 385],
    ['4/0', 445],
]);

it('NFPA 70 chapter 9 table 8, stranded uncoated copper, ohm per kFT at 75 C', function (
    string $gauge,
    float $ohm,
): void {
    expect(ConductorSize::of("awg:{$gauge}")->ohm(304.8, 75))->toEqualWithDelta($ohm, 1e-9);
})->with([
    ['18', 7.95],
    ['16', 4.99],
    ['14', 3.14],
    ['12', 1.98],
    ['10', 1.24],
    ['8', 0.778],
    ['6', 0.491],
    ['4', 0.308],
    ['3', 0.245],
    ['2', 0.194],
    ['1', 0.154],
    ['1/0', 0.122],
    ['2/0', 0.0967],
    ['3/0', 0.0766],
    ['4/0', 0.0608],
]);

it('IEC 60228 class 5 plain copper, ohm per km at 20 C', function (string $mm2, float $ohm): void {
    expect(ConductorSize::of("mm2:{$mm2}")->ohm(1000, 20))->toEqualWithDelta($ohm, 1e-9);
})->with([
    ['0.75', 26.0],
    ['1', 19.5],
    ['1.5', 13.3],
    ['2.5', 7.98],
    ['4', 4.95],
    ['6', 3.3],
    ['10', 1.91],
    ['16', 1.21],
    ['25', 0.78],
    ['35', 0.554],
    ['50', 0.386],
    ['70', 0.272],
    ['95', 0.206],
    ['120', 0.161],
]);

it('ISO 10133, 105 C insulation, not engine space', function (string $mm2, int $amps): void {
    expect(Ampacity::Marine->ofSize(ConductorSize::of("mm2:{$mm2}")))->toBe((float) $amps);
})->with([
    ['0.75', 16],
    ['1', 20],
    ['1.5', 25],
    ['2.5', 35],
    ['4', 45],
    ['6', 60],
    ['10', 90],
    ['16', 130],
    ['25', 170],
    ['35', 210],
    ['50', 270],
    ['70', 330],
    ['95', 390],
    ['120', 450],
]);

it('NFPA 70 table 400.5(A)(1) column B: cords with two current-carrying conductors', function (
    string $gauge,
    int $amps,
): void {
    expect(Ampacity::Cord->ofSize(ConductorSize::of("awg:{$gauge}")))->toBe((float) $amps);
})->with([['18', 10], ['16', 13], ['14', 18], ['12', 25], ['10', 30], ['8', 40], ['6', 55], ['4', 70]]);

it('ASTM B258: areas in mm2', function (string $gauge, float $mm2): void {
    expect(ConductorSize::of("awg:{$gauge}")->areaMm2)->toEqualWithDelta($mm2, 0.001);
})->with([
    ['18', 0.823],
    ['16', 1.309],
    ['14', 2.081],
    ['12', 3.309],
    ['10', 5.261],
    ['8', 8.366],
    ['6', 13.302],
    ['4', 21.151],
    ['3', 26.67],
    ['2', 33.631],
    ['1', 42.408],
    ['1/0', 53.475],
    ['2/0', 67.431],
    ['3/0', 85.029],
    ['4/0', 107.219],
]);

it(
    'going over to mm2 takes the next larger metal area: 50 is less than 1/0, 35 more than 2 AWG (IEC ' .
        '60947-1 correspondence)',
    function (string $awg, string $mm2, bool $enough): void {
        expect(ConductorSize::of("mm2:{$mm2}")->areaMm2 >= ConductorSize::of("awg:{$awg}")->areaMm2)->toBe($enough);
    },
)->with([
    ['1/0', '50', false],
    ['2', '35', true],
    ['4', '25', true],
    ['3/0', '95', true],
    ['2/0', '70', true],
    ['4/0', '120', true],
    ['12', '2.5', false],
    ['12', '4', true],
]);

it('metric voltage drop: 80 A over 10 m round trip at 20 C (IEC 60228)', function (string $mm2, float $volts): void {
    expect(80 * ConductorSize::of("mm2:{$mm2}")->ohm(10, 20))->toEqualWithDelta($volts, 0.001);
})->with([['16', 0.968], ['25', 0.624], ['35', 0.443], ['50', 0.309]]);

it('50 mm2 passes 3 % cold and fails it hot: the temperature decides, never mix them', function (): void {
    $size = ConductorSize::of('mm2:50');
    expect(80 * $size->ohm(10, 20))
        ->toBeLessThan(0.36)
        ->and(80 * $size->ohm(10, 70))
        ->toBeGreaterThan(0.36);
});

it('AC run: 30 A through 25 ft of 10 AWG cord drops 1.86 V (NFPA 70 chapter 9 table 8)', function (): void {
    expect(ConductorChoice::dropV(ConductorSize::of('awg:10'), 30, 2 * 25 * 0.3048))->toEqualWithDelta(1.86, 0.001);
});

it('common experience: watts / 12 is short of 125 % of the real current at 85 %', function (
    int $watts,
    float $at12,
    float $at11,
): void {
    expect(InverterCurrent::of($watts, $watts, 12, 11, 0.85)->nominalA)
        ->toEqualWithDelta($at12, 0.5)
        ->and(InverterCurrent::of($watts, $watts, 12, 11, 0.85)->lowestA)
        ->toEqualWithDelta($at11, 0.5)
        ->and($watts / 12)
        ->toBeLessThan(InverterCurrent::of($watts, $watts, 12, 11, 0.85)->designA / 1.25);
})->with([[600, 59, 64], [2000, 196, 214], [3000, 294, 321]]);
