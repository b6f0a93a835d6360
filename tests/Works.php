<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Baseline;
use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Site;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\Work;
use Hollin\Core\Job\Values;
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

    /**
     * Everything that a step asks for recorded as it should be, then done: what a careful technician writes down.
     *
     * @return list<Entry>
     */
    public static function whole(Work $work, string $id, int &$n): array
    {
        $step = $work->steps[$id];
        $lines = [];
        foreach ($step->asks as $ask) {
            if (!$ask->required || $ask->kind === 'reckoned') {
                continue;
            }
            if ($ask->kind === 'photo') {
                $lines[] = self::line(++$n, EntryKind::Photo, $id, [
                    'sha256' => str_repeat('a', 64),
                    'ask' => $ask->id,
                ]);
                continue;
            }
            $lines[] = self::line(++$n, EntryKind::Value, $id, ['ask' => $ask->id] + self::right($ask));
        }
        $lines[] = self::line(++$n, EntryKind::Done, $id, ['mark' => $step->mark()]);

        return $lines;
    }

    /** @return array<string, mixed> a value as it should be */
    public static function right(Ask $ask): array
    {
        return match ($ask->kind) {
            'tick' => ['tick' => true],
            'number' => [
                'number' =>
                    ($ask->low ?? ($ask->high ?? 1.0)) +
                    ($ask->low !== null && $ask->high !== null ? ($ask->high - $ask->low) / 2 : 0),
            ],
            default => ['words' => $ask->expected === '' ? 'as it says' : $ask->expected],
        };
    }

    /**
     * All steps before one, done as they should be.
     *
     * @return list<Entry>
     */
    public static function upTo(Work $work, string $step, int &$n): array
    {
        $lines = [];
        foreach (array_keys($work->steps) as $id) {
            if ($id === $step) {
                break;
            }
            array_push($lines, ...self::whole($work, (string) $id, $n));
        }

        return $lines;
    }

    /** @param array<string, mixed> $says */
    public static function line(int $number, EntryKind $kind, string $step, array $says = []): Entry
    {
        return new Entry(
            "uuid-{$number}",
            $number,
            $kind,
            $step,
            new Values($says === [] ? new stdClass() : Rigs::object($says)),
            '2026-11-27T09:00:00Z',
            'Idris',
            'one',
            $number - 1,
        );
    }
}
