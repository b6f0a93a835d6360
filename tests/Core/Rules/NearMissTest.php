<?php

declare(strict_types=1);

use Hollin\Core\Network\Element;
use Hollin\Core\Rules\AssistDrains;
use Hollin\Core\Rules\ChargerProfile;
use Hollin\Core\Rules\DirectReturn;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/* Rigs that are one thing away from a finding, on either side of it. */

/** @return list<string> */
function texts(array $findings): array
{
    return array_map(fn(Finding $f): string => $f->hit->text, $findings);
}

it('works out the current of a fault, and what the case stands at meanwhile, as by hand', function (): void {
    $value = fn(string $path, mixed $v): array => Sample::survey('c_outlets', $path, [
        'value' => $v,
        'basis' => 'measured',
    ]);
    $rig = Rigs::asFound(
        Rigs::job($value('/cable/size', 'awg:18'), $value('/cable/lengthM', 60), $value('/breakerA', 20)),
    );
    // NFPA 70 chapter 9 table 8 (from memory), stranded copper at 75 °C, ohm per 1000 ft: 18 AWG 7.95, 10 AWG 1.24.
    $branch = ((60 / 0.3048) * 7.95) / 1000;
    $feeder = (((7.6 + 4.5) / 0.3048) * 1.24) / 1000;
    $amps = 120 / (2 * ($branch + $feeder) + $rig->graph->sources['shore.supply']->impedanceOhm);
    $found = Rigs::findings($rig, 'fault_clearing')[0];
    expect($found->hit->figures[0]->value)->toEqualWithDelta($amps, 0.03 * $amps);
    expect(preg_match('/The case stands at (\d+) V meanwhile/', $found->hit->text, $m))->toBe(1);
    expect((float) ($m[1] ?? 0))->toEqualWithDelta($amps * ($branch + $feeder), 2.0);
});

it('says how many stay dark while the unit is off', function (array $arrangement, string $words): void {
    $rig = Rigs::planned(Rigs::job($arrangement, Sample::set('inverter', '/passesWhenOff', false)));
    expect(texts(Rigs::findings($rig, 'dark_on_shore'))[0])->toContain($words);
})->with([
    'one' => [Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]), 'Inside outlets is dead'],
    'several' => [Sample::choose('in_line'), 'and 1 more are dead'],
]);

it('says of a bond on a half-voltage output what is known of it', function (string $neutral, string $words): void {
    $rig = Rigs::planned(
        Rigs::job(
            Sample::alone('transfer_whole', ['outputNeutral' => $neutral]),
            Sample::survey('main_panel', '/bondScrew', true),
        ),
    );
    expect(implode("\n", texts(Rigs::findings($rig, 'bond_count'))))->toContain($words);
})->with([
    'driven' => ['half', 'whose both wires are driven at half the voltage'],
    'unknown' => ['unknown', 'of which nobody knows that it may be bonded'],
]);

it('finds what has a negative and no positive', function (): void {
    [$fan, , $negative] = DirectReturn::definition()->samples[1]->edits;
    $found = Rigs::findings(Rigs::asFound(Rigs::job($fan, $negative)), 'dc_return');
    expect(texts($found))->toBe(['Roof fan has its negative and no positive: it does not work.']);
});

it('takes a battery that runs lights in spite of its charger for no drain by assist', function (): void {
    $edits = AssistDrains::definition()->samples[0]->edits;
    // 100 A on the battery side, more than the charger gives; the heaters stay within the supply.
    $lights = Rigs::planned(
        Rigs::job(
            ...[
                ...$edits,
                Sample::choose('in_line', ['inputLimitA' => 30, 'assist' => true, 'chargerA' => 20]),
                Sample::set('dc_panel', '/loadA', 100),
            ],
        ),
    );
    $shore = array_key_first(array_filter($lights->named, fn($s): bool => str_starts_with($s->id, 'shore_s30')));
    $flow = $lights->flows()->of($lights->settled[$shore], $lights->needs->scenarios['cold']['running']);
    expect($flow->sources['bank.cells']['amps'])
        ->toBeGreaterThan(20.0)
        ->and(Rigs::findings($lights, 'assist_drains'))
        ->toBe([]);
});

it('tells each state in which nothing charges, also that with the inverter on beside the supply', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['converter' => 'lifted'])));
    $title = $rig->named['shore_and_inverter']->title;
    expect(texts(Rigs::findings($rig, 'charging_lost'))[0])->toContain($title);
});

it('looks behind a feeder that may be as it is', function (): void {
    $thin = fn(string $size): array => ['value' => $size, 'basis' => 'read_off'];
    $rig = Rigs::planned(
        Rigs::job(
            Sample::survey('feeder_main', '/cable/size', $thin('awg:12')),
            Sample::survey('main_panel', '/mainA', 20),
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
            Sample::set('ld_bar_inv', '/cable/size', $thin('awg:4')),
        ),
    );
    $components = array_map(
        fn(Finding $f): string => $f->hit->components[0],
        Rigs::findings($rig, 'conductor_protection'),
    );
    expect($components)->toContain('ld_bar_inv')->not->toContain('feeder_main');
});

it('minds the profile of a charger only where it charges', function (bool $connected): void {
    $edits = ChargerProfile::definition()->samples[0]->edits;
    $document = Rigs::job(...$edits);
    if (!$connected) {
        foreach (['ld_conv', 'ld_converter', 'ld_conv_neg'] as $lead) {
            if (isset(Rigs::planned($document)->graph->parts[$lead])) {
                $document = Rigs::edit($document, ['kind' => 'plan_remove', 'plan' => 'p', 'component' => $lead]);
            }
        }
    }
    expect(Rigs::findings(Rigs::planned($document), 'charger_profile') !== [])->toBe($connected);
})->with([true, false]);

it('finds a fuse overloaded whichever way round it was put in', function (): void {
    $small = [
        Sample::choose('in_line', ['converter' => 'removed']),
        Sample::set('main_fuse', '/ratingA', ['value' => 150, 'basis' => 'read_off']),
        Sample::survey('c_outlets', '/loads', [
            'heat' => ['label' => 'Heater', 'watts' => 2400, 'kind' => 'resistive', 'continuous' => true],
        ]),
        [
            'kind' => 'set_need',
            'path' => '/scenarios/cold',
            'value' => ['title' => 'Cold evening', 'running' => ['c_outlets.heat' => true]],
        ],
    ];
    $rig = Rigs::planned(Rigs::job(...$small));
    $leads = array_filter(
        $rig->graph->elements,
        fn(Element $e): bool => $e->cable !== null &&
            (str_starts_with($e->a, 'main_fuse.') || str_starts_with($e->b, 'main_fuse.')),
    );
    $turned = $small;
    foreach ($leads as $lead) {
        $at = str_starts_with($lead->a, 'main_fuse.') ? 'from' : 'to';
        $other = ($at === 'from' ? $lead->a : $lead->b) === 'main_fuse.in' ? 'main_fuse.out' : 'main_fuse.in';
        $turned[] = Sample::set($lead->component, "/{$at}", $other);
    }
    $over = fn(array $edits): array => array_values(
        array_filter(
            array_map(
                fn(Finding $f): string => $f->hit->key,
                Rigs::findings(Rigs::planned(Rigs::job(...$edits)), 'overload'),
            ),
            fn(string $key): bool => str_contains($key, 'main_fuse'),
        ),
    );
    expect($leads)->toHaveCount(2)->and($over($small))->not->toBe([])->and($over($turned))->toBe($over($small));
});

it('misses no battery where there was none', function (array $edits, bool $planned): void {
    $document = Rigs::job(...$edits);
    $rig = $planned ? Rigs::planned($document) : Rigs::asFound($document);
    $lamp = array_filter(
        Rigs::findings($rig, 'lost_direct'),
        fn(Finding $f): bool => $f->hit->components[0] === 'lamp',
    );
    expect($lamp)->toBe([]);
})->with(function (): array {
    $lamp = ['type' => 'dc_load', 'label' => 'Lamp', 'use' => 'other', 'amps' => 1];
    $found = Sample::add('lamp', $lamp);

    return [
        'as found' => [[$found], false],
        'as it was' => [[$found, Sample::choose('in_line')], true],
        'new in the plan' => [
            [Sample::choose('in_line'), ['kind' => 'plan_fit', 'plan' => 'p', 'id' => 'lamp', 'component' => $lamp]],
            true,
        ],
    ];
});
