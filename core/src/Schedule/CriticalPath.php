<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

use LogicException;

/**
 * Critical path of activities with as many people as wanted and no nights, minutes from the start: the least time that
 * any schedule takes, and how much each activity may be late before the end is (critical path method).
 */
final readonly class CriticalPath
{
    /**
     * @param array<string, int> $earliest
     * @param array<string, int> $latest start at which nothing ends later
     * @param list<string> $order in which each stands behind what it waits for
     */
    private function __construct(
        public int $length,
        public array $earliest,
        public array $latest,
        public array $order,
    ) {}

    /**
     * @param array<string, Activity> $activities by id
     * @throws LogicException when they wait for each other in a circle, or for one that is not there
     */
    public static function of(array $activities): self
    {
        $order = self::order($activities);
        $earliest = [];
        $length = 0;
        foreach ($order as $id) {
            $start = 0;
            foreach ($activities[$id]->after as $before) {
                $start = (int) max($start, $earliest[$before] + $activities[$before]->lasts());
            }
            $earliest[$id] = $start;
            $length = (int) max($length, $start + $activities[$id]->lasts());
        }
        $ends = array_fill_keys($order, $length);
        $latest = [];
        foreach (array_reverse($order) as $id) {
            $latest[$id] = $ends[$id] - $activities[$id]->lasts();
            foreach ($activities[$id]->after as $before) {
                $ends[$before] = (int) min($ends[$before], $latest[$id]);
            }
        }

        return new self($length, $earliest, array_replace(array_flip($order), $latest), $order);
    }

    /**
     * @param array<string, Activity> $activities
     * @return list<string>
     */
    private static function order(array $activities): array
    {
        $waits = $next = [];
        foreach ($activities as $id => $activity) {
            $waits[$id] = count($activity->after);
            foreach ($activity->after as $before) {
                if (!isset($activities[$before])) {
                    throw new LogicException("{$id} waits for “{$before}”, which is not there.");
                }
                $next[$before][] = (string) $id;
            }
        }
        $queue = array_map(strval(...), array_keys(array_filter($waits, fn(int $n): bool => $n === 0)));
        for ($i = 0; $i < count($queue); $i++) {
            foreach ($next[$queue[$i]] ?? [] as $id) {
                if (--$waits[$id] === 0) {
                    $queue[] = $id;
                }
            }
        }
        if (count($queue) !== count($activities)) {
            throw new LogicException('Activities wait for each other in a circle.');
        }

        return $queue;
    }

    /** Minutes an activity may be late before the end is. */
    public function float(string $id): int
    {
        return $this->latest[$id] - $this->earliest[$id];
    }

    /** @return list<string> activities that may not be late at all */
    public function critical(): array
    {
        return array_values(array_filter($this->order, fn(string $id): bool => $this->float($id) === 0));
    }
}
