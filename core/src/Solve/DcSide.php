<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\States\Settled;

/**
 * The direct-current side of one settled state. Batteries stand behind their own resistance, or behind
 * that and their polarisation while they are charged; chargers give their limit, hold their volts, or
 * stand off, and never sink current; what takes constant power takes it.
 */
final class DcSide
{
    private const WHOLE_STEPS = 60;

    private const MOST_ROUNDS = 140;

    private const TOLERANCE_A = 1e-10;

    /** Share of a sum that its rounding may be off by. */
    private const ROUNDING = 1e-13;

    /** @var list<PowerInjection> one to a port; those that gave up are absorbed there */
    private readonly array $ported;

    /** @var array<int, array{float, float}> port => W and S absorbed there */
    private array $absorbed = [];

    /** @var list<Winding> of the batteries, then of what lets current through one way, at the last ports */
    private array $windings = [];

    private readonly OneWays $oneWays;

    private Ports $ports;

    private NodalNetwork $network;

    /** @var array<int, float> amps drawn at each port: the injections first, then the chargers */
    private array $drawn = [];

    /** @var array<int, float> volts across each port, the batteries' after those */
    private array $across = [];

    /** @var array<string, bool> battery => being charged */
    private array $charging = [];

    public readonly ChargerStages $stages;

    private HeldUp $held;

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
        array $chargers,
        private readonly string $charge,
        private readonly Effort $effort = new Effort(),
    ) {
        $this->stages = new ChargerStages($chargers);
        $this->batteries = $settled->situation->network->graph->batteries;
        foreach ($this->batteries as $id => $battery) {
            $this->charging[$id] = false;
            foreach ($chargers as $charger) {
                if (
                    $settled->situation->paired($charger->output, [$battery->pos, $battery->neg]) &&
                    $charger->limitA > 0
                ) {
                    $this->charging[$id] = true;
                }
            }
            $this->windings[] = new Winding(
                $id,
                $id,
                $battery->pos,
                $battery->neg,
                $battery->restV($charge),
                0.0,
                $this->ohm($id),
            );
        }
        $this->oneWays = new OneWays($settled->situation);
        array_push($this->windings, ...$this->oneWays->windings);
        $this->ported = array_values(array_filter($injections, fn(PowerInjection $i): bool => !$i->isImpedance()));
        $this->build();
        $this->drawn = array_fill(0, count($this->ported) + count($chargers), 0.0);
    }

    private function build(): void
    {
        $this->network = DirectNetwork::atFirst(
            $this->settled->situation,
            $this->windings,
            $this->oneWays,
            $this->injections,
            $this->stages->chargers,
        );
        $this->effort->spend(count($this->ported) * count($this->network->names));
        // What holds its volts stands in the network itself, and each charger puts in what it gives beside that: an
        // island that nothing else holds up would hang on leakage.
        $held = clone $this->network;
        $giving = $this->stages->begin();
        foreach ($giving as $id => $charger) {
            $held->source("{$id}!", ...[...$charger->output, $charger->holdsV, 0.0, ChargerStage::HOLD_OHM]);
        }
        $this->ports = new Ports($held, [
            ...array_map(fn(PowerInjection $i): array => [$i->a, $i->b], $this->ported),
            ...array_values(array_map(fn(PowerConverter $c): array => $c->output, $this->stages->chargers)),
            ...array_map(fn(Winding $w): array => [$w->a, $w->b], $this->windings),
        ]);
        foreach ($this->absorbed as $port => [, $siemens]) {
            $this->ports->absorb($port, $siemens);
        }
        $this->held = HeldUp::by($this->settled->situation, $giving);
    }

    /** Builds it anew: what gave up may well run now. */
    private function rebuild(): void
    {
        $this->absorbed = [];
        foreach ($this->ported as $p => $injection) {
            $injection->collapsed = false;
            $this->drawn[$p] = 0.0;
        }
        $this->build();
    }

    private function ohm(string $battery): float
    {
        return $this->charging[$battery]
            ? $this->batteries[$battery]->chargingOhm($this->charge)
            : $this->batteries[$battery]->ohm;
    }

    /**
     * The network as it has come to stand: what gave up is an impedance in it, batteries stand as they are charged or
     * not.
     */
    public function network(): NodalNetwork
    {
        $network = clone $this->network;
        foreach ($this->absorbed as $port => [, $y]) {
            $network->add('load', $this->ported[$port]->id, $this->ported[$port]->a, $this->ported[$port]->b, $y);
        }
        foreach ($this->windings as $winding) {
            $network->setSource($winding->name, $winding->re, 0.0, $winding->ohm);
        }

        return $network;
    }

    private function collapse(int $port): void
    {
        $injection = $this->ported[$port];
        $injection->collapsed = true;
        $this->absorbed[$port] = [$injection->watts, $injection->nominal()[0]];
        $this->ports->absorb($port, $this->absorbed[$port][1]);
        $this->drawn[$port] = 0.0;
    }

    /** Takes back that something gave up: what it takes has been set to something else. */
    public function revive(PowerInjection $injection): void
    {
        $port = array_search($injection, $this->ported, true);
        if ($port !== false && isset($this->absorbed[$port])) {
            $this->ports->absorb($port, -$this->absorbed[$port][1]);
            unset($this->absorbed[$port]);
            $this->drawn[$port] = 0.0;
        }
        $injection->watts = 0.0;
        $injection->collapsed = false;
    }

    /** Volts across something that takes constant power. */
    public function voltsOf(PowerInjection $injection): float
    {
        $port = array_search($injection, $this->ported, true);

        return $port === false ? 0.0 : $this->across[$port] ?? $injection->nominalV;
    }

    /** Brings everything to rest: what has fallen gives up, a battery that turns shows its other resistance. */
    public function settle(): void
    {
        if ($this->stages->haveChanged()) {
            $this->rebuild();
        }
        foreach ($this->absorbed as $port => [$watts, $y]) {
            if ($watts !== $this->ported[$port]->watts) {
                $this->ports->absorb($port, -$y);
                $this->collapse($port);
            }
        }
        for ($pass = 0; $pass < 40; $pass++) {
            $this->darken();
            $fallen = $this->step();
            if ($fallen !== null && $this->turned($pass)) {
                // A battery that shows what it shows while it is charged holds nothing up: look again before giving up.
                foreach ($this->ported as $p => $injection) {
                    $this->drawn[$p] = $injection->collapsed ? $this->drawn[$p] : 0.0;
                }
            } elseif ($fallen !== null) {
                $this->collapse($fallen);
            } elseif (!$this->converged || !($this->turned($pass) || $this->blocked($pass))) {
                return;
            }
        }
        $this->converged = $this->oneWays->windings === [];
    }

    /** Where nothing holds a pair up, what would take constant power gives up before anything is solved on leakage. */
    private function darken(): void
    {
        foreach ($this->ported as $port => $injection) {
            if (!$injection->collapsed && $injection->watts > 0 && !$this->held->holds($injection->a, $injection->b)) {
                $this->collapse($port);
            }
        }
    }

    /** One-way elements that stood wrong for the volts across them. */
    private function blocked(int $pass): bool
    {
        $turned = $this->oneWays->turned(
            array_slice($this->across, count($this->drawn) + count($this->batteries)),
            $pass,
        );
        if ($turned) {
            $this->rebuild();
        }

        return $turned;
    }

    /** Batteries that stand the wrong way for the current through them. */
    private function turned(int $pass): bool
    {
        $turned = false;
        foreach (array_slice($this->windings, 0, count($this->batteries)) as $n => $winding) {
            $into = -$this->batteryA($winding->of);
            // At the very edge between giving and taking both stand for the same.
            if ($pass < 10 && ($this->charging[$winding->of] ? $into < -1e-6 : $into > 1e-6)) {
                $this->charging[$winding->of] = !$this->charging[$winding->of];
                $winding->becomes(
                    $this->ohm($winding->of),
                    $this->ports,
                    count($this->ported) + count($this->stages->chargers) + $n,
                );
                $turned = true;
            }
        }

        return $turned;
    }

    /** Newton's method on what is drawn at each port; returns the port of what has fallen below what it runs on. */
    private function step(): ?int
    {
        $n = count($this->drawn);
        $i = $this->drawn;
        foreach ($this->ported as $p => $injection) {
            $i[$p] = $injection->collapsed || $i[$p] !== 0.0 ? $i[$p] : $injection->watts / $injection->nominalV;
        }
        $this->converged = false;
        $zeros = array_fill(0, $n, 0.0);
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $this->rounds++;
            $this->effort->spend($n ** 3 / 3 + $n ** 2);
            $v = $this->ports->volts($i, $zeros)[0];
            $off = $slope = [];
            foreach ($this->ported as $p => $injection) {
                // Below the floor Newton is led back by the tangent there.
                $floor = 0.3 * $injection->nominalV;
                $watts = $injection->collapsed ? 0.0 : $injection->watts;
                $off[$p] = $i[$p] - $watts / max($v[$p], $floor);
                $slope[$p] = $v[$p] > $floor ? -$watts / $v[$p] ** 2 : 0.0;
            }
            $p = count($this->ported);
            foreach (array_keys($this->stages->chargers) as $id) {
                [$off[$p], $slope[$p]] = $this->stages->at($id, $v[$p], $i[$p]);
                $p++;
            }
            $this->across = $v;
            // Held against what really flows: what a charger puts in beside its held source may be any size.
            $flows = [...array_slice($i, 0, count($this->ported)), ...array_values($this->stages->gives)];
            $near =
                self::TOLERANCE_A * max([1.0, ...array_map(abs(...), $flows)]) +
                self::ROUNDING * max([0.0, ...array_map(abs(...), $i)]);
            if (max([0.0, ...array_map(abs(...), $off)]) < $near) {
                $this->converged = true;
                break;
            }
            $matrix = [];
            for ($r = 0; $r < $n; $r++) {
                for ($c = 0; $c < $n; $c++) {
                    $matrix[$r][$c] = ($r === $c ? 1.0 : 0.0) + $slope[$r] * $this->ports->zRe[$r][$c];
                }
                $matrix[$r][$n] = -$off[$r];
            }
            foreach (Dense::solved($matrix, $n) as $k => $step) {
                // Where whole steps go round for ever, half steps do not pass what lies between.
                $i[$k] += $round < self::WHOLE_STEPS ? $step : $step / 2;
            }
        }
        $this->drawn = $i;
        $fallen = null;
        $lowest = 1.0;
        foreach ($this->ported as $p => $injection) {
            $share = $this->across[$p] / ($injection->floor * $injection->nominalV);
            if (
                !$injection->collapsed &&
                $injection->watts > 0 &&
                ($share < $lowest || (!$this->converged && $fallen === null))
            ) {
                [$fallen, $lowest] = [$p, min($lowest, $share)];
            }
        }
        if ($fallen !== null) {
            $this->converged = true;
        }

        return $fallen;
    }

    private function portOf(string $charger): int
    {
        return count($this->ported) + (int) array_search($charger, array_keys($this->stages->chargers), true);
    }

    /** Amps a charger gives. */
    public function givenA(string $charger): float
    {
        return max(0.0, $this->stages->gives[$charger] ?? 0.0);
    }

    /** Volts at a charger's output. */
    public function chargerV(string $charger): float
    {
        return $this->across[$this->portOf($charger)] ?? 0.0;
    }

    /** Amps a battery gives; below nothing while it is charged. */
    public function batteryA(string $id): float
    {
        foreach ($this->windings as $n => $winding) {
            if ($winding->of === $id) {
                return $winding->gives($this->across[count($this->drawn) + $n] ?? $winding->re, 0.0)[0];
            }
        }

        return 0.0;
    }

    /** @return array<string, array{float, float}> one-way element => A from its first end to its second, W it keeps */
    public function oneWays(): array
    {
        return $this->oneWays->carry(array_slice($this->across, count($this->drawn) + count($this->batteries)));
    }

    /** @return array{array<int, float>, array<int, float>} V of each node */
    public function volts(): array
    {
        return $this->ports->nodeVolts($this->drawn, array_fill(0, count($this->drawn), 0.0));
    }

    /** @return list<array{string, int, int, float, float}> what is drawn and given at constant power or current */
    public function corrections(): array
    {
        $corrections = [];
        foreach ($this->ported as $p => $injection) {
            $corrections[] = [$injection->id, ...$this->ports->nodes[$p], -$this->drawn[$p], 0.0];
        }
        foreach (array_keys($this->stages->chargers) as $id) {
            $corrections[] = [$id, ...$this->ports->nodes[$this->portOf($id)], $this->stages->gives[$id] ?? 0.0, 0.0];
        }

        return $corrections;
    }
}
