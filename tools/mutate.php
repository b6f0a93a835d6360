<?php

declare(strict_types=1);

/*
 * Changes the core in one small place at a time and asks whether a test notices:
 * php tools/mutate.php WORKING-COPY SEED HOW-MANY PART PARTS [LINES]
 * LINES is what an earlier run said: only the places that survived then are tried again, found by what
 * stood there, nearest to the line.
 * The working copy is changed and put back; it must not be the tree somebody works in. Prints a line a
 * mutant: killed or survived, where, what.
 */

require dirname(__DIR__) . '/vendor/autoload.php';

use PhpParser\Node;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;

const ROOMS = ['Network', 'Solve', 'Sizing', 'States', 'Rules'];

/**
 * Tests that know a room best, asked first, and those that are asked when they notice nothing. Tests on
 * drawn rigs are left out of the first: what only they would notice counts as survived in the rules.
 */
const TESTS = [
    'Network' => [
        ['tests/Core/Network', 'tests/Core/Components', 'tests/Core/Solve', 'tests/Core/Sizing'],
        ['tests/Core/Laws', 'tests/Core/Rules/SamplesTest.php'],
    ],
    'Solve' => [
        ['tests/Core/Solve', 'tests/Outside/WorkedExamplesTest.php', 'tests/Core/Operation'],
        ['tests/Core/Laws', 'tests/Outside/SpiceTest.php'],
    ],
    'Sizing' => [
        ['tests/Core/Sizing', 'tests/Core/Network', 'tests/Outside/PublishedFiguresTest.php'],
        ['tests/Core/Rules/SamplesTest.php', 'tests/Core/Laws'],
    ],
    'States' => [['tests/Core/States', 'tests/Core/Components'], ['tests/Core/Answers', 'tests/Core/Rules']],
    'Rules' => [
        ['tests/Core/Rules/SamplesTest.php', 'tests/Core/Rules'],
        ['tests/Outside/TradeFactsTest.php', 'tests/Core/Answers/RemediesTest.php'],
    ],
];

const SWAPS = [
    Node\Expr\BinaryOp\Plus::class => '-',
    Node\Expr\BinaryOp\Minus::class => '+',
    Node\Expr\BinaryOp\Mul::class => '/',
    Node\Expr\BinaryOp\Div::class => '*',
    Node\Expr\BinaryOp\Smaller::class => '<=',
    Node\Expr\BinaryOp\SmallerOrEqual::class => '<',
    Node\Expr\BinaryOp\Greater::class => '>=',
    Node\Expr\BinaryOp\GreaterOrEqual::class => '>',
    Node\Expr\BinaryOp\Identical::class => '!==',
    Node\Expr\BinaryOp\NotIdentical::class => '===',
    Node\Expr\BinaryOp\BooleanAnd::class => '||',
    Node\Expr\BinaryOp\BooleanOr::class => '&&',
];

/** @return list<array{file: string, line: int, from: int, to: int, text: string, was: string}> */
function mutants(string $file): array
{
    $code = (string) file_get_contents($file);
    $tree = (new ParserFactory())->createForHostVersion()->parse($code) ?? [];
    $found = [];
    $skip = [];
    // What a rule says of itself, and constants with their own tests, are text and tables, not behaviour.
    foreach ((new NodeFinder())->findInstanceOf($tree, Node\Stmt\ClassMethod::class) as $method) {
        if (in_array($method->name->toString(), ['definition', 'source', 'label', 'words', 'claims'], true)) {
            $skip[] = [$method->getStartFilePos(), $method->getEndFilePos()];
        }
    }
    $add = function (Node $at, int $from, int $to, string $text) use (&$found, $skip, $code, $file): void {
        foreach ($skip as [$a, $b]) {
            if ($from >= $a && $to <= $b) {
                return;
            }
        }
        $found[] = [
            'file' => $file,
            'line' => $at->getStartLine(),
            'from' => $from,
            'to' => $to,
            'text' => $text,
            'was' => substr($code, $from, $to - $from + 1),
        ];
    };
    foreach ((new NodeFinder())->find($tree, fn(Node $n): bool => true) as $node) {
        $swap = SWAPS[$node::class] ?? null;
        if ($swap !== null && $node instanceof Node\Expr\BinaryOp) {
            $between = substr(
                $code,
                $node->left->getEndFilePos() + 1,
                $node->right->getStartFilePos() - $node->left->getEndFilePos() - 1,
            );
            $at = strpos($between, $node->getOperatorSigil());
            if ($at !== false) {
                $from = $node->left->getEndFilePos() + 1 + $at;
                $add($node, $from, $from + strlen($node->getOperatorSigil()) - 1, $swap);
            }
        } elseif ($node instanceof Node\Expr\BooleanNot) {
            $add($node, $node->getStartFilePos(), $node->getStartFilePos(), '');
        } elseif ($node instanceof Node\Stmt\If_) {
            $add(
                $node,
                $node->cond->getStartFilePos(),
                $node->cond->getEndFilePos(),
                '!(' .
                    substr(
                        $code,
                        $node->cond->getStartFilePos(),
                        $node->cond->getEndFilePos() - $node->cond->getStartFilePos() + 1,
                    ) .
                    ')',
            );
        } elseif ($node instanceof Node\Stmt\Continue_) {
            $add($node, $node->getStartFilePos(), $node->getEndFilePos(), 'break;');
        } elseif (
            $node instanceof Node\Expr\ConstFetch &&
            in_array($node->name->toLowerString(), ['true', 'false'], true)
        ) {
            $add(
                $node,
                $node->getStartFilePos(),
                $node->getEndFilePos(),
                $node->name->toLowerString() === 'true' ? 'false' : 'true',
            );
        } elseif (
            $node instanceof Node\Expr\FuncCall &&
            $node->name instanceof Node\Name &&
            in_array($node->name->toString(), ['max', 'min'], true)
        ) {
            $add(
                $node,
                $node->name->getStartFilePos(),
                $node->name->getEndFilePos(),
                $node->name->toString() === 'max' ? 'min' : 'max',
            );
        } elseif (
            $node instanceof Node\Stmt\Expression &&
            ($node->expr instanceof Node\Expr\MethodCall || $node->expr instanceof Node\Expr\StaticCall)
        ) {
            $add($node, $node->getStartFilePos(), $node->getEndFilePos(), ';');
        } elseif (
            $node instanceof Node\Stmt\Return_ &&
            $node->expr instanceof Node\Expr\Array_ &&
            $node->expr->items !== []
        ) {
            $add($node, $node->expr->getStartFilePos(), $node->expr->getEndFilePos(), '[]');
        }
    }

    return $found;
}

[$copy, $seed, $many, $part, $parts] = [
    rtrim($argv[1], '/'),
    (int) $argv[2],
    (int) $argv[3],
    (int) ($argv[4] ?? 0),
    (int) ($argv[5] ?? 1),
];
$all = [];
foreach (
    array_filter(
        ROOMS,
        fn(string $room): bool => in_array(
            $room,
            preg_split('/\s+/', (string) getenv('ROOMS'), flags: PREG_SPLIT_NO_EMPTY) ?: ROOMS,
            true,
        ),
    )
    as $room
) {
    $files = glob("{$copy}/core/src/{$room}/*.php") ?: [];
    sort($files);
    foreach ($files as $file) {
        array_push($all, ...array_map(fn(array $m): array => $m + ['room' => $room], mutants($file)));
    }
}
mt_srand($seed);
shuffle($all);
$sample = array_slice($all, 0, $many);
if (isset($argv[6])) {
    preg_match_all(
        '/^SURVIVED (\S+):(\d+)  (.*?)  =>  (.*)$/m',
        (string) file_get_contents($argv[6]),
        $lines,
        PREG_SET_ORDER,
    );
    $sample = array_values(
        array_filter(
            array_map(function (array $line) use ($all, $copy): ?array {
                $same = array_filter(
                    $all,
                    fn(array $m): bool => "{$copy}/{$line[1]}" === $m['file'] && said($m) === [$line[3], $line[4]],
                );
                usort(
                    $same,
                    fn(array $a, array $b): int => abs($a['line'] - (int) $line[2]) <=>
                        abs($b['line'] - (int) $line[2]),
                );

                return $same[0] ?? null;
            }, $lines),
        ),
    );
}
fwrite(STDERR, sprintf("%d places, %d drawn\n", count($all), count($sample)));

/**
 * What stood there and what it became, short.
 *
 * @param array<string, mixed> $mutant
 * @return list<string>
 */
function said(array $mutant): array
{
    return [
        trim((string) preg_replace('/\s+/', ' ', mb_strimwidth($mutant['was'], 0, 90, '…'))),
        mb_strimwidth($mutant['text'] === '' ? 'nothing' : $mutant['text'], 0, 60, '…'),
    ];
}

/** @param list<string> $paths */
function notices(string $copy, array $paths): bool
{
    foreach ($paths as $path) {
        exec(
            sprintf(
                'cd %s && timeout 600 php -d pcov.enabled=0 -d memory_limit=1G vendor/bin/pest %s %s ' .
                    '--stop-on-failure --colors=never >/dev/null 2>&1',
                escapeshellarg($copy),
                escapeshellarg($path),
                str_contains($path, 'Laws') ? '' : '--exclude-group=drawn',
            ),
            $_,
            $code,
        );
        if ($code === 124) {
            // Ten times what it takes: it runs for ever. Said, because a busy machine may be why.
            fwrite(STDERR, "{$path}: stopped by the clock\n");
        }
        if ($code !== 0) {
            return true;
        }
    }

    return false;
}

foreach ($sample as $n => $mutant) {
    if ($n % $parts !== $part) {
        continue;
    }
    $code = (string) file_get_contents($mutant['file']);
    file_put_contents(
        $mutant['file'],
        substr($code, 0, $mutant['from']) . $mutant['text'] . substr($code, $mutant['to'] + 1),
    );
    exec(
        sprintf('cd %s && timeout 240 php artisan hollin:golden --check >/dev/null 2>&1', escapeshellarg($copy)),
        $_,
        $golden,
    );
    $killed = $golden !== 0 || notices($copy, TESTS[$mutant['room']][0]) || notices($copy, TESTS[$mutant['room']][1]);
    file_put_contents($mutant['file'], $code);
    printf(
        "%s %s:%d  %s  =>  %s\n",
        $killed ? 'killed  ' : 'SURVIVED',
        substr($mutant['file'], strlen($copy) + 1),
        $mutant['line'],
        ...said($mutant),
    );
}
