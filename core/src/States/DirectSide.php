<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;

/**
 * The controls that change only what is joined on the battery side, and what the rest of the rig can tell
 * of them. Whatever they stand at, alternating conductors are joined alike; automatic devices hear of them
 * only which batteries stand where they look, and the rules between the two sides only which power
 * converters are joined. Settings of these controls that say the same in both are one to the rest: they
 * are gone through by themselves, not times everything else.
 *
 * Where any of that does not hold (a contact of direct current that moves by itself, a switch that could
 * join two alternating conductors) there are no such controls, and everything is multiplied.
 */
final class DirectSide
{
    /** More settings of these controls than this are not gone through one by one. */
    public const BOUND = 1 << 14;

    /** @var array<string, Device> */
    public readonly array $controls;

    /**
     * @var array<string, array{setting: array<string, string>, count: int, nearest: array<string, array{int,
     *      array<string, string>}>}> what the rest can tell => one that says so, how many do, and the nearest to each
     *      named state with its slips
     */
    public readonly array $told;

    /**
     * @var list<array{setting: array<string, string>, slips: int, state: string}> one of each way the battery side can
     *      be joined, the nearest to a named state
     */
    public readonly array $joined;

    /** Whether every setting of these controls was gone through; else those within two slips of a named state. */
    public readonly bool $whole;

    /** @var list<array{int, int, string, array<string, true>}> contacts: net, net, device, positions it is closed in */
    private array $contacts = [];

    /** @var list<int> nets that a contact of direct current can join with another */
    private array $nets = [];

    /** @var list<array{int, int}> pairs of nets at which an automatic device looks for a battery */
    private array $heard = [];

    /** @var list<array{int, int, string}> batteries: nets, volts at rest */
    private array $batteries = [];

    /** @var list<array{string, array<string, true>}> contacts that let a charger run: device, positions */
    private array $stops = [];

    /** @var list<int> nets of power converters */
    private array $converters = [];

    /** @param array<string, NamedState> $named */
    public function __construct(private readonly Engine $engine, array $named)
    {
        $network = $engine->network;
        $free = $this->ofDirectCurrent();
        $this->controls = $this->isApart($free) ? $free : [];
        foreach ($network->graph->elements as $id => $element) {
            if ($this->controls !== [] && $element->role->isDc() && isset($network->bitOf[$id])) {
                $this->contacts[] = [
                    $network->net[$element->a],
                    $network->net[$element->b],
                    (string) $element->device,
                    array_fill_keys($element->closedIn, true),
                ];
            }
        }
        $this->nets = array_values(
            array_unique([...array_column($this->contacts, 0), ...array_column($this->contacts, 1)]),
        );
        foreach ($engine->automatic() as $device) {
            foreach ($device->logic?->hears() ?? [] as [$pos, $neg]) {
                $this->heard[] = [$network->net[$pos], $network->net[$neg]];
            }
        }
        foreach ($network->graph->batteries as $battery) {
            $this->batteries[] = [
                $network->net[$battery->pos],
                $network->net[$battery->neg],
                (string) $battery->restV('half'),
            ];
        }
        foreach ($network->graph->converters as $converter) {
            foreach ($converter->direct() as $terminal) {
                $this->converters[] = $network->net[$terminal];
            }
            $stop = $network->graph->elements[(string) $converter->stop] ?? null;
            if ($stop !== null) {
                $this->stops[] = [(string) $stop->device, array_fill_keys($stop->closedIn, true)];
            }
        }
        $this->whole = $this->count() <= self::BOUND;
        [$this->told, $this->joined] = $this->gone($named);
    }

    /** How many settings of these controls there are. */
    public function count(): int
    {
        return (int) min(
            PHP_INT_MAX,
            array_product(array_map(fn(Device $d): int => count($d->positions), $this->controls)),
        );
    }

    /** What the rest of the rig can tell of the battery side in a setting. */
    public function tells(Setting $setting): string
    {
        return $this->controls === [] ? '' : $this->signature($this->roots($setting->controls), $setting->controls);
    }

    /**
     * Whether every contact of direct current is a control's own, and none reaches two alternating conductors.
     *
     * @param array<string, Device> $free
     */
    private function isApart(array $free): bool
    {
        $graph = $this->engine->network->graph;
        foreach ($graph->elements as $id => $element) {
            if (
                $element->device !== null &&
                $element->role->isDc() &&
                isset($this->engine->network->bitOf[$id]) &&
                !isset($free[$element->device])
            ) {
                return false;
            }
        }
        /** @var array<int, int> $parent */
        $parent = [];
        $find = function (int $net) use (&$parent): int {
            while (isset($parent[$net])) {
                $net = (int) $parent[$net];
            }

            return $net;
        };
        $all = $this->engine->network->net;
        foreach ($graph->elements as $id => $element) {
            if ($element->role->isDc() && isset($this->engine->network->bitOf[$id])) {
                [$a, $b] = [$find($all[$element->a]), $find($all[$element->b])];
                if ($a !== $b) {
                    $parent[$a] = $b;
                }
            }
        }
        $reached = [];
        foreach ($this->alternating($graph) as $net) {
            $root = $find($net);
            if (($reached[$root] ?? $net) !== $net) {
                return false;
            }
            $reached[$root] = $net;
        }

        return true;
    }

    /** @return list<int> nets of alternating conductors, grounds among them, and the frame */
    private function alternating(Graph $graph): array
    {
        $terminals = ['frame', 'earth'];
        foreach ($graph->sources as $source) {
            array_push(
                $terminals,
                ...$source->kind === 'dc' ? [] : [$source->a, $source->b, $source->ground],
                ...$source->runsOnAc ?? [],
            );
        }
        foreach ($graph->circuits as $end) {
            array_push($terminals, $end->hot, $end->neutral, $end->ground);
        }
        foreach ($graph->exposed as $pins) {
            array_push($terminals, ...array_values($pins->pins));
        }
        foreach ([...$graph->loads, ...$graph->users] as $load) {
            array_push($terminals, ...$load->direct ? [] : [$load->a, $load->b]);
        }
        foreach ($graph->elements as $element) {
            array_push($terminals, ...$element->role->isDc() ? [] : [$element->a, $element->b]);
        }

        return array_values(array_unique(array_map(fn(string $t): int => $this->engine->network->net[$t], $terminals)));
    }

    /**
     * @return array<string, Device> controls all of whose contacts carry direct current and that nothing else goes by
     */
    private function ofDirectCurrent(): array
    {
        $graph = $this->engine->network->graph;
        $asked = array_fill_keys([...$this->engine->reads(), ...array_column($graph->instructions, 'device')], true);
        foreach ([...$graph->sources, ...$graph->converters] as $of) {
            $asked[(string) $of->device] = $asked[(string) $of->mode] = true;
        }
        foreach ([...$graph->loads, ...$graph->users, ...$graph->surroundings] as $of) {
            $asked[(string) $of->device] = true;
        }
        foreach ($graph->devices as $device) {
            $asked += array_fill_keys(array_keys($device->while), true);
        }
        foreach ($graph->elements as $element) {
            if (!$element->role->isDc()) {
                $asked[(string) $element->device] = true;
            }
        }

        return array_filter(
            $graph->devices,
            fn(Device $d): bool => isset($this->engine->network->bits[$d->id]) &&
                !$d->isAutomatic() &&
                $d->while === [] &&
                !isset($asked[$d->id]),
        );
    }

    /**
     * @param array<string, NamedState> $named
     * @return array{array<string, array{setting: array<string, string>, count: int, nearest: array<string, array{int,
     *      array<string, string>}>}>, list<array{setting: array<string, string>, slips: int, state: string}>}
     */
    private function gone(array $named): array
    {
        $told = $joined = [];
        $own = array_map(
            fn(NamedState $n): array => array_intersect_key($n->setting->controls, $this->controls),
            $named,
        );
        foreach ($this->whole ? $this->settings() : $this->nearby($own) as $setting) {
            $slips = array_map(fn(array $of): int => count(array_diff_assoc($setting, $of)), $own);
            $roots = $this->roots($setting);
            $signature = $this->signature($roots, $setting);
            $told[$signature] ??= ['setting' => $setting, 'count' => 0, 'nearest' => []];
            $told[$signature]['count']++;
            foreach ($slips as $state => $n) {
                if ($n < ($told[$signature]['nearest'][$state][0] ?? PHP_INT_MAX)) {
                    $told[$signature]['nearest'][$state] = [$n, $setting];
                }
            }
            $fewest = $slips === [] ? 0 : min($slips);
            $as = implode(',', $roots);
            if ($fewest < ($joined[$as]['slips'] ?? PHP_INT_MAX)) {
                $joined[$as] = [
                    'setting' => $setting,
                    'slips' => $fewest,
                    'state' => (string) array_search($fewest, $slips, true),
                ];
            }
        }

        return [$told, $this->controls === [] ? [] : array_values($joined)];
    }

    /** @return \Generator<int, array<string, string>> */
    private function settings(): \Generator
    {
        $setting = array_map(fn(Device $d): string => $d->positionNames()[0], $this->controls);
        $index = array_map(fn(): int => 0, $this->controls);
        while (true) {
            yield $setting;
            foreach ($this->controls as $id => $device) {
                $names = $device->positionNames();
                $index[$id] = ($index[$id] + 1) % count($names);
                $setting[$id] = $names[$index[$id]];
                if ($index[$id] !== 0) {
                    continue 2;
                }
            }

            return;
        }
    }

    /**
     * @param array<string, array<string, string>> $own
     * @return \Generator<int, array<string, string>> within two slips of a named state
     */
    private function nearby(array $own): \Generator
    {
        $seen = [];
        foreach ($own as $from) {
            foreach ($this->controls as $first => $one) {
                foreach ($one->positionNames() as $p) {
                    foreach ($this->controls as $second => $other) {
                        foreach ($other->positionNames() as $q) {
                            $setting = [$second => $q, $first => $p] + $from;
                            ksort($setting);
                            $key = implode(',', $setting);
                            if (!isset($seen[$key])) {
                                $seen[$key] = true;
                                yield $setting;
                            }
                        }
                    }
                }
            }
        }
    }

    /**
     * Root of each net of direct current, the lowest net that it is joined with, so that the same joints
     * read the same.
     *
     * @param array<string, string> $setting
     * @return array<int, int>
     */
    private function roots(array $setting): array
    {
        $parent = [];
        foreach ($this->contacts as [$a, $b, $device, $closedIn]) {
            if ($device !== '' && !isset($closedIn[$setting[$device] ?? ''])) {
                continue;
            }
            while (isset($parent[$a])) {
                $a = $parent[$a];
            }
            while (isset($parent[$b])) {
                $b = $parent[$b];
            }
            if ($a !== $b) {
                $parent[max($a, $b)] = min($a, $b);
            }
        }
        $roots = [];
        foreach ($this->nets as $net) {
            $root = $net;
            while (isset($parent[$root])) {
                $root = $parent[$root];
            }
            $roots[$net] = $root;
        }

        return $roots;
    }

    /**
     * @param array<int, int> $roots
     * @param array<string, string> $setting
     */
    private function signature(array $roots, array $setting): string
    {
        $signature = '';
        foreach ($this->heard as [$pos, $neg]) {
            [$p, $n] = [$roots[$pos] ?? $pos, $roots[$neg] ?? $neg];
            $volts = [];
            foreach ($this->batteries as [$plus, $minus, $at]) {
                if (($roots[$plus] ?? $plus) === $p && ($roots[$minus] ?? $minus) === $n) {
                    $volts[$at] = true;
                }
            }
            ksort($volts);
            $signature .= implode('+', array_keys($volts)) . ';';
        }
        $seen = [];
        foreach ($this->converters as $net) {
            $root = $roots[$net] ?? $net;
            $signature .= ($seen[$root] ??= count($seen)) . ',';
        }
        foreach ($this->stops as [$device, $runs]) {
            $signature .= isset($runs[$setting[$device] ?? '']) ? '+' : '-';
        }

        return $signature;
    }
}
