<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;

/** A box in which two cables are joined: where a device came out, or a run was lengthened. */
final class SpliceBox extends Component
{
    public static function type(): string
    {
        return 'splice_box';
    }

    public static function summary(): string
    {
        return 'A box with splices: where a factory inverter came out and its wires were joined through, or a cable ' .
            'was lengthened. Ports: in, out.';
    }

    public static function fields(): array
    {
        return [
            'volumeCm3' => Field::number('Volume inside', 'cm³', 50, 3000)->plausibly(
                Plausible::times(0.7, 1.4, 'it is stamped inside; outside it cannot be told'),
            ),
            'moreCables' => Field::integer('Further cables in the box', 0, 8)->optional(),
            'moreSize' => Field::size('Their conductor size')->optional(),
            'clamps' => Field::flag('Clamps inside the box')->optional(),
        ];
    }

    public static function portNames(): array
    {
        return ['in', 'out'];
    }

    public function port(string $name): ?Port
    {
        return in_array($name, self::portNames(), true) ? Port::named("{$this->id}.{$name}") : null;
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->cable($this->id, Port::named("{$this->id}.in"), Port::named("{$this->id}.out"), null);
    }

    public function plate(): Plate
    {
        return new Plate('switching', 'chip', 4, [sprintf('%g cm³', $this->values->number('volumeCm3'))]);
    }
}
