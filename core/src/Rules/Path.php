<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\ElementKind;
use Hollin\Core\States\Situation;

/**
 * Shortest way between two terminals through what is closed in a situation, and through loads where nothing else leads
 * on.
 */
final class Path
{
    /** What a step through a load costs beside one through metal: metal is preferred. */
    private const LOAD_COST = 40;

    /**
     * @return array{terminals: list<string>, elements: list<string>} empty when there is none
     */
    public static function between(Situation $situation, string $from, string $to): array
    {
        $graph = $situation->network->graph;
        $cost = [$from => 0];
        $came = [];
        $queue = new \SplPriorityQueue();
        $queue->insert($from, 0);
        while (!$queue->isEmpty()) {
            $at = $queue->extract();
            if ($at === $to) {
                break;
            }
            foreach (self::steps($situation, $at) as [$next, $element, $price]) {
                $total = $cost[$at] + $price;
                if ($total < ($cost[$next] ?? PHP_INT_MAX)) {
                    $cost[$next] = $total;
                    $came[$next] = [$at, $element];
                    $queue->insert($next, -$total);
                }
            }
        }
        if (!isset($cost[$to])) {
            return ['terminals' => [], 'elements' => []];
        }
        $terminals = [$to];
        $elements = [];
        for ($at = $to; $at !== $from; $at = $came[$at][0]) {
            array_unshift($elements, $came[$at][1]);
            array_unshift($terminals, $came[$at][0]);
        }

        return ['terminals' => $terminals, 'elements' => $elements];
    }

    /** @return list<array{string, string, int}> */
    private static function steps(Situation $situation, string $at): array
    {
        $graph = $situation->network->graph;
        $steps = [];
        foreach ($situation->network->neighbours()[$at] ?? [] as [$next, $id]) {
            if ($graph->elements[$id]->kind !== ElementKind::Bond && $situation->isClosed($id)) {
                $steps[] = [$next, $id, 1];
            }
        }
        foreach ($graph->circuits as $circuit => $end) {
            if ($end->hot === $at) {
                $steps[] = [$end->neutral, "{$circuit}.load", self::LOAD_COST];
            } elseif ($end->neutral === $at) {
                $steps[] = [$end->hot, "{$circuit}.load", self::LOAD_COST];
            }
        }

        return $steps;
    }
}
