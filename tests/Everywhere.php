<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Rules\Examination;

/** Every rig there is to try a law on: the examples of the documentation, known rigs, rigs drawn at random. */
final class Everywhere
{
    /** @return array<string, string> name => job file */
    public static function files(string ...$folders): array
    {
        $found = [];
        foreach ($folders ?: ['docs/examples', 'tests/rigs'] as $folder) {
            foreach (glob(dirname(__DIR__) . "/{$folder}/*.json") ?: [] as $file) {
                $found[basename($file, '.json')] = $file;
            }
        }

        return $found;
    }

    /** @return array<string, Examination> view => rig, of a job file */
    public static function views(string $file): array
    {
        $job = new JobAnswers(JobFile::read((string) file_get_contents($file)));
        $rigs = [];
        foreach ($job->views as $view) {
            $rigs[$view['id']] = $job->rig($view['id']) ?? throw new \LogicException('the view is there');
        }

        return $rigs;
    }

    /**
     * Every job file's rigs, and as many drawn ones.
     *
     * @return \Generator<string, Examination>
     */
    public static function rigs(int $drawn): \Generator
    {
        foreach (self::files() as $name => $file) {
            foreach (self::views($file) as $view => $rig) {
                yield "{$name}, {$view}" => $rig;
            }
        }
        for ($seed = 1; $seed <= $drawn; $seed++) {
            yield "drawn {$seed}" => Drawn::rig(Drawn::components($seed));
        }
    }
}
