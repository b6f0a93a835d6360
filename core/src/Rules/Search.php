<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\DirectSide;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Untouched;

/** Asks every state rule about every state of a rig, and finds the nearest way to each hazard. */
final class Search
{
    /** A neutral-ground overlap or a joint shorter than this is no finding, s. */
    public const PASSING_S = 0.1;

    /** Settings that are gone through where there are too many for all. */
    private const MOST_SETTINGS = 20_000;

    private readonly Hazards $hazards;

    private readonly Untouched $untouched;

    private readonly Distances $distances;

    /** Settings gone through. */
    private int $settings = 0;

    /** @var array<string, array{slips: int, setting: Setting, state: ?string, words: string, states: list<string>}> */
    private array $best = [];

    /** @var list<Found> */
    private array $found = [];

    public readonly Proof $proof;

    private DirectSide $direct;

    /** @param bool $prevented whether it is looked for what undoes a protection: more than half of the work */
    public function __construct(private readonly Examination $rig, private readonly bool $prevented = true)
    {
        $this->hazards = new Hazards($rig);
        $this->untouched = new Untouched($rig->engine);
        $this->distances = new Distances($rig);
        $this->proof = $this->searched();
    }

    private function searched(): Proof
    {
        $enumeration = new Enumeration($this->rig->engine);
        $this->direct = new DirectSide($this->rig->engine, $this->rig->named);
        $apart = new Enumeration($this->rig->engine, $this->direct->controls);
        $enumerated = $apart->reduced() * count($this->direct->told) <= Enumeration::BOUND;
        $this->named();
        $near = $enumerated ? $this->all($apart) : $this->nearby($enumeration);
        $this->directly();
        foreach ($this->best as $key => $b) {
            $this->found[] = Found::set($key, $b['setting'], $b['state'], $b['slips'], $b['words'], $b['states']);
        }
        $histories = new Histories($this->rig, $this->untouched);
        $this->endings($histories);
        $this->passing($histories);
        $this->outside();
        $extent = match (true) {
            $enumerated && $this->direct->whole => Extent::All,
            $near => Extent::TwoSlips,
            default => Extent::OneSlip,
        };
        $undoing = $this->prevented ? $this->undoing($extent) : null;
        $found = array_map(
            fn(Found $f): Found => $f->kind === 'slips' && $f->slips > 0 ? $f->orBy($undoing?->nearer($f->key)) : $f,
            $this->found,
        );

        return new Proof(
            $found,
            $undoing?->prevented() ?? [],
            new Coverage(
                $extent,
                $enumeration->total(),
                $this->settings + count($this->direct->joined),
                $this->rig->engine->situationCount(),
                array_map(Naming::device(...), array_keys($this->rig->engine->network->left)),
            ),
        );
    }

    private function undoing(Extent $extent): Undoing
    {
        $whole = $extent === Extent::All && $this->rig->engine->network->left === [];
        [$found, $outside] = [$this->slips(), $this->outsideFound];

        return new Undoing($this->rig, $this->hazards, $found, $outside, $this->untouched, $this->isAlike(...), $whole);
    }

    /** @return array<string, int> hazards that controls alone show => fewest slips */
    private function slips(): array
    {
        return array_map(fn(array $b): int => $b['slips'], $this->best) +
            array_map(fn(): int => 0, $this->reached + $this->passed);
    }

    private function named(): void
    {
        foreach ($this->rig->settled as $state => $settled) {
            foreach ($this->hazards->of($settled->situation) as $key) {
                $title = Naming::state($state);
                if (!isset($this->best[$key])) {
                    $this->best[$key] = [
                        'slips' => 0,
                        'setting' => $settled->setting,
                        'state' => $state,
                        'words' => $title,
                        'states' => [$state],
                    ];
                } else {
                    $this->best[$key]['words'] .= " · {$title}";
                    $this->best[$key]['states'][] = $state;
                }
            }
        }
    }

    /** Every setting of what the battery side does not settle by itself, times what it can tell the rest. */
    private function all(Enumeration $apart): true
    {
        $controls = array_map(fn($d): string => $d->id, $apart->controls());
        // Where the battery side is not gone through by itself, its rules are asked here.
        $ask = $this->direct->controls === [] ? $this->hazards->of(...) : $this->hazards->ofRest(...);
        foreach ($this->direct->told as ['setting' => $direct, 'nearest' => $nearest]) {
            $known = [];
            foreach ($apart->settings($direct) as $number => $setting) {
                $this->settings++;
                $shown = $known[$number] ?? null;
                if ($shown === null) {
                    $settled = $this->rig->engine->settle($setting);
                    $shown = $ask($settled->situation);
                    foreach ($apart->alike($number, $setting, $this->untouched->of($settled)) as $other) {
                        $known[$other] = $shown;
                    }
                }
                $hits = [];
                foreach ($shown as $key) {
                    if (($this->best[$key]['slips'] ?? 1) > 0) {
                        $hits[] = $key;
                    }
                }
                if ($hits !== []) {
                    $this->better($hits, $this->nearest($setting, $controls, $nearest));
                }
            }
        }

        return true;
    }

    /**
     * The setting that tells the rest the same and is the fewest slips from a named state.
     *
     * @param list<string> $controls without those of the battery side
     * @param array<string, array{int, array<string, string>}> $nearest settings of the battery side, by named state
     */
    private function nearest(Setting $setting, array $controls, array $nearest): Setting
    {
        if ($this->direct->controls === []) {
            return $setting;
        }
        $fewest = PHP_INT_MAX;
        $with = [];
        foreach ($this->rig->named as $id => $state) {
            [$slips, $direct] = $nearest[$id];
            foreach ($controls as $control) {
                $slips +=
                    $state->setting->controls[$control] !== $setting->controls[$control] &&
                    !$this->rig->graph->devices[$control]->byItself
                        ? 1
                        : 0;
            }
            if ($slips < $fewest) {
                $fewest = $slips;
                $with = $direct;
            }
        }

        return new Setting($with + $setting->controls, $setting->surroundings);
    }

    /** @param list<string> $hits of a setting, or of one that is alike and nearer */
    private function better(array $hits, Setting $setting): void
    {
        $distance = null;
        foreach ($hits as $key) {
            if (($this->best[$key]['slips'] ?? PHP_INT_MAX) === 0) {
                continue;
            }
            [$slips, $words] = $distance ??= $this->distances->of($setting);
            if ($slips < ($this->best[$key]['slips'] ?? PHP_INT_MAX)) {
                $this->best[$key] = [
                    'slips' => $slips,
                    'setting' => $setting,
                    'state' => null,
                    'words' => $words,
                    'states' => [],
                ];
            }
        }
    }

    /** Every way the battery side can be joined, seen from the named state it is nearest to. */
    private function directly(): void
    {
        foreach ($this->direct->joined as ['setting' => $direct, 'state' => $state]) {
            $setting = $this->rig->named[$state]->setting;
            $setting = new Setting($direct + $setting->controls, $setting->surroundings);
            $this->better($this->hazards->ofDirect($this->rig->engine->settle($setting)->situation), $setting);
        }
    }

    /**
     * Settings within two slips of a named state, when there are too many to go through; false where those within two
     * were too many as well.
     */
    private function nearby(Enumeration $enumeration): bool
    {
        $near = [];
        foreach ($this->rig->named as $id => $state) {
            $untouched = $this->untouched->of($this->rig->settled[$id]);
            foreach ($enumeration->controls() as $i => $first) {
                foreach (isset($untouched[$first->id]) ? [] : $first->positionNames() as $p) {
                    $one = $state->setting->with($first->id, $p);
                    $near[] = [$i, $one, $this->untouched->of($this->look($one))];
                }
            }
        }
        foreach ($near as [$i, $one, $beside]) {
            foreach (array_slice($enumeration->controls(), $i + 1) as $second) {
                foreach (isset($beside[$second->id]) ? [] : $second->positionNames() as $q) {
                    if ($this->settings >= self::MOST_SETTINGS) {
                        return false;
                    }
                    $this->look($one->with($second->id, $q));
                }
            }
        }

        return true;
    }

    private function look(Setting $setting): Settled
    {
        $this->settings++;
        $settled = $this->rig->engine->settle($setting);
        $this->better($this->hazards->of($settled->situation), $setting);

        return $settled;
    }

    /** Hazards of ends that a setting comes to only from somewhere. */
    private function endings(Histories $histories): void
    {
        $found = [];
        foreach ($histories->ends() as $end) {
            foreach ($this->hazards->of($end['end']->situation) as $key) {
                if (!isset($this->best[$key]) && $end['slips'] < ($found[$key]['slips'] ?? PHP_INT_MAX)) {
                    $found[$key] = $end;
                }
            }
        }
        foreach ($found as $key => $end) {
            $this->found[] = Found::reached(
                $key,
                $end['end']->setting,
                $end['from'],
                $end['state'],
                $end['slips'],
                $end['words'],
            );
            $this->reached[$key] = true;
        }
    }

    /** @var array<string, true> hazards of such ends */
    private array $reached = [];

    /** @var array<string, true> hazards on the way somewhere */
    private array $passed = [];

    private function passing(Histories $histories): void
    {
        foreach ($histories->passing() as $on) {
            foreach ($this->hazards->of($on->situation) as $key) {
                if (!isset($this->best[$key]) && !isset($this->reached[$key]) && !isset($this->passed[$key])) {
                    $this->passed[$key] = true;
                    $this->found[] = Found::passing($key, $on->setting, $on->from, $on->step, $on->words);
                }
            }
        }
    }

    /** @var array<string, array{slips: int, words: string}> hazards that need a faulty pedestal */
    private array $outsideFound = [];

    /** Hazards that need a faulty pedestal: one failure, and at most one slip beside it. */
    private function outside(): void
    {
        $enumeration = new Enumeration($this->rig->engine);
        $found = [];
        foreach ($this->rig->graph->surroundings as $id => $surrounding) {
            $met = [];
            foreach ($this->rig->named as $name => $state) {
                // At that pedestal, sound; supplies that differ in rating only are one.
                if (
                    $surrounding->matters($state->setting->controls) &&
                    $state->setting->surroundings[$id] === $surrounding->distinct()[0]
                ) {
                    $met[$this->rig->settled[$name]->situation->key] ??= $state;
                }
            }
            foreach ($surrounding->faults() as $fault) {
                foreach ($met as $state) {
                    $faulty = new Setting($state->setting->controls, [$id => $fault] + $state->setting->surroundings);
                    $this->outsideHits($faulty, 0, Naming::condition($id, $fault), $found);
                    foreach ($enumeration->controls() as $control) {
                        foreach (
                            $control->matters($faulty->controls) ? $enumeration->positions($control) : []
                            as $position
                        ) {
                            if (
                                $position !== $faulty->controls[$control->id] &&
                                !$this->isAlike($faulty, $control->id, $position)
                            ) {
                                $this->outsideHits(
                                    $faulty->with($control->id, $position),
                                    1,
                                    sprintf(
                                        '%s, and one slip: %s %s',
                                        Naming::condition($id, $fault),
                                        Naming::device($control->id),
                                        Naming::position($control->id, $position),
                                    ),
                                    $found,
                                );
                            }
                        }
                    }
                }
            }
        }
        $this->outsideFound = array_map(
            fn(array $f): array => ['slips' => $f['slips'], 'words' => 'a pedestal with ' . $f['words']],
            $found,
        );
        foreach ($found as $key => $f) {
            $this->found[] = Found::outside($key, $f['setting'], $f['slips'], $f['words']);
        }
    }

    /** @param array<string, array{slips: int, words: string, setting: Setting}> $found */
    private function outsideHits(Setting $setting, int $slips, string $words, array &$found): void
    {
        $settled = $this->rig->engine->settle($setting);
        foreach ($this->hazards->of($settled->situation) as $key) {
            if (!isset($this->best[$key]) && $slips < ($found[$key]['slips'] ?? PHP_INT_MAX)) {
                $found[$key] = ['slips' => $slips, 'words' => $words, 'setting' => $setting];
            }
        }
    }

    /** Whether a slip on the battery side makes no odds to the other: then it is no nearer than none. */
    private function isAlike(Setting $setting, string $control, string $position): bool
    {
        return isset($this->direct->controls[$control]) &&
            $this->direct->tells($setting) === $this->direct->tells($setting->with($control, $position));
    }
}
