<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/**
 * A solved state as a SPICE netlist, an open format any circuit simulator reads: the DC side by
 * operating point, the AC side by an analysis at one frequency. Constant-power demands obey the
 * same law in it, worked by the simulator itself: it alters their impedance to |V|² ÷ (P − jQ) and
 * runs again until it stands still.
 */
final class Spice
{
    /** How often a deck with constant-power demands is run again; each run gains a digit or two. */
    private const RUNS = 100;

    /** The AC side of a flow. */
    public static function ac(LoadFlowResult $flow, string $title): string
    {
        $network = $flow->ac ?? throw new \LogicException('Nothing was solved.');
        $deck = new self($network, $title);
        $omega = 2 * M_PI * LoadFlow::HZ;
        foreach ($network->branches as $branch) {
            if ($branch->kind === 'load') {
                continue;
            }
            if ($branch->kind === 'source') {
                $deck->acSource($branch, $network);
                continue;
            }
            $deck->admittance($branch, $omega);
        }
        $alter = [];
        foreach ($flow->acInjections as $demand) {
            array_push($alter, ...$deck->demand($demand, $omega));
        }
        $deck->control('ac lin 1 ' . LoadFlow::HZ . ' ' . LoadFlow::HZ, $alter);

        return $deck->text();
    }

    /** The DC side of a flow. */
    public static function dc(LoadFlowResult $flow, string $title): string
    {
        $network = $flow->dc ?? throw new \LogicException('Nothing was solved.');
        $deck = new self($network, $title);
        foreach ($network->branches as $branch) {
            if (isset($network->oneWays[$branch->of])) {
                $deck->oneWay($branch, ...$network->oneWays[$branch->of]);
            } elseif ($branch->kind === 'source') {
                foreach ($network->injections as [$of, , , $amps]) {
                    if ($of === $branch->of) {
                        $mid = "x{$deck->count}";
                        $deck->line(
                            sprintf(
                                'V%d %s %s DC %s',
                                $deck->count,
                                $mid,
                                $deck->at($branch->b),
                                self::number($amps / $branch->re),
                            ),
                            $branch->of,
                        );
                        $deck->line(
                            sprintf(
                                'R%d %s %s %s',
                                $deck->count,
                                $mid,
                                $deck->at($branch->a),
                                self::number(1 / $branch->re),
                            ),
                        );
                    }
                }
            } elseif ($branch->kind !== 'load') {
                $deck->line(
                    sprintf(
                        'R%d %s %s %s',
                        $deck->count,
                        $deck->at($branch->a),
                        $deck->at($branch->b),
                        self::number(1 / $branch->re),
                    ),
                    $branch->of,
                );
            }
        }
        $alter = [];
        foreach ($flow->dcInjections as $demand) {
            // Near its nose constant power has two answers: the search begins at the one that is claimed.
            $at = abs(($flow->dcV[$demand->a] ?? 0.0) - ($flow->dcV[$demand->b] ?? 0.0));
            array_push($alter, ...$deck->demand($demand, 0.0, $at));
        }
        foreach ($flow->chargers as $id => [$pos, $neg, $mode, $holdsV]) {
            // A charger that holds its volts is a stiff source of them; any other a current.
            if ($mode === 'hold') {
                $mid = "x{$deck->count}";
                $deck->line(
                    sprintf(
                        'V%d %s %s DC %s',
                        $deck->count,
                        $mid,
                        $deck->at($network->node[$neg]),
                        self::number($holdsV),
                    ),
                    $id,
                );
                $deck->line(
                    sprintf(
                        'R%d %s %s %s',
                        $deck->count,
                        $mid,
                        $deck->at($network->node[$pos]),
                        self::number(ChargerStage::HOLD_OHM),
                    ),
                );
            } elseif ($mode === 'power') {
                array_push(
                    $alter,
                    ...$deck->power(
                        $deck->at($network->node[$neg]),
                        $deck->at($network->node[$pos]),
                        -$flow->sources[$id]['watts'],
                        $holdsV,
                        $id,
                    ),
                );
            } elseif ($mode !== 'off') {
                $deck->line(
                    sprintf(
                        'I%d %s %s DC %s',
                        $deck->count,
                        $deck->at($network->node[$neg]),
                        $deck->at($network->node[$pos]),
                        self::number($flow->sources[$id]['amps']),
                    ),
                    $id,
                );
            }
        }
        // A current into what one-way elements lead away needs a place to begin at; where it ends is its own.
        $pushed = array_filter($flow->chargers, fn(array $c): bool => in_array($c[2], ['limit', 'power'], true));
        foreach ($network->oneWays === [] || $pushed === [] ? [] : $network->names as $n => $name) {
            $deck->line(sprintf('.nodeset v(%s)=%s', $deck->at($n), self::number($flow->dcV[$name] ?? 0.0)));
        }
        $deck->control('op', $alter);

        return $deck->text();
    }

    /** @var list<string> */
    private array $lines = [];

    private int $count = 1;

    private function __construct(private readonly NodalNetwork $network, string $title)
    {
        $this->lines[] = '* ' . preg_replace('/[^\x20-\x7E]/', '-', $title);
        $this->lines[] = '* node 0 is earth';
        foreach ($network->names as $n => $name) {
            $this->lines[] = "* n{$n} = {$name}";
        }
    }

    private function at(int $node): string
    {
        return $node < 0 ? '0' : "n{$node}";
    }

    private function line(string $line, string $what = ''): void
    {
        $this->lines[] = $what === '' ? $line : "{$line} \$ {$what}";
        $this->count++;
    }

    private static function number(float $value): string
    {
        return sprintf('%.12e', $value);
    }

    private function admittance(Branch $branch, float $omega): void
    {
        $a = $this->at($branch->a);
        $b = $this->at($branch->b);
        if ($branch->re != 0.0) {
            $this->line(sprintf('R%d %s %s %s', $this->count, $a, $b, self::number(1 / $branch->re)), $branch->of);
        }
        if ($branch->im > 0) {
            $this->line(sprintf('C%d %s %s %s', $this->count, $a, $b, self::number($branch->im / $omega)), $branch->of);
        } elseif ($branch->im < 0) {
            $this->line(
                sprintf('L%d %s %s %s', $this->count, $a, $b, self::number(-1 / ($branch->im * $omega))),
                $branch->of,
            );
        }
    }

    /** Current by the volts across it, nothing the wrong way: which way it stands is the simulator's to find. */
    private function oneWay(Branch $branch, float $dropV, float $ohm): void
    {
        [$a, $b] = [$this->at($branch->a), $this->at($branch->b)];
        $volts = match (true) {
            $a === '0' => "0-v({$b})",
            $b === '0' => "v({$a})",
            default => "v({$a})-v({$b})",
        };
        $this->line(
            sprintf(
                'B%d %s %s I = max(0, (%s - %s) / %s)',
                $this->count,
                $a,
                $b,
                $volts,
                self::number($dropV),
                self::number($ohm),
            ),
            $branch->of,
        );
    }

    private function acSource(Branch $branch, NodalNetwork $network): void
    {
        foreach ($network->injections as [$of, $a, $b, $re, $im]) {
            if ($of !== $branch->of) {
                continue;
            }
            $size = hypot($re, $im);
            $phase = rad2deg(atan2($im, $re));
            $mid = "x{$this->count}";
            $this->line(
                sprintf(
                    'V%d %s %s DC 0 AC %s %s',
                    $this->count,
                    $mid,
                    $this->at($b),
                    self::number($size / $branch->re),
                    self::number($phase),
                ),
                $of,
            );
            $this->line(sprintf('R%d %s %s %s', $this->count, $mid, $this->at($a), self::number(1 / $branch->re)));
        }
    }

    /**
     * Constant power by Newton's method: the tangent to P ÷ V, a current and a resistance, laid anew at the volts that
     * each solve finds. Below nothing it is given instead of taken.
     *
     * @return list<string> control lines that bring it to its power
     */
    private function power(string $a, string $b, float $watts, float $firstV, string $of): array
    {
        $n = $this->count;
        [$from, $to] = $watts > 0 ? [$a, $b] : [$b, $a];
        $this->line(sprintf('R%d %s %s %s', $n, $from, $to, self::number(-($firstV ** 2) / $watts)), $of);
        $this->line(sprintf('I%dt %s %s DC %s', $n, $a, $b, self::number((2 * abs($watts)) / $firstV)));

        return [
            sprintf('let v%d = mag(%s)', $n, self::across($a, $b)),
            sprintf('let zr%d = v%d*v%d*%s', $n, $n, $n, self::number(-1 / $watts)),
            "alter r{$n} = zr{$n}",
            sprintf('let it%d = %s/v%d', $n, self::number(2 * abs($watts)), $n),
            "alter i{$n}t = it{$n}",
        ];
    }

    private static function across(string $a, string $b): string
    {
        return $a === '0' ? "v({$b})" : ($b === '0' ? "v({$a})" : "v({$a})-v({$b})");
    }

    /** @return list<string> control lines that bring it to its power */
    private function demand(PowerInjection $demand, float $omega, float $atV = 0.0): array
    {
        $a = $this->at($this->network->node[$demand->a]);
        $b = $this->at($this->network->node[$demand->b]);
        $n = $this->count;
        if ($demand->watts === 0.0) {
            return [];
        }
        if ($omega === 0.0 && $demand->constant && !$demand->collapsed) {
            return $this->power($a, $b, $demand->watts, max($atV, 0.3 * $demand->nominalV), $demand->id);
        }
        // A resistance and an inductance in a row: Z = |V|² (P + jQ) ÷ (P² + Q²).
        $apparent = $demand->watts ** 2 + $demand->vars ** 2;
        $resistance = $demand->watts / $apparent;
        $reactance = $demand->vars / $apparent;
        $square = $demand->nominalV ** 2;
        $reactive = abs($demand->vars) > 1e-9;
        $this->line(
            sprintf('R%d %s %s %s', $n, $a, $reactive ? "y{$n}" : $b, self::number($square * $resistance)),
            $demand->id,
        );
        if ($reactive) {
            $this->line(sprintf('L%dq y%d %s %s', $n, $n, $b, self::number(($square * $reactance) / $omega)));
        }
        if (!$demand->constant || $demand->collapsed) {
            return [];
        }
        $across = self::across($a, $b);
        $lines = [
            "let s{$n} = mag({$across})*mag({$across})",
            sprintf('let zr%d = s%d*%s', $n, $n, self::number($resistance)),
            "alter r{$n} = zr{$n}",
        ];
        if ($reactive) {
            array_push(
                $lines,
                sprintf('let zl%d = s%d*%s', $n, $n, self::number($reactance / $omega)),
                "alter l{$n}q = zl{$n}",
            );
        }

        return $lines;
    }

    /** @param list<string> $alter */
    private function control(string $analysis, array $alter): void
    {
        // Capacitors leave no path for direct current: a linear AC side needs no operating point, and has none.
        $options =
            // At the corner of a one-way law the finest tolerances are never met.
            ($this->network->oneWays === []
                ? '.options reltol=1e-9 abstol=1e-12 vntol=1e-9 gmin=1e-15 rshunt=1e15'
                : '.options reltol=1e-6 abstol=1e-9 vntol=1e-6 gmin=1e-15 rshunt=1e15') .
            ($analysis === 'op' ? '' : ' noopac');
        array_push($this->lines, $options, '.control', 'set numdgt=15', 'set noaskquit');
        if ($alter !== []) {
            array_push($this->lines, 'repeat ' . self::RUNS, $analysis, ...$alter);
            array_push($this->lines, 'destroy', 'end');
        }
        array_push($this->lines, $analysis, 'print all', 'quit 0', '.endc', '.end');
    }

    private function text(): string
    {
        return implode("\n", $this->lines) . "\n";
    }
}
