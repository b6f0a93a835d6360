<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Purpose;
use Hollin\Core\Network\Role;

/** The one bond of the DC negative to the frame. */
final class FrameBond extends Component
{
    public static function type(): string
    {
        return 'frame_bond';
    }

    public static function summary(): string
    {
        return 'A bond of the DC negative to the frame; one, on the load side of the shunt.';
    }

    public static function fields(): array
    {
        return ['from' => Field::terminal('From'), 'cable' => Field::cable('Cable')];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->conductor(
            "{$this->id}.strap",
            $this->id,
            $this->values->text('from'),
            'frame',
            Role::PE,
            $this->values->cable('cable'),
            Purpose::Bonding,
        );
    }

    public function referenceProblems(array $others): array
    {
        return Lead::landing($others, '/from', $this->values->text('from'));
    }

    public function links(Rig $rig): array
    {
        $cable = $this->values->cable('cable');

        return [
            Link::dc(
                $this->id,
                'bond',
                $this->values->text('from'),
                'frame',
                $cable,
                $this->values,
                "{$this->id}.strap",
            ),
        ];
    }
}
