<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\CutOut;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\TowPins;

/** A socket in the side wall for a portable panel: whatever its cover says, a line to the battery. */
final class SideInlet extends Component
{
    /** Of the open-circuit volts, where a panel works (common practice, no source). */
    private const WORKS_AT = 0.83;

    public static function type(): string
    {
        return 'side_inlet';
    }

    public static function summary(): string
    {
        return 'A socket in the side wall for a portable panel. Behind its cover it is a line to the battery. ' .
            'Terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'panelW' => Field::number('Portable panel', 'W', 10, 800)->plausibly(
                Plausible::times(0.5, 2, 'whatever panel comes along is plugged in'),
            ),
            'panelVoc' => Field::number('Volts of that panel, open circuit', 'V', 5, 100)->plausibly(
                Plausible::times(0.9, 1.1, 'open circuit, working point and nominal volts are mixed up'),
            ),
            'controller' => Field::choice('Controller', [
                'panel' => 'on the panel',
                'none' => 'none: straight onto the battery',
            ]),
            ...CutOut::fields(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $plug = "{$this->id}.plug";
        $graph->device(
            new Device($plug, $this->id, $this->label(), 'plug', ['out' => 'nothing in it', 'in' => 'panel'], 'out'),
        );
        SolarCharger::sun($graph, $this->id, $this->label(), [$plug => 'in']);
        $open = $this->values->number('panelVoc');
        $holds = $this->values->text('controller') === 'panel' ? 14.4 : $open;
        $watts = $this->values->number('panelW');
        $graph->charger(
            new PowerConverter(
                "{$this->id}.output",
                $this->id,
                PowerConverter::FIELD,
                ["{$this->id}.pos", "{$this->id}.neg"],
                ["{$this->id}.pos", "{$this->id}.neg"],
                $holds,
                $watts / (self::WORKS_AT * $open),
                1.0,
                0.0,
                device: $plug,
                positions: ['in'],
                nominalV: 12.0,
                profile: $this->values->text('controller') === 'panel' ? 'chosen' : '',
                fieldW: $watts,
            ),
            $this->label(),
            SolarCharger::SUN,
        );
        $graph->towPins[] = new TowPins(
            $this->id,
            $plug,
            'out',
            "{$this->id}.pos",
            "{$this->id}.neg",
            'With nothing in it, the contact of',
        );
        if ($this->values->text('controller') === 'none') {
            $graph->unregulated[$this->id] = $open;
        }
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 1, [
            sprintf('%g W panel', $this->values->number('panelW')),
            $this->values->text('controller') === 'panel' ? 'controller on it' : 'no controller',
        ]);
    }
}
