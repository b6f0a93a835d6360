<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Switching;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;

/** A three-position switch around an inverter/charger: through the unit, off, straight past it. */
final class Bypass extends Component
{
    public static function type(): string
    {
        return 'bypass';
    }

    public static function summary(): string
    {
        return 'A three-position bypass around an inverter/charger: through the unit, off, past it. It should break ' .
            'before make and part the unit\'s output. Ports: in (supply), out (panel), unit_in (to the unit), ' .
            'unit_out (from it).';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::integer('Rating, A', 15, 60),
            'poles' => Field::choice('Poles', ['two' => 'hot and neutral', 'one' => 'hot only']),
            'parts' => Field::flag('Parts the unit\'s output while bypassed'),
        ];
    }

    public static function portNames(): array
    {
        return ['in', 'out', 'unit_in', 'unit_out'];
    }

    public function port(string $name): ?Port
    {
        return in_array($name, self::portNames(), true) ? Port::named("{$this->id}.{$name}") : null;
    }

    /** Id of its device. */
    public function handle(): string
    {
        return "{$this->id}.handle";
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $two = $this->values->text('poles', 'two') === 'two';
        $rating = new Rating($this->values->number('ratingA'), 'switch');
        $port = fn(string $name): Port => Port::named("{$this->id}.{$name}");
        $graph->device(
            new Device(
                $this->handle(),
                $this->id,
                $this->label(),
                'switch',
                [
                    'unit' => 'through the unit',
                    'off' => 'off',
                    'past' => 'past the unit',
                ],
                'unit',
            ),
        );
        $graph->poles(
            "{$this->id}.feed",
            $this->id,
            $port('in'),
            $port('unit_in'),
            $this->handle(),
            ['unit'],
            $rating,
            $two,
        );
        $graph->poles(
            "{$this->id}.back",
            $this->id,
            $port('unit_out'),
            $port('out'),
            $this->handle(),
            $this->values->flag('parts') ? ['unit'] : ['unit', 'past'],
            $rating,
            $two,
        );
        $graph->poles(
            "{$this->id}.past",
            $this->id,
            $port('in'),
            $port('out'),
            $this->handle(),
            ['past'],
            $rating,
            $two,
        );
        $graph->occasions[] = new Occasion(
            $this->id,
            'bypassed',
            'shore, inverter/charger bypassed',
            '',
            About::Shore,
            'Y',
            mode: 'off',
            once: true,
            bypass: 'past',
        );
    }

    public function plate(): Plate
    {
        return new Plate('switching', 'gate', 1, [
            sprintf(
                '%g A · %s',
                $this->values->number('ratingA'),
                $this->values->text('poles', 'two') === 'two' ? 'two-pole' : 'one-pole',
            ),
            'unit / off / past',
        ]);
    }
}
