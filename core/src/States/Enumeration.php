<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Surrounding;

/** Every combination of controls and surroundings of a rig, each settled. */
final class Enumeration
{
    /** Above this many reduced states the enumeration says so instead of sampling. */
    public const BOUND = 20_000;

    /** @var list<Device> */
    private array $controls;

    /** @var list<Device> controls that matter only with others set so */
    private array $dependent;

    /**
     * @var ?array<string, array<string, int>> control or what surrounds the rig => position => its part in the number
     *      of a setting; null where the numbers would not fit an integer
     */
    private readonly ?array $parts;

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
        $this->parts = $this->numbered();
    }

    /** @return ?array<string, array<string, int>> */
    private function numbered(): ?array
    {
        $weight = 1;
        $parts = [];
        $surroundings = array_map(
            fn(Surrounding $s): array => array_map(strval(...), array_keys($s->values)),
            $this->engine->network->graph->surroundings,
        );
        foreach (
            array_map(fn(Device $d): array => $d->positionNames(), array_column($this->controls, null, 'id')) +
                $surroundings
            as $id => $positions
        ) {
            foreach ($positions as $i => $position) {
                $parts[$id][$position] = $i * $weight;
            }
            $weight *= max(1, count($positions));
            if (!is_int($weight)) {
                return null;
            }
        }

        return $parts;
    }

    /**
     * Number of states of the unreduced product: all controls, branch breakers included, times all surroundings that
     * are no failure. About, where it is more than an integer holds.
     */
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

    /**
     * How many settings are left to walk, without walking them; past the bound, one more than that. What depends on
     * others is counted with them, not multiplied.
     */
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
        $count = 1.0;
        $together = [[]];
        foreach ($this->inOrder() as $device) {
            if (!isset($tied[$device->id])) {
                $count *= count($this->positions($device));
                continue;
            }
            $next = [];
            foreach ($together as $controls) {
                foreach (
                    $device->matters($controls + $this->engine->network->held())
                        ? $this->positions($device)
                        : [$device->normal]
                    as $position
                ) {
                    $next[] = $controls + [$device->id => $position];
                }
            }
            $together = $next;
            if (count($together) * $count > self::BOUND) {
                return self::BOUND + 1;
            }
        }
        $of = fn(array $controls): float => array_product(
            array_map(
                fn(Surrounding $s): float => $s->matters($controls) ? count($s->distinct()) : 1,
                $this->engine->network->graph->surroundings,
            ),
        );

        return (int) min(self::BOUND + 1, $count * array_sum(array_map($of, $together)));
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

    /** @return list<Device> */
    public function controls(): array
    {
        return $this->controls;
    }

    /**
     * Numbers of the settings that differ from one only in the given controls, itself among them. None where
     * settings have no numbers; what depends on other controls is left as it stands.
     *
     * @param int $number of the setting, as settings() gives it
     * @param array<string, true> $controls by id
     * @return list<int>
     */
    public function alike(int $number, Setting $setting, array $controls): array
    {
        if ($this->parts === null) {
            return [];
        }
        $numbers = [$number];
        foreach ($this->controls as $control) {
            if (!isset($controls[$control->id]) || $control->while !== []) {
                continue;
            }
            $parts = $this->parts[$control->id];
            $own = $parts[$setting->controls[$control->id]];
            $more = [];
            foreach ($this->positions($control) as $position) {
                foreach ($numbers as $one) {
                    $more[] = $one + $parts[$position] - $own;
                }
            }
            $numbers = $more;
        }

        return $numbers;
    }

    /**
     * Every setting, by its number. What makes no difference with the others set so stands in one position for all of
     * them:
     * a pedestal nobody is plugged into, a generator the cord is not in.
     *
     * @param array<string, string> $with positions of the controls that are gone through elsewhere
     * @return \Generator<int, Setting>
     */
    public function settings(array $with = []): \Generator
    {
        return $this->settingsFrom(0, $this->inOrder(), $with + $this->engine->network->held(), 0);
    }

    /**
     * @param list<Device> $order
     * @param array<string, string> $controls
     * @return \Generator<int, Setting>
     */
    private function settingsFrom(int $i, array $order, array $controls, int $number): \Generator
    {
        if (!isset($order[$i])) {
            foreach ($this->surroundings($controls) as $surroundings) {
                $at = $number;
                foreach ($surroundings as $id => $value) {
                    $at += $this->parts[$id][$value] ?? 0;
                }
                yield $at => new Setting($controls, $surroundings);
            }

            return;
        }
        $device = $order[$i];
        foreach ($device->matters($controls) ? $this->positions($device) : [$device->normal] as $position) {
            $controls[$device->id] = $position;
            yield from $this->settingsFrom(
                $i + 1,
                $order,
                $controls,
                $number + ($this->parts[$device->id][$position] ?? 0),
            );
        }
    }

    /** @return list<Device> each control after those it depends on */
    private function inOrder(): array
    {
        $order = [];
        $waiting = array_column($this->controls, null, 'id');
        while ($waiting !== []) {
            $ready =
                array_filter($waiting, fn(Device $d): bool => array_intersect_key($d->while, $waiting) === []) ?:
                $waiting;
            $order += $ready;
            $waiting = array_diff_key($waiting, $ready);
        }

        return array_values($order);
    }

    /**
     * @param array<string, string> $controls
     * @return list<array<string, string>>
     */
    private function surroundings(array $controls): array
    {
        $all = [[]];
        foreach ($this->engine->network->graph->surroundings as $id => $surrounding) {
            $more = [];
            foreach ($all as $one) {
                foreach (
                    $surrounding->matters($controls) ? $surrounding->distinct() : [$surrounding->distinct()[0]]
                    as $value
                ) {
                    $more[] = $one + [$id => $value];
                }
            }
            $all = $more;
        }

        return $all;
    }
}
