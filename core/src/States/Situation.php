<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\SupplyCondition;

/**
 * One electrical situation: which contacts are closed and which sources are on. Answers what is
 * joined, live, bonded and charging. Hard islands go through conductors and closed contacts only;
 * the soft closure also through loads.
 */
final class Situation
{
    /** @var ?array<string, array{int, int}> */
    private ?array $acSources = null;

    /** @var ?array<int, true> roots, with bonds taken for metal, that alternating current can reach */
    private ?array $reached = null;

    /** @var ?array<int, int> root => root it is joined with by bonds */
    private ?array $bondedRoots = null;

    private ?AlternatingPotentials $alternating = null;

    /** @var ?array<int, string> */
    private ?array $softLive = null;

    /**
     * @var array<string, array<string, string>> as what automatic devices go by stands => device => the position it
     *      wants; the engine's to keep
     */
    public array $wanted = [];

    /** @var ?array<string, Liveness> */
    private ?array $liveness = null;

    /** @var ?array<string, string> */
    private ?array $charging = null;

    /** @var ?array<string, true> */
    private ?array $givingDirect = null;

    /** @var array<string, list<string>> */
    private array $bonds = [];

    /**
     * @param array<string, string> $active source => quality
     * @param array<int, int> $roots
     * @param array<string, bool> $parted poles that a failure keeps from moving with theirs => closed
     */
    public function __construct(
        public readonly Contraction $network,
        public readonly string $key,
        public readonly int $closed,
        private readonly array $active,
        private readonly array $roots,
        public readonly array $parted = [],
    ) {}

    /** The same number for all terminals that metal joins. */
    public function root(string $terminal): int
    {
        return $this->roots[$this->network->net[$terminal]];
    }

    /** Root of a net of the contraction. */
    public function rootOf(int $net): int
    {
        return $this->roots[$net];
    }

    /** What is closed on the battery side, as a key. */
    public function directKey(): string
    {
        $key = (string) ($this->closed & $this->network->directBits);
        foreach ($this->parted as $element => $stays) {
            if ($this->network->graph->elements[$element]->role->isDc()) {
                $key .= ($stays ? '+' : '-') . $element;
            }
        }

        return $key;
    }

    /** Whether a contact or bond is closed; true for a piece of wire. */
    public function isClosed(string $element): bool
    {
        $bit = $this->network->bitOf[$element] ?? -1;

        return $this->parted[$element] ?? ($bit < 0 ? $bit === -1 : (($this->closed >> $bit) & 1) === 1);
    }

    /** Whether a source gives anything. */
    public function isActive(string $source): bool
    {
        return isset($this->active[$source]);
    }

    /** good, low or high volts of a source, or dead; what is wrong with its wiring shows in the wiring. */
    public function quality(string $source): string
    {
        $quality = $this->active[$source] ?? 'dead';

        return match ($quality) {
            'low', 'high', 'dead' => $quality,
            'wired_240' => 'high',
            default => 'good',
        };
    }

    /** Volts a source stands at with nothing running, as what surrounds it leaves them. */
    public function volts(string $source): float
    {
        return SupplyCondition::volts($this->condition($source), $this->network->graph->sources[$source]->volts);
    }

    /** What surrounds a source: the condition of its pedestal as it is set, whatever its volts. */
    public function condition(string $source): string
    {
        return $this->active[$source] ?? 'dead';
    }

    /** @return array<string, array{int, int}> active forming AC sources => roots of their hot and neutral */
    public function acSources(): array
    {
        if ($this->acSources === null) {
            $this->acSources = [];
            foreach ($this->network->acSources as $id => [$hot, $neutral]) {
                if (isset($this->active[$id])) {
                    $this->acSources[$id] = [$this->roots[$hot], $this->roots[$neutral]];
                }
            }
        }

        return $this->acSources;
    }

    /** Which alternating sources are joined and which are shorted. */
    public function alternating(): AlternatingPotentials
    {
        return $this->alternating ??= new AlternatingPotentials($this);
    }

    /** The source that works between two terminals (either way round), or null. */
    public function workingSource(string $hot, string $neutral): ?string
    {
        $a = $this->root($hot);
        $b = $this->root($neutral);
        foreach ($this->acSources() as $id => [$hotRoot, $neutralRoot]) {
            if (($a === $hotRoot && $b === $neutralRoot) || ($a === $neutralRoot && $b === $hotRoot)) {
                return $id;
            }
        }

        return null;
    }

    /** The source whose hot reaches a terminal through metal, or null. */
    public function hardHot(string $terminal): ?string
    {
        $root = $this->root($terminal);
        foreach ($this->acSources() as $id => [$hotRoot]) {
            if ($root === $hotRoot) {
                return $id;
            }
        }

        return null;
    }

    /** The source whose hot reaches a terminal through a load, with no return in between, or null. */
    public function softHot(string $terminal): ?string
    {
        return $this->throughLoads()[$this->root($terminal)] ?? null;
    }

    /** The source whose hot reaches a terminal at all, through metal or a load. */
    public function hotAt(string $terminal): ?string
    {
        return $this->hardHot($terminal) ?? $this->softHot($terminal);
    }

    /** A source whose hot reaches a terminal, or whose driven neutral does: somebody who touches it is struck. */
    public function strikesAt(string $terminal): ?string
    {
        return $this->hotAt($terminal) ?? $this->drivenNeutral($terminal);
    }

    /** The source of which a terminal is the neutral at half the voltage from the case, or null. */
    public function drivenNeutral(string $terminal): ?string
    {
        $root = $this->root($terminal);
        foreach ($this->acSources() as $id => [, $neutralRoot]) {
            if ($root === $neutralRoot && $this->network->graph->sources[$id]->neutral === 'half') {
                return $id;
            }
        }

        return null;
    }

    /**
     * Whether a terminal is joined with the neutral of a source by neutral-ground bonds and the grounds
     * between them, and not by metal alone: what returns there runs, over conductors that are no return.
     */
    public function homeByGround(string $terminal, string $source): bool
    {
        $root = $this->root($terminal);
        $home = $this->root($this->network->graph->sources[$source]->b);

        return $root !== $home && $this->bonded($root) === $this->bonded($home);
    }

    /**
     * Whether a source's alternating current can reach a net at all, by metal, loads or bonds; what joins or parts two
     * that none reaches changes nothing.
     */
    public function isReached(int $net): bool
    {
        if ($this->reached === null) {
            $this->reached = [];
            foreach ($this->acSources() as $id => [$hot, $neutral]) {
                $this->reached[$this->bonded($hot)] = $this->reached[$this->bonded($neutral)] = true;
                $this->reached[$this->bonded($this->root($this->network->graph->sources[$id]->ground))] = true;
            }
            foreach ($this->reached === [] ? [] : $this->throughLoads() as $root => $_) {
                $this->reached[$this->bonded($root)] = true;
            }
        }

        return $this->reached !== [] && isset($this->reached[$this->bonded($this->roots[$net])]);
    }

    /** Root of a root with the closed neutral-ground bonds taken for metal. */
    public function bonded(int $root): int
    {
        if ($this->bondedRoots === null) {
            $this->bondedRoots = [];
            foreach ($this->network->bonds as [$element, $neutral, $ground]) {
                if ($this->isClosed($element)) {
                    $a = $this->bonded($this->roots[$neutral]);
                    $b = $this->bonded($this->roots[$ground]);
                    if ($a !== $b) {
                        $this->bondedRoots[$a] = $b;
                    }
                }
            }
        }
        while (isset($this->bondedRoots[$root])) {
            $root = $this->bondedRoots[$root];
        }

        return $root;
    }

    /** @return array<string, Liveness> by circuit */
    public function liveness(): array
    {
        if ($this->liveness === null) {
            $this->liveness = [];
            foreach ($this->network->graph->circuits as $id => $end) {
                $works = $this->workingSource($end->hot, $end->neutral);
                if ($works !== null) {
                    $this->liveness[$id] = Liveness::works($works);
                    continue;
                }
                $hard = $this->hardHot($end->hot);
                $across = $hard === null ? $this->hardHot($end->neutral) : null;
                if (
                    ($hard !== null && $this->homeByGround($end->neutral, $hard)) ||
                    ($across !== null && $this->homeByGround($end->hot, $across))
                ) {
                    $this->liveness[$id] = Liveness::throughGround($hard ?? (string) $across);
                    continue;
                }
                $hot = $this->softHot($end->hot);
                $neutral = $this->hotAt($end->neutral);
                $this->liveness[$id] = match (true) {
                    $hard !== null => Liveness::withoutReturn($hard),
                    $hot !== null => Liveness::throughLoad($hot),
                    $neutral !== null => Liveness::neutralLive($neutral),
                    ($driven = $this->drivenNeutral($end->neutral)) !== null => Liveness::neutralLive($driven),
                    default => Liveness::dead(),
                };
            }
        }

        return $this->liveness;
    }

    /**
     * Closed bonds between a source's neutral island and its ground, as element ids.
     *
     * @return list<string>
     */
    public function bondsOf(string $source): array
    {
        if (!isset($this->bonds[$source])) {
            $this->bonds[$source] = [];
            $neutral = $this->root($this->network->graph->sources[$source]->b);
            foreach ($this->network->bonds as [$element, $netN]) {
                if ($this->roots[$netN] === $neutral && $this->isClosed($element)) {
                    $this->bonds[$source][] = $element;
                }
            }
        }

        return $this->bonds[$source];
    }

    /** @return array<string, string> charging sources that run => the AC source they run on */
    public function charging(): array
    {
        if ($this->charging === null) {
            $this->charging = [];
            foreach ($this->active as $id => $_) {
                $runsOn = $this->network->graph->sources[$id]->runsOnAc;
                $ac = $runsOn === null ? null : $this->workingSource($runsOn[0], $runsOn[1]);
                if ($ac !== null && $this->mayCharge($id)) {
                    $this->charging[$id] = $ac;
                }
            }
        }

        return $this->charging;
    }

    /** Whether no battery's management holds a charger back. */
    public function mayCharge(string $converter): bool
    {
        $stop = ($this->network->graph->converters[$converter] ?? null)?->stop;

        return $stop === null || $this->isClosed($stop);
    }

    /** @return list<string> batteries that stand between two terminals, the right way round */
    public function batteriesAt(string $pos, string $neg): array
    {
        $there = array_filter(
            $this->network->graph->batteries,
            fn(Battery $b): bool => $this->paired([$pos, $neg], [$b->pos, $b->neg]),
        );

        return array_map(strval(...), array_keys($there));
    }

    /** @return array<string, true> what charges from sun, shaft or another battery and is on */
    public function givingDirect(): array
    {
        return $this->givingDirect ??= DirectGiving::of($this);
    }

    /** Whether two terminals are joined by metal. */
    public function joined(string $a, string $b): bool
    {
        return $this->root($a) === $this->root($b);
    }

    /**
     * @param array{string, string} $one
     * @param array{string, string} $two
     * @return bool whether both poles are joined by metal: one alone carries nothing
     */
    public function paired(array $one, array $two): bool
    {
        return $this->joined($one[0], $two[0]) && $this->joined($one[1], $two[1]);
    }

    /**
     * Whether two terminals are joined by metal or by a closed neutral-ground bond: a meter reads no volts between
     * them.
     */
    public function tied(string $a, string $b): bool
    {
        $first = $this->root($a);
        $second = $this->root($b);
        if ($first === $second) {
            return true;
        }
        foreach ($this->network->bonds as [$element, $netN, $netG]) {
            if ($this->isClosed($element)) {
                $pair = [$this->roots[$netN], $this->roots[$netG]];
                if ($pair === [$first, $second] || $pair === [$second, $first]) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<int, string> root => source whose hot reaches it through loads, with no return in between */
    public function throughLoads(): array
    {
        return $this->softLive ??= ThroughLoads::of($this);
    }
}
