<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Reference\Quantity;
use Hollin\Core\Rules\AcRun;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Solve\Effort;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;

/**
 * One verdict: what findings, rulers, runs, the table and the load flow say of one thing in one state is the same.
 * Figures are held against a load flow of their own, cold and alone.
 */
final class Verdict
{
    /** Which rules may speak of a ruler's row that is out of order. */
    private const SPEAKS = [
        'wire' => ['conductor_protection', 'frame_bond'],
        'table' => ['conductor_protection'],
        'device' => ['overload', 'path_rating', 'conductor_protection'],
        'load' => ['overload', 'path_rating', 'conductor_protection', 'joint_heat'],
        'short' => ['interrupting_capacity'],
    ];

    /** @var list<Violation> */
    public array $broken = [];

    /** Figures held against a load flow. */
    public int $figures = 0;

    /** @var array<string, true> kinds of findings that were seen, with how grave they are */
    public array $kinds = [];

    /** @var array<string, LoadFlowResult> */
    private array $flows = [];

    private string $title = '';

    private string $step = '';

    private Said $said;

    public function hold(Specimen $rig, Said $said, string $step = 'as it is'): void
    {
        [$this->title, $this->step, $this->said, $this->flows] = [$rig->title(), $step, $said, []];
        $this->identities();
        $this->figures();
        $this->table();
        $this->rows();
        $this->counts();
        $this->gravity();
        $this->joined();
        $this->ways();
    }

    private function ways(): void
    {
        foreach ($this->said->findings as $f) {
            $wrong = self::wrongWay($f['ways']);
            if ($wrong !== null) {
                $this->break($f['rule'], $f['components'], $wrong, $f['ways']['words']);
            }
        }
    }

    /**
     * A way is called by its slips and failures, in its words too; no pair is harder in both than another.
     *
     * @param array{kind: string, pairs: list<array{slips: int, failures: int, words: string}>, words: string} $ways
     * @return ?string null when it is right
     */
    public static function wrongWay(array $ways): ?string
    {
        [$slips, $failures] = [$ways['pairs'][0]['slips'], $ways['pairs'][0]['failures']];
        $counted = [1 => 'one slip', 2 => 'two slips'][$slips] ?? "{$slips} slips";
        $right = match ($ways['kind']) {
            'always', 'outage', 'passing' => $slips === 0 && $failures === 0,
            'slips' => $slips >= 1 && $slips <= 2 && $failures === 0,
            'remote' => $slips > 2 && $failures === 0,
            'outside' => $failures === 1,
            default => false,
        };
        if (!$right) {
            return 'a way is called by other slips or failures than its own';
        }
        preg_match('/\b(one slip|two slips|\d+ slips)\b/', explode('; or by', $ways['words'])[0], $told);
        if (($told[1] ?? '0 slips') !== $counted) {
            return 'a way says other slips than it takes';
        }
        if (($ways['kind'] === 'outside') !== str_starts_with($ways['words'], 'one failure, outside the rig: ')) {
            return 'a way is outside the rig, or not, and says otherwise';
        }
        foreach (array_slice($ways['pairs'], 1) as $other) {
            if ($other['failures'] <= $failures || $other['slips'] >= $slips) {
                return 'a pair is no easier than another';
            }
        }

        return null;
    }

    /** Where sources without a common phase are joined nothing is solved; where nothing is solved a finding says so. */
    private function joined(): void
    {
        $joined = [];
        foreach ($this->said->byRule()['joined_sources'] ?? [] as $f) {
            $joined += array_flip($f['witness']['states']);
        }
        foreach (array_keys($this->said->rig->settled) as $state) {
            $flow = $this->flow($this->said->rig, $state, 'none', $this->said->rig->named[$state]->charge);
            if (isset($joined[$state]) === ($flow !== null)) {
                $this->break(
                    'joined_sources',
                    [],
                    'joined sources are solved, or what is not solved is not told',
                    $state,
                );
            }
        }
    }

    /** @param list<string> $parts */
    private function break(string $rule, array $parts, string $what, string $detail = ''): void
    {
        $this->broken[] = new Violation('verdict', $this->title, $this->step, $rule, $parts, $what, $detail);
    }

    /** Every finding has an identity of its own, and none stands twice. */
    private function identities(): void
    {
        $seen = [];
        foreach ($this->said->findings as $f) {
            if (isset($seen[$f['id']])) {
                $this->break($f['rule'], $f['components'], 'two findings have one identity', $f['text']);
            }
            $seen[$f['id']] = true;
        }
    }

    /** Each figure names what it is of; where an operating point has that, it is what a load flow of its own gives. */
    private function figures(): void
    {
        foreach ($this->said->findings as $f) {
            foreach ($f['figures'] as $figure) {
                $of = $figure['of'] ?? null;
                if ($of === null) {
                    $this->break($f['rule'], $f['components'], 'a figure names nothing', $figure['label']);
                    continue;
                }
                if ($of['scenario'] === null || !Quantity::from($of['quantity'])->isSolved()) {
                    continue;
                }
                $flow = $this->flow($this->said->rig, $of['state'], $of['scenario'], $of['charge']);
                $solved = $flow === null ? null : self::measure($this->said->rig, $flow, $of);
                if ($solved === null) {
                    continue;
                }
                $this->figures++;
                $off = abs($solved - $figure['value']);
                if ($off > 0.01 * max(1.0, abs($solved)) + 0.005) {
                    $this->break(
                        $f['rule'],
                        $f['components'],
                        'a figure is not that of its operating point',
                        sprintf(
                            '%s: %.2f said, %.2f solved (%s)',
                            $figure['label'],
                            $figure['value'],
                            $solved,
                            $of['state'],
                        ),
                    );
                }
            }
        }
    }

    private function flow(Examination $rig, string $state, string $scenario, string $charge): ?LoadFlowResult
    {
        $running = match ($scenario) {
            'none' => [],
            'all' => $rig->allLoads(),
            default => $rig->needs->scenarios[$scenario]['running'] ?? [],
        };
        $named = $rig->named[$state] ?? null;
        if ($named === null) {
            return null;
        }
        $flow = $this->flows["{$state}|{$scenario}|{$charge}"] ??= LoadFlow::of(
            (new Engine(new Contraction($rig->graph)))->settle($named->setting),
            $running,
            [],
            $charge,
            new Effort(),
        );

        return $flow->isSolved() ? $flow : null;
    }

    /** @param array<string, mixed> $of */
    private static function measure(Examination $rig, LoadFlowResult $flow, array $of): ?float
    {
        $element = $of['element'];
        if ($of['quantity'] === Quantity::Volts->value) {
            return $flow->loads[$element]['volts'] ?? null;
        }
        $as = $of['quantity'] === Quantity::Power->value ? 'watts' : 'amps';
        if (isset($flow->loads[$element])) {
            return $flow->loads[$element][$as];
        }
        if (isset($rig->graph->elements[$element])) {
            return $as === 'amps' ? $flow->amps($element) : null;
        }
        $sum = null;
        foreach ($flow->sources as $id => $source) {
            if (
                in_array((string) $id, explode('+', $element), true) ||
                $rig->graph->sources[$id]->component === $element ||
                "{$rig->graph->sources[$id]->component}.inverter" === $element
            ) {
                $sum = ($sum ?? 0.0) + $source[$as];
            }
        }

        return $sum === null ? null : abs($sum);
    }

    /** What the table calls working is what a load flow with nothing switched on holds up, and nothing else. */
    private function table(): void
    {
        $rig = $this->said->rig;
        foreach ($rig->settled as $state => $settled) {
            $flow = $this->flow($rig, $state, 'none', $rig->named[$state]->charge);
            if ($flow === null || $flow->otherAcV !== null || $rig->named[$state]->fault !== null) {
                continue;
            }
            foreach ($settled->situation->liveness() as $circuit => $live) {
                $end = $rig->graph->circuits[$circuit];
                $volts = $flow->acBetween($end->hot, $end->neutral) ?? 0.0;
                $works = $live->kind === 'works';
                // Between the two a pedestal of odd volts, or an output without a battery, decides.
                if (($works && $volts < 60.0) || ($live->kind === 'dead' && $volts > 60.0)) {
                    $this->break(
                        'table',
                        [(string) $circuit],
                        $works ? 'works in the table, and no volts in the load flow' : 'dead in the table, and live',
                        sprintf('%s: %.0f V', $state, $volts),
                    );
                }
            }
        }
    }

    /** Rows out of order in Size and findings on the plan, both ways. */
    private function rows(): void
    {
        $rig = $this->said->rig;
        $carried = new Carried($rig);
        $rows = Ruler::of($rig, $carried);
        $parts = RatedParts::of($rig, $carried);
        $labels = [];
        foreach ($rig->graph->parts as $id => $part) {
            $labels[$part->label] = (string) $id;
        }
        foreach ($rows as $row) {
            foreach ($row['trouble'] as $trouble) {
                // A drop is judged over a whole way by the findings, of one cable by the rulers.
                $of = in_array($trouble['kind'], ['short', 'device'], true) ? $labels[$row['device']] ?? '' : '';
                $speaks = self::SPEAKS[$trouble['kind']] ?? null;
                if ($speaks !== null && !$this->told($speaks, [$row['component'], $of])) {
                    $this->break(
                        'rulers',
                        [$row['component']],
                        "a row is out of order ({$trouble['kind']}), no finding says it",
                        $trouble['words'],
                    );
                }
            }
        }
        foreach ($parts as $part) {
            foreach ($part['trouble'] as $trouble) {
                $joint = str_contains($trouble, 'joint') && str_contains($trouble, 'heat');
                $rules = $joint ? ['joint_heat'] : ['overload', 'path_rating', 'pass_through'];
                if (!str_contains($trouble, 'no rating') && !$this->told($rules, [$part['component']])) {
                    $this->break(
                        'rulers',
                        [$part['component']],
                        'a part is out of order, no finding says it',
                        $trouble,
                    );
                }
            }
        }
        $this->silent($rows, $parts);
        $this->alike($rows, $parts);
        $this->runs($rows);
    }

    /** @param list<string> $rules @param list<string> $names */
    private function told(array $rules, array $names): bool
    {
        foreach ($this->said->findings as $f) {
            if (in_array($f['rule'], $rules, true)) {
                $ends = [...$f['witness']['elements'], ...$f['witness']['path']];
                $named = [...$f['components'], ...array_map(fn(string $e): string => explode('.', $e)[0], $ends)];
                if (array_intersect(array_filter($names), $named) !== []) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Findings of which the rulers say nothing.
     *
     * @param list<array<string, mixed>> $rows
     * @param list<array<string, mixed>> $parts
     */
    private function silent(array $rows, array $parts): void
    {
        $kinds = $red = [];
        foreach ($rows as $row) {
            $kinds[$row['component']] = [...$kinds[$row['component']] ?? [], ...array_column($row['trouble'], 'kind')];
        }
        foreach ($parts as $part) {
            $red[$part['component']] = ($red[$part['component']] ?? false) || $part['trouble'] !== [];
        }
        $has = fn(string $id, array $any): bool => array_intersect($kinds[$id] ?? [], $any) !== [];
        foreach ($this->said->findings as $f) {
            if ($f['ways']['kind'] === 'outside' || $f['components'] === []) {
                continue;
            }
            $quiet = match ($f['rule']) {
                'conductor_protection' => array_filter($f['components'], fn(string $c): bool => isset($kinds[$c])) !==
                    [] &&
                    array_filter(
                        $f['components'],
                        fn(string $c): bool => $has($c, ['wire', 'table', 'device', 'load']),
                    ) === [],
                'overload' => $f['severity'] !== 'advice' &&
                    (isset($kinds[$f['components'][0]]) || isset($red[$f['components'][0]])) &&
                    array_filter(
                        $f['components'],
                        fn(string $c): bool => $has($c, ['device', 'load', 'wire']) || ($red[$c] ?? false),
                    ) === [],
                'joint_heat' => array_filter($f['components'], fn(string $c): bool => $red[$c] ?? false) === [] &&
                    $f['witness']['state'] !== null,
                default => false,
            };
            if ($quiet) {
                $this->break($f['rule'], $f['components'], 'a finding, and the rulers are silent', $f['text']);
            }
        }
    }

    /**
     * A figure that both give is the same within 5 %.
     *
     * @param list<array<string, mixed>> $rows
     * @param list<array<string, mixed>> $parts
     */
    private function alike(array $rows, array $parts): void
    {
        foreach ($this->said->findings as $f) {
            $figure = $f['figures'][0] ?? null;
            $of = $f['components'][0] ?? null;
            if ($figure === null || $of === null || $f['ways']['kind'] === 'outside') {
                continue;
            }
            [$from, $key] = match ([$f['rule'], $figure['unit']]) {
                ['joint_heat', 'W'] => [$parts, 'heatW'],
                ['overload', 'A'] => [$parts, 'carriesA'],
                ['conductor_protection', 'A'] => [$rows, 'deviceA'],
                default => [[], ''],
            };
            $theirs = array_filter(
                array_column(array_filter($from, fn(array $r): bool => $r['component'] === $of), $key),
            );
            $near = array_filter(
                $theirs,
                fn(float $v): bool => abs($v - $figure['value']) <= 0.05 * max(1.0, abs($figure['value'])),
            );
            if ($theirs !== [] && $near === []) {
                $this->break(
                    $f['rule'],
                    $f['components'],
                    'another figure in the rulers',
                    sprintf('%s %.4g, in the rulers %s', $figure['label'], $figure['value'], implode(', ', $theirs)),
                );
            }
        }
    }

    /** @param list<array<string, mixed>> $rows */
    private function runs(array $rows): void
    {
        foreach (AcRun::of($this->said->rig) as $run) {
            $red = false;
            foreach ($rows as $row) {
                $red =
                    $red ||
                    ($row['component'] === $run['component'] &&
                        array_intersect(array_column($row['trouble'], 'kind'), ['wire', 'table']) !== []);
            }
            $told = $this->told(['conductor_protection'], [$run['component']]);
            if ($run['holds'] === false && !$told) {
                $this->break('runs', [$run['component']], 'does not hold, and no finding says it', $run['arithmetic']);
            } elseif ($run['holds'] === true && $red && !$told) {
                $this->break('runs', [$run['component']], 'holds, and the rulers say its wire is too thin');
            }
        }
    }

    /** The answer of the whole rig counts what the judge found. */
    private function counts(): void
    {
        $answer = $this->said->answer();
        if (array_column($answer['findings'], 'id') !== array_column($this->said->findings, 'id')) {
            $this->break('answer', [], 'other findings in the whole answer');
        }
    }

    /** How grave each kind of finding is stands in tests/Laws/gravity.txt, as a master electrician would have it. */
    private function gravity(): void
    {
        foreach ($this->said->findings as $f) {
            $kind = self::kind($f);
            $this->kinds[$kind] = true;
            if (!isset(self::declared()[$kind])) {
                $this->break($f['rule'], $f['components'], "nobody declared it so grave: {$kind}", $f['text']);
            }
        }
    }

    /**
     * Rule, title without names and numbers, severity, and whether it comes from outside.
     *
     * @param array<string, mixed> $f
     */
    public static function kind(array $f): string
    {
        $title = trim((string) preg_replace('/[\d.,]+/', '#', explode(':', $f['title'])[0]));
        $outside = in_array($f['ways']['kind'], ['outside', 'passing'], true) ? " | {$f['ways']['kind']}" : '';

        return "{$f['rule']} | {$title} | {$f['severity']}{$outside}";
    }

    /** @return array<string, true> */
    public static function declared(): array
    {
        static $declared;

        return $declared ??= array_fill_keys(array_map(trim(...), file(__DIR__ . '/gravity.txt') ?: []), true);
    }
}
