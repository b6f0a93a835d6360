<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Load;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** What a contactor that locks the converter out costs, and what its lamp proves. */
final class LockOut implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'lock_out',
            Severity::Advice,
            'A contactor that must pull in to be safe',
            'A normally-closed contact stops the loop only while its coil is pulled in: a dead coil brings ' .
                'the loop back and nobody notices. A lamp across the coil proves that the coil has a supply, not ' .
                'that the contact has opened; a lamp on the output proves what the converter gets. The fail-safe ' .
                'kind has a normally-open contact and its coil on the outside supply.',
            Source::commonPractice(),
            [
                Sample::found(
                    'normally closed, coil on the inverter',
                    Sample::choose('in_line', ['converter' => 'contactor']),
                ),
                Sample::silent(
                    'normally open, coil on the shore side',
                    Sample::choose('in_line', ['converter' => 'contactor_safe']),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->partsOf('contactor') as $id => $contactor) {
            if ($contactor->text('contact') === 'no') {
                continue;
            }
            $lamp = [
                'none' => 'It has no lamp: nobody sees that it failed.',
                'coil' => 'Its lamp proves that the coil has a supply, not that the contact opened.',
                'output' => 'Its lamp shows whether the converter gets 120 V.',
            ][$contactor->text('lamp', 'none')];
            $hits[] = new Hit(
                $id,
                sprintf(
                    '%s must pull in to be safe; a dead coil brings the loop back. %s Its box holds two ' .
                        'sources: mark it.',
                    $contactor->label,
                    $lamp,
                ),
                [$id],
                self::coil($rig, $rig->graph->users["{$id}.coil"] ?? null),
                [
                    Remedy::set(
                        sprintf('Put the coil of %s on the outside supply, normally open', $contactor->label),
                        'a dead coil then leaves the converter off',
                        $id,
                        '/contact',
                        'no',
                    ),
                ],
            );
        }

        return $hits;
    }

    /** @return list<Figure> what the coil takes from the battery in a day, by way of the inverter that feeds it */
    private static function coil(Examination $rig, ?Load $coil): array
    {
        if ($coil === null) {
            return [];
        }
        foreach ($rig->settled as $settled) {
            $source = $settled->situation->workingSource($coil->a, $coil->b);
            foreach ($source === null ? [] : $rig->graph->converters as $unit) {
                if (
                    $unit->kind !== PowerConverter::INVERTER ||
                    $unit->component !== $rig->graph->sources[$source]->component
                ) {
                    continue;
                }
                foreach ($rig->graph->batteries as $battery) {
                    if ($settled->situation->joined($unit->input[0], $battery->pos)) {
                        $ah = ($coil->watts * 24) / ($battery->ratedV * $unit->efficiency);

                        return [
                            new Figure(
                                'Coil',
                                $ah,
                                'Ah a day',
                                sprintf(
                                    '%g W × 24 h ÷ (%g V × %g) while inverting',
                                    $coil->watts,
                                    $battery->ratedV,
                                    $unit->efficiency,
                                ),
                                Source::computed('arithmetic'),
                                null,
                                $rig->graph->partAt($coil->component)?->isAssumed('coilW') === true,
                                of: new Of(Quantity::Charge, $coil->id),
                            ),
                        ];
                    }
                }
            }
        }

        return [];
    }
}
