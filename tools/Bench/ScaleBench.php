<?php

declare(strict_types=1);

namespace Tools\Bench;

use Database\Seeders\LargeRig;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Search;

/** The largest demo rig with ten switches and two full panels more, and with twenty and four. */
final class ScaleBench
{
    private const ROUNDS = 7;

    public function run(): void
    {
        foreach ([[0, 0], [10, 0], [10, 2], [20, 4]] as [$switches, $panels]) {
            $document = LargeRig::document($switches, $panels);
            memory_reset_peak_usage();
            $held = memory_get_usage();
            $searched = $judged = [];
            for ($round = 0; $round < self::ROUNDS; $round++) {
                $rig =
                    (new JobAnswers($document))->rig('line/whole') ??
                    throw new \RuntimeException('the demo has changed');
                $begin = hrtime(true);
                $proof = (new Search($rig))->proof;
                $searched[] = (hrtime(true) - $begin) / 1e6;
                new Judge($rig, $proof);
                $judged[] = (hrtime(true) - $begin) / 1e6;
                unset($rig);
                gc_collect_cycles();
            }
            Times::say(
                sprintf(
                    '%2d switches and %d panels more: %.3g states, %d after reduction, %s; searched in %5.1f ' .
                        'ms (least %5.1f), with all rules %5.1f ms; peak %.1f MB',
                    $switches,
                    $panels,
                    $proof->coverage->states,
                    $proof->coverage->settings,
                    $proof->coverage->isWhole() ? 'all of them' : 'within two slips',
                    Times::middle($searched),
                    min($searched),
                    Times::middle($judged),
                    (memory_get_peak_usage() - $held) / 1e6,
                ),
            );
        }
    }
}
