<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;

/**
 * A wiring graph with its fixed conductors contracted to numbered nets, ready to be asked many
 * times what is joined with what. Poles that move together share one bit until a failure parts them:
 * then what the failed pole does is laid over what its device says.
 *
 * Exact reduction: a branch breaker whose far side holds nothing but loads can only take things
 * away when it opens. No hazard needs it open and every named state has it closed, so it is
 * held closed; the count of states reported is that of the unreduced product.
 */
final class Contraction
{
    /** One bit each, in one integer. */
    private const MOST_POLES = 62;

    /** What moves by itself is tried from each of its positions, together with all that does. */
    private const MOST_AUTOMATIC = 10;

    /** The bit of what a failure keeps closed. */
    private const ALWAYS = 62;

    /** In place of a bit: a contact of what is left in its usual position, and open in it. */
    private const NEVER = -2;

    /** @var array<string, int> terminal => net */
    public array $net = [];

    public int $nets = 0;

    /** @var list<string> devices whose positions are enumerated or computed */
    public array $kept = [];

    /** @var array<string, true> breakers to nothing but loads, held closed: that loses nothing */
    public array $heldClosed = [];

    /**
     * @var array<string, string> device => position it is left in, because there are more sets of poles than can be
     *      reckoned with: what they do when moved is not looked at
     */
    public array $left = [];

    /** @var list<array{int, int, int}> contact: net, net, bit */
    public array $contacts = [];

    /** @var array<string, int> contact or bond element => bit; -1 always closed, -2 never */
    public array $bitOf = [];

    /** @var array<string, int> contact => its place in the list */
    private array $placeOf = [];

    /** @var array<int, non-empty-list<string>> bit => poles that move with it */
    private array $together = [];

    /** @var array<string, list<string>> device => its poles */
    public array $polesOf = [];

    /** @var array<string, array<string, int>> device => position => bits closed in it */
    public array $bits = [];

    /**
     * @var array<string, array{int, int, string}> source that makes alternating current of its own => nets of its hot
     *      and neutral, its component
     */
    public array $acSources = [];

    /** @var list<array{string, int, int}> bond element, net of neutral, net of ground */
    public array $bonds = [];

    /** Bits of what carries direct current. */
    public int $directBits = 0;

    /**
     * @var array<int|string, DirectPotentials> closed direct bits, and parted poles => the batteries' answer; its own
     *      to keep
     */
    public array $directMemo = [];

    /** @var list<int> every net its own root */
    private array $alone = [];

    /** @var list<int> nets that a contact can join with another; the rest are always alone */
    private array $switched = [];

    /** @param list<string> $moved devices that stand elsewhere than usual, so never held */
    public function __construct(public readonly Graph $graph, bool $reduce = true, array $moved = [])
    {
        if ($reduce) {
            $this->holdLeaves($moved);
        }
        $this->leave($moved);
        $this->contract();
        $this->number();
    }

    /** @param list<string> $moved */
    private function holdLeaves(array $moved): void
    {
        $instructed = [...array_column($this->graph->instructions, 'device'), ...$moved];
        $busy = $this->busyTerminals();
        foreach ($this->graph->devices as $id => $device) {
            if (
                $device->job === 'breaker' &&
                !$device->isAutomatic() &&
                !in_array($id, $instructed, true) &&
                $this->leadsOnlyToLoads($id, $busy)
            ) {
                $this->heldClosed[$id] = true;
            }
        }
    }

    /**
     * Leaves devices in their usual position until the rest can be reckoned with: those first that stand so in every
     * named state, breakers before switches, and what moves by itself last of all.
     *
     * @param list<string> $moved
     */
    private function leave(array $moved): void
    {
        $sets = [];
        foreach ($this->graph->elements as $element) {
            if (
                $element->device !== null &&
                $element->kind !== ElementKind::Conductor &&
                !isset($this->heldClosed[$element->device])
            ) {
                $sets[$element->device][implode(',', $element->closedIn)] = true;
            }
        }
        $count = array_sum(array_map(count(...), $sets));
        $automatic = count(array_filter($this->graph->devices, fn(Device $d): bool => $d->isAutomatic()));
        if ($count <= self::MOST_POLES && $automatic <= self::MOST_AUTOMATIC) {
            return;
        }
        $needed =
            array_fill_keys($moved, true) + array_fill_keys(array_column($this->graph->instructions, 'device'), true);
        foreach (NamedStates::of($this->graph) as $state) {
            foreach ($state->setting->controls as $id => $position) {
                $needed += $position === ($this->graph->devices[$id] ?? null)?->normal ? [] : [$id => true];
            }
        }
        $devices = array_values(array_intersect_key($this->graph->devices, $sets));
        $rank = fn(Device $d): int => array_search(
            $d->job,
            ['breaker', 'switch', 'disconnect', 'plug', 'run', 'mode', 'transfer', 'relay'],
            true,
        ) +
            (isset($needed[$d->id]) ? 10 : 0) +
            ($d->isAutomatic() ? 20 : 0);
        usort($devices, fn(Device $a, Device $b): int => $rank($a) <=> $rank($b));
        foreach ($devices as $device) {
            if ($count <= self::MOST_POLES && (!$device->isAutomatic() || $automatic <= self::MOST_AUTOMATIC)) {
                continue;
            }
            $automatic -= $device->isAutomatic() ? 1 : 0;
            $this->left[$device->id] = $device->isAutomatic() ? $device->positionNames()[0] : $device->normal;
            $count -= count($sets[$device->id]);
        }
    }

    /** Whether a contact neither opens nor closes here, and then whether it is closed; null for what does move. */
    private function fixed(Element $element): ?bool
    {
        return match (true) {
            $element->kind === ElementKind::Conductor => true,
            isset($this->heldClosed[(string) $element->device]) => true,
            isset($this->left[(string) $element->device]) => in_array(
                $this->left[(string) $element->device],
                $element->closedIn,
                true,
            ),
            default => null,
        };
    }

    /** @return array<string, true> terminals of sources, exposed pins and bonds */
    private function busyTerminals(): array
    {
        $busy = ['frame' => true, 'earth' => true];
        foreach ($this->graph->sources as $source) {
            foreach ([$source->a, $source->b, $source->ground, ...$source->runsOnAc ?? []] as $terminal) {
                $busy[$terminal] = true;
            }
        }
        foreach ($this->graph->exposed as $pins) {
            foreach ($pins->pins as $terminal) {
                $busy[$terminal] = true;
            }
        }
        foreach ($this->graph->users as $load) {
            // A coil does something when it loses its volts.
            if (!$load->direct) {
                $busy[$load->a] = $busy[$load->b] = true;
            }
        }
        foreach ($this->graph->elements as $element) {
            if ($element->kind === ElementKind::Bond) {
                $busy[$element->a] = $busy[$element->b] = true;
            }
        }

        return $busy;
    }

    /** @param array<string, true> $busy */
    private function leadsOnlyToLoads(string $device, array $busy): bool
    {
        $poles = array_filter($this->graph->elements, fn(Element $e): bool => $e->device === $device);
        foreach ($poles as $pole) {
            // The load side is the end that is not the panel's bus.
            $queue = [$pole->b];
            $seen = [$pole->b => true];
            while ($queue !== []) {
                $at = array_pop($queue);
                if (isset($busy[$at]) || $at === $pole->a) {
                    return false;
                }
                foreach ($this->neighbours()[$at] ?? [] as [$next, $element]) {
                    if ($element !== $pole->id && !isset($seen[$next])) {
                        $seen[$next] = true;
                        $queue[] = $next;
                    }
                }
            }
        }

        return $poles !== [];
    }

    /** @return array<string, list<array{string, string}>> terminal => [other terminal, element] */
    public function neighbours(): array
    {
        return $this->graph->neighbours();
    }

    private function contract(): void
    {
        $index = array_flip(array_keys($this->graph->terminals));
        $parent = range(0, max(0, count($index) - 1));
        $find = function (int $i) use (&$parent): int {
            while ($parent[$i] !== $i) {
                $i = $parent[$i] = $parent[$parent[$i]];
            }

            return $i;
        };
        foreach ($this->graph->elements as $element) {
            if ($element->kind !== ElementKind::Bond && $this->fixed($element) === true) {
                $parent[$find($index[$element->a])] = $find($index[$element->b]);
            }
        }
        $numbers = [];
        foreach ($index as $terminal => $i) {
            $this->net[(string) $terminal] = $numbers[$find($i)] ??= count($numbers);
        }
        $this->nets = count($numbers);
    }

    private function number(): void
    {
        $groups = [];
        foreach ($this->graph->elements as $id => $element) {
            $fixed = $this->fixed($element);
            if ($fixed === false) {
                $this->bitOf[$id] = self::NEVER;
            }
            if ($fixed === false || ($fixed === true && $element->kind !== ElementKind::Bond)) {
                continue;
            }
            $bit = -1;
            if ($element->device !== null && $fixed === null) {
                $group = $element->device . '|' . implode(',', $element->closedIn);
                $bit = $groups[$group] ??= count($groups);
                $this->together[$bit][] = $id;
                $this->polesOf[$element->device][] = $id;
                foreach ($element->closedIn as $position) {
                    $this->bits[$element->device][$position] =
                        ($this->bits[$element->device][$position] ?? 0) | (1 << $bit);
                }
            }
            $this->bitOf[$id] = $bit;
            if ($bit >= 0 && $element->role->isDc()) {
                $this->directBits |= 1 << $bit;
            }
            if ($element->kind === ElementKind::Bond) {
                $this->bonds[] = [$id, $this->net[$element->a], $this->net[$element->b]];
            } else {
                // What lets current through one way is taken as joined: a hazard must not hang on which side is higher.
                $this->placeOf[$id] = count($this->contacts);
                $this->contacts[] = [$this->net[$element->a], $this->net[$element->b], $bit < 0 ? self::ALWAYS : $bit];
            }
        }
        foreach ($this->graph->devices as $id => $device) {
            if (!isset($this->heldClosed[$id]) && !isset($this->left[$id])) {
                $this->kept[] = $id;
            }
        }
        foreach ($this->graph->sources as $id => $source) {
            if ($source->kind === 'ac' && $source->forming) {
                $this->acSources[$id] = [$this->net[$source->a], $this->net[$source->b], $source->component];
            }
        }
        $this->alone = $this->nets === 0 ? [] : range(0, $this->nets - 1);
        $switched = [];
        foreach ($this->contacts as [$a, $b]) {
            $switched[$a] = $switched[$b] = true;
        }
        $this->switched = array_keys($switched);
    }

    /** @return array<string, string> devices set by hand that are not gone through => the position they are in */
    public function held(): array
    {
        return $this->left +
            array_map(
                fn(string $id): string => $this->graph->devices[$id]->normal,
                array_combine(array_keys($this->heldClosed), array_keys($this->heldClosed)),
            );
    }

    /** @return array<string, true> devices that a source goes by: what it follows, and its mode switch */
    public function followed(): array
    {
        $devices = [...array_column($this->graph->sources, 'device'), ...array_column($this->graph->sources, 'mode')];

        return array_fill_keys(array_filter($devices, is_string(...)), true);
    }

    /** Whether no other pole moves with a contact. */
    public function movesAlone(string $element): bool
    {
        return count($this->movesWith($element)) === 1;
    }

    /** @return non-empty-list<string> the poles that move together with a contact, itself among them */
    public function movesWith(string $element): array
    {
        return $this->together[$this->bitOf[$element] ?? -1] ?? [$element];
    }

    /**
     * Root of every net with the given bits closed.
     *
     * @param array<string, bool> $parted poles that do not move with theirs => closed
     * @return array<int, int>
     */
    public function roots(int $closed, array $parted = []): array
    {
        $contacts = $this->contacts;
        foreach ($parted as $element => $stays) {
            $place = $this->placeOf[$element] ?? null;
            if ($place === null) {
                continue;
            }
            [$a, $b] = $contacts[$place];
            unset($contacts[$place]);
            if ($stays) {
                $contacts[] = [$a, $b, self::ALWAYS];
            }
        }
        $closed |= 1 << self::ALWAYS;
        $parent = $this->alone;
        foreach ($contacts as [$a, $b, $bit]) {
            if (($closed >> $bit) & 1) {
                while ($parent[$a] !== $a) {
                    $a = $parent[$a];
                }
                while ($parent[$b] !== $b) {
                    $b = $parent[$b];
                }
                if ($a !== $b) {
                    $parent[$a] = $b;
                }
            }
        }
        foreach ($this->switched as $i) {
            $p = $parent[$i];
            if ($p !== $parent[$p]) {
                while ($parent[$p] !== $p) {
                    $p = $parent[$p];
                }
                $parent[$i] = $p;
            }
        }

        return $parent;
    }
}
