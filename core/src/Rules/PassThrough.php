<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** The breaker ahead of an inverter/charger is larger than its pass-through relay may carry. */
final class PassThrough implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'pass_through',
            Severity::Danger,
            'Breaker larger than the pass-through relay',
            'The relay that passes shore through is protected by the breaker ahead of it. When that breaker ' .
                'is larger than the relay, the relay welds before the breaker opens; a welded relay joins the ' .
                'sources.',
            Source::recalled('equipment instructions of the usual inverter/charger; NFPA 70 551.33'),
            [
                Sample::found(
                    '40 A feed on a 30 A relay',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'passThroughA' => 20]),
                ),
                Sample::silent(
                    '30 A feed on a 30 A relay',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $unit) {
            $relay =
                $unit->kind === PowerConverter::CHARGER && $unit->throughInput !== []
                    ? $rig->graph->elements[$unit->throughInput[0]]
                    : null;
            [$amps, , $device] = $rig->reach()->at[$relay->a ?? ''] ?? [0.0, '', ''];
            $passA = $relay?->ratingA() ?? INF;
            $id = $unit->component;
            if ($amps <= $passA) {
                continue;
            }
            $by = $device === '' ? 'the supply' : $rig->graph->label($device);
            $hits[] = new Hit(
                $id,
                sprintf(
                    '%s ahead of %s lets %g A through; its relay may carry %g A.',
                    ucfirst($by),
                    $rig->graph->label($id),
                    $amps,
                    $passA,
                ),
                array_values(array_filter([$id, $device])),
                [
                    new Figure(
                        'Breaker ahead of the relay',
                        $amps,
                        'A',
                        'largest current that can arrive before a device opens',
                        Source::computed('widest path'),
                        $passA,
                        of: new Of(Quantity::Arriving, $id),
                    ),
                ],
                $this->remedies($rig, $id, $passA),
            );
        }

        return $hits;
    }

    /** @return list<Remedy> a breaker of the relay's rating on the circuit that feeds the unit */
    private function remedies(Examination $rig, string $inverter, float $ratingA): array
    {
        $remedies = [];
        foreach ($rig->graph->circuits as $id => $circuit) {
            $part = $circuit->feeds === $inverter ? $rig->graph->partAt($id) : null;
            $way = array_filter(
                $rig->graph->elementsOf($id),
                fn(Element $e): bool => $e->role === Role::L1 && $e->cable !== null,
            );
            $remedies[] =
                $part === null
                    ? null
                    : Devices::smaller($part, min($ratingA, Devices::leastOf($way)), 'protects the relay');
        }

        return array_values(array_filter($remedies));
    }
}
