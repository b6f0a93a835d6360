<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Surrounding;
use Hollin\Core\Reference\Chemistry;

/** A battery bank: equal batteries in series and parallel. */
final class Bank extends Component
{
    /** The surroundings by which the cells of a rig are warm or not. */
    public const CELLS = 'cells';

    /** Beside the resistance on its sheet, ohm. */
    private const SWITCH_OHM = 1e-5;

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
            'bmsChargeA' => Field::number('BMS limit of one battery, charging', 'A', 2, 1000)
                ->optional()
                ->plausibly(Plausible::times(0.5, 1, 'many take in half of what they give')),
            'management' => Field::choice('Management opens', [
                'together' => 'everything at once',
                'apart' => 'charging and discharging apart',
            ])
                ->optional()
                ->note('left out: what happens when it opens is judged, and no switch shown'),
            'cold' => Field::choice('Charging below freezing', [
                'blocks' => 'its management stops it',
                'heats' => 'it warms its cells first',
                'none' => 'nothing stops it',
            ])->optional(),
            'heaterW' => Field::number('Heater of one battery', 'W', 5, 500)->optional(),
            'takenOff' => Field::choice('Where the bank is taken off', [
                'across' => 'across: positive of the first, negative of the last',
                'one_end' => 'both poles of the first',
                'equal' => 'each with equal leads to a bar',
            ])->optional(),
            'linkMilliohm' => Field::number('Link from one battery to the next, each pole', 'mΩ', 0.01, 50)
                ->optional()
                ->note('millivolts across it under load, divided by the amps; 0.2 mΩ is usual'),
            ...Studs::fields(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** Whether its management has a switch that this model moves. */
    public function isSwitched(): bool
    {
        return $this->values->text('management') !== '';
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
        $cold = $this->values->text('cold');
        $graph->battery(
            new Battery(
                "{$this->id}.cells",
                $this->id,
                $this->isSwitched() ? "{$this->id}.cells_pos" : "{$this->id}.pos",
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
                $this->chemistry() === Chemistry::Lfp || $this->values->has('bmsContinuousA') || $this->isSwitched(),
                $each('bmsChargeA'),
                $cold,
                $this->isSwitched() ? "{$this->id}.bms" : null,
            ),
        );
        if ($this->isSwitched()) {
            $this->management($graph);
        }
        if ($cold !== '') {
            $this->coldCells($graph);
        }
    }

    /** The switch of its management, between cells and post. */
    private function management(Graph $graph): void
    {
        $apart = $this->values->text('management') === 'apart';
        $device = "{$this->id}.bms";
        $graph->device(
            new Device(
                $device,
                $this->id,
                "Management of {$this->label()}",
                'relay',
                ['on' => 'on'] +
                    ($apart ? ['no_charge' => 'charging stopped', 'no_discharge' => 'discharging stopped'] : []) + [
                        'open' => 'open',
                    ],
                'on',
                byItself: true,
            ),
        );
        [$cells, $post] = ["{$this->id}.cells_pos", "{$this->id}.pos"];
        $role = Role::DcPositive;
        // What it adds is part of the resistance on the battery's sheet.
        $graph->contact("{$device}_pole", $this->id, $cells, $post, $role, $device, ['on'], ohm: self::SWITCH_OHM);
        if ($apart) {
            foreach (['no_charge' => [$cells, $post], 'no_discharge' => [$post, $cells]] as $position => [$a, $b]) {
                $graph->oneWay(
                    "{$device}_{$position}",
                    $this->id,
                    $a,
                    $b,
                    $role,
                    ohm: self::SWITCH_OHM,
                    device: $device,
                    closedIn: [$position],
                );
            }
        }
        array_push(
            $graph->occasions,
            new Occasion(
                $this->id,
                'bms_open',
                'a battery\'s management opens',
                "management of {$this->label()} opens",
                About::Charging,
                'B',
                also: [$device => 'open'],
            ),
            Occasion::empty($this->id, $this->label(), [$device => $apart ? 'no_discharge' : 'open']),
            new Occasion(
                $this->id,
                'full',
                'batteries full',
                $this->label(),
                About::Charging,
                'Y',
                once: true,
                charge: 'full',
            ),
        );
    }

    /** The state in which its cells are below freezing, and what its heater draws then. */
    private function coldCells(Graph $graph): void
    {
        $graph->surroundings[self::CELLS] = new Surrounding(
            self::CELLS,
            'Cells',
            ['good' => 'warm', 'cold' => 'below freezing'],
            sound: ['good', 'cold'],
            distinct: ['good'],
        );
        $heater = $this->values->numberOrNull('heaterW');
        if ($heater !== null) {
            $load = Load::direct("{$this->id}.heater", "Heater of {$this->label()}", 0.0);
            $graph->user(
                new Load(
                    ...[
                        'a' => "{$this->id}.pos",
                        'b' => "{$this->id}.neg",
                        'component' => $this->id,
                        'amps' => ($heater * $this->series() * $this->parallel()) / $this->ratedV(),
                        'device' => self::CELLS,
                        'positions' => ['cold'],
                    ] + get_object_vars($load),
                ),
            );
        }
        $stops = $this->values->text('cold') === 'blocks' && $this->isSwitched();
        $apart = $this->values->text('management') === 'apart';
        $graph->occasions[] = new Occasion(
            $this->id,
            'cold',
            'cells below freezing',
            $this->label(),
            About::Charging,
            'C',
            once: true,
            also: [self::CELLS => 'cold'] + ($stops ? ["{$this->id}.bms" => $apart ? 'no_charge' : 'open'] : []),
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
