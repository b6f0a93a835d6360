<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Panels;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\NamedState;

/** Single-pole breakers at a pedestal with hot and neutral reversed: what is switched off stays live. */
final class ReversedPolarity implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'reversed_polarity',
            Severity::Warning,
            'Breakers now open the neutral',
            'With hot and neutral reversed at the pedestal every single-pole breaker and switch opens the ' .
                'neutral: a circuit that is off is still live. A surge unit that tests polarity keeps the supply ' .
                'out.',
            Source::commonPractice(),
            [
                Sample::found('a trailer without a surge unit'),
                Sample::silent('a surge unit between inlet and panel', ...self::guarded()),
            ],
        );
    }

    /** @return list<array<string, mixed>> a surge unit fitted behind the inlet */
    public static function guarded(bool $bypass = false): array
    {
        return [
            Sample::add('guard', [
                'type' => 'surge_unit',
                'label' => 'Surge unit',
                'ratingA' => 30,
                'mount' => 'inside',
                'opens' => 'both',
                'delayS' => 30,
                'bypass' => $bypass,
            ]),
            Sample::survey('feeder_main', '/from', ['at' => 'guard', 'port' => 'out']),
            Sample::add('guard_feed', [
                'type' => 'feeder',
                'label' => 'Inlet to surge unit',
                'from' => ['at' => 'inlet', 'port' => 'out'],
                'to' => ['at' => 'guard', 'port' => 'in'],
                'cable' => ['size' => 'awg:10', 'lengthM' => 0.5],
            ]),
        ];
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->faults() as $state => $proof) {
            $hit = $proof->fault?->value === 'reversed' ? self::hit($rig, $state, $proof) : null;
            if ($hit !== null) {
                $hits[] = $hit;
            }
        }

        return $hits;
    }

    private static function hit(Examination $rig, string $state, NamedState $proof): ?Hit
    {
        $settled = $rig->faulty()[$state];
        foreach (Panels::of($rig->graph) as $id => $panel) {
            $bar = Panels::neutralBar($panel);
            $live = $settled->situation->hardHot($bar);
            if ($live !== null) {
                return new Hit(
                    $proof->fault?->key() ?? 'reversed',
                    sprintf(
                        'At a reversed pedestal%s the neutral bar of %s is the live wire and its breakers ' .
                            'part only the return: a circuit that is switched off is still live.',
                        $proof->fault?->first === false ? " on {$rig->graph->label($proof->fault->supply)}" : '',
                        $panel->label,
                    ),
                    [$id],
                    remedies: SurgeUnitInLine::of($rig),
                    paths: [[$rig->graph->sources[$live]->a, $bar]],
                    ways: Ways::outside('hot and neutral reversed'),
                    proof: $proof,
                );
            }
        }

        return null;
    }
}
