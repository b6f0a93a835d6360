<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\FuseFamily;

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
            $device = $graph->devices[(string) $converter->device] ?? null;
            if ($device?->job === 'plug') {
                return new Opening(
                    "cover_{$component}",
                    $label,
                    'cover',
                    $component,
                    "{$label}: the panel covered or turned over",
                    'covers tied down',
                    [$device->id => 'out'],
                    then: ["plug_{$device->id}" => "{$label}: then its plug out, never under load, the socket capped"],
                );
            }
            if ($device !== null) {
                return new Opening(
                    "engine_{$component}",
                    $label,
                    'engine',
                    $component,
                    'Engine off, key out',
                    'key with whoever works',
                    [$device->id => 'off'],
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
                before: $device->byItself
                    ? ["auto_{$component}" => "{$label}: automatic start off, its start lead lifted and taped"]
                    : [],
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
                before: self::switches($graph, $component),
            );
        }
        $off = self::openPosition($device, $element);
        $tow = isset($graph->towed[$device->id]);
        $supply = $graph->supplies[$component] ?? null;

        return new Opening(
            "{$device->job}_{$device->id}",
            $source,
            $tow
                ? 'unhitch'
                : ($device->job === 'plug'
                    ? 'plug'
                    : ($device->job === 'breaker'
                        ? 'breaker'
                        : 'disconnect')),
            $element->component,
            match ($device->job) {
                'plug' => "{$device->label} {$device->positions[$off]}",
                default => "{$device->label}: {$device->positions[$off]}",
            },
            match (true) {
                $tow => 'its pins capped, the plug hung where nobody hitches it',
                $device->job === 'plug' => 'its blades bagged, the plug in sight of whoever works',
                $device->job === 'breaker' => 'locked or taped, tagged',
                default => 'locked, key with whoever works; where it takes no lock, the lead behind it lifted',
            },
            [$device->id => $off],
            before: match (true) {
                $device->job !== 'plug' || $supply === null => [],
                $supply->kind === 'shore' => [
                    "pedestal_{$component}" => 'Breaker at the pedestal off, before its plug is pulled',
                ],
                default => ["stop_{$component}" => "{$source} stopped, before its plug is pulled"],
            },
        );
    }

    /** The plug of a trailer's cord: what is on the vehicle's side feeds through it, described or not. */
    public static function unhitched(Graph $graph, string $component, string $plug): Opening
    {
        $device = $graph->devices[$plug];

        return new Opening(
            "plug_{$plug}",
            'the vehicle in front',
            'unhitch',
            $component,
            "{$device->label} unhitched",
            'its pins capped, the plug hung where nobody hitches it',
            [$plug => 'out'],
        );
    }

    /**
     * Switches by hand on the way from a battery: opened before a fuse or a lead is parted, so that nothing is drawn
     * through it.
     *
     * @return array<string, string>
     */
    private static function switches(Graph $graph, string $component): array
    {
        $reach = self::reached($graph, $component);
        $found = [];
        foreach ($graph->elements as $element) {
            $device = $graph->devices[(string) $element->device] ?? null;
            $opens =
                in_array($device?->job, ['disconnect', 'switch'], true) &&
                isset($device->positions['off']) &&
                !in_array('off', $element->closedIn, true);
            if ($device !== null && $opens && $element->role->isDc() && array_key_exists($element->a, $reach)) {
                $found["off_{$device->id}"] = "{$device->label}: {$device->positions['off']}, so that nothing is drawn";
            }
        }

        return $found;
    }

    /**
     * Fuses on the way from a battery that are pulled by hand: out before the first lead, so that it draws no arc. One
     * that is bolted down stays: its stud is live, and a spanner from it to the frame is a short until the bonded pole
     * is off.
     *
     * @return array<string, string>
     */
    private static function holders(Graph $graph, string $component): array
    {
        $reach = self::reached($graph, $component, false);
        $found = [];
        foreach ($graph->elements as $element) {
            $near = array_key_exists($element->a, $reach) || array_key_exists($element->b, $reach);
            if ($near && $element->rating?->family === FuseFamily::Blade) {
                $label = $graph->label($element->component);
                $found["pull_{$element->component}"] = "{$label} out of its holder, so that nothing is drawn";
            }
        }

        return $found;
    }

    /** @return array<string, mixed> terminals that a battery's current reaches, also through what protects or not */
    private static function reached(Graph $graph, string $component, bool $through = true): array
    {
        $posts = [];
        foreach ($graph->batteries as $battery) {
            if ($battery->component === $component) {
                array_push($posts, $battery->pos, $battery->neg);
            }
        }

        return Walk::reach(
            $graph,
            $posts,
            fn(Element $e): bool => $e->role->isDc() &&
                $e->purpose === Purpose::Carrying &&
                $e->role !== Role::SenseLead &&
                ($through || $e->rating?->protects !== true),
        );
    }

    /** The pole of a battery that hangs on the frame: off first, on last. Negative, unless it is the other. */
    public static function bondedPole(Graph $graph, Battery $battery): string
    {
        $onFrame = fn(string $post): bool => array_key_exists(
            'frame',
            Walk::reach(
                $graph,
                [$post],
                fn(Element $e): bool => !$e->role->isAc() && $e->role !== Role::PE && $e->role !== Role::SenseLead,
            ),
        );

        return !$onFrame($battery->neg) && $onFrame($battery->pos) ? 'positive' : 'negative';
    }

    public static function lead(Graph $graph, string $id, string $component): Opening
    {
        $source = $graph->sources[$id];
        $posts = Ways::within($graph, $component, [$source->a, $source->b]);
        $leads = array_filter(
            $graph->elements,
            fn(Element $e): bool => $e->component !== $component && (isset($posts[$e->a]) || isset($posts[$e->b])),
        );

        $label = $graph->label($component);
        $first = self::bondedPole($graph, $graph->batteries[$id]);
        $second = $first === 'negative' ? 'positive' : 'negative';
        $why = 'it hangs on the frame';

        return new Opening(
            "lead_{$component}",
            $label,
            'lead',
            $component,
            "Then every lead off the {$second} post of {$label}",
            'nothing opens it: post and lugs covered, lugs tied back',
            elements: array_map(strval(...), array_keys($leads)),
            before: self::switches($graph, $component) +
                self::holders($graph, $component) + [
                    "bonded_{$component}" => "Every lead off the {$first} post of {$label} first: {$why}",
                ],
        );
    }

    /** A position of the device in which the contact is open. */
    private static function openPosition(Device $device, Element $element): string
    {
        $open = array_values(array_diff($device->positionNames(), $element->closedIn));

        return in_array('off', $open, true) ? 'off' : (in_array('out', $open, true) ? 'out' : $open[0]);
    }
}
