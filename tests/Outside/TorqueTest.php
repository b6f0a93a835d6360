<?php

declare(strict_types=1);

use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\CrimpPull;
use Hollin\Core\Reference\ForHours;
use Hollin\Core\Reference\ScrewTorque;
use Hollin\Core\Reference\Stud;

it('has the torques of slotted connector screws by NEC annex I, table I.1 (from memory)', function (
    string $size,
    float $narrow,
    float $wide,
): void {
    [$low, $high] = ScrewTorque::of(ConductorSize::of($size)) ?? [0.0, 0.0];
    // lbf·in × 0.11298 N·m.
    expect($low / 0.112985)
        ->toEqualWithDelta($narrow, 0.1)
        ->and($high / 0.112985)
        ->toEqualWithDelta($wide, 0.1);
})->with([
    ['awg:14', 20, 35],
    ['awg:12', 20, 35],
    ['awg:10', 20, 35],
    ['awg:8', 25, 40],
    ['awg:6', 35, 45],
    ['awg:4', 35, 45],
    ['awg:3', 35, 50],
    ['awg:2', 40, 50],
]);

it('leaves larger conductors to the device', function (): void {
    expect(ScrewTorque::of(ConductorSize::of('awg:4/0')))->toBeNull();
});

it('pulls crimps as ABYC E-11 has it (from memory)', function (string $size, float $lbf): void {
    expect((CrimpPull::newton($size) ?? 0.0) / 4.44822)->toEqualWithDelta($lbf, 0.2);
})->with([['awg:14', 30], ['awg:8', 45], ['awg:4', 70], ['awg:2/0', 150], ['awg:4/0', 225]]);

it('has no pull for a size that table does not have', function (): void {
    expect(CrimpPull::newton('mm2:35'))->toBeNull();
});

it('loads a breaker for hours with 80 % (NEC 210.20(A), from memory)', function (): void {
    expect(ForHours::amps(15.0))->toBe(12.0)->and(ForHours::amps(30.0))->toBe(24.0);
});

it('has torques of studs between those of general lists (from memory), inch-pounds', function (): void {
    foreach (
        ['m5' => [20, 30], 'm6' => [50, 80], 'm8' => [90, 135], 'm10' => [160, 230], 'm12' => [360, 480]]
        as $stud => $list
    ) {
        [$low, $high] = Stud::from($stud)->torqueNm();
        expect($low / 0.112985)
            ->toEqualWithDelta($list[0], 3.0)
            ->and($high / 0.112985)
            ->toEqualWithDelta($list[1], 3.0);
    }
});
