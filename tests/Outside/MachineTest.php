<?php

declare(strict_types=1);

/*
 * The commands a person runs, as a shell runs them. Nothing is installed or started here.
 */

/** @return array{int, string} exit code and what was said */
function shell(string $script): array
{
    $root = dirname(__DIR__, 2);
    $process = proc_open(
        ['bash', '-c', "ROOT={$root}; cd \$ROOT; {$script}"],
        [1 => ['pipe', 'w'], 2 => ['pipe', 'w']],
        $pipes,
    );
    assert(is_resource($process));
    $said = stream_get_contents($pipes[1]) . stream_get_contents($pipes[2]);

    return [proc_close($process), $said];
}

describe('what a machine needs', function (): void {
    it('finds the first free port at or above the one asked for', function (): void {
        $taken = stream_socket_server('tcp://127.0.0.1:0');
        assert(is_resource($taken));
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($taken, false), ':'), 1);
        [$code, $said] = shell(". deploy/machine.sh; free_port {$port}");
        expect($code)
            ->toBe(0)
            ->and((int) $said)
            ->toBeGreaterThan($port)
            ->toBeLessThan($port + 200);
        fclose($taken);
        [, $said] = shell(". deploy/machine.sh; free_port {$port}");
        expect((int) $said)->toBe($port);
    });

    it('tells a package that is missing from one that is here', function (): void {
        [, $said] = shell('. deploy/machine.sh; missing_packages bash no-such-package-of-hollin');
        expect(trim($said))->toBe('no-such-package-of-hollin');
    });

    it('stamps by content, so that nothing is installed twice', function (): void {
        [, $first] = shell('. deploy/machine.sh; stamp composer.json composer.pins');
        [, $again] = shell('. deploy/machine.sh; stamp composer.json composer.pins');
        [, $other] = shell('. deploy/machine.sh; stamp composer.json');
        expect($first)->toBe($again)->not->toBe($other);
    });

    it('keeps state apart by name', function (): void {
        [, $run] = shell('. deploy/machine.sh; state_dir run');
        [, $test] = shell('. deploy/machine.sh; state_dir test');
        expect($run)->not->toBe($test)->and(trim($run))->toEndWith('/run');
    });
});

describe('bin/start', function (): void {
    it('says how it is used', function (): void {
        [$code, $said] = shell('bin/start --help');
        expect($code)
            ->toBe(0)
            ->and($said)
            ->toContain('--host')
            ->toContain('--port')
            ->toContain('--no-demo')
            ->toContain('--fresh');
    });

    it('refuses what it does not know, before it does anything', function (string $options, string $wrong): void {
        [$code, $said] = shell("bin/start {$options}");
        expect($code)->toBe(1)->and($said)->toContain($wrong);
    })->with([
        ['--fast', 'unknown option --fast'],
        ['--port x', '"x" is not a port: 1 to 65535'],
        ['--port 0', 'is not a port'],
        ['--port 70000', 'is not a port'],
    ]);

    it('is sound shell, like the others', function (string $file): void {
        [$code, $said] = shell("bash -n {$file}");
        expect($code)
            ->toBe(0, $said)
            ->and(is_executable(dirname(__DIR__, 2) . "/{$file}") || str_ends_with($file, '.sh'))
            ->toBeTrue();
    })->with(['bin/start', 'bin/test', 'bin/bench', 'deploy/machine.sh', '.ci/run']);
});

describe('what is committed', function (): void {
    $files = fn(): array => array_filter(explode("\n", shell('git ls-files 2>/dev/null')[1]));

    it('pins every PHP package to one version', function (): void {
        $pins = file(dirname(__DIR__, 2) . '/composer.pins', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
        expect(count($pins))->toBeGreaterThan(100);
        foreach ($pins as $pin) {
            expect($pin)->toMatch('#^[a-z0-9_.-]+/[a-z0-9_.-]+:v?\d[\w.+-]*$#');
        }
        $names = array_map(fn(string $pin): string => explode(':', $pin)[0], $pins);
        expect(array_unique($names))->toHaveCount(count($names));
    });

    it('names no registry\'s host in the lock file', function (): void {
        expect((string) file_get_contents(dirname(__DIR__, 2) . '/package-lock.json'))->not->toContain('"resolved"');
    });

    it('holds no secret, no build and no more than twenty screenshots', function () use ($files): void {
        $list = $files();
        if ($list === []) {
            $this->markTestSkipped('not a git checkout');
        }
        foreach ($list as $file) {
            expect($file)
                ->not->toMatch('#(^|/)(\.env|auth\.json)$#')
                ->not->toStartWith('public/build/')
                ->not->toStartWith('vendor/')
                ->not->toStartWith('node_modules/');
        }
        $shots = fn(string $f): bool => str_starts_with($f, 'docs/') && str_ends_with($f, '.png');
        expect(count(array_filter($list, $shots)))->toBeLessThan(20);
    });

    it('links every screenshot from the README, and none that is missing', function (): void {
        $root = dirname(__DIR__, 2);
        preg_match_all('#docs/screenshots/[a-z-]+\.png#', (string) file_get_contents("{$root}/README.md"), $linked);
        foreach ($linked[0] as $file) {
            expect(is_file("{$root}/{$file}"))->toBeTrue($file);
        }
        expect(array_unique($linked[0]))->toHaveCount(count(glob("{$root}/docs/screenshots/*.png") ?: []));
    });
});
