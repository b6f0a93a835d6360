<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;

/** A current shunt in the negative; everything it should count returns to its load side. */
final class Shunt extends Component
{
    /** Volts a shunt drops at its rating: 50 mV is the usual class. */
    private const DROP_V = 0.05;

    public static function type(): string
    {
        return 'shunt';
    }

    public static function summary(): string
    {
        return 'A current shunt in the battery negative. Terminals: battery, load.';
    }

    public static function fields(): array
    {
        return ['ratingA' => Field::number('Rating', 'A', 10, 1000), ...Studs::fields()];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.battery", "{$this->id}.load"];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->conductor(
            "{$this->id}.element",
            $this->id,
            "{$this->id}.battery",
            "{$this->id}.load",
            Role::DcNegative,
            rating: new Rating($this->values->number('ratingA'), 'shunt'),
            ohm: self::DROP_V / $this->values->number('ratingA'),
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 1, [sprintf('%g A', $this->values->number('ratingA'))], 'negative');
    }
}
