<?php

declare(strict_types=1);

use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Rules\Devices;
use Hollin\Core\Rules\DirectPolarity;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Overload;
use Hollin\Core\Rules\Remedy;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\UnlikeParallel;
use Hollin\Core\Rules\Ways;
use Tests\Rigs;

/** @return list<string> what the rule itself has to say against its findings */
function against(array $findings): array
{
    $remedies = array_merge(...array_map(fn(Finding $f): array => $f->hit->remedies, $findings));

    return array_values(array_map(fn(Remedy $r): string => $r->label, $remedies));
}

it('needs no slip where a faulty pedestal alone does it', function (): void {
    $bonded = Rigs::asFound(Rigs::job(Sample::survey('main_panel', '/bondScrew', true)));
    $short = Rigs::findings($bonded, 'short_circuit')[0];
    expect($short->ways->kind)
        ->toBe('outside')
        ->and($short->ways->pairs[0]['slips'])
        ->toBe(0)
        ->and($short->ways->words)
        ->not->toContain('slip');
});

it('tells a bond to an inverter only where its neutral floats', function (string $neutral, bool $offered): void {
    $rig = Rigs::planned(
        Rigs::job(Sample::choose('transfer_whole', ['converter' => 'ahead', 'outputNeutral' => $neutral])),
    );
    $bonding = array_filter(
        against(Rigs::findings($rig, 'bond_count')),
        fn(string $label): bool => str_starts_with($label, 'Bond the neutral of'),
    );
    expect($bonding !== [])->toBe($offered);
})->with(['floating' => ['floating', true], 'not known' => ['unknown', false]]);

it('asks nobody to switch off an assisting that is not on', function (bool $assist): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('in_line', ['assist' => $assist, 'continuousW' => 3000]),
            Sample::set('inverter_out', '/cable/size', ['value' => 'awg:14', 'basis' => 'read_off']),
        ),
    );
    $found = Rigs::findings($rig, 'conductor_protection');
    $labels = implode("\n", against($found));
    expect($found)->not->toBe([]);
    expect(str_contains($labels, 'Switch the assisting of'))->toBe($assist);
})->with([true, false]);

it('takes for the most of a way what its weakest piece may carry', function (): void {
    $piece = fn(string $size, string $sheath): Element => new Element(
        'e',
        ElementKind::Conductor,
        'c',
        'a',
        'b',
        Role::L1,
        new Cable(ConductorSize::of($size), 2.0, $sheath, 1),
    );
    expect(Devices::leastOf([$piece('awg:10', 'nm_b')]))
        ->toBe(30.0)
        ->and(Devices::leastOf([$piece('awg:10', 'nm_b'), $piece('awg:14', 'nm_b')]))
        ->toBe(15.0)
        // A flexible cord of 12 AWG, three conductors: NFPA 70 table 400.5(A)(1), from memory.
        ->and(Devices::leastOf([$piece('awg:12', 'cord')]))
        ->toBeGreaterThan(Devices::leastOf([$piece('awg:12', 'nm_b')]));
});

it('protects a relay with no more than the cable to it stands', function (): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'passThroughA' => 25, 'feedA' => 30]),
            Sample::set('inverter_feed', '/cable/size', ['value' => 'awg:12', 'basis' => 'read_off']),
        ),
    );
    expect(against(Rigs::findings($rig, 'pass_through')))->toBe(['Use a 20 A breaker for Inverter/charger feed']);
});

it('finds two kinds of battery in parallel only where they are', function (): void {
    $second = array_values(
        array_filter(
            UnlikeParallel::definition()->samples[0]->edits,
            fn(array $edit): bool => ($edit['component']['type'] ?? '') !== 'lead',
        ),
    );
    // The same battery aboard, with no lead to the bank.
    $rig = Rigs::planned(Rigs::job(...$second));
    expect(Rigs::findings($rig, 'unlike_parallel'))->toBe([]);
});

it('words what was before', function (int $slips, string $kind, string $words): void {
    $ways = Ways::reached('the cord was in', $slips);
    expect($ways->kind)->toBe($kind)->and($ways->words)->toBe($words);
})->with([
    'by itself' => [0, 'always', 'by what went before: the cord was in'],
    'by a hand' => [1, 'slips', 'one slip: the cord was in'],
]);

it('says in kiloamps what a fuse can break', function (): void {
    $rig = Rigs::planned(
        Rigs::job(Sample::choose('in_line', ['parallel' => 4]), Sample::set('main_fuse', '/family', 'anl')),
    );
    $hit = Rigs::findings($rig, 'interrupting_capacity')[1]->hit;
    // Bolt-down ANL: 6 kA at 32 V by its makers, from memory.
    expect($hit->text)->toContain('can break 6.0 kA');
});

it('takes the largest fuse of the family that is not too large', function (float $amps, ?string $label): void {
    $fuse = new Part('f', 'dc_fuse', 'Main fuse', ['family' => 'anl']);
    expect(Devices::smaller($fuse, $amps, 'suits the cable')?->label)->toBe($label);
})->with([
    'between two' => [180.0, 'Use 175 A in Main fuse'],
    'one that is made' => [100.0, 'Use 100 A in Main fuse'],
    'below the smallest' => [5.0, null],
]);

it('leaves out of a scenario what is too much, and no more', function (): void {
    $rig = Rigs::planned(Rigs::job(...Overload::definition()->samples[2]->edits));
    $over = array_values(
        array_filter(Rigs::findings($rig, 'overload'), fn(Finding $f): bool => str_starts_with($f->hit->key, 'dc|')),
    );
    // 297.6 A of 100 A at 12.8 V: 2529 W too much. No load is as large; 1500 W and 1440 W together are.
    expect(against($over))->toBe(['Leave Air conditioner and Water heater element out of "Everything"']);
});

it('finds reversed leads behind what is not connected at all', function (): void {
    $fan = Sample::add('a_fan', ['type' => 'dc_load', 'label' => 'Spare fan', 'use' => 'other', 'amps' => 2]);
    $rig = Rigs::planned(Rigs::job($fan, ...DirectPolarity::definition()->samples[0]->edits));
    expect(Rigs::findings($rig, 'dc_polarity'))->toHaveCount(1);
});

it('runs a cable as large as the drop asks, step by step', function (float $m, string $size): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['dcRunM' => $m, 'dcSize' => 'awg:2/0'])));
    expect(against(Rigs::findings($rig, 'voltage_drop')))->toBe(["Run {$size} for Bar to inverter"]);
})->with([
    // In proportion to the copper: 2/0 has 67.4 mm², 3/0 85.0, 4/0 107.2 (ASTM B258).
    'a quarter more' => [2.2, '3/0 AWG'],
    'half as much again' => [3.0, '4/0 AWG'],
]);

it('says what a loop takes from the bank, in amps', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('transfer_whole', ['converter' => 'left', 'continuousW' => 2000])));
    $hit = Rigs::findings($rig, 'charging_loop')[0]->hit;
    // What is lost, over the bank's 12.8 V.
    $amps = round($hit->figures[0]->value / 12.8);
    expect($hit->text)->toContain("{$amps} A leave the bank for nothing");
});
