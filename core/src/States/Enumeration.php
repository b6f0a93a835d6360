<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Surrounding;

/** Every combination of controls and surroundings of a rig, each settled. */
final class Enumeration
{
    /** Above this many reduced states the enumeration says so instead of sampling. */
    public const BOUND = 250_000;

    /** @var list<Device> */
    private array $controls;

    /** @var list<Device> controls that matter only with others set so */
    private array $dependent;

    /** @param array<string, mixed> $without controls that are gone through elsewhere, by id */
    public function __construct(private readonly Engine $engine, private readonly array $without = [])
    {
        $network = $engine->network;
        $this->controls = [];
        foreach ($network->kept as $id) {
            $device = $network->graph->devices[$id];
            if (!$device->isAutomatic() && !isset($without[$id])) {
                $this->controls[] = $device;
            }
        }
        $this->dependent = array_values(array_filter($this->controls, fn(Device $d): bool => $d->while !== []));
    }

    /** Number of states of the unreduced product: all controls, branch breakers included, times all surroundings that are no failure. About, where it is more than an integer holds. */
    public function total(): int|float
    {
        $total = 1.0;
        foreach ($this->engine->network->graph->devices as $device) {
            $total *= $device->isAutomatic() ? 1 : count($device->positions);
        }
        foreach ($this->engine->network->graph->surroundings as $surrounding) {
            $total *= count($surrounding->sound());
        }

        return $total <= 2 ** 53 ? (int) $total : $total;
    }

    /** How many settings are left to walk. What depends on others is counted with them, not multiplied. */
    public function reduced(): int
    {
        $tied = [];
        foreach ($this->dependent as $device) {
            $tied[$device->id] = true;
            $tied += array_map(fn(): bool => true, $device->while);
        }
        foreach ($this->engine->network->graph->surroundings as $surrounding) {
            $tied[$surrounding->device ?? ''] = true;
        }
        $count = 1;
        $together = [[]];
        foreach ($this->controls as $device) {
            if (!isset($tied[$device->id])) {
                $count *= count($this->positions($device));
                continue;
            }
            $next = [];
            foreach ($together as $controls) {
                foreach ($this->positions($device) as $position) {
                    $next[] = $controls + [$device->id => $position];
                }
            }
            $together = $next;
        }
        $of = function (array $controls): int {
            foreach ($this->dependent as $device) {
                if ($controls[$device->id] !== $device->normal && !$device->matters($controls)) {
                    return 0;
                }
            }

            return (int) array_product(array_map(fn(Surrounding $s): int => $s->matters($controls) ? count($s->distinct()) : 1, $this->engine->network->graph->surroundings));
        };

        return $count * (int) array_sum(array_map($of, $together));
    }

    /**
     * Positions of a control that can differ in what they do: of positions that close the very same
     * contacts (a 30 A supply and a 15 A one through an adapter) the first stands for all. A mode
     * switch, a generator's starter or a bypass switch closes nothing itself; what it is set to is looked at.
     *
     * @return non-empty-list<string>
     */
    public function positions(Device $device): array
    {
        if ($device->job === 'mode' || $device->job === 'run' || in_array($device->id, $this->engine->reads(), true)) {
            return $device->positionNames();
        }
        $distinct = [];
        foreach ($device->positionNames() as $position) {
            $distinct[$this->engine->network->bits[$device->id][$position] ?? 0] ??= $position;
        }

        return array_values($distinct);
    }

    /**
     * What makes no difference with the others set so stands in its first position for all of them: a
     * pedestal nobody is plugged into, a generator the cord is not in.
     *
     * @param array<string, string> $controls
     * @param array<string, string> $surroundings
     */
    private function repeats(array $controls, array $surroundings): bool
    {
        foreach ($this->engine->network->graph->surroundings as $id => $surrounding) {
            if ($surroundings[$id] !== $surrounding->distinct()[0] && !$surrounding->matters($controls)) {
                return true;
            }
        }
        foreach ($this->dependent as $device) {
            if ($controls[$device->id] !== $device->normal && !$device->matters($controls)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Device> */
    public function controls(): array
    {
        return $this->controls;
    }

    /**
     * @param array<string, string> $with positions of the controls that are gone through elsewhere
     * @return \Generator<int, Setting>
     */
    public function settings(array $with = []): \Generator
    {
        $axes = [];
        foreach ($this->controls as $device) {
            $axes[] = ['c', $device->id, $this->positions($device)];
        }
        foreach ($this->engine->network->graph->surroundings as $surrounding) {
            $axes[] = ['s', $surrounding->id, $surrounding->distinct()];
        }
        $held = $with;
        foreach (array_keys($this->engine->network->heldClosed) as $id) {
            $held[$id] = $this->engine->network->graph->devices[$id]->normal;
        }
        $index = array_fill(0, count($axes), 0);
        while (true) {
            $controls = $held;
            $surroundings = [];
            foreach ($axes as $i => [$kind, $id, $values]) {
                if ($kind === 'c') {
                    $controls[$id] = $values[$index[$i]];
                } else {
                    $surroundings[$id] = $values[$index[$i]];
                }
            }
            if (!$this->repeats($controls, $surroundings)) {
                yield new Setting($controls, $surroundings);
            }
            for ($i = count($axes) - 1; $i >= 0; $i--) {
                if (++$index[$i] < count($axes[$i][2])) {
                    break;
                }
                $index[$i] = 0;
            }
            if ($i < 0) {
                return;
            }
        }
    }
}
