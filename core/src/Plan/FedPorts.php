<?php

declare(strict_types=1);

namespace Hollin\Core\Plan;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Rig;
use stdClass;

/** What feeds each port. Two cables in one port are found in rigs, and never planned. */
final class FedPorts
{
    /**
     * Refuses what brings a second feed to a port that had one.
     *
     * @throws Refused with the port and what feeds it already
     */
    public static function refuseSecond(stdClass $before, stdClass $after, string $pointer): void
    {
        $had = self::of($before);
        $rig = Rig::from($after);
        foreach (self::of($after) as $port => $feeds) {
            $new = array_diff($feeds, $had[$port] ?? []);
            $old = array_diff($feeds, $new);
            if ($new === [] || count($feeds) < 2) {
                continue;
            }
            [$at, $name] = explode('.', $port);
            $part = $rig->find($at);
            throw Refused::because(
                $pointer,
                sprintf(
                    '%s, %s, is fed by %s already: move that one first, or choose another place for %s.',
                    $part?->label() ?? $at,
                    $part === null ? $name : $part::ports()[$name]['words'] ?? $name,
                    $rig->find((string) (reset($old) ?: $feeds[0]))?->label() ?? 'another cable',
                    $rig->find((string) end($new))?->label() ?? 'this one',
                ),
            );
        }
    }

    /** @return array<string, list<string>> port, as part.port => cables that end in it */
    private static function of(stdClass $components): array
    {
        $feeds = [];
        foreach (Rig::from($components)->components as $id => $part) {
            $end = match (true) {
                $part instanceof Feeder => $part->values->group('to'),
                $part instanceof Circuit => $part->values->group('feeds'),
                default => null,
            };
            if ($end !== null && $end->text('at') !== '') {
                $feeds["{$end->text('at')}.{$end->text('port')}"][] = (string) $id;
            }
        }

        return $feeds;
    }
}
