<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Cable;

/** A feeder behind a device larger than it carries, that ends on a smaller main. */
final class FeederTap
{
    /**
     * A feeder tap up to this length carries a third of what the device ahead lets through: NFPA 70 240.21(B)(2),
     * recalled, 25 ft.
     */
    private const TAP_THIRD_M = 7.6;

    /** A feeder tap up to this length carries a tenth of it: NFPA 70 240.21(B)(1), recalled, 10 ft. */
    private const TAP_TENTH_M = 3.0;

    /**
     * Whether a feeder leads to nothing but a panel's main that is no larger than it carries, and is strong and short
     * enough for a fault on it to open what is ahead (NFPA 70 240.21(B), recalled:
     * a third of the device ahead over 7.6 m, a tenth over 3 m).
     */
    public static function isOne(
        Graph $graph,
        Element $element,
        Cable $cable,
        float $amps,
        float $limitA,
        Ampacity $school,
    ): bool {
        $ampacity = $school->ofCable($cable) ?? 0.0;
        $third = $cable->lengthM <= self::TAP_THIRD_M && $ampacity >= $amps / 3;
        $tenth = $cable->lengthM <= self::TAP_TENTH_M && $ampacity >= $amps / 10;
        if ($cable->sheath === 'cord' || (!$third && !$tenth)) {
            return false;
        }
        foreach ([[$element->a, $element->b], [$element->b, $element->a]] as [$near, $far]) {
            $behind = Walk::reach(
                $graph,
                [$far],
                fn(Element $e): bool => $e->id !== $element->id &&
                    $e->role === Role::L1 &&
                    $e->kind !== ElementKind::Bond &&
                    $e->rating?->protects !== true,
            );
            if (isset($behind[$near]) || self::draws($graph, $behind)) {
                continue;
            }
            $devices = [];
            foreach ($behind as $terminal => $_) {
                foreach ($graph->neighbours()[$terminal] ?? [] as [, $id]) {
                    $next = $graph->elements[$id];
                    if ($next->role === Role::L1 && $next->rating?->protects === true) {
                        $devices[$id] = $next;
                    }
                }
            }
            $main = count($devices) === 1 ? reset($devices) : null;
            // A main, not the only breaker so far of a panel that takes more.
            if (
                $main !== null &&
                $graph->partAt($main->component)?->is('panel') === true &&
                ($main->ratingA() ?? INF) <= $limitA + 1e-9
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, ?string> $terminals whether anything takes or gives current there without a device of its
     *      own
     */
    private static function draws(Graph $graph, array $terminals): bool
    {
        foreach ($graph->sources as $source) {
            if (
                array_key_exists($source->a, $terminals) ||
                ($source->runsOnAc !== null && array_key_exists($source->runsOnAc[0], $terminals))
            ) {
                return true;
            }
        }
        foreach ([...array_column($graph->loads, 'a'), ...array_column($graph->circuits, 'hot')] as $terminal) {
            if (array_key_exists($terminal, $terminals)) {
                return true;
            }
        }

        return false;
    }
}
