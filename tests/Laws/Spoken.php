<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/**
 * What each rule says on its samples: how grave, about what, with which figures and limits, in which words, what mends
 * it and in which order, in which states, along which way. It stands in samples.txt, read there as the person whose
 * hands are in the box; bin/laws --samples writes it anew, and what moved is read again.
 */
final class Spoken
{
    private const FILE = __DIR__ . '/samples.txt';

    /** @return list<string> of the rule's own findings on the sample, as the file has them */
    public static function of(string $rule, Sample $sample): array
    {
        $name = self::name($rule, $sample);

        return array_map(
            fn(Finding $f): string => "{$name} | " . self::line($f->toArray()),
            Rigs::sampled($rule, $sample),
        );
    }

    /** @return list<string> as the file has them */
    public static function expected(string $rule, Sample $sample): array
    {
        static $read = null;
        if ($read === null) {
            $read = [];
            foreach (preg_split('/\n(?! )/', trim((string) file_get_contents(self::FILE))) ?: [] as $said) {
                $read[implode(' | ', array_slice(explode(' | ', $said), 0, 2))][] = $said;
            }
        }

        return $read[self::name($rule, $sample)] ?? [];
    }

    /** Writes the file anew. */
    public static function write(): void
    {
        $said = [];
        foreach (RuleBook::rules() as $rule) {
            foreach ($rule::definition()->samples as $sample) {
                array_push($said, ...$sample->found ? self::of($rule::definition()->id, $sample) : []);
            }
        }
        file_put_contents(self::FILE, implode("\n", $said) . "\n");
    }

    private static function name(string $rule, Sample $sample): string
    {
        return "{$rule} | {$sample->title}";
    }

    /** @param array<string, mixed> $f */
    public static function line(array $f): string
    {
        $figures = array_map(
            fn(array $g): string => sprintf(
                '%s %s%.4g %s%s%s',
                $g['label'],
                $g['assumed'] ? '~' : '',
                $g['value'],
                $g['unit'],
                $g['limit'] === null ? '' : sprintf(' of %.4g', $g['limit']),
                $g['arithmetic'] === '' ? '' : " = {$g['arithmetic']}",
            ),
            $f['figures'],
        );

        return implode(' | ', [
            "{$f['severity']}, {$f['ways']['kind']}",
            implode(' ', $f['components']),
            implode('; ', $figures),
            implode('; ', array_column($f['remedies'], 'label')),
            implode(' ', $f['witness']['states']) ?: $f['ways']['words'],
            implode(' ', $f['witness']['elements']),
        ]) . "\n    {$f['title']}: {$f['text']}";
    }
}
