<?php

declare(strict_types=1);

use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\ByVolts;
use Hollin\Core\States\Settled;
use Tests\Drawn;
use Tests\Everywhere;
use Tests\Seeds;

/*
 * What nothing holds up is dead. The judges here walk closed elements themselves, and know nothing of how the solver
 * comes to its volts.
 */

/**
 * The named states of a rig, each also with one battery switch, breaker or management open, solved with nothing on and
 * with everything on.
 *
 * @return Generator<string, array{Settled, LoadFlowResult}>
 */
function everySolved(Examination $rig): Generator
{
    $loads = ['nothing on' => [], 'all on' => $rig->allLoads()];
    foreach ($rig->named as $state => $named) {
        $settings = ['' => $named->setting];
        foreach ($rig->graph->devices as $device) {
            if (!$device->isAutomatic() && in_array('off', $device->positionNames(), true)) {
                $settings[" with {$device->id} off"] = $named->setting->with($device->id, 'off');
            }
        }
        foreach ($settings as $how => $setting) {
            $settled = $how === '' ? $rig->settled[$state] : ByVolts::settled($rig->engine, $setting, $named->charge);
            foreach ($loads as $on => $running) {
                $flow = LoadFlow::of($settled, $running, [], $named->charge);
                if ($flow->isSolved()) {
                    yield "{$state}{$how}, {$on}" => [$settled, $flow];
                }
            }
        }
    }
}

/**
 * Terminals that direct current can reach each other from: closed metal, one-way elements, and further pairs.
 *
 * @param list<array{string, string}> $pairs
 * @return Closure(string): string the name of the island of a terminal
 */
function direct(Settled $settled, array $pairs, bool $oneWays = true): Closure
{
    $situation = $settled->situation;
    $parent = [];
    $find = function (string $t) use (&$parent): string {
        while (isset($parent[$t])) {
            $t = $parent[$t];
        }

        return $t;
    };
    foreach ($situation->network->graph->elements as $element) {
        $passes =
            !$element->role->isAc() &&
            ($oneWays || $element->kind !== ElementKind::OneWay) &&
            $situation->isClosed($element->id);
        if ($passes) {
            $pairs[] = [$element->a, $element->b];
        }
    }
    foreach ($pairs as [$a, $b]) {
        [$a, $b] = [$find($a), $find($b)];
        if ($a !== $b) {
            $parent[$b] = $a;
        }
    }

    return $find;
}

/** What stands out of the law in one solved state. */
function overHeld(Examination $rig, Settled $settled, LoadFlowResult $flow): ?string
{
    $graph = $rig->graph;
    $net = direct($settled, [], false);
    // Sources side by side count once, with the highest of their volts; sources in series add.
    $highest = [];
    foreach ($graph->batteries as $battery) {
        $key = "{$net($battery->pos)} {$net($battery->neg)}";
        $highest[$key] = max($highest[$key] ?? 0.0, $battery->restV('full'));
    }
    foreach ($flow->chargers as $id => [$pos, $neg]) {
        if ($flow->sources[$id]['amps'] > 1e-9 || $flow->sources[$id]['volts'] > 0.01) {
            $key = "{$net($pos)} {$net($neg)}";
            $highest[$key] = max($highest[$key] ?? 0.0, $graph->converters[$id]->holdsV);
        }
    }
    $most = array_sum($highest) * 1.01 + 0.01;
    $volts = $flow->dcV;
    $island = direct($settled, array_map(fn($i): array => [$i->a, $i->b], $flow->dcInjections));
    $ends = [];
    foreach ($volts as $terminal => $v) {
        $at = $island($terminal);
        $ends[$at] = [min($ends[$at][0] ?? $v, $v), max($ends[$at][1] ?? $v, $v)];
    }
    foreach ($ends as $at => [$low, $high]) {
        if ($high - $low > $most) {
            return sprintf('%.1f V in the island of %s, %.1f at most', $high - $low, $at, $most);
        }
    }

    return null;
}

/** What gives something that it has from nowhere. */
function fromNothing(Examination $rig, Settled $settled, LoadFlowResult $flow): ?string
{
    $graph = $rig->graph;
    $batteries = array_map(fn($b): array => [$b->pos, $b->neg], array_values($graph->batteries));
    $fields = array_filter(
        $flow->chargers,
        fn(string $id): bool => $graph->converters[$id]->kind !== 'charger',
        ARRAY_FILTER_USE_KEY,
    );
    $held = direct($settled, [
        ...$batteries,
        ...array_map(fn(array $c): array => [$c[0], $c[1]], array_values($fields)),
    ]);
    foreach ($flow->converters as $id => ['outW' => $out]) {
        $unit = $graph->converters[$id];
        if ($out <= 0.5 || !in_array($unit->kind, [PowerConverter::ASSIST, PowerConverter::INVERTER], true)) {
            continue;
        }
        // Chargers that some supply from outside, or another unit, feeds may stand in for the battery.
        $others = array_filter(
            $flow->chargers,
            fn(string $other): bool => $graph->converters[$other]->component !== $unit->component &&
                $flow->sources[$other]['watts'] > 0.1,
            ARRAY_FILTER_USE_KEY,
        );
        $pairs = array_map(fn(array $c): array => [$c[0], $c[1]], array_values($others));
        $with = direct($settled, [...$batteries, ...$pairs]);
        if ($with($unit->input[0]) !== $with($unit->input[1])) {
            return sprintf('%s gives %.0f W with nothing on its battery side', $id, $out);
        }
    }
    // A volt may be the drop along a return that both its ends hang on.
    foreach ($flow->dcInjections as $injection) {
        $own = $graph->users[$injection->id] ?? null;
        if ($own === null) {
            continue;
        }
        $chargers = array_map(fn(array $c): array => [$c[0], $c[1]], array_values($flow->chargers));
        $with = direct($settled, [...$batteries, ...$chargers]);
        if ($with($own->a) !== $with($own->b) && $flow->loads[$injection->id]['volts'] > 1.0) {
            return sprintf('%s has %.2f V from nowhere', $injection->id, $flow->loads[$injection->id]['volts']);
        }
    }

    return null;
}

it('has no volts above what sources and chargers can hold, and gives nothing from nowhere', function (
    string $file,
): void {
    $checked = 0;
    foreach (Everywhere::views($file) as $view => $rig) {
        foreach (everySolved($rig) as $how => [$settled, $flow]) {
            expect(overHeld($rig, $settled, $flow))->toBeNull("{$view}, {$how}");
            expect(fromNothing($rig, $settled, $flow))->toBeNull("{$view}, {$how}");
            $checked++;
        }
    }
    expect($checked)->toBeGreaterThan(7);
})->with(fn(): array => array_map(fn(string $f): array => [$f], Everywhere::files()));

it('holds so on drawn rigs', function (int $seed): void {
    $rig = Drawn::rig(Drawn::components($seed));
    foreach (everySolved($rig) as $how => [$settled, $flow]) {
        expect(overHeld($rig, $settled, $flow))->toBeNull($how);
        expect(fromNothing($rig, $settled, $flow))->toBeNull($how);
    }
})
    ->with(Seeds::of(25))
    ->group('drawn');
