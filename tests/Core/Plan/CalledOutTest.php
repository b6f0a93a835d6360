<?php

declare(strict_types=1);

use Hollin\Core\Plan\QuickEntry;
use Hollin\Core\Plan\Refused;

/*
 * Lines as they are called out at a panel, and what is made of them:
 * breaker, GFCI, place, gauge, metres, slot, watts, name.
 */
it('understands', function (
    string $line,
    int $breaker,
    string $gfci,
    string $place,
    string $size,
    float $metres,
    string $slot,
    ?int $watts,
    string $name,
): void {
    $c = QuickEntry::circuit($line, 'main_panel', [9]);
    $half = $c->hot->half ?? '';
    expect([
        $c->breakerA->value,
        $c->gfci,
        $c->place,
        $c->cable->size->value,
        $c->cable->lengthM->value,
        $c->hot->slot . $half,
        $c->loads->load->watts->value ?? null,
        $c->label,
    ])->toBe([$breaker, $gfci, $place, $size, $metres, $slot, $watts, $name]);
})->with([
    ['20 gfci bath 12/2', 20, 'breaker', 'bath', 'awg:12', 5.0, '9', null, 'Bath'],
    ['20A GFCI Bath 12/2', 20, 'breaker', 'bath', 'awg:12', 5.0, '9', null, 'Bath'],
    ['15 gfci-rec kitchen 14/2 10ft', 15, 'receptacle', 'counter', 'awg:14', 3.048, '9', null, 'Kitchen'],
    ['15 galley 14/2 3m #2', 15, 'none', 'counter', 'awg:14', 3.0, '2', null, 'Galley'],
    ['20 air conditioner 12/2 22ft 1500w', 20, 'none', 'fixed', 'awg:12', 6.706, '9', 1500, 'Air conditioner'],
    ['15 water heater 14/2 #6b 1440w', 15, 'none', 'fixed', 'awg:14', 5.0, '6b', 1440, 'Water heater'],
    ['30 range 10/3 #8', 30, 'none', 'general', 'awg:10', 5.0, '8', null, 'Range'],
    ['50 shed feed 6/3 9.5m', 50, 'none', 'general', 'awg:6', 9.5, '9', null, 'Shed feed'],
    ['15 #3a', 15, 'none', 'general', 'awg:14', 5.0, '3a', null, 'Circuit 3a'],
    ['20', 20, 'none', 'general', 'awg:12', 5.0, '9', null, 'Circuit 9'],
    ['30', 30, 'none', 'general', 'awg:10', 5.0, '9', null, 'Circuit 9'],
    ['  15   patio   lamps  ', 15, 'none', 'outside', 'awg:14', 5.0, '9', null, 'Patio lamps'],
    ['15 outside 14/2 gfci 0.5m 60w #9', 15, 'breaker', 'outside', 'awg:14', 0.5, '9', 60, 'Outside'],
    ['15 hives 14/2 18 ft 400 w', 15, 'none', 'general', 'awg:14', 5.486, '9', 400, 'Hives'],
    ["15 smoker shed 14/2 12'", 15, 'none', 'general', 'awg:14', 3.658, '9', null, 'Smoker shed'],
    ['15 workbench 6 m', 15, 'none', 'general', 'awg:14', 6.0, '9', null, 'Workbench'],
    ['20 fridge 12/2', 20, 'none', 'fixed', 'awg:12', 5.0, '9', null, 'Fridge'],
]);

it('asks back', function (string $line, string $said): void {
    expect(fn() => QuickEntry::circuit($line, 'main_panel', [9], 4))->toThrow(Refused::class, $said);
})->with([
    ['', 'start with the breaker'],
    ['twenty bath', 'start with the breaker'],
    ['20.5 bath', 'start with the breaker'],
    ['-20 bath', 'start with the breaker'],
    ['5 bath', '10 to 50 A'],
    ['60 bath', '10 to 50 A'],
    ['20 bath 4/0', 'battery-cable size'],
    ['20 bath 4/2', 'not a branch cable'],
    ['20 bath 11/2', 'not a branch cable'],
    ['20 bath 0m', 'not a length inside a rig'],
    ['20 bath 300ft', 'not a length inside a rig'],
    ['20 bath 1,200', 'bare number'],
    ['20 bath 18', 'bare number'],
]);

it('says in which line', function (): void {
    try {
        QuickEntry::circuit('nonsense', 'main_panel', [9], 4);
        $this->fail('was understood');
    } catch (Refused $e) {
        expect($e->problems[0]->pointer)->toBe('/lines/4');
    }
});
