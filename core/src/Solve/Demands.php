<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Graph;
use Hollin\Core\States\Settled;

/**
 * What takes power in a settled state, apart from power converters: loads that are on, coils, what the battery side
 * feeds.
 */
final readonly class Demands
{
    private Graph $graph;

    /** @param array<string, true> $running loads that are switched on, as circuit.load */
    public function __construct(private Settled $settled, private array $running)
    {
        $this->graph = $settled->situation->network->graph;
    }

    /**
     * Loads that are on, coils among them.
     *
     * @param bool $asImpedance whatever they are, as the impedance they have at nominal volts
     * @return list<PowerInjection>
     */
    public function alternating(bool $asImpedance = false): array
    {
        $loads = [];
        foreach ($this->graph->loads as $id => $load) {
            if (isset($this->running[$id]) && $load->watts > 0) {
                $vars = $load->watts * tan(acos(min(1.0, $load->powerFactor)));
                $loads[] = new PowerInjection(
                    $id,
                    $load->a,
                    $load->b,
                    $load->watts,
                    $vars,
                    $load->volts,
                    !$asImpedance && $load->kind !== 'resistive',
                );
            }
        }
        foreach ($this->graph->users as $id => $load) {
            if (
                !$load->direct &&
                in_array($this->settled->positions[(string) $load->device] ?? '', $load->positions, true)
            ) {
                $loads[] = new PowerInjection($id, $load->a, $load->b, $load->watts, 0.0, $load->volts, false);
            }
        }

        return $loads;
    }

    /** @return list<PowerInjection> what the battery side feeds by itself */
    public function direct(): array
    {
        $users = [];
        foreach ($this->graph->users as $id => $load) {
            if (
                $load->direct &&
                ($load->device === null ||
                    in_array($this->settled->positions[$load->device] ?? '', $load->positions, true))
            ) {
                $volts = $load->volts > 0 ? $load->volts : $this->systemV($load->a, $load->b);
                $watts = $load->wattsAt($volts);
                if ($watts > 0) {
                    $users[] = new PowerInjection($id, $load->a, $load->b, $watts, 0.0, $volts, true);
                }
            }
        }

        return $users;
    }

    /**
     * Nominal volts of the system two terminals belong to: of the battery, else of the charger, they are joined with.
     */
    private function systemV(string $a, string $b): float
    {
        $situation = $this->settled->situation;
        foreach ($this->graph->batteries as $battery) {
            if ($situation->joined($a, $battery->pos) && $situation->joined($b, $battery->neg)) {
                return $battery->ratedV;
            }
        }
        foreach ($this->graph->converters as $converter) {
            if ($situation->joined($a, $converter->direct()[0])) {
                return $converter->nominalV;
            }
        }

        return 12.0;
    }
}
