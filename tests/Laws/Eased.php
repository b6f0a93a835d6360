<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Job\BadJobFile;

/** Where each rule eases that may: rule | step | rig | part, in eases.txt. bin/laws --eases looks for them. */
final class Eased
{
    /** @return list<string> */
    public static function lines(): array
    {
        return array_values(array_filter(array_map(trim(...), file(__DIR__ . '/eases.txt') ?: [])));
    }

    public static function is(Declared $declared, string $line): bool
    {
        [$rule, $name, $title, $target] = explode(' | ', $line);
        $named = Specimens::named(40)[explode(' [', $title)[0]] ?? null;
        foreach ($named === null ? [] : $named() as $rig) {
            foreach ($rig->title() === $title ? Steps::of($rig) : [] as $step) {
                if ($step->name === $name && $step->target === $target) {
                    $before = Said::of($rig->document, $rig->view);
                    if (self::eases($declared, $rule, $rig, $step, $before)) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    private static function eases(Declared $declared, string $rule, Specimen $rig, Step $step, Said $before): bool
    {
        $worse = new Worse($declared);
        try {
            $worse->hold($rig, $step, $before, Said::of($rig->edited($step->edits), $rig->view));
        } catch (BadJobFile) {
            return false;
        }

        return isset($worse->seen["{$rule}|{$step->name}"]['eased']);
    }

    /** Looks for a rig, its samples before all others. */
    public static function find(Declared $declared, string $rule, string $name): ?string
    {
        static $known = [];
        $names = array_map(strval(...), array_keys(Specimens::named(40)));
        usort(
            $names,
            fn(string $a, string $b): int => str_starts_with($b, "{$rule}:") <=> str_starts_with($a, "{$rule}:"),
        );
        foreach ($names as $of) {
            $known[$of] ??= array_map(
                fn(Specimen $rig): array => [$rig, Said::of($rig->document, $rig->view)],
                array_filter(
                    iterator_to_array(Specimens::named(40)[$of](), false),
                    fn(Specimen $r): bool => count($r->parts) <= 70,
                ),
            );
            foreach ($known[$of] as [$rig, $before]) {
                foreach (isset($before->byRule()[$rule]) ? Steps::of($rig) : [] as $step) {
                    if ($step->name === $name && self::eases($declared, $rule, $rig, $step, $before)) {
                        return "{$rule} | {$name} | {$rig->title()} | {$step->target}";
                    }
                }
            }
        }

        return null;
    }
}
