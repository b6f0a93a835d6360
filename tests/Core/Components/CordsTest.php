<?php

declare(strict_types=1);

use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * What people put before an inlet, between cables and into receptacles: cords, fuses, contactors and chargers that are
 * carried from one place to another.
 */

function withCords(array ...$edits): Examination
{
    return Rigs::planned(Rigs::job(...$edits));
}

/** @return array<string, mixed> a value of a surveyed part */
function told(string $component, string $path, mixed $value): array
{
    return ['kind' => 'survey_set', 'component' => $component, 'path' => $path, 'value' => $value];
}

/** Volts at a circuit's outlet on the 30 A pedestal with a load on. */
function voltsAt(Examination $rig, string $load): float
{
    $flow = $rig->flows()->of($rig->settled['shore_s30'], [$load => true]);

    return $flow->loads[$load]['volts'];
}

describe('an extension cord before the inlet', function (): void {
    $cord = [
        told('inlet', '/extension', ['size' => 'awg:16', 'lengthM' => 15, 'sheath' => 'cord']),
        told('inlet', '/contactMilliohm', 40),
    ];

    it('takes its share of the volts', function () use ($cord): void {
        $load = 'c_water.element';
        $without = withCords();
        $with = withCords(...$cord);
        $amps = $with->flows()->of($with->settled['shore_s30'], [$load => true])->acA['inlet.extension_0'];
        // 16 AWG is 13.2 mΩ a metre at 20 °C (published wire tables), there and back; contacts 40 mΩ. Warm copper more.
        $least = $amps * (2 * 15 * 0.0132 + 0.04);
        expect(voltsAt($without, $load) - voltsAt($with, $load))
            ->toBeGreaterThan(0.95 * $least)
            ->toBeLessThan(1.15 * $least);
    });

    it('is judged by the smallest plug in the line', function (): void {
        $running = Rigs::object([
            'heat' => [
                'title' => 'Heat',
                'order' => 1,
                'running' => ['c_water.element' => true, 'c_air.compressor' => true],
            ],
        ]);
        $needs = ['kind' => 'set_need', 'path' => '/scenarios', 'value' => $running];
        $over = fn(array ...$edits): array => array_filter(
            Rigs::findings(withCords($needs, ...$edits), 'overload'),
            fn(Finding $f): bool => $f->hit->components[0] === 'inlet',
        );
        expect($over(told('inlet', '/adapterA', 15)))
            ->not->toBe([])
            ->and($over(told('inlet', '/adapterA', 30)))
            ->toBe([]);
    });

    it('leaves the pins bare when nothing is mated', function () use ($cord): void {
        $rig = withCords(...$cord);
        expect($rig->graph->exposed[0]->pins)->toBe(['hot' => 'inlet.pin_l', 'neutral' => 'inlet.pin_n']);
        $out = $rig->settled['nothing']->situation;
        expect($out->joined('inlet.far_l', 'inlet.pin_l'))->toBeTrue()->and($out->hardHot('inlet.far_l'))->toBeNull();
    });
});

describe('a fuse in an AC disconnect', function (): void {
    $switch = fn(array $more): array => [
        Sample::add('cut', $more + ['type' => 'ac_switch', 'label' => 'Disconnect', 'poles' => 'two', 'ratingA' => 30]),
        told('feeder_main', '/from', ['at' => 'cut', 'port' => 'out']),
        Sample::add('feeder_in', [
            'type' => 'feeder',
            'label' => 'Inlet to disconnect',
            'from' => ['at' => 'inlet', 'port' => 'out'],
            'to' => ['at' => 'cut', 'port' => 'in'],
            'cable' => ['size' => 'awg:10', 'lengthM' => 1, 'sheath' => 'nm_b'],
        ]),
    ];

    it('protects what is behind it, and opens with its handle', function () use ($switch): void {
        $rig = withCords(...$switch(['fuseA' => 15]));
        $fuse = $rig->graph->elements['cut.fuse'];
        expect($fuse->rating?->protects)->toBeTrue()->and($fuse->rating->amps)->toBe(15.0);
        $open = $rig->engine->settle($rig->named['shore_s30']->setting->with('cut.handle', 'off'))->situation;
        expect($open->liveness()['c_outlets']->kind)
            ->toBe('dead')
            ->and($rig->settled['shore_s30']->situation->liveness()['c_outlets']->kind)
            ->toBe('works');
    });

    it('is off where it usually is off', function () use ($switch): void {
        $rig = withCords(...$switch(['usual' => 'off']));
        expect($rig->settled['shore_s30']->situation->liveness()['c_outlets']->kind)->toBe('dead');
    });
});

it('opens one pole or two with a contactor', function (): void {
    $lockOut = fn(array $more): Examination => withCords(
        Sample::choose('in_line', ['converter' => 'contactor']),
        ...$more === [] ? [] : [Sample::set('lock_out', '/poles', 'one')],
    );
    $pulled = fn(Examination $rig): bool => $rig->settled['inverting']->situation->joined(
        'lock_out.in.n',
        'lock_out.out.n',
    );
    expect($pulled($lockOut([])))->toBeFalse()->and($pulled($lockOut(['one'])))->toBeTrue();
});

describe('a charger carried from one receptacle to another', function (): void {
    $charger = fn(string $other): array => [
        Sample::add('carried', [
            'type' => 'converter',
            'label' => 'Carried charger',
            'outputA' => 10,
            'efficiency' => 0.85,
            'mount' => 'charger',
            'plug' => 'c_outlets',
            'alsoInto' => ['galley' => ['circuit' => $other]],
        ]),
    ];

    it('runs on whichever it is in', function () use ($charger): void {
        $rig = withCords(...$charger('c_wet'));
        $in = fn(string $position, string $breaker): bool => isset(
            $rig->engine
                ->settle($rig->named['shore_s30']->setting->with('carried.plug', $position)->with($breaker, 'off'))
                ->situation->charging()['carried.output'],
        );
        expect($in('in', 'c_wet.breaker'))
            ->toBeTrue()
            ->and($in('in', 'c_outlets.breaker'))
            ->toBeFalse()
            ->and($in('galley', 'c_outlets.breaker'))
            ->toBeTrue()
            ->and($in('galley', 'c_wet.breaker'))
            ->toBeFalse()
            ->and($in('out', 'c_wet.breaker'))
            ->toBeFalse();
    });

    it('must be plugged into a circuit that there is', function () use ($charger): void {
        withCords(...$charger('nowhere'));
    })->throws(Refused::class, 'nowhere');
});

describe('a cord with plugs at both ends', function (): void {
    $generator = Sample::add('gen', [
        'type' => 'generator',
        'label' => 'Generator',
        'ratedW' => 2000,
        'outletA' => 20,
        'mount' => 'portable',
        'bond' => 'bonded',
    ]);
    $cord = fn(array $more): array => Sample::add(
        'back',
        $more + ['type' => 'double_male_cord', 'label' => 'Cord', 'from' => ['at' => 'gen', 'port' => 'out']],
    );

    it('joins a generator with shore: nothing keeps it out', function () use ($generator, $cord): void {
        $joined = Rigs::findings(withCords($generator, $cord(['circuit' => 'c_outlets'])), 'joined_sources');
        expect($joined)->not->toBe([]);
    });

    it('feeds a circuit or an output, one of the two', function () use ($generator, $cord): void {
        withCords($generator, $cord([]));
    })->throws(Refused::class, 'one of the two');
});

describe('12 V circuits behind a wall switch', function (): void {
    $circuit = fn(string $id, array $more): array => Sample::add(
        $id,
        $more + [
            'type' => 'dc_circuit',
            'label' => ucfirst($id),
            'panel' => 'dc_panel',
            'fuseA' => 10,
            'amps' => 2,
            'use' => 'other',
            'cable' => ['size' => 'awg:14', 'lengthM' => 4],
        ],
    );

    it('go dead with it, each behind another one too', function () use ($circuit): void {
        $rig = withCords($circuit('lamps', ['wallSwitch' => true]), $circuit('pump', ['behind' => 'lamps']));
        $amps = function (string $at) use ($rig): array {
            $setting = $rig->named['nothing']->setting->with('lamps.wall_switch', $at);
            $loads = $rig->flows()->of($rig->engine->settle($setting), [])->loads;

            return [$loads['lamps']['watts'] > 1, $loads['pump']['watts'] > 1];
        };
        expect($amps('on'))
            ->toBe([true, true])
            ->and($amps('off'))
            ->toBe([false, false]);
    });

    it('say what cannot be', function (array $one, array $other, string $says) use ($circuit): void {
        expect(fn() => withCords($circuit('lamps', $one), $circuit('pump', $other)))->toThrow(Refused::class, $says);
    })->with([
        'a switch that is none' => [[], ['behind' => 'lamps'], 'no wall switch'],
        'behind itself' => [[], ['wallSwitch' => true, 'behind' => 'pump'], 'comes back to itself'],
    ]);
});
