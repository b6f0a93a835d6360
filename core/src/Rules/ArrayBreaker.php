<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PanelArray;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A breaker on panels that is not made for their direct volts, or trips in full sun. */
final class ArrayBreaker implements RigRule
{
    public static function definition(): Definition
    {
        $panels = fn(array $more): array => [...ChargingSamples::house(), ...ChargingSamples::panels($more)];

        return new Definition(
            'array_breaker',
            Severity::Danger,
            'Breaker on the panels not made for them',
            'The breaker of an array parts direct current at the volts of a cold morning. One made for the volts of ' .
                'the battery, or for alternating current, draws an arc that does not go out.',
            Source::recalled('NFPA 70 690.8 and 690.9; common practice'),
            [
                Sample::found('an automotive breaker', ...$panels(['arrayBreakerA' => 20, 'arrayBreakerV' => 32])),
                Sample::found('one too small', ...$panels(['arrayBreakerA' => 10, 'arrayBreakerV' => 150])),
                Sample::silent('one made for it', ...$panels(['arrayBreakerA' => 20, 'arrayBreakerV' => 150])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->arrays as $array) {
            if ($array->breakerA === null) {
                continue;
            }
            $cold = $array->coldV();
            $label = $rig->graph->label($array->component);
            if ($array->breakerV !== null && $cold > $array->breakerV) {
                $hits[] = new Hit(
                    "{$array->component}|volts",
                    sprintf(
                        'The breaker on the panels of %s parts %g V of direct current; on a cold morning they stand ' .
                            'at %.0f V.',
                        $label,
                        $array->breakerV,
                        $cold,
                    ),
                    [$array->component],
                    [self::figure('Open circuit in the cold', $cold, 'V', $array->breakerV, $array)],
                    severity: Severity::Danger,
                );
            } elseif ($array->breakerV === null) {
                $hits[] = new Hit(
                    "{$array->component}|unknown",
                    sprintf('Nobody has read what direct volts the breaker on the panels of %s parts.', $label),
                    [$array->component],
                    severity: Severity::Advice,
                );
            }
            $wants = $array->isc * PanelArray::FOR_HOURS;
            if ($array->breakerA < $wants * 0.999) {
                $hits[] = new Hit(
                    "{$array->component}|amps",
                    sprintf(
                        'The breaker on the panels of %s is of %g A; %.1f A × 1.56 for hours of full sun is %.1f A.',
                        $label,
                        $array->breakerA,
                        $array->isc,
                        $wants,
                    ),
                    [$array->component],
                    [self::figure('For hours of full sun', $wants, 'A', $array->breakerA, $array)],
                    severity: Severity::Advice,
                );
            }
        }

        return $hits;
    }

    private static function figure(string $label, float $value, string $unit, float $limit, PanelArray $array): Figure
    {
        $how = Source::computed('panel sheet');

        return new Figure(
            $label,
            $value,
            $unit,
            'from the panel\'s sheet',
            $how,
            $limit,
            $array->assumed,
            of: new Of(Quantity::Rated, $array->component),
        );
    }
}
