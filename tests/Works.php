<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Build\Baseline;
use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Site;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\Work;
use stdClass;

/** Work compiled from plans, for tests. */
final class Works
{
    /** @return list<array{string, string}> every plan of the demo workshop */
    public static function plans(): array
    {
        $plans = [];
        foreach (array_keys(Rigs::DEMO) as $name) {
            foreach (array_keys(get_object_vars(Rigs::demo($name)->plans)) as $plan) {
                $plans[] = [$name, (string) $plan];
            }
        }

        return $plans;
    }

    public static function compiled(stdClass $document, string $plan = 'p'): Compiled
    {
        $was = Rigs::asFound($document);

        return Compiled::of(
            new Site(
                'whole',
                'All of it',
                $was,
                Rigs::planned($document, $plan),
                $document->place ?? new stdClass(),
                $plan,
            ),
            Baseline::of($was),
        );
    }

    public static function of(stdClass $document, string $plan = 'p'): Work
    {
        return Compiled::inARow([self::compiled($document, $plan)]);
    }

    public static function demo(string $name, string $plan): Compiled
    {
        static $made = [];

        return $made["{$name} {$plan}"] ??= self::compiled(Rigs::demo($name), $plan);
    }

    /** The first step of a kind, about a part where one is named. */
    public static function step(Work $work, Kind $kind, string $part = ''): Step
    {
        foreach ($work->steps as $step) {
            if (
                $step->kind === $kind &&
                ($part === '' || in_array($part, [...$step->components, ...$step->cables], true))
            ) {
                return $step;
            }
        }
        throw new \LogicException("no step {$kind->value} {$part}");
    }

    /**
     * Steps that wait for one, at whatever remove.
     *
     * @return array<string, true>
     */
    public static function behind(Work $work, string $id): array
    {
        $next = [];
        foreach ($work->links as $link) {
            $next[$link->before][] = $link->after;
        }
        $seen = [];
        $queue = [$id];
        while ($queue !== []) {
            foreach ($next[array_pop($queue)] ?? [] as $after) {
                if (!isset($seen[$after])) {
                    $seen[$after] = true;
                    $queue[] = $after;
                }
            }
        }

        return $seen;
    }
}
