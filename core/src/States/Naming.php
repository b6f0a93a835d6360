<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Graph;

/**
 * Sentences that say what they speak of by its id. What a search finds is kept in them, so that it holds whatever
 * things are called; they are read with the names that a rig has when somebody looks.
 */
final class Naming
{
    /** @return string stands for what a component is called */
    public static function component(string $id): string
    {
        return "{component {$id}}";
    }

    /** @return string stands for what a control or an automatic device is called */
    public static function device(string $id): string
    {
        return "{device {$id}}";
    }

    /** @return string stands for a position of a control or device, in its own words */
    public static function position(string $device, string $position): string
    {
        return "{position {$device} {$position}}";
    }

    /** @return string stands for something that surrounds the rig, within a sentence */
    public static function surrounding(string $id): string
    {
        return "{surrounding {$id}}";
    }

    /** @return string stands for how something that surrounds the rig is */
    public static function condition(string $surrounding, string $value): string
    {
        return "{condition {$surrounding} {$value}}";
    }

    /** @return string stands for the title of a named state */
    public static function state(string $id): string
    {
        return "{state {$id}}";
    }

    /** @param array<string, NamedState> $named of the rig whose names are wanted */
    public static function read(string $kept, Graph $graph, array $named): string
    {
        return (string) preg_replace_callback(
            '/\{(\w+) ([^ {}]+)(?: ([^ {}]*))?\}/',
            fn(array $m): string => match ($m[1]) {
                'component' => $graph->label($m[2]),
                'device' => $graph->devices[$m[2]]->label,
                'position' => $graph->devices[$m[2]]->positions[$m[3] ?? ''],
                'surrounding' => lcfirst($graph->surroundings[$m[2]]->label),
                'condition' => $graph->surroundings[$m[2]]->values[$m[3] ?? ''] ?? '',
                'state' => $named[$m[2]]->title,
                default => $m[0],
            },
            $kept,
        );
    }
}
