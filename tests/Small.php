<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\Spice;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Symfony\Component\Process\Process;

/** Small networks put together from the elements that components use: nothing of a component is in them. */
final class Small
{
    /** A battery; of 13.2 V at rest unless said otherwise. */
    public static function battery(
        Graph $graph,
        string $id,
        float $ohm,
        Chemistry $chemistry = Chemistry::Lfp,
        float $ratedV = 12.8,
    ): void {
        $graph->battery(
            new Battery(
                "{$id}.cells",
                $id,
                "{$id}.pos",
                "{$id}.neg",
                $chemistry,
                $ratedV,
                100,
                1,
                $ohm,
                false,
                null,
                null,
                false,
                false,
            ),
        );
    }

    /** A wire of known resistance, ohm. */
    public static function ohms(
        Graph $graph,
        string $id,
        string $a,
        string $b,
        float $ohm,
        Role $role = Role::DcPositive,
    ): void {
        $graph->conductor($id, $id, $a, $b, $role, ohm: $ohm);
    }

    /** A load of so many amps at 13.2 V, taking constant power. */
    public static function draw(Graph $graph, string $pos, string $neg, float $amps, string $id = 'draw'): void
    {
        $graph->user(
            new Load(
                $id,
                '',
                $id,
                $pos,
                $neg,
                0,
                1,
                0,
                false,
                false,
                'resistive',
                component: $id,
                direct: true,
                amps: $amps,
            ),
        );
    }

    /** A charger on 120 V that is always there. */
    public static function charger(
        Graph $graph,
        string $id,
        string $pos,
        string $neg,
        float $holdsV,
        float $limitA,
        float $nominalV = 12.0,
    ): void {
        $graph->source(
            new \Hollin\Core\Network\Source(
                "{$id}.mains",
                $id,
                'supply',
                'S',
                'ac',
                true,
                "{$id}.l",
                "{$id}.n",
                "{$id}.g",
                120,
                30,
                impedanceOhm: 0.01,
            ),
        );
        $graph->source(
            new \Hollin\Core\Network\Source(
                "{$id}.charger",
                $id,
                'charger',
                'C',
                'dc',
                false,
                $pos,
                $neg,
                'frame',
                $holdsV,
                $limitA,
                runsOnAc: ["{$id}.l", "{$id}.n"],
            ),
        );
        $graph->converter(
            new PowerConverter(
                "{$id}.charger",
                $id,
                PowerConverter::CHARGER,
                ["{$id}.l", "{$id}.n"],
                [$pos, $neg],
                $holdsV,
                $limitA,
                0.85,
                5.0,
                nominalV: $nominalV,
            ),
        );
    }

    /** Two batteries behind a diode each, filled by one charger; the second of any chemistry. */
    public static function separated(Chemistry $second, float $dropV = 0.4): Graph
    {
        $graph = new Graph();
        self::charger($graph, 'c', 'c.pos', 'c.neg', 14.4, 40);
        self::ohms($graph, 'out', 'c.pos', 'common.pos', 0.002);
        foreach (['a' => Chemistry::Lfp, 'b' => $second] as $id => $chemistry) {
            self::battery($graph, $id, 0.004, $chemistry, $chemistry === Chemistry::Lfp ? 12.8 : 12.0);
            $graph->oneWay("to_{$id}", 'separator', 'common.pos', "{$id}.pos", Role::DcPositive, $dropV, 0.001);
            self::ohms($graph, "{$id}_return", "{$id}.neg", 'c.neg', 0.002, Role::DcNegative);
        }

        return $graph;
    }

    public static function solved(Graph $graph): LoadFlowResult
    {
        return LoadFlow::of((new Engine(new Contraction($graph)))->settle(new Setting([], [])), []);
    }

    /** ngspice (Debian) on a deck, run to its end. */
    public static function ngspice(string $deck): Process
    {
        $process = new Process(
            ['ngspice', '-b', '-n', '/dev/stdin'],
            sys_get_temp_dir(),
            ['LC_ALL' => 'C', 'HOME' => sys_get_temp_dir()],
            $deck,
            60,
        );
        $process->run();

        return $process;
    }

    /** @return array<string, float> terminal => V of the direct-current side, as ngspice has it */
    public static function directByNgspice(LoadFlowResult $flow): array
    {
        $deck = Spice::dc($flow, 'x');
        // At the corner of a one-way law its iteration sometimes ends where its own sources do not hold: then without
        // a first guess.
        foreach ([$deck, (string) preg_replace('/^\.nodeset.*\n/m', '', $deck)] as $tried) {
            preg_match_all('/^([nx]\d+) = (\S+)/m', self::ngspice($tried)->getOutput(), $found);
            $all = array_combine($found[1], array_map(floatval(...), $found[2])) + ['0' => 0.0];
            preg_match_all('/^V\d+ (\S+) (\S+) DC (\S+)/m', $tried, $sources, PREG_SET_ORDER);
            $off = array_map(fn(array $s): float => abs($all[$s[1]] - $all[$s[2]] - (float) $s[3]), $sources);
            if (max([0.0, ...$off]) < 1e-3) {
                break;
            }
        }
        $volts = [];
        foreach ($all as $n => $v) {
            if (str_starts_with((string) $n, 'n')) {
                $volts[$flow->dc?->names[(int) substr((string) $n, 1)] ?? ''] = $v;
            }
        }

        return $volts;
    }
}
