<?php

declare(strict_types=1);

use Hollin\Core\Place\Ledger;

it('lifts the front of a motorhome by what hangs behind its rear axle (WT-02)', function (): void {
    $home = Ledger::motorhome(5000, 9000, 178);
    $behind = $home->with(400, 210);
    expect($behind->far - $home->far)
        ->toEqualWithDelta(471.9, 0.1)
        ->and($behind->near - $home->near)
        ->toEqualWithDelta(-71.9, 0.1);
    $between = $behind->moved(400, 210, 100);
    expect($between->far - $home->far)
        ->toEqualWithDelta(224.7, 0.1)
        ->and($between->near - $home->near)
        ->toEqualWithDelta(175.3, 0.1);
});

it('keeps the ledger of a trailer (WT-03)', function (): void {
    $trailer = Ledger::trailer(4300, 520, 180);
    expect($trailer->share())->toEqualWithDelta(0.121, 0.001)->and($trailer->isSteady())->toBeTrue();
    $after = $trailer
        ->with(-120, 165)
        ->with(52, 30)
        ->with(60, -70)
        ->with(120, -20);
    expect($after->far)->toEqualWithDelta(382, 0.5)->and($after->total)->toBe(4412.0);
    expect($after->share())->toEqualWithDelta(0.087, 0.001)->and($after->isSteady())->toBeFalse();
    expect($after->near - $trailer->near)->toEqualWithDelta(250, 0.5);
    $ahead = $trailer->with(80, 200);
    expect($ahead->far - 520)
        ->toEqualWithDelta(88.9, 0.1)
        ->and($ahead->near - $trailer->near)
        ->toEqualWithDelta(-8.9, 0.1);
    expect(Ledger::sides(200, 24, 72))->toEqualWithDelta([166.7, 33.3], 0.1);
});

it('shifts a coupler as in the published examples (statics; reference values, 14)', function (
    float $weight,
    float $at,
    float $coupler,
    float $share,
): void {
    $after = Ledger::trailer(5000, 600, 168)->with($weight, $at);
    expect($after->far)->toEqualWithDelta($coupler, 0.1)->and($after->share())->toEqualWithDelta($share, 0.0001);
})->with([[130, 24, 618.6, 0.1206], [200, -60, 528.6, 0.1017], [250, -130, 406.5, 0.0774]]);

it('moves one item, and loads a motorhome as the example has it', function (): void {
    $moved = Ledger::trailer(5000, 600, 168)->moved(130, 150, 24);
    expect($moved->far)->toEqualWithDelta(502.5, 0.1)->and($moved->share())->toEqualWithDelta(0.1005, 0.0001);
    $home = Ledger::motorhome(4000, 8000, 190)->with(200, 250);
    expect($home->far - 8000)
        ->toEqualWithDelta(263.2, 0.1)
        ->and($home->near - 4000)
        ->toEqualWithDelta(-63.2, 0.1);
});

it('puts nothing in and takes it out again without a trace, and weighs no less than it has', function (): void {
    $trailer = Ledger::trailer(3000, 360, 150);
    $back = $trailer->with(75, -40)->with(-75, -40);
    expect($back->far)->toEqualWithDelta($trailer->far, 1e-9)->and($back->near)->toEqualWithDelta($trailer->near, 1e-9);
    foreach ([-100, 0, 60, 200] as $at) {
        $with = $trailer->with(90, $at);
        expect($with->far + $with->near)->toEqualWithDelta($with->total, 1e-9);
    }
});

it('refuses what cannot be', function (Closure $make): void {
    expect($make)->toThrow(InvalidArgumentException::class);
})->with([
    [fn() => Ledger::trailer(3000, 3100, 150)],
    [fn() => Ledger::trailer(3000, 300, 0)],
    [fn() => Ledger::motorhome(3000, 300, -2)],
    [fn() => Ledger::sides(100, 10, 0)],
]);
