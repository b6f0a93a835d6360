<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Components\Battery\StopLine;
use Hollin\Core\Components\Component;
use Hollin\Core\Components\Limit;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Shaft;

/** The engine's alternator, its own or that of the vehicle in front: what it can spare, driving and hot at idle. */
final class Alternator extends Component
{
    use StopLine;

    /** What a controlled one comes down to once the starter battery is full, V (common practice, no source). */
    public const LOWERED_V = 12.7;

    public static function type(): string
    {
        return 'alternator';
    }

    public static function summary(): string
    {
        return 'The alternator of the engine, or of the vehicle in front. What it can spare beside the ' .
            'vehicle\'s own ' .
            'needs, driving and hot at idle. Terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'spareA' => Field::number('Spare when driving', 'A', 5, 400)->plausibly(
                Plausible::times(0.5, 1, 'lamps, fan and heater take their part'),
            ),
            'idleA' => Field::number('Spare hot at idle', 'A', 0, 300)->plausibly(
                Plausible::times(0.4, 1.2, 'hot and slow it gives a third to a half'),
            ),
            'holdsV' => Field::number('Volts it holds', 'V', 12.5, 30)->plausibly(
                Plausible::times(0.96, 1.04, 'regulators differ, and fall with heat'),
            ),
            'control' => Field::choice('Control', [
                'fixed' => 'holds its volts',
                'smart' => 'lowered by the engine\'s computer',
                'unknown' => 'not known',
            ])->note('test: volts after twenty minutes of driving with nothing switched on; under 13 V it is lowered'),
            ...self::stopField(),
        ];
    }

    public function referenceProblems(array $others): array
    {
        return $this->stopProblems($others);
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** Control by which its engine stands, idles or drives. */
    public function engine(): string
    {
        return "{$this->id}.engine";
    }

    /** Whether its volts may fall by themselves while the engine runs: it is told to, or nobody knows. */
    public function mayLower(): bool
    {
        return $this->values->text('control') !== 'fixed';
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->device(
            new Device(
                $this->engine(),
                $this->id,
                'Engine',
                'run',
                ['off' => 'off', 'idle' => 'idling', 'drive' => 'driving'],
                'off',
            ),
        );
        $volts = $this->values->number('holdsV');
        $nominal = 12.0 * max(1, round($volts / 14.2));
        foreach (['drive' => 'spareA', 'idle' => 'idleA'] as $position => $field) {
            $id = "{$this->id}.{$position}";
            $amps = $this->values->number($field);
            $graph->charger(
                new PowerConverter(
                    $id,
                    $this->id,
                    PowerConverter::FIELD,
                    ["{$this->id}.pos", "{$this->id}.neg"],
                    ["{$this->id}.pos", "{$this->id}.neg"],
                    $volts,
                    $amps,
                    1.0,
                    0.0,
                    device: $this->engine(),
                    positions: [$position],
                    nominalV: $nominal,
                    profile: 'lead',
                    stop: $this->stop(),
                ),
                $this->label(),
            );
        }
        $graph->shafts[] = new Shaft(
            $this->id,
            $this->engine(),
            ["{$this->id}.drive", "{$this->id}.idle"],
            "{$this->id}.pos",
            "{$this->id}.neg",
            $volts,
            $this->mayLower() ? (self::LOWERED_V * $nominal) / 12.0 : null,
            $this->values->text('control') === 'smart',
        );
        array_push(
            $graph->occasions,
            new Occasion(
                $this->id,
                'driving',
                'driving',
                $this->label(),
                About::Driving,
                'R',
                mode: 'off',
                once: true,
                also: [$this->engine() => 'drive'],
            ),
            new Occasion(
                $this->id,
                'idling',
                'engine idles',
                $this->label(),
                About::Driving,
                'E',
                mode: 'off',
                once: true,
                also: [$this->engine() => 'idle'],
            ),
        );
    }

    public function limits(): array
    {
        return [
            new Limit(
                $this->values->number('idleA'),
                'A',
                'what the engine can spare hot at idle',
                Limit::assumed($this, 'idleA'),
            ),
        ];
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 1, [
            sprintf(
                '%g A · idle %g A · %g V',
                $this->values->number('spareA'),
                $this->values->number('idleA'),
                $this->values->number('holdsV'),
            ),
        ]);
    }
}
