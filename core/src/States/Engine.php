<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Look;
use Hollin\Core\Network\Source;

/**
 * Lets a setting come to rest: automatic devices whose wish differs from their position move,
 * shortest delay first, timers running on; equal delays together and in each order.
 */
final class Engine implements Look
{
    private const MOST_MOVES = 64;

    /** @var array<string, string> */
    private array $at = [];

    /** @var array<string, string> */
    private array $surroundings = [];

    private Situation $now;

    private Failure $failure;

    /** @var array<int|string, Situation> */
    private array $situations = [];

    /** @var array<string, Device> */
    private array $automatic;

    /** @var array<string, Automatic> */
    private array $logics = [];

    /** @var \WeakMap<Failure, list<array{string, int, bool, bool}>> failure => its poles: element, bit, stays closed, moves alone */
    private \WeakMap $polesOf;

    /** @var list<array{string, ?string, ?string, array<string, int>, ?string, array<string, int>}> source, what surrounds it, the device it follows, in which positions, its mode switch, in which positions */
    private array $sources;

    /** @var list<array{string, array<string, int>, ?string, array<string, int>}> those that follow an automatic device, with the positions they are live in, and a mode switch with its */
    private array $following = [];

    /** @var list<array{string, string, float}> batteries: positive, negative, V at rest */
    private readonly array $batteries;

    /** @var array<string, array<string, int>> automatic device => position => bits closed in it */
    private array $automaticBits;

    /** @var array<string, array<string, int>> */
    private array $manualBits;

    /** @var array<string, list<string>> automatic device => devices set by hand that it goes by */
    private array $reads = [];

    /** @var array<string, string> automatic device => where it rests */
    private array $resting = [];

    // What stays as it is while automatic devices move.
    private ?Setting $setting = null;

    /** @var array<string, string> */
    private array $steadyAt = [];

    private int $steadyBits = 0;

    private string $steadyMemo = '';

    /** @var array<string, string> automatic device => how what it goes by stands */
    private array $readAs = [];

    public function __construct(public readonly Contraction $network)
    {
        $this->automatic = array_filter($network->graph->devices, fn(Device $d): bool => $d->isAutomatic());
        $this->failure = Failure::none();
        $this->sources = [];
        foreach ($network->graph->sources as $id => $source) {
            $this->sources[] = [$id, $source->surrounding, $source->device, array_flip($source->positions), $source->mode, array_flip($source->modes)];
            if (isset($this->automatic[$source->device ?? ''])) {
                $this->following[] = [(string) $source->device, array_flip($source->positions), $source->mode, array_flip($source->modes)];
            }
        }
        $this->batteries = array_map(fn($b): array => [$b->pos, $b->neg, $b->restV('half')], array_values($network->graph->batteries));
        $this->automaticBits = array_intersect_key($network->bits, $this->automatic);
        $this->manualBits = array_diff_key($network->bits, $this->automatic);
        foreach ($this->automatic as $id => $device) {
            $this->logics[$id] = $device->logic ?? throw new \LogicException("{$id} is not automatic");
            $this->reads[$id] = $this->logics[$id]->reads();
            $this->resting[$id] = $device->positionNames()[0];
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
        return array_merge(...array_values($this->reads));
    }

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
        if ($setting !== $this->setting) {
            $this->setting = $setting;
            $this->steady($setting);
        }
        $this->at = $this->steadyAt;
        foreach ($this->resting as $id => $rest) {
            $this->at[$id] = $this->failure->heldAt[$id] ?? $from[$id] ?? $rest;
        }
        $this->look();
        $moves = $passing = $trouble = $timers = $seen = [];
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
                    $timers[$id] = [$to, ($this->failure->logics[$id] ?? $this->logics[$id])->delayS($this->at[$id], $to)];
                }
            }
            $wait = INF;
            foreach ($timers as [, $left]) {
                $wait = min($wait, $left);
            }
            $key = $this->key($timers);
            if (isset($seen[$key])) {
                $trouble[] = sprintf('hunting, about every %g s', $clock - $seen[$key]);
                break;
            }
            $seen[$key] = $clock;
            $passing[] = ['situation' => $this->now, 'lastsS' => $wait];
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

        return new Settled($setting, $this->at, $this->now, $moves, $passing, $trouble);
    }

    public function position(string $device): string
    {
        return $this->at[$device] ?? '';
    }

    public function ac(string $hot, string $neutral, string $notFromComponent): ?string
    {
        $id = $this->supplying($hot, $neutral, $notFromComponent);

        return $id === null ? null : $this->now->quality($id);
    }

    public function acWithin(string $hot, string $neutral, string $notFromComponent, float $lowV, float $highV): bool
    {
        $id = $this->supplying($hot, $neutral, $notFromComponent);
        $volts = $id === null ? 0.0 : $this->now->volts($id);

        return $id !== null && $volts >= $lowV && $volts <= $highV;
    }

    private function supplying(string $hot, string $neutral, string $notFromComponent): ?string
    {
        $a = $this->now->root($hot);
        $b = $this->now->root($neutral);
        foreach ($this->now->acSources() as $id => [$hotRoot, $neutralRoot]) {
            if ($this->network->graph->sources[$id]->component !== $notFromComponent
                && (($a === $hotRoot && $b === $neutralRoot) || ($a === $neutralRoot && $b === $hotRoot))) {
                return $id;
            }
        }

        return null;
    }

    public function wiringFault(string $hot, string $neutral, string $ground): ?string
    {
        return match (true) {
            $this->now->tied($hot, $ground) => 'reversed',
            !$this->now->tied($neutral, $ground) => 'open ground',
            default => null,
        };
    }

    public function dc(string $positive, string $negative, float $lowV = 0.0, float $highV = INF): bool
    {
        $a = $this->now->root($positive);
        $b = $this->now->root($negative);
        foreach ($this->batteries as [$pos, $neg, $volts]) {
            if ($volts >= $lowV && $volts <= $highV && $this->now->root($pos) === $a && $this->now->root($neg) === $b) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, string> devices that want to move => where to */
    private function wishes(): array
    {
        $wishes = [];
        foreach ($this->logics as $id => $logic) {
            $to = isset($this->failure->logics[$id])
                ? $this->failure->logics[$id]->wish($this)
                : $this->now->wanted[$id][$this->readAs[$id]] ??= $logic->wish($this);
            if ($this->at[$id] !== $to && !isset($this->failure->heldAt[$id])) {
                $wishes[$id] = $to;
            }
        }

        return $wishes;
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
                if ($other !== $first && ($this->failure->logics[$other] ?? $this->logics[$other])->wish($this) === $this->at[$other]) {
                    $differ = true;
                }
            }
        }
        $this->at = $before;
        $this->look();

        return $differ;
    }

    /**
     * The configuration on the way: what automatic devices are in, and their running timers.
     *
     * @param array<string, array{string, float}> $timers
     */
    private function key(array $timers): string
    {
        $key = '';
        foreach ($this->automatic as $id => $_) {
            $key .= $this->at[$id] . ';';
        }
        foreach ($timers as $id => [$to, $left]) {
            $key .= "{$id}>{$to}@{$left};";
        }

        return $key;
    }

    /** Takes in what people have set and what surrounds the rig. */
    private function steady(Setting $setting): void
    {
        $this->surroundings = $setting->surroundings;
        $this->at = $this->steadyAt = $setting->controls + $setting->surroundings;
        $this->steadyBits = 0;
        foreach ($this->manualBits as $id => $positions) {
            $this->steadyBits |= $positions[$this->at[$id] ?? ''] ?? 0;
        }
        $this->steadyMemo = '';
        foreach ($this->sources as [, $surrounding, $device, $positions]) {
            $byHand = $device !== null && !isset($this->automatic[$device]);
            if ($surrounding !== null || $byHand) {
                $off = $byHand && !isset($positions[$this->at[$device] ?? '']);
                $this->steadyMemo .= '|' . ($off ? 'dead' : ($this->surroundings[$surrounding] ?? 'good'));
            }
        }
        foreach ($this->reads as $id => $read) {
            $this->readAs[$id] = implode(';', array_map(fn(string $device): string => $this->at[$device] ?? '', $read));
        }
    }

    private function look(): void
    {
        $closed = $this->steadyBits;
        foreach ($this->automaticBits as $id => $positions) {
            $closed |= $positions[$this->at[$id]] ?? 0;
        }
        $parted = [];
        foreach ($this->polesOf[$this->failure] ??= $this->poles($this->failure) as [$element, $bit, $stays, $alone]) {
            if ($stays === (($closed & $bit) !== 0)) {
                continue;
            }
            if ($alone) {
                $closed ^= $bit;
            } else {
                $parted[$element] = $stays;
            }
        }
        $memo = $closed . $this->steadyMemo;
        if ($parted !== []) {
            $memo .= '!' . implode(',', array_keys($parted));
        }
        foreach ($this->following as [$device, $positions, $mode, $modes]) {
            $memo .= isset($positions[$this->at[$device]]) && ($mode === null || isset($modes[$this->at[$mode] ?? ''])) ? '|1' : '|0';
        }
        $this->now = $this->situations[$memo] ??= new Situation($this->network, $memo, $closed, $this->active(), $parted === [] ? $this->rootsOf($closed) : $this->network->roots($closed, $parted), $parted);
    }

    /** @return list<array{string, int, bool, bool}> poles of a failure: element, bit, stays closed, moves alone */
    private function poles(Failure $failure): array
    {
        $poles = [];
        foreach ($failure->poles as $element => $stays) {
            $poles[] = [$element, 1 << max(0, $this->network->bitOf[$element] ?? 0), $stays, $this->network->movesAlone($element)];
        }

        return $poles;
    }

    /** @return array<string, string> source that gives anything => its condition */
    private function active(): array
    {
        $active = [];
        foreach ($this->sources as [$id, $surrounding, $device, $positions, $mode, $modes]) {
            $quality = $surrounding === null ? 'good' : ($this->surroundings[$surrounding] ?? 'good');
            if ($quality !== 'dead' && ($mode === null || isset($modes[$this->at[$mode] ?? ''])) && ($device === null || isset($positions[$this->at[$device] ?? '']))) {
                $active[$id] = $quality;
            }
        }

        return $active;
    }

    /** @var array<int, array<int, int>> */
    private array $rootsOf = [];

    /** @return array<int, int> */
    private function rootsOf(int $closed): array
    {
        return $this->rootsOf[$closed] ??= $this->network->roots($closed);
    }
}
