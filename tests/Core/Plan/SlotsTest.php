<?php

declare(strict_types=1);

use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Plan\Slots;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** @return list<string> free places of the main panel as found */
function freeIn(array ...$edits): array
{
    $rig = Rigs::asFound(Rigs::job(...$edits))->rig;
    $panel = $rig->find('main_panel');
    assert($panel instanceof Panel);

    return array_map(fn(array $f): string => $f['slot'] . $f['half'], Slots::free($rig, $panel));
}

it('finds nothing in a full panel', function (): void {
    expect(freeIn())->toBe([]);
});

it('finds slots that nobody uses, never the main breaker\'s', function (): void {
    expect(freeIn(Sample::survey('main_panel', '/slots', 9)))
        ->toBe(['8', '9'])
        ->and(freeIn(['kind' => 'survey_remove', 'component' => 'c_air']))
        ->toBe(['4']);
});

it('finds the other half of a tandem breaker, after the whole slots', function (): void {
    $half = Sample::survey('c_air', '/hot', ['panel' => 'main_panel', 'slot' => 4, 'half' => 'a']);
    expect(freeIn($half))
        ->toBe(['4b'])
        ->and(freeIn($half, ['kind' => 'survey_remove', 'component' => 'c_water']))
        ->toBe(['5', '4b']);
});

it('does not count the circuit that is about to move', function (): void {
    $rig = Rigs::asFound(Rigs::job())->rig;
    $panel = $rig->find('main_panel');
    assert($panel instanceof Panel);
    expect(Slots::free($rig, $panel, 'c_air'))
        ->toBe([['slot' => 4, 'half' => '']])
        ->and(Slots::hasRoom($rig, $panel))
        ->toBeFalse();
});

it('lets a circuit land on a free half when that is all there is', function (): void {
    $document = Rigs::job(
        Sample::survey('c_air', '/hot', ['panel' => 'main_panel', 'slot' => 4, 'half' => 'a']),
        Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_converter' => true], 'converter' => 'left']),
        Sample::move('c_converter', 'main_panel'),
        Sample::move('c_outlets', 'main_panel'),
    );
    $rig = Rigs::planned($document)->rig;
    expect($rig->find('c_converter')->slot())
        ->toBe(7)
        ->and([$rig->find('c_outlets')->slot(), $rig->find('c_outlets')->half()])
        ->toBe([4, 'b'])
        ->and(Rigs::findings(Rigs::planned($document), 'does_not_apply'))
        ->toBe([]);
});

it('does not let a rule offer a panel that is full', function (): void {
    $document = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_converter' => true], 'converter' => 'left']));
    $labels = array_map(
        fn($r): string => $r->label,
        Rigs::findings(Rigs::planned($document), 'charging_loop')[0]->hit->remedies,
    );
    expect($labels)->not->toContain('Move Converter to Main panel')->toContain('Take Converter 55 A out');
});
