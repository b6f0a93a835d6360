<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;

/**
 * An energy-management and surge unit: it tests a supply, lets it in after a delay, and opens its
 * poles when the supply is wrong. It never opens the equipment ground.
 */
final class SurgeUnit extends Component
{
    /** Volts it takes when nobody has read its own, V (common practice, no source). */
    private const LOW_V = 104.0;

    private const HIGH_V = 132.0;

    public static function type(): string
    {
        return 'surge_unit';
    }

    public static function summary(): string
    {
        return 'An energy-management and surge unit, at the cord or inside: opens its poles on wrong voltage, ' .
            'reversed polarity or open ground, closes after its delay, never opens the ground. Ports: in, out.';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::integer('Rating, A', 15, 50),
            'mount' => Field::choice('Mount', ['cord' => 'at the cord', 'inside' => 'hard-wired inside']),
            'opens' => Field::choice('Opens', ['both' => 'hot and neutral', 'hot' => 'hot only']),
            'delayS' => Field::number('Test delay', 's', 0, 300),
            'lowV' => Field::number('Cuts off below', 'V', 90, 115)->optional(),
            'highV' => Field::number('Cuts off above', 'V', 125, 145)->optional(),
            'bypass' => Field::flag('Has a bypass switch')->optional(),
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

    /** @return array{float, float} */
    public function window(): array
    {
        return [$this->values->number('lowV', self::LOW_V), $this->values->number('highV', self::HIGH_V)];
    }

    protected function facts(): array
    {
        return ['cutOff' => $this->cutOff()];
    }

    /** Id of the device that cuts off. */
    public function cutOff(): string
    {
        return "{$this->id}.cut_off";
    }

    /** Id of its bypass switch. */
    public function bypassSwitch(): string
    {
        return "{$this->id}.bypass";
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $in = Port::named("{$this->id}.in");
        $out = Port::named("{$this->id}.out");
        if ($this->values->flag('bypass')) {
            $graph->device(
                new Device(
                    $this->bypassSwitch(),
                    $this->id,
                    $this->label() . ' bypass',
                    'switch',
                    ['in_use' => 'in use', 'bypassed' => 'bypassed'],
                    'in_use',
                ),
            );
        }
        $positions =
            ['open' => 'cut off', 'closed' => 'lets the supply in'] +
            ($this->values->flag('bypass') ? ['past' => 'bypassed, everything passes'] : []);
        $graph->device(
            new Device(
                $this->cutOff(),
                $this->id,
                $this->label(),
                'relay',
                $positions,
                'open',
                new SurgeLogic($this),
                judgesVolts: true,
            ),
        );
        $graph->poles(
            $this->id,
            $this->id,
            $in,
            $out,
            $this->cutOff(),
            ['closed', 'past'],
            new Rating($this->values->number('ratingA'), 'relay'),
            $this->values->text('opens') === 'both',
        );
    }

    public function plate(): Plate
    {
        return new Plate($this->values->text('mount') === 'cord' ? 'supplies' : 'switching', 'gate', 2, [
            sprintf('%g A · waits %g s', $this->values->number('ratingA'), $this->values->number('delayS')),
            'opens ' . ($this->values->text('opens') === 'both' ? 'hot and neutral' : 'hot only'),
        ]);
    }
}
