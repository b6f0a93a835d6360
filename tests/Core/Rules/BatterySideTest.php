<?php

declare(strict_types=1);

use Hollin\Core\Network\Purpose;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\ChargingSamples;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Severity;
use Hollin\Core\Sizing\Precharge;
use Tests\Rigs;

/** The usual trailer with some parts more, as planned. */
function rigWith(array ...$edits): Examination
{
    return Rigs::planned(Rigs::job(...$edits));
}

/** A lithium battery with management, and panels on it. */
function managed(array $battery = [], array $panels = []): array
{
    return [
        ChargingSamples::part(
            'second',
            $battery + ['management' => 'apart', 'cold' => 'blocks'] +
                ChargingSamples::battery('Second battery', 'lfp', 12.8, 200),
        ),
        ...ChargingSamples::panels($panels),
        ChargingSamples::part('fan', ['type' => 'dc_load', 'label' => 'Fan', 'amps' => 10, 'use' => 'other']),
        ChargingSamples::lead('second.pos', 'fan.pos', 'positive', 'awg:10'),
        ChargingSamples::lead('fan.neg', 'second.neg', 'negative', 'awg:10'),
    ];
}

/** Amps a battery gives in a state, below nothing while it is charged. */
function given(Examination $rig, string $state, string $battery = 'second.cells', array $also = []): float
{
    $setting = $rig->named[$state]->setting;
    foreach ($also as $device => $position) {
        $setting = $setting->with($device, $position);
    }

    return $rig
        ->flows()
        ->of($rig->engine->settle($setting), [], $rig->named[$state]->charge)->sources[$battery]['amps'];
}

describe('a battery with management', function (): void {
    it('takes and gives while it is on, and neither while it is open', function (): void {
        $rig = rigWith(...managed());
        expect(given($rig, 'sun'))
            ->toBeLessThan(-1.0)
            ->and(given($rig, 'nothing'))
            ->toEqualWithDelta(10.0, 1.0)
            ->and(abs(given($rig, 'nothing', also: ['second.bms' => 'open'])))
            ->toBeLessThan(1e-3);
    });

    it('gives and takes nothing in with its charging stopped, and the other way round', function (): void {
        $rig = rigWith(...managed());
        $stopped = fn(string $state, string $at): float => given($rig, $state, also: ['second.bms' => $at]);
        expect(abs($stopped('sun', 'no_charge')))
            ->toBeLessThan(1e-3)
            ->and($stopped('nothing', 'no_charge'))
            ->toEqualWithDelta(10.0, 1.0)
            ->and($stopped('sun', 'no_discharge'))
            ->toBeLessThan(-1.0)
            ->and(abs($stopped('nothing', 'no_discharge')))
            ->toBeLessThan(1e-3);
    });

    it('has its states by name: open, empty, full, cold', function (): void {
        $rig = rigWith(...managed());
        expect(array_keys($rig->named))
            ->toContain('bms_open', 'empty', 'full', 'cold')
            ->and($rig->named['cold']->setting->controls['second.bms'])
            ->toBe('no_charge')
            ->and($rig->named['cold']->setting->surroundings['cells'])
            ->toBe('cold')
            ->and($rig->named['empty']->charge)
            ->toBe('low')
            ->and($rig->named['full']->charge)
            ->toBe('full');
    });

    it('has one such state for each unit', function (): void {
        $rig = rigWith(
            ...managed(),
            ...[
                ChargingSamples::part(
                    'third',
                    ['management' => 'together'] + ChargingSamples::battery('Third battery', 'lfp', 12.8, 100),
                ),
                ChargingSamples::lead('third.pos', 'second.pos', 'positive'),
                ChargingSamples::lead('third.neg', 'second.neg', 'negative'),
            ],
        );
        expect($rig->named['bms_open']->title)
            ->toBe('management of Second battery opens')
            ->and($rig->named['bms_open_third']->title)
            ->toBe('management of Third battery opens')
            // The other one carries all that there is.
            ->and(given($rig, 'bms_open_third'))
            ->toEqualWithDelta(given($rig, 'nothing', also: ['third.bms' => 'open']), 1e-6);
    });

    it('stops a charger through its line before it opens', function (): void {
        $rig = rigWith(...managed(panels: ['stoppedBy' => 'second']));
        $setting = $rig->named['sun']->setting;
        $gives = fn(string $at): bool => isset(
            $rig->engine->settle($setting->with('second.bms', $at))->situation->givingDirect()['solar.output'],
        );
        expect([$gives('on'), $gives('no_charge'), $gives('open')])->toBe([true, false, false]);
    });

    it('warms its cells in the cold, and only then', function (): void {
        $rig = rigWith(...managed(['cold' => 'heats', 'heaterW' => 96]));
        // 96 W at 12.8 V.
        expect(given($rig, 'cold', also: ['disconnect.handle' => 'on']) - given($rig, 'nothing'))->toBeGreaterThan(0.0);
        $flow = fn(string $state): array => $rig->flows()->of($rig->settled[$state], [])->loads;
        expect($flow('cold')['second.heater']['watts'])
            ->toEqualWithDelta(96.0, 0.01)
            ->and($flow('nothing'))
            ->not->toHaveKey('second.heater');
    });

    it('refuses a line from a battery that has none', function (): void {
        rigWith(
            ChargingSamples::part('second', ChargingSamples::battery('Second battery', 'lfp', 12.8, 200)),
            ...ChargingSamples::panels(['stoppedBy' => 'second']),
        );
    })->throws(Refused::class, 'management');
});

describe('the plug to the vehicle in front', function (): void {
    it('is in while driving and hitched, and out else', function (): void {
        $rig = rigWith(...ChargingSamples::towed(null));
        $at = array_map(fn($s): string => $s->positions['tow_plug.plug'], $rig->settled);
        expect($at['driving'])
            ->toBe('in')
            ->and($at['hitched'])
            ->toBe('in')
            ->and($at['idling'])
            ->toBe('in')
            ->and($at['nothing'])
            ->toBe('out');
    });

    it('has a pin on the battery: by how much is the battery and the wire to it', function (): void {
        [$finding] = Rigs::findings(rigWith(...ChargingSamples::towed(null)), 'tow_pins_live');
        $battery = rigWith(...ChargingSamples::towed(null))->graph->batteries['second.cells'];
        // 1.05 × full volts over 0.9 × the resistance and 6 m of 12 AWG at 20 °C, 5.21 mΩ a metre (wire tables).
        $most = (1.05 * $battery->fullV()) / (0.9 * $battery->ohm + 6 * 0.00521);
        expect($finding->severity())
            ->toBe(Severity::Danger)
            ->and($finding->hit->figures[0]->value)
            ->toEqualWithDelta($most, 0.05 * $most);
    });

    it('is advice where a fuse stands at the battery', function (): void {
        [$finding] = Rigs::findings(rigWith(...ChargingSamples::towed(30)), 'tow_pins_live');
        expect($finding->severity())->toBe(Severity::Advice)->and($finding->hit->text)->toContain('30 A');
    });
});

describe('a main negative that is open', function (): void {
    it('says through what the current comes home, and how much', function (): void {
        $bond = fn(string $id, string $from, string $size): array => ChargingSamples::part($id, [
            'type' => 'frame_bond',
            'label' => $id,
            'from' => $from,
            'cable' => ['size' => $size, 'lengthM' => 1.2],
        ]);
        $rig = rigWith(
            ...ChargingSamples::house(),
            ...[
                ChargingSamples::part('fan', ['type' => 'dc_load', 'label' => 'Fan', 'amps' => 40, 'use' => 'other']),
                ChargingSamples::part('bar', ['type' => 'bus_bar', 'label' => 'Bar', 'pole' => 'negative']),
                ChargingSamples::lead('second.pos', 'fan.pos', 'positive'),
                ChargingSamples::lead('fan.neg', 'bar.stud', 'negative'),
                ChargingSamples::lead('bar.stud', 'second.neg', 'negative', 'awg:2/0', 1.0),
                $bond('strap_bar', 'bar.stud', 'awg:8'),
                $bond('strap_second', 'second.neg', 'awg:10'),
            ],
        );
        [$finding] = Rigs::findings($rig, 'wrong_return');
        $sound = $rig->flows()->of($rig->settled['nothing'], []);
        $all = abs($sound->dcA['ld_fan_neg_bar_stud.wire']);
        expect($finding->hit->components)
            ->toContain('strap_bar', 'strap_second')
            ->and($finding->hit->figures[0]->value)
            // Nothing else leads home, so all of it goes that way.
            ->toEqualWithDelta($all, 0.03 * $all);
        foreach ($rig->graph->elements as $id => $element) {
            if ($element->purpose !== Purpose::Carrying && abs($sound->dcA[$id] ?? 0.0) > 1) {
                // What already passes there with the main sound is the shunt's matter, and less by far.
                expect(abs($sound->dcA[$id]))->toBeLessThan(0.2 * $all);
            }
        }
    });
});

describe('filling capacitors', function (): void {
    it('is as worked by hand', function (): void {
        // 20 mF, 13.2 V, 25 Ω: 0.53 A, 2.3 s, 1.74 J; 3.3 kA with 4 mΩ alone.
        $slow = Precharge::through(13.2, 25.0, 0.02);
        expect($slow->firstA)
            ->toEqualWithDelta(0.528, 1e-3)
            ->and($slow->seconds)
            ->toEqualWithDelta(2.3, 0.01)
            ->and($slow->joules)
            ->toEqualWithDelta(1.742, 1e-3)
            ->and(Precharge::bare(13.2, 0.004))
            ->toEqualWithDelta(3300.0, 1e-6);
    });
});

it('keeps detectors behind a cut-off from being called safe', function (): void {
    $found = Rigs::findings(rigWith(...ChargingSamples::behindCutOff([], 0.2, 'detector')), 'life_safety');
    expect(array_filter($found, fn(Finding $f): bool => str_contains($f->hit->text, 'Low-voltage cut-off')))->not->toBe(
        [],
    );
});

it('tells a battery whose management is a switch from one behind a switch', function (): void {
    $parts = [
        ...managed(),
        ...[
            ChargingSamples::part('gas', [
                'type' => 'dc_load',
                'label' => 'Gas alarm',
                'amps' => 0.1,
                'use' => 'detector',
            ]),
            ChargingSamples::lead('second.pos', 'gas.pos', 'positive', 'awg:14'),
            ChargingSamples::lead('gas.neg', 'second.neg', 'negative', 'awg:14'),
        ],
    ];
    [$finding] = Rigs::findings(rigWith(...$parts), 'life_safety');
    expect($finding->severity())->toBe(Severity::Advice)->and($finding->hit->text)->toContain('battery management');
});

it('wants a fuse at each end of a line between two batteries', function (array $fuses, array $ends): void {
    $line = [ChargingSamples::separator()[0], ...ChargingSamples::engine(), ...ChargingSamples::house('flooded', 12)];
    $fuse = fn(string $id): array => ChargingSamples::part($id, [
        'type' => 'dc_fuse',
        'label' => "Fuse {$id}",
        'family' => 'mrbf',
        'ratingA' => 60,
    ]);
    [$from, $to] = ['starter.pos', 'second.pos'];
    if (in_array('starter', $fuses, true)) {
        array_push($line, $fuse('fs'), ChargingSamples::lead('starter.pos', 'fs.in', 'positive', 'awg:6', 0.1));
        $from = 'fs.out';
    }
    if (in_array('second', $fuses, true)) {
        array_push($line, $fuse('fh'), ChargingSamples::lead('second.pos', 'fh.in', 'positive', 'awg:6', 0.1));
        $to = 'fh.out';
    }
    array_push(
        $line,
        ChargingSamples::lead($from, 'separator.a', 'positive', 'awg:6', 4.0),
        ChargingSamples::lead('separator.b', $to, 'positive', 'awg:6', 0.4),
        ChargingSamples::lead('starter.neg', 'second.neg', 'negative', 'awg:6', 4.0),
        ChargingSamples::lead('separator.neg', 'starter.neg', 'negative', 'awg:16', 1.0),
    );
    $bare = array_filter(
        Rigs::findings(rigWith(...$line), 'conductor_protection'),
        fn(Finding $f): bool => str_contains($f->hit->text, 'no fuse on the way'),
    );
    foreach (['Starter battery', 'Second battery'] as $battery) {
        $told = array_filter($bare, fn(Finding $f): bool => str_contains($f->hit->text, "from {$battery}"));
        expect($told !== [])->toBe(in_array($battery, $ends, true), $battery);
    }
})->with([
    'none' => [[], ['Starter battery', 'Second battery']],
    'at the engine' => [['starter'], ['Second battery']],
    'at the house' => [['second'], ['Starter battery']],
    'at both' => [['starter', 'second'], []],
]);
