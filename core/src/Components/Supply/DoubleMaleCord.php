<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Role;

/** A cord with a plug at both ends: it feeds a rig through a receptacle that was made to give. */
final class DoubleMaleCord extends Component
{
    public static function type(): string
    {
        return 'double_male_cord';
    }

    public static function summary(): string
    {
        return 'A cord with male plugs at both ends, by which somebody feeds the rig through one of its receptacles: ' .
            'of a circuit ("circuit"), or an output taken for an inlet ("outlet").';
    }

    public static function fields(): array
    {
        return [
            'from' => Field::group('Receptacle it is fed from', self::end(self::GIVES)),
            'circuit' => Field::ref('Circuit whose receptacle it feeds', 'circuit')->optional(),
            'outlet' => Field::group('Output that it feeds', self::end(self::GIVES))->optional(),
        ];
    }

    public function referenceProblems(array $others): array
    {
        $circuit = $this->values->text('circuit');

        return [
            ...$this->portProblems($others, 'from'),
            ...$circuit === '' ? [] : $this->mustBe($others, '/circuit', $circuit, Circuit::class),
            ...$this->values->has('outlet') ? $this->portProblems($others, 'outlet') : [],
            ...($circuit === '') === !$this->values->has('outlet')
                ? [['/circuit', 'name the circuit whose receptacle it feeds, or the output: one of the two.']]
                : [],
        ];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $circuit = $this->values->text('circuit');
        $from = self::portOf($rig, $this->values->group('from'));
        $into = $circuit === '' ? self::portOf($rig, $this->values->group('outlet')) : Port::named($circuit);
        if ($from === null || $into === null) {
            return;
        }
        $plug = "{$this->id}.plug";
        $graph->device(
            new Device($plug, $this->id, $this->label(), 'plug', ['out' => 'in the box', 'in' => 'plugged in'], 'out'),
        );
        foreach (
            [
                ['l', $from->hot, $into->hot, Role::L1],
                ['n', $from->neutral, $into->neutral, Role::N],
                ['g', $from->ground, $into->ground, Role::PE],
            ]
            as [$pole, $a, $b, $role]
        ) {
            $graph->contact("{$plug}_{$pole}", $this->id, $a, $b, $role, $plug, ['in']);
        }
        $graph->bothMale[$this->id] = $circuit === '' ? 'output' : 'circuit';
    }

    public function plate(): Plate
    {
        return new Plate('supplies', 'chip', 1, ['plugs at both ends']);
    }
}
