<?php

declare(strict_types=1);

use Symfony\Component\Process\Process;
use Tests\Laws\Owed;
use Tests\Seeds;

/*
 * A second program (tests/Outside/second, Python, no code in common) works out from the same job file what is joined,
 * bonded, live, protected and fed, and holds the answers of hollin:ask against it: on the known rigs, and on thirty
 * drawn ones. bin/second draws more.
 */

/** @param list<string> $more @return array{list<string>, string} what it disagrees about, and its last line */
function secondOpinion(array $more): array
{
    $keep = sys_get_temp_dir() . '/hollin-second-' . getmypid();
    $run = new Process(['python3', 'tests/Outside/second/compare.py', '--keep', $keep, ...$more], dirname(__DIR__, 2));
    $run->setTimeout(600)->run();
    $lines = preg_split('/\R/', trim($run->getOutput())) ?: [];
    $last = (string) array_pop($lines);

    return [array_values($lines), $last === '' ? $run->getErrorOutput() : $last];
}

it('agrees on what is joined, bonded, live and fed', function (array $more): void {
    [$lines, $last] = secondOpinion($more);
    expect($last)->toMatch('/^\d+ rigs, \d{3,} facts, \d+ disagreements$/');
    $names = array_map(fn(string $line): string => Owed::second($line), $lines);
    expect(array_values(array_diff($names, (new Owed())->of('second'))))->toBe([], implode("\n", $lines));
})->with([
    'drawn rigs 1' => [['--seed', '1', '--count', '30', '--parts', '3', '--part', '0']],
    'drawn rigs 2' => [['--seed', '1', '--count', '30', '--parts', '3', '--part', '1']],
    'drawn rigs 3' => [['--seed', '1', '--count', '30', '--parts', '3', '--part', '2']],
]);

it('agrees on every known rig, but for what is owed', function (): void {
    $files = [...glob('tests/rigs/*.json') ?: [], ...glob('tests/rigs/known/*.json') ?: []];
    $owes = fn(string $name): string => explode(' ', explode(' | ', $name)[1])[0];
    $owed = (new Owed())->of('second');
    // Whatever owes something, and some of the others.
    $drawn = array_filter(
        $files,
        fn(string $f): bool => in_array(basename($f), array_map($owes, $owed), true) || Seeds::draws(basename($f), 3),
    );
    [$lines] = secondOpinion(array_values($drawn));
    $names = array_values(array_unique(array_map(fn(string $line): string => Owed::second($line), $lines)));
    sort($names);
    expect($names)->toBe($owed, implode("\n", $lines));
});

it('sees an answer that is wrong', function (): void {
    $keep = sys_get_temp_dir() . '/hollin-second-' . getmypid();
    // The same program, told that nothing was found on a rig on whose pins there are volts.
    $run = new Process(
        [
            'python3',
            'tests/Outside/second/compare.py',
            '--keep',
            $keep,
            '--without',
            'live_pins',
            'tests/rigs/known/which-pins-are-safe.json',
        ],
        dirname(__DIR__, 2),
    );
    $run->setTimeout(60)->run();
    expect($run->getOutput())->toContain('missing: live_pins');
});
