<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Device;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;

/** How sources are opened, in the words of whoever does it: at the source, by hand on the way, at the posts. */
final class Openings
{
    /** A source that is stopped where it is: an engine, a generator that is wired in, panels in the sun. */
    public static function atSource(Graph $graph, string $component): ?Opening
    {
        $label = $graph->label($component);
        foreach ($graph->converters as $converter) {
            if ($converter->component !== $component || $converter->kind !== PowerConverter::FIELD) {
                continue;
            }
            if ($converter->device !== null) {
                return new Opening(
                    "engine_{$component}",
                    $label,
                    'engine',
                    $component,
                    'Engine off, key out',
                    'key with whoever works',
                    [$converter->device => 'off'],
                );
            }
            $breaker = self::arrayBreaker($graph, $component);

            return new Opening(
                "array_{$component}",
                $label,
                'cover',
                $component,
                $breaker === null
                    ? "{$label}: cover every panel"
                    : sprintf('Open the %g A breaker of the array', $breaker),
                $breaker === null ? 'covers tied down' : 'locked or taped; its panel side stays live in daylight',
            );
        }
        foreach ($graph->supplies as $supply) {
            $device = self::runDevice($graph, $component);
            if ($supply->component !== $component || $supply->portable || $device === null) {
                continue;
            }

            return new Opening(
                "run_{$component}",
                $label,
                'run',
                $component,
                "{$label} stopped, its breaker off",
                $device->byItself
                    ? 'it starts by itself: automatic start off, start lead lifted and taped'
                    : 'start switch tagged, its key or start lead with whoever works',
                [$device->id => array_key_first($device->positions)],
            );
        }

        return null;
    }

    private static function arrayBreaker(Graph $graph, string $component): ?float
    {
        foreach ($graph->arrays as $array) {
            if ($array->component === $component) {
                return $array->breakerA;
            }
        }

        return null;
    }

    private static function runDevice(Graph $graph, string $component): ?Device
    {
        foreach ($graph->devices as $device) {
            if ($device->component === $component && $device->job === 'run') {
                return $device;
            }
        }

        return null;
    }

    public static function of(Graph $graph, string $component, Element $element): Opening
    {
        $source = $graph->label($component);
        $device = $graph->devices[(string) $element->device] ?? null;
        if ($device === null) {
            $label = $graph->label($element->component);

            return new Opening(
                "fuse_{$element->component}",
                $source,
                'fuse',
                $element->component,
                "{$label} out, and kept by whoever works",
                'holder tagged',
                elements: [$element->id],
            );
        }
        $off = self::openPosition($device, $element);

        return new Opening(
            "{$device->job}_{$device->id}",
            $source,
            $device->job === 'plug' ? 'plug' : ($device->job === 'breaker' ? 'breaker' : 'disconnect'),
            $element->component,
            match ($device->job) {
                'plug' => "{$device->label} {$device->positions[$off]}",
                default => "{$device->label}: {$device->positions[$off]}",
            },
            match ($device->job) {
                'plug' => 'its blades bagged, the plug in sight of whoever works',
                'breaker' => 'locked or taped, tagged',
                default => 'locked, key with whoever works; where it takes no lock, the lead behind it lifted',
            },
            [$device->id => $off],
        );
    }

    public static function lead(Graph $graph, string $id, string $component): Opening
    {
        $source = $graph->sources[$id];
        $posts = Ways::within($graph, $component, [$source->a, $source->b]);
        $leads = array_filter(
            $graph->elements,
            fn(Element $e): bool => $e->component !== $component && (isset($posts[$e->a]) || isset($posts[$e->b])),
        );

        return new Opening(
            "lead_{$component}",
            $graph->label($component),
            'lead',
            $component,
            "Every lead off the negative post of {$graph->label($component)} first, then those off the positive",
            'nothing opens it: post and lugs covered, lugs tied back',
            elements: array_map(strval(...), array_keys($leads)),
        );
    }

    /** A position of the device in which the contact is open. */
    private static function openPosition(Device $device, Element $element): string
    {
        $open = array_values(array_diff($device->positionNames(), $element->closedIn));

        return in_array('off', $open, true) ? 'off' : (in_array('out', $open, true) ? 'out' : $open[0]);
    }
}
