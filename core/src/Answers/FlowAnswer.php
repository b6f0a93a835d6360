<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Network\Load;
use Hollin\Core\Operation\Course;
use Hollin\Core\Operation\Trip;
use Hollin\Core\Operation\Trips;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Settled;
use stdClass;

/** The figures of a state: volts at every load, amps in every conductor and device, watts in and out, what trips. */
final class FlowAnswer
{
    /**
     * Every named state with every load scenario, and with nothing and everything switched on.
     *
     * @return array<string, array<string, mixed>> state => scenario => figures
     */
    public static function ofAll(Examination $rig): array
    {
        $scenarios = ['none' => [], 'all' => $rig->allLoads()];
        foreach ($rig->needs->scenarios as $id => $scenario) {
            $scenarios[$id] = $scenario['running'];
        }
        $answers = [];
        foreach ($rig->settled as $state => $settled) {
            foreach ($scenarios as $scenario => $running) {
                $answers[$state][$scenario] = self::of(
                    $rig,
                    $settled,
                    $running,
                    $rig->flows()->of($settled, $running, $rig->named[$state]->charge),
                );
            }
        }

        return $answers;
    }

    /**
     * @param array<string, true> $running
     * @return array<string, mixed>
     */
    public static function of(Examination $rig, Settled $settled, array $running, LoadFlowResult $flow): array
    {
        $graph = $settled->situation->network->graph;
        if (!$flow->isSolved()) {
            return [
                'converged' => false,
                'trouble' => $flow->trouble,
                'loads' => new stdClass(),
                'conductors' => new stdClass(),
                'sources' => new stdClass(),
                'converters' => new stdClass(),
                'trips' => [],
                'after' => null,
                'lostW' => null,
                'residual' => null,
            ];
        }
        $loads = $conductors = $sources = $converters = [];
        foreach ($graph->loads + $graph->users as $id => $load) {
            $loads[$id] = self::load($flow, $settled, $load, isset($running[$id]));
        }
        foreach ($graph->elements as $id => $element) {
            $ac = $flow->acA[$id] ?? null;
            $dc = $flow->dcA[$id] ?? null;
            if ($ac !== null || $dc !== null) {
                $conductors[$id] = [
                    'component' => $element->component,
                    'role' => $element->role->value,
                    'purpose' => $element->purpose->value,
                    'acA' => round($ac ?? 0.0, 4),
                    'dcA' => round($dc ?? 0.0, 4),
                    'ratingA' => $element->ratingA(),
                ];
            }
        }
        foreach ($flow->sources as $id => $source) {
            $of = $graph->sources[$id];
            $sources[$id] = [
                'component' => $of->component,
                'kind' => isset($graph->batteries[$id])
                    ? 'battery'
                    : (isset($graph->converters[$id])
                        ? 'charger'
                        : 'source'),
                'volts' => round($source['volts'], 3),
                'amps' => round($source['amps'], 4),
                'watts' => round($source['watts'], 2),
                'overloaded' => $source['overloaded'],
            ];
        }
        foreach ($flow->converters as $id => $converter) {
            $converters[$id] = [
                'component' => $graph->converters[$id]->component,
                'kind' => $graph->converters[$id]->kind,
                'inW' => round($converter['inW'], 2),
                'outW' => round($converter['outW'], 2),
                'efficiency' => $graph->converters[$id]->efficiency,
            ];
        }
        $trips = Trips::of($flow, $graph, $settled->positions);

        return [
            'converged' => true,
            'trouble' => null,
            'loads' => (object) $loads,
            'conductors' => (object) $conductors,
            'sources' => (object) $sources,
            'converters' => (object) $converters,
            'trips' => array_map(fn(Trip $t): array => $t->toArray(), $trips),
            'after' => $trips === [] ? null : self::after($rig, $settled, $running),
            'lostW' => round($flow->lostW, 3),
            'residual' => $flow->residual,
        ];
    }

    /** @return array<string, mixed> */
    private static function load(LoadFlowResult $flow, Settled $settled, Load $load, bool $switchedOn): array
    {
        $on =
            $load->circuit !== ''
                ? $switchedOn
                : $load->device === null || in_array($settled->positions[$load->device] ?? '', $load->positions, true);
        $volts = $load->direct ? $flow->dcBetween($load->a, $load->b) : $flow->acBetween($load->a, $load->b);
        $solved = $flow->loads[$load->id] ?? null;

        return [
            'label' => $load->label,
            'circuit' => $load->circuit === '' ? null : $load->circuit,
            'on' => $on,
            'volts' => $volts === null ? 0.0 : round($volts, 3),
            'amps' => round($on ? $solved['amps'] ?? 0.0 : 0.0, 4),
            'watts' => round($on ? $solved['watts'] ?? 0.0 : 0.0, 2),
            'collapsed' => $solved['collapsed'] ?? false,
        ];
    }

    /**
     * Where it ends once everything has opened or shut down that does.
     *
     * @param array<string, true> $running
     * @return array<string, mixed>
     */
    private static function after(Examination $rig, Settled $settled, array $running): array
    {
        $course = Course::of($settled->situation->network->graph, $settled->setting, $running);
        $last = $course->steps[count($course->steps) - 1];
        $sources = [];
        foreach ($last['flow']->sources as $id => $source) {
            $sources[$id] = [
                'volts' => round($source['volts'], 3),
                'amps' => round($source['amps'], 4),
                'watts' => round($source['watts'], 2),
            ];
        }

        return [
            'ends' => $course->ends,
            'opened' => array_values(
                array_filter(array_map(fn(array $s): ?string => ($s['trips'][0] ?? null)?->id, $course->steps)),
            ),
            'sources' => (object) $sources,
            'works' => array_keys(
                array_filter($last['settled']->situation->liveness(), fn($l): bool => $l->kind === 'works'),
            ),
        ];
    }
}
