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

    private const TOLERANCE_V = 1e-10;

    public NodalNetwork $network;

    /** @var list<PowerInjection> those at constant power, one to a port */
    private array $ported = [];

    private ?Ports $ports = null;

    /** @var array<string, float> W that impedances stand for in the network as it is */
    private array $built = [];

    /** @var array{array<int, float>, array<int, float>} amps drawn at each port */
    private array $drawn = [[], []];

    /** @var array{array<int, float>, array<int, float>} */
    private array $across = [[], []];

    /** @var array<string, float> source past its surge => what its volts fall across, ohm */
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
    ) {
        $this->build();
    }

    /** Makes the network and its ports; needed again when something has given up or a source is limited. */
    public function build(): void
    {
        $this->network = $this->networkAt(array_fill_keys(array_keys($this->live), true), false);
        $this->ported = array_values(array_filter($this->injections, fn(PowerInjection $i): bool => !$i->isImpedance()));
        $this->ports = new Ports($this->network, array_map(fn(PowerInjection $i): array => [$i->a, $i->b], $this->ported));
        $this->built = $this->impedances();
        $zeros = array_fill(0, count($this->ported), 0.0);
        $this->drawn = [$zeros, $zeros];
        $this->across = [$this->ports->eRe, $this->ports->eIm];
    }

    /**
     * The network with some of its sources giving and the others as their impedance alone.
     *
     * @param array<string, true> $giving
     * @param bool $operating constant powers as the admittance they are at the present volts
     */
    public function networkAt(array $giving, bool $operating): NodalNetwork
    {
        $network = new NodalNetwork();
        $situation = $this->settled->situation;
        $graph = $situation->network->graph;
        foreach ($graph->elements as $id => $element) {
            if (($element->role->isAc() || $element->role === \Hollin\Core\Network\Role::PE) && $situation->isClosed($id)) {
                $network->add($element->kind === \Hollin\Core\Network\ElementKind::Bond ? 'bond' : 'wire', $id, $element->a, $element->b, 1 / Impedance::ohm($element, $graph));
            }
        }
        $omega = 2 * M_PI * LoadFlow::HZ;
        foreach ($graph->loads as $id => $load) {
            if (isset($this->running[$id])) {
                $network->add('leak', $id, $load->a, $graph->circuits[$load->circuit]->ground, 0.0, $omega * LoadFlow::APPLIANCE_F);
            }
        }
        foreach ($this->live as $id => $source) {
            $this->source($network, $id, $source, isset($giving[$id]));
        }
        foreach ($graph->sources as $id => $source) {
            if ($source->kind === 'stray' && $situation->isActive($id)) {
                $network->source($id, $source->a, $source->b, $source->volts, 0.0, $source->impedanceOhm);
            }
        }
        foreach ($this->more as [$a, $b, $ohm]) {
            $network->add('meter', 'meter', $a, $b, 1 / $ohm);
        }
        $p = 0;
        foreach ($this->injections as $injection) {
            $network->node($injection->a);
            $network->node($injection->b);
            if ($injection->isImpedance()) {
                $network->add('load', $injection->id, $injection->a, $injection->b, ...$injection->nominal());
                continue;
            }
            if ($operating) {
                // I ÷ V at the operating point.
                [$iRe, $iIm] = [$this->drawn[0][$p], $this->drawn[1][$p]];
                [$vRe, $vIm] = [$this->across[0][$p], $this->across[1][$p]];
                $size = max(1e-12, $vRe ** 2 + $vIm ** 2);
                $network->add('load', $injection->id, $injection->a, $injection->b, ($iRe * $vRe + $iIm * $vIm) / $size, ($iIm * $vRe - $iRe * $vIm) / $size);
            }
            $p++;
        }
        $network->add('leak', 'tyres', 'frame', 'earth', 1 / LoadFlow::TYRES_OHM);
        Islands::tie($network);

        return $network;
    }

    private function source(NodalNetwork $network, string $id, Source $source, bool $gives): void
    {
        $volts = $gives ? SupplyCondition::volts($this->settled->situation->condition($id), $source->volts) : 0.0;
        $re = $volts * cos(deg2rad($source->angleDeg));
        $im = $volts * sin(deg2rad($source->angleDeg));
        // Past its surge it gives no more than its surge current: its volts fall as if behind as much more resistance.
        $ohm = $source->impedanceOhm + ($this->limited[$id] ?? 0.0);
        if ($source->neutral === 'half') {
            $network->source("{$id}#l", $source->a, $source->ground, $re / 2, $im / 2, $ohm / 2);
            $network->source("{$id}#n", $source->ground, $source->b, $re / 2, $im / 2, $ohm / 2);
        } else {
            $network->source($id, $source->a, $source->b, $re, $im, $ohm);
        }
        if ($source->neutral === 'floating') {
            $omega = 2 * M_PI * LoadFlow::HZ;
            $network->add('leak', "{$id}#l", $source->a, $source->ground, 0.0, $omega * LoadFlow::FLOATING_F);
            $network->add('leak', "{$id}#n", $source->b, $source->ground, 0.0, $omega * LoadFlow::FLOATING_F);
        }
    }

    /**
     * Brings every constant power to its power at the volts it gets. Of two answers the upper one; what
     * falls below what it runs on gives up and stays given up, the worst first.
     */
    public function settle(): void
    {
        if ($this->built !== $this->impedances()) {
            $this->build();
        }
        for ($pass = 0; $pass < 40; $pass++) {
            $fallen = $this->step();
            if ($fallen === null) {
                $limited = $this->limit();
                if (!$limited) {
                    return;
                }
            } else {
                $fallen->collapsed = true;
            }
            $this->build();
        }
        $this->converged = false;
    }

    /** @return array<string, float> */
    private function impedances(): array
    {
        $watts = [];
        foreach ($this->injections as $injection) {
            if ($injection->isImpedance()) {
                $watts[$injection->id] = $injection->watts;
            }
        }

        return $watts;
    }

    /** Returns what gives up, or null when all is settled. */
    private function step(): ?PowerInjection
    {
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        [$vRe, $vIm] = $this->across;
        $iRe = $iIm = [];
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $this->rounds++;
            foreach ($this->ported as $p => $injection) {
                [$iRe[$p], $iIm[$p]] = $injection->currentAt($vRe[$p], $vIm[$p]);
            }
            [$nRe, $nIm] = $ports->volts($iRe, $iIm);
            $moved = 0.0;
            $worst = null;
            $lowest = self::COLLAPSE;
            foreach ($this->ported as $p => $injection) {
                $moved = max($moved, abs($nRe[$p] - $vRe[$p]) + abs($nIm[$p] - $vIm[$p]));
                $share = hypot($nRe[$p], $nIm[$p]) / $injection->nominalV;
                if ($share < $lowest && $injection->watts > 0) {
                    [$worst, $lowest] = [$injection, $share];
                }
            }
            [$vRe, $vIm] = [$nRe, $nIm];
            if ($worst !== null) {
                return $worst;
            }
            if ($moved < self::TOLERANCE_V) {
                foreach ($this->ported as $p => $injection) {
                    [$iRe[$p], $iIm[$p]] = $injection->currentAt($vRe[$p], $vIm[$p]);
                }
                $this->drawn = [$iRe, $iIm];
                $this->across = [$vRe, $vIm];

                return null;
            }
        }
        // No answer at all near the present one: what stands lowest gives up.
        $worst = null;
        $lowest = INF;
        foreach ($this->ported as $p => $injection) {
            $share = hypot($vRe[$p], $vIm[$p]) / $injection->nominalV;
            if ($share < $lowest && $injection->watts > 0) {
                [$worst, $lowest] = [$injection, $share];
            }
        }
        $this->converged = $worst !== null;

        return $worst;
    }

    /** Holds sources past their surge at it; true when that changed anything. */
    private function limit(): bool
    {
        $changed = false;
        $volts = $this->volts();
        foreach ($this->live as $id => $source) {
            $amps = $this->amps($id, $volts);
            if ($source->surgeA > 0 && $amps > $source->surgeA * 1.001) {
                $this->limited[$id] = ($this->limited[$id] ?? 0.0) + $source->volts / $source->surgeA - $source->volts / $amps;
                $changed = true;
            }
        }

        return $changed;
    }

    /** @return array{array<int, float>, array<int, float>} V of each node */
    public function volts(): array
    {
        return $this->network->volts($this->corrections());
    }

    /** @return list<array{string, int, int, float, float}> what is drawn at constant power, as injected currents */
    public function corrections(): array
    {
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        $corrections = [];
        foreach ($this->ported as $p => $injection) {
            $corrections[] = [$injection->id, $ports->nodes[$p][0], $ports->nodes[$p][1], -$this->drawn[0][$p], -$this->drawn[1][$p]];
        }

        return $corrections;
    }

    /** @return array{float, float} V between two terminals at the present draw */
    public function between(string $a, string $b): array
    {
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        $i = $this->network->node[$a] ?? null;
        $j = $this->network->node[$b] ?? null;

        return $i === null || $j === null ? [0.0, 0.0] : $ports->between($i, $j, ...$this->drawn);
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
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        [$re, $im] = $ports->between($branch->a, $branch->b, ...$this->drawn);

        return [$re * $branch->re - $im * $branch->im, $re * $branch->im + $im * $branch->re];
    }

    /**
     * Current a source gives out of its hot, A; the larger half of a split output.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     */
    public function amps(string $source, array $volts): float
    {
        return max(hypot(...$this->network->given($source, $volts)), hypot(...$this->network->given("{$source}#l", $volts)), hypot(...$this->network->given("{$source}#n", $volts)));
    }

    /**
     * Active power a source gives, W.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     */
    public function watts(string $source, array $volts): float
    {
        $s = $this->live[$source];
        $watts = 0.0;
        foreach ([[$source, $s->a, $s->b], ["{$source}#l", $s->a, $s->ground], ["{$source}#n", $s->ground, $s->b]] as [$of, $a, $b]) {
            [$iRe, $iIm] = $this->network->given($of, $volts);
            $i = $this->network->node[$a] ?? -1;
            $j = $this->network->node[$b] ?? -1;
            $watts += ($volts[0][$i] - $volts[0][$j]) * $iRe + ($volts[1][$i] - $volts[1][$j]) * $iIm;
        }

        return $watts;
    }
}
