<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Panels;
use Hollin\Core\Reference\Source;

/** A circuit that worked before works nowhere now, or one the owner needs off grid does not. */
final class LostCircuit implements RigRule
{
    public static function definition(): Definition
    {
        $need = ['kind' => 'set_need', 'path' => '/offGrid/c_air', 'value' => true];

        return new Definition(
            'lost_circuit',
            Severity::Warning,
            'Circuit lost',
            'A circuit that worked as found works in no state of the plan, or a circuit the owner needs off ' .
                'grid has no state in which the inverter feeds it.',
            Source::commonPractice(),
            [
                Sample::found(
                    'an air conditioner needed off grid, left on the main panel',
                    $need,
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                ),
                Sample::found('the shore feeder lands nowhere useful', Sample::choose('in_line'), [
                    'kind' => 'plan_remove',
                    'plan' => 'p',
                    'component' => 'inverter_out',
                ]),
                Sample::silent('whole panel fed', $need, Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->circuits as $id => $_) {
            $now = $this->states($rig, $id);
            if (
                $now === [] &&
                $rig->asFound !== null &&
                isset($rig->asFound->graph->circuits[$id]) &&
                $this->states($rig->asFound->examined(), $id) !== []
            ) {
                $hits[] = new Hit(
                    $id . '|nowhere',
                    sprintf('%s worked as found and works in no state of the plan.', $rig->graph->label($id)),
                    [$id],
                );
            }
            $inverting = array_values(
                array_filter(array_keys($rig->settled), fn(string $s): bool => str_starts_with($s, 'inverting')),
            );
            if (isset($rig->needs->offGrid[$id]) && $inverting !== [] && array_intersect($inverting, $now) === []) {
                $hits[] = new Hit(
                    $id . '|off grid',
                    sprintf(
                        '%s must run off grid and is %s while inverting.',
                        $rig->graph->label($id),
                        $rig->settled[$inverting[0]]->situation->liveness()[$id]->words,
                    ),
                    [$id],
                    remedies: $this->remedies($rig, $id),
                    title: 'Needed off grid, not fed',
                    state: $inverting[0],
                    because: $rig->graph->circuits[$id]->together ? null : "split_return|{$id}|no return",
                );
            }
        }

        return $hits;
    }

    /** @return list<string> named states in which a circuit works */
    private function states(Examination $rig, string $circuit): array
    {
        $states = [];
        foreach ($rig->settled as $state => $settled) {
            if ($settled->situation->liveness()[$circuit]->runs()) {
                $states[] = $state;
            }
        }

        return $states;
    }

    /** @return list<Remedy> */
    private function remedies(Examination $rig, string $circuit): array
    {
        $remedies = [];
        foreach (Panels::of($rig->graph) as $panel) {
            if (
                $rig->settled['inverting']->situation->hardHot(Panels::bus($panel)) !== null &&
                Panels::hasRoom($rig->graph, $panel)
            ) {
                $remedies[] = Remedy::move(
                    "Move {$rig->graph->label($circuit)} to {$panel->label}",
                    'the inverter feeds it',
                    $circuit,
                    $panel->id,
                );
            }
        }

        return $remedies;
    }
}
