<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\Walk;

/** Where what is dangerous can get to, whatever stands open now: over every contact, and through what converts it. */
final class Ways
{
    /** @return list<array{string, string, list<string>}> id, component and hot terminals of what feeds by itself */
    public static function primaries(Graph $graph): array
    {
        $made = [];
        foreach ($graph->converters as $converter) {
            if ($converter->kind !== PowerConverter::FIELD) {
                $made[$converter->component] = true;
            }
        }
        $found = [];
        foreach ($graph->sources as $id => $source) {
            if ($source->forming && in_array($source->kind, ['ac', 'dc'], true) && !isset($made[$source->component])) {
                $found[] = [(string) $id, $source->component, self::hotEnds($source)];
            }
        }
        $fields = [];
        foreach ($graph->converters as $converter) {
            if ($converter->kind === PowerConverter::FIELD && !isset($fields[$converter->component])) {
                $fields[$converter->component] = true;
                $found[] = [$converter->component, $converter->component, [$converter->output[0]]];
            }
        }

        return $found;
    }

    /** @return list<string> both poles of alternating current; of direct current the one that is not common */
    private static function hotEnds(Source $source): array
    {
        return $source->kind === 'ac' ? [$source->a, $source->b] : [$source->a];
    }

    /**
     * @param list<string> $from
     * @param \Closure(Element): bool $stops where the way is cut
     * @return array{seen: array<string, true>, stopped: array<string, string>} terminals reached; cut element => its
     *      far terminal
     */
    public static function reached(Graph $graph, array $from, \Closure $stops): array
    {
        $seen = array_fill_keys($from, true);
        $stopped = [];
        $queue = $from;
        while ($queue !== []) {
            $at = array_pop($queue);
            $next = self::converted($graph, $at);
            foreach ($graph->neighbours()[$at] ?? [] as [$other, $id]) {
                $element = $graph->elements[$id];
                if (!self::energises($element)) {
                    continue;
                }
                if ($stops($element)) {
                    $stopped[$id] ??= $other;
                } else {
                    $next[] = $other;
                }
            }
            foreach ($next as $other) {
                if (!isset($seen[$other])) {
                    $seen[$other] = true;
                    $queue[] = $other;
                }
            }
        }

        return ['seen' => $seen, 'stopped' => $stopped];
    }

    /** Carries what is dangerous: no ground, no bond, no common negative. */
    private static function energises(Element $element): bool
    {
        return $element->purpose === Purpose::Carrying &&
            !in_array($element->role, [Role::PE, Role::DcNegative, Role::SenseLead], true);
    }

    /** @return list<string> where what comes in at a terminal comes out, converted */
    private static function converted(Graph $graph, string $terminal): array
    {
        $out = [];
        foreach ($graph->converters as $converter) {
            if ($converter->kind !== PowerConverter::FIELD && in_array($terminal, $converter->input, true)) {
                $out[] = $converter->output[0];
                if (in_array($converter->kind, [PowerConverter::INVERTER, PowerConverter::ASSIST], true)) {
                    $out[] = $converter->output[1];
                }
            }
        }

        return $out;
    }

    /**
     * Terminals of a part that hang together inside it: the posts of a battery behind its management.
     *
     * @param list<string> $from
     * @return array<string, true>
     */
    public static function within(Graph $graph, string $component, array $from): array
    {
        $seen = array_fill_keys($from, true);
        do {
            $before = count($seen);
            foreach ($graph->elementsOf($component) as $element) {
                if (isset($seen[$element->a]) || isset($seen[$element->b])) {
                    $seen[$element->a] = $seen[$element->b] = true;
                }
            }
        } while (count($seen) > $before);
        unset($seen['frame'], $seen['earth']);

        return $seen;
    }

    /**
     * What can make a part of alternating current live: each supply by the plug or set it comes by, and each inverter.
     * Supplies that share one plug are never there together and count once.
     *
     * @return list<string>
     */
    public static function sourcesAt(Graph $graph, string $component): array
    {
        $own = [];
        foreach ($graph->elementsOf($component) as $element) {
            if ($element->role->isAc()) {
                $own[$element->a] = $own[$element->b] = true;
            }
        }
        $found = [];
        foreach ($graph->sources as $source) {
            if ($source->kind !== 'ac' || !$source->forming) {
                continue;
            }
            $none = null;
            if ($source->component === $component) {
                $found[$source->id] = 'its battery';
            } elseif (array_intersect_key(self::hotFrom($graph, $source->a, $none), $own) !== []) {
                $found[$source->id] = $graph->label($source->component);
            } else {
                $plugs = [];
                $reached = self::hotFrom($graph, $source->a, $plugs);
                $plug = (string) array_key_first($plugs ?? []);
                if (array_intersect_key($reached, $own) !== [] && $plug !== '') {
                    $found[$plug] = lcfirst($graph->devices[$plug]->label);
                }
            }
        }

        return array_values($found);
    }

    /**
     * Hot terminals that a winding can reach.
     *
     * @param ?array<string, true> $plugs null to stop at plugs; else filled with those that are passed
     * @return array<string, ?string>
     */
    private static function hotFrom(Graph $graph, string $from, ?array &$plugs): array
    {
        return Walk::reach($graph, [$from], function (Element $element) use ($graph, &$plugs): bool {
            if (!self::energises($element) || $element->role === Role::N) {
                return false;
            }
            $device = $graph->devices[(string) $element->device] ?? null;
            if ($device?->job === 'plug') {
                if ($plugs === null) {
                    return false;
                }
                $plugs[$device->id] = true;
            }

            return true;
        });
    }

    /**
     * Batteries and chargers that feed a terminal of direct current with a switch open.
     *
     * @return list<string>
     */
    public static function feedsBehind(Graph $graph, Element $open, string $behind): array
    {
        $seen = Walk::reach($graph, [$behind], fn(Element $e): bool => $e->id !== $open->id && self::energises($e));
        $found = [];
        foreach ($graph->batteries as $battery) {
            if (array_key_exists($battery->pos, $seen)) {
                $found[$graph->label($battery->component)] = true;
            }
        }
        foreach ($graph->converters as $converter) {
            if ($converter->charges() && array_key_exists($converter->output[0], $seen)) {
                $found[$graph->label($converter->component)] = true;
            }
        }

        return array_map(strval(...), array_keys($found));
    }
}
