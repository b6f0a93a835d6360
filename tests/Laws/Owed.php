<?php

declare(strict_types=1);

namespace Tests\Laws;

/** What the laws find today and is owed, by name, one line each in docs/owed.txt. It may only shrink. */
final class Owed
{
    private const FILE = 'docs/owed.txt';

    /** law => how many were owed at last: never more. */
    public const AT_FIRST = [
        'back' => 35,
        'beside' => 0,
        'days' => 11,
        'meter' => 0,
        'physics' => 3,
        'second' => 15,
        'sizes' => 0,
        'prices' => 0,
        'runs' => 0,
        'verdict' => 353,
        'weights' => 40,
        'worse' => 3,
    ];

    /** @var array<string, true> */
    private array $names = [];

    /** @param ?list<string> $lines instead of those of the file */
    public function __construct(?array $lines = null)
    {
        foreach ($lines ?? (file(self::path()) ?: []) as $line) {
            if (trim($line) !== '' && $line[0] !== '#') {
                $this->names[trim($line)] = true;
            }
        }
    }

    public static function path(): string
    {
        return dirname(__DIR__, 2) . '/' . self::FILE;
    }

    /**
     * What broke and is not owed, and what is owed, was tried and holds.
     *
     * @return list<string>
     */
    public function differs(Court $court): array
    {
        $broken = [];
        foreach ($court->broken() as $violation) {
            $broken[$violation->name()] ??= $violation->detail;
        }
        $differs = [];
        foreach (array_diff_key($broken, $this->names) as $name => $detail) {
            $differs[] = "broken: {$name}\n    {$detail}";
        }
        foreach (array_keys(array_diff_key($this->names, $broken)) as $name) {
            if ($this->tried($court, $name)) {
                $differs[] = 'holds now, strike it from ' . self::FILE . ": {$name}";
            }
        }

        return $differs;
    }

    private function tried(Court $court, string $name): bool
    {
        [$law, $rig, $step] = [...explode(' | ', $name), ''];

        return isset($court->tried["{$law} | {$rig} | " . ($law === 'back' ? '' : $step)]);
    }

    /** @return list<string> what is owed under a law */
    public function of(string $law): array
    {
        return array_values(
            array_filter(array_keys($this->names), fn(string $name): bool => str_starts_with($name, "{$law} | ")),
        );
    }

    /** The name of a line of the second opinion: without its figures. */
    public static function second(string $line): string
    {
        return 'second | ' . trim((string) preg_replace('/(?<![\\w-])\\d[\\d.,]*/', '#', $line));
    }

    /** @return array<string, int> law => how many are owed */
    public function counts(): array
    {
        $counts = [];
        foreach (array_keys($this->names) as $name) {
            $law = explode(' | ', $name)[0];
            $counts[$law] = ($counts[$law] ?? 0) + 1;
        }
        ksort($counts);

        return $counts;
    }

    /** @return array<string, int> the counts that the head of the file gives */
    public static function told(): array
    {
        preg_match_all('/^# ([a-z]+): (\d+)$/m', (string) file_get_contents(self::path()), $found);

        return array_map(intval(...), array_combine($found[1], $found[2]));
    }

    /** @param list<string> $names */
    public static function write(array $names): void
    {
        $names = array_values(array_unique($names));
        sort($names);
        $counts = array_count_values(array_map(fn(string $n): string => explode(' | ', $n)[0], $names));
        ksort($counts);
        $head =
            "# What the laws (docs/laws.md) find in the sample the tests draw, and is owed. It only shrinks:\n" .
            "# bin/laws --owed strikes what holds.\n";
        foreach ($counts as $law => $count) {
            $head .= "# {$law}: {$count}\n";
        }
        file_put_contents(self::path(), "{$head}\n" . implode("\n", $names) . "\n");
    }
}
