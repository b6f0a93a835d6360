<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Sizing\UnfusedWay;

/** What leads away from a battery before anything opens. */
final class UnfusedLeads
{
    /** @return list<Hit> cable between a battery and the first device that opens, longer than it may be */
    public static function of(Examination $rig, Battery $battery): array
    {
        $hits = [];
        $label = $rig->graph->label($battery->component);
        $ways = UnfusedWay::of($rig->graph, $battery);
        foreach ($ways as $way) {
            if ($way->lengthM <= $way->limitM() + 1e-9) {
                continue;
            }
            $component = $way->element->component;
            if (self::isEngines($rig, $way->element)) {
                continue;
            }
            $hits[] = new Hit(
                "{$component}|unfused|{$battery->component}",
                sprintf(
                    '%s (%s) ends %.2f m from %s with no fuse on the way%s. A short on it is fed by ' .
                        'everything the bank has.',
                    $rig->graph->label($component),
                    $way->element->cable?->spoken(),
                    $way->lengthM,
                    $label,
                    $way->endless ? ', and none behind it' : '',
                ),
                [$component, $battery->component],
                [
                    new Figure(
                        'Unfused length',
                        $way->lengthM,
                        'm',
                        'along the way from the post' . ($way->sheathed ? ', sheathed the whole way' : ''),
                        UnfusedWay::source(),
                        $way->limitM(),
                        of: new Of(Quantity::Length, $component),
                    ),
                ],
                paths: [[$battery->pos, $way->element->b]],
                severity: !$way->sheathed && $way->lengthM <= UnfusedWay::RV_M && !$way->endless
                    ? Severity::Warning
                    : Severity::Danger,
                title: 'Lead without a fuse',
            );
        }
        $bare = array_values(
            array_filter($ways, fn(UnfusedWay $w): bool => $w->endless && !self::isEngines($rig, $w->element)),
        );
        if ($hits === [] && $bare !== []) {
            $hits[] = new Hit(
                "{$battery->component}|no_fuse",
                sprintf(
                    'Nothing that opens stands between %s and what hangs on it. A short there is fed by ' .
                        'everything the bank has.',
                    $label,
                ),
                [$battery->component, $bare[0]->element->component],
                title: 'Battery without a fuse',
            );
        }

        return $hits;
    }

    /**
     * Whether a cable is the engine's own, from its alternator or starter to its battery: those carry no fuse by the
     * vehicle maker's design (common practice; ABYC E-11 leaves cranking conductors out, from memory).
     */
    private static function isEngines(Examination $rig, Element $element): bool
    {
        foreach ($rig->graph->shafts as $shaft) {
            if (in_array($shaft->pos, [$element->a, $element->b], true)) {
                return true;
            }
        }

        return false;
    }
}
