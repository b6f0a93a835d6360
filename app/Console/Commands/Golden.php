<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Network\Part;
use Hollin\Core\Sizing\TypicalWeight;
use Illuminate\Console\Command;

/**
 * What the example rigs are said to be, an aspect a file, a line a fact: read by people when it changes.
 * Rewritten by this command alone, on purpose.
 */
final class Golden extends Command
{
    private const RIGS = [
        'grafting-trailer',
        'archive-trailer',
        'tide-line-van',
        'kiln-trailer',
        'causeway-van',
        'bellows-trailer',
        'kite-camper',
    ];

    protected $signature = 'hollin:golden {--check : write nothing, fail when something differs}';

    protected $description = 'Rewrite the golden answers in tests/golden; look at the difference before you commit it';

    public function handle(): int
    {
        $differs = false;
        foreach (self::all() as $file => $text) {
            $path = base_path("tests/golden/{$file}");
            $differs = $differs || !is_file($path) || file_get_contents($path) !== $text;
            if (!$this->option('check')) {
                file_put_contents($path, $text);
            }
        }

        return $this->option('check') && $differs ? self::FAILURE : self::SUCCESS;
    }

    /** @return array<string, string> file => text */
    public static function all(): array
    {
        $aspects = [
            'findings' => '',
            'figures' => '',
            'live' => '',
            'sizes' => '',
            'runs' => '',
            'prevented' => '',
            'weights' => '',
        ];
        foreach (self::RIGS as $rig) {
            $job = new JobAnswers(JobFile::read((string) file_get_contents(base_path("docs/examples/{$rig}.json"))));
            foreach ($job->views as $view) {
                $answer = json_decode((string) json_encode($job->answer($view['hash'])), true);
                $head = "== {$rig} {$view['id']}\n";
                $aspects['findings'] .=
                    $head .
                    self::lines(
                        $answer['findings'],
                        fn(array $f): string => "{$f['severity']} {$f['rule']} [{$f['ways']['kind']}] " .
                            implode(' ', $f['components']) .
                            ": {$f['title']}",
                    );
                $aspects['figures'] .=
                    $head .
                    implode(
                        '',
                        array_map(
                            fn(array $f): string => self::lines(
                                $f['figures'],
                                fn(array $v): string => sprintf(
                                    '%s %s: %s %.5g %s',
                                    $f['rule'],
                                    $f['components'][0] ?? '',
                                    $v['label'],
                                    $v['value'],
                                    $v['unit'],
                                ) .
                                    ($v['limit'] === null ? '' : sprintf(', limit %.5g', $v['limit'])) .
                                    ($v['assumed'] ? ', assumed' : ''),
                            ),
                            $answer['findings'],
                        ),
                    );
                $aspects['runs'] .=
                    $head .
                    self::lines(
                        $answer['runs'],
                        fn(array $r): string => sprintf(
                            '%s %s %.3g m: %s A arrive, %s allowed, %.2f A carried, %.3f V of %.2f, would do %s',
                            $r['component'],
                            $r['size'],
                            $r['lengthM'],
                            $r['arrivingA'] ?? 'any',
                            $r['limitA'] ?? 'none',
                            $r['carriedA'],
                            $r['dropV'],
                            $r['dropLimitV'],
                            $r['suits'] ?? 'nothing',
                        ),
                    );
                $aspects['weights'] .=
                    $head .
                    self::lines(
                        array_values(
                            array_map(
                                fn(Part $p): array => ['id' => $p->id, 'kg' => TypicalWeight::of($p)],
                                $job->seen($view['id'])->graph->parts,
                            ),
                        ),
                        fn(array $p): string => sprintf('%s %.1f kg', $p['id'], $p['kg']),
                    );
                $aspects['prevented'] .=
                    $head . self::lines($answer['prevented'], fn(array $p): string => "{$p['title']}: {$p['words']}");
                $aspects['live'] .=
                    $head .
                    '   ' .
                    implode(' ', array_column($answer['states'], 'letter')) .
                    "\n" .
                    self::lines(
                        $answer['table'],
                        fn(array $row): string => implode(
                            ' ',
                            array_map(
                                fn(array $c): string => match ($c['kind']) {
                                    'works' => $c['source'],
                                    'ground' => $c['source'] . '*',
                                    'live' => '!',
                                    default => '-',
                                },
                                $row['cells'],
                            ),
                        ) . "  {$row['circuit']}",
                    );
                $aspects['sizes'] .=
                    $head .
                    self::lines(
                        $answer['sizes'],
                        fn(array $s): string => sprintf(
                            '%s from %s: design %.1f A, %s, fuse %s, drop %.3f V of %.2f',
                            $s['inverter'],
                            $s['bank'],
                            $s['figures'][2]['value'],
                            $s['choices'][0]['spoken'] ?? 'no cable',
                            $s['fuse']['ratingA'] ?? 'none',
                            $s['fitted']['dropV'] ?? 0,
                            $s['fitted']['dropLimitV'] ?? 0,
                        ),
                    );
            }
        }

        return array_combine(array_map(fn(string $a): string => "{$a}.txt", array_keys($aspects)), $aspects);
    }

    /**
     * @param list<array<string, mixed>> $items
     * @param \Closure(array<string, mixed>): string $line
     */
    private static function lines(array $items, \Closure $line): string
    {
        return implode('', array_map(fn(array $item): string => $line($item) . "\n", $items));
    }
}
