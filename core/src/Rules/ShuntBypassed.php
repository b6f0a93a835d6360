<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\Impedance;

/** Current comes home around the shunt: over the frame, or by a negative that lands on its battery side. */
final class ShuntBypassed implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'shunt_bypassed',
            Severity::Warning,
            'Negative around the shunt',
            'Everything a shunt should count returns to its load side. Bonded to the frame on both sides of ' .
                'it, frame and straps carry part of every amp: the shunt reads too little, and with the main ' .
                'negative loose a strap becomes a main conductor. What lands on its battery side is not counted ' .
                'at all.',
            Source::commonPractice(),
            [
                Sample::found('a second bond on the battery side', Sample::choose('in_line'), [
                    'kind' => 'plan_fit',
                    'plan' => 'p',
                    'id' => 'second_bond',
                    'component' => [
                        'type' => 'frame_bond',
                        'label' => 'Second bond',
                        'from' => 'bank.neg',
                        'cable' => ['size' => 'awg:8', 'lengthM' => 0.5],
                    ],
                ]),
                Sample::found(
                    'the panel\'s negative on the battery side',
                    Sample::choose('in_line'),
                    Sample::set('ld_dc_neg', '/from', 'bank.neg'),
                ),
                Sample::silent('one bond, on the load side', Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        $all = fn(Element $e): bool => Walk::direct($e) || $e->purpose !== Purpose::Carrying;
        foreach ($graph->elements as $id => $shunt) {
            if ($shunt->rating?->what !== 'shunt') {
                continue;
            }
            $around = Walk::way($graph, $shunt->a, $shunt->b, fn(Element $e): bool => $e->id !== $id && $all($e));
            if ($around !== null) {
                $on = array_values(
                    array_unique(array_map(fn(string $e): string => $graph->elements[$e]->component, $around)),
                );
                $ohm = array_sum(
                    array_map(fn(string $e): float => Impedance::ohm($graph->elements[$e], $graph), $around),
                );
                $share = Impedance::ohm($shunt, $graph) / (Impedance::ohm($shunt, $graph) + $ohm);
                $hits[] = new Hit(
                    "{$shunt->component}|around",
                    sprintf(
                        'Around %s a second way leads home by %s: about %.0f %% of every amp takes it and is ' .
                            'not counted.',
                        $graph->label($shunt->component),
                        implode(', ', array_map($graph->label(...), array_slice($on, 0, 5))),
                        $share * 100,
                    ),
                    array_values(array_unique([$shunt->component, ...array_slice($on, 0, 6)])),
                    [
                        new Figure(
                            'Share that takes it',
                            $share * 100,
                            '%',
                            sprintf(
                                '%.2f mΩ of shunt beside %.2f mΩ',
                                Impedance::ohm($shunt, $graph) * 1000,
                                $ohm * 1000,
                            ),
                            Source::computed('parallel resistances, the frame taken as nothing'),
                            0.0,
                            true,
                            of: new Of(Quantity::Share, $shunt->id),
                        ),
                    ],
                    remedies: LeadRemedies::takeOut($rig, $on),
                );

                continue;
            }
            array_push($hits, ...$this->uncounted($rig, $shunt));
        }

        return $hits;
    }

    /** @return list<Hit> what lands between a battery and its shunt */
    private function uncounted(Examination $rig, Element $shunt): array
    {
        $graph = $rig->graph;
        $hits = [];
        foreach ($graph->batteries as $battery) {
            $before = Walk::reach(
                $graph,
                [$battery->neg],
                fn(Element $e): bool => $e->id !== $shunt->id && Walk::direct($e),
            );
            if (!array_key_exists($shunt->a, $before) && !array_key_exists($shunt->b, $before)) {
                continue;
            }
            $takers = [];
            foreach ($graph->direct() as $of) {
                if (array_key_exists($of['neg'], $before)) {
                    $takers[$of['component']] = true;
                }
            }
            if ($takers !== []) {
                $hits[] = new Hit(
                    "{$shunt->component}|uncounted",
                    sprintf(
                        '%s returns on the battery side of %s and is not counted.',
                        implode(', ', array_map($graph->label(...), array_keys($takers))),
                        $graph->label($shunt->component),
                    ),
                    [$shunt->component, ...array_keys($takers)],
                    severity: Severity::Advice,
                    remedies: LeadRemedies::land(
                        $rig,
                        $before,
                        array_key_exists($shunt->a, $before) ? $shunt->b : $shunt->a,
                        self::leadsAt($graph, $takers),
                        'what it takes is counted',
                    ),
                );
            }
        }

        return $hits;
    }

    /**
     * @param array<string, true> $takers components as keys
     * @return list<string> leads at their negatives
     */
    private static function leadsAt(Graph $graph, array $takers): array
    {
        $leads = [];
        foreach ($graph->direct() as $of) {
            foreach (isset($takers[$of['component']]) ? $graph->neighbours()[$of['neg']] ?? [] : [] as [, $id]) {
                $leads[$graph->elements[$id]->component] = true;
            }
        }

        return array_keys($leads);
    }
}
