<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\States\Settled;

/**
 * The direct-current side of one settled state. Batteries stand behind their own resistance, or behind
 * that and their polarisation while they are charged; chargers give their limit, hold their volts, or
 * stand off, and never sink current; what takes constant power takes it.
 */
final class DcSide
{
    /** How stiffly a charger holds its volts, ohm (common practice, no source). */
    public const HOLD_OHM = 5e-3;

    private const MOST_ROUNDS = 80;

    private const TOLERANCE_A = 1e-10;

    public NodalNetwork $network;

    private ?Ports $ports = null;

    /** @var array<string, float> W that impedances stand for in the network as it is */
    private array $built = [];

    /** @var list<float> amps drawn at each port: the injections first, then the chargers */
    private array $drawn = [];

    /** @var list<float> volts across each port */
    public array $across = [];

    /** @var array<string, bool> battery => being charged */
    private array $charging = [];

    /** @var array<string, string> charger => limit, hold, power or off */
    public array $mode = [];

    /** @var array<string, float> charger => most it may give for what its input leaves it, W */
    public array $mostW = [];

    public int $rounds = 0;

    public bool $converged = true;

    /** @var array<string, Battery> */
    private readonly array $batteries;

    /**
     * @param list<PowerInjection> $injections
     * @param array<string, PowerConverter> $chargers
     * @param string $charge of the batteries: full, half or low
     */
    public function __construct(
        private readonly Settled $settled,
        public readonly array $injections,
        public readonly array $chargers,
        private readonly string $charge,
    ) {
        $this->batteries = $settled->situation->network->graph->batteries;
        foreach ($this->batteries as $id => $battery) {
            $this->charging[$id] = false;
            foreach ($chargers as $charger) {
                if ($settled->situation->joined($charger->output[0], $battery->pos) && $charger->limitA > 0) {
                    $this->charging[$id] = true;
                }
            }
        }
        $this->build();
    }

    private function build(): void
    {
        $this->network = $this->networkOf();
        $pairs = array_map(fn(PowerInjection $i): array => [$i->a, $i->b], $this->ported());
        foreach ($this->chargers as $charger) {
            $pairs[] = $charger->output;
        }
        $this->ports = new Ports($this->network, $pairs);
        $this->built = $this->impedances();
    }

    /** @return list<PowerInjection> */
    private function ported(): array
    {
        return array_values(array_filter($this->injections, fn(PowerInjection $i): bool => !$i->isImpedance()));
    }

    /** Everything linear: metal, batteries, impedances. */
    private function networkOf(): NodalNetwork
    {
        $network = new NodalNetwork();
        $situation = $this->settled->situation;
        $graph = $situation->network->graph;
        foreach ($graph->elements as $id => $element) {
            if (($element->role->isDc() || $element->role === Role::PE) && $situation->isClosed($id)) {
                $network->add('wire', $id, $element->a, $element->b, 1 / Impedance::ohm($element, $graph));
            }
        }
        foreach ($this->batteries as $id => $battery) {
            $ohm = $this->charging[$id] ? $battery->chargingOhm($this->charge) : $battery->ohm;
            $network->source($id, $battery->pos, $battery->neg, $battery->restV($this->charge), 0.0, $ohm);
        }
        foreach ($this->injections as $injection) {
            $network->node($injection->a);
            $network->node($injection->b);
            if ($injection->isImpedance()) {
                $network->add('load', $injection->id, $injection->a, $injection->b, ...$injection->nominal());
            }
        }
        foreach ($this->chargers as $charger) {
            $network->node($charger->output[0]);
            $network->node($charger->output[1]);
        }
        $network->add('leak', 'tyres', 'frame', 'earth', 1 / LoadFlow::TYRES_OHM);
        Islands::tie($network);

        return $network;
    }

    /** Brings everything to rest; the network is made again only when a battery turns or something gives up. */
    public function settle(): void
    {
        if ($this->built !== $this->impedances()) {
            $this->build();
        }
        for ($pass = 0; $pass < 24; $pass++) {
            $fallen = $this->step();
            if ($fallen !== null) {
                $fallen->collapsed = true;
            } elseif (!$this->converged || !$this->turned($pass)) {
                return;
            }
            $this->build();
        }
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

    /** Batteries that stand the wrong way for the current through them. */
    private function turned(int $pass): bool
    {
        $turned = false;
        foreach ($this->batteries as $id => $battery) {
            $into = -$this->batteryA($id);
            // At the very edge between giving and taking both stand for the same.
            if ($pass < 8 && ($this->charging[$id] ? $into < -1e-6 : $into > 1e-6)) {
                $this->charging[$id] = !$this->charging[$id];
                $turned = true;
            }
        }

        return $turned;
    }

    /** Newton's method on what is drawn at each port; returns what has fallen below what it runs on. */
    private function step(): ?PowerInjection
    {
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        $ported = $this->ported();
        $n = count($ports->nodes);
        $i = count($this->drawn) === $n ? $this->drawn : array_fill(0, $n, 0.0);
        foreach ($ported as $p => $injection) {
            $i[$p] = $i[$p] !== 0.0 ? $i[$p] : $injection->watts / $injection->nominalV;
        }
        $this->converged = false;
        $v = [];
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $this->rounds++;
            $v = $ports->volts($i, array_fill(0, $n, 0.0))[0];
            $off = $slope = [];
            $worst = 0.0;
            foreach ($ported as $p => $injection) {
                // Below the floor Newton is led back by the tangent there.
                $at = max($v[$p], 0.3 * $injection->nominalV);
                $g = $injection->watts / $at;
                $off[$p] = $i[$p] - $g;
                $slope[$p] = $v[$p] > 0.3 * $injection->nominalV ? -$injection->watts / $v[$p] ** 2 : 0.0;
            }
            $p = count($ported);
            foreach ($this->chargers as $id => $charger) {
                [$given, $slope[$p], $this->mode[$id]] = $this->gives($charger, $v[$p]);
                $off[$p] = $i[$p] + $given;
                $p++;
            }
            foreach ($off as $x) {
                $worst = max($worst, abs($x));
            }
            if ($worst < self::TOLERANCE_A * max([1.0, ...array_map(abs(...), $i)])) {
                $this->converged = true;
                break;
            }
            $matrix = [];
            for ($r = 0; $r < $n; $r++) {
                for ($c = 0; $c < $n; $c++) {
                    $matrix[$r][$c] = ($r === $c ? 1.0 : 0.0) + $slope[$r] * $ports->zRe[$r][$c];
                }
                $matrix[$r][$n] = -$off[$r];
            }
            foreach (self::solved($matrix, $n) as $k => $step) {
                $i[$k] += $step;
            }
        }
        $this->drawn = array_values($i);
        $this->across = array_values($v);
        $fallen = null;
        $lowest = AcSide::COLLAPSE;
        foreach ($ported as $p => $injection) {
            $share = $v[$p] / $injection->nominalV;
            if (($share < $lowest || (!$this->converged && $fallen === null)) && $injection->watts > 0) {
                [$fallen, $lowest] = [$injection, min($lowest, $share)];
            }
        }
        if ($fallen !== null) {
            $this->converged = true;
        }

        return $fallen;
    }

    /**
     * What a charger gives at some volts, how that changes with them, and in which way it gives.
     *
     * @return array{float, float, string} A, A per V of what is drawn (what is given counts against it), mode
     */
    private function gives(PowerConverter $charger, float $volts): array
    {
        $most = $this->mostW[$charger->id] ?? INF;
        if ($most <= 0 || $charger->limitA <= 0) {
            return [0.0, 0.0, 'off'];
        }
        $held = ($charger->holdsV - $volts) / self::HOLD_OHM;
        $byPower = $volts > 1.0 ? $most / $volts : INF;
        $limit = min($charger->limitA, $byPower);
        // Neighbouring ways only, from the one it is in: jumping past "hold" would jump back for ever.
        $mode = match ($this->mode[$charger->id] ?? 'limit') {
            'hold' => $held < -1e-9 ? 'off' : ($held > $limit ? 'limit' : 'hold'),
            'off' => $held > 1e-9 ? 'hold' : 'off',
            default => $held < 0 ? 'hold' : 'limit',
        };

        return match (true) {
            $mode === 'off' => [0.0, 0.0, 'off'],
            $mode === 'hold' => [$held, 1 / self::HOLD_OHM, 'hold'],
            $byPower < $charger->limitA => [$byPower, $byPower / $volts, 'power'],
            default => [$charger->limitA, 0.0, 'limit'],
        };
    }

    /**
     * Gauss with pivots on a small dense system.
     *
     * @param array<int, array<int, float>> $m rows with the right side last
     * @return list<float>
     */
    private static function solved(array $m, int $n): array
    {
        for ($k = 0; $k < $n; $k++) {
            $pivot = $k;
            for ($r = $k + 1; $r < $n; $r++) {
                if (abs($m[$r][$k]) > abs($m[$pivot][$k])) {
                    $pivot = $r;
                }
            }
            [$m[$k], $m[$pivot]] = [$m[$pivot], $m[$k]];
            $lead = $m[$k][$k];
            if (abs($lead) < 1e-30) {
                continue;
            }
            for ($r = $k + 1; $r < $n; $r++) {
                $share = $m[$r][$k] / $lead;
                if ($share !== 0.0) {
                    for ($c = $k; $c <= $n; $c++) {
                        $m[$r][$c] -= $share * $m[$k][$c];
                    }
                }
            }
        }
        $x = array_fill(0, $n, 0.0);
        for ($k = $n - 1; $k >= 0; $k--) {
            $sum = $m[$k][$n];
            for ($c = $k + 1; $c < $n; $c++) {
                $sum -= $m[$k][$c] * $x[$c];
            }
            $x[$k] = abs($m[$k][$k]) < 1e-30 ? 0.0 : $sum / $m[$k][$k];
        }

        return array_values($x);
    }

    /** Amps a charger gives. */
    public function givenA(string $charger): float
    {
        $p = count($this->ported()) + (int) array_search($charger, array_keys($this->chargers), true);

        return max(0.0, -($this->drawn[$p] ?? 0.0));
    }

    /** Volts at a charger's output. */
    public function chargerV(string $charger): float
    {
        return $this->across[count($this->ported()) + (int) array_search($charger, array_keys($this->chargers), true)] ?? 0.0;
    }

    /** Amps a battery gives; below nothing while it is charged. */
    public function batteryA(string $id): float
    {
        $battery = $this->batteries[$id];
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        [$v] = $ports->between($this->network->node[$battery->pos], $this->network->node[$battery->neg], $this->drawn, array_fill(0, count($this->drawn), 0.0));
        $ohm = $this->charging[$id] ? $battery->chargingOhm($this->charge) : $battery->ohm;

        return ($battery->restV($this->charge) - $v) / $ohm;
    }

    /** @return list<array{string, int, int, float, float}> what is drawn and given at constant power or current */
    public function corrections(): array
    {
        $ports = $this->ports ?? throw new \LogicException('nothing is built');
        $names = [...array_map(fn(PowerInjection $i): string => $i->id, $this->ported()), ...array_keys($this->chargers)];
        $corrections = [];
        foreach ($names as $p => $name) {
            $corrections[] = [$name, $ports->nodes[$p][0], $ports->nodes[$p][1], -$this->drawn[$p], 0.0];
        }

        return $corrections;
    }
}
