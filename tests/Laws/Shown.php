<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Rules\RuleBook;

/**
 * Every kind of finding that no rule's own sample shows, with one rig that does: what the rule says there stands in
 * shown.txt as samples.txt has it, rule | rig | …, read in the same way. bin/laws --shown looks for the rigs anew.
 */
final class Shown
{
    private const FILE = __DIR__ . '/shown.txt';

    /** Rigs drawn at random among those that are looked through. */
    private const DRAWN = 40;

    private const MOST_PARTS = 70;

    /** @return array<string, list<string>> rule and rig => what is said */
    public static function read(): array
    {
        $read = [];
        foreach (preg_split('/\n(?! )/', trim((string) file_get_contents(self::FILE))) ?: [] as $said) {
            $read[implode(' | ', array_slice(explode(' | ', $said), 0, 2))][] = $said;
        }

        return $read;
    }

    /** @return list<string> what the rule says on the rig */
    public static function of(string $name): array
    {
        [$rule, $title] = explode(' | ', $name);
        foreach (Specimens::named(self::DRAWN)[explode(' [', $title)[0]]() as $rig) {
            if ($rig->title() === $title) {
                return self::said($rule, $title, Said::of($rig->document, $rig->view));
            }
        }

        return [];
    }

    /** @return list<string> kinds of findings that are declared and that neither file shows */
    public static function missing(): array
    {
        $seen = self::sampled();
        foreach (self::read() as $name => $said) {
            foreach ($said as $line) {
                $seen[self::kindOf($line)] = true;
            }
        }

        return array_values(
            array_filter(array_keys(Verdict::declared()), fn(string $kind): bool => !isset($seen[$kind])),
        );
    }

    /** Writes the file anew: the smallest rig that shows each kind. */
    public static function write(): void
    {
        $wanted = array_diff_key(Verdict::declared(), self::sampled());
        $best = [];
        foreach (Specimens::named(self::DRAWN) as $make) {
            foreach ($make() as $rig) {
                if (count($rig->parts) > self::MOST_PARTS) {
                    continue;
                }
                $said = Said::of($rig->document, $rig->view);
                foreach ($said->findings as $f) {
                    $kind = Verdict::kind($f);
                    if (isset($wanted[$kind]) && count($rig->parts) < ($best[$kind][0] ?? PHP_INT_MAX)) {
                        $best[$kind] = [count($rig->parts), $f['rule'], $rig->title(), $said];
                    }
                }
            }
        }
        $lines = [];
        foreach ($best as [, $rule, $title, $said]) {
            $lines["{$rule} | {$title}"] = implode("\n", self::said($rule, $title, $said));
        }
        ksort($lines);
        file_put_contents(self::FILE, implode("\n", $lines) . "\n");
    }

    /** @return list<string> */
    private static function said(string $rule, string $title, Said $said): array
    {
        return array_map(
            fn(array $f): string => "{$rule} | {$title} | " . Spoken::line($f),
            $said->byRule()[$rule] ?? [],
        );
    }

    /** @return array<string, true> kinds that the rules' own samples show */
    private static function sampled(): array
    {
        $seen = [];
        foreach (RuleBook::rules() as $rule) {
            $definition = $rule::definition();
            foreach ($definition->samples as $sample) {
                foreach (Spoken::expected($definition->id, $sample) as $line) {
                    $seen[self::kindOf($line)] = true;
                }
            }
        }

        return $seen;
    }

    /** The kind of what a line of either file says. */
    private static function kindOf(string $line): string
    {
        [$head, $words] = explode("\n    ", $line, 2);
        [$rule, , $how] = explode(' | ', $head);
        [$severity, $way] = explode(', ', $how);

        return Verdict::kind([
            'rule' => $rule,
            'title' => explode(': ', $words)[0],
            'severity' => $severity,
            'ways' => ['kind' => $way],
        ]);
    }
}
