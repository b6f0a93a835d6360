<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Source;
use Hollin\Core\Network\SupplyCondition;
use Hollin\Core\States\Settled;

/**
 * The alternating side of one settled state at line frequency: sources as phasors behind their
 * impedance, what takes constant power brought to its power, what cannot run taken as the impedance it
 * is at standstill.
 */
final class AcSide
{
    /** Below this share of nominal volts a constant-power demand is taken as an impedance. */
    public const COLLAPSE = 0.7;

    private const MOST_ROUNDS = 120;

    private const MOST_STEPS = 60;

    private const TOLERANCE_V = 1e-10;

    private NodalNetwork $network;

    /** @var list<PowerInjection> one to a port; those that gave up are absorbed there */
    private readonly array $ported;

    /** @var array<int, array{float, float}> port => admittance absorbed there, S */
    private array $absorbed = [];

    /** @var list<Winding> of the sources, at the ports that follow */
    private array $windings = [];

    private Ports $ports;

    /** @var array{array<int, float>, array<int, float>} amps drawn at each port */
    private array $drawn = [[], []];

    /** @var array{array<int, float>, array<int, float>} volts across each port */
    private array $across = [[], []];

    /** @var array<string, true> sources held at their surge */
    public array $limited = [];

    public int $rounds = 0;

    public bool $converged = true;

    /**
     * @param array<string, Source> $live sources that give anything
     * @param list<PowerInjection> $injections
     * @param array<string, true> $running
     * @param list<array{string, string, float}> $more further resistances: terminal, terminal, ohm
     */
    public function __construct(
        private readonly Settled $settled,
        private readonly array $live,
        public readonly array $injections,
        private readonly array $running,
        private readonly array $more,
        private readonly Effort $effort = new Effort(),
    ) {
        $situation = $settled->situation;
        foreach ($injections as $injection) {
            // What no hot reaches, through metal or loads, stands still; no need to try.
            if (
                $injection->constant &&
                $situation->hotAt($injection->a) === null &&
                $situation->hotAt($injection->b) === null
            ) {
                $injection->collapsed = true;
            }
        }
        $this->ported = array_values(array_filter($injections, fn(PowerInjection $i): bool => !$i->isImpedance()));
        $this->build();
    }

    /** Makes the network and its ports, every demand as if it ran. */
    public function build(): void
    {
        foreach ($this->ported as $injection) {
            $injection->collapsed = false;
        }
        $this->absorbed = $this->limited = [];
        $this->windings = [];
        foreach ($this->live as $id => $source) {
            array_push(
                $this->windings,
                ...Winding::of(
                    $source,
                    SupplyCondition::volts($this->settled->situation->condition($id), $source->volts),
                ),
            );
        }
        $this->network = $this->networkAtFirst();
        $this->effort->spend(4 * count($this->ported) * count($this->network->names));
        $this->ports = new Ports($this->network, [
            ...array_map(fn(PowerInjection $i): array => [$i->a, $i->b], $this->ported),
            ...array_map(fn(Winding $w): array => [$w->a, $w->b], $this->windings),
        ]);
        $zeros = array_fill(0, count($this->ported), 0.0);
        $this->drawn = [$zeros, $zeros];
        $this->across = [$this->ports->eRe, $this->ports->eIm];
        // What would not run with nothing else drawn will not run at all.
        foreach ($this->ported as $p => $injection) {
            if (
                $injection->watts > 0 &&
                hypot($this->ports->eRe[$p], $this->ports->eIm[$p]) < $injection->floor * $injection->nominalV
            ) {
                $this->collapse($p);
            }
        }
    }

    /** Everything linear at first: metal, sources, what is an impedance. */
    private function networkAtFirst(): NodalNetwork
    {
        $network = new NodalNetwork();
        $situation = $this->settled->situation;
        $graph = $situation->network->graph;
        Metal::into($network, $situation, true);
        Leaks::into($network, $graph, $this->live, $this->running);
        foreach ($this->windings as $winding) {
            $network->source($winding->name, $winding->a, $winding->b, $winding->re, $winding->im, $winding->ohm);
        }
        foreach ($graph->sources as $id => $source) {
            if ($source->kind === 'stray' && $situation->isActive($id)) {
                $network->source($id, $source->a, $source->b, $source->volts, 0.0, $source->impedanceOhm);
            }
        }
        foreach ($this->more as [$a, $b, $ohm]) {
            $network->add('meter', 'meter', $a, $b, 1 / $ohm);
        }
        foreach ($this->injections as $injection) {
            $network->node($injection->a);
            $network->node($injection->b);
            if ($injection->isImpedance()) {
                $network->add('load', $injection->id, $injection->a, $injection->b, ...$injection->nominal());
            }
        }
        $network->add('leak', 'tyres', 'frame', 'earth', 1 / LoadFlow::TYRES_OHM);
        Islands::tie($network);

        return $network;
    }

    /** The network as it has come to stand: what gave up is an impedance in it, limited sources are weaker. */
    public function network(): NodalNetwork
    {
        $network = clone $this->network;
        foreach ($this->absorbed as $port => $y) {
            $network->add('load', $this->ported[$port]->id, $this->ported[$port]->a, $this->ported[$port]->b, ...$y);
        }
        foreach ($this->windings as $winding) {
            if (isset($this->limited[$winding->of])) {
                $network->setSource($winding->name, $winding->re, $winding->im, $winding->ohm);
            }
        }

        return $network;
    }

    private function collapse(int $port): void
    {
        $injection = $this->ported[$port];
        $injection->collapsed = true;
        $this->absorbed[$port] = $injection->nominal();
        $this->effort->spend(8 * count($this->ported) ** 2);
        $this->ports->absorb($port, ...$this->absorbed[$port]);
        $this->drawn[0][$port] = $this->drawn[1][$port] = 0.0;
        $this->across = $this->ports->volts(...$this->drawn);
    }

    /** Takes back that something gave up: it stands at its power again, which somebody else has set. */
    public function revive(PowerInjection $injection): void
    {
        $port = array_search($injection, $this->ported, true);
        if ($port !== false && isset($this->absorbed[$port])) {
            $this->ports->absorb($port, -$this->absorbed[$port][0], -$this->absorbed[$port][1]);
            unset($this->absorbed[$port]);
        }
        $injection->collapsed = false;
    }

    /**
     * Brings every constant power to its power at the volts it gets. Of two answers the upper one; what
     * falls below what it runs on gives up and stays given up, the worst first.
     */
    public function settle(): void
    {
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $fallen = $this->step();
            if ($fallen === null && !$this->limit()) {
                return;
            }
            if ($fallen !== null) {
                $this->collapse($fallen);
            }
        }
        $this->converged = false;
    }

    /** Returns the port of what gives up, or null when all is settled. */
    private function step(): ?int
    {
        [$vRe, $vIm] = $this->across;
        [$iRe, $iIm] = $this->drawn;
        $worst = null;
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $this->rounds++;
            foreach ($this->ported as $p => $injection) {
                if (!$injection->collapsed) {
                    [$iRe[$p], $iIm[$p]] = $injection->currentAt($vRe[$p], $vIm[$p]);
                }
            }
            $this->effort->spend(4 * count($iRe) ** 2);
            [$nRe, $nIm] = $this->ports->volts($iRe, $iIm);
            $moved = 0.0;
            $worst = null;
            $lowest = 1.0;
            foreach ($this->ported as $p => $injection) {
                $moved = max($moved, abs($nRe[$p] - $vRe[$p]) + abs($nIm[$p] - $vIm[$p]));
                $share = hypot($nRe[$p], $nIm[$p]) / ($injection->floor * $injection->nominalV);
                if ($share < $lowest && $injection->watts > 0 && !$injection->collapsed) {
                    [$worst, $lowest] = [$p, $share];
                }
            }
            [$vRe, $vIm] = [$nRe, $nIm];
            if ($worst !== null) {
                return $worst;
            }
            if ($moved < self::TOLERANCE_V) {
                $this->drawn = [$iRe, $iIm];
                $this->across = [$vRe, $vIm];

                return null;
            }
        }
        // No answer at all near the present one: what stands lowest gives up.
        $lowest = INF;
        foreach ($this->ported as $p => $injection) {
            $share = hypot($vRe[$p], $vIm[$p]) / $injection->nominalV;
            if ($share < $lowest && $injection->watts > 0 && !$injection->collapsed) {
                [$worst, $lowest] = [$p, $share];
            }
        }
        $this->converged = $worst !== null;

        return $worst;
    }

    /**
     * Holds sources past their surge at it: their volts fall as if behind more resistance. True when that changed
     * anything.
     */
    private function limit(): bool
    {
        $changed = false;
        foreach ($this->windings as $n => $winding) {
            $most = $this->live[$winding->of]->surgeA;
            $port = count($this->ported) + $n;
            $amps = hypot(...$winding->gives($this->across[0][$port], $this->across[1][$port]));
            if ($most > 0 && $amps > $most * 1.001) {
                $open = hypot($winding->re, $winding->im);
                $winding->becomes($winding->ohm + $open / $most - $open / $amps, $this->ports, $port);
                $this->across = $this->ports->volts(...$this->drawn);
                $this->limited[$winding->of] = true;
                $changed = true;
            }
        }

        return $changed;
    }

    /** @return array{array<int, float>, array<int, float>} V of each node */
    public function volts(): array
    {
        return $this->ports->nodeVolts(...$this->drawn);
    }

    /** @return list<array{string, int, int, float, float}> what is drawn at constant power, as injected currents */
    public function corrections(): array
    {
        $corrections = [];
        foreach ($this->ported as $p => $injection) {
            if (!$injection->collapsed) {
                $corrections[] = [
                    $injection->id,
                    $this->ports->nodes[$p][0],
                    $this->ports->nodes[$p][1],
                    -$this->drawn[0][$p],
                    -$this->drawn[1][$p],
                ];
            }
        }

        return $corrections;
    }

    /** @return array{float, float} V between two terminals at the present draw */
    public function between(string $a, string $b): array
    {
        $i = $this->network->node[$a] ?? null;
        $j = $this->network->node[$b] ?? null;

        return $i === null || $j === null ? [0.0, 0.0] : $this->ports->between($i, $j, ...$this->drawn);
    }

    /**
     * Amps through an element, from its first end to its second, at the present draw.
     *
     * @return array{float, float}
     */
    public function through(string $element): array
    {
        $branch = $this->network->branchOf($element);
        if ($branch === null) {
            return [0.0, 0.0];
        }
        [$re, $im] = $this->ports->between($branch->a, $branch->b, ...$this->drawn);

        // Wires and contacts are resistances.
        return [$re * $branch->re, $im * $branch->re];
    }

    /** Current a source gives, A; the larger half of a split output. */
    public function amps(string $source): float
    {
        $amps = 0.0;
        foreach ($this->windings as $n => $winding) {
            if ($winding->of === $source) {
                $port = count($this->ported) + $n;
                $amps = max($amps, hypot(...$winding->gives($this->across[0][$port], $this->across[1][$port])));
            }
        }

        return $amps;
    }

    /** Active power a source gives, W. */
    public function watts(string $source): float
    {
        $watts = 0.0;
        foreach ($this->windings as $n => $winding) {
            if ($winding->of === $source) {
                $port = count($this->ported) + $n;
                [$re, $im] = $winding->gives($this->across[0][$port], $this->across[1][$port]);
                $watts += $this->across[0][$port] * $re + $this->across[1][$port] * $im;
            }
        }

        return $watts;
    }

    /**
     * What each source does alone, the others as their impedance, loads as the admittance they are at the
     * present volts.
     *
     * @return array<string, array{array<int, float>, array<int, float>}> source => V of each node
     */
    public function alone(): array
    {
        $ports = clone $this->ports;
        foreach ($this->ported as $p => $injection) {
            if (!$injection->collapsed) {
                $size = max(1e-12, $this->across[0][$p] ** 2 + $this->across[1][$p] ** 2);
                $ports->absorb(
                    $p,
                    ($this->drawn[0][$p] * $this->across[0][$p] + $this->drawn[1][$p] * $this->across[1][$p]) / $size,
                    ($this->drawn[1][$p] * $this->across[0][$p] - $this->drawn[0][$p] * $this->across[1][$p]) / $size,
                );
            }
        }
        $volts = [];
        foreach ($this->windings as $n => $winding) {
            $of = $ports->from(count($this->ported) + $n, $winding->re / $winding->ohm, $winding->im / $winding->ohm);
            foreach ($of[0] as $k => $re) {
                $volts[$winding->of][0][$k] = ($volts[$winding->of][0][$k] ?? 0.0) + $re;
                $volts[$winding->of][1][$k] = ($volts[$winding->of][1][$k] ?? 0.0) + $of[1][$k];
            }
        }

        return $volts;
    }
}
