<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\FuseFamily;

/** The 12 V fuse panel. */
final class DcPanel extends Component
{
    public static function type(): string
    {
        return 'dc_panel';
    }

    public static function summary(): string
    {
        return 'The 12 V fuse panel, often in one box with the AC panel. Terminals: pos, neg, fused (behind a ' .
            'branch fuse, 15 A unless said).';
    }

    public static function fields(): array
    {
        return [
            'loadA' => Field::number('Usual running load', 'A', 0, 120)->plausibly(
                Plausible::times(0.5, 2, 'what runs at once differs from owner to owner'),
            ),
            'branchFuseA' => Field::number('Branch fuses', 'A', 1, 40)->optional(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg", "{$this->id}.fused"];
    }

    /** Rating of a branch fuse, A. */
    public function branchFuseA(): float
    {
        return $this->values->number('branchFuseA', 15.0);
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->user(Load::direct($this->id, $this->label(), $this->values->number('loadA')));
        $graph->conductor(
            "{$this->id}.branch",
            $this->id,
            "{$this->id}.pos",
            "{$this->id}.fused",
            Role::DcPositive,
            rating: new Rating(
                $this->branchFuseA(),
                'fuse',
                true,
                FuseFamily::Blade,
                !$this->values->has('branchFuseA'),
            ),
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 5, [sprintf('%g A usual', $this->values->number('loadA'))]);
    }

    public function plateIn(Rig $rig): Plate
    {
        $plate = $this->plate();

        return $this->circuits($rig) === [] ? $plate : new Plate('deck', 'tray', $plate->rank, $plate->lines);
    }

    public function tray(Rig $rig): ?array
    {
        $rows = [];
        foreach ($this->circuits($rig) as $i => $circuit) {
            $rows[] = $circuit->row($i + 1);
        }

        return $rows === []
            ? null
            : [
                'rows' => $rows,
                'bondScrew' => false,
                'role' => 'fuses',
                'carries' => [],
            ];
    }

    /** @return list<DcCircuit> with their fuses in it */
    private function circuits(Rig $rig): array
    {
        return array_values(
            array_filter($rig->all(DcCircuit::class), fn(DcCircuit $c): bool => $c->panel() === $this->id),
        );
    }
}
