<?php

declare(strict_types=1);

use Hollin\Core\Answers\StateAnswer;
use Hollin\Core\Network\Device;
use Hollin\Core\Operation\Course;
use Hollin\Core\Operation\Trip;
use Hollin\Core\Operation\Trips;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Tests\Rigs;
use Tests\Seeds;

/** One plan's course in a state, with a heater of so many watts on the outlets.
 *
 * @param array<string, mixed> $options
 * @param array<string, mixed> ...$edits
 */
function courseWith(float $watts, array $options, string $state = 'inverting', array ...$edits): Course
{
    $heater = Sample::survey('c_outlets', '/loads', [
        'heater' => ['label' => 'Heater', 'watts' => $watts, 'kind' => 'constant'],
    ]);
    $rig = Rigs::planned(
        Rigs::job(
            $heater,
            isset($options['recipe'])
                ? Sample::alone($options['recipe'], array_diff_key($options, ['recipe' => 0]))
                : Sample::choose('in_line', $options + ['converter' => 'removed']),
            ...$edits,
        ),
    );

    return Course::of($rig->graph, $rig->named[$state]->setting, ['c_outlets.heater' => true]);
}

/** @return list<string> what trips first in each step */
function firsts(Course $course): array
{
    return array_map(
        fn(array $s): string => $s['trips'] === [] ? '' : "{$s['trips'][0]->component} {$s['trips'][0]->then}",
        $course->steps,
    );
}

it('stays as it is when nothing is past its rating', function (): void {
    $course = courseWith(900, ['continuousW' => 2000]);
    expect($course->ends)
        ->toBeTrue()
        ->and($course->steps)
        ->toHaveCount(1)
        ->and($course->steps[0]['trips'])
        ->toBe([])
        ->and($course->steps[0]['lastsS'])
        ->toBeNull();
});

it('shuts an inverter down that is past its rating, and then nothing runs', function (): void {
    $course = courseWith(
        1900,
        ['recipe' => 'transfer_whole', 'continuousW' => 1500, 'surgeW' => 3000],
        'inverting',
        Sample::set('inverter', '/latchesOff', true),
    );
    $given = $course->steps[0]['flow']->sources['inverter.inverter']['amps'];
    $share = ($given - 1500 / 120) / (3000 / 120 - 1500 / 120);
    expect($course->steps[0]['flow']->sources['inverter.inverter']['overloaded'])->toBeTrue();
    // Its surge lasts 5 s; at a share of the way there it lasts longer by as much.
    expect($given)
        ->toBeGreaterThan(1900 / 120)
        ->and($course->steps[0]['lastsS'])
        ->toEqualWithDelta(5 / $share, 1e-6)
        ->and(firsts($course)[0])
        ->toBe('inverter shuts down')
        ->and($course->steps[count($course->steps) - 1]['flow']->loads['c_outlets.heater']['volts'])
        ->toBeLessThan(1.0)
        ->and($course->ends)
        ->toBeTrue();
});

it('never comes to rest when the inverter tries again by itself', function (): void {
    $course = courseWith(1900, ['continuousW' => 1500, 'surgeW' => 3000]);
    expect(firsts($course)[0])->toBe('inverter retries')->and($course->ends)->toBeFalse();
});

it('opens the main fuse by its curve', function (): void {
    $course = courseWith(1900, ['continuousW' => 3000], 'inverting', Sample::set('main_fuse', '/ratingA', 100));
    $fuse = array_values(
        array_filter($course->steps[0]['trips'], fn(Trip $t): bool => $t->component === 'main_fuse'),
    )[0];
    $times = $fuse->amps / 100;
    expect($fuse->amps)
        ->toEqualWithDelta($course->steps[0]['flow']->sources['bank.cells']['amps'], 1e-6)
        ->toBeGreaterThan(150)
        ->and($fuse->afterS)
        ->toEqualWithDelta(60 / ($times ** 2 - 1) ** 1.5, 1e-6)
        ->and($course->steps[count($course->steps) - 1]['flow']->sources['bank.cells']['amps'])
        ->toEqualWithDelta(0.0, 0.01)
        ->and($course->ends)
        ->toBeTrue();
});

it('opens battery management before a fuse that would take longer', function (): void {
    $course = courseWith(
        1900,
        ['continuousW' => 3000],
        'inverting',
        Sample::set('bank', '/bmsContinuousA', 60),
        Sample::set('main_fuse', '/ratingA', 150),
    );
    $trips = $course->steps[0]['trips'];
    expect(array_column(array_map(fn(Trip $t): array => $t->toArray(), $trips), 'component'))
        ->toContain('bank', 'main_fuse')
        ->and($trips[0]->component)
        ->toBe('bank')
        ->and($trips[0]->what)
        ->toBe('management')
        ->and($trips)
        ->toBe(array_values(array_filter($trips, fn(Trip $t): bool => $t->afterS !== null)));
    $times = array_map(fn(Trip $t): float => (float) $t->afterS, $trips);
    $sorted = $times;
    sort($sorted);
    expect($times)->toBe($sorted);
});

it('opens the breaker of a small pedestal that has no help', function (): void {
    $course = courseWith(2600, ['continuousW' => 3000, 'inputLimitA' => 50], 'shore_s15');
    $amps = $course->steps[0]['flow']->sources['shore.supply']['amps'];
    // 2600 W are 21.7 A and more: past 15 A, 120 s over the square of the excess. The circuit's own breaker is as
    // small.
    $trip = array_values(array_filter($course->steps[0]['trips'], fn(Trip $t): bool => $t->component === 'shore'))[0];
    expect($amps)
        ->toBeGreaterThan(2600 / 120)
        ->and($trip->then)
        ->toBe('opens')
        ->and($trip->afterS)
        ->toEqualWithDelta(120 / (($amps / 15) ** 2 - 1), 1e-6);
});

it('leaves a breaker that opened in a position of its own, as if somebody had found it so', function (): void {
    $heater = Sample::survey('c_outlets', '/loads', [
        'heater' => ['label' => 'Heater', 'watts' => 2600, 'kind' => 'resistive'],
    ]);
    $rig = Rigs::planned(
        Rigs::job(
            $heater,
            Sample::choose('in_line', ['continuousW' => 3000, 'inputLimitA' => 50, 'converter' => 'removed']),
        ),
    );
    $course = Course::of($rig->graph, $rig->named['shore_s30']->setting, ['c_outlets.heater' => true]);
    $end = $course->steps[count($course->steps) - 1];
    // 21 A through 15 A for two minutes; the 30 A pedestal stays.
    expect(firsts($course))
        ->toBe(['c_outlets opens', ''])
        ->and($course->steps[0]['settled']->positions['c_outlets.breaker'])
        ->toBe('on')
        ->and($end['settled']->positions['c_outlets.breaker'])
        ->toBe(Device::TRIPPED)
        ->and($end['settled']->situation->isClosed('c_outlets.pole'))
        ->toBeFalse()
        ->and($end['flow']->loads['c_outlets.heater']['volts'])
        ->toBeLessThan(1.0);

    $found = new StateAnswer(
        $rig,
        ['c_outlets.breaker' => Device::TRIPPED] + $rig->named['shore_s30']->setting->controls,
        $rig->named['shore_s30']->setting->surroundings,
        ['c_outlets.heater'],
    );
    expect($found->positions()['c_outlets.breaker'])
        ->toBe(Device::TRIPPED)
        ->and($found->flow()->sources['shore.supply']['watts'])
        ->toEqualWithDelta($end['flow']->sources['shore.supply']['watts'], 1e-6)
        ->and($found->toArray()['paint']['positions']->{'c_outlets.breaker'}['words'])
        ->toBe('tripped');

    // Nothing else has such a position, and nobody is asked to set it.
    expect(fn() => new StateAnswer($rig, ['disconnect.handle' => Device::TRIPPED], [], []))
        ->toThrow(Refused::class)
        ->and($rig->graph->devices['c_outlets.breaker']->positionNames())
        ->toBe(['on', 'off']);
});

it('says nothing of what was not solved', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
    expect(Trips::of(LoadFlowResult::none('two sources'), $rig->graph, []))->toBe([]);
});

it('finds the same devices past their rating as the currents say', function (int $seed): void {
    $rig = Rigs::planned(Rigs::varied($seed));
    $running = array_fill_keys(array_keys($rig->graph->loads), true);
    foreach ($rig->settled as $settled) {
        $flow = LoadFlow::of($settled, $running);
        if (!$flow->isSolved()) {
            continue;
        }
        $tripped = array_map(fn(Trip $t): string => $t->id, Trips::of($flow, $rig->graph, $settled->positions));
        foreach ($rig->graph->elements as $id => $element) {
            if ($element->rating?->protects === true && $element->rating->amps !== null) {
                $amps = ($flow->acA[$id] ?? 0.0) + abs($flow->dcA[$id] ?? 0.0);
                expect(in_array($id, $tripped, true))->toBe(
                    $amps >= 1.1 * $element->rating->amps,
                    "{$id} {$amps} A of {$element->rating->amps}",
                );
            }
        }
    }
})
    ->with(Seeds::of(12))
    ->group('drawn');
