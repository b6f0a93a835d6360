<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\VoltContact;

/** A low-voltage cut-off: it parts what hangs on it from a battery that is nearly empty, and joins it again. */
final class CutOff extends Component
{
    public static function type(): string
    {
        return 'cut_off';
    }

    public static function summary(): string
    {
        return 'A low-voltage cut-off between a battery and what hangs on it. It looks at the volts of its battery ' .
            'side. Terminals: in (battery), out (loads), neg (what it senses against).';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::number('Rating, continuous', 'A', 5, 600)->plausibly(
                Plausible::times(0.5, 1, 'the figure on the case is often that for seconds'),
            ),
            'opensV' => Field::number('Opens below', 'V', 9, 56)->plausibly(
                Plausible::times(0.97, 1.03, 'it is as somebody has set it'),
            ),
            'closesV' => Field::number('Closes again from', 'V', 9, 60)->plausibly(
                Plausible::times(0.97, 1.03, 'it is as somebody has set it'),
            ),
            'opensAfterS' => Field::number('Opens after', 's', 0, 600)->optional(),
            'closesAfterS' => Field::number('Closes after', 's', 0, 600)->optional(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.in", "{$this->id}.out", "{$this->id}.neg"];
    }

    public function referenceProblems(array $others): array
    {
        [$opens, $closes] = [$this->values->number('opensV'), $this->values->number('closesV')];

        return $opens < $closes
            ? []
            : [
                [
                    '/opensV',
                    sprintf(
                        'is %g V, not below the %g V from which it closes again: it could never rest.',
                        $opens,
                        $closes,
                    ),
                ],
            ];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $relay = "{$this->id}.relay";
        $graph->terminal("{$this->id}.neg");
        $graph->device(
            new Device(
                $relay,
                $this->id,
                $this->label(),
                'relay',
                ['closed' => 'closed', 'open' => 'open'],
                'closed',
                byItself: true,
            ),
        );
        $graph->voltContacts[] = new VoltContact(
            VoltContact::CUT_OFF,
            $this->id,
            $relay,
            "{$this->id}.in",
            "{$this->id}.out",
            [["{$this->id}.in", "{$this->id}.neg"]],
            $this->values->number('closesV'),
            $this->values->number('opensV'),
            $this->values->number('closesAfterS', 0.0),
            $this->values->number('opensAfterS', 0.0),
        );
        $graph->contact(
            "{$this->id}.pole",
            $this->id,
            "{$this->id}.in",
            "{$this->id}.out",
            Role::DcPositive,
            $relay,
            ['closed'],
            new Rating($this->values->number('ratingA'), 'relay'),
        );
        $graph->occasions[] = Occasion::empty($this->id, $this->label(), [$relay => 'open']);
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 3, [
            sprintf('%g A', $this->values->number('ratingA')),
            sprintf('%g / %g V', $this->values->number('opensV'), $this->values->number('closesV')),
        ]);
    }
}
