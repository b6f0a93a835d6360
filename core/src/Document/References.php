<?php

declare(strict_types=1);

namespace Hollin\Core\Document;

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Tree;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Plan\Refused;
use Hollin\Core\States\Contraction;
use stdClass;

/** Checks across components: what names something must name something that is there. */
final class References
{
    /** @return list<Problem> with the document it came from, changes that are as they were are not looked at again */
    public static function problems(stdClass $document, ?stdClass $before = null): array
    {
        $problems = Tree::same($before->asFound ?? null, $document->asFound) ? [] : self::asFound($document);
        foreach (get_object_vars($document->plans) as $planId => $plan) {
            foreach (get_object_vars($plan->changes) as $changeId => $change) {
                $at = "/plans/{$planId}/changes/{$changeId}";
                if (!isset($plan->stages->{$change->stage})) {
                    $problems[] = new Problem(
                        "{$at}/stage",
                        sprintf(
                            '"%s" is not a stage of the plan; it has: %s.',
                            $change->stage,
                            implode(', ', array_keys(get_object_vars($plan->stages))),
                        ),
                    );
                }
                if (!Tree::same($before->plans->{$planId}->changes->{$changeId} ?? null, $change)) {
                    array_push($problems, ...Planned::changeProblems($change, $at));
                }
            }
        }

        return $problems;
    }

    /** @return list<Problem> */
    private static function asFound(stdClass $document): array
    {
        $rig = Rig::from($document->asFound->components);
        $problems = $rig->problems('/asFound/components');
        if ($problems !== []) {
            return $problems;
        }
        try {
            new Contraction(Wiring::of($rig));
        } catch (Refused $e) {
            return [new Problem('/asFound/components', $e->problems[0]->message)];
        }

        return [];
    }
}
