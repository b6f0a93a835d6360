<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Job\Values;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Joint;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Cable;

/** What the joints of a 120 V cable's conductors were measured to keep: a stab-in, a screw, a wire nut, a slot. */
final readonly class Joints
{
    private const WIRES = ['hot' => Role::L1, 'neutral' => Role::N, 'ground' => Role::PE];

    public function __construct(private string $component, private Values $values) {}

    /** @return array<string, Field> */
    public static function fields(): array
    {
        $fields = [];
        foreach (array_keys(self::WIRES) as $wire) {
            $fields[$wire] = Field::number("Joints of the {$wire}", 'mΩ', 0.1, 20000)
                ->optional()
                ->note('volts across them under load, divided by the amps, in thousandths; 5 mΩ is sound')
                ->plausibly(Plausible::times(0.5, 3, 'a joint that is moved changes'));
        }

        return ['joints' => Field::group('Joints as measured', $fields)->optional()];
    }

    /** A conductor of the cable, with what its joints keep at the end that lies further from the source. */
    public function conductor(Graph $graph, string $wire, string $from, string $to, Cable $cable): void
    {
        $role = self::WIRES[$wire];
        $id = "{$this->component}.{$wire}";
        $milliohm = $this->values->group('joints')?->numberOrNull($wire);
        $end = $milliohm === null ? $to : "{$id}_joint";
        $graph->conductor($id, $this->component, $from, $end, $role, $cable);
        if ($milliohm !== null) {
            $graph->conductor("{$id}_ends", $this->component, $end, $to, $role, ohm: $milliohm / 1000);
            $graph->joints["{$id}_ends"] = new Joint($this->component, 'bolted', $milliohm, true, $wire);
        }
    }

    /** All three conductors between two ports. */
    public function cable(Graph $graph, Port $from, Port $to, Cable $cable): void
    {
        $this->conductor($graph, 'hot', $from->hot, $to->hot, $cable);
        $this->conductor($graph, 'neutral', $from->neutral, $to->neutral, $cable);
        $this->conductor($graph, 'ground', $from->ground, $to->ground, $cable);
    }
}
