<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Components\Topology;
use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Operation\Rest;
use Hollin\Core\Operation\Trips;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\StateRule;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\Solve\Meter;
use Hollin\Core\Solve\Reading;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;
use Hollin\Core\Wall\Paint;

/**
 * One rig with its controls set by hand: how it comes to rest, step by step, what is live, what is
 * wrong with it, the load flow, and what a meter shows.
 */
final class StateAnswer
{
    private readonly Settled $settled;

    /** @var array<string, true> */
    private readonly array $running;

    private ?LoadFlowResult $flow = null;

    private readonly string $charge;

    /**
     * @param array<string, string> $controls of any named state's, changed
     * @param array<string, string> $surroundings
     * @param list<string> $running loads switched on
     * @param ?string $charge of the bank: full, half or low; as the named state says that this is, when left out
     * @throws Refused naming the control or position that does not exist
     */
    public function __construct(
        private readonly Examination $rig,
        array $controls,
        array $surroundings,
        array $running,
        ?string $charge = null,
    ) {
        $start = $rig->named['nothing']->setting;
        foreach (
            [[$controls, $start->controls, 'controls'], [$surroundings, $start->surroundings, 'surroundings']]
            as [$given, $known, $where]
        ) {
            foreach ($given as $id => $position) {
                $positions =
                    $where === 'controls'
                        ? ($rig->graph->devices[$id] ?? null)?->everyPosition()
                        : $rig->graph->surroundings[$id]->values ?? null;
                if (!isset($known[$id]) || $positions === null) {
                    throw Refused::because(
                        "/{$where}/{$id}",
                        'is not something that can be set in this rig; there is: ' .
                            implode(', ', array_keys($known)) .
                            '.',
                    );
                }
                if (!isset($positions[$position])) {
                    throw Refused::because(
                        "/{$where}/{$id}",
                        'has no such position; it has: ' . implode(', ', array_keys($positions)) . '.',
                    );
                }
            }
        }
        foreach ($running as $i => $load) {
            if (!isset($rig->graph->loads[$load])) {
                throw Refused::because(
                    "/running/{$i}",
                    sprintf('"%s" is not a load of this rig.', mb_substr($load, 0, 60)),
                );
            }
        }
        $setting = new Setting($controls + $start->controls, $surroundings + $start->surroundings);
        $this->charge = $charge ?? self::chargeIn($rig, $setting);
        // The examination holds some controls where they usually are; here somebody may have moved one.
        $opened = array_keys(
            array_diff_assoc(
                array_intersect_key($setting->controls, $rig->engine->network->held()),
                $rig->engine->network->held(),
            ),
        );
        $engine = $opened === [] ? $rig->engine : new Engine(new Contraction($rig->graph, moved: $opened));
        $this->running = array_fill_keys($running, true);
        $this->settled =
            $rig->graph->voltContacts === []
                ? $engine->settle($setting)
                : Rest::of($engine, $setting, $this->running, $this->charge)->settled();
    }

    /** How the batteries are in the named state that a setting is, half charged where it is none. */
    private static function chargeIn(Examination $rig, Setting $setting): string
    {
        foreach ($rig->named as $state) {
            // Neither order nor what nobody set makes another state of it.
            if ($state->setting->controls == $setting->controls && $state->charge !== 'half') {
                return $state->setting->surroundings == $setting->surroundings ? $state->charge : 'half';
            }
        }

        return 'half';
    }

    /** The load flow of the state with what runs in it. */
    public function flow(): LoadFlowResult
    {
        return $this->flow ??= LoadFlow::of($this->settled, $this->running, [], $this->charge);
    }

    /** @return array<string, string> every device's position once it has come to rest */
    public function positions(): array
    {
        return $this->settled->positions;
    }

    /** @return list<array{device: string, from: string, to: string, atS: float}> what moved by itself */
    public function moves(): array
    {
        return $this->settled->moves;
    }

    /**
     * Everything a meter could show, in figures.
     *
     * @param array<string, true> $running
     * @return array<string, mixed>
     */
    public function figures(array $running): array
    {
        return FlowAnswer::of($this->rig, $this->settled, $running, $this->flow());
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $topology = Topology::of($this->rig->rig);

        return [
            'paint' => Paint::of($this->rig, $this->settled, $topology['links']),
            'story' => $this->story(),
            'hits' => $this->hits(),
            'flow' => self::flowOf($this->flow(), $this->rig) + ['trips' => $this->trips()],
        ];
    }

    /**
     * @return list<array{component: string, words: string}> what opens, shuts down or retries as it stands, soonest
     *      first, a line a part
     */
    private function trips(): array
    {
        $trips = [];
        foreach (Trips::of($this->flow(), $this->rig->graph, $this->settled->positions) as $trip) {
            $trips[$trip->component] ??= ['component' => $trip->component, 'words' => $trip->words($this->rig->graph)];
        }

        return array_values($trips);
    }

    /**
     * What reacts, in order, with delays, and what each step makes live or dead.
     *
     * @return list<array{atS: float, words: list<string>}>
     */
    private function story(): array
    {
        $steps = [];
        $after = array_map(fn(array $p): Situation => $p['situation'], array_slice($this->settled->passing, 1));
        $after[] = $this->settled->situation;
        $times = array_values(
            array_unique(array_map(fn(array $m): string => (string) $m['atS'], $this->settled->moves)),
        );
        foreach ($times as $i => $time) {
            $words = [];
            foreach ($this->settled->moves as $move) {
                if ((string) $move['atS'] === $time) {
                    $device = $this->rig->graph->devices[$move['device']];
                    $words[] = sprintf('%s: %s', $device->label, $device->everyPosition()[$move['to']] ?? $move['to']);
                }
            }
            $before = $this->settled->passing[$i]['situation'] ?? null;
            if ($before !== null && isset($after[$i])) {
                array_push($words, ...$this->changed($before, $after[$i]));
            }
            $steps[] = ['atS' => round((float) $time, 3), 'words' => $words];
        }
        foreach ($this->settled->trouble as $trouble) {
            $steps[] = ['atS' => 0.0, 'words' => [$trouble]];
        }

        return $steps;
    }

    /** @return list<string> */
    private function changed(Situation $before, Situation $after): array
    {
        $by = [];
        $was = $before->liveness();
        foreach ($after->liveness() as $id => $now) {
            if ($was[$id]->kind !== $now->kind || $was[$id]->source !== $now->source) {
                $key =
                    $now->kind === 'works'
                        ? 'works from ' .
                            $this->rig->graph->label($this->rig->graph->sources[(string) $now->source]->component)
                        : $now->words;
                $by[$key][] = $this->rig->graph->label($id);
            }
        }
        $words = [];
        foreach ($by as $what => $circuits) {
            $words[] = (count($circuits) > 3 ? count($circuits) . ' circuits' : implode(', ', $circuits)) . ": {$what}";
        }
        foreach (
            [' charges' => [$after, $before], ' charges no longer' => [$before, $after]]
            as $what => [$with, $without]
        ) {
            foreach (array_keys(array_diff_key($with->charging(), $without->charging())) as $id) {
                $words[] = $this->rig->graph->label($this->rig->graph->sources[$id]->component) . $what;
            }
        }

        return $words;
    }

    /** @return list<array<string, mixed>> hazards of exactly this state */
    private function hits(): array
    {
        $found = [];
        foreach (RuleBook::rules() as $rule) {
            foreach ($rule instanceof StateRule ? $rule->hits($this->settled->situation, $this->rig) : [] as $hit) {
                $definition = $rule::definition();
                $found["{$definition->id}|{$hit->key}"] = [
                    'rule' => $definition->id,
                    'severity' => ($hit->severity ?? $definition->severity)->value,
                    'title' => $hit->title ?? $definition->title,
                    'text' => $hit->text,
                    'components' => $hit->components,
                ];
            }
        }

        return array_values($found);
    }

    /** What a source belongs to, in words. */
    private static function owner(Examination $rig, string $source): string
    {
        return $rig->graph->label($rig->graph->sources[$source]->component ?? $source);
    }

    /** What a load is called; a unit's own draw by the unit. */
    private static function labelOf(Examination $rig, string $load): string
    {
        $of = $rig->graph->loads[$load] ?? ($rig->graph->users[$load] ?? null);

        return $of->label ?? $rig->graph->label(explode('.', $load)[0]);
    }

    /** @return array<string, mixed> */
    public static function flowOf(LoadFlowResult $flow, Examination $rig): array
    {
        $amps = [];
        foreach (array_keys($flow->acA + $flow->dcA) as $element) {
            $value = $flow->amps((string) $element);
            if ($value >= 0.005) {
                $amps[(string) $element] = round($value, 3);
            }
        }
        $volts = [];
        foreach ($rig->graph->circuits as $id => $end) {
            $across = $flow->acBetween($end->hot, $end->neutral);
            if ($across !== null) {
                $volts[$id] = round($across, 2);
            }
        }
        $loading = [];
        foreach ($rig->currents()->rated() as $rated) {
            $current = $flow->acA[$rated['element']] ?? 0.0;
            if ($current > 0.005) {
                $loading[$rated['element']] = [
                    'what' => $rated['what'],
                    'component' => $rated['component'],
                    'amps' => round($current, 3),
                    'ratingA' => $rated['ratingA'],
                ];
            }
        }

        return [
            'trouble' => $flow->trouble,
            'amps' => (object) $amps,
            'volts' => (object) $volts,
            'loading' => array_values($loading),
            'sources' => array_map(
                fn(string $id, array $s): array => [
                    'id' => $id,
                    'label' => self::owner($rig, $id),
                    'volts' => round($s['volts'], 2),
                    'amps' => round($s['amps'], 2),
                    'watts' => round($s['watts'], 1),
                    'overloaded' => $s['overloaded'],
                ],
                array_keys($flow->sources),
                $flow->sources,
            ),
            'loads' => array_map(
                fn(string $id, array $l): array => [
                    'id' => $id,
                    'label' => self::labelOf($rig, (string) $id),
                    'volts' => round($l['volts'], 2),
                    'amps' => round($l['amps'], 2),
                    'watts' => round($l['watts'], 1),
                    'collapsed' => $l['collapsed'],
                ],
                array_keys($flow->loads),
                $flow->loads,
            ),
            'lostW' => round($flow->lostW, 2),
            'residual' => $flow->residual,
            'floating' => array_map(fn(string $id): string => self::owner($rig, $id), $flow->floating),
        ];
    }

    /**
     * What a meter shows.
     *
     * @throws Refused when the function, a point or a circuit is not one of this rig's
     */
    public function reading(string $function, string $a, string $b, bool $zeroed): Reading
    {
        if (!isset(Meter::FUNCTIONS[$function])) {
            throw Refused::because('/function', 'must be one of: ' . implode(', ', array_keys(Meter::FUNCTIONS)) . '.');
        }
        $meter = new Meter($this->settled, $this->running, $this->charge);
        $point = function (string $where, string $terminal): string {
            if (!isset($this->rig->graph->terminals[$terminal])) {
                throw Refused::because(
                    "/{$where}",
                    sprintf('"%s" is not a terminal of this rig.', mb_substr($terminal, 0, 80)),
                );
            }

            return $terminal;
        };
        $element = function (string $id): string {
            if (!isset($this->rig->graph->elements[$id])) {
                throw Refused::because(
                    '/a',
                    sprintf('"%s" is not a conductor or contact of this rig.', mb_substr($id, 0, 80)),
                );
            }

            return $id;
        };
        $circuit = function () use ($a): CircuitEnd {
            return $this->rig->graph->circuits[$a] ??
                throw Refused::because('/a', sprintf('"%s" is not a circuit of this rig.', mb_substr($a, 0, 80)));
        };

        return match ($function) {
            'tester_button' => $meter->plugTester($circuit(), press: true),
            'ac_volts' => $meter->acVolts($point('a', $a), $point('b', $b)),
            'ac_volts_low' => $meter->acVolts($point('a', $a), $point('b', $b), Meter::LOW_OHM),
            'dc_volts' => $meter->dcVolts($point('a', $a), $point('b', $b)),
            'ohms' => $meter->ohms($point('a', $a), $point('b', $b)),
            'ac_amps' => $meter->acAmps($element($a)),
            'dc_amps' => $meter->dcAmps($element($a), $zeroed),
            'residual' => $meter->residual(["{$circuit()->circuit}.hot", "{$circuit()->circuit}.neutral"]),
            'gfci_button' => $meter->gfciButton($circuit()),
            'plug_tester' => $meter->plugTester($circuit()),
            default => $meter->detector($point('a', $a)),
        };
    }
}
