<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** A planned change that the survey no longer supports, or a plan whose parts do not fit together. */
final class DoesNotApply implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'does_not_apply',
            Severity::Warning,
            'Planned change no longer applies',
            'The survey was corrected after the plan was made, and a change has lost what it was about; or ' .
                'the planned rig names something that is not there.',
            Source::computed('the plan itself'),
            [
                Sample::found(
                    'the circuit a move was about is gone from the survey',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                    ['kind' => 'survey_remove', 'component' => 'c_outlets'],
                ),
                Sample::silent(
                    'the plan fits the survey',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->unapplied as $change => $reason) {
            $hits[] = new Hit(
                "change|{$change}",
                $reason,
                [],
                remedies: [
                    new Remedy('Drop this change', 'the plan goes on without it', [
                        'kind' => 'drop_change',
                        'change' => $change,
                    ]),
                ],
            );
        }
        if ($rig->asFound !== null) {
            foreach ($rig->rig->problems('') as $problem) {
                $id = explode('/', $problem->pointer)[1] ?? '';
                $hits[] = new Hit(
                    "broken|{$problem->pointer}",
                    sprintf(
                        '%s: %s %s',
                        $rig->graph->label($id),
                        trim(strstr(substr($problem->pointer, 1), '/') ?: '', '/'),
                        $problem->message,
                    ),
                    [$id],
                    title: 'The plan does not hold together',
                );
            }
        }

        return $hits;
    }
}
