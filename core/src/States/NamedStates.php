<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\Supply;

/**
 * The named states of a rig, made from what it has. What chooses between supplies by hand is set
 * to the one a state is about, found by following the hot from its source.
 */
final class NamedStates
{
    /** @var array<string, list<array{string, string}>> terminal => [other terminal, device or ''] */
    private array $next = [];

    /** @return list<NamedState> */
    public static function of(Graph $graph): array
    {
        $make = new self($graph);
        $states = [$make->state('nothing', '0', 'nothing connected', inverter: 'off')];
        $inverters = array_values(
            array_filter(
                $graph->sources,
                fn(Source $s): bool => $s->kind === 'ac' && in_array($s->letter, ['I', 'J', 'K'], true),
            ),
        );
        $rejects = array_filter($graph->devices, fn(Device $d): bool => $d->judgesVolts) !== [];
        foreach ($inverters as $i => $inverter) {
            $name = count($inverters) === 1 ? 'inverting' : $graph->label($inverter->component) . ' inverting';
            $states[] = $make->state(
                $i === 0 ? 'inverting' : "inverting_{$inverter->component}",
                $inverter->letter,
                lcfirst($name),
                $inverter,
                inverting: true,
            );
        }
        $letters = ['S', 'H', 'Q', 'P'];
        foreach ($graph->supplies as $shore) {
            if ($shore->kind !== 'shore') {
                continue;
            }
            $source = $graph->sources[$shore->source];
            $supplies = $shore->ratingsA;
            foreach (array_keys($supplies) as $i => $supply) {
                $states[] = $make->state(
                    "shore_{$supply}",
                    $letters[$i] ?? 'P',
                    sprintf('shore %g A', $supplies[$supply]),
                    $source,
                    (string) $supply,
                    inverter: 'charge',
                );
            }
            $largest = (string) array_key_first($supplies);
            if ($inverters !== []) {
                $states[] = $make->state('shore_and_inverter', 'B', 'shore, inverter on', $source, $largest);
                // With the cord itself in the inverter, nobody is at a pedestal while inverting.
                if (!$make->sharesPlug($source, $inverters[0])) {
                    $states[] = $make->state(
                        'dead_pedestal',
                        'D',
                        'dead pedestal, inverting',
                        $source,
                        $largest,
                        'dead',
                        inverting: true,
                        feeds: $inverters[0],
                    );
                    if ($rejects) {
                        $states[] = $make->state(
                            'low_shore',
                            'L',
                            'shore too low, inverting',
                            $source,
                            $largest,
                            'low',
                            inverting: true,
                            feeds: $inverters[0],
                        );
                    }
                }
            }
            if (
                array_filter(
                    $graph->devices,
                    fn(Device $d): bool => isset($d->positions['past']) && !$d->isAutomatic(),
                ) !== []
            ) {
                $states[] = $make->state(
                    'bypassed',
                    'Y',
                    'shore, inverter/charger bypassed',
                    $source,
                    $largest,
                    inverter: 'off',
                    bypass: 'past',
                );
            }
        }
        foreach (
            array_values(array_filter($graph->supplies, fn(Supply $s): bool => $s->kind === 'generator'))
            as $i => $generator
        ) {
            $source = $graph->sources[$generator->source];
            $name = $i === 0 ? 'generator' : $graph->label($generator->component);
            $states[] = $make->state(
                $i === 0 ? 'generator' : "generator_{$generator->component}",
                $source->letter,
                lcfirst($name),
                $source,
                inverter: 'charge',
            );
            if ($inverters !== [] && $i === 0) {
                $states[] = $make->state('generator_and_inverter', 'A', 'generator, inverter on', $source);
            }
        }
        if (array_filter($graph->devices, fn(Device $d): bool => $d->job === 'disconnect') !== []) {
            $states[] = $make->state('storage', 'X', 'storage', inverter: 'off', disconnect: 'off');
        }

        return $states;
    }

    /**
     * The first shore supply plugged in, with each thing that can be wrong with its pedestal.
     *
     * @return list<NamedState>
     */
    public static function faults(Graph $graph): array
    {
        $make = new self($graph);
        $states = [];
        foreach (array_filter($graph->supplies, fn(Supply $s): bool => $s->kind === 'shore') as $shore) {
            $largest = (string) array_key_first($shore->ratingsA);
            $n = 0;
            $surrounding = $graph->surroundings[(string) $graph->sources[$shore->source]->surrounding];
            foreach (
                ['high' => $surrounding->values['high']] +
                    array_intersect_key($surrounding->values, array_flip($surrounding->faults()))
                as $condition => $words
            ) {
                if ($condition === 'wired_240' && ($shore->ratingsA[$largest] ?? 0.0) !== 30.0) {
                    continue;
                }
                $states[] = $make->state(
                    "fault_{$condition}",
                    'W' . ++$n,
                    "shore: {$words}",
                    $graph->sources[$shore->source],
                    $largest,
                    $condition,
                    inverter: 'charge',
                    group: 'fault',
                );
            }
            break;
        }

        return $states;
    }

    private function __construct(private readonly Graph $graph)
    {
        foreach ($graph->elements as $element) {
            if ($element->role === Role::L1) {
                $this->next[$element->a][] = [$element->b, (string) $element->device];
                $this->next[$element->b][] = [$element->a, (string) $element->device];
            }
        }
    }

    private function state(
        string $id,
        string $letter,
        string $title,
        ?Source $source = null,
        ?string $supply = null,
        string $condition = 'good',
        string $inverter = 'on',
        bool $inverting = false,
        string $disconnect = 'on',
        ?Source $feeds = null,
        string $bypass = 'unit',
        string $group = 'usual',
    ): NamedState {
        $controls = [];
        foreach ($this->graph->devices as $device) {
            if ($device->isAutomatic()) {
                continue;
            }
            $controls[$device->id] = match (true) {
                $device->job === 'mode' => isset($device->positions[$inverter]) ? $inverter : 'off',
                $device->job === 'disconnect' => $disconnect,
                $device->job === 'run' => $source?->device === $device->id ? 'running' : 'stopped',
                $device->selects !== [] => $this->choice($device, $source, $supply, $feeds),
                isset($device->positions['past']) => $bypass,
                default => $device->normal,
            };
        }
        if ($inverting) {
            foreach ($this->graph->instructions as $instruction) {
                if (isset($controls[$instruction['device']])) {
                    $controls[$instruction['device']] = $instruction['position'];
                }
            }
        }
        $surroundings = array_map(fn(): string => 'good', $this->graph->surroundings);
        if ($source?->surrounding !== null) {
            $surroundings[$source->surrounding] = $condition;
        }

        return new NamedState(
            $id,
            $letter,
            $title,
            new Setting($controls, $surroundings),
            $group,
            match (true) {
                $disconnect === 'off' => About::Storage,
                $source === null => About::Nothing,
                $supply !== null => About::Shore,
                $inverting => About::Inverting,
                default => About::Generator,
            },
        );
    }

    /** The position of a choosing device in a state: the source the state is about, else as it usually is. */
    private function choice(Device $device, ?Source $source, ?string $supply, ?Source $feeds): string
    {
        if ($source !== null && $supply !== null && isset($device->positions[$supply])) {
            return $supply;
        }
        foreach (array_filter([$feeds, $source]) as $wanted) {
            foreach ($this->belongsTo($device, $wanted) ? $device->selects : [] as $position => $terminal) {
                if ($this->reaches($wanted->a, $terminal, $device->id)) {
                    return $position;
                }
            }
        }

        return $source === null && $device->job === 'plug' && isset($device->selects[$device->normal])
            ? $device->normal
            : (isset($device->positions['out'])
                ? 'out'
                : $device->normal);
    }

    /**
     * Whether a cord is there to be put into a source: an inverter's outlet that it can reach is no reason to,
     * where it usually is elsewhere and the inverter has circuits without it.
     */
    private function belongsTo(Device $device, Source $source): bool
    {
        if ($device->job !== 'plug' || in_array($source->id, array_column($this->graph->supplies, 'source'), true)) {
            return true;
        }
        if (
            isset($device->selects[$device->normal]) &&
            $this->reaches($source->a, $device->selects[$device->normal], $device->id)
        ) {
            return true;
        }
        foreach ($this->graph->circuits as $circuit) {
            if ($this->reaches($source->a, $circuit->hot, $device->id)) {
                return false;
            }
        }

        return true;
    }

    /** Whether a hot leads from a terminal to another with every contact closed but those of one device. */
    private function reaches(string $from, string $to, string $except): bool
    {
        $queue = [$from];
        $seen = [$from => true];
        while ($queue !== []) {
            $at = array_pop($queue);
            if ($at === $to) {
                return true;
            }
            foreach ($this->next[$at] ?? [] as [$next, $device]) {
                if ($device !== $except && !isset($seen[$next])) {
                    $seen[$next] = true;
                    $queue[] = $next;
                }
            }
        }

        return false;
    }

    /** Whether one cord can be in the shore supply and in another source. */
    private function sharesPlug(Source $shore, Source $other): bool
    {
        foreach ($this->graph->devices as $device) {
            if ($device->job !== 'plug') {
                continue;
            }
            $has = array_map(
                fn(Source $s): bool => $this->belongsTo($device, $s) &&
                    array_filter($device->selects, fn(string $t): bool => $this->reaches($s->a, $t, $device->id)) !==
                        [],
                [$shore, $other],
            );
            if ($has[0] && $has[1]) {
                return true;
            }
        }

        return false;
    }
}
