<?php

declare(strict_types=1);

namespace Hollin\Core\Operation;

use Hollin\Core\Network\Graph;
use Hollin\Core\Reference\TripCurve;
use Hollin\Core\Solve\LoadFlowResult;

/** What opens, shuts down or retries by itself in a solved state, soonest first. */
final class Trips
{
    /** A source at its surge gives in within this share of its surge time; just past its rating it lasts minutes. */
    private const AT_ONCE_S = 0.1;

    /**
     * @param array<string, string> $positions of the devices, as solved
     * @return list<Trip>
     */
    public static function of(LoadFlowResult $flow, Graph $graph, array $positions): array
    {
        if (!$flow->isSolved()) {
            return [];
        }
        $trips = [
            ...self::devices($flow, $graph),
            ...self::sources($flow, $graph, $positions),
            ...self::batteries($flow, $graph),
            ...self::starved($flow, $graph),
        ];
        usort($trips, fn(Trip $a, Trip $b): int => [$a->afterS, $a->id] <=> [$b->afterS, $b->id]);

        return $trips;
    }

    /** @return list<Trip> fuses and breakers past their rating */
    private static function devices(LoadFlowResult $flow, Graph $graph): array
    {
        $trips = [];
        foreach ($graph->elements as $id => $element) {
            $rating = $element->rating;
            if ($rating === null || !$rating->protects || $rating->amps === null) {
                continue;
            }
            $amps = $flow->amps($id);
            $after = TripCurve::seconds($rating->what, $amps / $rating->amps);
            if ($after !== null) {
                $trips[] = new Trip($id, $element->component, $rating->what, 'opens', $amps, $rating->amps, $after);
            }
        }

        return $trips;
    }

    /**
     * @param array<string, string> $positions
     * @return list<Trip> inverters and generators past their rating, and pedestals' breakers
     */
    private static function sources(LoadFlowResult $flow, Graph $graph, array $positions): array
    {
        $trips = [];
        foreach ($graph->sources as $id => $source) {
            $solved = $flow->sources[$id] ?? null;
            if ($solved === null || $source->kind !== 'ac' || !$source->forming) {
                continue;
            }
            if ($source->surrounding !== null) {
                // The breaker of the receptacle the cord is in.
                $supply = $graph->supplies[$source->component] ?? null;
                $rating = $supply?->aheadA($graph, $positions) ?? $source->limitA;
                $after = TripCurve::seconds('breaker', $solved['amps'] / $rating);
                if ($after !== null) {
                    $trips[] = new Trip($id, $source->component, 'breaker', 'opens', $solved['amps'], $rating, $after);
                }

                continue;
            }
            if ($solved['amps'] <= $source->limitA * 1.0001) {
                continue;
            }
            // Up to its surge for the surge time, past it at once; a little too much for minutes.
            $surge = max($source->surgeA, $source->limitA * 1.0001);
            $share = ($solved['amps'] - $source->limitA) / ($surge - $source->limitA);
            $after = $share > 0.999 ? self::AT_ONCE_S : $source->surgeS / max(0.01, $share);
            $trips[] = new Trip(
                $id,
                $source->component,
                isset($graph->supplies[$source->component]) ? 'generator' : 'inverter',
                $source->past === 'retries' ? 'retries' : 'shuts down',
                $solved['amps'],
                $source->limitA,
                $after,
            );
        }

        return $trips;
    }

    /** @return list<Trip> batteries whose management opens */
    private static function batteries(LoadFlowResult $flow, Graph $graph): array
    {
        $trips = [];
        foreach ($graph->batteries as $id => $battery) {
            $amps = abs($flow->sources[$id]['amps'] ?? 0.0);
            $after = $battery->limitA === null ? null : TripCurve::seconds('management', $amps / $battery->limitA);
            if ($battery->limitA !== null && $after !== null) {
                $trips[] = new Trip($id, $battery->component, 'management', 'opens', $amps, $battery->limitA, $after);
            }
        }

        return $trips;
    }

    /** @return list<Trip> units that their battery side does not hold up */
    private static function starved(LoadFlowResult $flow, Graph $graph): array
    {
        return array_map(
            fn(string $id): Trip => new Trip(
                $id,
                $graph->converters[$id]->component,
                $graph->converters[$id]->kind,
                'shut down: battery side below its cut-off',
                0.0,
                $graph->converters[$id]->fullInputW() / $graph->converters[$id]->nominalV,
                null,
            ),
            $flow->shutDown,
        );
    }
}
