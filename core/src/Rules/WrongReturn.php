<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Fault;
use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;

/**
 * The main negative of a battery open: what still works, because its current comes home through frame bonds, equipment
 * grounds and other wires never meant for it, and how much goes through each.
 */
final class WrongReturn implements RigRule
{
    /** Less than this is no return, A. */
    private const LEAST_A = 1.0;

    public static function definition(): Definition
    {
        $strap = fn(string $size): array => [
            ChargingSamples::part('fan', ['type' => 'dc_load', 'label' => 'Fan', 'amps' => 40, 'use' => 'other']),
            ...ChargingSamples::house(),
            ChargingSamples::part('bar', ['type' => 'bus_bar', 'label' => 'Second negative bar', 'pole' => 'negative']),
            ChargingSamples::lead('second.pos', 'fan.pos', 'positive'),
            ChargingSamples::lead('fan.neg', 'bar.stud', 'negative'),
            ChargingSamples::lead('bar.stud', 'second.neg', 'negative', 'awg:2/0', 1.0),
            self::bond('strap_bar', 'bar.stud', 'awg:8'),
            ...$size === '' ? [] : [self::bond('strap_second', 'second.neg', $size)],
        ];

        return new Definition(
            'wrong_return',
            Severity::Warning,
            'Main negative open: current comes home another way',
            'With two ways from the negative to the frame, an open main negative is not noticed: everything still ' .
                'works, through a bond, an equipment ground or the shield of a data wire, which are made for a ' .
                'fraction of it and have no fuse.',
            Source::commonPractice(),
            [
                Sample::found('bar and battery both bonded to the frame', ...$strap('awg:10')),
                Sample::silent('one bond only', ...$strap('')),
            ],
        );
    }

    /** @return array<string, mixed> */
    private static function bond(string $id, string $from, string $size): array
    {
        return ChargingSamples::part($id, [
            'type' => 'frame_bond',
            'label' => "{$from} to frame",
            'from' => $from,
            'cable' => ['size' => $size, 'lengthM' => 1.2],
        ]);
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->batteries as $battery) {
            $mains = self::mains($rig, $battery);
            if (count($mains) !== 1 || !self::leavesAnother($rig, $battery, $mains[0])) {
                continue;
            }
            [$state, $running] = self::heaviest($rig, $battery);
            $graph = $rig->graph->with(Fault::open($mains[0]->id));
            $engine = new Engine(new Contraction($graph));
            $setting = $rig->named[$state]->setting;
            $flow = LoadFlow::of($engine->settle($setting), $running);
            $ways = $flow->isSolved()
                ? self::astray($rig, $flow, $rig->flows()->of($rig->settled[$state], $running))
                : [];
            if ($ways === []) {
                continue;
            }
            $hits[] = $this->hit($rig, $battery, $mains[0], $ways, $state);
        }

        return $hits;
    }

    /** @return list<Element> what is landed on the negative of a battery to carry its current */
    private static function mains(Examination $rig, Battery $battery): array
    {
        $mains = [];
        foreach ($rig->graph->neighbours()[$battery->neg] ?? [] as [, $id]) {
            $element = $rig->graph->elements[$id];
            if ($element->role === Role::DcNegative && $element->purpose === Purpose::Carrying) {
                $mains[] = $element;
            }
        }

        return $mains;
    }

    /** Whether anything that is no return can be reached from a battery's negative without its main. */
    private static function leavesAnother(Examination $rig, Battery $battery, Element $main): bool
    {
        $reached = Walk::reach($rig->graph, [$battery->neg], fn(Element $e): bool => $e->id !== $main->id);
        foreach ($rig->graph->elements as $element) {
            if ($element->purpose !== Purpose::Carrying && array_key_exists($element->a, $reached)) {
                return true;
            }
        }

        return false;
    }

    /** @return array{string, array<string, true>} the state in which most runs from a battery, and what runs in it */
    private static function heaviest(Examination $rig, Battery $battery): array
    {
        $most = ['nothing', [], 0.0];
        foreach (array_intersect(['nothing', 'inverting'], array_keys($rig->named)) as $state) {
            foreach ([[], ...array_column($rig->needs->scenarios, 'running')] as $running) {
                $flow = $rig->flows()->of($rig->settled[$state], $running);
                $amps = $flow->sources[$battery->id]['amps'] ?? 0.0;
                if ($amps > $most[2]) {
                    $most = [$state, $running, $amps];
                }
            }
        }

        return [$most[0], $most[1]];
    }

    /** @return array<string, float> element that is no return => A through it beyond what it carries otherwise */
    private static function astray(Examination $rig, LoadFlowResult $open, LoadFlowResult $sound): array
    {
        $ways = [];
        foreach ($rig->graph->elements as $id => $element) {
            $amps = abs($open->dcA[$id] ?? 0.0);
            if (
                $element->purpose !== Purpose::Carrying &&
                $amps > max(self::LEAST_A, 2 * abs($sound->dcA[$id] ?? 0.0))
            ) {
                $ways[$id] = $amps;
            }
        }
        arsort($ways);

        return $ways;
    }

    /** @param non-empty-array<string, float> $ways */
    private function hit(Examination $rig, Battery $battery, Element $main, array $ways, string $state): Hit
    {
        $ground = array_filter(
            $ways,
            fn(string $id): bool => $rig->graph->elements[$id]->purpose === Purpose::Protective,
            ARRAY_FILTER_USE_KEY,
        );
        $words = $figures = [];
        foreach (array_slice($ways, 0, 4, true) as $id => $amps) {
            $label = $rig->graph->label($rig->graph->elements[$id]->component);
            $words[] = sprintf('%.*f A through %s', $amps < 10 ? 1 : 0, $amps, $label);
            $figures[] = new Figure(
                "Through {$label}",
                $amps,
                'A',
                'load flow with the main negative open',
                Source::computed('load flow'),
                0.0,
                $battery->ohmAssumed,
                of: new Of(Quantity::Current, (string) $id, $state),
            );
        }

        return new Hit(
            "{$battery->component}|{$main->component}",
            sprintf(
                'With the negative of %s open (%s) what runs comes home by another way: %s.',
                $rig->graph->label($battery->component),
                $rig->graph->label($main->component),
                implode(', ', $words),
            ),
            array_values(
                array_unique([
                    $battery->component,
                    $main->component,
                    ...array_map(fn(string $id): string => $rig->graph->elements[$id]->component, array_keys($ways)),
                ]),
            ),
            $figures,
            severity: $ground === [] ? Severity::Warning : Severity::Danger,
            state: $state,
        );
    }
}
