<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\States\Settled;

/**
 * A meter held to a solved state: it is part of the circuit, so its own input decides what it
 * shows. Ohms are only measured where nothing is live; anywhere else the answer is a hazard.
 */
final class Meter
{
    /** Input of a digital meter, ohm. */
    public const HIGH_OHM = 1e7;

    /** Low-impedance input, ohm (common practice, no source: a few kΩ). */
    public const LOW_OHM = 3e3;

    /** What a DC clamp shows before it is zeroed, A. Assumed. */
    public const CLAMP_OFFSET_A = 0.6;

    /** Test current of a plug-in tester, from hot to ground, as a resistance: 7 mA at 120 V. */
    private const TESTER_OHM = 120 / 0.007;

    /** A lamp of a plug-in tester, ohm, and the volts it lights at (common practice, no source). */
    private const LAMP_OHM = 1e5;

    private const LIT_V = 80.0;

    /** A GFCI of class A trips from 6 mA (UL 943, from memory: 4 to 6 mA). */
    private const TRIP_A = 0.006;

    /** Above this a point counts as live for ohms and for a detector held to it, V. */
    private const LIVE_V = 2.0;

    private const DETECTOR_V = 50.0;

    /** Functions by name, with what each is called. */
    /** What a plug-in tester says by its lamps: hot to neutral counts 4, hot to ground 2, neutral to ground 1. */
    public const TESTER = [
        'dark',
        'says hot and neutral reversed with an open neutral',
        'says open neutral',
        'says hot and ground exchanged: the frame may be live',
        'says open ground',
        'says hot and neutral reversed',
        'says correct (it cannot see a reversed supply with its ground bootlegged, nor a second bond)',
        'all lamps: more than one supply',
    ];

    /** What the button of a GFCI does. */
    public const BUTTON = ['trips', 'does nothing: it has no supply'];

    public const FUNCTIONS = [
        'ac_volts' => 'AC volts',
        'ac_volts_low' => 'AC volts, low impedance',
        'dc_volts' => 'DC volts',
        'ohms' => 'ohms',
        'ac_amps' => 'AC clamp',
        'dc_amps' => 'DC clamp',
        'residual' => 'residual current',
        'gfci_button' => 'GFCI button',
        'plug_tester' => 'plug-in tester',
        'tester_button' => 'plug-in tester, its button',
        'detector' => 'non-contact detector',
    ];

    private LoadFlowResult $flow;

    /** @param array<string, true> $running */
    public function __construct(
        private readonly Settled $settled,
        private readonly array $running,
        string $charge = 'half',
    ) {
        $this->flow = LoadFlow::of($settled, $running, [], $charge);
    }

    /** The load flow it reads. */
    public function flow(): LoadFlowResult
    {
        return $this->flow;
    }

    /** Volts between two terminals as a meter with this input shows them. */
    public function acVolts(string $a, string $b, float $inputOhm = self::HIGH_OHM): Reading
    {
        $network = $this->flow->ac;
        if ($network === null) {
            return Reading::hazard((string) $this->flow->trouble);
        }
        if (!isset($network->node[$a], $network->node[$b])) {
            return Reading::number(0.0, 'V', 'one of the points is joined to nothing');
        }
        // The meter is a resistance like any other; loads keep their power.
        $volts = $this->loaded($a, $b, $inputOhm);
        if ($this->flow->otherAcV !== null) {
            $other = (float) $this->flow->between($this->flow->otherAcV, $a, $b);
            if (abs($other - $volts) > 0.5) {
                return Reading::range(
                    $volts,
                    $other,
                    'V',
                    'between two systems that are not synchronised: it drifts within this range',
                );
            }
        }

        return Reading::number($volts, 'V', $this->ghost($a, $b, $volts, $inputOhm));
    }

    /** Volts between two terminals with so many ohm between them. */
    private function loaded(string $a, string $b, float $ohm): float
    {
        [$re, $im] = Perturbed::volts($this->flow, $a, $b, 1 / $ohm);
        $i = $this->flow->ac->node[$a] ?? -1;
        $j = $this->flow->ac->node[$b] ?? -1;

        return hypot($re[$i] - $re[$j], $im[$i] - $im[$j]);
    }

    /** Says so when volts come through leakage only and would vanish under a load. */
    private function ghost(string $a, string $b, float $volts, float $inputOhm): string
    {
        if ($inputOhm < 1e6 || $volts < 5) {
            return '';
        }
        $loaded = $this->loaded($a, $b, self::LOW_OHM);

        return $loaded < 0.2 * $volts ? sprintf('a ghost: a low-impedance reading shows %.1f V', $loaded) : '';
    }

    /** @return Reading V of direct current between two terminals */
    public function dcVolts(string $plus, string $minus): Reading
    {
        $volts = $this->flow->dcBetween($plus, $minus);

        return $volts === null
            ? Reading::number(0.0, 'V', 'one of the points is joined to nothing on the DC side')
            : Reading::number($volts, 'V');
    }

    /** Resistance between two terminals, when everything is dead. */
    public function ohms(string $a, string $b): Reading
    {
        $highest = 0.0;
        foreach ([[$a, $b], [$a, 'earth'], [$b, 'earth'], [$a, 'frame'], [$b, 'frame']] as [$from, $to]) {
            $highest = max(
                $highest,
                (float) $this->flow->acBetween($from, $to),
                abs((float) $this->flow->dcBetween($from, $to)),
            );
        }
        if ($this->flow->trouble !== null || $highest > self::LIVE_V) {
            return Reading::hazard(
                sprintf(
                    'This point is live (%.0f V): never measure ohms here. Isolate every source, prove dead, ' .
                        'then measure.',
                    $highest,
                ),
            );
        }
        $network = $this->deadMesh();
        if (!isset($network->node[$a], $network->node[$b])) {
            return Reading::words('open', null, 'Ω');
        }
        [$re] = $network->volts([['meter', $network->node[$a], $network->node[$b], 1.0, 0.0]]);
        $ohm = $re[$network->node[$a]] - $re[$network->node[$b]];

        return $ohm > 1e6 ? Reading::words('open', null, 'Ω') : Reading::number($ohm, 'Ω');
    }

    /** Everything metal, and running loads as resistances, without any source. */
    private function deadMesh(): NodalNetwork
    {
        $network = new NodalNetwork();
        $graph = $this->settled->situation->network->graph;
        foreach ($graph->elements as $id => $element) {
            if ($this->settled->situation->isClosed($id)) {
                $network->add('wire', $id, $element->a, $element->b, 1 / Impedance::ohm($element, $graph));
            }
        }
        foreach ($graph->loads as $id => $load) {
            if (isset($this->running[$id]) && $load->watts > 0) {
                $network->add('load', $id, $load->a, $load->b, $load->watts / $load->volts ** 2);
            }
        }
        $network->add('leak', 'tyres', 'frame', 'earth', 1 / LoadFlow::TYRES_OHM);
        foreach ($network->names as $name) {
            $network->add('leak', 'air', $name, 'earth', 1e-9);
        }

        return $network;
    }

    /** AC clamp around one conductor. */
    public function acAmps(string $element): Reading
    {
        return $this->flow->trouble !== null
            ? Reading::hazard($this->flow->trouble)
            : Reading::number($this->flow->acA[$element] ?? 0.0, 'A');
    }

    /**
     * DC clamp around one conductor, towards its second end; it shows its offset until it is zeroed where it is used.
     */
    public function dcAmps(string $element, bool $zeroed = true): Reading
    {
        $amps = $this->flow->dcA[$element] ?? 0.0;

        return $zeroed
            ? Reading::number($amps, 'A')
            : Reading::number($amps + self::CLAMP_OFFSET_A, 'A', 'not zeroed: the clamp shows its own offset as well');
    }

    /**
     * What is left over when conductors are clamped together: nothing when all current returns among them.
     *
     * @param list<string> $elements
     */
    public function residual(array $elements): Reading
    {
        if ($this->flow->ac === null) {
            return Reading::hazard((string) $this->flow->trouble);
        }

        return Reading::number($this->sum($elements) * 1000, 'mA');
    }

    /**
     * Sum of the currents through some conductors, each counted from its first end to its second.
     *
     * @param list<string> $elements
     */
    private function sum(array $elements): float
    {
        $re = $im = 0.0;
        $volts = $this->flow->nodeVolts();
        foreach ($this->flow->ac->branches ?? [] as $branch) {
            if (in_array($branch->of, $elements, true) && ($branch->kind === 'wire' || $branch->kind === 'bond')) {
                [$iRe, $iIm] = NodalNetwork::current($branch, $volts);
                $re += $iRe;
                $im += $iIm;
            }
        }

        return hypot($re, $im);
    }

    /** The test button of a circuit's GFCI: it needs hot and neutral, no ground. */
    public function gfciButton(CircuitEnd $circuit): Reading
    {
        if ($circuit->gfci === 'none') {
            return Reading::words('no GFCI here');
        }
        if (!$this->flow->isSolved()) {
            return Reading::hazard((string) $this->flow->trouble);
        }
        $volts = (float) $this->flow->acBetween($circuit->hot, $circuit->neutral);

        return Reading::words(self::BUTTON[$volts > 80 ? 0 : 1], $volts, 'V');
    }

    /** A plug-in tester: its three lamps in words, or whether its button trips the GFCI here or the one ahead. */
    public function plugTester(CircuitEnd $circuit, bool $press = false): Reading
    {
        if (!$this->flow->isSolved() || $this->flow->ac === null) {
            return Reading::hazard((string) $this->flow->trouble);
        }
        $points = ['l' => $circuit->hot, 'n' => $circuit->neutral, 'g' => $circuit->ground];
        // Each lamp draws a little: what comes through leakage only does not light it.
        $across = fn(string $one, string $two, float $ohm): float => isset(
            $this->flow->ac->node[$points[$one]],
            $this->flow->ac->node[$points[$two]],
        )
            ? $this->loaded($points[$one], $points[$two], $ohm)
            : 0.0;
        if ($press) {
            return $this->pressed($circuit, $across('l', 'g', self::TESTER_OHM) / self::TESTER_OHM);
        }
        $hotNeutral = $across('l', 'n', self::LAMP_OHM);
        $lit = fn(float $volts): bool => $volts > self::LIT_V;

        return Reading::words(
            self::TESTER[
                4 * (int) $lit($hotNeutral) +
                    2 * (int) $lit($across('l', 'g', self::LAMP_OHM)) +
                    (int) $lit($across('n', 'g', self::LAMP_OHM))
            ],
            $hotNeutral,
            'V',
        );
    }

    /**
     * What a tester's button does: its current leaves by the hot and comes home by the ground, past every GFCI on the
     * way.
     */
    private function pressed(CircuitEnd $circuit, float $amps): Reading
    {
        $circuits = $this->settled->situation->network->graph->circuits;
        $ahead = [];
        for ($at = $circuit, $hops = 0; $at !== null && $hops < 20; $hops++) {
            if ($at->gfci !== 'none') {
                $ahead[] = $at;
            }
            $at = $circuits[(string) $at->behind] ?? null;
        }
        if ($ahead === []) {
            return Reading::words('no GFCI here', $amps * 1000, 'mA');
        }
        if ($amps < self::TRIP_A) {
            return Reading::words('does not trip: its test current finds no ground', $amps * 1000, 'mA');
        }

        return Reading::words(
            $ahead[0]->circuit === $circuit->circuit ? 'trips' : "trips the GFCI of {$ahead[0]->label}",
            $amps * 1000,
            'mA',
        );
    }

    /** A detector held near a point: it lights on line voltage to earth, whatever it is connected to. */
    public function detector(string $point): Reading
    {
        $volts = (float) $this->flow->acBetween($point, 'earth');

        return Reading::words($volts > self::DETECTOR_V ? 'lights' : 'stays dark', $volts, 'V to earth');
    }

    /** Current through a person of 1 kΩ who stands on the ground and touches a point, A. */
    public function touchA(string $point): float
    {
        return $this->flow->ac === null ? 0.0 : $this->loaded($point, 'earth', 1000.0) / 1000.0;
    }
}
