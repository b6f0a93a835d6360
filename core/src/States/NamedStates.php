<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\About;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\Supply;
use Hollin\Core\Network\Surrounding;

/**
 * The named states of a rig: those that its components bring about. What chooses between supplies by hand is set
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
        $nothing = new Occasion('', 'nothing', 'nothing connected', '', About::Nothing, '0', mode: 'off');
        $kinds = ['nothing' => [$nothing]];
        foreach (About::cases() as $about) {
            $occasions = array_filter($graph->occasions, fn(Occasion $o): bool => $o->about === $about);
            usort($occasions, fn(Occasion $a, Occasion $b): int => $a->once <=> $b->once);
            foreach ($occasions as $occasion) {
                if ($make->comesAbout($occasion)) {
                    $kinds[$occasion->kind][] = $occasion;
                }
            }
        }
        $states = [];
        foreach ($kinds as $occasions) {
            $several = count($occasions) > 1 && !$occasions[0]->once;
            foreach ($occasions[0]->once ? [self::all($occasions)] : $occasions as $i => $occasion) {
                $ofBattery = in_array($occasion->about, [About::Charging, About::Battery], true);
                $states[] = $make->state(
                    self::fed($occasion, $kinds),
                    $i === 0 ? $occasion->kind : "{$occasion->kind}_{$occasion->component}",
                    $several ? $occasion->among : $occasion->title,
                    $ofBattery ? 'battery' : 'usual',
                );
            }
        }

        return self::lettered($states);
    }

    /**
     * A letter of its own to each: the second of a kind has a number behind it.
     *
     * @param list<NamedState> $states
     * @return list<NamedState>
     */
    private static function lettered(array $states): array
    {
        $seen = [];
        foreach ($states as $i => $state) {
            $n = $seen[$state->letter] = ($seen[$state->letter] ?? 0) + 1;
            $states[$i] = $n === 1 ? $state : $state->called("{$state->letter}{$n}");
        }

        return $states;
    }

    /**
     * One state that several parts bring about: with what each of them then is.
     *
     * @param non-empty-list<Occasion> $occasions
     */
    private static function all(array $occasions): Occasion
    {
        return $occasions[0]->in(null, array_merge(...array_map(fn(Occasion $o): array => $o->also, $occasions)));
    }

    /**
     * A state that is about whatever charges the rig, with that: shore where it has a cord, else the engine, else sun.
     *
     * @param array<string, list<Occasion>> $kinds
     */
    private static function fed(Occasion $occasion, array $kinds): Occasion
    {
        if ($occasion->about !== About::Charging) {
            return $occasion;
        }
        $feeds = fn(About $about): ?Occasion => array_values(
            array_filter(array_merge(...array_values($kinds)), fn(Occasion $o): bool => $o->about === $about),
        )[0] ?? null;

        return $occasion->in($feeds(About::Shore) ?? ($kinds['driving'][0] ?? $feeds(About::Sun)), []);
    }

    /** Whether a rig is such that it can be in a state that one of its components brings about. */
    private function comesAbout(Occasion $occasion): bool
    {
        $inverter = $this->inverter();
        $source = $this->sourceOf($occasion);

        return ($occasion->about !== About::Shore || $source !== null) &&
            (!$occasion->withInverter || $inverter !== null) &&
            // With the cord itself in the inverter, nobody is at a pedestal while inverting.
            (!$occasion->besideInverter ||
                ($inverter !== null && $source !== null && !$this->sharesPlug($source, $inverter))) &&
            (!$occasion->judged || array_filter($this->graph->devices, fn(Device $d): bool => $d->judgesVolts) !== []);
    }

    /** The first inverter's output. */
    private function inverter(): ?Source
    {
        foreach ($this->graph->occasions as $occasion) {
            if ($occasion->about === About::Inverting) {
                return $this->graph->sources[(string) $occasion->source];
            }
        }

        return null;
    }

    /** What feeds the rig in a state: where it does not say which shore supply, the first. */
    private function sourceOf(Occasion $occasion): ?Source
    {
        $shore = $occasion->about === About::Shore ? $this->shore() : null;

        return $this->graph->sources[$occasion->source ?? ($shore->source ?? '')] ?? null;
    }

    private function shore(): ?Supply
    {
        foreach ($this->graph->supplies as $supply) {
            if ($supply->kind === 'shore') {
                return $supply;
            }
        }

        return null;
    }

    /**
     * Each shore supply plugged in, with each thing that can be wrong with its pedestal: one faulty value of one
     * surrounding at a time, everything else as usual.
     *
     * @return list<NamedState>
     */
    public static function faults(Graph $graph): array
    {
        $make = new self($graph);
        $states = [];
        $shores = array_filter($graph->supplies, fn(Supply $s): bool => $s->kind === 'shore');
        foreach ($shores as $shore) {
            $first = $shore->component === array_key_first($shores);
            $largest = (string) array_key_first($shore->ratingsA);
            $surrounding = $graph->surroundings[(string) $graph->sources[$shore->source]->surrounding];
            $faults = array_intersect_key($surrounding->values, array_flip($surrounding->faults()));
            foreach (['high' => $surrounding->values['high']] + $faults as $condition => $words) {
                if ($condition === 'wired_240' && ($shore->ratingsA[$largest] ?? 0.0) !== 30.0) {
                    continue;
                }
                $fault = new OutsideFault($shore->component, $surrounding->id, $condition, $words, $first);
                $occasion = new Occasion(
                    $shore->component,
                    $first ? "fault_{$condition}" : "fault_{$condition}_{$shore->component}",
                    $first ? "shore: {$words}" : "{$graph->label($shore->component)}: {$words}",
                    '',
                    About::Shore,
                    'W' . (count($states) + 1),
                    $shore->source,
                    $largest,
                    $condition,
                    'charge',
                );
                $states[] = $make->state($occasion, $occasion->kind, $occasion->title, 'fault', $fault);
            }
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
        Occasion $occasion,
        string $id,
        string $title,
        string $group = 'usual',
        ?OutsideFault $fault = null,
    ): NamedState {
        $source = $this->sourceOf($occasion);
        $shore = $occasion->about === About::Shore ? $this->shore() : null;
        $position = $occasion->position ?? ($shore === null ? null : (string) array_key_first($shore->ratingsA));
        $feeds = $occasion->besideInverter ? $this->inverter() : null;
        $also = $occasion->also + ($occasion->about === About::Driving ? $this->graph->towed : []);
        $controls = [];
        foreach ($this->graph->devices as $device) {
            if ($device->isAutomatic()) {
                continue;
            }
            $controls[$device->id] = match (true) {
                isset($device->positions[$also[$device->id] ?? '']) => $also[$device->id],
                $device->job === 'mode' => isset($device->positions[$occasion->mode]) ? $occasion->mode : 'off',
                $device->job === 'disconnect' => $occasion->disconnect,
                $device->job === 'run' => $source?->device === $device->id ? 'running' : $device->positionNames()[0],
                $device->selects !== [] => $this->choice($device, $source, $position, $feeds),
                isset($device->positions['past']) => $occasion->bypass,
                default => $device->normal,
            };
        }
        foreach ($occasion->inverting ? $this->graph->instructions : [] as $instruction) {
            if (isset($controls[$instruction['device']])) {
                $controls[$instruction['device']] = $instruction['position'];
            }
        }
        $surroundings = array_map(fn(Surrounding $s): string => $s->usual, $this->graph->surroundings);
        if ($source?->surrounding !== null) {
            $surroundings[$source->surrounding] = $occasion->condition;
        }
        $surroundings = array_intersect_key($occasion->also, $surroundings) + $surroundings;
        $letter = $occasion->letter === '' ? (string) $source?->letter : $occasion->letter;

        return new NamedState(
            $id,
            $letter,
            $title,
            new Setting($controls, $surroundings),
            $group,
            $occasion->about,
            $occasion->charge,
            $fault,
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
