<?php

declare(strict_types=1);

namespace Tools\Bench;

use Database\Seeders\DemoRigs;
use Hollin\Core\Answers\AlternativesAnswer;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Options;
use Hollin\Core\Answers\PlaceAnswer;
use Hollin\Core\Energy\Days;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Parts\Costs;
use Hollin\Core\Parts\CutList;
use Hollin\Core\Parts\EnergyPrices;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Parts\TakeOff;
use Hollin\Core\Parts\Wishes;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Rules\Sharing;
use RuntimeException;

/** Fourteen days, every ruler, and cut lists of sixty runs. */
final class SizingBench
{
    public function run(): void
    {
        foreach (
            ['tideline' => 'line/whole', 'causeway' => 'dcdc/whole', 'bellows' => 'road/whole']
            as $name => $view
        ) {
            $this->rig($name, $view);
        }
        $this->cuts();
    }

    private function rig(string $name, string $view): void
    {
        $document = DemoRigs::document($name);
        $rig = fn() => (new JobAnswers($document))->rig($view) ?? throw new RuntimeException('the demo has changed');
        $loads = [];
        foreach ((new Values($document->needs))->entries('loads') as $id => $load) {
            $loads[] = Needed::from((string) $id, $load);
        }
        $trip = Trip::from($document->needs->trip)->with((object) ['days' => 14]);
        $one = $rig();
        $found = (new JobAnswers($document))->seen('as_found');
        $prices = new EnergyPrices(Stock::all());
        Times::say(
            sprintf(
                '%s: 14 days %.0f ms (wanted 150); rulers %.0f ms, nothing kept %.0f ms (wanted 50), with bars, ' .
                    'shares and options %.0f ms; parts and bill %.1f ms; places %.1f ms; three ways %.0f ms',
                $name,
                Times::median(fn() => Days::of($one, $loads, $trip)),
                Times::median(fn() => Ruler::of($one)),
                self::fresh($rig),
                Times::median(fn() => self::sizes($one)),
                Times::median(fn() => self::bill($found, $one)),
                Times::median(fn() => (new PlaceAnswer($found->graph, $one->graph, $document, 'x'))->toArray()),
                Times::median(fn() => AlternativesAnswer::of($document, $view, $prices)),
            ),
        );
    }

    private static function sizes(Examination $rig): void
    {
        $carried = new Carried($rig);
        Ruler::of($rig, $carried);
        RatedParts::of($rig, $carried);
        Sharing::of($rig);
        (new Options($rig, $rig->needs->school, fn(): ?float => null))->all();
    }

    private static function bill(Examination $found, Examination $planned): void
    {
        $taken = new TakeOff($found->graph, $planned->graph);
        $list = $taken->toArray(7.62);
        $costs = new Costs(Stock::all(), Wishes::of(null), hour: 90.0);
        $costs->of($list, $taken->fresh());
        $costs->choices($taken->fresh());
    }

    /** Ms of the rulers of a rig of which nothing has been worked out but its states. */
    private static function fresh(\Closure $rig): float
    {
        $times = [];
        for ($n = 0; $n < 5; $n++) {
            $made = $rig();
            $since = hrtime(true);
            Ruler::of($made);
            $times[] = (hrtime(true) - $since) / 1e6;
        }
        sort($times);

        return $times[2];
    }

    private function cuts(): void
    {
        $proved = $within = 0;
        $worst = 0.0;
        for ($seed = 1; $seed <= 100; $seed++) {
            mt_srand($seed);
            $runs = array_map(fn(): float => mt_rand(3, 60) / 4, range(1, 60));
            $since = hrtime(true);
            $list = CutList::of(25, $runs);
            $worst = max($worst, (hrtime(true) - $since) / 1e6);
            $proved += $list->proved ? 1 : 0;
            $within += !$list->proved && count($list->pieces) <= 1.03 * $list->atLeast ? 1 : 0;
        }
        Times::say(
            "100 lists of 60 runs: {$proved} proved minimal, {$within} more within 3 % of the bound; " .
                sprintf('%.0f ms at most', $worst),
        );
    }
}
