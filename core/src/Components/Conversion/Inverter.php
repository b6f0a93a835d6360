<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Conversion;

use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Components\Supply\Inlet;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Role;

/** A stand-alone inverter: battery to 120 V, nothing passes through it. */
final class Inverter extends Inverting
{
    public static function type(): string
    {
        return 'inverter';
    }

    public static function summary(): string
    {
        return 'A stand-alone inverter with receptacles, a hard-wired output or both. Its neutral is bonded, ' .
            'floats, or each output stands at half the voltage from the case; not known counts as half. Port: ' .
            'ac_out. DC terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'continuousW' => Field::number('Continuous output', 'W', 100, 6000)->plausibly(
                Plausible::times(0.75, 1.25, 'a plate is often read as its surge figure'),
            ),
            'surgeW' => Field::number('Surge output', 'W', 100, 15000)->plausibly(
                Plausible::times(0.6, 1.2, 'surge is given for anything from a blink to seconds'),
            ),
            'efficiency' => Field::number('Efficiency at that load', '', 0.6, 0.98),
            'dcNominalV' => Field::number('Nominal battery voltage', 'V', 12, 48),
            'cutOffV' => Field::number('Low-voltage cut-off', 'V', 9, 46),
            'idleW' => Field::number('Idle draw', 'W', 0, 100),
            'neutral' => Field::choice('Output neutral', [
                'bonded' => 'bonded to the case',
                'floating' => 'floating',
                'half' => 'driven, half the voltage from the case',
                'unknown' => 'not known',
            ]),
            'output' => Field::choice('Output', [
                'receptacles' => 'receptacles',
                'hard_wired' => 'hard-wired',
                'both' => 'receptacles and hard-wired',
            ]),
            'outletA' => Field::integer('Breaker of its receptacles, A', 10, 50)->optional(),
            'waveform' => Field::choice('Waveform', ['sine' => 'pure sine', 'modified' => 'modified sine']),
            'reaches' => Field::ref('Inlet whose cord can be plugged into it', 'inlet')->optional(),
            'latchesOff' => Field::flag('Shuts down for good on a short')->optional(),
            'largestLug' => Field::size('Largest cable its DC studs take')->optional(),
            'studs' => Field::integer('Cables each DC stud takes', 1, 2)->optional(),
            ...Studs::fields(),
        ];
    }

    public static function portNames(): array
    {
        return ['ac_out'];
    }

    public function port(string $name): ?Port
    {
        return $name === 'ac_out' ? Port::named("{$this->id}.ac_out") : null;
    }

    /** Its output neutral; what nobody knows counts as driven, so that no bond is proposed. */
    public function neutral(): string
    {
        $neutral = $this->values->text('neutral');

        return $neutral === 'unknown' ? 'half' : $neutral;
    }

    /** Id of the device that its output is. */
    public function output(): string
    {
        return "{$this->id}.output";
    }

    public function offersTo(string $inlet): array
    {
        return $inlet === $this->values->text('reaches')
            ? [
                $this->id => [
                    'words' => 'plugged into ' . $this->label(),
                    'port' => Port::named("{$this->id}.ac_out"),
                    'ratingA' => $this->values->number('outletA', INF),
                ],
            ]
            : [];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $out = Port::named("{$this->id}.ac_out");
        $graph->device(
            new Device(
                $this->mode(),
                $this->id,
                $this->label() . ' switch',
                'mode',
                ['off' => 'off', 'on' => 'on'],
                'on',
            ),
        );
        $graph->device(
            new Device(
                $this->output(),
                $this->id,
                $this->label(),
                'relay',
                [
                    'rest' => 'at rest',
                    'invert' => 'inverting',
                ],
                'rest',
                new OutputLogic($this),
            ),
        );
        $graph->terminal($out->hot, $out->neutral, ...$this->leadTerminals());
        $graph->conductor("{$this->id}.case", $this->id, $out->ground, 'frame', Role::PE);
        if ($this->neutral() === 'bonded') {
            $graph->bond("{$this->id}.bond_fixed", $this->id, $out->neutral, $out->ground);
        }
        $graph->source($this->output120($out, $this->output(), $this->neutral()));
        $graph->occasions[] = $this->inverting();
        $graph->converter($this->fromBattery($out, $this->output()));
    }

    public function limits(): array
    {
        return [$this->outputLimit()];
    }

    public function plate(): Plate
    {
        return new Plate('straddle', 'gate', 0, [
            sprintf('%g W', $this->continuousW()),
            [
                'bonded' => 'neutral bonded',
                'floating' => 'neutral floats',
                'half' => 'half-voltage neutral',
                'unknown' => 'neutral not known',
            ][$this->values->text('neutral')] ?? '',
        ]);
    }

    public function referenceProblems(array $others): array
    {
        $inlet = $this->values->text('reaches');

        return [
            ...parent::referenceProblems($others),
            ...$inlet === '' ? [] : $this->mustBe($others, '/reaches', $inlet, Inlet::class),
        ];
    }
}
