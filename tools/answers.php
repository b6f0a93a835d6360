<?php

declare(strict_types=1);

/*
 * Prints what the core in a given tree answers for job files, a line a fact, to be compared between two
 * trees: php tools/answers.php TREE FILE…
 */

[$tree, $files] = [rtrim($argv[1], '/'), array_slice($argv, 2)];
require dirname(__DIR__) . '/vendor/autoload.php';
spl_autoload_register(function (string $class) use ($tree): void {
    if (str_starts_with($class, 'Hollin\\Core\\')) {
        $file = "{$tree}/core/src/" . str_replace('\\', '/', substr($class, 12)) . '.php';
        if (is_file($file)) {
            require $file;
        }
    }
}, prepend: true);

foreach ($files as $file) {
    $name = basename($file, '.json');
    try {
        $job = new Hollin\Core\Answers\JobAnswers(
            Hollin\Core\Document\JobFile::read((string) file_get_contents($file)),
        );
        foreach ($job->views as $view) {
            $answer = json_decode((string) json_encode($job->answer($view['hash'])), true);
            $at = "{$name} {$view['id']}";
            $lines = [];
            foreach ($answer['findings'] as $f) {
                $lines[] =
                    "{$at} finding {$f['rule']} {$f['severity']} {$f['ways']['kind']} " .
                    implode('+', $f['components']);
            }
            foreach ($answer['table'] as $row) {
                $lines[] =
                    "{$at} live {$row['circuit']} " .
                    implode(
                        ' ',
                        array_map(
                            fn(string $s, array $c): string => "{$s}={$c['kind']}" .
                                ($c['source'] === null ? '' : ":{$c['source']}"),
                            array_keys($row['cells']),
                            $row['cells'],
                        ),
                    );
            }
            foreach ($answer['prevented'] as $p) {
                $lines[] = "{$at} prevented " . json_encode($p, JSON_UNESCAPED_UNICODE);
            }
            foreach ($answer['sizes'] as $s) {
                $lines[] = sprintf(
                    '%s size %s design %.1f cable %s fuse %s drop %.3f',
                    $at,
                    $s['inverter'],
                    $s['figures'][2]['value'],
                    $s['choices'][0]['size'] ?? '-',
                    $s['fuse']['ratingA'] ?? '-',
                    $s['fitted']['dropV'] ?? 0,
                );
            }
            foreach ($answer['amps'] as $state => $scenarios) {
                foreach ($scenarios as $scenario => $amps) {
                    ksort($amps);
                    foreach ($amps as $element => $a) {
                        $lines[] = sprintf('%s amps %s %s %s %.1f', $at, $state, $scenario, $element, $a);
                    }
                }
            }
            sort($lines);
            echo implode("\n", $lines), "\n";
        }
    } catch (Throwable $e) {
        echo "{$name} refused ", strtok($e->getMessage(), "\n"), "\n";
    }
}
