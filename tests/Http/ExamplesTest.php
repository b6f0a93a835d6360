<?php

declare(strict_types=1);

use App\Console\Commands\Golden;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Plan\Doubts;

/*
 * The example files of the documentation are rigs a new user starts from; what the program says of them
 * is kept, a small file an aspect, rewritten by hollin:golden alone.
 */

it('reads and judges every example, without a doubt about it', function (string $file): void {
    $document = JobFile::read((string) file_get_contents($file));
    expect(Doubts::of($document))->toBe([]);
    $job = new JobAnswers($document);
    foreach ($job->views as $view) {
        expect($job->answer($view['hash'])['states'])->not->toBe([]);
    }
})->with(
    fn() => array_combine(
        array_map(basename(...), glob(dirname(__DIR__, 2) . '/docs/examples/*.json') ?: []),
        array_map(fn(string $f): array => [$f], glob(dirname(__DIR__, 2) . '/docs/examples/*.json') ?: []),
    ),
);

it('says of the examples what it said before', function (string $file): void {
    expect(Golden::all()[$file])->toBe(
        (string) file_get_contents(base_path("tests/golden/{$file}")),
        "{$file}: look at the difference; php artisan hollin:golden takes it over",
    );
})->with(['findings.txt', 'figures.txt', 'live.txt', 'sizes.txt', 'runs.txt', 'prevented.txt', 'weights.txt']);
