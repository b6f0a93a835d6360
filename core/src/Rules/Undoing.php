<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\Enumeration;
use Hollin\Core\States\Failure;
use Hollin\Core\States\NamedState;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;
use Hollin\Core\States\Untouched;

/**
 * What a rig makes impossible, by what, and which single failure undoes that: at rest in a named state,
 * with one slip beside it, or while it passes from one named state to another.
 */
final class Undoing
{
    /**
     * @var array<string, array{slips: int, failure: Failure, lastsS: ?float, state: string}> hazard and failure => how
     *      near, and by which named state
     */
    private array $undone = [];

    /** @var ?array<string, array<string, true>> */
    private ?array $wholeHits = null;

    /** @var array<string, list<string>> */
    private array $hitsOf = [];

    /**
     * @var array<string, array<string, array<string, true>>> named state => failure => controls that nothing reaches
     *      then
     */
    private array $untouchedIn = [];

    private readonly FailedContacts $contacts;

    /** @var array<string, StateRule&Claims> those that claim anything, by id */
    private readonly array $rules;

    /**
     * @param array<string, int> $found hazards that controls alone show => fewest slips
     * @param array<string, array{slips: int, words: string}> $outside hazards that need a faulty pedestal
     * @param Untouched $untouched controls that nothing reaches
     * @param \Closure(Setting, string, string): bool $isAlike whether another position of a control makes no odds
     * @param bool $whole whether what controls show was looked for in every setting
     */
    public function __construct(
        private readonly Examination $rig,
        private readonly Hazards $hazards,
        private readonly array $found,
        private readonly array $outside,
        private readonly Untouched $untouched,
        private readonly \Closure $isAlike,
        private readonly bool $whole,
    ) {
        $this->rules = $hazards->claiming;
        $this->contacts = new FailedContacts($rig->engine);
        $this->try();
    }

    /** @return list<Prevented> */
    public function prevented(): array
    {
        $prevented = [];
        foreach ($this->rules as $id => $rule) {
            foreach ($rule->claims($this->rig) as $claim) {
                $of = $this->of("{$id}|{$claim->keyPrefix}", $id, $claim);
                if ($of !== null) {
                    $prevented[] = $of;
                }
            }
        }

        return $prevented;
    }

    private function try(): void
    {
        $enumeration = new Enumeration($this->rig->engine);
        // Named states that set the same contacts under the same surroundings are one here.
        $apart = [];
        foreach ($this->rig->named as $id => $state) {
            $apart[
                $this->rig->settled[$id]->situation->key .
                    json_encode([
                        $state->setting->surroundings,
                        array_diff_key($state->setting->controls, $this->plugs()),
                    ])
            ] ??= $state;
        }
        $failures = $this->contacts->alike(Failure::ofNetwork($this->rig->engine->network));
        $this->inNamed($failures, $apart);
        foreach ($apart as $state) {
            foreach ($enumeration->controls() as $control) {
                foreach (
                    $control->matters($state->setting->controls) ? $enumeration->positions($control) : []
                    as $position
                ) {
                    if (
                        $position !== ($state->setting->controls[$control->id] ?? $position) &&
                        !($this->isAlike)($state->setting, $control->id, $position)
                    ) {
                        $this->slip(
                            $this->touched($failures, $state->id, $control->id),
                            $state,
                            $state->setting->with($control->id, $position),
                        );
                    }
                }
            }
        }
    }

    /** @return array<string, true> plugs, whose mated positions are alike */
    private function plugs(): array
    {
        return array_map(
            fn(): bool => true,
            array_filter($this->rig->graph->devices, fn($d): bool => $d->job === 'plug'),
        );
    }

    /**
     * Failures with which a slip of a control is another thing than none.
     *
     * @param list<non-empty-list<Failure>> $failures
     * @return list<non-empty-list<Failure>>
     */
    private function touched(array $failures, string $state, string $control): array
    {
        return array_values(
            array_filter(
                $failures,
                fn(array $alike): bool => !isset($this->untouchedIn[$state][$alike[0]->id][$control]),
            ),
        );
    }

    /**
     * It fails, and somebody slips, in a rig that has come to rest.
     *
     * @param list<non-empty-list<Failure>> $failures
     */
    private function slip(array $failures, NamedState $state, Setting $setting): void
    {
        $rest = $this->rig->settled[$state->id]->positions;
        $sound = $this->rig->engine->settle($setting, $rest);
        foreach ($failures as $alike) {
            $settled = $this->contacts->matters($alike[0], $sound)
                ? $this->rig->engine->settle($setting, $rest, $alike[0])
                : $sound;
            $this->note($settled->situation, $alike, 1, null, $state->id);
        }
    }

    /**
     * It fails in a rig that has come to rest in a named state; or it has failed before, and the rig passes
     * from one named state to another: a welded contact joins two supplies for as long as the new one is
     * being qualified.
     *
     * @param list<non-empty-list<Failure>> $failures
     * @param array<string, NamedState> $states
     */
    private function inNamed(array $failures, array $states): void
    {
        $automatic = $this->rig->engine->automatic();
        $rests = [];
        foreach ($states as $state) {
            $rest = array_intersect_key($this->rig->settled[$state->id]->positions, $automatic);
            $rests[implode(',', $rest)] = $rest;
        }
        foreach ($states as $state) {
            $sounds = array_map(fn(array $from): Settled => $this->rig->engine->settle($state->setting, $from), $rests);
            $anyway = [];
            foreach ($sounds as $sound) {
                foreach ($sound->passing as $passing) {
                    $anyway += array_fill_keys(
                        $passing['lastsS'] < Search::PASSING_S ? [] : $this->hits($passing['situation']),
                        true,
                    );
                }
            }
            $own = implode(',', array_intersect_key($this->rig->settled[$state->id]->positions, $automatic));
            foreach ($rests as $at => $from) {
                foreach ($failures as $alike) {
                    $settled = $this->contacts->matters($alike[0], $sounds[$at])
                        ? $this->rig->engine->settle($state->setting, $from, $alike[0])
                        : null;
                    if ($at === $own) {
                        $this->untouchedIn[$state->id][$alike[0]->id] = $this->untouched->of($settled ?? $sounds[$at]);
                        $this->note(($settled ?? $sounds[$at])->situation, $alike, 0, null, $state->id);
                    }
                    foreach ($settled->passing ?? [] as $passing) {
                        if ($passing['lastsS'] >= Search::PASSING_S) {
                            $this->note($passing['situation'], $alike, 0, $passing['lastsS'], $state->id, $anyway);
                        }
                    }
                }
            }
        }
    }

    /**
     * @param non-empty-list<Failure> $alike
     * @param array<string, true> $anyway hazards that show there without any failure
     */
    private function note(
        Situation $situation,
        array $alike,
        int $slips,
        ?float $lastsS,
        string $state,
        array $anyway = [],
    ): void {
        foreach ($this->hits($situation) as $key) {
            foreach (isset($anyway[$key]) ? [] : $alike as $failure) {
                if ($slips >= ($this->found[$key] ?? PHP_INT_MAX)) {
                    continue;
                }
                $at = "{$key}#{$failure->id}" . ($lastsS === null ? '' : '~');
                if ($slips < ($this->undone[$at]['slips'] ?? PHP_INT_MAX)) {
                    $this->undone[$at] = [
                        'slips' => $slips,
                        'failure' => $failure,
                        'lastsS' => $lastsS,
                        'state' => $state,
                    ];
                }
            }
        }
    }

    private function of(string $prefix, string $ruleId, Claim $claim): ?Prevented
    {
        foreach ($this->found as $key => $_) {
            if (str_starts_with($key, $prefix)) {
                return null;
            }
        }
        $ways = [];
        foreach ($this->outside as $key => $failure) {
            if (str_starts_with($key, $prefix)) {
                $ways[$failure['words']] = $failure;
            }
        }
        [$failed, $by] = $this->byFailures($prefix);
        $ways = array_values($ways + $failed);
        if ($by === []) {
            foreach ($this->wholeHits ??= $this->wholeHits() as $component => $keys) {
                foreach ($keys as $key => $_) {
                    if (str_starts_with((string) $key, $prefix)) {
                        $by[$component] = Naming::component($component);
                    }
                }
            }
        }
        $name = $by === [] ? 'how it is wired' : implode(' and ', $by);

        $far = $this->whole ? '' : ', as far as was checked';

        return new Prevented(
            $ruleId,
            $claim->title,
            $name,
            $ways,
            $ways === []
                ? "{$name}{$far}; survives any single failure" . ($this->whole ? '' : ' that was tried')
                : "{$name}{$far}; undone by one failure: " .
                    implode(
                        ', or ',
                        array_map(
                            fn(array $f): string => $f['words'] . ($f['slips'] === 1 ? ' and one slip' : ''),
                            $ways,
                        ),
                    ),
            $this->whole,
        );
    }

    /**
     * @return array{array<string, array{slips: int, words: string, state: string}>, array<string, string>} failures
     *      that bring a hazard about, and the parts that keep it off
     */
    private function byFailures(string $prefix): array
    {
        $ways = $poles = $by = [];
        // At rest before on the way: what lasts is not told as passing.
        foreach ([null, ''] as $passing) {
            foreach (
                $this->undone
                as $key => ['slips' => $slips, 'failure' => $failure, 'lastsS' => $lastsS, 'state' => $state]
            ) {
                $words = $failure->words;
                if (!str_starts_with($key, $prefix) || ($lastsS === null) !== ($passing === null)) {
                    continue;
                }
                $by[$failure->component] = Naming::component($failure->component);
                if ($lastsS !== null) {
                    if (($ways[$words]['slips'] ?? 1) === 0) {
                        continue;
                    }
                    $words .= sprintf(', for %.2g s', $lastsS);
                }
                // One name covers several contacts: those that need the fewest slips speak.
                if ($slips < ($ways[$words]['slips'] ?? PHP_INT_MAX)) {
                    $ways[$words] = ['slips' => $slips, 'words' => $words, 'state' => $state];
                    $poles[$words] = [];
                }
                if ($slips === $ways[$words]['slips'] && $failure->pole !== '') {
                    $poles[$words][$failure->pole] = true;
                }
            }
        }
        foreach (array_filter($poles) as $words => $which) {
            $ways[$words] =
                ['words' => $words . ' (' . implode(' or ', array_keys($which)) . ')'] +
                ($ways[$words] ?? ['slips' => 0, 'state' => '']);
        }

        return [$ways, $by];
    }

    /**
     * What shows in the named states if a device that keeps things apart kept nothing apart.
     *
     * @return array<string, array<string, true>> component => hazards
     */
    private function wholeHits(): array
    {
        $hits = [];
        foreach ($this->rig->graph->devices as $id => $device) {
            if (!$device->isAutomatic() && $device->selects === []) {
                continue;
            }
            $failure = new Failure(
                "{$id}.whole",
                $device->component,
                '',
                array_fill_keys($this->rig->engine->network->polesOf[$id] ?? [], true),
            );
            foreach ($this->rig->named as $state) {
                foreach ($this->hits($this->rig->engine->settle($state->setting, [], $failure)->situation) as $key) {
                    $hits[$device->component][$key] = true;
                }
            }
        }

        return $hits;
    }

    /**
     * The single failure that brings a hazard about with fewer slips than controls alone, if there is one.
     *
     * @return ?array{slips: int, words: string}
     */
    public function nearer(string $key): ?array
    {
        $nearest = null;
        foreach ($this->undone as $at => ['slips' => $slips, 'failure' => $failure, 'lastsS' => $lastsS]) {
            if ($lastsS === null && str_starts_with($at, "{$key}#") && $slips < ($nearest['slips'] ?? PHP_INT_MAX)) {
                $nearest = ['slips' => $slips, 'words' => $failure->words];
            }
        }

        return $nearest;
    }

    /** @return list<string> hazards of the rules that claim something is impossible, but what needs no slip at all */
    private function hits(Situation $situation): array
    {
        return $this->hitsOf[$situation->key] ??= array_values(
            array_filter($this->hazards->claimed($situation), fn(string $key): bool => ($this->found[$key] ?? 1) > 0),
        );
    }
}
