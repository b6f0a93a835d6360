<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** In every state every outlet's ground must lead to the frame and back to the source that feeds it. */
final class GroundContinuity implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'ground_continuity',
            Severity::Danger,
            'Ground open',
            'The equipment ground of every outlet must lead to the frame and to the ground of whatever ' .
                'source feeds it, in every state. Where it does not, a fault to the case trips nothing and the ' .
                'case stays live.',
            Source::recalled('NFPA 70 551.54(C), 250.4(A)(5)'),
            [
                Sample::found(
                    'the panel\'s ground bar is not bonded to the frame and no case bonds it either',
                    Sample::survey('main_panel', '/bondedToFrame', ['value' => false, 'basis' => 'measured']),
                    ...array_map(fn(string $id): array => ['kind' => 'survey_remove', 'component' => $id], [
                        'c_converter',
                        'ld_conv',
                        'ld_conv_neg',
                        'converter',
                    ]),
                ),
                Sample::silent('as found'),
                Sample::silent('two panels', Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->settled as $state => $settled) {
            foreach ($settled->situation->liveness() as $id => $live) {
                if ($live->source === null) {
                    continue;
                }
                $end = $rig->graph->circuits[$id];
                $source = $rig->graph->sources[$live->source];
                $toFrame = $settled->situation->joined($end->ground, 'frame');
                $home = $settled->situation->joined($end->ground, $source->ground);
                $key = $end->hotFrom . ($toFrame ? '|source' : '|frame');
                if (($toFrame && $home) || isset($hits[$key])) {
                    continue;
                }
                $panel = $rig->graph->partAt($end->hotFrom);
                $hits[$key] = new Hit(
                    $key,
                    $toFrame
                        ? sprintf(
                            'While %s feeds %s its ground does not lead back to that source: a fault to the ' .
                                'case has no way home.',
                            $rig->graph->label($source->component),
                            $rig->graph->label($id),
                        )
                        : sprintf(
                            'The ground of %s does not reach the frame while it is live from %s.',
                            $rig->graph->label($id),
                            $rig->graph->label($source->component),
                        ),
                    [$end->hotFrom, $id],
                    remedies: $panel?->is('panel') === true && !$panel->flag('bondedToFrame')
                        ? [
                            Remedy::set(
                                "Bond the ground bar of {$panel->label} to the frame",
                                '8 AWG or larger',
                                $panel->id,
                                '/bondedToFrame',
                                ['value' => true, 'basis' => 'told'],
                            ),
                        ]
                        : [],
                    state: $state,
                );
            }
        }

        return array_values($hits);
    }
}
