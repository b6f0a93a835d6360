<?php

declare(strict_types=1);

/*
 * Which law notices what was changed in the core of this copy: php tools/notice.php KEEP FILE LINES, FILE the changed
 * one as core/src/Room/Class.php, LINES those that tell whether a rig gets there, with commas between. KEEP holds what
 * the unchanged copy in ../sound says and runs through (php -d pcov.enabled=1 -d pcov.directory=core/src
 * tools/notice.php KEEP sound PART PARTS). Prints the first law that sees a difference, or nothing; then how many rigs
 * get there and on how many of them an answer moved.
 */

require dirname(__DIR__) . '/vendor/autoload.php';

use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Ruler;
use Tests\Laws\Court;
use Tests\Laws\Edges;
use Tests\Laws\Said;
use Tests\Laws\Shown;
use Tests\Laws\Specimens;
use Tests\Laws\Spoken;
use Tests\Laws\Violation;

ini_set('memory_limit', '2G');
gc_disable();
set_error_handler(static function (int $level, string $words, string $file, int $line): bool {
    if ((error_reporting() & $level) !== 0) {
        throw new ErrorException($words, 0, $level, $file, $line);
    }

    return false;
});

/** Rigs drawn at random, two of each. */
const DRAWN = 8;

/** Share of the pairs of a rig that are held. */
const SHARE = 0.2;

/** Most parts of a rig. */
const MOST = 40;

/** Rigs of those that get there whose answers are compared: the quickest, and as many of the others from all over. */
const COMPARED = 40;

/** Rigs that are held against each law. */
const HELD = 10;

/** Seconds of the processor, what else runs beside it not counted, that one change is looked at. */
const PATIENCE = 30.0;

const LAWS = ['verdict', 'physics', 'runs', 'meter', 'sizes', 'prices', 'back', 'beside', 'worse', 'days'];

/** Seconds of the processor that this process has had; look-ups in the other copy are processes of their own. */
function spent(): float
{
    $of = getrusage() ?: [];

    return $of['ru_utime.tv_sec'] + $of['ru_stime.tv_sec'] + ($of['ru_utime.tv_usec'] + $of['ru_stime.tv_usec']) / 1e6;
}

/** @return list<\Tests\Laws\Specimen> */
function views(string $name): array
{
    return array_values(
        array_filter(iterator_to_array(Specimens::named(DRAWN)[$name]()), fn($rig): bool => count($rig->parts) <= MOST),
    );
}

/** @return list<string> what a law breaks on a named rig, its views one after the other */
function broken(string $name, string $law): array
{
    $court = new Court(['throws', $law]);
    foreach (views($name) as $rig) {
        $court->try($rig, SHARE, false);
    }
    $names = array_unique(array_map(fn(Violation $v): string => $v->name(), $court->broken()));
    sort($names);

    return $names;
}

/** Digest of everything that is said of it. */
function answered(string $name): string
{
    $all = [];
    foreach (views($name) as $rig) {
        $said = Said::of($rig->document, $rig->view);
        $carried = new Carried($said->rig);
        $all[] = [$said->answer(), Ruler::of($said->rig, $carried), RatedParts::of($said->rig, $carried)];
    }

    return hash('xxh128', (string) json_encode($all, JSON_PARTIAL_OUTPUT_ON_ERROR));
}

/** @return array<string, list<int>> file => lines of the core that were run */
function ran(): array
{
    $root = dirname(__DIR__) . '/';
    $lines = [];
    foreach (\pcov\collect(\pcov\all) as $file => $counts) {
        $at = substr($file, strlen($root));
        if (preg_match('#^core/src/(Rules|Sizing|Solve)/#', $at)) {
            $lines[$at] = array_keys(array_filter($counts, fn(int $n): bool => $n > 0));
        }
    }

    return $lines;
}

/** @return list<string> what the unchanged copy beside this one breaks of a law, looked up once */
function sound(string $keep, string $name, string $law): array
{
    $kept = "{$keep}/" . hash('xxh32', $name) . ".{$law}";
    if (!is_file($kept)) {
        $command = array_map(escapeshellarg(...), ['tools/notice.php', $keep, 'broken', $name, $law, $kept]);
        exec('cd ../sound && php -d pcov.enabled=0 ' . implode(' ', $command), $_, $failed);
        if ($failed !== 0) {
            // No law noticed anything: whoever asked has to stop.
            fwrite(STDERR, "the unchanged copy cannot say what {$law} breaks on {$name}\n");
            exit(3);
        }
    }

    return json_decode((string) file_get_contents($kept), true, 8, JSON_THROW_ON_ERROR);
}

[, $keep, $file] = $argv;
if ($file === 'broken') {
    [, , , $name, $law, $kept] = $argv;
    file_put_contents("{$kept}.{$law}" . getmypid(), json_encode(broken($name, $law), JSON_THROW_ON_ERROR));
    rename("{$kept}.{$law}" . getmypid(), $kept);
    exit(0);
}
if ($file === 'sound') {
    [, , , $part, $parts] = $argv;
    foreach (array_keys(Specimens::named(DRAWN)) as $n => $name) {
        $kept = "{$keep}/" . hash('xxh32', $name) . '.json';
        if ($n % (int) $parts === (int) $part && !is_file($kept) && views($name) !== []) {
            $since = spent();
            \pcov\clear();
            \pcov\start();
            $digest = answered($name);
            $seconds = spent() - $since;
            foreach (['verdict', 'physics', 'runs', 'meter', 'sizes'] as $law) {
                broken($name, $law);
            }
            \pcov\stop();
            $of = ['name' => $name, 'seconds' => $seconds, 'digest' => $digest, 'lines' => ran()];
            file_put_contents($kept, json_encode($of, JSON_THROW_ON_ERROR));
        }
    }
    exit(0);
}

// Of its own work, without what it waits for: a change may make it run for ever.
set_time_limit(120);
$since = spent();
$class = 'Hollin\\Core\\' . strtr(substr($file, strlen('core/src/'), -4), '/', '\\');
$rigs = [];
foreach (glob("{$keep}/*.json") ?: [] as $kept) {
    $of = json_decode((string) file_get_contents($kept), true, 512, JSON_THROW_ON_ERROR);
    if (array_intersect(explode(',', $argv[3]), $of['lines'][$file] ?? []) !== []) {
        $rigs[$of['name']] = [$of['seconds'], $of];
    }
}
asort($rigs);
$rigs = array_map(fn(array $of): array => $of[1], $rigs);
$moved = [];
$tell = function (string $law) use (&$moved, $rigs): never {
    printf("%s\n%d rigs get there, %d of them answered differently\n", $law, count($rigs), count($moved));
    exit(0);
};
try {
    // What a rule says of itself first, then of others for a while: on its samples, on rigs that show it, at its edges.
    $rules = [];
    foreach (RuleBook::rules() as $rule) {
        $rules[$rule::definition()->id] = $rule;
    }
    $look = function (string $law, string $of, bool $gets, int $share, Closure $holds) use (
        $rules,
        $class,
        $since,
        $tell,
    ) {
        $own = ($rules[$of] ?? null) instanceof $class;
        if (($own || $gets) && spent() - $since < ($own ? PATIENCE : PATIENCE / $share) && !$holds()) {
            $tell($law);
        }
    };
    foreach ($rules as $of => $rule) {
        foreach ($rule::definition()->samples as $sample) {
            $says = fn(): bool => Spoken::of($of, $sample) === Spoken::expected($of, $sample);
            $look('samples of the rules', $of, isset($rigs["{$of}: {$sample->title}"]), 5, $says);
        }
    }
    foreach (Shown::read() as $name => $said) {
        [$of, $title] = explode(' | ', $name);
        $shows = fn(): bool => Shown::of($name) === $said;
        $look('samples of the rules', $of, isset($rigs[explode(' [', $title)[0]]), 2, $shows);
    }
    foreach (Edges::lines() as $line) {
        [$of, $title] = explode(' | ', $line);
        $gets = isset($rigs["{$of}: {$title}"]) && crc32($line) % 8 === 0;
        $look('edges', $of, $gets, 2, fn(): bool => Edges::holds($line));
    }
    $others = array_slice($rigs, COMPARED);
    $every = max(1, intdiv(count($others), COMPARED));
    $others = array_filter($others, fn(string $n): bool => crc32($n) % $every === 0, ARRAY_FILTER_USE_KEY);
    foreach (array_slice($rigs, 0, COMPARED) + $others as $name => $of) {
        if (spent() - $since < PATIENCE / 2) {
            answered($name) === $of['digest'] ? null : ($moved[$name] = $of);
        }
    }
    foreach (LAWS as $law) {
        foreach (
            array_slice($moved === [] ? $rigs : $moved, 0, $moved === [] ? intdiv(HELD, 2) : HELD)
            as $name => $_
        ) {
            if (spent() - $since < PATIENCE && broken($name, $law) !== sound($keep, $name, $law)) {
                $tell($law);
            }
        }
    }
} catch (Throwable $e) {
    $tell('throws');
}
$tell('');
