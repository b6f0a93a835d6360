<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\FirstCurrent;
use Hollin\Core\States\DirectPotentials;

/** A rotary selector that joins two unlike batteries on its way from one to the other. */
final class TurnedThroughBoth implements RigRule
{
    public static function definition(): Definition
    {
        $rig = fn(string $chemistry, float $volts, array $more = []): array => [
            ChargingSamples::part('first', ChargingSamples::battery('First battery', 'lfp', 12.8, 100)),
            ...ChargingSamples::house($chemistry, $volts),
            ChargingSamples::part(
                'selector',
                $more + ['type' => 'battery_selector', 'label' => 'Selector', 'ratingA' => 300, 'usual' => 'one'],
            ),
            ChargingSamples::lead('first.pos', 'selector.one', 'positive'),
            ChargingSamples::lead('second.pos', 'selector.two', 'positive'),
            ChargingSamples::lead('first.neg', 'second.neg', 'negative'),
        ];

        return new Definition(
            'turned_through_both',
            Severity::Warning,
            'Selector joins unlike batteries on the turn',
            'From 1 to 2 a rotary selector passes through "both": for that moment the two batteries are joined, and ' .
                'what differs between them flows from one into the other. Unlike ones want two switches ' .
                'with a fuse each.',
            Source::commonPractice(),
            [
                Sample::found('lithium and lead', ...$rig('flooded', 12)),
                Sample::silent('two of a kind', ...$rig('lfp', 12.8)),
                Sample::silent('one that breaks before it makes', ...$rig('flooded', 12, ['passesBoth' => false])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->turns as $turn) {
            $settled = $rig->engine->settle($rig->named['nothing']->setting->with($turn->device, $turn->through));
            foreach (DirectPotentials::of($settled->situation)->parallel as [$a, $b]) {
                if (DirectPotentials::areLike($a, $b)) {
                    continue;
                }
                $hits[] = $this->hit(
                    $rig,
                    $turn->component,
                    $a,
                    $b,
                    abs(FirstCurrent::between($settled->situation, $a, $b)),
                );
            }
        }

        return $hits;
    }

    private function hit(Examination $rig, string $selector, Battery $a, Battery $b, float $amps): Hit
    {
        return new Hit(
            "{$selector}|{$a->component}+{$b->component}",
            sprintf(
                'On the turn from 1 to 2 %s joins %s and %s: about %.0f A flow from one into the other at that moment.',
                $rig->graph->label($selector),
                $rig->graph->label($a->component),
                $rig->graph->label($b->component),
                $amps,
            ),
            [$selector, $a->component, $b->component],
            [
                new Figure(
                    'Between them, on the turn',
                    $amps,
                    'A',
                    sprintf('%.2f V and %.2f V at rest, through leads and cells', $a->restV('half'), $b->restV('half')),
                    Source::computed('load flow'),
                    0.0,
                    $a->ohmAssumed || $b->ohmAssumed,
                    of: new Of(Quantity::Starting, $a->id),
                ),
            ],
            paths: [[$a->pos, $b->pos]],
        );
    }
}
