<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Graph;
use Hollin\Core\Reference\Chemistry;

/** A battery bank: equal batteries in series and parallel. */
final class Bank extends Component
{
    public static function type(): string
    {
        return 'battery_bank';
    }

    public static function summary(): string
    {
        return 'Equal batteries in series and parallel. Terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'chemistry' => Field::choice(
                'Chemistry',
                array_combine(
                    array_map(fn(Chemistry $c): string => $c->value, Chemistry::cases()),
                    array_map(fn(Chemistry $c): string => $c->label(), Chemistry::cases()),
                ),
            ),
            'unitV' => Field::number('Nominal voltage of one battery', 'V', 6, 52),
            'unitAh' => Field::number('Capacity of one battery', 'Ah', 5, 1000)->plausibly(
                Plausible::times(0.7, 1.1, 'a battery in use has lost some of what its label says'),
            ),
            'series' => Field::integer('In series', 1, 8),
            'parallel' => Field::integer('In parallel', 1, 8),
            'unitMilliohm' => Field::number('Internal resistance of one battery', 'mΩ', 0.2, 60)
                ->optional()
                ->plausibly(Plausible::times(0.5, 2, 'it doubles with age and cold')),
            'bmsContinuousA' => Field::number('BMS limit of one battery, continuous', 'A', 5, 1000)
                ->optional()
                ->plausibly(Plausible::times(0.5, 1, 'many give half their capacity in amps')),
            'bmsPeakA' => Field::number('BMS limit of one battery, peak', 'A', 5, 3000)
                ->optional()
                ->plausibly(Plausible::times(0.5, 1.5, 'peaks are given for a blink by one, for seconds by another')),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** What its cells are. */
    public function chemistry(): Chemistry
    {
        return Chemistry::from($this->values->text('chemistry'));
    }

    /** How many units stand side by side. */
    public function parallel(): int
    {
        return $this->values->integer('parallel', 1);
    }

    /** How many units make up the volts. */
    public function series(): int
    {
        return $this->values->integer('series', 1);
    }

    /** V of the bank. */
    public function ratedV(): float
    {
        return $this->values->number('unitV') * $this->series();
    }

    /** Ah of the whole bank. */
    public function capacityAh(): float
    {
        return $this->values->number('unitAh') * $this->parallel();
    }

    /**
     * Internal resistance of the whole bank in ohm, and whether the figure is assumed.
     *
     * @return array{float, bool}
     */
    public function resistance(): array
    {
        $unit = $this->values->numberOrNull('unitMilliohm');
        $assumed = $unit === null;
        $ohm =
            $unit !== null
                ? $unit / 1000
                : ($this->chemistry()->typicalOhm($this->values->number('unitAh')) * $this->values->number('unitV')) /
                    12.0;

        return [($ohm * $this->series()) / $this->parallel(), $assumed];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        [$ohm, $assumed] = $this->resistance();
        $each = fn(string $name): ?float => ($one = $this->values->numberOrNull($name)) === null
            ? null
            : $one * $this->parallel();
        $graph->battery(
            new Battery(
                "{$this->id}.cells",
                $this->id,
                "{$this->id}.pos",
                "{$this->id}.neg",
                $this->chemistry(),
                $this->ratedV(),
                $this->capacityAh(),
                $this->parallel(),
                $ohm,
                $assumed,
                $each('bmsContinuousA'),
                $each('bmsPeakA'),
                $this->values->basis('bmsContinuousA') === Basis::Assumed,
                $this->chemistry() === Chemistry::Lfp || $this->values->has('bmsContinuousA'),
            ),
        );
    }

    /** Amp-hours for use day after day by the share of its chemistry; continuous amps where its management is known. */
    public function limits(): array
    {
        $ah = $this->capacityAh();
        $known = $this->values->has('bmsContinuousA');

        return [
            new Limit(
                $ah,
                'Ah',
                sprintf('%.0f Ah of it for use day after day', $ah * $this->chemistry()->usableShare()),
                Limit::assumed($this, 'unitAh', 'parallel', 'chemistry'),
            ),
            ...$known
                ? [
                    new Limit(
                        $this->values->number('bmsContinuousA') * $this->parallel(),
                        'A',
                        'what its management lets out for long',
                        Limit::assumed($this, 'bmsContinuousA', 'parallel'),
                    ),
                ]
                : [],
        ];
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bank', 0, [
            sprintf(
                '%s%g Ah',
                match (true) {
                    $this->series() === 1 => "{$this->parallel()} × ",
                    $this->parallel() === 1 => sprintf('%d × %g V = ', $this->series(), $this->values->number('unitV')),
                    default => sprintf(
                        '%d strings of %d × %g V = ',
                        $this->parallel(),
                        $this->series(),
                        $this->values->number('unitV'),
                    ),
                },
                $this->series() === 1 ? $this->values->number('unitAh') : $this->capacityAh(),
            ),
            sprintf('%s · %g V', $this->chemistry()->label(), $this->ratedV()),
        ]);
    }
}
