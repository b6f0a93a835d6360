<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Components\Catalogue;
use Hollin\Core\Job\Tree;
use Hollin\Core\Network\Part;
use Hollin\Core\Plan\Planned;
use stdClass;

/**
 * The rig as far as it is built: the survey with those changes of the plan whose work the logbook has as done; and how
 * what was found, what was designed and what was built differ.
 */
final readonly class AsBuilt
{
    public function __construct(private Work $work, private Logbook $log) {}

    /**
     * Whether all work on a part has been done in a stage; null where there is none of its own.
     */
    public function isDone(string $stage, string $component): ?bool
    {
        $done = null;
        foreach ($this->work->steps as $id => $step) {
            $about = in_array($component, [...$step->components, ...$step->cables], true);
            $makes = $step->kind->isOnWiring() || in_array($step->kind, [Kind::Settings, Kind::NegativeOn], true);
            if ($step->stage === $stage && $about && $makes && $step->kind !== Kind::NegativeOff) {
                $done = ($done ?? true) && $this->log->steps[$id]->isPassed(false);
            }
        }

        return $done;
    }

    /** Whether a stage was proven as a whole. */
    private function isProven(string $stage): bool
    {
        foreach ($this->work->steps as $id => $step) {
            if ($step->stage === $stage && $step->kind === Kind::ProveStates) {
                return $this->log->steps[$id]->isPassed(true);
            }
        }

        return false;
    }

    /**
     * Components of the rig as it stands now.
     *
     * @param stdClass $document a job file
     */
    public function components(stdClass $document, string $plan): stdClass
    {
        /** @var stdClass $components */
        $components = Tree::copy($document->asFound->components);
        $changes = Planned::inOrder($document->plans->{$plan}->changes);
        foreach (array_keys(Planned::inOrder($document->plans->{$plan}->stages)) as $stage) {
            foreach ($changes as $change) {
                $now = $change->stage === (string) $stage;
                if ($now && ($this->isDone((string) $stage, $change->target) ?? $this->isProven((string) $stage))) {
                    // What does not apply to a rig half built is left as it is.
                    Planned::apply($components, $change);
                }
            }
        }

        return $components;
    }

    /**
     * Part by part: as found, as designed, as built.
     *
     * @param array<string, Difference> $stages
     * @return list<array{
     *     component: string, label: string, found: string, designed: string, built: string, state: string,
     * }>
     */
    public function rows(array $stages): array
    {
        $rows = [];
        foreach ($stages as $name => $difference) {
            foreach ($difference->touched() as $id) {
                $was = $difference->before->partAt($id);
                $is = $difference->after->partAt($id);
                $part = $is ?? $was;
                if ($part === null) {
                    continue;
                }
                $done = $this->isDone((string) $name, $id) ?? $this->isProven((string) $name);
                $otherwise = array_filter($this->log->differences, fn(array $d): bool => $d['component'] === $id);
                $rows[] = [
                    'component' => $id,
                    'label' => $part->label,
                    'found' => $was === null ? 'nothing' : self::said($was, $is),
                    'designed' => $is === null ? 'taken out' : self::said($is, $was),
                    'built' => implode(
                        '; ',
                        array_map(fn(array $d): string => "{$d['what']}: {$d['built']}", $otherwise),
                    ),
                    'state' => $otherwise !== [] ? 'otherwise' : ($done ? 'built' : 'not yet'),
                ];
            }
        }

        return $rows;
    }

    /** What a part is, or what of it is otherwise than in another. */
    private static function said(Part $part, ?Part $other): string
    {
        if ($other === null || $other->type !== $part->type) {
            return Catalogue::named($part->type);
        }
        $facts = $part->differing($other);
        $said = [];
        foreach (array_slice($facts, 0, 4) as $fact) {
            $value = $part->text($fact) !== '' ? $part->text($fact) : $part->numberOrNull($fact);
            $shown = is_float($value)
                ? sprintf('%g', $value)
                : (is_string($value)
                    ? Catalogue::field($part->type, $fact)?->choices[$value] ?? str_replace('_', ' ', $value)
                    : ($part->flag($fact)
                        ? 'yes'
                        : 'none'));
            $said[] = Catalogue::placeWords($part->type, "/{$fact}") . ' ' . $shown;
        }

        return implode(', ', $said);
    }
}
