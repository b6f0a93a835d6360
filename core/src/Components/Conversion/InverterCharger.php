<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Conversion;

use Hollin\Core\Components\Battery\StopLine;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;

/**
 * Inverter and charger in one, with the relay that passes an outside supply through, and the
 * relay that bonds neutral to ground while it makes the voltage itself.
 */
final class InverterCharger extends Inverting
{
    use StopLine;

    /** Charging volts of its profile, as a share of nominal: 14.2 V of 12 (common practice, no source). */
    private const HOLDS = 14.2 / 12;

    /** Highest volts it takes when nobody has said, V (common practice, no source). */
    private const REJECTS_ABOVE_V = 132.0;

    public static function type(): string
    {
        return 'inverter_charger';
    }

    public static function summary(): string
    {
        return 'An inverter/charger with pass-through relay, neutral switched or common, neutral-ground bonding ' .
            'relay and charger. Ports: ac_in, ac_out, ac_out2 (a second output, joined to the input), follow (a ' .
            'contact live while it inverts). DC terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'continuousW' => Field::number('Continuous output', 'W', 100, 6000),
            'surgeW' => Field::number('Surge output', 'W', 100, 15000),
            'efficiency' => Field::number('Efficiency at that load', '', 0.6, 0.98),
            'dcNominalV' => Field::number('Nominal battery voltage', 'V', 12, 48),
            'cutOffV' => Field::number('Low-voltage cut-off', 'V', 9, 46),
            'idleW' => Field::number('Idle draw', 'W', 0, 100),
            'passThroughA' => Field::number('Pass-through relay', 'A', 10, 60),
            'neutral' => Field::choice('Neutral', [
                'switched' => 'switched by the relay',
                'common' => 'common, in to out',
            ]),
            'bond' => Field::choice('Neutral-ground bond', [
                'relay' => 'relay, closed while inverting',
                'none' => 'none',
                'fixed' => 'always closed',
            ]),
            'chargerA' => Field::number('Charger output', 'A', 0, 200),
            'chargerEfficiency' => Field::number('Charger efficiency', '', 0.6, 0.98)->optional(),
            'inputLimitA' => Field::number('Input current limit as set', 'A', 3, 60),
            'rejectsBelowV' => Field::number('Rejects a supply below', 'V', 80, 115),
            'rejectsAboveV' => Field::number('Rejects a supply above', 'V', 122, 150)->optional(),
            'passesWhenOff' => Field::flag('Passes shore through when switched off')->optional(),
            'qualifyS' => Field::number('Waits for a steady supply', 's', 0, 120)->optional(),
            'assist' => Field::flag('Assists a weak supply from the battery')->optional(),
            'secondOutput' => Field::flag('Has a second output that follows the supply')->optional(),
            'largestLug' => Field::size('Largest cable its DC studs take')->optional(),
            'studs' => Field::integer('Cables each DC stud takes', 1, 2)->optional(),
            ...self::stopField(),
            ...Studs::fields(),
        ];
    }

    public static function portNames(): array
    {
        return ['ac_in', 'ac_out', 'ac_out2', 'follow'];
    }

    public function port(string $name): ?Port
    {
        return in_array($name, self::portNames(), true) ? Port::named("{$this->id}.{$name}") : null;
    }

    public function neutral(): string
    {
        return $this->values->text('bond') === 'none' ? 'floating' : 'bonded';
    }

    /** What its relay passes through, A. */
    public function passThroughA(): float
    {
        return $this->values->number('passThroughA');
    }

    /** What it is set to take from a supply, A. */
    public function inputLimitA(): float
    {
        return $this->values->number('inputLimitA');
    }

    /** AC the charger takes at full output, A at 120 V. */
    public function chargerInputA(): float
    {
        return ($this->values->number('chargerA') * $this->values->number('dcNominalV') * self::HOLDS) /
            $this->values->number('chargerEfficiency', 0.88) /
            120;
    }

    /** @return array{float, float} */
    public function window(): array
    {
        return [$this->values->number('rejectsBelowV'), $this->values->number('rejectsAboveV', self::REJECTS_ABOVE_V)];
    }

    /** Id of its transfer relay. */
    public function relay(): string
    {
        return "{$this->id}.relay";
    }

    public function referenceProblems(array $others): array
    {
        return [...parent::referenceProblems($others), ...$this->stopProblems($others)];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $in = Port::named("{$this->id}.ac_in");
        $out = Port::named("{$this->id}.ac_out");
        $graph->device(
            new Device(
                $this->mode(),
                $this->id,
                $this->label() . ' switch',
                'mode',
                [
                    'off' => 'off',
                    'charge' => 'charger only',
                    'on' => 'on',
                ],
                'on',
            ),
        );
        $graph->device(
            new Device(
                $this->relay(),
                $this->id,
                $this->label() . ' transfer relay',
                'relay',
                [
                    'rest' => 'at rest',
                    'pass' => 'passing shore through',
                    'invert' => 'inverting',
                ],
                'rest',
                new TransferRelay($this),
                contacts: 'pass-through contacts',
                judgesVolts: true,
            ),
        );
        $passes = new Rating($this->passThroughA(), 'relay');
        $graph->contact(
            "{$this->id}.pass_l",
            $this->id,
            $in->hot,
            $out->hot,
            Role::L1,
            $this->relay(),
            ['pass'],
            $passes,
        );
        if ($this->values->text('neutral') === 'switched') {
            $graph->contact(
                "{$this->id}.pass_n",
                $this->id,
                $in->neutral,
                $out->neutral,
                Role::N,
                $this->relay(),
                ['pass'],
                $passes,
            );
        } else {
            $graph->conductor("{$this->id}.common_n", $this->id, $in->neutral, $out->neutral, Role::N);
        }
        if ($this->values->flag('secondOutput')) {
            $graph->poles(
                "{$this->id}.second",
                $this->id,
                $in,
                Port::named("{$this->id}.ac_out2"),
                $this->relay(),
                ['pass'],
                $passes,
            );
        }
        $follow = Port::named("{$this->id}.follow");
        if (self::follows($rig, $this->id)) {
            $graph->contact("{$this->id}.follow_l", $this->id, $out->hot, $follow->hot, Role::L1, $this->relay(), [
                'invert',
            ]);
            $graph->conductor("{$this->id}.follow_n", $this->id, $out->neutral, $follow->neutral, Role::N);
            $graph->conductor("{$this->id}.follow_g", $this->id, $out->ground, $follow->ground, Role::PE);
        }
        $graph->conductor("{$this->id}.ground_through", $this->id, $in->ground, $out->ground, Role::PE);
        $graph->conductor("{$this->id}.case", $this->id, $out->ground, 'frame', Role::PE);
        match ($this->values->text('bond')) {
            'relay' => $graph->bond("{$this->id}.bond_relay", $this->id, $out->neutral, $out->ground, $this->relay(), [
                'invert',
            ]),
            'fixed' => $graph->bond("{$this->id}.bond_fixed", $this->id, $out->neutral, $out->ground),
            default => null,
        };
        $graph->source($this->output120($out, $this->relay()));
        $graph->occasions[] = $this->inverting();
        $graph->source(
            new Source(
                "{$this->id}.charger",
                $this->id,
                $this->label() . ' charger',
                'C',
                'dc',
                false,
                "{$this->id}.pos",
                "{$this->id}.neg",
                'frame',
                $this->values->number('dcNominalV') * self::HOLDS,
                $this->values->number('chargerA'),
                device: $this->relay(),
                positions: ['pass'],
                runsOnAc: [$in->hot, $in->neutral],
                mode: $this->mode(),
                modes: ['charge', 'on'],
            ),
        );
        $graph->converter($this->fromBattery($out, $this->relay()));
        $through = ["{$this->id}.pass_l", ...$this->values->flag('secondOutput') ? ["{$this->id}.second_l"] : []];
        $graph->converter(
            new PowerConverter(
                "{$this->id}.charger",
                $this->id,
                PowerConverter::CHARGER,
                [$in->hot, $in->neutral],
                ["{$this->id}.pos", "{$this->id}.neg"],
                $this->values->number('dcNominalV') * self::HOLDS,
                $this->values->number('chargerA'),
                $this->values->number('chargerEfficiency', 0.88),
                $this->values->number('idleW'),
                device: $this->relay(),
                positions: ['pass'],
                mode: $this->mode(),
                modes: ['charge', 'on'],
                inputLimitA: $this->inputLimitA(),
                throughInput: $through,
                nominalV: $this->values->number('dcNominalV'),
                profile: 'chosen',
                stop: $this->stop(),
            ),
        );
        if ($this->values->flag('assist')) {
            $graph->converter(
                new PowerConverter(
                    "{$this->id}.assist",
                    $this->id,
                    PowerConverter::ASSIST,
                    ["{$this->id}.pos", "{$this->id}.neg"],
                    [$out->hot, $out->neutral],
                    120.0,
                    $this->continuousW() / 120,
                    $this->efficiency(),
                    $this->values->number('idleW'),
                    device: $this->relay(),
                    positions: ['pass'],
                    mode: $this->mode(),
                    modes: ['on'],
                    inputLimitA: $this->inputLimitA(),
                    throughInput: $through,
                    nominalV: $this->values->number('dcNominalV'),
                    cutOffV: $this->values->number('cutOffV'),
                ),
            );
        }
    }

    /** Whether anything is fed from the contact that follows inverting. */
    private static function follows(\Hollin\Core\Components\Rig $rig, string $id): bool
    {
        foreach ($rig->components as $component) {
            $coil =
                $component instanceof \Hollin\Core\Components\Switching\Contactor
                    ? $component->values->group('coil')
                    : null;
            if ($coil?->text('at') === $id && $coil->text('port') === 'follow') {
                return true;
            }
        }

        return false;
    }

    public function limits(): array
    {
        return [
            $this->outputLimit(),
            new Limit(
                $this->values->number('inputLimitA'),
                'A',
                'input limit as set: lower than the breaker of the pedestal',
                Limit::assumed($this, 'inputLimitA'),
            ),
        ];
    }

    public function plate(): Plate
    {
        return new Plate('straddle', 'gate', 0, [
            sprintf('%g W · pass %g A', $this->continuousW(), $this->passThroughA()),
            sprintf('charger %g A · limit %g A', $this->values->number('chargerA'), $this->inputLimitA()),
        ]);
    }
}
