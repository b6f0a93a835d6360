<?php

declare(strict_types=1);

namespace Tests\Laws;

/**
 * Worse is never milder: what a rig's findings become when one thing about it is made worse, held against what each
 * rule declares of that step.
 */
final class Worse
{
    /** Rules whose figure must be above its limit, or has none that tells worse from better. */
    private const LESS_IS_WORSE = [
        'fault_clearing',
        'converter_starves',
        'lowered_alternator',
        'motor_start',
        'supply_refused',
        'charging_lost',
    ];

    /** How far a figure moves and still is the same. */
    private const ALIKE = 0.03;

    /** @var list<Violation> */
    public array $broken = [];

    /** @var array<string, array<string, int>> rule|step => same, worse, eased => how often, over all that was tried */
    public array $seen = [];

    public function __construct(private readonly Declared $declared) {}

    public function hold(Specimen $rig, Step $step, Said $before, Said $after): void
    {
        $this->protects($rig, $step, $before, $after);
        $this->brings($rig, $step, $after);
        $known = $before->identities();
        $new = array_values(array_filter($after->findings, fn(array $g): bool => !isset($known[$g['id']])));
        foreach ($before->findings as $f) {
            $how = $this->became($f, $before, $after, $step);
            $this->count($f['rule'], $step, $how === null ? $this->grew($f, $after) : 'eased');
            $does = $this->declared->of($f['rule'], $step->name);
            if ($does->kind === Declared::SAME && $how === null && $this->grew($f, $after) === 'worse') {
                $this->break($rig, $step, $f, 'declared untouched, and worse');
            }
            if ($how === null || $does->kind === Declared::EASES || self::dead($f, $new)) {
                continue;
            }
            if ($how === 'vanished' && self::takenOver($f, $new, $does->heirs, $step)) {
                continue;
            }
            $this->break($rig, $step, $f, $how);
        }
        foreach ($new as $g) {
            $this->count($g['rule'], $step, 'worse');
            $fitted = array_intersect($g['components'], $step->fits()) !== [];
            if ($this->declared->of($g['rule'], $step->name)->kind === Declared::SAME && !$fitted) {
                $this->break($rig, $step, $g, 'declared untouched, and new');
            }
        }
    }

    /** Without any table: what protects, taken away, makes no rig free of dangers that was not. */
    private function protects(Specimen $rig, Step $step, Said $before, Said $after): void
    {
        if (!preg_match('/^(guard\.|bond\.frame|bond\.none|fuse\.gone)/', $step->name)) {
            return;
        }
        $dangers = fn(Said $said): array => array_filter(
            $said->findings,
            fn(array $f): bool => $f['severity'] === 'danger' && $f['ways']['kind'] !== 'outside',
        );
        // A bond too many is itself the danger: what is declared to ease by it is no gift.
        $had = array_filter(
            $dangers($before),
            fn(array $f): bool => $this->declared->of($f['rule'], $step->name)->kind !== Declared::EASES,
        );
        if ($had !== [] && $dangers($after) === []) {
            $this->break($rig, $step, array_values($had)[0], 'free of dangers by what protects being taken away');
        }
    }

    /** What some steps bring about on every rig is told. */
    private function brings(Specimen $rig, Step $step, Said $after): void
    {
        $rule = Declared::BRINGS[$step->name] ?? null;
        $parts = [$step->target, ...$step->fits()];
        foreach ($rule === null ? [] : $after->byRule()[$rule] ?? [] as $f) {
            if (array_intersect($parts, $f['components']) !== []) {
                return;
            }
        }
        if ($rule !== null) {
            $this->broken[] = new Violation(
                'worse',
                $rig->title(),
                $step->title(),
                $rule,
                [$step->target],
                'brings nothing',
            );
        }
    }

    private function count(string $rule, Step $step, string $how): void
    {
        $this->seen["{$rule}|{$step->name}"][$how] = ($this->seen["{$rule}|{$step->name}"][$how] ?? 0) + 1;
    }

    /** @param array<string, mixed> $finding */
    private function break(Specimen $rig, Step $step, array $finding, string $what): void
    {
        [$short, $detail] = [...explode(': ', $what, 2), ''];
        $this->broken[] = new Violation(
            'worse',
            $rig->title(),
            $step->title(),
            $finding['rule'],
            $finding['components'],
            $short,
            "{$finding['severity']}, {$detail} {$finding['text']}",
        );
    }

    /**
     * What became milder of a finding, in words; null when nothing did.
     *
     * @param array<string, mixed> $f
     */
    private function became(array $f, Said $before, Said $after, Step $step): ?string
    {
        $heirs = self::same($f, $after->findings, $step->removes());
        $least = 'vanished';
        foreach ($heirs as [$g, $itself]) {
            $milder = self::milder($f, $g);
            // The same rule beside it tells of the same hazard, whatever its figure is there.
            if ($milder === null || (!$itself && !str_starts_with($milder, 'severity'))) {
                return null;
            }
            // What is no longer known is asked for instead: milder, never silent.
            if (str_starts_with($step->name, 'known.') && str_starts_with($milder, 'severity')) {
                return null;
            }
            $least = $least === 'vanished' ? $milder : $least;
        }

        return $least;
    }

    /**
     * What a finding may have become: the very same, the same rule on the same parts, on its first part.
     *
     * @param array<string, mixed> $f
     * @param list<array<string, mixed>> $after
     * @param list<string> $gone
     * @return list<array{array<string, mixed>, bool}> finding, and whether it is the very same
     */
    public static function same(array $f, array $after, array $gone = []): array
    {
        $exact = $near = $by = [];
        $parts = array_diff($f['components'], $gone);
        foreach ($after as $g) {
            if ($g['id'] === $f['id']) {
                $by[] = [$g, true];
            } elseif ($g['rule'] === $f['rule'] && $parts !== []) {
                if (array_diff($parts, $g['components']) === []) {
                    $exact[] = [$g, false];
                } elseif (
                    in_array($f['components'][0], $g['components'], true) &&
                    !in_array($f['components'][0], $gone, true)
                ) {
                    $near[] = [$g, false];
                }
            }
        }

        // Where two share an identity, the one that says the same first.
        usort(
            $by,
            fn(array $a, array $b): int => [
                $a[0]['components'] !== $f['components'],
                $a[0]['text'] !== $f['text'],
            ] <=> [$b[0]['components'] !== $f['components'], $b[0]['text'] !== $f['text']],
        );

        return $by ?: ($exact ?: $near);
    }

    /**
     * @param array<string, mixed> $f
     * @param array<string, mixed> $g
     */
    public static function milder(array $f, array $g): ?string
    {
        if (Said::RANKS[$g['severity']] > Said::RANKS[$f['severity']]) {
            return "severity {$f['severity']} to {$g['severity']}";
        }
        if ((Said::WAYS[$g['ways']['kind']] ?? 5) > (Said::WAYS[$f['ways']['kind']] ?? 5)) {
            return "way {$f['ways']['kind']} to {$g['ways']['kind']}";
        }
        [$x, $y] = [self::ratio($f), self::ratio($g)];
        if ($x !== null && $y !== null && $x > 1 && $y < $x * (1 - self::ALIKE) && self::comparable($f, $g)) {
            return sprintf('figure nearer to its limit: %.3g to %.3g times it', $x, $y);
        }

        return null;
    }

    /** @param array<string, mixed> $f @param array<string, mixed> $g */
    private static function comparable(array $f, array $g): bool
    {
        return $f['witness']['state'] === $g['witness']['state'] &&
            strtok($f['figures'][0]['label'], ' ') === strtok($g['figures'][0]['label'], ' ');
    }

    /** @param array<string, mixed> $f */
    private static function ratio(array $f): ?float
    {
        $figure = $f['figures'][0] ?? null;

        return $figure === null || !$figure['limit'] || in_array($f['rule'], self::LESS_IS_WORSE, true)
            ? null
            : $figure['value'] / $figure['limit'];
    }

    /** @param array<string, mixed> $f */
    private function grew(array $f, Said $after): string
    {
        foreach ($after->findings as $g) {
            if ($g['id'] === $f['id']) {
                [$x, $y] = [self::ratio($f), self::ratio($g)];
                $graver = Said::RANKS[$g['severity']] < Said::RANKS[$f['severity']];
                $nearer = (Said::WAYS[$g['ways']['kind']] ?? 5) < (Said::WAYS[$f['ways']['kind']] ?? 5);
                $more = $x !== null && $y !== null && $y > $x * (1 + self::ALIKE) && self::comparable($f, $g);

                return $graver || $nearer || $more ? 'worse' : 'same';
            }
        }

        return 'worse';
    }

    /**
     * What no longer runs because of the step is told as such.
     *
     * @param array<string, mixed> $f
     * @param list<array<string, mixed>> $new
     */
    private static function dead(array $f, array $new): bool
    {
        foreach ($new as $g) {
            if ($g['rule'] === 'lost_circuit' && array_intersect($g['components'], $f['components']) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, mixed> $f
     * @param list<array<string, mixed>> $new
     * @param list<string> $heirs rules
     */
    private static function takenOver(array $f, array $new, array $heirs, Step $step): bool
    {
        $named = [...$f['components'], $step->target];
        foreach ($new as $g) {
            if (
                in_array($g['rule'], $heirs, true) &&
                Said::RANKS[$g['severity']] <= Said::RANKS[$f['severity']] &&
                $g['ways']['kind'] !== 'outside' &&
                array_intersect($named, $g['components']) !== []
            ) {
                return true;
            }
        }

        return false;
    }
}
