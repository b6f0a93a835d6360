<?php

declare(strict_types=1);

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Hazards;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Failure;
use Hollin\Core\States\Untouched;
use Tests\Drawn;
use Tests\Rigs;
use Tests\Seeds;

/** Held against moving them: same hazards, same end of every automatic device, with and without a failure. */
function movedUntouched(Examination $rig, ?Failure $failure = null, int $most = 400): int
{
    $untouched = new Untouched($rig->engine);
    $hazards = new Hazards($rig);
    $walk = new Enumeration($rig->engine);
    $automatic = $rig->engine->automatic();
    $tried = $n = 0;
    $step = max(1, intdiv($walk->reduced(), $most));
    foreach ($walk->settings() as $setting) {
        if ($n++ % $step !== 0) {
            continue;
        }
        $settled = $rig->engine->settle($setting, [], $failure);
        $own = $hazards->of($settled->situation);
        $free = array_keys($untouched->of($settled));
        // Each alone, then all of them together.
        $moves = array_map(fn(string $id): array => [$id], $free);
        foreach (count($free) > 1 ? [...$moves, $free] : $moves as $ids) {
            $moved = $setting;
            foreach ($ids as $id) {
                $others = array_values(
                    array_diff($rig->graph->devices[$id]->positionNames(), [$setting->controls[$id]]),
                );
                $moved = $moved->with($id, $others[$n % count($others)]);
            }
            $end = $rig->engine->settle($moved, [], $failure);
            expect($hazards->of($end->situation))
                ->toEqualCanonicalizing($own, implode(' and ', $ids))
                ->and(array_intersect_key($end->positions, $automatic))
                ->toBe(array_intersect_key($settled->positions, $automatic));
            $tried++;
        }
    }

    return $tried;
}

it('names controls that may stand as they like', function (Closure $rig, bool $has): void {
    $rig = $rig();
    $tried = movedUntouched($rig);
    foreach (array_slice(Failure::ofNetwork($rig->engine->network), 0, 12) as $failure) {
        $tried += movedUntouched($rig, $failure, 25);
    }
    expect($tried > 0)->toBe($has);
})->with(
    fn() => [
        'largest demo rig in line' => [fn() => Rigs::planned(Rigs::demo('tideline'), 'line'), true],
        'its cord into the inverter' => [fn() => Rigs::planned(Rigs::demo('tideline'), 'cord'), true],
        'first demo rig' => [fn() => Rigs::planned(Rigs::demo('grafting'), 'panel'), true],
        ...array_map(fn(int $seed) => [fn() => Rigs::planned(Rigs::varied($seed)), true], Seeds::of(6)),
    ],
);

it('names none that anything reaches on drawn rigs', function (int $first): void {
    $tried = 0;
    foreach (range($first, $first + 9) as $seed) {
        $rig = Drawn::rig(Drawn::components($seed));
        $tried += movedUntouched($rig, null, 200);
        foreach (array_slice(Failure::ofNetwork($rig->engine->network), 0, 6) as $failure) {
            $tried += movedUntouched($rig, $failure, 20);
        }
    }
    expect($tried)->toBeGreaterThan(100);
})
    ->with([1, 11, 21, 31])
    ->group('drawn');

it('does not name what a source or an automatic device goes by, nor the battery side', function (): void {
    $rig = Rigs::planned(Rigs::demo('tideline'), 'line');
    $untouched = new Untouched($rig->engine);
    $named = [];
    foreach ($rig->settled as $settled) {
        $named += $untouched->of($settled);
    }
    expect($named)
        ->toHaveKeys(['bypass.handle', 'c_converter.breaker', 'main_panel.main'])
        ->not->toHaveKeys(['inverter.mode', 'guard.bypass', 'genset.run', 'inverter.relay']);
});
