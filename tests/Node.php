<?php

declare(strict_types=1);

namespace Tests;

use Symfony\Component\Process\Process;

/** Programs of others that run on Node, as judges of ours. */
final class Node
{
    /**
     * What a library makes of something.
     *
     * @param string $package to import as `m`
     * @param string $each an expression of `m` and `x`, for each x of the input
     * @param list<mixed> $input
     * @return list<mixed>
     */
    public static function each(string $package, string $each, array $input): array
    {
        $node = new Process(
            [
                'node',
                '-e',
                "import('{$package}').then((m) => { let text = ''; process.stdin.on('data', (d) => (text += d))" .
                ".on('end', () => console.log(JSON.stringify(JSON.parse(text).map((x) => {$each})))); })",
            ],
            dirname(__DIR__),
            input: (string) json_encode($input, JSON_PRESERVE_ZERO_FRACTION),
        );
        $node->mustRun();

        return json_decode($node->getOutput(), true);
    }
}
