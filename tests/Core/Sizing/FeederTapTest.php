<?php

declare(strict_types=1);

use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Sizing\FeederTap;

/* A feeder of so many amps behind a larger device that ends on a panel's main. */
it('lets a tap carry less than the device ahead where it is short and strong enough', function (
    string $size,
    float $m,
    float $ahead,
    bool $isOne,
    array $change = [],
): void {
    $graph = new Graph();
    $cable = new Cable(ConductorSize::of($size), $m, $change['sheath'] ?? 'nm_b', 1);
    $school = Ampacity::Branch;
    $limit = $school->largestDevice($cable) ?? 0.0;
    $graph->parts['panel'] = new Part('panel', $change['type'] ?? 'panel', 'Far panel', []);
    $tap = new Element('tap', ElementKind::Conductor, 'tap', 'near.out', 'panel.line', Role::L1, $cable);
    $graph->elements['tap'] = $tap;
    foreach (['main' => $change['main'] ?? $limit] + ($change['more'] ?? []) as $id => $amps) {
        $graph->elements[$id] = new Element(
            $id,
            ElementKind::Contact,
            'panel',
            'panel.line',
            "panel.{$id}",
            Role::L1,
            rating: new Rating($amps, 'breaker', true),
        );
    }
    if (isset($change['bond'])) {
        // A bond leads nowhere that counts: what hangs on the bar behind it is not on this feeder.
        $graph->elements['bond'] = new Element('bond', ElementKind::Bond, 'panel', 'panel.line', 'bar', Role::L1);
        $graph->elements['other'] = new Element(
            'other',
            ElementKind::Contact,
            'panel',
            'bar',
            'elsewhere',
            Role::L1,
            rating: new Rating(15.0, 'breaker', true),
        );
    }
    if (isset($change['taker'])) {
        $graph->loads['taker'] = new Load(
            'taker',
            'taker',
            'Taker',
            'panel.line',
            'bar',
            100.0,
            1.0,
            120.0,
            false,
            false,
        );
    }
    foreach (['near.out', 'panel.line', 'panel.main'] as $terminal) {
        $graph->terminals[$terminal] = true;
    }
    expect(FeederTap::isOne($graph, $tap, $cable, $ahead, $limit, $school))->toBe($isOne);
})->with([
    // NFPA 70 240.21(B), from memory: a third of the device ahead within 25 ft, a tenth within 10 ft.
    'a third, short enough' => ['awg:10', 7.0, 90.0, true],
    'a third, too long' => ['awg:10', 8.0, 90.0, false],
    'less than a third, within 25 ft' => ['awg:10', 7.0, 150.0, false],
    'less than a third, within 10 ft' => ['awg:10', 2.9, 150.0, true],
    'less than a third, just over 10 ft' => ['awg:10', 3.1, 150.0, false],
    'less than a tenth' => ['awg:10', 2.9, 500.0, false],
    'in a flexible cord' => ['awg:10', 2.9, 90.0, false, ['sheath' => 'cord']],
    'a main larger than the cable' => ['awg:10', 2.9, 90.0, false, ['main' => 50.0]],
    'two breakers and no main' => ['awg:10', 2.9, 90.0, false, ['more' => ['second' => 15.0]]],
    'a bond beside the main' => ['awg:10', 2.9, 90.0, true, ['bond' => true]],
    'something that takes current ahead of the main' => ['awg:10', 2.9, 90.0, false, ['taker' => true]],
    'no panel at its end' => ['awg:10', 2.9, 90.0, false, ['type' => 'splice_box']],
]);
