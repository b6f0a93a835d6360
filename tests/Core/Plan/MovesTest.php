<?php

declare(strict_types=1);

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Downstream;
use Hollin\Core\Plan\Moves;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** A rig with everything a circuit could land on or feed. */
function rigToMoveIn(string $recipe): stdClass
{
    $options = match ($recipe) {
        'subpanel' => ['circuits' => ['c_outlets' => true], 'converter' => 'ahead'],
        'transfer_circuit', 'plug_by_hand' => ['circuit' => 'c_outlets', 'converter' => 'left'],
        default => ['converter' => 'left'],
    };

    return Rigs::job(
        Sample::survey('main_panel', '/slots', 16),
        Sample::choose($recipe, ['continuousW' => 2000] + $options),
    );
}

it('offers what can be carried out, and nothing else', function (string $recipe): void {
    $document = rigToMoveIn($recipe);
    $rig = Rig::from(Planned::atLast($document, 'p'));
    $offered = Moves::of($rig);
    $tried = 0;
    foreach ($rig->all(Circuit::class) as $circuit) {
        foreach (array_keys($rig->components) as $place) {
            foreach (['hot', 'neutral'] as $wire) {
                if ($circuit->lands($wire) === $place) {
                    continue;
                }
                try {
                    $moved = Rigs::edit($document, Sample::move($circuit->id, (string) $place, $wire), false);
                    $after = Rig::from(Planned::atLast($moved, 'p'))->find($circuit->id);
                    expect($after?->lands($wire))->toBe((string) $place);
                    $done = true;
                } catch (Refused) {
                    $done = false;
                }
                expect($offered[$circuit->id][$place][$wire] ?? false)->toBe(
                    $done,
                    "{$circuit->id} to {$place}, {$wire}",
                );
                $tried++;
            }
        }
    }
    expect($tried)->toBeGreaterThan(100);
})->with(['in_line', 'subpanel', 'transfer_circuit', 'transfer_whole', 'plug_by_hand', 'back_fed']);

it('puts a circuit onto a switch with its breaker left behind, and gives it back at home', function (): void {
    $document = rigToMoveIn('transfer_circuit');
    $there = Rigs::edit($document, Sample::move('c_fridge', 'transfer'));
    $circuit = Planned::atLast($there, 'p')->c_fridge;
    expect([$circuit->hot->at, $circuit->hot->port, $circuit->neutral->at])
        ->toBe(['transfer', 'out', 'transfer'])
        ->and($circuit->breakerA)
        ->toBeNull();
    $home = Rigs::edit($there, Sample::move('c_fridge', 'main_panel'));
    expect(Planned::atLast($home, 'p')->c_fridge)->toEqual(Planned::atLast($document, 'p')->c_fridge);
});

it('gives a breaker that suits its cable to a circuit that never had one', function (): void {
    $document = rigToMoveIn('transfer_circuit');
    $moved = Rigs::edit($document, Sample::move('c_outlets', 'main_panel'));
    $found = $document->asFound->components->c_outlets->breakerA;
    expect(Planned::atLast($moved, 'p')->c_outlets->breakerA)->toEqual($found);
});

it('says in names why a circuit cannot feed itself', function (): void {
    $document = rigToMoveIn('subpanel');
    Rigs::edit($document, Sample::move('inverter_feed', 'inverter_panel'), false);
})->throws(Refused::class, 'Inverter panel is fed by Inverter/charger feed: it would feed itself.');

it('follows cables and cords, and stops at a battery', function (): void {
    $below = new Downstream(Rig::from(Planned::atLast(rigToMoveIn('plug_by_hand'), 'p')));
    expect($below->of('factory_outlet'))
        ->toHaveKeys(['hand_plug', 'c_outlets'])
        ->and($below->of('c_converter'))
        ->toBe(['converter' => true])
        ->and($below->of('shore'))
        ->toHaveKeys(['inlet', 'main_panel', 'c_air', 'c_outlets', 'hand_plug'])
        ->and($below->of('inverter'))
        ->toHaveKeys(['hand_plug', 'c_outlets'])
        ->not->toHaveKey('main_panel');
});

it('refuses a second feed to a port, with what feeds it already', function (): void {
    $document = rigToMoveIn('subpanel');
    $feeder = [
        'type' => 'feeder',
        'label' => 'Second feed',
        'from' => ['at' => 'inverter', 'port' => 'ac_out'],
        'to' => ['at' => 'main_panel', 'port' => 'line'],
        'cable' => ['size' => 'awg:10', 'lengthM' => 2],
    ];
    $fit = fn(array $to): stdClass => Rigs::edit(
        $document,
        [
            'kind' => 'plan_fit',
            'plan' => 'p',
            'id' => 'second',
            'component' => ['to' => $to] + $feeder,
        ],
        false,
    );
    try {
        $fit(['at' => 'main_panel', 'port' => 'line']);
        $this->fail('was not refused');
    } catch (Refused $e) {
        expect($e->problems[0]->message)
            ->toContain('is fed by')
            ->toContain('already')
            ->toContain('Second feed')
            ->not->toContain('main_panel');
    }
    try {
        Rigs::edit($document, Sample::set('inverter_out', '/to', ['at' => 'main_panel', 'port' => 'line']), false);
        $this->fail('was not refused');
    } catch (Refused $e) {
        expect($e->problems[0]->message)->toContain('already');
    }
});

it('leaves a double feed alone that is there already', function (): void {
    $document = rigToMoveIn('subpanel');
    $document->asFound->components->second = Rigs::object([
        'type' => 'feeder',
        'label' => 'Owner\'s own feed',
        'from' => ['at' => 'inlet', 'port' => 'out'],
        'to' => ['at' => 'main_panel', 'port' => 'line'],
        'cable' => ['size' => 'awg:10', 'lengthM' => 2],
    ]);
    $after = Rigs::edit($document, Sample::set('main_fuse', '/ratingA', ['value' => 300, 'basis' => 'told']), false);
    expect(Planned::atLast($after, 'p')->main_fuse->ratingA->value)->toBe(300);
});
