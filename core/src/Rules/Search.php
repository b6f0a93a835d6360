<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Device;
use Hollin\Core\States\DirectSide;
use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Failure;
use Hollin\Core\States\NamedState;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Situation;

/** Asks every state rule about every state of a rig, and finds the nearest way to each hazard. */
final class Search
{
    /** A neutral-ground overlap or a joint shorter than this is no finding, s. */
    private const PASSING_S = 0.1;

    /** @var list<StateRule> */
    private array $stateRules = [];

    /** @var array<string, list<string>> situation => hazards */
    private array $hitsOf = [];

    /** @var array<string, array{slips: int, setting: Setting, state: ?string, words: string, states: list<string>}> */
    private array $best = [];

    /** @var list<Found> */
    private array $found = [];

    /** @var list<Prevented> */
    private array $prevented = [];

    public readonly Proof $proof;

    private readonly DirectSide $direct;

    public function __construct(private readonly Examination $rig)
    {
        $this->stateRules = array_values(array_filter(RuleBook::rules(), fn(Rule $r): bool => $r instanceof StateRule));
        $enumeration = new Enumeration($this->rig->engine);
        $this->direct = new DirectSide($this->rig->engine, $this->rig->named);
        $apart = new Enumeration($this->rig->engine, $this->direct->controls);
        $reduced = $apart->reduced() * count($this->direct->told);
        $enumerated = $reduced <= Enumeration::BOUND;
        $this->named();
        $enumerated ? $this->all($apart) : $this->nearby($enumeration);
        $this->directly();
        foreach ($this->best as $key => $b) {
            $this->found[] = Found::set($key, $b['setting'], $b['state'], $b['slips'], $b['words'], $b['states']);
        }
        $this->histories();
        $this->passing();
        $this->outside();
        $this->failures();
        $this->proof = new Proof($this->found, $this->prevented, $enumeration->total(), $reduced + count($this->direct->joined), $this->rig->engine->situationCount(), $enumerated && $this->direct->whole);
    }

    private function named(): void
    {
        foreach ($this->rig->settled as $state => $settled) {
            foreach ($this->hits($settled->situation) as $key) {
                $title = $this->rig->named[$state]->title;
                if (!isset($this->best[$key])) {
                    $this->best[$key] = ['slips' => 0, 'setting' => $settled->setting, 'state' => $state, 'words' => $title, 'states' => [$state]];
                } else {
                    $this->best[$key]['words'] .= " · {$title}";
                    $this->best[$key]['states'][] = $state;
                }
            }
        }
    }

    /** Every setting of what the battery side does not settle by itself, times what it can tell the rest. */
    private function all(Enumeration $apart): void
    {
        $controls = array_map(fn($d): string => $d->id, $apart->controls());
        foreach ($this->direct->told as ['setting' => $direct, 'nearest' => $nearest]) {
            foreach ($apart->settings($direct) as $setting) {
                $hits = $this->ofSide(false, $this->rig->engine->settle($setting)->situation);
                if ($hits !== []) {
                    $this->better($hits, $this->nearest($setting, $controls, $nearest));
                }
            }
        }
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
                $slips += $state->setting->controls[$control] !== $setting->controls[$control] && !$this->rig->graph->devices[$control]->byItself ? 1 : 0;
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
            [$slips, $words] = $distance ??= $this->distance($setting);
            if ($slips < ($this->best[$key]['slips'] ?? PHP_INT_MAX)) {
                $this->best[$key] = ['slips' => $slips, 'setting' => $setting, 'state' => null, 'words' => $words, 'states' => []];
            }
        }
    }

    /** Every way the battery side can be joined, seen from the named state it is nearest to. */
    private function directly(): void
    {
        foreach ($this->direct->joined as ['setting' => $direct, 'state' => $state]) {
            $setting = $this->rig->named[$state]->setting;
            $setting = new Setting($direct + $setting->controls, $setting->surroundings);
            $this->better($this->ofSide(true, $this->rig->engine->settle($setting)->situation), $setting);
        }
    }

    /** @return list<string> hazards of the battery side alone, or all others; all where that side is not gone through by itself */
    private function ofSide(bool $direct, Situation $situation): array
    {
        $hits = $this->hits($situation);
        if ($hits === [] || $this->direct->controls === []) {
            return $hits;
        }
        $this->ofDirect ??= array_fill_keys(array_map(self::id(...), array_filter($this->stateRules, fn(StateRule $r): bool => $r instanceof OfDirectCurrent)), true);

        return array_values(array_filter($hits, fn(string $key): bool => isset($this->ofDirect[strstr($key, '|', true)]) === $direct));
    }

    /** @var ?array<string, true> rules of the battery side alone */
    private ?array $ofDirect = null;

    /** Settings within two slips of a named state, when there are too many to go through. */
    private function nearby(Enumeration $enumeration): void
    {
        foreach ($this->rig->named as $state) {
            foreach ($enumeration->controls() as $i => $first) {
                foreach ($first->positionNames() as $p) {
                    $one = $state->setting->with($first->id, $p);
                    $this->better($this->hits($this->rig->engine->settle($one)->situation), $one);
                    foreach (array_slice($enumeration->controls(), $i + 1) as $second) {
                        foreach ($second->positionNames() as $q) {
                            $two = $one->with($second->id, $q);
                            $this->better($this->hits($this->rig->engine->settle($two)->situation), $two);
                        }
                    }
                }
            }
        }
    }

    /** Hazards of ends that a setting comes to only from somewhere. */
    private function histories(): void
    {
        $found = [];
        foreach ((new Histories($this->rig))->ends() as $end) {
            foreach ($this->hits($end['end']->situation) as $key) {
                if (!isset($this->best[$key]) && $end['slips'] < ($found[$key]['slips'] ?? PHP_INT_MAX)) {
                    $found[$key] = $end;
                }
            }
        }
        foreach ($found as $key => $end) {
            $this->found[] = Found::reached($key, $end['end']->setting, $end['from'], $end['state'], $end['slips'], $end['words']);
            $this->reached[$key] = true;
        }
    }

    /** @var array<string, true> hazards of such ends */
    private array $reached = [];

    private function passing(): void
    {
        $found = [];
        foreach ($this->rig->named as $id => $state) {
            foreach ($this->rig->engine->automatic() as $device => $logic) {
                foreach ($logic->positionNames() as $from) {
                    foreach ($this->rig->engine->settle($state->setting, [$device => $from])->passing as $step => $passing) {
                        if ($passing['lastsS'] < self::PASSING_S) {
                            continue;
                        }
                        foreach ($this->hits($passing['situation']) as $key) {
                            if (!isset($this->best[$key]) && !isset($this->reached[$key]) && !isset($found[$key])) {
                                $found[$key] = true;
                                $this->found[] = Found::passing($key, $state->setting, [$device => $from], $step, $state->title);
                            }
                        }
                    }
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
                if ($surrounding->matters($state->setting->controls) && $state->setting->surroundings[$id] === $surrounding->distinct()[0]) {
                    $met[$this->rig->settled[$name]->situation->key] ??= $state;
                }
            }
            foreach ($surrounding->faults() as $fault) {
                foreach ($met as $state) {
                    $faulty = new Setting($state->setting->controls, [$id => $fault] + $state->setting->surroundings);
                    $this->outsideHits($faulty, 0, $surrounding->values[$fault], $found);
                    foreach ($enumeration->controls() as $control) {
                        foreach ($control->matters($faulty->controls) ? $enumeration->positions($control) : [] as $position) {
                            if ($position !== $faulty->controls[$control->id] && !$this->isAlike($faulty, $control->id, $position)) {
                                $this->outsideHits($faulty->with($control->id, $position), 1, sprintf('%s, and one slip: %s %s', $surrounding->values[$fault], $control->label, $control->positions[$position]), $found);
                            }
                        }
                    }
                }
            }
        }
        $this->outsideFound = array_map(fn(array $f): array => ['slips' => $f['slips'], 'words' => 'a pedestal with ' . $f['words']], $found);
        foreach ($found as $key => $f) {
            $this->found[] = Found::outside($key, $f['setting'], $f['slips'], $f['words']);
        }
    }

    /** @param array<string, array{slips: int, words: string, setting: Setting}> $found */
    private function outsideHits(Setting $setting, int $slips, string $words, array &$found): void
    {
        $settled = $this->rig->engine->settle($setting);
        foreach ($this->hits($settled->situation) as $key) {
            if (!isset($this->best[$key]) && $slips < ($found[$key]['slips'] ?? PHP_INT_MAX)) {
                $found[$key] = ['slips' => $slips, 'words' => $words, 'setting' => $setting];
            }
        }
    }

    private function failures(): void
    {
        $undone = $whole = [];
        $enumeration = new Enumeration($this->rig->engine);
        // Named states that set the same contacts under the same surroundings are one here.
        $apart = [];
        foreach ($this->rig->named as $id => $state) {
            $apart[$this->rig->settled[$id]->situation->key . json_encode([$state->setting->surroundings, array_diff_key($state->setting->controls, $this->plugs())])] ??= $state;
        }
        $failures = Failure::ofNetwork($this->rig->engine->network);
        foreach ($apart as $state) {
            $this->failuresHit($failures, $state, $state->setting, 0, $undone);
        }
        foreach ($apart as $state) {
            foreach ($enumeration->controls() as $control) {
                if (!$control->matters($state->setting->controls)) {
                    continue;
                }
                foreach ($enumeration->positions($control) as $position) {
                    if ($position !== ($state->setting->controls[$control->id] ?? $position) && !$this->isAlike($state->setting, $control->id, $position)) {
                        $this->failuresHit($failures, $state, $state->setting->with($control->id, $position), 1, $undone);
                    }
                }
            }
        }
        foreach ($this->rig->graph->devices as $id => $device) {
            if (!$device->isAutomatic() && $device->selects === []) {
                continue;
            }
            $whole[$id] = new Failure("{$id}.whole", $device->component, '', array_fill_keys($this->rig->engine->network->polesOf[$id] ?? [], true));
        }
        foreach ($this->stateRules as $rule) {
            foreach ($rule instanceof Claims ? $rule->claims($this->rig) : [] as $claim) {
                $this->claim(self::id($rule), $claim, $undone, $whole);
            }
        }
    }

    /** Whether a slip on the battery side makes no odds to the other: then it is no nearer than none. */
    private function isAlike(Setting $setting, string $control, string $position): bool
    {
        return isset($this->direct->controls[$control]) && $this->direct->tells($setting) === $this->direct->tells($setting->with($control, $position));
    }

    /** @return array<string, true> plugs, whose mated positions are alike */
    private function plugs(): array
    {
        return array_map(fn(): bool => true, array_filter($this->rig->graph->devices, fn($d): bool => $d->job === 'plug'));
    }

    /**
     * @param list<Failure> $failures
     * @param array<string, array{slips: int, failure: Failure}> $undone
     */
    private function failuresHit(array $failures, NamedState $state, Setting $setting, int $slips, array &$undone): void
    {
        // It fails, or somebody slips, in a rig that has come to rest.
        $rest = $this->rig->settled[$state->id]->positions;
        $sound = $this->rig->engine->settle($setting, $rest);
        foreach ($failures as $failure) {
            $settled = $sound->isTouchedBy($failure) ? $this->rig->engine->settle($setting, $rest, $failure) : $sound;
            foreach ($this->claimedHits($settled->situation) as $key) {
                $at = "{$key}#{$failure->id}";
                if (!isset($this->best[$key]) && $slips < ($undone[$at]['slips'] ?? PHP_INT_MAX)) {
                    $undone[$at] = ['slips' => $slips, 'failure' => $failure];
                }
            }
        }
    }

    /**
     * @param array<string, array{slips: int, failure: Failure}> $undone
     * @param array<string, Failure> $whole
     */
    private function claim(string $ruleId, Claim $claim, array $undone, array $whole): void
    {
        $prefix = "{$ruleId}|{$claim->keyPrefix}";
        foreach ($this->best + $this->reached as $key => $_) {
            if (str_starts_with($key, $prefix)) {
                return;
            }
        }
        $failures = [];
        $by = [];
        foreach ($this->outsideFound as $key => $failure) {
            if (str_starts_with($key, $prefix)) {
                $failures[$failure['words']] = $failure;
            }
        }
        $poles = [];
        foreach ($undone as $key => ['slips' => $slips, 'failure' => $failure]) {
            if (str_starts_with($key, $prefix)) {
                // One name covers several contacts: those that need the fewest slips speak.
                if ($slips < ($failures[$failure->words]['slips'] ?? PHP_INT_MAX)) {
                    $failures[$failure->words] = ['slips' => $slips, 'words' => $failure->words];
                    $poles[$failure->words] = [];
                }
                if ($slips === $failures[$failure->words]['slips'] && $failure->pole !== '') {
                    $poles[$failure->words][$failure->pole] = true;
                }
                $by[$failure->component] = $this->rig->graph->label($failure->component);
            }
        }
        foreach (array_filter($poles) as $words => $which) {
            $failures[$words] = ['slips' => $failures[$words]['slips'] ?? 0, 'words' => $words . ' (' . implode(' or ', array_keys($which)) . ')'];
        }
        if ($by === []) {
            foreach ($this->wholeHits ??= $this->wholeHits($whole) as $component => $keys) {
                foreach ($keys as $key => $_) {
                    if (str_starts_with((string) $key, $prefix)) {
                        $by[$component] = $this->rig->graph->label($component);
                    }
                }
            }
        }
        $name = $by === [] ? 'how it is wired' : implode(' and ', $by);
        $this->prevented[] = new Prevented($ruleId, $claim->title, $name, array_values($failures), $failures === []
            ? "{$name}; survives any single failure"
            : "{$name}; undone by one failure: " . implode(', or ', array_map(fn(array $f): string => $f['words'] . ($f['slips'] === 1 ? ' and one slip' : ''), $failures)));
    }

    /** @var ?array<string, array<string, true>> */
    private ?array $wholeHits = null;

    /**
     * What shows in the named states if a device that keeps things apart kept nothing apart.
     *
     * @param array<string, Failure> $whole
     * @return array<string, array<string, true>> component => hazards
     */
    private function wholeHits(array $whole): array
    {
        $hits = [];
        foreach ($whole as $failure) {
            foreach ($this->rig->named as $state) {
                foreach ($this->claimedHits($this->rig->engine->settle($state->setting, [], $failure)->situation) as $key) {
                    $hits[$failure->component][$key] = true;
                }
            }
        }

        return $hits;
    }

    /** @var array<string, list<string>> */
    private array $claimedHitsOf = [];

    /** @return list<string> hazards of the rules that claim something is impossible */
    private function claimedHits(Situation $situation): array
    {
        if (!isset($this->claimedHitsOf[$situation->key])) {
            $keys = [];
            foreach ($this->stateRules as $rule) {
                foreach ($rule instanceof Claims ? $rule->hits($situation, $this->rig) : [] as $hit) {
                    $keys[] = self::id($rule) . '|' . $hit->key;
                }
            }
            $this->claimedHitsOf[$situation->key] = $keys;
        }

        return $this->claimedHitsOf[$situation->key];
    }

    /** @return list<string> hazards of every state rule: rule and key */
    private function hits(Situation $situation): array
    {
        if (!isset($this->hitsOf[$situation->key])) {
            $hits = [];
            foreach ($this->stateRules as $rule) {
                foreach ($rule->hits($situation, $this->rig) as $hit) {
                    $hits[self::id($rule) . '|' . $hit->key] = true;
                }
            }
            $this->hitsOf[$situation->key] = array_keys($hits);
        }

        return $this->hitsOf[$situation->key];
    }

    private static function id(Rule $rule): string
    {
        static $ids = [];

        return $ids[$rule::class] ??= $rule::definition()->id;
    }

    /**
     * Slips from the nearest named state, and what they are.
     *
     * @return array{int, string}
     */
    private function distance(Setting $setting): array
    {
        $controls = $this->controls ??= array_map(fn(Device $d): string => $d->id, (new Enumeration($this->rig->engine))->controls());
        $best = PHP_INT_MAX;
        $words = '';
        $bestForgets = false;
        $instructed = array_column($this->rig->graph->instructions, 'device');
        foreach ($this->rig->named as $state) {
            $slipped = [];
            foreach ($controls as $id) {
                if ($state->setting->controls[$id] !== $setting->controls[$id]) {
                    $slipped[] = $id;
                }
            }
            // Of two ways equally short, the one that forgets an instruction says more.
            $forgets = array_intersect($slipped, $instructed) !== [];
            // What a set that starts by itself does is nobody's slip.
            $slips = count(array_filter($slipped, fn(string $id): bool => !$this->rig->graph->devices[$id]->byItself));
            if ($slips < $best || ($slips === $best && $forgets && !$bestForgets)) {
                $bestForgets = $forgets;
                $best = $slips;
                if ($slipped === []) {
                    return [0, $this->surroundingWords($setting) . " in \"{$state->title}\""];
                }
                $words = implode(' and ', array_map(function (string $id) use ($setting): string {
                    $device = $this->rig->graph->devices[$id];

                    return "{$device->label} {$device->positions[$setting->controls[$id]]}" . ($device->byItself ? ' by itself' : '');
                }, $slipped)) . " in \"{$state->title}\"";
            }
        }

        return [$best, $words];
    }

    /** @var ?list<string> everything that somebody can set */
    private ?array $controls = null;

    private function surroundingWords(Setting $setting): string
    {
        $words = [];
        foreach ($this->rig->graph->surroundings as $id => $surrounding) {
            $words[] = lcfirst($surrounding->label) . ' ' . ($surrounding->values[$setting->surroundings[$id] ?? ''] ?? '');
        }

        return implode(', ', $words);
    }
}
