<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Turn;

/** A rotary switch between two batteries. On its way from one to the other it passes through both. */
final class BatterySelector extends Component
{
    public static function type(): string
    {
        return 'battery_selector';
    }

    public static function summary(): string
    {
        return 'A rotary switch: off, 1, both, 2. From 1 to 2 it goes through "both", where the two batteries are ' .
            'joined. Terminals: one, two, common.';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::number('Rating, continuous', 'A', 30, 1000)->plausibly(
                Plausible::times(0.5, 1, 'the figure on the knob is often that for minutes'),
            ),
            'usual' => Field::choice('Usually at', ['one' => '1', 'two' => '2', 'both' => 'both', 'off' => 'off']),
            'passesBoth' => Field::flag('Passes through both on the turn')
                ->optional()
                ->note('yes where it is left out: make before break, so that a running alternator keeps its battery'),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.one", "{$this->id}.two", "{$this->id}.common"];
    }

    /** Whether both batteries are joined for a moment on the turn. */
    public function passesBoth(): bool
    {
        return !$this->values->has('passesBoth') || $this->values->flag('passesBoth');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->device(
            new Device(
                "{$this->id}.switch",
                $this->id,
                $this->label(),
                'switch',
                ['one' => '1', 'both' => 'both', 'two' => '2', 'off' => 'off'],
                $this->values->text('usual'),
            ),
        );
        if ($this->passesBoth()) {
            $graph->turns[] = new Turn($this->id, "{$this->id}.switch", 'both', ['one', 'two']);
        }
        $rating = new Rating($this->values->number('ratingA'), 'switch');
        foreach (['one', 'two'] as $side) {
            $graph->contact(
                "{$this->id}.{$side}_pole",
                $this->id,
                "{$this->id}.{$side}",
                "{$this->id}.common",
                Role::DcPositive,
                "{$this->id}.switch",
                [$side, 'both'],
                $rating,
            );
        }
    }

    public function plate(): Plate
    {
        return new Plate(
            'deck',
            'bar',
            3,
            [sprintf('%g A · at %s', $this->values->number('ratingA'), $this->values->text('usual'))],
            'positive',
        );
    }
}
