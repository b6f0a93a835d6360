<?php

declare(strict_types=1);

use Hollin\Core\Rules\Sample;
use Hollin\Core\Sizing\NegativeReach;
use Tests\Rigs;

/*
 * What a short sends home through a negative: the device ahead of the positive beside it, as a hand
 * follows it along the wires ("common practice, no source").
 */

/** @return array<string, ?array{float, string}> element => A before a device opens, and which */
function homeward(array ...$edits): array
{
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line'), ...$edits));
    $reach = new NegativeReach($rig->graph, $rig->reach()->at);

    return array_map($reach->through(...), array_filter($rig->graph->elements, fn($e): bool => $e->role->isDc()));
}

it('is the main fuse in every negative from the unit to the battery, the small fuse behind it', function (): void {
    $home = homeward();
    foreach (['ld_bank_shunt.wire', 'shunt.element', 'ld_shunt_bar.wire', 'ld_bar_inv_neg.wire'] as $main) {
        expect($home[$main])->toBe([400.0, 'main_fuse'], $main);
    }
    expect($home['ld_dc_neg.wire'])->toBe([50.0, 'house_fuse']);
});

it('is nothing in a positive', function (): void {
    $home = homeward();
    foreach (['ld_bar_inv.wire', 'main_fuse.link', 'disconnect.pole', 'ld_dc.wire'] as $positive) {
        expect($home[$positive])->toBeNull($positive);
    }
});

it('follows another fuse', function (): void {
    $home = homeward(Sample::set('main_fuse', '/ratingA', 250), Sample::set('house_fuse', '/ratingA', 30));
    expect($home['ld_bank_shunt.wire'])
        ->toBe([250.0, 'main_fuse'])
        ->and($home['ld_dc_neg.wire'])
        ->toBe([30.0, 'house_fuse']);
});
