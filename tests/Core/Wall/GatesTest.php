<?php

declare(strict_types=1);

use Hollin\Core\Rules\Sample;
use Hollin\Core\Wall\Gates;
use Hollin\Core\Wall\Paint;
use Tests\Rigs;

it('says what every part that switches is in', function (
    array $edits,
    string $state,
    string $component,
    array $is,
): void {
    $rig = Rigs::planned(Rigs::job(...$edits));
    $part = array_key_first($rig->graph->partsOf($component));
    expect(Gates::of($rig, $rig->settled[$state])[$part])->toMatchArray($is);
})->with([
    'passing shore' => [
        [Sample::choose('in_line')],
        'shore_and_inverter',
        'inverter_charger',
        [
            'position' => 'pass',
            'words' => 'passing shore through',
            'mode' => 'on',
            'bond' => false,
            'ways' => ['a'],
            'carries' => ['inverter.pass_l'],
        ],
    ],
    'inverting' => [
        [Sample::choose('in_line')],
        'inverting',
        'inverter_charger',
        ['position' => 'invert', 'bond' => true, 'ways' => [], 'direct' => 'inverter.dc'],
    ],
    'a transfer switch on its second input' => [
        [Sample::choose('transfer_whole', ['converter' => 'left'])],
        'inverting',
        'transfer_switch',
        ['position' => 'b', 'ways' => ['b'], 'bond' => false],
    ],
    'the same on its first' => [
        [Sample::choose('transfer_whole', ['converter' => 'left'])],
        'shore_s30',
        'transfer_switch',
        ['position' => 'a', 'ways' => ['a']],
    ],
    'a bypass around the unit' => [
        [Sample::choose('in_line', ['bypass' => true])],
        'bypassed',
        'bypass',
        ['position' => 'past', 'ways' => ['a']],
    ],
    'a bypass through the unit' => [
        [Sample::choose('in_line', ['bypass' => true])],
        'shore_s30',
        'bypass',
        ['position' => 'unit', 'ways' => ['unit']],
    ],
    'a lock-out that has let go' => [
        [Sample::choose('in_line', ['converter' => 'contactor'])],
        'shore_s30',
        'contactor',
        ['position' => 'released'],
    ],
]);

it('says whether the cord is in a supply, and what comes from it', function (
    string $state,
    bool $plugged,
    string $words,
    string $pins,
): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $paint = Paint::of($rig, $rig->settled[$state], []);
    expect($paint['supplies']->shore)
        ->toBe(['plugged' => $plugged, 'words' => $words])
        ->and($paint['pins']->inlet['words'])
        ->toBe($pins);
})->with([
    ['nothing', false, 'not plugged in', 'pins bare, not live'],
    ['shore_s20', true, 'plugged into 20 A', 'plugged into 20 A'],
    ['dead_pedestal', true, 'plugged in, dead', 'plugged into 30 A'],
    ['low_shore', true, 'plugged in, too low', 'plugged into 30 A'],
]);

it('does not say that a cord in a generator is in the shore supply', function (): void {
    $rig = Rigs::asFound(
        Rigs::job(
            Sample::add('genset', [
                'type' => 'generator',
                'label' => 'Set',
                'ratedW' => 2800,
                'outletA' => 30,
                'mount' => 'portable',
                'bond' => 'bonded',
                'reaches' => 'inlet',
            ]),
        ),
    );
    $supplies = Paint::of($rig, $rig->settled['generator'], [])['supplies'];
    expect($supplies->shore['words'])->toBe('not plugged in')->and($supplies->genset['plugged'])->toBeTrue();
});
