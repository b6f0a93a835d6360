<?php

declare(strict_types=1);

use Hollin\Core\Plan\QuickEntry;
use Hollin\Core\Plan\Refused;

it('reads a circuit as it is called out at the panel', function (): void {
    $c = QuickEntry::circuit('20 gfci bath 12/2 18ft #4b 900w', 'main_panel', [2, 3]);
    expect($c->breakerA->value)
        ->toBe(20)
        ->and($c->gfci)
        ->toBe('breaker')
        ->and($c->place)
        ->toBe('bath')
        ->and($c->cable->size->value)
        ->toBe('awg:12')
        ->and($c->cable->size->basis)
        ->toBe('read_off')
        ->and($c->cable->lengthM->value)
        ->toBe(5.486)
        ->and($c->cable->lengthM->entered)
        ->toBe('18 ft')
        ->and((array) $c->hot)
        ->toBe(['panel' => 'main_panel', 'slot' => 4, 'half' => 'b'])
        ->and($c->loads->load->watts->value)
        ->toBe(900);
});

it('marks what was not said as assumed and takes the first free slot', function (): void {
    $c = QuickEntry::circuit('15 bunk outlets', 'main_panel', [6, 7]);
    expect($c->cable->size->basis)
        ->toBe('assumed')
        ->and($c->cable->lengthM->basis)
        ->toBe('assumed')
        ->and($c->hot->slot)
        ->toBe(6)
        ->and($c->label)
        ->toBe('Bunk outlets');
});

it('asks back instead of guessing', function (string $line, string $said): void {
    expect(fn() => QuickEntry::circuit($line, 'main_panel', [2]))->toThrow(Refused::class, $said);
})->with([
    ['bath 20', 'start with the breaker'],
    ['20 bath 2/0', 'battery-cable size'],
    ['20 bath 3/2', 'not a branch cable'],
    ['20 bath 1,500', 'bare number'],
    ['20 bath 12', 'bare number'],
    ['20 bath 900ft', 'not a length inside a rig'],
    ['90 bath', '10 to 50 A'],
]);

it('says so when the panel is full', function (): void {
    expect(fn() => QuickEntry::circuit('15 bunk', 'main_panel', []))->toThrow(Refused::class, 'no free slot');
});
