<?php

declare(strict_types=1);

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** @return array<string, array<string, mixed>> rows by element */
function rulers(Examination $rig): array
{
    return array_column(Ruler::of($rig), null, 'id');
}

/** @return list<string> parts of which something is told */
function troubled(array $rows, string $kind): array
{
    $with = array_filter($rows, fn(array $r): bool => in_array($kind, array_column($r['trouble'], 'kind'), true));
    $parts = array_values(array_unique(array_column($with, 'component')));
    sort($parts);

    return $parts;
}

/*
 * The rulers and the rules are two answers to one question: what one finds out of order the other must not find in
 * order.
 */
it('finds the wires that the rule finds, on every rig', function (Closure $make): void {
    $rig = $make();
    $rows = rulers($rig);
    $cables = array_column($rows, 'component', 'id');
    $told = [];
    foreach (Rigs::findings($rig, 'conductor_protection') as $finding) {
        if ($finding->hit->title === 'Breaker or fuse too large for its wire') {
            $told[] = explode('|', $finding->hit->key)[0];
        }
    }
    $told = array_values(array_unique(array_intersect($told, $cables)));
    sort($told);
    $ours = array_values(array_unique([...troubled($rows, 'wire'), ...troubled($rows, 'table')]));
    // A table that has no such cable is told by the rule only where a device stands ahead.
    expect(array_values(array_diff($told, $ours)))->toBe([]);
    expect(array_values(array_diff(troubled($rows, 'wire'), $told)))->toBe([]);
})->with(function (): Generator {
    foreach (
        ['tideline' => 'line', 'causeway' => 'dcdc', 'bellows' => 'road', 'kite' => 'apart', 'archive' => 'hand']
        as $name => $plan
    ) {
        yield $name => [fn(): Examination => Rigs::planned(Rigs::demo($name), $plan)];
        yield "{$name} as found" => [fn(): Examination => Rigs::asFound(Rigs::demo($name))];
    }
    for ($seed = 1; $seed <= 25; $seed++) {
        yield "drawn {$seed}" => [fn(): Examination => Rigs::planned(Rigs::varied($seed))];
    }
    yield 'a thin lead' => [
        fn(): Examination => Rigs::planned(
            Rigs::job(
                Sample::choose('in_line'),
                Sample::set('ld_disc_bar', '/cable/size', ['value' => 'awg:4', 'basis' => 'told']),
            ),
        ),
    ];
    yield '14 AWG on 20 A' => [
        fn(): Examination => Rigs::asFound(Rigs::job(Sample::survey('c_outlets', '/breakerA', 20))),
    ];
});

it('finds the devices that break too little, as the rule does', function (string $name, string $plan): void {
    $rig = Rigs::planned(Rigs::demo($name), $plan);
    $devices = array_unique(
        array_map(fn($f): string => $f->hit->components[0], Rigs::findings($rig, 'interrupting_capacity')),
    );
    $rows = rulers($rig);
    expect(count($rows))->toBeGreaterThan(15);
    foreach ($rows as $row) {
        if (in_array('short', array_column($row['trouble'], 'kind'), true)) {
            $of = array_search($row['device'], array_map(fn($p): string => $p->label, $rig->graph->parts), true);
            expect(in_array($of, $devices, true))->toBeTrue($row['label']);
        }
    }
})->with([['tideline', 'line'], ['causeway', 'dcdc'], ['bellows', 'road'], ['archive', 'hand']]);

it('carries what the load flow carries, and an inverter at full output by hand', function (): void {
    $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['continuousW' => 2000, 'efficiency' => 0.88])));
    $rows = rulers($rig);
    $unit = array_values(array_filter($rig->graph->converters, fn($c): bool => $c->kind === 'inverter'))[0];
    // 2000 W ÷ (nominal V × 0.88), in every lead of a way that does not fork.
    $amps = 2000 / ($unit->nominalV * 0.88);
    expect($rows['ld_bar_inv.wire']['carriesA'])->toEqualWithDelta($amps, 0.2);
    $ohm = $rig->graph->elements['ld_bar_inv.wire']->cable->ohm(75);
    expect($rows['ld_bar_inv.wire']['dropV'])->toEqualWithDelta($amps * $ohm, 2e-3);
});

it('moves with what is changed: length moves the drop, size the wire, the device the device', function (): void {
    $row = fn(array ...$more): array => rulers(Rigs::planned(Rigs::job(Sample::choose('in_line'), ...$more)))[
        'ld_bar_inv.wire'
    ];
    $set = fn(string $path, mixed $value): array => Sample::set('ld_bar_inv', $path, [
        'value' => $value,
        'basis' => 'measured',
    ]);
    [$now, $long, $thin] = [$row(), $row($set('/cable/lengthM', 8.0)), $row($set('/cable/size', 'awg:2'))];
    expect($long['dropV'] / $now['dropV'])->toEqualWithDelta(8.0 / $now['lengthM'], 0.2);
    expect(array_column($long['trouble'], 'kind'))->toContain('drop');
    expect($long['ampacityA'])->toBe($now['ampacityA'])->and($thin['ampacityA'])->toBeLessThan($now['ampacityA']);
    expect(array_column($thin['trouble'], 'kind'))->toContain('wire')->toContain('load');
});
