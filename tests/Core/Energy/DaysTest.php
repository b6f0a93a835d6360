<?php

declare(strict_types=1);

use Hollin\Core\Energy\Days;
use Hollin\Core\Energy\Moment;
use Hollin\Core\Energy\Run;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Tests\Laws\Quarters;
use Tests\Rigs;

/** A load of the day, on for some hours. */
function needed(
    string $id,
    float $watts,
    string $at = '',
    float $fromH = 0,
    float $hours = 24,
    array $more = [],
): Needed {
    return Needed::from(
        $id,
        new Values(
            Rigs::object(
                $more + [
                    'label' => $id,
                    'supply' => 'dc',
                    'watts' => $watts,
                    'at' => $at,
                    'spans' => ['a' => ['fromH' => $fromH, 'hours' => $hours]],
                ],
            ),
        ),
    );
}

/** @param list<Needed> $loads */
function daysOf(Examination $rig, array $loads, array $trip): Run
{
    return Days::of($rig, $loads, Trip::from(Rigs::object($trip)));
}

function demoRig(string $name): Examination
{
    static $rigs = [];
    $plans = ['bellows' => 'road', 'causeway' => 'dcdc', 'tideline' => 'line'];

    return $rigs[$name] ??= Rigs::planned(Rigs::demo($name), $plans[$name]);
}

/** House batteries' watts as the load flow has them in the same quarter, and what wires keep. */
function flowStoreW(Examination $rig, Moment $moment): array
{
    $flow = Quarters::flow($rig->graph, $moment);
    expect($flow->isSolved())->toBeTrue((string) $flow->trouble);

    // What wires and contacts keep is the load flow's alone.
    return [Quarters::given($flow, array_diff_key($rig->graph->batteries, ['starter.cells' => 0])), $flow->lostW];
}

describe('days', function (): void {
    it('lose no watt-hour', function (string $name, array $trip): void {
        $loads = [
            needed('fridge', 60, more: ['duty' => 45]),
            needed('kettle', 900, 'c_outlets', 7, 0.5, ['supply' => 'ac']),
            needed('fan', 30, '', 20, 10, ['onlyAbove' => 40]),
        ];
        $run = daysOf(demoRig($name), $loads, $trip);
        $through = array_sum($run->usedWh) + array_sum($run->keptWh);
        expect($through)->toBeGreaterThan(500.0);
        expect(abs($run->unaccountedWh()))->toBeLessThan(1e-4 * $through);
    })
        ->with(['bellows', 'causeway', 'tideline'])
        ->with([
            'sun' => [['days' => 6]],
            'grey and driving' => [['days' => 10, 'weather' => 'grey', 'driveH' => 1.5]],
            'on a weak supply' => [['days' => 3, 'shore' => 's15', 'startShare' => 20]],
            'on and off a supply' => [['days' => 4, 'shore' => 's30', 'shoreFromH' => 18, 'shoreH' => 3]],
            'frost' => [['days' => 4, 'lowC' => -12, 'highC' => -2, 'month' => 1, 'driveH' => 1]],
        ]);

    it('count what the leads of an inverter keep, by I²R', function (): void {
        $rig = demoRig('causeway');
        $unit = array_values(
            array_filter($rig->graph->converters, fn(PowerConverter $c): bool => $c->kind === PowerConverter::INVERTER),
        )[0];
        $kettle = [needed('kettle', 900, 'c_inverter', 7, 1, ['supply' => 'ac'])];
        $run = daysOf($rig, $kettle, ['days' => 1, 'inverter' => 'used', 'driveH' => 0]);
        // Cable by cable on the way, 30 °C, an hour at what the inverter draws.
        $ohm = 0.0;
        foreach (['ld_inv_fuse', 'ld_inv', 'ld_inv_neg'] as $lead) {
            $ohm += $rig->graph->elements["{$lead}.wire"]->cable->ohm(30.0);
        }
        $amps = (900 / $unit->efficiency + $unit->idleW) / array_values($run->stores)[0]->restV();
        expect($run->keptWh['+leads'])->toEqualWithDelta($amps ** 2 * $ohm, 0.08 * $amps ** 2 * $ohm);
    });

    it('agree with the load flow in twenty of their quarters', function (string $name, array $trip): void {
        $document = Rigs::demo($name);
        foreach ($document->asFound->components as $id => $part) {
            if ($part->type === 'battery_bank' && $id !== 'starter') {
                $document = Rigs::edit($document, Sample::survey($id, '/unitAh', 900));
            }
        }
        $rig = Rigs::planned($document, (string) array_key_first(get_object_vars($document->plans)));
        $loads = [];
        foreach ($rig->graph->users as $id => $user) {
            if ($user->direct && $user->device === null) {
                // What a load flow has running all day.
                $at = $rig->settled['nothing']->situation->batteriesAt($user->a, $user->b);
                $loads[] = needed($id, $user->wattsAt($rig->graph->batteries[$at[0]]->ratedV), $user->component);
            }
        }
        $loads[] = needed('lamps', 80, 'c_outlets', 3, 12, ['supply' => 'ac']);
        $run = daysOf($rig, $loads, $trip + ['startShare' => 70]);
        $held = 0;
        foreach ($run->moments as $n => $moment) {
            $shares = array_map(fn(array $s): float => $s[$n], $run->share);
            // Neither at the taper nor at the end, where the load flow goes by "half".
            if (
                $held === 20 ||
                min($shares) < 0.1 ||
                max([0, ...array_diff_key($shares, ['starter.cells' => 0])]) > 0.8
            ) {
                continue;
            }
            [$theirs, $lost] = flowStoreW($rig, $moment);
            $ours = array_sum(array_diff_key($moment->storeW, ['starter.cells' => 0]));
            $told = "quarter {$n}: {$ours} against {$theirs} less {$lost}";
            expect(abs($ours - $theirs + $lost / 2))->toBeLessThan(6 + $lost / 2 + 0.03 * abs($theirs), $told);
            $held++;
        }
        expect($held)->toBe(20);
    })->with([
        'sun' => ['causeway', ['days' => 14, 'weather' => 'sun']],
        'driving' => ['causeway', ['days' => 14, 'weather' => 'grey', 'driveFromH' => 1, 'driveH' => 9]],
        'on shore' => ['tideline', ['days' => 14, 'shore' => 's15', 'shoreFromH' => 6, 'shoreH' => 5]],
        'two systems' => ['bellows', ['days' => 14, 'weather' => 'fair']],
    ]);
});

describe('a battery alone', function (): void {
    /** Hours a constant load runs from the usual bank. */
    $hours = function (array $bank, float $watts, int $days = 3): ?float {
        $rig = Rigs::asFound(
            Rigs::job(
                ...array_map(
                    fn(string $p, mixed $v): array => Sample::survey('house', $p, $v),
                    array_keys($bank),
                    $bank,
                ),
            ),
        );

        return daysOf($rig, [needed('lamp', $watts)], ['days' => $days])->endsAtH;
    };

    it('runs as long as the closed form says', function (float $watts) use ($hours): void {
        // Lithium without resistance to speak of: Wh over W, at the volts that lie under its curve.
        $wh = 0.0;
        for ($s = 0.0005; $s < 1; $s += 0.001) {
            $wh += 0.1 * Hollin\Core\Reference\Chemistry::Lfp->restAtV($s);
        }
        $ran = $hours(
            [
                '/chemistry' => 'lfp',
                '/unitV' => 12.8,
                '/unitAh' => 100,
                '/series' => 1,
                '/parallel' => 1,
                '/unitMilliohm' => 0.2,
            ],
            $watts,
        );
        expect($ran)->toEqualWithDelta($wh / $watts, max(0.3, (0.005 * $wh) / $watts));
    })->with([40, 100, 320]);

    it('gives lead the hours that Peukert gives it', function () use ($hours): void {
        // 100 Ah at the rate of twenty hours, 20 A, exponent 1.25: 3.536 h (published worked example, by hand).
        $store = new Hollin\Core\Energy\Store(
            Rigs::asFound(
                Rigs::job(
                    Sample::survey('house', '/unitAh', 100),
                    Sample::survey('house', '/unitV', 12),
                    Sample::survey('house', '/series', 1),
                    Sample::survey('house', '/parallel', 1),
                ),
            )->graph->batteries['house.cells'],
            1.0,
        );
        expect($store->battery->chemistry->value)->toBe('flooded');
        expect($store->hoursAt(20))->toEqualWithDelta(3.536, 0.001);
        expect($store->hoursAt(5))->toEqualWithDelta(20.0, 1e-9);
    });
});

describe('what ends the days', function (): void {
    it('is the first of charge, fuel, water and waste', function (array $trip, ?string $by, ?float $atH): void {
        $run = daysOf(demoRig('causeway'), [needed('lamp', 5)], $trip + ['days' => 20]);
        expect($run->endsBy)->toBe($by);
        expect($run->endsAtH ?? 0.0)->toEqualWithDelta($atH ?? 0.0, 0.3);
    })->with([
        'water' => [['waterL' => 100, 'waterPerDayL' => 50], 'water', 48.0],
        'waste before water' => [['waterL' => 100, 'wasteL' => 75, 'waterPerDayL' => 50], 'waste', 36.0],
        'propane that nothing burns' => [['propaneL' => 6], null, null],
    ]);

    it('counts what an appliance burns beside', function (): void {
        $heat = needed('heat', 30, '', 0, 12, ['fuel' => 'propane', 'fuelPerH' => 0.5]);
        $run = daysOf(demoRig('causeway'), [$heat], ['days' => 20, 'propaneL' => 12]);
        expect($run->endsBy)->toBe('propane')->and($run->endsAtH)->toEqualWithDelta(48.0, 12.3);
    });

    it('starts a generator when it is allowed to, and burns by the kilowatt-hour', function (): void {
        $trip = ['days' => 4, 'startShare' => 80, 'generatorBelow' => 50, 'generatorTo' => 90, 'fuelL' => 60];
        $bonded = Rigs::planned(
            Rigs::edit(clone Rigs::demo('tideline'), Sample::survey('genset', '/bond', 'bonded')),
            'line',
        );
        $run = daysOf($bonded, [needed('lamp', 60)], $trip);
        expect($run->generatorH)->toBeGreaterThan(1.0);
        foreach ($run->inW['generator'] as $n => $watts) {
            // Quiet from 22 for ten hours.
            expect($watts > 0 && ($n % 96 >= 88 || $n % 96 < 32))->toBeFalse("quarter {$n}");
        }
        expect($run->endsBy)->toBeNull();
        expect(daysOf($bonded, [needed('lamp', 60)], ['fuelL' => 0.2] + $trip)->endsBy)->toBe('fuel');
        // As it is, its surge unit takes the floating generator for one without ground, and lets nothing through.
        $refused = daysOf(demoRig('tideline'), [needed('lamp', 60)], $trip);
        expect($refused->generatorH)->toBe(0.0)->and(array_column($refused->events, 'kind'))->toContain('refused');
    });

    it('stops when it is told to', function (): void {
        $told = [];
        $run = Days::of(demoRig('causeway'), [], Trip::from(Rigs::object(['days' => 10])), function (float $share) use (
            &$told,
        ): bool {
            $told[] = $share;

            return $share < 0.3;
        });
        expect($run->stopped)
            ->toBeTrue()
            ->and($told)
            ->toBe([0.0, 0.1, 0.2, 0.3]);
        expect(count($run->useW))->toBe(3 * 96);
    });
});

it('keeps a loop of converter and inverter running its bank down', function (): void {
    // The converter left on behind the inverter: what it gives costs 1 ÷ (0.88 × 0.85) of it.
    $loop = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'left'])));
    $cut = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'removed'])));
    [$with, $without] = array_map(fn(Examination $r): Run => daysOf($r, [], ['days' => 2]), [$loop, $cut]);
    expect(min(array_map(min(...), $with->share)))->toBeLessThan(min(array_map(min(...), $without->share)) - 0.05);
});
