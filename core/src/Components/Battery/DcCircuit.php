<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
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
                'detector' => 'gas or CO detector',
                'breakaway' => 'breakaway brakes',
            ]),
            'cable' => Field::cable('Cable'),
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
        return $this->mustBe($others, '/panel', $this->panel(), DcPanel::class);
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $use = $this->values->text('use');
        $graph->conductor(
            "{$this->id}.branch",
            $this->id,
            "{$this->panel()}.pos",
            "{$this->id}.fused",
            Role::DcPositive,
            rating: new Rating(
                $this->values->number('fuseA'),
                'fuse',
                true,
                FuseFamily::Blade,
                $this->values->basis('fuseA') === Basis::Assumed,
            ),
        );
        $graph->conductor(
            "{$this->id}.out",
            $this->id,
            "{$this->id}.fused",
            "{$this->id}.pos",
            Role::DcPositive,
            $this->cable(),
        );
        $graph->conductor(
            "{$this->id}.back",
            $this->id,
            "{$this->id}.neg",
            "{$this->panel()}.neg",
            Role::DcNegative,
            $this->cable(),
        );
        $graph->user(
            Load::direct($this->id, $this->label(), $this->values->number('amps'), $use === 'other' ? '' : $use),
        );
    }
}
