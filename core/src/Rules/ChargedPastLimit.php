<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** Chargers that together push more into a battery than its management takes. */
final class ChargedPastLimit implements RigRule
{
    public static function definition(): Definition
    {
        $house = fn(float $limit): array => [
            ChargingSamples::part(
                'second',
                ['bmsChargeA' => $limit] + ChargingSamples::battery('Second battery', 'lfp', 12.8, 100),
            ),
            ...ChargingSamples::engine(),
            ...ChargingSamples::dcdc(),
            ...ChargingSamples::panels(),
        ];

        return new Definition(
            'charge_limit',
            Severity::Warning,
            'Charged with more than its management takes',
            'Shore charger, alternator and sun add up in one battery. Past its limit for charging the management ' .
                'opens, and what charges stands on a bus without a battery.',
            Source::commonPractice(),
            [
                Sample::found('an engine and panels on a small battery', ...$house(20)),
                Sample::silent('a battery that takes it', ...$house(100)),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->batteries as $id => $battery) {
            $most = [0.0, ''];
            foreach ($battery->chargeLimitA === null ? [] : $rig->settled as $state => $settled) {
                $now = $settled->situation;
                // Bounded first: what all that is on could give together.
                $bound = 0.0;
                foreach ($now->charging() + $now->givingDirect() as $unit => $_) {
                    $bound += $rig->graph->converters[$unit]->limitA;
                }
                if ($bound <= max($battery->chargeLimitA, $most[0])) {
                    continue;
                }
                $amps = -($rig->flows()->of($settled, [], 'low')->sources[$id]['amps'] ?? 0.0);
                $most = $amps > $most[0] ? [$amps, $state] : $most;
            }
            if ($battery->chargeLimitA === null || $most[0] <= $battery->chargeLimitA * 1.005) {
                continue;
            }
            $hits[] = new Hit(
                $battery->component,
                sprintf(
                    '%s is charged with %.0f A in “%s”; its management takes %g A.',
                    $rig->graph->label($battery->component),
                    $most[0],
                    $rig->named[$most[1]]->title,
                    $battery->chargeLimitA,
                ),
                [$battery->component],
                [
                    new Figure(
                        'Into the battery',
                        $most[0],
                        'A',
                        'load flow of that state, the battery low',
                        Source::computed('load flow'),
                        $battery->chargeLimitA,
                        $battery->ohmAssumed,
                        of: new Of(Quantity::Current, $id, $most[1], 'none', 'low'),
                    ),
                ],
                state: $most[1],
            );
        }

        return $hits;
    }
}
