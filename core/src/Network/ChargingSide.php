<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** What a network says of the battery side beside its elements: who takes and gives, engines, panels, relays. */
trait ChargingSide
{
    /** @var list<PanelArray> panels on controllers */
    public array $arrays = [];

    /** @var list<Shaft> engines with their alternators */
    public array $shafts = [];

    /** @var list<VoltContact> contacts that go by volts or by the ignition */
    public array $voltContacts = [];

    /** @var array<string, string> plugs to a vehicle in front => how they are on the road */
    public array $towed = [];

    /** @var list<TowPins> what is bare while not hitched */
    public array $towPins = [];

    /** @var array<string, string> cords with plugs at both ends => what they feed: circuit or output */
    public array $bothMale = [];

    /** @var array<string, float> side inlets with no controller => open-circuit volts of what is put into them */
    public array $unregulated = [];

    /** @var array<string, Joint> joints somebody has looked at, by element */
    public array $joints = [];

    /** @var array<string, float> switch's pole => ohm of the resistor by which it fills capacitors first */
    public array $precharged = [];

    /** @var list<Turn> positions passed through on a turn */
    public array $turns = [];

    /**
     * @return array<string, array{component: string, pos: string, neg: string, volts: float}> what takes direct current
     *      or gives it: loads, then power converters, with the volts they are made for, 0 for those of the system
     */
    public function direct(): array
    {
        $ends = [];
        foreach ($this->users as $id => $load) {
            if ($load->direct) {
                $ends[$id] = [
                    'component' => $load->component,
                    'pos' => $load->a,
                    'neg' => $load->b,
                    'volts' => $load->volts,
                ];
            }
        }
        foreach ($this->converters as $id => $unit) {
            [$pos, $neg] = $unit->direct();
            $ends[$id] = ['component' => $unit->component, 'pos' => $pos, 'neg' => $neg, 'volts' => $unit->nominalV];
            if ($unit->kind === PowerConverter::DC_DC) {
                [$pos, $neg] = $unit->input;
                $ends["{$id}.in"] = [
                    'component' => $unit->component,
                    'pos' => $pos,
                    'neg' => $neg,
                    'volts' => $unit->inputV,
                ];
            }
        }

        return $ends;
    }

    /** What charges from sun, shaft or another battery: the converter, and the source it is at its output. */
    public function charger(PowerConverter $unit, string $label, ?string $surrounding = null): void
    {
        $this->source(
            new Source(
                $unit->id,
                $unit->component,
                $label,
                'C',
                'dc',
                false,
                $unit->output[0],
                $unit->output[1],
                'frame',
                $unit->holdsV,
                $unit->limitA,
                device: $unit->device,
                positions: $unit->positions,
                surrounding: $surrounding,
            ),
        );
        $this->converter($unit);
    }
}
