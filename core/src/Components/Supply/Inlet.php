<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\CutOut;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\ExposedPins;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;

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
            'extension' => Field::cable('Extension cord before it')->optional(),
            'adapterA' => Field::number('Smallest plug or adapter before it', 'A', 5, 50)
                ->optional()
                ->plausibly(Plausible::oneOf('what is in the box is what gets used', 10, 13, 15, 20)),
            'contactMilliohm' => Field::number('Contacts of those plugs, there and back', 'mΩ', 0.5, 2000)
                ->optional()
                ->plausibly(Plausible::times(0.5, 10, 'worn blades heat')),
            'into' => Field::map('Receptacles in the rig it can be plugged into', self::end(self::GIVES))->optional(),
            'usual' => Field::text('Receptacle it is usually in', 40)
                ->optional()
                ->note('the id of one of these; unplugged when left out'),
            ...CutOut::fields(),
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
        $far = $this->before($graph, $pins);
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
                $far,
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

    /** Extension cord, adapters and their contacts between the receptacle and its own cord: where they begin. */
    private function before(Graph $graph, Port $pins): Port
    {
        $cable = $this->values->cable('extension');
        $rated = $this->values->numberOrNull('adapterA');
        $contacts = $this->values->numberOrNull('contactMilliohm');
        if ($cable === null && $rated === null && $contacts === null) {
            return $pins;
        }
        $far = new Port("{$this->id}.far_l", "{$this->id}.far_n", "{$this->id}.far_g");
        $near = new Port("{$this->id}.near_l", "{$this->id}.near_n", "{$this->id}.near_g");
        foreach (['l' => Role::L1, 'n' => Role::N, 'g' => Role::PE] as $pole => $role) {
            $graph->conductor(
                "{$this->id}.plugs_{$pole}",
                $this->id,
                "{$this->id}.far_{$pole}",
                "{$this->id}.near_{$pole}",
                $role,
                rating: $role === Role::L1 && $rated !== null ? new Rating($rated, 'plug') : null,
                ohm: $contacts === null ? null : $contacts / 2000,
            );
        }
        foreach (
            [
                [$near->hot, $pins->hot, Role::L1],
                [$near->neutral, $pins->neutral, Role::N],
                [$near->ground, $pins->ground, Role::PE],
            ]
            as $n => [$from, $to, $role]
        ) {
            $graph->conductor("{$this->id}.extension_{$n}", $this->id, $from, $to, $role, $cable);
        }

        return $far;
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
