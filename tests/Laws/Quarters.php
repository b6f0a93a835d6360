<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Energy\Days;
use Hollin\Core\Energy\Moment;
use Hollin\Core\Energy\Run;
use Hollin\Core\Energy\Scenes;
use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Needs\Trip;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use stdClass;

/** One verdict: a quarter of an hour of the days is the operating point of its state with its loads, within 1 %. */
final class Quarters
{
    /** @var list<Violation> */
    public array $broken = [];

    /** Quarters held against a load flow. */
    public int $held = 0;

    /** The days of a rig with what a load flow has running all day, from 70 % of charge. */
    public static function run(Specimen $rig, Examination $of): Run
    {
        $trip = ['startShare' => 70] + get_object_vars($rig->document->needs->trip ?? new stdClass());

        return Days::of($of, self::loads($of), Trip::from(Specimen::copy((object) $trip)));
    }

    public function hold(Specimen $rig, Examination $of, ?Run $run = null): void
    {
        $engine = Scenes::engineBatteries($of);
        if (self::loads($of) === [] || array_diff_key($of->graph->batteries, $engine) === []) {
            return;
        }
        $run ??= self::run($rig, $of);
        $worst = [0.0, ''];
        foreach ($run->moments as $n => $moment) {
            $shares = array_diff_key(array_map(fn(array $s): float => $s[$n], $run->share), $engine);
            // A load flow goes by half full: neither near the taper nor near the end.
            if ($shares === [] || min($shares) < 0.1 || max($shares) > 0.8) {
                continue;
            }
            $flow = self::flow($of->graph, $moment);
            if (!$flow->isSolved()) {
                continue;
            }
            $theirs = self::given($flow, array_diff_key($of->graph->batteries, $engine));
            $this->held++;
            $ours = array_sum(array_diff_key($moment->storeW, $engine));
            $off = abs($ours - $theirs) - 5.0;
            if ($off > 0.01 * abs($theirs) && $off > $worst[0]) {
                $worst = [
                    $off,
                    sprintf('quarter %d: %.0f W of the batteries in the day, %.0f W solved', $n, $ours, $theirs),
                ];
            }
        }
        if ($worst[1] !== '') {
            $what = 'a quarter of the day is not its operating point';
            $this->broken[] = new Violation('days', $rig->title(), 'as it is', 'days', [], $what, $worst[1]);
        }
    }

    /** @return list<Needed> what a load flow has running all day, and lamps on the first circuit for the evening */
    private static function loads(Examination $of): array
    {
        $loads = [];
        foreach ($of->graph->users as $id => $user) {
            $at =
                $user->direct && $user->device === null
                    ? $of->settled['nothing']->situation->batteriesAt($user->a, $user->b)
                    : [];
            if ($at !== []) {
                $watts = $user->wattsAt($of->graph->batteries[$at[0]]->ratedV);
                $loads[] = self::load((string) $id, $watts, $user->component, 'dc', 0, 24);
            }
        }
        $circuit = array_key_first($of->graph->circuits);

        return $loads === [] || $circuit === null
            ? $loads
            : [...$loads, self::load('lamps', 80, (string) $circuit, 'ac', 17, 5)];
    }

    private static function load(
        string $id,
        float $watts,
        string $at,
        string $supply,
        float $from,
        float $hours,
    ): Needed {
        $spans = ['a' => ['fromH' => $from, 'hours' => $hours]];
        $of = ['label' => $id, 'supply' => $supply, 'watts' => $watts, 'at' => $at, 'spans' => $spans];

        return Needed::from($id, new Values(Specimen::copy((object) $of)));
    }

    /** The load flow of a quarter: its state, its light on the panels, what its circuits take. */
    public static function flow(Graph $of, Moment $moment): LoadFlowResult
    {
        $graph = clone $of;
        foreach ($graph->converters as $id => $unit) {
            if ($unit->fieldW > 0) {
                $field = ['fieldW' => max(1e-3, $unit->fieldW * $moment->light)];
                $graph->converters[$id] = new PowerConverter(...$field + get_object_vars($unit));
            }
        }
        $more = [];
        foreach ($moment->alternatingW as $circuit => $watts) {
            if ($watts > 0 && isset($graph->circuits[$circuit])) {
                $more[] = [$graph->circuits[$circuit]->hot, $graph->circuits[$circuit]->neutral, 14400 / $watts];
            }
        }

        return LoadFlow::of((new Engine(new Contraction($graph)))->settle($moment->settled->setting), [], $more);
    }

    /** @param array<string, mixed> $batteries W that they give at their posts */
    public static function given(LoadFlowResult $flow, array $batteries): float
    {
        return array_sum(array_map(fn(string $id): float => $flow->sources[$id]['watts'], array_keys($batteries)));
    }
}
