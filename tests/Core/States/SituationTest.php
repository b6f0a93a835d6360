<?php

declare(strict_types=1);

use Hollin\Core\Rules\Sample;
use Tests\Rigs;

it('tells works from live from dead', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_fridge' => true]]), Sample::move('c_outlets', 'main_panel', 'neutral')));
    $live = $rig->settled['inverting']->situation->liveness();
    expect($live['c_fridge']->kind)->toBe('works')
        ->and($live['c_outlets']->kind)->toBe('live')
        ->and($live['c_outlets']->words)->toContain('without its neutral')
        // The stray neutral lifts the shore panel's bar, and through its loads the bus.
        ->and($live['c_air']->words)->toBe('live through a load')
        ->and($rig->settled['nothing']->situation->liveness()['c_air']->kind)->toBe('dead');
});

it('keeps two neutrals apart that meet only in the frame', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line'), ['kind' => 'plan_set', 'plan' => 'p', 'component' => 'main_panel', 'path' => '/bondScrew', 'value' => ['value' => true, 'basis' => 'told']]));
    $situation = $rig->settled['inverting']->situation;
    expect($situation->joined('main_panel.neutral_bar', 'frame'))->toBeFalse()
        ->and($situation->bondsOf('inverter.inverter'))->toHaveCount(2);
});

it('finds a soft path through a load and stops at the return', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    $situation = $rig->settled['inverting']->situation;
    expect($situation->hardHot('main_panel.bus'))->toBe('inverter.inverter')
        ->and($situation->softHot('main_panel.neutral_bar'))->toBeNull()
        ->and($situation->hotAt('inlet.pin_n'))->toBeNull();
});
