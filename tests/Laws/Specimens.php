<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Rules\RuleBook;
use stdClass;
use Tests\Drawn;
use Tests\Everywhere;
use Tests\Rigs;

/**
 * Every rig there is: the documentation's examples with each stage of each plan (the demo workshop's among them),
 * rigs whose answers are known, the samples of every rule, rigs drawn at random.
 */
final class Specimens
{
    /** @return \Generator<string, Specimen> */
    public static function all(int $drawn): \Generator
    {
        foreach (self::named($drawn) as $make) {
            yield from $make();
        }
    }

    /**
     * Every rig by name, each made when it is asked for.
     *
     * @return array<string, \Closure(): \Generator<string, Specimen>>
     */
    public static function named(int $drawn, bool $samples = true): array
    {
        $named = self::written() + ($samples ? self::samples() : []);
        for ($seed = 1; $seed <= $drawn; $seed++) {
            $named += self::drawn($seed);
        }

        return $named;
    }

    /** @return array<string, \Closure(): \Generator<string, Specimen>> what stands in files */
    public static function written(): array
    {
        return array_map(
            fn(string $file): \Closure => fn(): \Generator => self::views(
                basename($file, '.json'),
                JobFile::read((string) file_get_contents($file)),
            ),
            Everywhere::files('docs/examples', 'tests/rigs', 'tests/rigs/known'),
        );
    }

    /** @return array<string, \Closure(): \Generator<string, Specimen>> the samples of every rule, their last views */
    public static function samples(): array
    {
        $named = [];
        foreach (RuleBook::rules() as $rule) {
            $definition = $rule::definition();
            foreach ($definition->samples as $sample) {
                $name = "{$definition->id}: {$sample->title}";
                $named[$name] = fn(): \Generator => self::views($name, $sample->document(), true);
            }
        }

        return $named;
    }

    /**
     * A trailer with any arrangement, and one with an odd battery side.
     *
     * @return array<string, \Closure(): \Generator<string, Specimen>>
     */
    public static function drawn(int $seed): array
    {
        return [
            "varied {$seed}" => fn(): \Generator => self::views("varied {$seed}", Rigs::varied($seed), true),
            "drawn {$seed}" => function () use ($seed): \Generator {
                $document = JobFile::blank("Drawn {$seed}");
                $document->asFound->components = Rigs::object(Drawn::components($seed));
                yield from self::views("drawn {$seed}", $document);
            },
        ];
    }

    /** @return \Generator<string, Specimen> */
    public static function views(string $name, stdClass $document, bool $lastOnly = false): \Generator
    {
        $views = (new JobAnswers($document))->views;
        foreach ($lastOnly ? array_slice($views, -1) : $views as $view) {
            $components = $document->asFound->components;
            foreach ($view['plan'] === null ? [] : Planned::stages($document, $view['plan']) as $stage) {
                $components = $stage->id === $view['stage'] ? $stage->components : $components;
            }
            $specimen = new Specimen(
                $name,
                $document,
                $view['id'],
                array_map(
                    fn(stdClass $c): array => json_decode((string) json_encode($c), true),
                    get_object_vars($components),
                ),
                $view['plan'],
                $view['stage'],
            );
            yield $specimen->title() => $specimen;
        }
    }
}
