<?php

declare(strict_types=1);

/*
 * The laws over many rigs: php tools/laws.php owed LAW PART, eases, edges RULE, or draw SEED COUNT PART PARTS STATE.
 * bin/laws calls it and puts the parts together.
 */

require dirname(__DIR__) . '/vendor/autoload.php';

use Hollin\Core\Rules\RuleBook;
use Tests\Laws\Court;
use Tests\Laws\Declared;
use Tests\Laws\Eased;
use Tests\Laws\Edges;
use Tests\Laws\Sampled;
use Tests\Laws\Specimens;
use Tests\Laws\Violation;

ini_set('memory_limit', '2G');
set_error_handler(static function (int $level, string $words, string $file, int $line): bool {
    if ((error_reporting() & $level) !== 0) {
        throw new ErrorException($words, 0, $level, $file, $line);
    }

    return false;
});

/** Most parts of a rig that is drawn long. */
const SMALL = 30;

/** @return \Generator<string, \Closure> rigs for a long draw: all that stand in files, then drawn ones without end */
function rigs(int $seed): Generator
{
    yield from Specimens::named(0);
    for ($n = 0; ; $n++) {
        yield from Specimens::drawn(1000 * $seed + $n);
    }
}

if ($argv[1] === 'owed') {
    $court = Sampled::of(strtr($argv[2], '_', ' '), (int) $argv[3]);
    echo implode("\n", array_map(fn(Violation $v): string => $v->name(), $court->broken())), "\n";
    exit(0);
}

if ($argv[1] === 'eases') {
    $declared = new Declared();
    foreach ($declared->eases() as [$rule, $step]) {
        echo Eased::find($declared, $rule, $step) ?? "never: {$rule} by {$step}", "\n";
    }
    exit(0);
}

if ($argv[1] === 'edges') {
    foreach (RuleBook::rules() as $rule) {
        foreach (
            $rule::definition()->id === $argv[2] ? Edges::find($argv[2], $rule::definition()->samples) : []
            as $line
        ) {
            echo $line, "\n";
        }
    }
    exit(0);
}

[, , $seed, $count, $part, $parts, $state] = $argv;
// What was tried before is kept rig by rig, so that a draw that was stopped goes on where it was.
$kept = is_file($state) ? json_decode((string) file_get_contents($state), true) : [];
$kept += ['rigs' => [], 'pairs' => [], 'broken' => [], 'refused' => 0, 'seconds' => 0.0];
foreach (rigs((int) $seed) as $name => $make) {
    $pairs = ($kept['pairs']['worse'] ?? 0) + ($kept['pairs']['beside'] ?? 0);
    if ($pairs >= (int) $count / (int) $parts) {
        break;
    }
    if (crc32((string) $name) % (int) $parts !== (int) $part || isset($kept['rigs'][$name])) {
        continue;
    }
    $began = hrtime(true);
    $court = new Court(seed: (string) $seed);
    foreach ($make() as $rig) {
        if (count($rig->parts) <= SMALL) {
            // Of rigs that stand in files and differ little a tenth of the pairs; of drawn ones all.
            $court->try(
                $rig,
                str_contains($name, ':') ? 0.1 : (preg_match('/^(drawn|varied) \d+/', $name) ? 1.0 : 0.2),
            );
        }
    }
    foreach (array_keys($court->tried) as $tried) {
        $law = explode(' | ', $tried)[0];
        if ($law !== 'throws') {
            $kept['pairs'][$law] = ($kept['pairs'][$law] ?? 0) + 1;
        }
    }
    foreach ($court->broken() as $v) {
        $kept['broken'][] = [
            $v->law,
            $v->rule,
            explode(':', $v->step)[0],
            $v->what,
            $v->rig,
            $v->step,
            mb_substr($v->detail, 0, 200),
        ];
    }
    $kept['refused'] += array_sum($court->refused);
    $kept['seconds'] += (hrtime(true) - $began) / 1e9;
    $kept['rigs'][$name] = true;
    file_put_contents("{$state}.new", json_encode($kept, JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR));
    rename("{$state}.new", $state);
}
