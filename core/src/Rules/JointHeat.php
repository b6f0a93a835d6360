<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Joint;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A joint that takes up power at what passes it: I²R of what somebody has measured; and one held by a hand only. */
final class JointHeat implements RigRule
{
    /** From some watts on a joint is warm to the hand, past ten it ages by itself (common practice, no source). */
    private const WARM_W = 3.0;

    private const HOT_W = 10.0;

    /** Above this a clamp that is turned by hand is no joint, A (common practice, no source). */
    private const CLAMP_A = 50.0;

    /** What one outlet may carry for hours on a circuit of 15 A: 80 % of it (NFPA 70 210.23, from memory). */
    private const OUTLET_A = 12.0;

    public static function definition(): Definition
    {
        $fed = fn(array $more): array => [
            ...ChargingSamples::house(),
            ChargingSamples::part('fan', ['type' => 'dc_load', 'label' => 'Fan', 'amps' => 60, 'use' => 'other']),
            ChargingSamples::lead('second.pos', 'fan.pos', 'positive', 'awg:2'),
            ChargingSamples::part(
                'ld_back',
                $more + [
                    'type' => 'lead',
                    'label' => 'Fan to battery',
                    'from' => 'fan.neg',
                    'to' => 'second.neg',
                    'pole' => 'negative',
                    'cable' => ['size' => 'awg:2', 'lengthM' => 2],
                ],
            ),
        ];

        return new Definition(
            'joint_heat',
            Severity::Warning,
            'Joint that heats',
            'What a joint keeps turns to heat in a few grams of metal: 5 mΩ at 100 A are 50 W, and it gets worse by ' .
                'itself. Measure millivolts across it under load, clean, torque, measure again.',
            Source::commonPractice(),
            [
                Sample::found('5 mΩ at 60 A', ...$fed(['jointMilliohm' => 5])),
                Sample::found('300 mΩ in a hot', Sample::survey('c_outlets', '/joints', ['hot' => 300])),
                Sample::silent(
                    'a ground that carries nothing',
                    Sample::survey('c_outlets', '/joints', ['ground' => 300]),
                ),
                Sample::found('a clamp turned by hand', ...$fed(['ends' => 'clamp'])),
                Sample::silent('a sound joint', ...$fed(['jointMilliohm' => 0.2])),
                Sample::silent('nobody has looked', ...$fed([])),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->joints as $id => $joint) {
            [$amps, $state, $scenario] = self::most($rig, $id);
            $of = new Of(Quantity::Current, $id, $state, $scenario, ($rig->named[$state] ?? null)->charge ?? 'half');
            $watts = $joint->milliohm === null ? 0.0 : ($amps ** 2 * $joint->milliohm) / 1000;
            $hit = match (true) {
                $watts > self::WARM_W => self::hot($rig, $joint, $amps, $watts, $state, $of),
                $joint->kind === 'clamp' && !$joint->locks && $amps > self::CLAMP_A => new Hit(
                    $joint->component,
                    sprintf(
                        'The clamp of %s is turned by hand and carries %.0f A: a crimped lug under a nut ' .
                            'belongs there.',
                        $rig->graph->label($joint->component),
                        $amps,
                    ),
                    [$joint->component],
                    [self::figure('Through it', $amps, 'A', $rig->named[$state]->title, self::CLAMP_A, $of)],
                    severity: Severity::Advice,
                    title: 'Clamp turned by hand',
                    state: $state,
                ),
                $joint->kind === 'plug' && !$joint->locks && $amps > 1.0 => new Hit(
                    $joint->component,
                    sprintf(
                        'The plug of %s is held by nothing: what shakes loose under %.0f A burns its contacts.',
                        $rig->graph->label($joint->component),
                        $amps,
                    ),
                    [$joint->component],
                    [self::figure('Through it', $amps, 'A', $rig->named[$state]->title, null, $of)],
                    severity: Severity::Advice,
                    title: 'Plug held by nothing',
                    state: $state,
                ),
                $amps < 1.0 => self::outlet($rig, $joint),
                default => null,
            };
            $hits[] = $hit;
        }

        return array_values(array_filter($hits));
    }

    /** What it would be, where no load is written down that would pass it: anything can be plugged in. */
    private static function outlet(Examination $rig, Joint $joint): ?Hit
    {
        $watts = (self::OUTLET_A ** 2 * (float) $joint->milliohm) / 1000;
        if ($joint->wire === null || $joint->wire === 'ground' || $watts <= self::WARM_W) {
            return null;
        }

        return new Hit(
            $joint->component,
            sprintf(
                'The joints in the %s of %s keep %.0f mV for each ampere: with %.0f A plugged in, %.0f W of heat.',
                $joint->wire,
                $rig->graph->label($joint->component),
                (float) $joint->milliohm,
                self::OUTLET_A,
                $watts,
            ),
            [$joint->component],
            [
                new Figure(
                    'Heat in the joint',
                    $watts,
                    'W',
                    sprintf('I²R at %.0f A, continuous on 15 A', self::OUTLET_A),
                    Source::commonPractice(),
                    self::WARM_W,
                    of: new Of(Quantity::Heat, $joint->component),
                ),
            ],
            severity: $watts > self::HOT_W ? Severity::Warning : Severity::Advice,
        );
    }

    private static function hot(Examination $rig, Joint $joint, float $amps, float $watts, string $state, Of $of): Hit
    {
        return new Hit(
            $joint->component,
            sprintf(
                'The joints%s of %s keep %.0f mV at %.0f A: %.0f W of heat.',
                $joint->wire === null ? '' : " in the {$joint->wire}",
                $rig->graph->label($joint->component),
                $amps * (float) $joint->milliohm,
                $amps,
                $watts,
            ),
            [$joint->component],
            [
                self::figure(
                    'Heat in the joint',
                    $watts,
                    'W',
                    $rig->named[$state]->title,
                    self::WARM_W,
                    new Of(Quantity::Heat, $of->element, $state, $of->scenario, $of->charge),
                ),
            ],
            severity: $watts > self::HOT_W ? Severity::Warning : Severity::Advice,
            state: $state,
        );
    }

    /** @return array{float, string, string} the most that passes an element, in which state, with which loads */
    private static function most(Examination $rig, string $element): array
    {
        $most = [0.0, 'nothing', 'none'];
        foreach ($rig->settled as $state => $settled) {
            foreach (['none' => ['running' => []]] + $rig->needs->scenarios as $scenario => ['running' => $running]) {
                $flow = $rig->flows()->of($settled, $running, $rig->named[$state]->charge);
                $amps = $flow->amps($element);
                $most = $amps > $most[0] ? [$amps, $state, (string) $scenario] : $most;
            }
        }

        return $most;
    }

    private static function figure(
        string $label,
        float $value,
        string $unit,
        string $state,
        ?float $limit,
        Of $of,
    ): Figure {
        $source = Source::computed('load flow');

        return new Figure($label, $value, $unit, "load flow of “{$state}”", $source, $limit, of: $of);
    }
}
