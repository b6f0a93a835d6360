<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Switching;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;

/** An AC disconnect: a switch in one cable, that opens both poles or the hot alone and protects nothing. */
final class AcSwitch extends Component
{
    public static function type(): string
    {
        return 'ac_switch';
    }

    public static function summary(): string
    {
        return 'An AC disconnect in a cable: opens hot and neutral, or the hot alone; the ground goes through. It ' .
            'protects nothing by itself, unless it holds a fuse. Ports: in, out.';
    }

    public static function fields(): array
    {
        return [
            'poles' => Field::choice('Poles', ['two' => 'hot and neutral', 'one' => 'hot only']),
            'ratingA' => Field::integer('Rating, A', 10, 60),
            'fuseA' => Field::integer('Fuse in its hot, A', 5, 60)->optional()->note('none where left out'),
            'usual' => Field::choice('Usually', ['on' => 'on', 'off' => 'off'])->optional(),
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
        $graph->device(
            new Device(
                "{$this->id}.handle",
                $this->id,
                $this->label(),
                'switch',
                ['on' => 'on', 'off' => 'off'],
                $this->values->text('usual', 'on'),
            ),
        );
        $out = Port::named("{$this->id}.out");
        $fuse = $this->values->numberOrNull('fuseA');
        $graph->poles(
            $this->id,
            $this->id,
            Port::named("{$this->id}.in"),
            $fuse === null ? $out : new Port("{$this->id}.fused", $out->neutral, $out->ground),
            "{$this->id}.handle",
            ['on'],
            new Rating($this->values->number('ratingA'), 'switch'),
            $this->values->text('poles') === 'two',
        );
        if ($fuse !== null) {
            $graph->conductor(
                "{$this->id}.fuse",
                $this->id,
                "{$this->id}.fused",
                $out->hot,
                Role::L1,
                rating: new Rating($fuse, 'fuse', true),
            );
        }
    }

    public function plate(): Plate
    {
        return new Plate('switching', 'gate', 2, [
            sprintf(
                '%g A · %s',
                $this->values->number('ratingA'),
                $this->values->text('poles') === 'two' ? 'two-pole' : 'one-pole',
            ),
        ]);
    }
}
