<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Needs;
use stdClass;

/**
 * Rigs nobody would build, drawn from a seed: any arrangement on the AC side, and a battery side with
 * several batteries, loads of their own, second bonds, thin and long leads, switches in the negative, and
 * now and then a lead that lands where it should not.
 */
final class Drawn
{
    /** @return array<string, mixed> components by id */
    public static function components(int $seed, bool $odd = true): array
    {
        $stages = Planned::stages(Rigs::varied($seed), 'p');
        $components = get_object_vars(Rigs::object(get_object_vars($stages[count($stages) - 1]->components)));
        mt_srand($seed * 7919 + 11);
        $yes = fn(int $percent): bool => mt_rand(1, 100) <= $percent;
        $of = fn(array $choices): mixed => $choices[mt_rand(0, count($choices) - 1)];
        $lead = fn(string $from, string $to, string $pole): array => [
            'type' => 'lead',
            'label' => 'Drawn lead',
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => [
                'size' => $of(['awg:10', 'awg:4', 'awg:1/0', 'awg:4/0', 'mm2:35', 'mm2:50']),
                'lengthM' => mt_rand(2, 40) / 10,
                'sheath' => $of(['single', 'fine', 'sheathed']),
            ],
        ];
        $more = $yes(60) ? mt_rand(1, 2) : 0;
        for ($n = 1; $n <= $more; $n++) {
            $components["bank{$n}"] =
                [
                    'type' => 'battery_bank',
                    'label' => "Battery {$n}",
                    'chemistry' => 'lfp',
                    'unitV' => 12.8,
                    'unitAh' => $of([100, 200, 300]),
                    'series' => 1,
                    'parallel' => mt_rand(1, 2),
                    'unitMilliohm' => mt_rand(10, 60) / 10,
                ] + ($yes(50) ? ['bmsContinuousA' => 100] : []);
            $components["fuse{$n}"] = [
                'type' => 'dc_fuse',
                'label' => "Fuse {$n}",
                'family' => $of(['class_t', 'anl', 'mrbf']),
                'ratingA' => $of([100, 200, 300]),
            ];
            $components["b{$n}_pos"] = $lead("bank{$n}.pos", "fuse{$n}.in", 'positive');
            $components["b{$n}_on"] = $lead("fuse{$n}.out", 'pos_bar.stud', 'positive');
            $components["b{$n}_neg"] = $lead("bank{$n}.neg", $of(['shunt.battery', 'neg_bar.stud']), 'negative');
        }
        if ($yes(60)) {
            $components['fan'] = ['type' => 'dc_load', 'label' => 'Fan', 'use' => 'other', 'amps' => mt_rand(1, 20)];
            $components['fan_pos'] = $lead('dc_panel.fused', 'fan.pos', 'positive');
            $components['fan_neg'] = $lead($of(['dc_panel.neg', 'neg_bar.stud']), 'fan.neg', 'negative');
        }
        if ($odd && $yes(30)) {
            $components['bond2'] = [
                'type' => 'frame_bond',
                'label' => 'Second bond',
                'from' => $of(['neg_bar.stud', 'dc_panel.neg', 'shunt.battery']),
                'cable' => ['size' => 'awg:8', 'lengthM' => 0.5],
            ];
        }
        if ($odd && $yes(20)) {
            $components['neg_switch'] = ['type' => 'dc_switch', 'label' => 'Negative switch', 'ratingA' => 300];
            $components['ld_bank_shunt']->to = 'neg_switch.in';
            $components['neg_on'] = $lead('neg_switch.out', 'shunt.battery', 'negative');
        }
        if ($odd && $yes(15)) {
            $ends = ['pos_bar.stud', 'neg_bar.stud', 'main_fuse.out', 'shunt.load', 'dc_panel.pos', 'bank.pos'];
            $components['stray'] = $lead($of($ends), $of($ends), $of(['positive', 'negative']));
            if ($components['stray']['from'] === $components['stray']['to']) {
                unset($components['stray']);
            }
        }

        return $components;
    }

    /** @param array<string, mixed> $components */
    public static function rig(array $components): Examination
    {
        return new Examination(self::compiled($components), Needs::from(new stdClass()));
    }

    /** @param array<string, mixed> $components */
    public static function compiled(array $components): Rig
    {
        return Rig::from(Rigs::object($components));
    }

    /** @param array<string, mixed> $components */
    public static function graph(array $components): Graph
    {
        return Wiring::of(self::compiled($components));
    }

    /** @return array<string, true> every second load, as the seed has it */
    public static function running(Graph $graph, int $seed): array
    {
        $running = [];
        foreach (array_keys($graph->loads) as $n => $id) {
            if (($n + $seed) % 3 !== 0) {
                $running[$id] = true;
            }
        }

        return $running;
    }

    /** The same network with one cable in two pieces. */
    public static function cut(Graph $graph, string $element): Graph
    {
        $cut = clone $graph;
        $whole = $graph->elements[$element];
        $cable = $whole->cable ?? throw new \LogicException('only a cable is cut');
        $half = new Cable($cable->size, $cable->lengthM / 2, $cable->sheath, $cable->parallel);
        unset($cut->elements[$element]);
        foreach ([['first', $whole->a, 'cut.middle'], ['second', 'cut.middle', $whole->b]] as [$piece, $a, $b]) {
            $cut->elements["{$element}.{$piece}"] = new Element(
                "{$element}.{$piece}",
                ElementKind::Conductor,
                $whole->component,
                $a,
                $b,
                $whole->role,
                $half,
                purpose: $whole->purpose,
            );
        }
        $cut->terminal('cut.middle');

        return $cut->with();
    }
}
