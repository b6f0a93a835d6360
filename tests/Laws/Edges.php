<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Sample;

/**
 * Where what a rule says on its samples comes about, goes or changes its severity as one figure of the rig moves:
 * rule | sample | part/path | value on one side | value on the other | said there | said here. The two values are one
 * per cent apart, or one where the figure is counted in whole ones. They stand in edges.txt, read as a table of limits;
 * bin/laws --edges looks for them anew.
 */
final class Edges
{
    private const FILE = __DIR__ . '/edges.txt';

    /** The figure is put to so many times what it is. */
    private const TIMES = [0.25, 0.5, 0.7, 0.8, 0.9, 1.0, 1.1, 1.25, 1.5, 2.0, 4.0];

    /** Figures that are looked at on one sample. */
    private const MOST = 24;

    /** @return list<string> */
    public static function lines(): array
    {
        return array_values(array_filter(array_map(rtrim(...), file(self::FILE) ?: [])));
    }

    /** @return list<string> of one rule */
    public static function of(string $rule): array
    {
        return array_values(
            array_filter(self::lines(), fn(string $line): bool => str_starts_with($line, "{$rule} | ")),
        );
    }

    public static function holds(string $line): bool
    {
        [$rule, $title, $place, $a, $b, $there, $here] = explode(' | ', $line);
        $rig = self::specimen($rule, $title);
        $at = explode('/', $place, 2);

        return $rig !== null &&
            self::said($rig, $rule, $at[0], $at[1], (float) $a) === $there &&
            self::said($rig, $rule, $at[0], $at[1], (float) $b) === $here;
    }

    private static function specimen(string $rule, string $title): ?Specimen
    {
        $make = Specimens::samples()["{$rule}: {$title}"] ?? null;
        $views = $make === null ? [] : iterator_to_array($make(), false);

        return $views[0] ?? null;
    }

    /**
     * Looks for the edges of a rule on its samples.
     *
     * @param list<Sample> $samples
     * @return list<string>
     */
    public static function find(string $rule, array $samples): array
    {
        $lines = $seen = [];
        foreach ($samples as $sample) {
            $rig = self::specimen($rule, $sample->title);
            foreach ($rig === null ? [] : self::places($rig, $rule, $sample) as [$part, $path, $is]) {
                foreach (self::edges($rig, $rule, $part, $path, $is) as [$a, $b, $there, $here]) {
                    // The same edge of the same kind of part on another sample says nothing new.
                    $kind = "{$rig->value($part, 'type')}/{$path} {$there} {$here}" . ($a < $b ? ' up' : ' down');
                    if (!isset($seen[$kind])) {
                        $seen[$kind] = true;
                        $lines[] = sprintf(
                            '%s | %s | %s/%s | %.5g | %.5g | %s | %s',
                            $rule,
                            $sample->title,
                            $part,
                            $path,
                            $a,
                            $b,
                            $there,
                            $here,
                        );
                    }
                }
            }
        }

        return $lines;
    }

    /** @return list<array{string, string, float}> figures of the parts that the rule, or the sample, speaks of */
    private static function places(Specimen $rig, string $rule, Sample $sample): array
    {
        $places = [];
        $parts = array_flip(
            array_filter(
                array_merge(
                    ...array_map(fn(array $e): array => [$e['component'] ?? '', $e['id'] ?? ''], $sample->edits),
                ),
                is_string(...),
            ),
        );
        foreach ((new JobAnswers($rig->document))->tried($rig->view)[1] ?? [] as $finding) {
            $parts += $finding->rule->id === $rule ? array_flip($finding->toArray()['components']) : [];
        }
        foreach (array_keys($parts) as $part) {
            foreach (self::figures($rig->parts[$part] ?? []) as $path => $is) {
                $places[] = [(string) $part, $path, $is];
            }
        }

        return array_slice($places, 0, self::MOST);
    }

    /**
     * @param array<string, mixed> $at
     * @return array<string, float>
     */
    private static function figures(array $at, string $before = ''): array
    {
        $figures = [];
        foreach ($at as $name => $value) {
            $value = Specimen::plain($value);
            if (is_array($value)) {
                $figures += self::figures($value, "{$before}{$name}/");
            } elseif ((is_int($value) || is_float($value)) && $value > 0) {
                $figures["{$before}{$name}"] = (float) $value;
            }
        }

        return $figures;
    }

    /** @return list<array{float, float, string, string}> the nearest above and below what it is */
    private static function edges(Specimen $rig, string $rule, string $part, string $path, float $is): array
    {
        $edges = [];
        $last = [$is, self::said($rig, $rule, $part, $path, $is)];
        foreach ([array_reverse(array_filter(self::TIMES, fn(float $t): bool => $t < 1)), self::TIMES] as $times) {
            [$from, $there] = $last;
            foreach ($times as $time) {
                $to = $is * $time;
                $here = $to === $from ? $there : self::said($rig, $rule, $part, $path, $to);
                if ($here !== null && $there !== null && $here !== $there) {
                    $edges[] = self::narrowed($rig, $rule, $part, $path, [$from, $to, $there, $here]);
                    break;
                }
                [$from, $there] = $here === null ? [$from, $there] : [$to, $here];
            }
        }

        return $edges;
    }

    /**
     * @param array{float, float, string, string} $edge
     * @return array{float, float, string, string} one per cent apart, or one
     */
    private static function narrowed(Specimen $rig, string $rule, string $part, string $path, array $edge): array
    {
        [$a, $b, $there, $here] = $edge;
        while (abs($a - $b) > 0.01 * max($a, $b)) {
            $between = ($a + $b) / 2;
            $said = self::said($rig, $rule, $part, $path, $between);
            if ($said === null) {
                // Counted in whole ones.
                $between = round($between);
                $said = $between === $a || $between === $b ? null : self::said($rig, $rule, $part, $path, $between);
            }
            if ($said === null) {
                break;
            }
            $said === $there ? ($a = $between) : ([$b, $here] = [$between, $said]);
        }

        return [$a, $b, $there, $here];
    }

    /** What the rule says with the figure put to a value: how grave, by which way; null where the format refuses it. */
    private static function said(Specimen $rig, string $rule, string $part, string $path, float $value): ?string
    {
        try {
            // As the file writes it.
            $value = (float) sprintf('%.5g', $value);
            $value = floor($value) === $value && abs($value) < 1e9 ? (int) $value : $value;
            $document = $rig->edited([['set', $part, $path, $rig->like($part, $path, $value)]]);
            $findings = (new JobAnswers($document))->tried($rig->view)[1] ?? [];
        } catch (BadJobFile | Refused) {
            return null;
        }
        $said = array_map(
            fn(Finding $f): string => "{$f->severity()->value} {$f->ways->kind}",
            array_filter($findings, fn(Finding $f): bool => $f->rule->id === $rule),
        );
        sort($said);

        return implode(', ', $said) ?: 'nothing';
    }
}
