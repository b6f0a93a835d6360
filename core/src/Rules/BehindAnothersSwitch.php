<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;

/** A 12 V circuit that goes dead with the wall switch of another: looked for in vain until somebody knows. */
final class BehindAnothersSwitch implements RigRule
{
    public static function definition(): Definition
    {
        $circuit = fn(string $id, string $label, array $more): array => ChargingSamples::part(
            $id,
            $more + [
                'type' => 'dc_circuit',
                'label' => $label,
                'panel' => 'dc_panel',
                'fuseA' => 10,
                'amps' => 2,
                'use' => 'other',
                'cable' => ['size' => 'awg:14', 'lengthM' => 4],
            ],
        );

        return new Definition(
            'behind_anothers_switch',
            Severity::Advice,
            'Behind the switch of another circuit',
            'What hangs behind the wall switch of another circuit is dead when somebody switches that off, with a ' .
                'good fuse of its own. Say so on the label, or give it a wire of its own.',
            Source::commonPractice(),
            [
                Sample::found(
                    'a pump behind the lamps',
                    $circuit('lamps12', 'Lamps', ['wallSwitch' => true]),
                    $circuit('pump', 'Water pump', ['behind' => 'lamps12']),
                ),
                Sample::silent(
                    'each with its own',
                    $circuit('lamps12', 'Lamps', ['wallSwitch' => true]),
                    $circuit('pump', 'Water pump', ['wallSwitch' => true]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        foreach ($graph->devices as $device) {
            $poles = array_filter($graph->elements, fn($e): bool => $e->device === $device->id && $e->role->isDc());
            // A master switch is there for everything behind it.
            if ($device->job !== 'switch' || count($poles) !== 1) {
                continue;
            }
            $pole = reset($poles);
            foreach ($graph->users as $load) {
                if (!$load->direct || $load->component === $device->component || $load->safety !== '') {
                    continue;
                }
                $fed = $battery = false;
                foreach ($graph->batteries as $of) {
                    $battery = $battery || Walk::way($graph, $load->a, $of->pos, Walk::direct(...)) !== null;
                    $fed =
                        $fed ||
                        Walk::way(
                            $graph,
                            $load->a,
                            $of->pos,
                            fn($e): bool => Walk::direct($e) && $e->id !== $pole->id,
                        ) !== null;
                }
                if ($battery && !$fed) {
                    $hits[] = new Hit(
                        "{$load->component}|{$device->component}",
                        sprintf('%s goes dead with the %s.', $load->label, lcfirst($device->label)),
                        [$load->component, $device->component],
                    );
                }
            }
        }

        return $hits;
    }
}
