<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\VoltContact;
use Hollin\Core\Operation\Rest;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\NamedState;

/** A separator whose own current takes its volts away: it closes, falls, opens, and closes again. */
final class SeparatorChatters implements RigRule
{
    /** A battery takes some seconds of charging until its volts stand up to it (common practice, no source). */
    private const SURFACE_S = 3.0;

    public static function definition(): Definition
    {
        $rig = fn(string $size, float $m): array => [
            ...ChargingSamples::engine(),
            ChargingSamples::part('second', ChargingSamples::battery('Second battery', 'agm', 12, 400)),
            ...array_filter(
                ChargingSamples::separator([], $size, $m),
                fn(array $e): bool => !str_contains($e['id'], 'starter_pos'),
            ),
            ChargingSamples::lead('alternator.pos', 'separator.a', 'positive', $size, $m),
        ];

        return new Definition(
            'separator_chatters',
            Severity::Warning,
            'Separator opens and closes by turns',
            'A separator by volts senses at its own end of a long cable. Closed, the current lowers the volts there ' .
                'below its opening point; open, they are back. Heavier cable, or sensing at the alternator, ends it.',
            Source::commonPractice(),
            [
                Sample::found('a thin long cable', ...$rig('awg:14', 12.0)),
                Sample::silent('a heavy short one', ...$rig('awg:2/0', 1.0)),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->voltContacts as $relay) {
            foreach ($relay->kind === VoltContact::SEPARATOR && $relay->senses !== [] ? $rig->named : [] as $state) {
                if ($rig->settled[$state->id]->positions[$relay->device] !== 'closed') {
                    continue;
                }
                $rest = self::rest($rig, $relay, $state);
                $turns = $rest->turns($relay->device);
                if ($rest->periodS === null || !isset($turns['open'])) {
                    continue;
                }
                $hits[] = new Hit(
                    $relay->component,
                    sprintf(
                        '%s closes and its own current takes the volts down to %.1f V, below the %.1f V at ' .
                            'which it opens: ' .
                            'it goes to and fro, about every %g s.',
                        $rig->graph->label($relay->component),
                        $turns['open'],
                        $relay->opensV,
                        max(0.1, round($rest->periodS, 1)),
                    ),
                    [$relay->component],
                    [
                        new Figure(
                            'Volts it senses, closed',
                            $turns['open'],
                            'V',
                            "load flow of “{$state->title}”, batteries {$state->charged()}",
                            Source::computed('load flow'),
                            $relay->opensV,
                            of: new Of(Quantity::Volts, $relay->component, $state->id),
                        ),
                    ],
                    state: $state->id,
                );
                break;
            }
        }

        return $hits;
    }

    /** The relay brought to rest: what it joins at that moment has not been charged yet, where it is quick to open. */
    private static function rest(Examination $rig, VoltContact $relay, NamedState $state): Rest
    {
        $open = $rig->engine->settle($state->setting->with($relay->device, 'open'))->situation;
        $fresh = array_keys(
            array_filter(
                $relay->opensAfterS < self::SURFACE_S ? $rig->graph->batteries : [],
                fn(Battery $b): bool => !$open->joined($b->pos, $relay->a) && $open->joined($b->pos, $relay->b),
            ),
        );

        return $fresh === []
            ? Rest::of($rig->engine, $state->setting, [], $state->charge, $rig->flows())
            : Rest::of(
                new Engine(new Contraction($rig->graph->atFirst(...$fresh))),
                $state->setting,
                [],
                $state->charge,
            );
    }
}
