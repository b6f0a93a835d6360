<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Conversion;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Rig;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Source;

/** What makes 120 V from the battery, alone or with a charger in the same box. */
abstract class Inverting extends Component
{
    /** Above this share of nominal battery volts it does not start (common practice, no source: 16 V of 12). */
    private const HIGHEST_SHARE = 1.33;

    /** Of its outlets. */
    private const OUTPUT_V = 120.0;

    /** How long a surge may last, s (common practice, no source: a few seconds). */
    protected const SURGE_S = 5.0;

    /** Drop of the output from nothing to full load, as a share (common practice, no source). */
    private const REGULATION = 0.02;

    final public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** What it gives for hours, W. */
    final public function continuousW(): float
    {
        return $this->values->number('continuousW');
    }

    /** The same as a limit at the panel, with what it comes to in amps of its outlets. */
    final protected function outputLimit(): Limit
    {
        return new Limit(
            $this->continuousW(),
            'W',
            sprintf(
                'from the battery, for long: %.0f A at %g V',
                $this->continuousW() / self::OUTPUT_V,
                self::OUTPUT_V,
            ),
            Limit::assumed($this, 'continuousW'),
        );
    }

    /** What it gives for moments, W. */
    final public function surgeW(): float
    {
        return $this->values->number('surgeW');
    }

    /** Share of what it takes that it gives. */
    final public function efficiency(): float
    {
        return $this->values->number('efficiency');
    }

    public function referenceProblems(array $others): array
    {
        return $this->surgeW() >= $this->continuousW()
            ? []
            : [
                [
                    '/surgeW',
                    sprintf(
                        'is %g W, less than the %g W it gives continuously.',
                        $this->surgeW(),
                        $this->continuousW(),
                    ),
                ],
            ];
    }

    /** The state it brings about: it feeds what hangs on it. */
    final protected function inverting(): Occasion
    {
        $source = "{$this->id}.inverter";
        $among = lcfirst($this->label()) . ' inverting';

        return new Occasion(
            $this->id,
            'inverting',
            'inverting',
            $among,
            About::Inverting,
            source: $source,
            inverting: true,
        );
    }

    /** What it makes at its output while its relay inverts. */
    final protected function output120(Port $out, string $device, string $neutral = 'bonded'): Source
    {
        return new Source(
            "{$this->id}.inverter",
            $this->id,
            'inverter',
            'I',
            'ac',
            true,
            $out->hot,
            $out->neutral,
            $out->ground,
            self::OUTPUT_V,
            $this->continuousW() / self::OUTPUT_V,
            device: $device,
            positions: ['invert'],
            impedanceOhm: (self::REGULATION * self::OUTPUT_V) / max(0.1, $this->continuousW() / self::OUTPUT_V),
            surgeA: $this->surgeW() / self::OUTPUT_V,
            neutral: $neutral,
            surgeS: self::SURGE_S,
            past: $this->values->flag('latchesOff') ? 'trips' : 'retries',
            waveform: $this->values->text('waveform', 'sine'),
        );
    }

    /** Its battery side: what it takes there for what it makes. */
    final protected function fromBattery(Port $out, string $device): PowerConverter
    {
        return new PowerConverter(
            "{$this->id}.dc",
            $this->id,
            PowerConverter::INVERTER,
            ["{$this->id}.pos", "{$this->id}.neg"],
            [$out->hot, $out->neutral],
            self::OUTPUT_V,
            $this->continuousW() / self::OUTPUT_V,
            $this->efficiency(),
            $this->values->number('idleW'),
            device: $device,
            positions: ['invert'],
            nominalV: $this->values->number('dcNominalV', 12.0),
            cutOffV: $this->values->number('cutOffV'),
            surgeA: $this->surgeW() / self::OUTPUT_V,
        );
    }

    /**
     * Volts of a battery it runs from: above its cut-off, and not another system's.
     *
     * @return array{float, float}
     */
    final public function batteryWindow(): array
    {
        return [$this->values->number('cutOffV'), self::HIGHEST_SHARE * $this->values->number('dcNominalV', 12.0)];
    }

    /** Its switch, as a device. */
    final public function mode(): string
    {
        return "{$this->id}.mode";
    }

    /** Output neutral: bonded (or bonded by a relay), floating, or half the voltage from the case. */
    abstract public function neutral(): string;

    final public function hasGroundedCase(): bool
    {
        return true;
    }

    final public function receptacleAt(Rig $rig): array
    {
        return ['c' => $this->id, 'port' => 'ac_out'];
    }
}
