<?php

declare(strict_types=1);

/*
 * Which law notices what was changed in the core of this copy: php tools/notice.php KEEP FILE, FILE the changed one as
 * core/src/Room/Class.php. KEEP holds what the unchanged copy broke (php tools/notice.php KEEP sound PART PARTS).
 * Prints the first law that sees a difference, or nothing.
 */

require dirname(__DIR__) . '/vendor/autoload.php';

use Hollin\Core\Rules\RuleBook;
use Tests\Laws\Court;
use Tests\Laws\Said;
use Tests\Laws\Specimens;
use Tests\Laws\Violation;

ini_set('memory_limit', '2G');
set_error_handler(static function (int $level, string $words, string $file, int $line): bool {
    if ((error_reporting() & $level) !== 0) {
        throw new ErrorException($words, 0, $level, $file, $line);
    }

    return false;
});

/** Share of the pairs of a rig that are held. */
const SHARE = 0.2;

/** Rigs that are looked at for one change. */
const RIGS = 12;

/** Most parts of a rig. */
const MOST = 36;

/** @return list<string> what laws break on a named rig, its views one after the other */
function broken(string $name, array $laws): array
{
    $court = new Court(['throws', ...$laws]);
    foreach (Specimens::named(4)[$name]() as $rig) {
        count($rig->parts) <= MOST ? $court->try($rig, SHARE, false) : null;
    }
    $names = array_unique(array_map(fn(Violation $v): string => $v->name(), $court->broken()));
    sort($names);

    return $names;
}

/** @return array<string, true> rules that speak on it */
function spoken(string $name): array
{
    $rules = [];
    foreach (Specimens::named(4)[$name]() as $rig) {
        $rules +=
            count($rig->parts) <= MOST
                ? array_column(Said::of($rig->document, $rig->view)->findings, 'rule', 'rule')
                : [];
    }

    return $rules;
}

[, $keep, $file] = $argv;
$laws = ['verdict', 'physics', 'back', 'worse', 'beside'];
if ($file === 'sound') {
    [, , , $part, $parts] = $argv;
    foreach (array_keys(Specimens::named(4)) as $n => $name) {
        if ($n % (int) $parts === (int) $part) {
            $of = ['name' => $name, 'rules' => array_keys(spoken($name)), 'broken' => []];
            foreach ($laws as $law) {
                $of['broken'][$law] = broken($name, [$law]);
            }
            file_put_contents("{$keep}/" . hash('xxh32', $name) . '.json', json_encode($of, JSON_THROW_ON_ERROR));
        }
    }
    exit(0);
}

$class = 'Hollin\\Core\\' . strtr(substr($file, strlen('core/src/'), -4), '/', '\\');
$rule = null;
foreach (RuleBook::rules() as $each) {
    $rule = $each instanceof $class ? $each : $rule;
}
try {
    // What a rule says of itself first: its samples.
    $samples = [];
    foreach ($rule === null ? RuleBook::rules() : [$rule] as $each) {
        foreach ($each::definition()->samples as $n => $sample) {
            if ($rule !== null || $n === 0) {
                $samples[] = [$each::definition()->id, $sample];
            }
        }
    }
    foreach ($samples as [$id, $sample]) {
        foreach (Specimens::views($id, $sample->document(), true) as $rig) {
            $planned = array_filter($sample->edits, fn(array $edit): bool => isset($edit['plan'])) !== [];
            $said = Said::of($rig->document, $planned ? $rig->view : 'as_found');
            if (isset($said->byRule()[$id]) !== $sample->found) {
                exit("samples of the rules\n");
            }
        }
    }
    $rigs = [];
    foreach (glob("{$keep}/*.json") ?: [] as $kept) {
        $of = json_decode((string) file_get_contents($kept), true, 512, JSON_THROW_ON_ERROR);
        // Those on which the rule speaks; of what is no rule any, the same each time.
        $rigs[] = [
            $rule === null || in_array($rule::definition()->id, $of['rules'], true) ? 0 : 1,
            crc32($of['name']),
            $of,
        ];
    }
    sort($rigs);
    foreach ($laws as $law) {
        foreach (array_slice($rigs, 0, RIGS) as [, , $of]) {
            if (broken($of['name'], [$law]) !== $of['broken'][$law]) {
                exit("{$law}\n");
            }
        }
    }
} catch (Throwable $e) {
    exit("throws\n");
}
