<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\States\NamedState;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Setting;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Untouched;

/**
 * Ends that a setting comes to only from somewhere: a contactor that holds itself in stays in when the
 * supply that pulled it in goes. Followed from the rest of each named state, and from each automatic device
 * in each of its positions there (a hand may have pushed it in), by single moves of one control or of what
 * surrounds the rig; where that leads to another named state's setting, on from there.
 */
final class Histories
{
    /** More ends of its own than this no rig is followed to. */
    private const MOST = 500;

    /** @var array<string, \Hollin\Core\States\Situation> setting => where it rests */
    private array $rests = [];

    /** @var array<string, true> settings with the positions they ended in */
    private array $seen = [];

    /** @var array<string, string> setting => named state */
    private array $namedBy = [];

    /** @var array<string, array<string, true>> device => positions it comes to rest in somewhere */
    private array $held = [];

    /** @var array<string, Passing> what there is for a while on the way somewhere, by situation */
    private array $passing = [];

    public function __construct(private readonly Examination $rig, private readonly Untouched $untouched)
    {
        foreach ($rig->named as $id => $state) {
            $this->namedBy[self::key($state->setting)] ??= $id;
        }
    }

    private static function key(Setting $setting): string
    {
        $all = $setting->controls + $setting->surroundings;
        ksort($all);

        return implode(',', $all);
    }

    /**
     * Ends that differ from the rest of their setting.
     *
     * @return \Generator<int, array{
     *     end: Settled,
     *     from: array<string, string>,
     *     state: ?string,
     *     slips: int,
     *     words: string,
     * }>
     */
    public function ends(): \Generator
    {
        $automatic = $this->rig->engine->automatic();
        $queue = $this->seen = [];
        foreach ($this->rig->named as $id => $state) {
            $rest = array_intersect_key($this->rig->settled[$id]->positions, $automatic);
            foreach ($rest as $device => $position) {
                $this->held[$device][$position] = true;
            }
            $queue[] = [$state, $rest, sprintf('from "%s"', Naming::state($id))];
            foreach ($this->moves($state, []) as [$setting, $move]) {
                // One after the other, and both at once.
                foreach ([$rest, []] as $from) {
                    $this->pass($setting, $from, sprintf('%s in "%s"', $move, Naming::state($id)));
                }
            }
            foreach ($automatic as $device => $of) {
                foreach ($of->positionNames() as $position) {
                    $end =
                        $position === $rest[$device]
                            ? null
                            : $this->end(
                                $state->setting,
                                [$device => $position] + $rest,
                                sprintf(
                                    'in "%s", once %s is in "%s"',
                                    Naming::state($id),
                                    Naming::device($device),
                                    Naming::position($device, $position),
                                ),
                            );
                    if ($end !== null) {
                        yield $end;
                        $queue[] = [$state, array_intersect_key($end['end']->positions, $automatic), $end['words']];
                    }
                }
            }
        }
        for ($i = 0; $i < count($queue) && count($this->seen) < self::MOST; $i++) {
            [$state, $from, $words] = $queue[$i];
            foreach ($this->moves($state, $this->free($state, $from)) as [$setting, $move]) {
                $end = $this->end($setting, $from, "{$words}, {$move}");
                if ($end !== null) {
                    yield $end;
                    if ($end['state'] !== null) {
                        $queue[] = [
                            $this->rig->named[$end['state']],
                            array_intersect_key($end['end']->positions, $automatic),
                            $end['words'],
                        ];
                    }
                }
            }
        }
    }

    /**
     * What there is for a while on the way: into a named state from where an automatic device may have stood, and of
     * one move from the rest of a named state.
     *
     * @return array<string, Passing>
     */
    public function passing(): array
    {
        [$moved, $this->passing] = [$this->passing, []];
        foreach ($this->rig->named as $id => $state) {
            foreach ($this->rig->engine->automatic() as $device => $logic) {
                foreach ($logic->positionNames() as $from) {
                    if (isset($this->held[$device][$from])) {
                        $this->pass($state->setting, [$device => $from], Naming::state($id));
                    }
                }
            }
        }

        return $this->passing + $moved;
    }

    /** @param array<string, string> $from */
    private function pass(Setting $setting, array $from, string $words): void
    {
        $end = $this->rig->engine->settle($setting, $from);
        foreach ($end->positions as $device => $position) {
            $this->held[$device][$position] = true;
        }
        foreach ($end->passing as $step => $passing) {
            if ($passing['lastsS'] >= Search::PASSING_S) {
                $at = $passing['situation']->key;
                $this->passing[$at] ??= new Passing($passing['situation'], $setting, $from, $step, $words);
            }
        }
    }

    /**
     * Where a setting ends coming from somewhere, if that is neither its rest nor seen before.
     *
     * @param array<string, string> $from
     * @return ?array{end: Settled, from: array<string, string>, state: ?string, slips: int, words: string}
     */
    private function end(Setting $setting, array $from, string $words): ?array
    {
        $end = $this->rig->engine->settle($setting, $from);
        $key = self::key($setting);
        if ($end->situation === ($this->rests[$key] ??= $this->rig->engine->settle($setting)->situation)) {
            return null;
        }
        $at =
            $key .
            json_encode(array_intersect_key($end->positions, $this->rig->engine->automatic()), JSON_THROW_ON_ERROR);
        if (isset($this->seen[$at])) {
            return null;
        }
        $this->seen[$at] = true;
        $named = $this->namedBy[$key] ?? null;

        return [
            'end' => $end,
            'from' => $from,
            'state' => $named,
            'slips' => $named === null ? 1 : 0,
            'words' => $words,
        ];
    }

    /**
     * Controls that nothing reaches, coming from somewhere or from rest, where both end alike: with them moved both
     * still end alike.
     *
     * @param array<string, string> $from
     * @return array<string, true>
     */
    private function free(NamedState $state, array $from): array
    {
        $end = $this->rig->engine->settle($state->setting, $from);
        $rest = $this->rig->engine->settle($state->setting);

        return $end->situation === $rest->situation
            ? array_intersect_key($this->untouched->of($end), $this->untouched->of($rest))
            : [];
    }

    /**
     * @param array<string, true> $free controls that need not be moved
     * @return \Generator<int, array{Setting, string}> settings one move away, with the move
     */
    private function moves(NamedState $state, array $free): \Generator
    {
        $setting = $state->setting;
        $held = $this->rig->engine->network->held();
        foreach ($this->rig->graph->devices as $id => $device) {
            if (
                $device->isAutomatic() ||
                isset($held[$id]) ||
                isset($free[$id]) ||
                !$device->matters($setting->controls)
            ) {
                continue;
            }
            foreach ($device->positionNames() as $position) {
                if ($position !== $setting->controls[$id]) {
                    yield [
                        $setting->with($id, $position),
                        Naming::device($id) . ' ' . Naming::position($id, $position),
                    ];
                }
            }
        }
        foreach ($this->rig->graph->surroundings as $id => $surrounding) {
            foreach ($surrounding->matters($setting->controls) ? $surrounding->distinct() : [] as $value) {
                if ($value !== $setting->surroundings[$id]) {
                    yield [
                        new Setting($setting->controls, [$id => $value] + $setting->surroundings),
                        Naming::surrounding($id) . ' ' . Naming::condition($id, $value),
                    ];
                }
            }
        }
    }
}
