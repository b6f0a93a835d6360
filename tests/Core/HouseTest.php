<?php

declare(strict_types=1);

/** @return Generator<string, list<string>> file => its lines, of what somebody writes by hand */
function written(string ...$folders): Generator
{
    $root = dirname(__DIR__, 2);
    foreach ($folders as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}")) as $file) {
            $name = substr($file->getPathname(), strlen($root) + 1);
            $isCode = in_array($file->getExtension(), ['php', 'ts', 'tsx', 'css'], true);
            if ($isCode && !str_contains($name, 'schema.d.ts') && !str_contains($name, '/cache/')) {
                yield $name => explode("\n", (string) file_get_contents($file->getPathname()));
            }
        }
    }
}

it('has lines that an editor shows whole', function (): void {
    $long = [];
    foreach (
        written('app', 'bootstrap', 'core', 'config', 'database', 'deploy', 'routes', 'tests', 'tools', 'resources/js')
        as $file => $lines
    ) {
        foreach ($lines as $n => $line) {
            if (mb_strlen($line) > 120) {
                $long[] = "{$file}:" . ($n + 1);
            }
        }
    }
    expect($long)->toBe([]);
});

it('has files of at most 400 lines', function (): void {
    $long = [];
    foreach (written('app', 'core', 'database', 'tools', 'resources/js') as $file => $lines) {
        if (count($lines) - 1 > 400 && !str_contains($file, '.test.')) {
            $long[] = $file;
        }
    }
    expect($long)->toBe([]);
});
