<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\DcLoad;
use Hollin\Core\Components\Battery\DcPanel;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Conversion\InverterCharger;
use Hollin\Core\Components\Conversion\Inverting;
use Hollin\Core\Components\Switching\Contactor;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;

/**
 * Solves a settled state: AC as phasors, DC apart, coupled by what converters and inverters take
 * and give. Constant-power demands start at nominal volts and are iterated; below 0.7 of nominal
 * they count as impedances and the state is said to collapse. A source past its surge limit
 * gives its surge current and its volts fall. Sources that are joined have no common phase and are not solved.
 */
final class LoadFlow
{
    public const HZ = 60.0;

    /** Below this share of nominal volts a constant-power demand is taken as an impedance. */
    private const COLLAPSE = 0.7;

    /** Tyres insulate, ohm: at least (common practice, no source). */
    public const TYRES_OHM = 1e6;

    /** Leakage that ties an island with no other path to the frame, ohm. Assumed. */
    public const ISLAND_OHM = 1e7;

    /** Capacitance from each wire of an isolated output to its case, F. Assumed. */
    public const FLOATING_F = 1e-8;

    /** Filters and insulation of a plugged-in appliance, hot to case, F: 0.25 mA at 120 V. Assumed. */
    public const APPLIANCE_F = 5.5e-9;

    /** Volts of a pedestal that is low, high, or wired for 240 V. */
    private const VOLTS = ['low' => 95.0, 'high' => 136.0, 'wired_240' => 240.0];

    /** How stiffly a charger holds its volts, ohm (common practice, no source). */
    private const HOLD_OHM = 5e-3;

    private const TOLERANCE_V = 1e-9;

    private const MOST_ROUNDS = 60;

    /** @var array<string, float> source past its surge => what its volts fall across, ohm */
    private array $limited = [];

    private int $rounds = 0;

    /** Volts within which an iteration counts as settled. */
    private float $within = self::TOLERANCE_V;

    /** @var array<string, Source> active AC sources */
    private array $live = [];

    private readonly Graph $graph;

    private readonly Situation $situation;

    /**
     * @param array<string, true> $running loads that are switched on, as circuit.load
     * @param list<array{string, string, float}> $more further resistances, as a meter or a person: terminal, terminal, ohm
     */
    private function __construct(private readonly Settled $settled, private readonly array $running, private readonly array $more, private readonly string $charge)
    {
        $this->situation = $settled->situation;
        $this->graph = $settled->situation->network->graph;
        foreach (array_keys($this->situation->acSources()) as $id) {
            $source = $this->graph->sources[$id];
            // A pedestal nobody is plugged into is no part of the rig.
            $surrounding = $this->graph->surroundings[(string) $source->surrounding] ?? null;
            if ($surrounding === null || $surrounding->matters($settled->positions)) {
                $this->live[$id] = $source;
            }
        }
    }

    /**
     * @param array<string, true> $running
     * @param list<array{string, string, float}> $more
     * @param string $charge of the bank: full, half or low
     */
    public static function of(Settled $settled, array $running, array $more = [], string $charge = 'half'): Flow
    {
        $make = new self($settled, $running, $more, $charge);
        $joined = $make->joined();

        return $joined === null ? $make->solve() : new Flow([], [], [], [], [], [], 0.0, 0.0, 0, [], $joined);
    }

    /**
     * AC volts of a solved state after one admittance between two terminals has changed by so many S,
     * every demand at its power again: rank-one steps on the factor that is there.
     *
     * @return array{array<int, float>, array<int, float>} V of each node, real and imaginary
     */
    public static function changed(Flow $flow, string $a, string $b, float $byS): array
    {
        $mesh = $flow->ac ?? throw new \LogicException((string) $flow->trouble);
        $volts = $flow->nodeVolts();
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $after = $mesh->changed($mesh->volts(self::corrections($mesh, $volts, $flow->acDemands)), $a, $b, $byS);
            $moved = 0.0;
            foreach ($flow->acDemands as $demand) {
                $i = $mesh->node[$demand->a];
                $j = $mesh->node[$demand->b];
                $moved = max($moved, abs($after[0][$i] - $after[0][$j] - $volts[0][$i] + $volts[0][$j]) + abs($after[1][$i] - $after[1][$j] - $volts[1][$i] + $volts[1][$j]));
            }
            $volts = $after;
            if ($moved < 1e-6) {
                break;
            }
        }

        return $volts;
    }

    /**
     * Volts of the frame to earth with nobody touching it, and the current through somebody of so
     * many ohm who does, A. Loads count as impedances, which is all this needs.
     *
     * @param array<string, true> $running
     * @return array{float, float}
     */
    public static function touch(Settled $settled, array $running, float $personOhm = 1000.0): array
    {
        $make = new self($settled, $running, [], 'half');
        $mesh = $make->acMesh($make->acDemands([]), 0.0);
        $volts = $mesh->volts();
        $frame = $mesh->node['frame'] ?? null;
        if ($frame === null) {
            return [0.0, 0.0];
        }
        $held = $mesh->changed($volts, 'frame', 'earth', 1 / $personOhm);

        return [hypot($volts[0][$frame], $volts[1][$frame]), hypot($held[0][$frame], $held[1][$frame]) / $personOhm];
    }

    private function joined(): ?string
    {
        $sources = array_intersect_key($this->situation->acSources(), $this->live);
        foreach ($sources as $first => [$h1, $n1]) {
            foreach ($sources as $second => [$h2, $n2]) {
                if ($first < $second && ($h1 === $h2 || ($h1 === $n2 && $n1 === $h2))) {
                    return sprintf('%s and %s are joined: they have no common phase, so nothing is solved.', $this->label($first), $this->label($second));
                }
            }
        }

        return null;
    }

    private function label(string $source): string
    {
        return $this->graph->rig->label($this->graph->sources[$source]->component);
    }

    private function solve(): Flow
    {
        [$dcDemands, $chargers] = $this->dcSide();
        $acDemands = $this->acDemands($chargers);
        $dcMesh = $this->dcMesh($dcDemands, $chargers);
        $mesh = $this->acMesh($acDemands, 0.0);
        $volts = $dc = null;
        $this->within = 0.01;
        for ($pass = 0; $pass < 30; $pass++) {
            [$volts, $injected] = $this->iterate($mesh, $acDemands, $volts);
            if ($this->limit($mesh, $volts)) {
                $mesh = $this->acMesh($acDemands, 0.0);
                $volts = null;
                continue;
            }
            $moved = $this->couple($mesh, $volts, $acDemands, $dcDemands, $chargers);
            if ($dc === null || $moved > 0) {
                $dc = $this->chargeDc($dcMesh, $dcDemands, $chargers, $dc === null ? null : $dc[0]);
            }
            $moved = max($moved, $this->coupleBack($chargers, $acDemands));
            if ($moved < 1e-7) {
                break;
            }
            // No finer inside than the coupling outside is settled.
            $this->within = max(self::TOLERANCE_V, 0.01 * $moved);
        }
        $this->within = self::TOLERANCE_V;
        // Limits may have cut in on the last pass.
        [$volts, $injected] = $this->iterate($mesh, $acDemands, $volts);
        $dc ??= $this->chargeDc($dcMesh, $dcDemands, $chargers);
        $flow = $this->flow($mesh, $volts, $injected, $dcMesh, $dc, $acDemands, $dcDemands, $chargers);
        if (count($this->live) < 2) {
            return $flow;
        }
        // Systems that share a conductor without a common phase: the worse of in step and against.
        $against = $this->acMesh($acDemands, M_PI);
        [$other, $otherInjected] = $this->iterate($against, $acDemands, null);

        return $this->worse($flow, $this->flow($against, $other, $otherInjected, $dcMesh, $dc, $acDemands, $dcDemands, $chargers));
    }

    /** @param list<Demand> $demands */
    private function acMesh(array $demands, float $phase): Mesh
    {
        $mesh = new Mesh();
        $graph = $this->graph;
        foreach ($graph->elements as $id => $element) {
            if (($element->role === Role::L1 || $element->role === Role::N || $element->role === Role::PE) && $this->situation->isClosed($id)) {
                $kind = $element->kind === \Hollin\Core\Network\ElementKind::Bond ? 'bond' : 'wire';
                $mesh->add($kind, $id, $element->a, $element->b, 1 / Impedance::ohm($element, $graph));
            }
        }
        $omega = 2 * M_PI * self::HZ;
        foreach ($graph->loads as $id => $load) {
            if (isset($this->running[$id])) {
                $mesh->add('leak', $id, $load->a, $graph->circuits[$load->circuit]->ground, 0.0, $omega * self::APPLIANCE_F);
            }
        }
        $n = 0;
        foreach ($this->live as $id => $source) {
            $this->acSource($mesh, $id, $source, $n++ === 0 ? 0.0 : $phase);
        }
        foreach ($graph->sources as $id => $source) {
            if ($source->kind === 'stray' && $this->situation->isActive($id)) {
                $mesh->source($id, $source->a, $source->b, $source->volts, 0.0, $source->impedanceOhm);
            }
        }
        foreach ($this->more as [$a, $b, $ohm]) {
            $mesh->add('meter', 'meter', $a, $b, 1 / $ohm);
        }
        foreach ($demands as $demand) {
            $demand->inMesh = $demand->nominal();
            $mesh->add('load', $demand->id, $demand->a, $demand->b, ...$demand->inMesh);
        }
        $mesh->add('leak', 'tyres', 'frame', 'earth', 1 / self::TYRES_OHM);
        self::tie($mesh);

        return $mesh;
    }

    private function acSource(Mesh $mesh, string $id, Source $source, float $phase): void
    {
        $volts = self::VOLTS[$this->situation->condition($id)] ?? $source->volts;
        $re = $volts * cos($phase);
        $im = $volts * sin($phase);
        // Past its surge it gives no more than its surge current: its volts fall as if behind as much more resistance.
        $ohm = $source->impedanceOhm + ($this->limited[$id] ?? 0.0);
        if ($source->neutral === 'half') {
            $mesh->source("{$id}#l", $source->a, $source->ground, $re / 2, $im / 2, $ohm / 2);
            $mesh->source("{$id}#n", $source->ground, $source->b, $re / 2, $im / 2, $ohm / 2);
        } else {
            $mesh->source($id, $source->a, $source->b, $re, $im, $ohm);
        }
        if ($source->neutral === 'floating') {
            $omega = 2 * M_PI * self::HZ;
            $mesh->add('leak', "{$id}#l", $source->a, $source->ground, 0.0, $omega * self::FLOATING_F);
            $mesh->add('leak', "{$id}#n", $source->b, $source->ground, 0.0, $omega * self::FLOATING_F);
        }
    }

    /** Ties each island that reaches neither earth nor frame to the frame. */
    private static function tie(Mesh $mesh): void
    {
        foreach (self::islands($mesh) as $root => $first) {
            if ($root >= 0) {
                $mesh->add('leak', 'island', $mesh->names[$first], 'frame', 1 / self::ISLAND_OHM);
            }
        }
    }

    /** @return array<int, int> root => first node, of islands that do not reach earth */
    private static function islands(Mesh $mesh): array
    {
        $parent = range(0, max(0, count($mesh->names)));
        // Node n stands at n + 1, earth at 0.
        $find = function (int $i) use (&$parent): int {
            while ($parent[$i] !== $i) {
                $i = $parent[$i] = $parent[$parent[$i]];
            }

            return $i;
        };
        foreach ($mesh->branches as $branch) {
            $a = $find($branch->a + 1);
            $b = $find($branch->b + 1);
            $parent[max($a, $b)] = min($a, $b);
        }
        $islands = [];
        foreach ($mesh->names as $n => $_) {
            $root = $find($n + 1);
            if ($root !== 0) {
                $islands[$root] ??= $n;
            }
        }

        return $islands;
    }

    /**
     * Constant-power demands at their operating point: what they take beyond the admittance already
     * in the mesh is injected, until the volts stand still.
     *
     * @param list<Demand> $demands
     * @param ?array{array<int, float>, array<int, float>} $volts to start from; what collapsed before stays so
     * @return array{array{array<int, float>, array<int, float>}, list<array{string, int, int, float, float}>}
     */
    private function iterate(Mesh $mesh, array $demands, ?array $volts): array
    {
        if ($volts === null) {
            foreach ($demands as $demand) {
                $demand->collapsed = false;
            }
            $volts = $mesh->volts();
        }
        $injected = [];
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $this->rounds++;
            $next = self::corrections($mesh, $volts, $demands);
            $after = $mesh->volts($next);
            $moved = 0.0;
            foreach ($demands as $demand) {
                $a = $mesh->node[$demand->a];
                $b = $mesh->node[$demand->b];
                $moved = max($moved, abs($after[0][$a] - $after[0][$b] - $volts[0][$a] + $volts[0][$b]) + abs($after[1][$a] - $after[1][$b] - $volts[1][$a] + $volts[1][$b]));
            }
            $volts = $after;
            $injected = $next;
            if ($moved < $this->within) {
                break;
            }
        }

        return [$volts, $injected];
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @param list<Demand> $demands
     * @return list<array{string, int, int, float, float}>
     */
    private static function corrections(Mesh $mesh, array $volts, array $demands): array
    {
        $corrections = [];
        foreach ($demands as $demand) {
            if (!$demand->constant) {
                continue;
            }
            $a = $mesh->node[$demand->a];
            $b = $mesh->node[$demand->b];
            $re = $volts[0][$a] - $volts[0][$b];
            $im = $volts[1][$a] - $volts[1][$b];
            $size = $re * $re + $im * $im;
            // Once it has given up it stays given up: of two answers the upper one or none.
            $demand->collapsed = $demand->collapsed || $size < (self::COLLAPSE * $demand->nominalV) ** 2;
            $base = $demand->inMesh;
            if ($demand->collapsed) {
                [$gRe, $gIm] = $demand->nominal();
            } else {
                // I = conj(S ÷ V), as an admittance (P − jQ) ÷ |V|².
                [$gRe, $gIm] = [$demand->watts / $size, -$demand->vars / $size];
            }
            $dRe = $gRe - $base[0];
            $dIm = $gIm - $base[1];
            if (abs($dRe) + abs($dIm) < 1e-15) {
                continue;
            }
            $corrections[] = [$demand->id, $a, $b, -($re * $dRe - $im * $dIm), -($re * $dIm + $im * $dRe)];
        }

        return $corrections;
    }

    /**
     * Holds sources past their surge limit at it. With what collapsed taken as an impedance one step
     * lands there; phases may need another.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     */
    private function limit(Mesh $mesh, array $volts): bool
    {
        $changed = false;
        foreach ($this->sourceAmps($mesh, $volts) as $id => $amps) {
            $most = $this->graph->sources[$id]->surgeA;
            if ($most > 0 && $amps > $most * 1.001) {
                $open = $this->graph->sources[$id]->volts;
                $this->limited[$id] = ($this->limited[$id] ?? 0.0) + $open / $most - $open / $amps;
                $changed = true;
            }
        }

        return $changed;
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array<string, float>
     */
    private function sourceAmps(Mesh $mesh, array $volts): array
    {
        $amps = [];
        foreach ($this->live as $id => $source) {
            $amps[$id] = hypot(...$this->given($mesh, $volts, $id));
            if ($source->neutral === 'half') {
                $amps[$id] = max($amps[$id], hypot(...$this->given($mesh, $volts, "{$id}#n")));
            }
        }

        return $amps;
    }

    /**
     * Current a source gives out of its hot, A.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array{float, float}
     */
    private function given(Mesh $mesh, array $volts, string $source): array
    {
        $re = $im = 0.0;
        $ids = [$source, "{$source}#l"];
        foreach ($mesh->injections as [$of, , , $iRe, $iIm]) {
            if (in_array($of, $ids, true)) {
                $re += $iRe;
                $im += $iIm;
            }
        }
        foreach ($mesh->branches as $branch) {
            if ($branch->kind === 'source' && in_array($branch->of, $ids, true)) {
                [$iRe, $iIm] = Mesh::current($branch, $volts);
                $re -= $iRe;
                $im -= $iIm;
            }
        }

        return [$re, $im];
    }

    /**
     * The DC side: demands, and the chargers that run.
     *
     * @return array{list<Demand>, array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}>}
     */
    private function dcSide(): array
    {
        $demands = [];
        $rig = $this->graph->rig;
        foreach ($rig->all(DcPanel::class) as $id => $panel) {
            $volts = $this->nominalDc();
            $demands[] = new Demand($id, "{$id}.pos", "{$id}.neg", $panel->values->number('loadA') * $volts, 0.0, $volts, true);
        }
        foreach ($rig->all(DcLoad::class) as $id => $load) {
            $volts = $this->nominalDc();
            $demands[] = new Demand($id, "{$id}.pos", "{$id}.neg", $load->values->number('amps') * $volts, 0.0, $volts, true);
        }
        foreach ($rig->all(Inverting::class) as $id => $unit) {
            $assists = $unit instanceof InverterCharger && $unit->values->flag('assist') && ($this->settled->positions[$unit->relay()] ?? '') === 'pass';
            if ($assists || $this->situation->isActive("{$id}.inverter")) {
                $demands[] = new Demand("{$id}.dc", "{$id}.pos", "{$id}.neg", $unit->values->number('idleW'), 0.0, $unit->values->number('dcNominalV', 12), true);
            }
        }
        $chargers = [];
        foreach ($this->situation->charging() as $id => $ac) {
            $source = $this->graph->sources[$id];
            $chargers[$id] = ['source' => $source, 'ac' => $ac, 'a' => $source->limitA, 'mode' => 'limit', 'limitA' => $source->limitA];
        }

        return [array_values(array_filter($demands, fn(Demand $d): bool => $d->watts > 0 || str_ends_with($d->id, '.dc'))), $chargers];
    }

    private function restV(Bank $bank): float
    {
        return $bank->chemistry()->restV($this->charge) * $bank->multiplesOf12V();
    }

    private function nominalDc(): float
    {
        foreach ($this->graph->rig->all(Bank::class) as $bank) {
            return $bank->ratedV();
        }

        return 12.0;
    }

    /**
     * @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers
     * @return list<Demand>
     */
    private function acDemands(array $chargers): array
    {
        $demands = [];
        foreach ($this->graph->loads as $id => $load) {
            if (isset($this->running[$id]) && $load->watts > 0) {
                $vars = $load->watts * tan(acos(min(1.0, $load->powerFactor)));
                $demands[] = new Demand($id, $load->a, $load->b, $load->watts, $vars, $load->volts, $load->kind !== 'resistive');
            }
        }
        foreach ($chargers as $id => $charger) {
            [$l, $n] = $charger['source']->runsOnAc ?? ['', ''];
            $demands[] = new Demand($id, $l, $n, $charger['a'] * $charger['source']->volts / $this->efficiency($id), 0.0, 120.0, true);
        }
        foreach ($this->graph->rig->all(InverterCharger::class) as $id => $unit) {
            // What it gives to a supply past its limit stands as a demand that gives: nothing at first.
            if ($unit->values->flag('assist') && ($this->settled->positions[$unit->relay()] ?? '') === 'pass') {
                $demands[] = new Demand("{$id}.assist", "{$id}.ac_out.l", "{$id}.ac_out.n", 0.0, 0.0, 120.0, true);
            }
        }
        foreach ($this->graph->rig->all(Contactor::class) as $id => $contactor) {
            if (($this->settled->positions[$contactor->coil()] ?? '') === 'pulled') {
                $coil = $this->graph->rig->find((string) $contactor->values->group('coil')?->text('at'))?->port((string) $contactor->values->group('coil')?->text('port'));
                if ($coil !== null) {
                    $demands[] = new Demand("{$id}.coil", $coil->hot, $coil->neutral, $contactor->coilW(), 0.0, 120.0, false);
                }
            }
        }

        return $demands;
    }

    private function efficiency(string $charger): float
    {
        $component = $this->graph->rig->find($this->graph->sources[$charger]->component);

        return match (true) {
            $component instanceof Converter => $component->efficiency(),
            $component instanceof InverterCharger => $component->values->number('chargerEfficiency', 0.88),
            default => 0.85,
        };
    }

    /**
     * @param list<Demand> $demands
     * @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers
     */
    private function dcMesh(array $demands, array $chargers): Mesh
    {
        $mesh = new Mesh();
        foreach ($this->graph->elements as $id => $element) {
            if (($element->role === Role::DcPositive || $element->role === Role::DcNegative || $element->role === Role::PE) && $this->situation->isClosed($id)) {
                $mesh->add('wire', $id, $element->a, $element->b, 1 / Impedance::ohm($element, $this->graph));
            }
        }
        foreach ($this->graph->rig->all(Bank::class) as $id => $bank) {
            $mesh->source("{$id}.cells", "{$id}.pos", "{$id}.neg", $this->restV($bank), 0.0, $bank->resistance()[0]);
        }
        foreach ($chargers as $charger) {
            $mesh->node($charger['source']->a);
            $mesh->node($charger['source']->b);
        }
        foreach ($demands as $demand) {
            $demand->inMesh = $demand->nominal();
            $mesh->add('load', $demand->id, $demand->a, $demand->b, ...$demand->inMesh);
        }
        $mesh->add('leak', 'tyres', 'frame', 'earth', 1 / self::TYRES_OHM);
        self::tie($mesh);

        return $mesh;
    }

    /**
     * DC with each charger at its limit, or holding its volts when the bank has come up to them, or
     * off when the bank stands higher: it never sinks current.
     *
     * @param list<Demand> $demands
     * @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers
     * @param ?array{array<int, float>, array<int, float>} $start
     * @return array{array{array<int, float>, array<int, float>}, list<array{string, int, int, float, float}>, Mesh}
     */
    private function chargeDc(Mesh $mesh, array $demands, array &$chargers, ?array $start = null): array
    {
        // Nodes are the same in the mesh with a charger that holds its volts.
        for ($pass = 0; $pass < 8; $pass++) {
            $used = $this->held($mesh, $chargers);
            $currents = [];
            foreach ($chargers as $id => $charger) {
                if ($charger['mode'] === 'limit') {
                    $currents[] = [$id, $used->node[$charger['source']->a], $used->node[$charger['source']->b], $charger['limitA'], 0.0];
                }
            }
            [$volts, $injected] = $this->iterateDc($used, $demands, $currents, $start);
            $start = $volts;
            $changed = false;
            foreach ($chargers as &$charger) {
                $v = $volts[0][$used->node[$charger['source']->a]] - $volts[0][$used->node[$charger['source']->b]];
                $held = ($charger['source']->volts - $v) / self::HOLD_OHM;
                $mode = match ($charger['mode']) {
                    'hold' => $held < -1e-6 ? 'off' : ($held > $charger['limitA'] + 1e-9 ? 'limit' : 'hold'),
                    'limit' => $v > $charger['source']->volts + 1e-9 ? 'hold' : 'limit',
                    default => 'off',
                };
                $changed = $changed || $mode !== $charger['mode'];
                $charger['mode'] = $mode;
                $charger['a'] = match ($mode) {
                    'hold' => max(0.0, $held),
                    'limit' => $charger['limitA'],
                    default => 0.0,
                };
            }
            unset($charger);
            if (!$changed) {
                break;
            }
        }

        return [$volts, $injected, $used];
    }

    /** @var array<string, Mesh> chargers that hold their volts => the mesh with them in it */
    private array $heldMeshes = [];

    /** @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers */
    private function held(Mesh $mesh, array $chargers): Mesh
    {
        $holding = array_filter($chargers, fn(array $c): bool => $c['mode'] === 'hold');
        if ($holding === []) {
            return $mesh;
        }
        $key = implode(',', array_keys($holding));
        if (!isset($this->heldMeshes[$key])) {
            $used = clone $mesh;
            foreach ($holding as $id => $charger) {
                $used->source($id, $charger['source']->a, $charger['source']->b, $charger['source']->volts, 0.0, self::HOLD_OHM);
            }
            $this->heldMeshes[$key] = $used;
        }

        return $this->heldMeshes[$key];
    }

    /**
     * @param list<Demand> $demands
     * @param list<array{string, int, int, float, float}> $currents
     * @param ?array{array<int, float>, array<int, float>} $volts
     * @return array{array{array<int, float>, array<int, float>}, list<array{string, int, int, float, float}>}
     */
    private function iterateDc(Mesh $mesh, array $demands, array $currents, ?array $volts): array
    {
        if ($volts === null) {
            foreach ($demands as $demand) {
                $demand->collapsed = false;
            }
            $volts = $mesh->volts($currents);
        }
        $injected = $currents;
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $this->rounds++;
            $injected = [...$currents, ...self::corrections($mesh, $volts, $demands)];
            $after = $mesh->volts($injected);
            $moved = 0.0;
            foreach ($demands as $demand) {
                $a = $mesh->node[$demand->a];
                $b = $mesh->node[$demand->b];
                $moved = max($moved, abs($after[0][$a] - $after[0][$b] - $volts[0][$a] + $volts[0][$b]));
            }
            $volts = $after;
            if ($moved < $this->within) {
                break;
            }
        }

        return [$volts, $injected];
    }

    /**
     * What inverters give on the AC side they take from the battery; what a charger may take is cut
     * back to what the input limit leaves.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     * @param list<Demand> $acDemands
     * @param list<Demand> $dcDemands
     * @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers
     */
    private function couple(Mesh $mesh, array $volts, array $acDemands, array $dcDemands, array &$chargers): float
    {
        $moved = $this->assist($mesh, $volts, $acDemands);
        $given = array_column(array_map(fn(Demand $d): array => [$d->id, -$d->watts], $acDemands), 1, 0);
        foreach ($dcDemands as $demand) {
            if (!str_ends_with($demand->id, '.dc')) {
                continue;
            }
            $unit = $this->graph->rig->find(substr($demand->id, 0, -3));
            if ($unit instanceof Inverting) {
                $made = ($given["{$unit->id}.assist"] ?? 0.0) + (isset($this->live["{$unit->id}.inverter"]) ? $this->watts($mesh, $volts, "{$unit->id}.inverter") : 0.0);
                $watts = $made / $unit->efficiency() + $unit->values->number('idleW');
                $moved = max($moved, abs($watts - $demand->watts) / max(1.0, $watts));
                $demand->watts = max(0.0, $watts);
            }
        }
        foreach ($chargers as $id => &$charger) {
            $unit = $this->graph->rig->find($charger['source']->component);
            if (!$unit instanceof InverterCharger) {
                continue;
            }
            $through = $this->through($mesh, $volts, "{$unit->id}.pass_l");
            $left = max(0.0, $unit->inputLimitA() - $through);
            $limit = min($charger['source']->limitA, $left * 120 * $this->efficiency($id) / $charger['source']->volts);
            $moved = max($moved, abs($limit - $charger['limitA']) / max(1.0, $limit));
            $charger['limitA'] = $limit;
        }

        return $moved;
    }

    /**
     * Turns up what a unit gives when its supply is past the input limit, and down when it is not:
     * charging has been cut back to nothing by then.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     * @param list<Demand> $acDemands
     */
    private function assist(Mesh $mesh, array $volts, array $acDemands): float
    {
        $moved = 0.0;
        foreach ($acDemands as $demand) {
            $unit = str_ends_with($demand->id, '.assist') ? $this->graph->rig->find(substr($demand->id, 0, -7)) : null;
            if (!$unit instanceof InverterCharger) {
                continue;
            }
            [$vRe, $vIm] = $this->across($mesh, $volts, $demand->a, $demand->b);
            $v = hypot($vRe, $vIm);
            $over = $this->through($mesh, $volts, "{$unit->id}.pass_l") - $unit->inputLimitA();
            $watts = max(-$unit->continuousW(), min(0.0, $demand->watts - $over * $v));
            $moved = max($moved, abs($watts - $demand->watts) / max(1.0, abs($watts)));
            $demand->watts = $watts;
        }

        return $moved;
    }

    /**
     * Amps through an element.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     */
    private function through(Mesh $mesh, array $volts, string $element): float
    {
        foreach ($mesh->branches as $branch) {
            if ($branch->of === $element) {
                return hypot(...Mesh::current($branch, $volts));
            }
        }

        return 0.0;
    }

    /**
     * What chargers take on the AC side for what they give to the bank.
     *
     * @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers
     * @param list<Demand> $acDemands
     */
    private function coupleBack(array $chargers, array $acDemands): float
    {
        $moved = 0.0;
        foreach ($acDemands as $demand) {
            if (!isset($chargers[$demand->id])) {
                continue;
            }
            $charger = $chargers[$demand->id];
            $component = $this->graph->rig->find($charger['source']->component);
            $watts = $charger['a'] * $charger['source']->volts / $this->efficiency($demand->id);
            $vars = $component instanceof Converter ? $watts * tan(acos($component->values->number('powerFactor', 1.0))) : 0.0;
            $moved = max($moved, abs($watts - $demand->watts) / max(1.0, $watts));
            $demand->watts = $watts;
            $demand->vars = $vars;
        }

        return $moved;
    }

    /**
     * Active power a source gives, W.
     *
     * @param array{array<int, float>, array<int, float>} $volts
     */
    private function watts(Mesh $mesh, array $volts, string $source): float
    {
        $part = function (string $of, string $a, string $b) use ($mesh, $volts): float {
            [$re, $im] = $this->given($mesh, $volts, $of);
            [$vRe, $vIm] = $this->across($mesh, $volts, $a, $b);

            return $vRe * $re + $vIm * $im;
        };
        $s = $this->graph->sources[$source];

        return $s->neutral === 'half'
            ? $part($source, $s->a, $s->ground) + $part("{$source}#n", $s->ground, $s->b)
            : $part($source, $s->a, $s->b);
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array{float, float}
     */
    private function across(Mesh $mesh, array $volts, string $a, string $b): array
    {
        $i = $mesh->node[$a] ?? -1;
        $j = $mesh->node[$b] ?? -1;

        return [$volts[0][$i] - $volts[0][$j], $volts[1][$i] - $volts[1][$j]];
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @param list<array{string, int, int, float, float}> $injected
     * @param array{array{array<int, float>, array<int, float>}, list<array{string, int, int, float, float}>, Mesh} $dc
     * @param list<Demand> $acDemands
     * @param list<Demand> $dcDemands
     * @param array<string, array{source: Source, ac: string, a: float, mode: string, limitA: float}> $chargers
     */
    private function flow(Mesh $mesh, array $volts, array $injected, Mesh $dcMesh, array $dc, array $acDemands, array $dcDemands, array $chargers): Flow
    {
        [$dcVolts, $dcInjected, $dcUsed] = $dc;
        $acV = $dcV = $acA = $dcA = $sources = $loads = [];
        foreach ($mesh->names as $n => $name) {
            $acV[$name] = [$volts[0][$n], $volts[1][$n]];
        }
        foreach ($dcUsed->names as $n => $name) {
            $dcV[$name] = $dcVolts[0][$n];
        }
        $lost = 0.0;
        foreach ($mesh->branches as $branch) {
            if ($branch->kind === 'wire' || $branch->kind === 'bond') {
                $amps = hypot(...Mesh::current($branch, $volts));
                $acA[$branch->of] = $amps;
                $lost += $amps ** 2 / $branch->re;
            }
        }
        foreach ($dcUsed->branches as $branch) {
            if ($branch->kind === 'wire') {
                $dcA[$branch->of] = Mesh::current($branch, $dcVolts)[0];
                $lost += $dcA[$branch->of] ** 2 / $branch->re;
            }
        }
        $floating = [];
        foreach ($this->live as $id => $source) {
            [$vRe, $vIm] = $this->across($mesh, $volts, $source->a, $source->b);
            $amps = $this->sourceAmps($mesh, $volts)[$id];
            $sources[$id] = ['volts' => hypot($vRe, $vIm), 'amps' => $amps, 'watts' => $this->watts($mesh, $volts, $id), 'overloaded' => isset($this->limited[$id]) || ($source->surrounding === null && $amps > $source->limitA * 1.0001)];
            if ($source->neutral === 'floating' && $this->situation->bondsOf($id) === []) {
                $floating[] = $id;
            }
        }
        foreach ($this->graph->rig->all(Bank::class) as $id => $bank) {
            $i = $dcUsed->node["{$id}.pos"] ?? null;
            $j = $dcUsed->node["{$id}.neg"] ?? null;
            if ($i !== null && $j !== null) {
                $v = $dcVolts[0][$i] - $dcVolts[0][$j];
                $amps = ($this->restV($bank) - $v) / $bank->resistance()[0];
                $sources["{$id}.cells"] = ['volts' => $v, 'amps' => $amps, 'watts' => $v * $amps, 'overloaded' => false];
            }
        }
        foreach ($chargers as $id => $charger) {
            $v = $dcVolts[0][$dcUsed->node[$charger['source']->a]] - $dcVolts[0][$dcUsed->node[$charger['source']->b]];
            $sources[$id] = ['volts' => $v, 'amps' => $charger['a'], 'watts' => $v * $charger['a'], 'overloaded' => false];
        }
        foreach ([[$acDemands, $mesh, $volts], [$dcDemands, $dcUsed, $dcVolts]] as [$demands, $in, $at]) {
            foreach ($demands as $demand) {
                [$vRe, $vIm] = $this->across($in, $at, $demand->a, $demand->b);
                $v = hypot($vRe, $vIm);
                $share = $demand->constant && !$demand->collapsed ? 1.0 : ($v / $demand->nominalV) ** 2;
                $watts = $demand->watts * $share;
                $loads[$demand->id] = ['volts' => $v, 'amps' => $v > 1e-9 ? hypot($watts, $demand->vars * $share) / $v : 0.0, 'watts' => $watts, 'collapsed' => $demand->collapsed];
            }
        }

        return new Flow($acV, $dcV, $acA, $dcA, $sources, $loads, $lost, max($mesh->residual($volts, $injected), $dcUsed->residual($dcVolts, $dcInjected)), $this->rounds, $floating, null, $mesh, $dcUsed, $acDemands, $dcDemands, array_map(fn(array $c): array => [$c['source']->a, $c['source']->b, $c['mode']], $chargers));
    }

    /** The larger amps of two solutions that differ only in the phase of unsynchronised systems. */
    private function worse(Flow $a, Flow $b): Flow
    {
        $amps = $a->acA;
        foreach ($b->acA as $element => $value) {
            $amps[$element] = max($amps[$element] ?? 0.0, $value);
        }

        return new Flow($a->acV, $a->dcV, $amps, $a->dcA, $a->sources, $a->loads, max($a->lostW, $b->lostW), max($a->residual, $b->residual), $a->rounds, $a->floating, null, $a->ac, $a->dc, $a->acDemands, $a->dcDemands, $a->chargers, $b->acV);
    }
}
