<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\ExposedPins;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;

/**
 * A cord with male blades that a person plugs in: the inlet, a captive cord, a generator inlet, or a
 * plug moved by hand between two receptacles. Its blades are bare when nothing is mated.
 */
final class Inlet extends Component
{
    public static function type(): string
    {
        return 'inlet';
    }

    public static function summary(): string
    {
        return 'The inlet or captive cord by which power enters, or a plug moved by hand. It can be in one supply, ' .
            'generator or receptacle at a time; its male pins can be touched while unplugged. Port: out.';
    }

    public static function fields(): array
    {
        return [
            'ratingA' => Field::integer('Rating, A', 10, 50),
            'form' => Field::choice('Form', [
                'inlet' => 'inlet with detachable cord',
                'captive' => 'captive cord',
                'plug' => 'plug moved by hand',
            ]),
            'cord' => Field::cable('Cord'),
            'into' => Field::map('Receptacles in the rig it can be plugged into', self::end(self::GIVES))->optional(),
            'usual' => Field::text('Receptacle it is usually in', 40)
                ->optional()
                ->note('the id of one of these; unplugged when left out'),
        ];
    }

    public static function portNames(): array
    {
        return ['out'];
    }

    public function port(string $name): ?Port
    {
        return $name === 'out' ? Port::named($this->id) : null;
    }

    /** Of its pins, A. */
    public function ratingA(): float
    {
        return $this->values->number('ratingA');
    }

    /** Id of the device that its cord's plug is. */
    public function plug(): string
    {
        return "{$this->id}.plug";
    }

    /**
     * Everything its cord can be plugged into: position => owner, words, port, rating.
     *
     * @return array<string, array{owner: string, words: string, port: Port, ratingA: float}>
     */
    public function places(\Hollin\Core\Components\Rig $rig): array
    {
        $places = [];
        foreach ($rig->components as $id => $component) {
            foreach ($component->offersTo($this->id) as $position => $offer) {
                $places[$position] = ['owner' => $id] + $offer;
            }
        }
        foreach ($this->values->entries('into') as $position => $end) {
            $at = $rig->find($end->text('at'));
            $port = $at?->port($end->text('port'));
            if ($at !== null && $port !== null) {
                $places[$position] = [
                    'owner' => $at->id,
                    'words' => 'plugged into ' . $at->label(),
                    'port' => $port,
                    'ratingA' => INF,
                ];
            }
        }

        return $places;
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $pins = new Port("{$this->id}.pin_l", "{$this->id}.pin_n", "{$this->id}.pin_g");
        $graph->cable(
            $this->id,
            $pins,
            Port::named($this->id),
            $this->values->cable('cord'),
            new Rating($this->ratingA(), 'pins'),
        );
        $positions = ['out' => 'unplugged'];
        $selects = $mates = [];
        foreach ($this->places($rig) as $position => $place) {
            $positions[$position] = $place['words'];
            $selects[$position] = $place['port']->hot;
            $key = $place['owner'] . '|' . $place['port']->hot;
            $mates[$key] ??= ['port' => $place['port'], 'owner' => $place['owner'], 'in' => []];
            $mates[$key]['in'][] = $position;
        }
        $usual = $this->values->text('usual', 'out');
        $label = $this->values->text('form') === 'plug' ? $this->label() : 'Shore cord';
        $graph->device(
            new Device(
                $this->plug(),
                $this->id,
                $label,
                'plug',
                $positions,
                isset($positions[$usual]) ? $usual : 'out',
                selects: $selects,
            ),
        );
        foreach ($mates as $mate) {
            $graph->poles(
                "{$this->id}.mate_{$mate['in'][0]}",
                $mate['owner'],
                $mate['port'],
                $pins,
                $this->plug(),
                $mate['in'],
                ground: true,
            );
        }
        $graph->exposed[] = new ExposedPins(
            $this->id,
            $this->label(),
            ['hot' => $pins->hot, 'neutral' => $pins->neutral],
            $this->plug(),
            ['out'],
        );
    }

    public function limits(): array
    {
        return [
            new Limit(
                $this->values->number('ratingA'),
                'A',
                'everything plugged in together',
                Limit::assumed($this, 'ratingA'),
            ),
        ];
    }

    public function plate(): Plate
    {
        $cord = $this->values->cable('cord');
        $form = ['captive' => 'captive cord', 'plug' => 'plug'][$this->values->text('form')] ?? 'inlet';

        return new Plate($this->values->text('form') === 'plug' ? 'switching' : 'supplies', 'chip', 1, [
            sprintf('%d A %s', $this->ratingA(), $form),
            $cord?->spoken() . ' cord',
        ]);
    }

    public function referenceProblems(array $others): array
    {
        $problems = [];
        foreach ($this->values->entries('into') as $position => $end) {
            array_push($problems, ...$this->endProblems($others, $end, "/into/{$position}"));
        }

        return $problems;
    }

    public function links(Rig $rig): array
    {
        // A link for each owner of a place that the cord can be plugged into.
        $owners = [];
        foreach ($this->places($rig) as $position => $place) {
            $owners[$place['owner']]['port'] = $place['port'];
            $owners[$place['owner']]['positions'][] = (string) $position;
        }
        $links = [];
        foreach ($owners as $owner => ['port' => $port, 'positions' => $positions]) {
            $mate = "{$this->id}.mate_{$positions[0]}";
            $links[] = Link::ac(
                $mate,
                $rig->find($owner)?->receptacleAt($rig) ?? ['c' => $owner],
                ['c' => $this->id],
                [$port->hot, "{$this->id}.pin_l"],
                [$port->neutral, "{$this->id}.pin_n"],
                ["{$mate}_l", "{$mate}_n", "{$this->id}.hot"],
                ['gate' => $this->plug(), 'gateIn' => $positions],
            );
        }

        return $links;
    }
}
