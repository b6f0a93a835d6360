<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\FuseFamily;

/** A DC fuse or breaker. It belongs in the positive; found in the negative it is told. */
final class DcFuse extends Component
{
    /** Volts a fuse drops at its rating (common practice, no source). */
    private const DROP_V = 0.08;

    public static function type(): string
    {
        return 'dc_fuse';
    }

    public static function summary(): string
    {
        return 'A DC fuse or breaker, usually in the positive. Terminals: in, out.';
    }

    public static function fields(): array
    {
        return [
            'family' => Field::choice(
                'Family',
                array_combine(
                    array_map(fn(FuseFamily $f): string => $f->value, FuseFamily::cases()),
                    array_map(fn(FuseFamily $f): string => $f->label(), FuseFamily::cases()),
                ),
            ),
            'ratingA' => Field::number('Rating', 'A', 1, 750)->plausibly(
                Plausible::times(0.5, 1.5, 'a fuse that nobody has read can have been replaced by any'),
            ),
            ...Studs::fields(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.in", "{$this->id}.out"];
    }

    /** The family it is of. */
    public function family(): FuseFamily
    {
        return FuseFamily::from($this->values->text('family'));
    }

    /** Its rating, A. */
    public function ratingA(): float
    {
        return $this->values->number('ratingA');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->conductor(
            "{$this->id}.link",
            $this->id,
            "{$this->id}.in",
            "{$this->id}.out",
            Role::DcPositive,
            rating: new Rating(
                $this->ratingA(),
                $this->family() === FuseFamily::ThermalBreaker ? 'breaker' : 'fuse',
                true,
                $this->family(),
                $this->values->basis('ratingA') === Basis::Assumed,
            ),
            ohm: self::DROP_V / $this->ratingA(),
        );
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 1, [sprintf('%g A %s', $this->ratingA(), $this->family()->label())]);
    }
}
