<?php

declare(strict_types=1);

use Hollin\Core\Network\Walk;
use Hollin\Core\Rules\DirectLoading;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\LoadFlow;
use Tests\Rigs;

/*
 * What carries more direct current than it may. The rule leaves out what no sum could overload before it
 * solves anything; here everything is solved and compared, whatever the sums say.
 */

/**
 * @return array<string, float> element, battery or bar => most A beyond its rating that any state and scenario shows
 */
function overLimits(Examination $rig): array
{
    $over = [];
    foreach ($rig->settled as $settled) {
        foreach ($rig->needs->scenarios as $what) {
            $flow = LoadFlow::of($settled, $what['running']);
            if (!$flow->isSolved()) {
                continue;
            }
            $see = function (string $id, float $amps, ?float $limit) use (&$over): void {
                if ($limit !== null && $amps > $limit * 1.000001) {
                    $over[$id] = max($over[$id] ?? 0.0, $amps);
                }
            };
            foreach ($rig->graph->elements as $id => $element) {
                if (Walk::direct($element)) {
                    $see(
                        $id,
                        abs($flow->dcA[$id] ?? 0.0),
                        $element->cable === null ? $element->ratingA() : $rig->needs->school->ofCable($element->cable),
                    );
                }
            }
            foreach ($rig->graph->batteries as $id => $battery) {
                $see($id, $flow->sources[$id]['amps'] ?? 0.0, $battery->limitA);
            }
            foreach ($rig->graph->junctions as $terminal => [, $rating]) {
                $touching = array_keys(
                    array_filter($rig->graph->elements, fn($e): bool => $e->a === $terminal || $e->b === $terminal),
                );
                $see(
                    $terminal,
                    array_sum(array_map(fn(string $id): float => abs($flow->dcA[$id] ?? 0.0), $touching)) / 2,
                    $rating->what === 'bar' ? $rating->amps : null,
                );
            }
        }
    }
    ksort($over);

    return $over;
}

/** Everything on at once, as a scenario. */
function everythingOn(stdClass $document): stdClass
{
    $running = array_fill_keys(array_keys(Rigs::planned($document)->graph->loads), true);

    return Rigs::edit($document, [
        'kind' => 'set_need',
        'path' => '/scenarios/all_on',
        'value' => ['title' => 'All on', 'running' => $running],
    ]);
}

it('finds what a search through every state finds, with the same amps', function (): void {
    $found = 0;
    foreach (range(1, 32, 2) as $seed) {
        $document = Rigs::varied($seed);
        // Parts too small by turns, so that something is found.
        foreach (['main_fuse', 'disconnect', 'pos_bar', 'neg_bar', 'shunt', 'bank'] as $n => $part) {
            if ((($seed >> $n) & 1) === 1) {
                $document = Rigs::edit(
                    $document,
                    $part === 'bank'
                        ? Sample::set('bank', '/bmsContinuousA', 30 + $seed)
                        : Sample::set($part, '/ratingA', $part === 'shunt' ? 50 : 40 + 10 * ($seed % 6)),
                );
            }
        }
        $rig = Rigs::planned(everythingOn($document));
        $rule = array_column((new DirectLoading($rig))->over(), 'amps', 'id');
        ksort($rule);
        $all = overLimits($rig);
        expect(array_keys($rule))->toBe(array_keys($all), "rig {$seed}");
        foreach ($all as $id => $amps) {
            // Of states that take the same on the battery side the rule solves one.
            expect($rule[$id])->toEqualWithDelta($amps, 1e-3 * $amps, "rig {$seed} {$id}");
            $found++;
        }
    }
    expect($found)->toBeGreaterThan(8);
});

it('finds the fuse, the management, the switch and the bar that one inverter overloads', function (): void {
    $heater = Sample::survey('c_outlets', '/loads', [
        'heater' => ['label' => 'Heater', 'watts' => 2600, 'kind' => 'constant'],
    ]);
    $small = [
        Sample::set('main_fuse', '/ratingA', 150),
        Sample::set('disconnect', '/ratingA', 150),
        Sample::set('pos_bar', '/ratingA', 150),
        Sample::set('bank', '/bmsContinuousA', 100),
        Sample::set('shunt', '/ratingA', 100),
    ];
    $rig = Rigs::planned(
        everythingOn(
            Rigs::job($heater, Sample::choose('in_line', ['continuousW' => 4000, 'converter' => 'removed']), ...$small),
        ),
    );
    $over = [];
    foreach ((new DirectLoading($rig))->over() as $of) {
        $over[$of['component']] = $of;
    }
    expect($over)
        ->toHaveKeys(['main_fuse', 'disconnect', 'pos_bar', 'bank', 'shunt'])
        ->and($over['main_fuse']['protects'])
        ->toBeTrue()
        ->and($over['main_fuse']['opens'])
        ->not->toBeNull()
        ->and($over['pos_bar']['protects'])
        ->toBeFalse()
        ->and($over['bank']['protects'])
        ->toBeTrue()
        ->and($over['disconnect']['amps'])
        ->toEqualWithDelta($over['main_fuse']['amps'], 1e-6)
        ->and($over['shunt']['amps'])
        ->toEqualWithDelta($over['bank']['amps'], 1e-6);
});

it('says whether the limit was read or assumed', function (string $basis): void {
    $heater = Sample::survey('c_outlets', '/loads', [
        'heater' => ['label' => 'Heater', 'watts' => 2600, 'kind' => 'constant'],
    ]);
    $rig = Rigs::planned(
        everythingOn(
            Rigs::job(
                $heater,
                Sample::choose('in_line', ['continuousW' => 4000, 'converter' => 'removed']),
                Sample::set('disconnect', '/ratingA', ['value' => 150, 'basis' => $basis]),
                Sample::set('ld_bank_fuse', '/cable/size', ['value' => 'awg:6', 'basis' => $basis]),
            ),
        ),
    );
    $assumed = array_column((new DirectLoading($rig))->over(), 'assumed', 'component');
    expect($assumed['disconnect'])
        ->toBe($basis === 'assumed')
        ->and($assumed['ld_bank_fuse'])
        ->toBe($basis === 'assumed');
})->with(['read_off', 'assumed']);

it('judges a socket by its own rating, not only by its wire', function (): void {
    $socket = fn(float $amps): array => Rigs::findings(
        Rigs::planned(
            Rigs::job(
                Sample::add('sock', [
                    'type' => 'dc_circuit',
                    'label' => 'Socket',
                    'panel' => 'dc_panel',
                    'fuseA' => 20,
                    'amps' => $amps,
                    'use' => 'socket',
                    'socketA' => 10,
                    'cable' => ['size' => 'awg:12', 'lengthM' => 2],
                ]),
                [
                    'kind' => 'set_need',
                    'path' => '/scenarios',
                    'value' => Rigs::object([
                        'tea' => ['title' => 'Tea', 'order' => 1, 'running' => ['c_water.element' => true]],
                    ]),
                ],
            ),
        ),
        'overload',
    );
    [$finding] = array_values(array_filter($socket(14), fn($f): bool => $f->hit->components[0] === 'sock'));
    expect($finding->hit->text)
        ->toContain('made for 10 A')
        ->and(array_filter($socket(8), fn($f): bool => $f->hit->components[0] === 'sock'))
        ->toBe([]);
});
