<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Walk;
use Hollin\Core\Solve\Impedance;
use Hollin\Core\Solve\NodalNetwork;

/**
 * How one ampere drawn between two terminals divides over everything that carries direct current, with
 * every contact closed: by resistances alone, batteries as the resistance they are.
 */
final class DirectShares
{
    private readonly NodalNetwork $network;

    /** @var ?array<int, float> V of each node for one ampere */
    private ?array $volts = null;

    /**
     * @param ?float $cableC temperature of cables, °C, for a drop: devices and batteries then count for nothing; null
     *      for sharing
     */
    public function __construct(
        private readonly Graph $graph,
        private readonly string $pos,
        string $neg,
        ?float $cableC = null,
    ) {
        $this->network = new NodalNetwork();
        $reached = Walk::reach($graph, [$pos, $neg], Walk::direct(...));
        foreach ($graph->batteries as $battery) {
            if (array_key_exists($battery->pos, $reached) && array_key_exists($battery->neg, $reached)) {
                $this->network->add(
                    'battery',
                    $battery->id,
                    $battery->pos,
                    $battery->neg,
                    1 / ($cableC === null ? max(1e-6, $battery->ohm) : 1e-7),
                );
            }
        }
        foreach ($graph->elements as $element) {
            if (array_key_exists($element->a, $reached) && Walk::direct($element)) {
                $this->network->add('wire', $element->id, $element->a, $element->b, 1 / $this->ohm($element, $cableC));
            }
        }
        $this->network->add('leak', 'reference', $neg, 'earth', 1.0);
        foreach ($this->network->names as $name) {
            $this->network->add('leak', 'air', $name, 'earth', 1e-12);
        }
        $a = $this->network->node[$pos] ?? null;
        $b = $this->network->node[$neg] ?? null;
        if ($a !== null && $b !== null && $this->network->branches !== []) {
            $volts = $this->network->volts([['draw', $a, $b, -1.0, 0.0]])[0];
            // Without a battery between them nothing but leakage is left.
            $this->volts = abs($volts[$a] - $volts[$b]) < 1e3 ? $volts : null;
        }
    }

    private function ohm(Element $element, ?float $cableC): float
    {
        if ($cableC === null) {
            return Impedance::ohm($element, $this->graph);
        }

        return $element->cable === null ? 1e-7 : max(1e-7, $element->cable->ohm($cableC));
    }

    /** Whether a battery feeds it at all. */
    public function isFed(): bool
    {
        return $this->volts !== null;
    }

    /** Ohm of the whole way, both poles together. */
    public function ohms(string $neg): float
    {
        $a = $this->network->node[$this->pos] ?? -1;
        $b = $this->network->node[$neg] ?? -1;

        return $this->volts === null || $a < 0 || $b < 0 ? INF : abs($this->volts[$a] - $this->volts[$b]);
    }

    /** @return array<string, float> element or battery => its share of what is drawn, without sign */
    public function shares(): array
    {
        $shares = [];
        $volts = $this->volts;
        if ($volts === null) {
            return [];
        }
        foreach ($this->network->branches as $branch) {
            if ($branch->kind === 'wire' || $branch->kind === 'battery') {
                $shares[$branch->of] = abs(($volts[$branch->a] - $volts[$branch->b]) * $branch->re);
            }
        }

        return $shares;
    }

    /** @return array<string, float> terminal of a bar => what passes it, as a share: half of all that comes and goes */
    public function junctions(): array
    {
        $shares = $this->shares();
        $through = [];
        foreach (array_keys($this->graph->junctions) as $terminal) {
            $through[$terminal] = Walk::passing($this->graph, $terminal, $shares);
        }

        return $through;
    }
}
