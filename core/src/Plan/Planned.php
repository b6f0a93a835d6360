<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Components\PartSchema;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Problem;
use Hollin\Core\Job\Tree;
use stdClass;

/** The rig as each stage of a plan leaves it: the as-found description with the changes applied in order. */
final class Planned
{
    /**
     * @return list<Stage> in order; a change that does not apply is listed with its reason
     */
    public static function stages(stdClass $document, string $planId): array
    {
        $plan = $document->plans->{$planId};
        /** @var stdClass $components */
        $components = clone $document->asFound->components;
        $stages = [];
        foreach (self::inOrder($plan->stages) as $stageId => $stage) {
            $unapplied = $touched = [];
            foreach (self::inOrder($plan->changes) as $changeId => $change) {
                if ($change->stage !== $stageId) {
                    continue;
                }
                $reason = self::apply($components, $change);
                if ($reason === null) {
                    $touched[$change->target][] = $changeId;
                } else {
                    $unapplied[$changeId] = $reason;
                }
            }
            $stages[] = new Stage((string) $stageId, $stage->title, clone $components, $unapplied, $touched);
        }

        return $stages;
    }

    /** What is gone has no name left but the one it was given when it was fitted. */
    private static function spoken(string $id): string
    {
        return str_replace('_', ' ', (string) preg_replace('/^c_/', '', $id));
    }

    /**
     * Applies one change; returns why it does not apply, or null. A component it changes is replaced
     * by a copy: untouched ones stay shared with the survey and with other stages.
     */
    public static function apply(stdClass $components, stdClass $change): ?string
    {
        $id = $change->target;
        if ($change->op === Op::Fit->value) {
            if (isset($components->{$id})) {
                return sprintf('There is already a “%s”.', self::spoken($id));
            }
            $components->{$id} = Tree::copy($change->value);

            return null;
        }
        if (!isset($components->{$id})) {
            return sprintf('“%s” is not there any more: nothing is left to change.', self::spoken($id));
        }
        if ($change->op === Op::Remove->value) {
            unset($components->{$id});

            return null;
        }
        $steps = explode('/', substr($change->path, 1));
        $last = array_pop($steps);
        $changed = $at = Tree::copy($components->{$id});
        foreach ($steps as $step) {
            if (!(($at->{$step} ?? null) instanceof stdClass)) {
                return sprintf(
                    '%s has no %s any more.',
                    $components->{$id}->label ?? self::spoken($id),
                    strtr(trim($change->path, '/'), ['/' => ', ', '_' => ' ']),
                );
            }
            $at = $at->{$step};
        }
        if ($change->value === null) {
            // Nothing: the property goes, as when a circuit leaves its breaker behind.
            unset($at->{$last});
        } else {
            $at->{$last} = $change->value instanceof stdClass ? Tree::copy($change->value) : $change->value;
        }
        $components->{$id} = $changed;

        return null;
    }

    /**
     * What is wrong with a change in itself.
     *
     * @return list<Problem>
     */
    public static function changeProblems(stdClass $change, string $at): array
    {
        return match ($change->op) {
            Op::Fit->value => isset($change->value)
                ? PartSchema::problems($change->value, "{$at}/value")
                : [new Problem("{$at}/value", 'is missing: fit needs the component to fit.')],
            Op::Remove->value => [],
            default => array_values(
                array_filter([
                    isset($change->path)
                        ? null
                        : new Problem(
                            "{$at}/path",
                            'is missing: it names the place inside the component, for example /breakerA.',
                        ),
                    property_exists($change, 'value') ? null : new Problem("{$at}/value", 'is missing.'),
                ]),
            ),
        };
    }

    /**
     * What the changes of all plans make of the components they touch; with the document it came
     * from, components that come out as they did are not looked at again.
     *
     * @return list<Problem>
     */
    public static function resultProblems(stdClass $document, ?stdClass $before = null): array
    {
        $problems = [];
        $alike = $before !== null && Tree::same($document->asFound, $before->asFound);
        foreach (array_keys(get_object_vars($document->plans)) as $planId) {
            if ($alike && Tree::same($document->plans->{$planId}, $before->plans->{$planId} ?? null)) {
                continue;
            }
            $earlier = isset($before->plans->{$planId})
                ? array_column(self::stages($before, (string) $planId), null, 'id')
                : [];
            foreach (self::stages($document, (string) $planId) as $stage) {
                array_push($problems, ...Rig::tooMany($stage->components, "/plans/{$planId}/stages/{$stage->id}"));
                foreach ($stage->touched as $id => $changes) {
                    if (
                        !isset($stage->components->{$id}) ||
                        Tree::same($earlier[$stage->id]->components->{$id} ?? null, $stage->components->{$id})
                    ) {
                        continue;
                    }
                    foreach (PartSchema::problems($stage->components->{$id}, '') as $problem) {
                        $problems[] = new Problem(
                            "/plans/{$planId}/changes/" . end($changes) . '/value',
                            "makes {$id}{$problem->pointer} wrong: it {$problem->message}",
                        );
                    }
                }
            }
        }

        return $problems;
    }

    /** The components of a plan when all of it is done. */
    public static function atLast(stdClass $document, string $plan): stdClass
    {
        $stages = self::stages($document, $plan);

        return $stages[count($stages) - 1]->components;
    }

    /**
     * Where the planned rigs name what is not there, or want one place twice.
     *
     * @return list<Problem>
     */
    public static function clashes(stdClass $document): array
    {
        $problems = [];
        foreach (array_keys(get_object_vars($document->plans)) as $planId) {
            foreach (self::stages($document, (string) $planId) as $stage) {
                array_push($problems, ...Rig::from($stage->components)->problems("/plans/{$planId}"));
            }
        }

        return $problems;
    }

    /**
     * Entries of a map by their order, then by id.
     *
     * @return array<string, stdClass>
     */
    public static function inOrder(stdClass $map): array
    {
        $entries = get_object_vars($map);
        uksort(
            $entries,
            fn(string|int $a, string|int $b): int => [$entries[$a]->order ?? 0, (string) $a] <=> [
                $entries[$b]->order ?? 0,
                (string) $b,
            ],
        );

        return $entries;
    }
}
