<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\TowPins;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\ProspectiveShort;

/** Pins of a trailer's cord, or of a side inlet, that stand on a battery while nothing is mated with them. */
final class TowPinsLive implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'tow_pins_live',
            Severity::Danger,
            'Bare pins on the battery',
            'Unhitched, the plug of the cord lies in the wet or against the tongue, and its charge pin stands on the ' .
                'battery: with no fuse at that end the cord burns. The volts are harmless to touch, the amps are not.',
            Source::commonPractice(),
            [
                Sample::found('the house battery straight on the charge line', ...ChargingSamples::towed(null)),
                Sample::silent(
                    'a DC-DC charger in between',
                    ...ChargingSamples::engine(),
                    ...ChargingSamples::house(),
                    ...ChargingSamples::dcdc(),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->towPins as $pins) {
            if (!self::isOnBattery($rig, $pins)) {
                continue;
            }
            $bare = ProspectiveShort::at($rig->graph->without(...self::acrossPlug($rig, $pins)), $pins->pos);
            $fuse = self::weakestOnTheWay($rig, $pins);
            $amps = $bare->currentA ?? 0.0;
            $hits[] = new Hit(
                $pins->component,
                $fuse === null
                    ? sprintf(
                        '%s %s is joined with %s and no fuse stands at that end: a short there draws %s.',
                        $pins->words,
                        $rig->graph->label($pins->component),
                        implode(' and ', array_map($rig->graph->label(...), $bare->batteries ?? [])),
                        $amps >= 1000 ? sprintf('about %.1f kA', $amps / 1000) : sprintf('about %.0f A', $amps),
                    )
                    : sprintf(
                        '%s %s is joined with the battery behind a fuse of %g A: cover it, or let a relay or a ' .
                            'charger part it.',
                        $pins->words,
                        $rig->graph->label($pins->component),
                        $fuse,
                    ),
                [$pins->component],
                [
                    new Figure(
                        'Into a short at the pins',
                        $amps,
                        'A',
                        $bare->arithmetic ?? '',
                        ProspectiveShort::source(),
                        $fuse ?? 0.0,
                        $bare->assumed ?? false,
                        of: new Of(Quantity::Short, $pins->component),
                    ),
                ],
                severity: $fuse === null ? Severity::Danger : Severity::Advice,
                title: $fuse === null ? null : 'Bare pins behind a fuse',
                state: 'nothing',
            );
        }

        return $hits;
    }

    /** Whether a battery is joined with the bare pin in some state in which nothing is mated. */
    private static function isOnBattery(Examination $rig, TowPins $pins): bool
    {
        foreach ($rig->settled as $settled) {
            if (($settled->positions[$pins->device] ?? $pins->bareIn) !== $pins->bareIn) {
                continue;
            }
            foreach ($rig->graph->batteries as $battery) {
                if ($settled->situation->joined($pins->pos, $battery->pos)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<string> batteries on the vehicle's side of the plug: unhitched they are not there */
    private static function acrossPlug(Examination $rig, TowPins $pins): array
    {
        $near = self::reached($rig, $pins, fn(Element $e): bool => true);

        return array_keys(array_filter($rig->graph->batteries, fn($b): bool => !array_key_exists($b->pos, $near)));
    }

    /** The rating of the smallest fuse on the best protected way to a battery; null where one way has none, A. */
    private static function weakestOnTheWay(Examination $rig, TowPins $pins): ?float
    {
        $open = self::reached($rig, $pins, fn(Element $e): bool => $e->rating?->protects !== true);
        $least = null;
        foreach ($rig->graph->batteries as $battery) {
            if (array_key_exists($battery->pos, $open)) {
                return null;
            }
        }
        $beyond = self::reached($rig, $pins, fn(Element $e): bool => true);
        foreach ($rig->graph->elements as $element) {
            $at = array_key_exists($element->a, $open) !== array_key_exists($element->b, $open);
            if ($element->rating?->protects === true && $at && array_key_exists($element->a, $beyond)) {
                $least = min($least ?? INF, (float) $element->rating->amps);
            }
        }

        return $least;
    }

    /**
     * @param \Closure(Element): bool $through
     * @return array<string, ?string>
     */
    private static function reached(Examination $rig, TowPins $pins, \Closure $through): array
    {
        return Walk::reach(
            $rig->graph,
            [$pins->pos],
            fn(Element $e): bool => Walk::direct($e) && $e->device !== $pins->device && $through($e),
        );
    }
}
