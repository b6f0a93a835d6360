<?php

declare(strict_types=1);

namespace Tests\Laws;

/** Beside the point: every finding stays, with its severity, its way and its words, whatever is added elsewhere. */
final class Beside
{
    /** @var list<Violation> */
    public array $broken = [];

    public function hold(Specimen $rig, Addition $added, Said $before, Said $after): void
    {
        $known = $before->identities();
        $any = in_array('*', $added->loose, true);
        foreach ($before->findings as $f) {
            $free = $any || in_array($f['rule'], $added->loose, true);
            $what = self::became($f, $after->findings, $added, $free);
            if ($what !== null) {
                $this->break($rig, $added, $f, $what);
            }
        }
        foreach ($after->findings as $g) {
            if (
                !isset($known[$g['id']]) &&
                !$any &&
                !in_array($g['rule'], $added->loose, true) &&
                $g['severity'] !== 'advice' &&
                array_intersect($g['components'], $added->parts) === [] &&
                !self::known($g, $before->findings)
            ) {
                $this->break($rig, $added, $g, 'appears, and does not mention what was added');
            }
        }
    }

    /** @param array<string, mixed> $finding */
    private function break(Specimen $rig, Addition $added, array $finding, string $what): void
    {
        [$short, $detail] = [...explode(': ', $what, 2), ''];
        $this->broken[] = new Violation(
            'beside',
            $rig->title(),
            $added->title(),
            $finding['rule'],
            $finding['components'],
            $short,
            "{$finding['severity']}, {$detail} {$finding['text']}",
        );
    }

    /**
     * @param array<string, mixed> $f
     * @param list<array<string, mixed>> $after
     */
    private static function became(array $f, array $after, Addition $added, bool $free): ?string
    {
        $heirs = Worse::same($f, $after);
        if (!$free) {
            $heirs = array_values(
                array_filter(
                    $heirs,
                    fn(array $h): bool => $h[1] || array_diff($f['components'], $h[0]['components']) === [],
                ),
            );
        }
        if ($heirs === []) {
            $elsewhere = array_filter(
                $after,
                fn(array $g): bool => $free &&
                    $g['rule'] === $f['rule'] &&
                    Said::RANKS[$g['severity']] <= Said::RANKS[$f['severity']] &&
                    array_intersect($g['components'], $added->parts) !== [],
            );

            return $elsewhere === [] && !in_array($f['rule'], $added->loose, true) ? 'vanished' : null;
        }
        $g = $heirs[0][0];
        if ($g['severity'] !== $f['severity']) {
            return in_array($f['rule'], $added->loose, true) ? null : "severity {$f['severity']} to {$g['severity']}";
        }
        if ($g['ways']['kind'] !== $f['ways']['kind']) {
            return "way {$f['ways']['kind']} to {$g['ways']['kind']}";
        }
        [$was, $is] = [
            self::words("{$f['title']} | {$f['text']}", []),
            self::words("{$g['title']} | {$g['text']}", $added->names),
        ];

        return $free || $was === $is ? null : "other words: “{$was}” became “{$is}”;";
    }

    /** Words of a finding without counts, with a new name read as the old one. @param array<string, string> $names */
    private static function words(string $text, array $names): string
    {
        $text = strtr(mb_strtolower($text), $names);
        // A list of parts may name what was added.
        $text = (string) preg_replace(
            '/added (?:[a-z]+ )*?[a-z]+(?:, | and )|(?:,| and) added (?:[a-z]+ )*?[a-z]+(?=[.,:; ])/',
            '',
            $text,
        );

        return trim((string) preg_replace('/\d[\d\s.,]*/', '#', $text));
    }

    /**
     * @param array<string, mixed> $g
     * @param list<array<string, mixed>> $before
     */
    private static function known(array $g, array $before): bool
    {
        foreach ($before as $f) {
            if ($f['rule'] === $g['rule'] && array_intersect($f['components'], $g['components']) !== []) {
                return true;
            }
        }

        return false;
    }
}
