<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\TowPins;

/** The plug by which a trailer hangs on the vehicle in front: its charge pin and its ground pin. */
final class TowPlug extends Component
{
    public static function type(): string
    {
        return 'tow_plug';
    }

    public static function summary(): string
    {
        return 'The plug of the trailer\'s cord: charge pin and ground pin. What is on the vehicle\'s side (battery, ' .
            'alternator, fuse, wire) lands on in_pos and in_neg, the charge line of the trailer on pos and neg. ' .
            'Terminals: in_pos, in_neg, pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'pinA' => Field::number('Rating of the charge pin', 'A', 5, 100)->plausibly(
                Plausible::oneOf('charge pins of seven-way plugs are made for 20 to 40 A', 20, 30, 40),
            ),
            'contactMilliohm' => Field::number('Resistance of each pin', 'mΩ', 0.1, 500)
                ->optional()
                ->plausibly(Plausible::times(0.5, 5, 'pins corrode')),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.in_pos", "{$this->id}.in_neg", "{$this->id}.pos", "{$this->id}.neg"];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $plug = "{$this->id}.plug";
        $graph->device(
            new Device($plug, $this->id, $this->label(), 'plug', ['out' => 'unhitched', 'in' => 'hitched'], 'out'),
        );
        $ohm = $this->values->numberOrNull('contactMilliohm');
        foreach (['pos' => Role::DcPositive, 'neg' => Role::DcNegative] as $pole => $role) {
            $graph->contact(
                "{$this->id}.{$pole}_pin",
                $this->id,
                "{$this->id}.in_{$pole}",
                "{$this->id}.{$pole}",
                $role,
                $plug,
                ['in'],
                new Rating($this->values->number('pinA'), 'pins'),
                $ohm === null ? null : $ohm / 1000,
            );
        }
        $graph->towed[$plug] = 'in';
        $graph->towPins[] = new TowPins($this->id, $plug, 'out', "{$this->id}.pos", "{$this->id}.neg");
        $graph->occasions[] = new Occasion(
            $this->id,
            'hitched',
            'hitched, engine off',
            $this->label(),
            About::Driving,
            'V',
            mode: 'off',
            once: true,
            also: [$plug => 'in'],
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 1, [sprintf('%g A pin', $this->values->number('pinA'))]);
    }
}
