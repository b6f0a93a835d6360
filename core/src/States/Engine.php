<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Device;

/**
 * Lets a setting come to rest: automatic devices whose wish differs from their position move,
 * shortest delay first, timers running on; equal delays together and in each order.
 */
final class Engine
{
    private const MOST_MOVES = 64;

    /** @var array<string, string> */
    private array $at = [];

    private readonly Sight $sight;

    private readonly LiveSources $live;

    private Failure $failure;

    /** @var list<array{string, int, bool, bool}> its poles: element, bit, stays closed, moves alone */
    private array $failed = [];

    /** @var array<int|string, Situation> */
    private array $situations = [];

    /** @var array<string, Device> */
    private array $automatic;

    /** @var array<string, Automatic> */
    private array $logics = [];

    /**
     * @var \WeakMap<Failure, list<array{string, int, bool, bool}>> failure => its poles: element, bit, stays closed,
     *      moves alone
     */
    private \WeakMap $polesOf;

    /**
     * @var array<string, array<string, array{int, int}>> automatic device => position => bits closed in it, bits of the
     *      sources that give something in it
     */
    private array $automaticBits = [];

    /** @var array<string, array<string, int>> */
    private array $manualBits;

    /** @var list<string> devices set by hand that automatic ones go by */
    private array $reads = [];

    /** @var array<string, string> automatic device => where it rests */
    private array $resting = [];

    // What stays as it is while automatic devices move.
    private ?Setting $setting = null;

    /** @var array<string, string> */
    private array $steadyAt = [];

    private int $steadyBits = 0;

    /** How what automatic devices go by stands. */
    private string $readAs = '';

    public function __construct(public readonly Contraction $network)
    {
        $this->automatic = array_filter($network->graph->devices, fn(Device $d): bool => $d->isAutomatic());
        $this->failure = Failure::none();
        $this->live = new LiveSources($network->graph, $this->automatic);
        $this->sight = new Sight($network);
        $this->manualBits = array_diff_key($network->bits, $this->automatic);
        foreach ($this->automatic as $id => $device) {
            $this->logics[$id] = $device->logic ?? throw new \LogicException("{$id} is not automatic");
            $this->reads = [...$this->reads, ...$this->logics[$id]->reads()];
            $this->resting[$id] = $device->positionNames()[0];
            foreach ($device->positionNames() as $position) {
                $this->automaticBits[$id][$position] = [
                    $network->bits[$id][$position] ?? 0,
                    $this->live->bits($id, $position),
                ];
            }
        }
        $this->polesOf = new \WeakMap();
    }

    /** @return array<string, Device> */
    public function automatic(): array
    {
        return $this->automatic;
    }

    /** @return list<string> devices set by hand that automatic ones go by */
    public function reads(): array
    {
        return $this->reads;
    }

    /** How many different situations it has come across. */
    public function situationCount(): int
    {
        return count($this->situations);
    }

    /**
     * @param array<string, string> $from positions of automatic devices to start from; at rest when left out
     */
    public function settle(Setting $setting, array $from = [], ?Failure $failure = null): Settled
    {
        $this->failure = $failure ?? Failure::none();
        $this->failed = $failure === null ? [] : ($this->polesOf[$failure] ??= $this->poles($failure));
        $this->steady($setting);
        $this->at = $this->steadyAt;
        foreach ($this->resting as $id => $rest) {
            $this->at[$id] = $this->failure->heldAt[$id] ?? ($from[$id] ?? $rest);
        }
        $this->look();
        $moves = $passing = $trouble = $timers = $seen = $clocks = [];
        $clock = 0.0;
        while (count($moves) < self::MOST_MOVES) {
            $wishes = $this->wishes();
            if ($wishes === []) {
                break;
            }
            foreach ($timers as $id => $_) {
                if (!isset($wishes[$id])) {
                    unset($timers[$id]);
                }
            }
            foreach ($wishes as $id => $to) {
                if (($timers[$id][0] ?? null) !== $to) {
                    $timers[$id] = [
                        $to,
                        ($this->failure->logics[$id] ?? $this->logics[$id])->delayS($this->at[$id], $to),
                    ];
                }
            }
            $wait = INF;
            foreach ($timers as [, $left]) {
                $wait = min($wait, $left);
            }
            $where = [$this->at, $timers];
            $since = array_search($where, $seen, true);
            if ($since !== false) {
                $trouble[] = sprintf('hunting, about every %g s', $clock - $clocks[$since]);
                break;
            }
            $seen[] = $where;
            $clocks[] = $clock;
            $passing[] = ['situation' => $this->sight->now, 'lastsS' => $wait];
            $clock += $wait;
            $moving = [];
            foreach ($timers as $id => [, $left]) {
                if ($left <= $wait + 1e-9) {
                    $moving[] = $id;
                }
            }
            if (count($moving) > 1 && $this->ordersDiffer($moving, $wishes)) {
                $trouble[] = 'race between ' . implode(' and ', $moving);
            }
            foreach ($timers as $id => [$to, $left]) {
                $timers[$id] = [$to, $left - $wait];
            }
            foreach ($moving as $id) {
                $moves[] = ['device' => $id, 'from' => $this->at[$id], 'to' => $wishes[$id], 'atS' => $clock];
                $this->at[$id] = $wishes[$id];
                unset($timers[$id]);
            }
            $this->look();
        }

        return new Settled($setting, $this->at, $this->sight->now, $moves, $passing, $trouble);
    }

    /** @return array<string, string> devices that want to move => where to */
    private function wishes(): array
    {
        $wanted = &$this->sight->now->wanted[$this->readAs];
        if ($wanted === null) {
            foreach ($this->logics as $id => $logic) {
                $wanted[$id] = $logic->wish($this->sight);
            }
        }
        $wishes = [];
        foreach ($wanted ?? [] as $id => $to) {
            if (isset($this->failure->logics[$id])) {
                $to = $this->failure->logics[$id]->wish($this->sight);
            }
            if ($this->at[$id] !== $to && !isset($this->failure->heldAt[$id])) {
                $wishes[$id] = $to;
            }
        }

        return $wishes;
    }

    /**
     * Whether what is set wrongly on a device makes no odds on a way that a sound rig went: it wants the same at each
     * step, as soon.
     */
    public function goesAlike(Settled $sound, Failure $failure): bool
    {
        if ($failure->poles !== [] || $failure->heldAt !== []) {
            return false;
        }
        $this->steady($sound->setting);
        foreach ([...array_column($sound->passing, 'situation'), $sound->situation] as $this->sight->now) {
            foreach ($failure->logics as $id => $logic) {
                if ($logic->wish($this->sight) !== ($this->sight->now->wanted[$this->readAs][$id] ?? null)) {
                    return false;
                }
            }
        }
        foreach ($failure->logics as $id => $logic) {
            $positions = array_keys($this->automaticBits[$id]);
            foreach ($positions as $from) {
                foreach ($positions as $to) {
                    if (
                        $logic->delayS((string) $from, (string) $to) !==
                        $this->logics[$id]->delayS((string) $from, (string) $to)
                    ) {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /**
     * Whether moving one after the other ends elsewhere than moving together.
     *
     * @param list<string> $moving
     * @param array<string, string> $wishes
     */
    private function ordersDiffer(array $moving, array $wishes): bool
    {
        $before = $this->at;
        $differ = false;
        foreach ($moving as $first) {
            $this->at = $before;
            $this->at[$first] = $wishes[$first];
            $this->look();
            foreach ($this->wishes() as $id => $wish) {
                if (in_array($id, $moving, true) && $wish !== $wishes[$id]) {
                    $differ = true;
                }
            }
            foreach ($moving as $other) {
                if (
                    $other !== $first &&
                    ($this->failure->logics[$other] ?? $this->logics[$other])->wish($this->sight) === $this->at[$other]
                ) {
                    $differ = true;
                }
            }
        }
        $this->at = $before;
        $this->look();

        return $differ;
    }

    /** Takes in what people have set and what surrounds the rig. */
    private function steady(Setting $setting): void
    {
        if ($setting === $this->setting) {
            return;
        }
        $this->setting = $setting;
        $this->at = $this->steadyAt = $this->sight->at = $setting->controls + $setting->surroundings;
        $this->steadyBits = 0;
        foreach ($this->manualBits as $id => $positions) {
            $this->steadyBits |= $positions[$this->at[$id] ?? ''] ?? 0;
        }
        $this->readAs = '';
        foreach ($this->reads as $device) {
            $this->readAs .= ($this->at[$device] ?? '') . ';';
        }
        $this->live->steady($this->at);
    }

    private function look(): void
    {
        $closed = $this->steadyBits;
        $on = 0;
        foreach ($this->automaticBits as $id => $positions) {
            [$bits, $sources] = $positions[$this->at[$id]];
            $closed |= $bits;
            $on |= $sources;
        }
        $parted = [];
        foreach ($this->failed as [$element, $bit, $stays, $alone]) {
            if ($stays === (($closed & $bit) !== 0)) {
                continue;
            }
            if ($alone) {
                $closed ^= $bit;
            } else {
                $parted[$element] = $stays;
            }
        }
        $beside = $this->live->key($on);
        $memo = $parted === [] ? $closed . $beside : $closed . $beside . '!' . implode(',', array_keys($parted));
        $this->sight->now = $this->situations[$memo] ??= new Situation(
            $this->network,
            $memo,
            $closed,
            $this->live->active($beside, $this->at),
            $parted === []
                ? ($this->rootsOf[$closed] ??= $this->network->roots($closed))
                : $this->network->roots($closed, $parted),
            $parted,
        );
    }

    /** @return list<array{string, int, bool, bool}> poles of a failure: element, bit, stays closed, moves alone */
    private function poles(Failure $failure): array
    {
        $poles = [];
        foreach ($failure->poles as $element => $stays) {
            $poles[] = [
                $element,
                1 << max(0, $this->network->bitOf[$element] ?? 0),
                $stays,
                $this->network->movesAlone($element),
            ];
        }

        return $poles;
    }

    /** @var array<int, array<int, int>> */
    private array $rootsOf = [];
}
