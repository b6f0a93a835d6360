<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use LogicException;

/**
 * The steps of a plan and which must come before which, with the reason. Any order that keeps the links is right; the
 * one given keeps the trade's habit wherever the links leave a choice.
 */
final readonly class Work
{
    /** @var array<string, Step> in working order */
    public array $steps;

    /**
     * @param list<Step> $steps
     * @param list<Link> $links
     */
    public function __construct(array $steps, public array $links)
    {
        $this->steps = self::ordered(array_column($steps, null, 'id'), $links);
    }

    /**
     * Topological order; of those that may come next, the one the trade does first.
     *
     * @param array<string, Step> $steps
     * @param list<Link> $links
     * @return array<string, Step>
     * @throws LogicException when the links go in a circle
     */
    private static function ordered(array $steps, array $links): array
    {
        $after = $waits = [];
        foreach ($links as $link) {
            $after[$link->before][$link->after] = true;
            $waits[$link->after][$link->before] = true;
        }
        $index = array_flip(array_keys($steps));
        $key = fn(Step $s): array => [$s->kind->isLater() ? 1 : 0, $s->kind->place(), $s->rank, $index[$s->id]];
        $open = array_filter($steps, fn(Step $s): bool => !isset($waits[$s->id]));
        $done = [];
        while ($open !== []) {
            uasort($open, fn(Step $a, Step $b): int => $key($a) <=> $key($b));
            $next = reset($open);
            unset($open[$next->id]);
            $done[$next->id] = $next;
            foreach (array_keys($after[$next->id] ?? []) as $id) {
                unset($waits[$id][$next->id]);
                if ($waits[$id] === []) {
                    $open[$id] = $steps[$id];
                }
            }
        }
        if (count($done) !== count($steps)) {
            throw new LogicException(
                'Steps wait for each other in a circle: ' . implode(', ', array_keys(array_diff_key($steps, $done))),
            );
        }

        return $done;
    }

    /** @return list<string> what a step waits for, and every gate that anything before it waits for */
    public function before(string $step): array
    {
        $waits = $this->waits();
        $found = array_map(fn(Link $l): string => $l->before, $waits[$step] ?? []);
        $queue = $found;
        $seen = array_flip($found);
        for ($i = 0; $i < count($queue); $i++) {
            foreach ($waits[$queue[$i]] ?? [] as $link) {
                if (!isset($seen[$link->before])) {
                    $seen[$link->before] = true;
                    $queue[] = $link->before;
                    if ($this->steps[$link->before]->kind->isGate()) {
                        $found[] = $link->before;
                    }
                }
            }
        }

        return $found;
    }

    /** @return array<string, list<Link>> step => what it waits for */
    public function waits(): array
    {
        $waits = [];
        foreach ($this->links as $link) {
            $waits[$link->after][] = $link;
        }

        return $waits;
    }
}
