<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;

/**
 * What must be opened, locked and proven before hands touch a part of a rig, computed from its wiring. A source counts
 * as near when any way leads from it to the part, whatever stands open on it now and whatever converts it; it is cut
 * where it can be opened first, seen from the source: by a plug, a switch, a breaker, then by a fuse, at last by its
 * lead. Off, standby and search mode open nothing.
 */
final readonly class Isolation
{
    /**
     * @param list<Opening> $openings
     * @param list<string> $stays parts that stay live in spite of it, in words
     * @param list<string> $away sources that no way leads from
     * @param list<string> $charged parts that hold a charge after it
     * @param array<string, string> $running component => label of units that make alternating current near by: they
     *     are switched off first
     */
    private function __construct(
        public array $openings,
        public array $stays,
        public array $away,
        public array $charged,
        public array $running,
    ) {}

    /** @param list<string> $touched terminals that hands come near */
    public static function of(Graph $graph, array $touched): self
    {
        $near = array_fill_keys($touched, true);
        $openings = $stays = $away = [];
        foreach (Ways::primaries($graph) as [$id, $component, $from]) {
            $label = $graph->label($component);
            $found = self::cut($graph, $id, $component, $from, $near);
            if ($found === []) {
                $away[$label] = true;
                continue;
            }
            foreach ($found as $opening) {
                $openings[$opening->id] = $opening->alsoOf($openings[$opening->id] ?? null);
            }
            $stays[self::left($graph, $component, $found[0])] = true;
        }

        foreach (array_keys($graph->towed) as $plug) {
            $component = $graph->devices[$plug]->component;
            $own = array_flip(array_map(strval(...), array_keys($graph->elementsOf($component))));
            $beyond = Ways::reached($graph, ["{$component}.pos"], fn(Element $e): bool => isset($own[$e->id]));
            if (array_intersect_key($beyond['seen'], $near) !== []) {
                $opening = Openings::unhitched($graph, $component, $plug);
                $openings[$opening->id] = $opening->alsoOf($openings[$opening->id] ?? null);
            }
        }
        $running = [];
        foreach ($graph->converters as $converter) {
            $makes = in_array($converter->kind, [PowerConverter::INVERTER, PowerConverter::ASSIST], true);
            if ($makes && self::isBeside($graph, array_flip([...$converter->input, ...$converter->output]), $near)) {
                $running[$converter->component] = $graph->label($converter->component);
            }
        }
        // What feeds a bus is opened before the battery that holds it.
        uasort($openings, fn(Opening $a, Opening $b): int => $a->place() <=> $b->place());

        return new self(
            array_values($openings),
            array_map(strval(...), array_keys(array_diff_key($stays, ['' => true]))),
            array_map(strval(...), array_keys($away)),
            self::charged($graph, $near),
            $running,
        );
    }

    /**
     * @param list<string> $from
     * @param array<string, true> $near
     * @return list<Opening> empty where no way leads from it to the part
     */
    private static function cut(Graph $graph, string $id, string $component, array $from, array $near): array
    {
        $all = Ways::reached($graph, $from, fn(Element $e): bool => false);
        if (array_intersect_key($all['seen'], $near) === []) {
            return [];
        }
        $run = Openings::atSource($graph, $component);
        if ($run !== null) {
            return [$run];
        }
        foreach (
            [
                // The breaker of a set that is carried away opens nothing: its plug does.
                fn(Element $e): bool => self::opensByHand($graph, $e) &&
                    $graph->devices[(string) $e->device]->component !== $component,
                fn(Element $e): bool => self::opensByHand($graph, $e) || self::protects($e),
            ]
            as $stops
        ) {
            $reach = Ways::reached($graph, $from, $stops);
            if (array_intersect_key($reach['seen'], $near) !== []) {
                continue;
            }
            $openings = [];
            foreach ($reach['stopped'] as $elementId => $beyond) {
                $element = $graph->elements[$elementId];
                $on = Ways::reached($graph, [$beyond], fn(Element $e): bool => isset($reach['stopped'][$e->id]));
                if (array_intersect_key($on['seen'], $near) !== []) {
                    $opening = Openings::of($graph, $component, $element);
                    $openings[$opening->id] ??= $opening;
                }
            }

            return array_values($openings);
        }

        return [Openings::lead($graph, $id, $component)];
    }

    private static function opensByHand(Graph $graph, Element $element): bool
    {
        $device = $graph->devices[(string) $element->device] ?? null;
        if ($device === null || $device->isAutomatic()) {
            return false;
        }
        $off = array_intersect(['out', 'off'], $device->positionNames());
        $inAny = array_diff($off, $element->closedIn) !== [];

        return $inAny && in_array($device->job, ['plug', 'breaker', 'disconnect'], true);
    }

    private static function protects(Element $element): bool
    {
        return $element->role->isDc() && $element->rating?->protects === true && $element->device === null;
    }

    /** What stays live before an opening, in words. */
    private static function left(Graph $graph, string $component, Opening $opening): string
    {
        $battery = array_filter($graph->batteries, fn(Battery $b): bool => $b->component === $component);

        return match (true) {
            $battery !== [] => sprintf(
                'Posts of %s%s: live for ever, cover them',
                $graph->label($component),
                in_array($opening->how, ['disconnect', 'fuse'], true)
                    ? " and all up to {$graph->label($opening->component)}"
                    : '',
            ),
            $opening->how === 'cover' => 'Leads of the panels up to where they are opened, whenever there is light',
            default => '',
        };
    }

    /**
     * @param array<string, true> $near
     * @return list<string> parts that hold a charge for minutes
     */
    private static function charged(Graph $graph, array $near): array
    {
        $found = [];
        foreach (
            $graph->partsOf('inverter', 'inverter_charger', 'solar_charger', 'dcdc_charger', 'converter')
            as $part
        ) {
            foreach ($graph->converters as $converter) {
                $ends = array_flip([...$converter->input, ...$converter->output]);
                if ($converter->component === $part->id && self::isBeside($graph, $ends, $near)) {
                    $found[$part->id] = $part->label;
                }
            }
        }

        return array_values($found);
    }

    /**
     * @param array<string, int> $ends
     * @param array<string, true> $near
     */
    private static function isBeside(Graph $graph, array $ends, array $near): bool
    {
        $reach = Ways::reached($graph, array_map(strval(...), array_keys($ends)), fn(Element $e): bool => false);

        return array_intersect_key($reach['seen'], $near) !== [];
    }
}
