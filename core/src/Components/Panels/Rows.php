<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;

/** Rows of a tray on the wall: circuits with what hangs behind them, breakers, free slots. */
final class Rows
{
    /** Deeper than this nothing hangs behind something else. */
    private const DEEPEST = 6;

    /** @return list<array<string, mixed>> a circuit and those on the load side of its GFCI */
    public static function of(Circuit $circuit, Rig $rig, int $indent = 0): array
    {
        $rows = [self::row($circuit, $indent)];
        foreach ($indent + 1 < self::DEEPEST ? $rig->all(Circuit::class) : [] as $child) {
            if ($child->behind() === $circuit->id) {
                foreach (self::of($child, $rig, $indent + 1) as $row) {
                    $rows[] = ['slot' => $circuit->slot(), 'half' => $circuit->half()] + $row;
                }
            }
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private static function row(Circuit $circuit, int $indent): array
    {
        $strayNeutral =
            $circuit->lands('hot') !== $circuit->lands('neutral')
                ? $circuit->neutralPanel() ?? ($circuit->neutralBehind() ?? $circuit->equipment('neutral'))
                : null;

        return [
            'kind' => 'circuit',
            'circuit' => $circuit->id,
            'slot' => $circuit->slot(),
            'half' => $circuit->half(),
            'label' => $circuit->label(),
            'ratingA' => $circuit->breakerA(),
            'device' => $circuit->breakerA() === null || $circuit->behind() !== null ? null : "{$circuit->id}.breaker",
            'gfci' => $circuit->gfci(),
            'indent' => $indent,
            'closedIn' => ['on'],
            'carries' => ["{$circuit->id}.pole", "{$circuit->id}.hot"],
            'strayNeutral' => $strayNeutral,
            'feeds' => $circuit->feedsComponent(),
            'cable' => Link::spoken($circuit->cable()),
            'assumed' => $circuit->assumptions(),
        ];
    }

    /**
     * A breaker that is no circuit's.
     *
     * @param string $kind main or backfeed
     * @param list<string> $closedIn positions of the device
     * @return array<string, mixed>
     */
    public static function breaker(
        string $kind,
        int $slot,
        string $label,
        float $ratingA,
        string $device,
        array $closedIn,
        string $pole,
    ): array {
        return [
            'kind' => $kind,
            'slot' => $slot,
            'half' => '',
            'label' => $label,
            'ratingA' => $ratingA,
            'device' => $device,
            'closedIn' => $closedIn,
            'carries' => [$pole],
        ];
    }

    /**
     * Rows in the order of the slots, with a row for each that is free.
     *
     * @param list<array<string, mixed>> $rows
     * @return list<array<string, mixed>>
     */
    public static function filled(array $rows, int $slots): array
    {
        $halves = [];
        foreach ($rows as $row) {
            $halves[$row['slot']][$row['half']] = true;
        }
        for ($slot = 1; $slot <= $slots; $slot++) {
            $free = isset($halves[$slot])
                ? (isset($halves[$slot][''])
                    ? []
                    : array_diff(['a', 'b'], array_keys($halves[$slot])))
                : [''];
            foreach ($free as $half) {
                $rows[] = [
                    'kind' => 'free',
                    'slot' => $slot,
                    'half' => $half,
                    'label' => 'free',
                    'ratingA' => null,
                    'device' => null,
                ];
            }
        }
        $place = fn(array $row): array => [$row['slot'], $row['half'], $row['indent'] ?? 0];
        usort($rows, fn(array $a, array $b): int => $place($a) <=> $place($b));

        return $rows;
    }
}
