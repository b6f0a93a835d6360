<?php

declare(strict_types=1);

/*
 * Kills parts of a running copy of its own while somebody works on it: php tools/kills.php [HOW-MANY] [SEED].
 * bin/kills runs it.
 */

require dirname(__DIR__) . '/vendor/autoload.php';

if (($argv[1] ?? '') === 'write') {
    (new Tools\KillsWriter($argv[2], $argv[3]))->run();
}
exit((new Tools\Kills(dirname(__DIR__), (int) ($argv[1] ?? 200), (int) ($argv[2] ?? 20261126)))->run() ? 0 : 1);
