<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** A surge unit sees a floating source as open ground and refuses it. */
final class SupplyRefused implements RigRule
{
    public static function definition(): Definition
    {
        $set = fn(string $bond): array => Sample::add('genset', [
            'type' => 'generator',
            'label' => 'Portable set',
            'ratedW' => 2000,
            'outletA' => 20,
            'mount' => 'portable',
            'bond' => $bond,
            'reaches' => 'inlet',
        ]);

        return new Definition(
            'supply_refused',
            Severity::Warning,
            'Surge unit locks the supply out',
            'A surge unit tests the ground by looking for the bond behind it. A floating generator or ' .
                'inverter has none, reads as open ground, and is kept out: nothing works although it runs.',
            Source::commonPractice(),
            [
                Sample::found('a floating generator', $set('floating'), ...ReversedPolarity::guarded()),
                Sample::silent('the same with a bonding plug', $set('plug'), ...ReversedPolarity::guarded()),
                Sample::silent('no surge unit', $set('floating')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->partsOf('surge_unit') as $id => $unit) {
            foreach ($rig->settled as $state => $settled) {
                if (($settled->positions[$unit->text('cutOff')] ?? '') !== 'open') {
                    continue;
                }
                $situation = $settled->situation;
                $source = $situation->workingSource("{$id}.in.l", "{$id}.in.n");
                if (
                    $source === null ||
                    $situation->quality($source) !== 'good' ||
                    $situation->tied("{$id}.in.n", "{$id}.in.g")
                ) {
                    continue;
                }
                $from = $rig->graph->sources[$source]->component;
                $generator = $rig->graph->partAt($from);
                $hits[$from] ??= new Hit(
                    "{$id}|{$from}",
                    sprintf('%s reads %s as open ground and keeps it out.', $unit->label, $rig->graph->label($from)),
                    [$id, $from],
                    remedies: $generator?->is('generator') === true && $generator->text('bond') === 'floating'
                        ? [
                            Remedy::set(
                                "Use a bonding plug in {$generator->label}",
                                'one bond, at the source; only with a set that floats',
                                $from,
                                '/bond',
                                'plug',
                            ),
                        ]
                        : [],
                    paths: [[$rig->graph->sources[$source]->a, "{$id}.in.l"]],
                    state: $state,
                );
            }
        }

        return array_values($hits);
    }
}
