<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\VoltContact;
use Hollin\Core\Operation\Rest;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\NamedState;

/** A low-voltage cut-off whose battery recovers past the point at which it closes again, once the load is off. */
final class CutOffComesBack implements RigRule
{
    public static function definition(): Definition
    {
        $heavy = fn(float $closesV): array => ChargingSamples::behindCutOff(['closesV' => $closesV], 60.0);

        return new Definition(
            'cut_off_comes_back',
            Severity::Warning,
            'Cut-off goes off and on by turns',
            'The cut-off opens on the volts under load. With the load off the battery recovers, and where that is ' .
                'past the point at which it closes again, it goes off and on until somebody comes, and takes ' .
                'the battery down with it. A wider gap between the two points, or a longer delay, ends it.',
            Source::commonPractice(),
            [
                Sample::found('closes again at what the battery recovers to', ...$heavy(11.85)),
                Sample::silent('closes only once it is charged', ...$heavy(13.2)),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->voltContacts as $contact) {
            if ($contact->kind !== VoltContact::CUT_OFF) {
                continue;
            }
            foreach (self::looks($rig) as [$state, $running, $words]) {
                $setting = $state->setting->with($contact->device, 'closed');
                $rest = Rest::of($rig->engine, $setting, $running, 'low', $rig->flows());
                $turns = $rest->turns($contact->device);
                if ($rest->periodS === null || !isset($turns['open'], $turns['closed'])) {
                    continue;
                }
                $hits[] = new Hit(
                    $contact->component,
                    sprintf(
                        '%s opens at %.2f V, the battery recovers to %.2f V, and it closes from %g V: off and on, ' .
                            'about every %g s (“%s”%s).',
                        $rig->graph->label($contact->component),
                        $turns['open'],
                        $turns['closed'],
                        $contact->closesV,
                        max(0.1, round($rest->periodS, 1)),
                        $state->title,
                        $words,
                    ),
                    [$contact->component],
                    [
                        new Figure(
                            'Battery recovers to',
                            $turns['closed'],
                            'V',
                            'load flow with the cut-off open, batteries nearly empty',
                            Source::computed('load flow'),
                            $contact->closesV,
                            of: new Of(Quantity::OpenVolts, $contact->component),
                        ),
                    ],
                    state: $state->id,
                );
                break;
            }
        }

        return $hits;
    }

    /** @return list<array{NamedState, array<string, true>, string}> state, what runs in it, and that in words */
    private static function looks(Examination $rig): array
    {
        $looks = [];
        foreach (['nothing', 'inverting'] as $id) {
            $state = $rig->named[$id] ?? null;
            if ($state !== null) {
                $looks[] = [$state, [], ''];
                foreach ($id === 'nothing' ? [] : $rig->needs->scenarios as $scenario) {
                    $looks[] = [$state, $scenario['running'], ", {$scenario['title']}"];
                }
            }
        }

        return $looks;
    }
}
