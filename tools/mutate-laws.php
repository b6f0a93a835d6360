<?php

declare(strict_types=1);

/*
 * Changes rules, sizes and the solver in one place at a time, of named kinds, and asks which law notices:
 * php tools/mutate-laws.php COPY KEEP SEED HOW-MANY PART PARTS DONE. The copy is changed and put back. Prints a line a
 * mutant: the law that noticed or SURVIVED, the kind, where, what. Those that stand in DONE are not tried again.
 */

require dirname(__DIR__) . '/vendor/autoload.php';

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

const ROOMS = ['Rules', 'Sizing', 'Solve'];

/** Printed tables and known figures of others. */
const TABLES = [
    'tests/Outside/PrintedTablesTest.php',
    'tests/Outside/PublishedFiguresTest.php',
    'tests/Outside/WorkedExamplesTest.php',
    'tests/Outside/ReferenceValuesTest.php',
    'tests/Outside/TradeFactsTest.php',
];

/** A simulator. */
const SIMULATOR = ['tests/Outside/DirectGroupsTest.php', 'tests/Outside/SpiceTest.php'];

/** What goes through the states of a rig: every state and every single failure is tried beside it. */
const SEARCHES = '#/Rules/(Search|Undoing|Histories|Hazards|Distances|Judge|Ways|Coverage|FailedContacts)[.]php$#';

/**
 * Whom to ask where no law in tests/Laws notices, the quickest first: commands that end well where they see nothing.
 *
 * @return array<string, string> judge => command
 */
function judges(string $at, string $keep): array
{
    $pest = fn(string ...$tests): string => 'php -d pcov.enabled=0 vendor/bin/pest --stop-on-failure ' .
        implode(' ', $tests);
    $solver = str_contains($at, '/Solve/');

    return [
        'kept answers of the examples' => 'php -d pcov.enabled=0 artisan hollin:golden --check',
        // All of them, as all rigs below: tools/notice.php looked at those that get there, for some seconds.
        'samples of the rules' => $pest('tests/Laws/ShownTest.php', 'tests/Core/Rules/SamplesTest.php'),
        ...$solver ? ['laws of the solver' => $pest('tests/Core/Laws')] : [],
        ...preg_match(SEARCHES, $at) ? ['brute force' => $pest('tests/Core/States/GeneratedRigsTest.php')] : [],
        // Its last line counts facts, which is none.
        'second opinion' =>
            'test "$(python3 tests/Outside/second/compare.py --seed 1 --count 8 --keep ' .
            escapeshellarg("{$keep}/dis") .
            ' | head -n -1)" = "$(head -n -1 ' .
            escapeshellarg("{$keep}/second.txt") .
            ')"',
        'outside tables and figures' => $pest(...TABLES, ...$solver ? SIMULATOR : []),
        'laws over every rig' => $pest('tests/Laws/AsItIsTest.php'),
        'edges' => $pest('tests/Laws/EdgesTest.php'),
    ];
}

/** @return list<array{kind: string, file: string, line: int, lines: string, from: int, to: int, text: string}> */
function mutants(string $file): array
{
    $code = (string) file_get_contents($file);
    $tree = (new ParserFactory())->createForHostVersion()->parse($code) ?? [];
    $finder = new NodeFinder();
    $found = $skip = [];
    // Samples are judges themselves; words are no behaviour.
    foreach ($finder->findInstanceOf($tree, Node\Stmt\ClassMethod::class) as $method) {
        if (in_array($method->name->toString(), ['definition', 'source', 'label', 'words'], true)) {
            $skip[] = [$method->getStartFilePos(), $method->getEndFilePos()];
        }
    }
    $text = fn(Node $n): string => substr(
        $code,
        $n->getStartFilePos(),
        $n->getEndFilePos() - $n->getStartFilePos() + 1,
    );
    // A constant runs nowhere itself: the lines that name it, or all of them.
    $named = function (string $name) use ($code): array {
        $lines = preg_grep('/(self|static)::' . preg_quote($name, '/') . '\b/', explode("\n", $code)) ?: [];

        return array_map(fn(int $n): int => $n + 1, array_keys($lines === [] ? explode("\n", $code) : $lines));
    };
    $add = function (string $kind, Node $at, string $text, ?array $lines = null) use (&$found, $skip, $file): void {
        foreach ($skip as [$a, $b]) {
            if ($kind !== 'severity lowered' && $at->getStartFilePos() >= $a && $at->getEndFilePos() <= $b) {
                return;
            }
        }
        $found[] = [
            'kind' => $kind,
            'file' => $file,
            'line' => $at->getStartLine(),
            'lines' => implode(',', $lines ?? range($at->getStartLine(), $at->getEndLine())),
            'from' => $at->getStartFilePos(),
            'to' => $at->getEndFilePos(),
            'text' => $text,
        ];
    };
    $lower = ['Danger' => 'Warning', 'Warning' => 'Advice'];
    foreach ($finder->find($tree, fn(Node $n): bool => true) as $node) {
        if ($node instanceof Node\Stmt\If_) {
            $add('condition negated', $node->cond, "!({$text($node->cond)})");
        } elseif ($node instanceof Node\Expr\Ternary && $node->if !== null) {
            $add('condition negated', $node->cond, "!({$text($node->cond)})");
        } elseif (
            $node instanceof Node\Const_ &&
            $node->value instanceof Node\Scalar &&
            // How long is tried and how exactly is no limit of a rig.
            !preg_match(
                '/ROUNDS|STEPS|PASSES|TOLERANCE|ROUNDING|MOST_SETTINGS|MOST_WAYS|MOST_STARTS|^FLOW$|^RIG$/',
                $node->name->toString(),
            ) &&
            is_numeric($text($node->value))
        ) {
            $add('limit times 1.2', $node->value, "1.2 * {$text($node->value)}", $named($node->name->toString()));
        } elseif (
            ($node instanceof Node\Expr\BinaryOp\Greater || $node instanceof Node\Expr\BinaryOp\Smaller) &&
            !is_numeric($text($node->right)) &&
            preg_match('/limit|rating|most|least|max|A$|V$|W$/i', $text($node->right))
        ) {
            $add('limit times 1.2', $node->right, "1.2 * ({$text($node->right)})");
        } elseif (
            $node instanceof Node\Stmt\Foreach_ &&
            ($node->expr instanceof Node\Expr\PropertyFetch ||
                $node->expr instanceof Node\Expr\MethodCall ||
                $node->expr instanceof Node\Expr\BinaryOp\Coalesce)
        ) {
            $add('path cut', $node->expr, '[]');
        } elseif (
            $node instanceof Node\Expr\ClassConstFetch &&
            $node->class instanceof Node\Name &&
            $node->class->getLast() === 'Severity' &&
            $node->name instanceof Node\Identifier &&
            isset($lower[$node->name->toString()])
        ) {
            $add('severity lowered', $node, "Severity::{$lower[$node->name->toString()]}");
        } elseif (
            $node instanceof Node\Expr\BinaryOp\Mul &&
            $node->left instanceof Node\Scalar &&
            in_array($text($node->left), ['2', '2.0'], true)
        ) {
            $add('pole dropped', $node->left, '1.0');
        } elseif (
            $node instanceof Node\Expr\Array_ &&
            count($node->items) === 2 &&
            preg_match('/^\[[^\[\]]*(pos|neg|hot|neutral|Role::)[^\[\]]*\]$/i', $text($node)) &&
            !str_contains($text($node), '=>') &&
            $node->items[0] !== null
        ) {
            $add('pole dropped', $node, "[{$text($node->items[0])}]");
        }
    }

    return $found;
}

[, $copy, $keep, $seed, $many, $part, $parts, $done] = $argv;
$all = [];
foreach (ROOMS as $room) {
    $files = glob("{$copy}/core/src/{$room}/*.php") ?: [];
    sort($files);
    foreach ($files as $file) {
        array_push($all, ...mutants($file));
    }
}
// Drawn by the name of each place, so that other code moves no other draw: what was tried stays tried.
$drawn = $times = [];
foreach ($all as $mutant) {
    $name = "{$mutant['kind']} {$mutant['text']} " . substr($mutant['file'], strlen($copy));
    $times[$name] = ($times[$name] ?? 0) + 1;
    $drawn[hash('xxh32', "{$seed} {$times[$name]} {$name}")] = $mutant;
}
ksort($drawn, SORT_STRING);
$tried = implode('', array_map(file_get_contents(...), glob(dirname($done) . '/done.*') ?: []));
if ($part === '0') {
    fwrite(STDERR, sprintf("%d places, %d drawn\n", count($all), (int) $many));
}
$n = -1;
foreach (array_slice($drawn, 0, (int) $many, true) as $name => $mutant) {
    $n++;
    $at = substr($mutant['file'], strlen($copy) + 1);
    $where =
        "{$name} | {$mutant['kind']} | {$at}:{$mutant['line']} | " .
        mb_strimwidth((string) preg_replace('/\s+/', ' ', $mutant['text']), 0, 90, '…');
    if ($n % (int) $parts !== (int) $part || str_contains($tried, " | {$name} | ")) {
        continue;
    }
    $code = (string) file_get_contents($mutant['file']);
    file_put_contents(
        $mutant['file'],
        substr($code, 0, $mutant['from']) . $mutant['text'] . substr($code, $mutant['to'] + 1),
    );
    $said = [];
    exec(
        sprintf(
            'cd %s && timeout 1200 php -d pcov.enabled=0 tools/notice.php %s %s %s 2>/dev/null',
            ...array_map(escapeshellarg(...), [$copy, $keep, $at, $mutant['lines']]),
        ),
        $said,
        $code2,
    );
    if ($code2 === 3) {
        file_put_contents($mutant['file'], $code);
        fwrite(STDERR, "could not be told: {$where}\n");
        exit(1);
    }
    $late = $code2 === 124;
    // One that runs for ever, or dies, is noticed too.
    $law = $said[0] ?? 'throws';
    $reach = $said[1] ?? '';
    foreach ($law === '' && !$late ? judges($at, $keep) : [] as $judge => $command) {
        exec(
            sprintf('cd %s && timeout 900 bash -c %s >/dev/null 2>&1', escapeshellarg($copy), escapeshellarg($command)),
            $_,
            $saw,
        );
        $late = $saw === 124;
        if ($saw !== 0) {
            $law = $judge;
            break;
        }
    }
    file_put_contents($mutant['file'], $code);
    if ($late) {
        // Neither noticed nor survived: it is tried again by the next run.
        fwrite(STDERR, "ran out of time: {$where}\n");
        continue;
    }
    file_put_contents($done, ($law === '' ? 'SURVIVED' : $law) . " | {$where} | {$reach}\n", FILE_APPEND);
}
