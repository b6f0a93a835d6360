<?php

declare(strict_types=1);

namespace Tools\Bench;

use Database\Seeders\DemoRigs;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\Perturbed;
use Hollin\Core\Solve\Spice;
use RuntimeException;
use Symfony\Component\Process\Process;

/** Load flow of the largest demo rig's states, and ngspice on the same netlists. */
final class FlowBench
{
    /** The load flow of the largest demo rig in every state, all loads on; and the same netlists in ngspice. */
    public function run(): void
    {
        foreach (['tideline' => 'line/whole', 'bellows' => 'road/whole'] as $name => $view) {
            Times::say("{$name}, {$view}:");
            $this->measured(
                (new JobAnswers(DemoRigs::document($name)))->rig($view) ??
                    throw new RuntimeException('the demo has changed'),
            );
        }
    }

    private function measured(Examination $rig): void
    {
        $running = $rig->allLoads();
        $all = $again = $power = $spice = [];
        foreach ($rig->settled as $state => $settled) {
            $flow = LoadFlow::of($settled, $running);
            if ($flow->ac === null) {
                continue;
            }
            $all[$state] = Times::median(fn() => LoadFlow::of($settled, $running));
            $volts = $flow->nodeVolts();
            $flow->ac->factor();
            // Another ten metres in the air conditioner's circuit, a new place each time so that nothing is remembered.
            $ends = array_values(
                array_filter(
                    $rig->graph->circuits,
                    fn($e): bool => isset($flow->ac->node[$e->hot], $flow->ac->node[$e->neutral]),
                ),
            );
            $n = 0;
            $again[$state] = Times::median(function () use ($flow, $volts, $ends, &$n): void {
                $end = $ends[$n++ % count($ends)];
                $flow->ac->changed($volts, $end->hot, $end->neutral, 1e-3 * $n);
            }, 9);
            $power[$state] = Times::median(function () use ($flow, $ends, &$n): void {
                $end = $ends[$n++ % count($ends)];
                Perturbed::volts($flow, $end->hot, $end->neutral, 1e-3 * $n);
            }, 9);
            $deck = Spice::ac($flow, $state);
            $once = Times::median(fn() => self::ngspice($deck), 5);
            $fifty = Times::median(
                fn() => self::ngspice(
                    str_replace("\nprint all", "\nrepeat 200\nac lin 1 60 60\nend\nprint all", $deck),
                ),
                3,
            );
            $spice[$state] = [$once, ($fifty - $once) / 200];
        }
        $worst = fn(array $times): string => $times === []
            ? 'nothing measured'
            : sprintf('median %.2f ms, worst %.2f ms', Times::middle($times), max($times));
        Times::say(sprintf('load flow of a state (AC and DC, %d states): %s', count($all), $worst($all)));
        Times::say('one element changed, at a fixed operating point: ' . $worst($again));
        Times::say('one element changed, constant powers iterated: ' . $worst($power));
        Times::say(
            sprintf(
                'ngspice on the same netlists: %.1f ms a process with its one answer, %.2f ms each further solve',
                Times::middle(array_column($spice, 0)),
                Times::middle(array_column($spice, 1)),
            ),
        );
    }

    private static function ngspice(string $deck): void
    {
        (new Process(
            ['ngspice', '-b', '-n', '/dev/stdin'],
            sys_get_temp_dir(),
            ['LC_ALL' => 'C', 'HOME' => sys_get_temp_dir()],
            $deck,
            60,
        ))->mustRun();
    }
}
