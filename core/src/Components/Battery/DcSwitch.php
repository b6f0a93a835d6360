<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;

/** A battery disconnect. */
final class DcSwitch extends Component
{
    public static function type(): string
    {
        return 'dc_switch';
    }

    public static function summary(): string
    {
        return 'A battery disconnect, usually in the positive; one in the negative leaves every positive live. ' .
            'Terminals: in, out.';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::number('Continuous rating', 'A', 10, 1000)->plausibly(
                Plausible::times(0.5, 1, 'the large figure on it is often the one for seconds'),
            ),
            'usual' => Field::choice('Usually', ['on' => 'closed', 'off' => 'open'])->optional(),
            'prechargeOhm' => Field::number('Fills capacitors first through', 'Ω', 1, 1000)
                ->optional()
                ->note('the resistor across it, by a push button or by itself; none where left out'),
            ...Studs::fields(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.in", "{$this->id}.out"];
    }

    /** What it carries, A. */
    public function ratingA(): float
    {
        return $this->values->number('ratingA');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->device(
            new Device(
                "{$this->id}.handle",
                $this->id,
                $this->label(),
                'disconnect',
                ['on' => 'closed', 'off' => 'open'],
                $this->values->text('usual', 'on'),
            ),
        );
        $precharge = $this->values->numberOrNull('prechargeOhm');
        if ($precharge !== null) {
            $graph->precharged["{$this->id}.pole"] = $precharge;
        }
        $graph->contact(
            "{$this->id}.pole",
            $this->id,
            "{$this->id}.in",
            "{$this->id}.out",
            Role::DcPositive,
            "{$this->id}.handle",
            ['on'],
            new Rating($this->ratingA(), 'switch', assumed: $this->values->basis('ratingA') === Basis::Assumed),
        );
        $graph->occasions[] = new Occasion(
            $this->id,
            'storage',
            'storage',
            '',
            About::Storage,
            'X',
            mode: 'off',
            once: true,
            disconnect: 'off',
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 2, [sprintf('%g A', $this->ratingA())]);
    }
}
