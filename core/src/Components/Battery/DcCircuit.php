<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\FuseFamily;

/** A 12 V branch circuit: its blade fuse in a 12 V panel, its pair of wires, what it draws. */
final class DcCircuit extends Component
{
    public static function type(): string
    {
        return 'dc_circuit';
    }

    public static function summary(): string
    {
        return 'A 12 V branch circuit of a 12 V panel: fuse, wires out and back, and what hangs on it. What the ' .
            'panel itself is said to draw is everything that is not listed as a circuit. Terminals: pos, neg, at ' .
            'its load.';
    }

    public static function fields(): array
    {
        return [
            'panel' => Field::ref('12 V panel', 'dc_panel'),
            'fuseA' => Field::number('Fuse', 'A', 1, 40)->plausibly(
                Plausible::oneOf('a blade fuse is changed for the next one at hand', 5, 10, 15, 20, 30),
            ),
            'amps' => Field::number('Draw', 'A', 0, 40)->plausibly(
                Plausible::times(0.5, 1.5, 'a draw is a guess until a clamp has been around it'),
            ),
            'use' => Field::choice('Use', [
                'other' => 'lights, pump, fan and the like',
                'socket' => 'socket',
                'detector' => 'gas or CO detector',
                'breakaway' => 'breakaway brakes',
            ]),
            'cable' => Field::cable('Cable'),
            'wallSwitch' => Field::flag('Has a wall switch')->optional(),
            'behind' => Field::ref('Behind the wall switch of', 'dc_circuit')
                ->optional()
                ->note('it goes dead with that switch too'),
            'socketA' => Field::number('Rating of the socket', 'A', 1, 60)->optional(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** Id of the 12 V panel its fuse sits in. */
    public function panel(): string
    {
        return $this->values->text('panel');
    }

    /** Its pair of wires, one way. */
    public function cable(): Cable
    {
        return $this->values->cable('cable', 'single') ?? throw new \LogicException('checked by the schema');
    }

    /**
     * As a row of its panel on the wall.
     *
     * @return array<string, mixed>
     */
    public function row(int $slot): array
    {
        return [
            'kind' => 'fuse',
            'circuit' => $this->id,
            'slot' => $slot,
            'half' => '',
            'label' => $this->label(),
            'ratingA' => $this->values->number('fuseA'),
            'device' => null,
            'carries' => ["{$this->id}.branch"],
            'cable' => Link::spoken($this->cable()),
            'assumed' => $this->assumptions(),
        ];
    }

    public function referenceProblems(array $others): array
    {
        return [...$this->mustBe($others, '/panel', $this->panel(), DcPanel::class), ...$this->behindProblems($others)];
    }

    /** The circuit whose wall switch this one hangs behind as well; empty for none. */
    public function behind(): string
    {
        return $this->values->text('behind');
    }

    /** Whether a wall switch of its own parts it. */
    public function hasWallSwitch(): bool
    {
        return $this->values->flag('wallSwitch');
    }

    /**
     * @param array<string, Component> $others
     * @return list<array{string, string}>
     */
    private function behindProblems(array $others): array
    {
        $behind = $this->behind();
        $seen = [$this->id => true];
        for ($at = $behind; $at !== ''; $at = $next->behind()) {
            $next = $others[$at] ?? null;
            if (!($next instanceof self)) {
                return $this->mustBe($others, '/behind', $at, self::class);
            }
            if (isset($seen[$at])) {
                return [['/behind', 'comes back to itself: one of these circuits is the first.']];
            }
            $seen[$at] = true;
        }
        $first = $others[$behind] ?? null;

        return $first instanceof self && !$first->hasWallSwitch()
            ? [['/behind', sprintf('%s has no wall switch that this could hang behind.', $first->label())]]
            : [];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $use = $this->values->text('use');
        $fuse = new Rating(
            $this->values->number('fuseA'),
            'fuse',
            true,
            FuseFamily::Blade,
            $this->values->basis('fuseA') === Basis::Assumed,
        );
        $from = $this->behind() === '' ? "{$this->panel()}.pos" : "{$this->behind()}.switched";
        $graph->conductor("{$this->id}.branch", $this->id, $from, "{$this->id}.fused", Role::DcPositive, rating: $fuse);
        $at = "{$this->id}.fused";
        if ($this->hasWallSwitch()) {
            $device = "{$this->id}.wall_switch";
            $at = "{$this->id}.switched";
            $label = "Wall switch of {$this->label()}";
            $graph->device(new Device($device, $this->id, $label, 'switch', ['on' => 'on', 'off' => 'off'], 'on'));
            $graph->contact("{$device}_pole", $this->id, "{$this->id}.fused", $at, Role::DcPositive, $device, ['on']);
        }
        $graph->conductor("{$this->id}.out", $this->id, $at, "{$this->id}.pos", Role::DcPositive, $this->cable());
        $graph->conductor(
            "{$this->id}.back",
            $this->id,
            "{$this->id}.neg",
            "{$this->panel()}.neg",
            Role::DcNegative,
            $this->cable(),
            rating: $this->values->has('socketA') ? new Rating($this->values->number('socketA'), 'socket') : null,
        );
        $graph->user(
            Load::direct(
                $this->id,
                $this->label(),
                $this->values->number('amps'),
                in_array($use, ['detector', 'breakaway'], true) ? $use : '',
            ),
        );
    }
}
