<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** Ways through a network along the elements a filter lets through. */
final class Walk
{
    /** Carries direct current on purpose: no bond, no equipment ground. */
    public static function direct(Element $element): bool
    {
        return ($element->role->isDc() &&
            $element->purpose === Purpose::Carrying &&
            $element->role !== Role::SenseLead) ||
            $element->component === 'fault';
    }

    /**
     * Terminals joined with some others, each with the element it was reached by.
     *
     * @param list<string> $from
     * @param \Closure(Element): bool $through
     * @return array<string, ?string> terminal => element, null for where it began
     */
    public static function reach(Graph $graph, array $from, \Closure $through): array
    {
        $came = array_fill_keys($from, null);
        $queue = $from;
        for ($i = 0; $i < count($queue); $i++) {
            foreach ($graph->neighbours()[$queue[$i]] ?? [] as [$next, $id]) {
                if (!array_key_exists($next, $came) && $through($graph->elements[$id])) {
                    $came[$next] = $id;
                    $queue[] = $next;
                }
            }
        }

        return $came;
    }

    /**
     * Elements on a shortest way, first one first; null when there is none.
     *
     * @param \Closure(Element): bool $through
     * @return ?list<string>
     */
    public static function way(Graph $graph, string $from, string $to, \Closure $through): ?array
    {
        $came = self::reach($graph, [$from], $through);
        if (!array_key_exists($to, $came)) {
            return null;
        }
        $elements = [];
        for ($at = $to; $came[$at] !== null; $at = $graph->elements[$came[$at]]->other($at)) {
            array_unshift($elements, $came[$at]);
        }

        return $elements;
    }

    /**
     * Whether every way from some terminals to another leads through one element.
     *
     * @param list<string> $from
     * @param \Closure(Element): bool $through
     */
    public static function leadsThrough(Graph $graph, array $from, string $to, string $element, \Closure $through): bool
    {
        return !array_key_exists(
            $to,
            self::reach($graph, $from, fn(Element $e): bool => $e->id !== $element && $through($e)),
        );
    }

    /**
     * Whether wires lead from a direct-current load to a pair of terminals, whatever stands open on the way: a
     * positive only by wire, a negative home over the frame too.
     *
     * @param ?\Closure(Element): bool $through what may be on the way; anything when left out
     */
    public static function feeds(Graph $graph, Load $load, string $plus, string $minus, ?\Closure $through = null): bool
    {
        $through ??= fn(Element $e): bool => true;

        return self::way($graph, $load->a, $plus, fn(Element $e): bool => $through($e) && self::direct($e)) !== null &&
            self::way(
                $graph,
                $load->b,
                $minus,
                fn(Element $e): bool => $through($e) && (self::direct($e) || $e->purpose === Purpose::Bonding),
            ) !== null;
    }

    /**
     * Least sum of something along the way to every terminal, with the element each was reached by.
     *
     * @param list<string> $from
     * @param \Closure(Element): ?float $cost null where there is no way through
     * @return array<string, array{float, ?string}>
     */
    public static function least(Graph $graph, array $from, \Closure $cost): array
    {
        $best = [];
        $queue = new \SplPriorityQueue();
        foreach ($from as $terminal) {
            $best[$terminal] = [0.0, null];
            $queue->insert($terminal, 0.0);
        }
        $done = [];
        while (!$queue->isEmpty()) {
            $at = (string) $queue->extract();
            if (isset($done[$at])) {
                continue;
            }
            $done[$at] = true;
            foreach ($graph->neighbours()[$at] ?? [] as [$next, $id]) {
                $step = $cost($graph->elements[$id]);
                if ($step !== null && $best[$at][0] + $step < ($best[$next][0] ?? INF)) {
                    $best[$next] = [$best[$at][0] + $step, $id];
                    $queue->insert($next, -$best[$next][0]);
                }
            }
        }

        return $best;
    }

    /**
     * What passes a terminal: half of all that comes and goes.
     *
     * @param array<string, float> $through element => A, or a share
     */
    public static function passing(Graph $graph, string $terminal, array $through): float
    {
        return array_sum(
            array_map(fn(array $next): float => abs($through[$next[1]] ?? 0.0), $graph->neighbours()[$terminal] ?? []),
        ) / 2;
    }

    /** Whether something that opens by itself is landed on a terminal. */
    public static function hasDeviceAt(Graph $graph, string $terminal): bool
    {
        foreach ($graph->neighbours()[$terminal] ?? [] as [, $id]) {
            if ($graph->elements[$id]->rating?->protects === true) {
                return true;
            }
        }

        return false;
    }
}
