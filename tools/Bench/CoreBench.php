<?php

declare(strict_types=1);

namespace Tools\Bench;

use Database\Seeders\DemoRigs;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\RigAnswer;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Solve\LoadFlow;
use stdClass;

/** All states and rules of two demo rigs, nothing kept. */
final class CoreBench
{
    private const ROUNDS = 15;

    public function run(): void
    {
        $rigs = [
            'grafting' => 'the first demo rig',
            'tideline' => 'the largest',
            'causeway' => 'alternator, relay and panels',
            'bellows' => 'lithium beside lead, four batteries',
            'kite' => 'a selector',
        ];
        foreach ($rigs as $name => $words) {
            Times::say("{$words}:");
            $this->judged(DemoRigs::document($name));
        }
        Times::say(sprintf('peak memory %.1f MB', memory_get_peak_usage() / 1e6));
    }

    private function judged(stdClass $document): void
    {
        $times = $rest = $again = $proofs = $flows = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            // Nothing is kept between rounds: every round compiles, enumerates and judges anew.
            $job = new JobAnswers($document);
            foreach ($job->views as $view) {
                $begin = hrtime(true);
                $rig = $job->rig($view['id']) ?? throw new \RuntimeException('a view without a rig');
                $judge = new Judge($rig);
                $judged = hrtime(true);
                $times[$view['title']][] = ($judged - $begin) / 1e6;
                $asked = $rig->flows()->asked;
                $begin = hrtime(true);
                foreach ($asked as [$settled, $running, $charge]) {
                    LoadFlow::of($settled, $running, [], $charge);
                }
                $flows[$view['title']][] = [(hrtime(true) - $begin) / 1e6, count($asked)];
                $begin = hrtime(true);
                RigAnswer::of($rig, $judge);
                $rest[$view['title']][] = (hrtime(true) - $begin) / 1e6;
                $measured = $job->rig($view['id']);
                $begin = hrtime(true);
                new Judge($measured, $judge->proof);
                $again[$view['title']][] = (hrtime(true) - $begin) / 1e6;
                $proofs[$view['title']] = $judge->proof;
            }
        }
        foreach ($times as $title => $list) {
            $first = array_shift($list);
            sort($list);
            Times::say(
                sprintf(
                    '%-24s %6d states (%d reduced, %d situations), compiled, all states and rules: first in ' .
                        'the process %5.1f ms, then least %5.1f, median %5.1f, most %5.1f ms; rest of the answer ' .
                        '%4.1f ms; all rules from a kept proof %4.1f ms; of it %d load flows, %5.1f ms',
                    $title,
                    $proofs[$title]->coverage->states ?? 0,
                    $proofs[$title]->coverage->settings ?? 0,
                    $proofs[$title]->coverage->situations ?? 0,
                    $first,
                    $list[0],
                    $list[intdiv(count($list), 2)],
                    $list[count($list) - 1],
                    Times::middle($rest[$title]),
                    Times::middle($again[$title]),
                    $flows[$title][0][1],
                    Times::middle(array_column($flows[$title], 0)),
                ),
            );
        }
    }
}
