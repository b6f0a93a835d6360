<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

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
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\Supply;

/** A generator: on board, or portable with its own frame, its neutral bonded or floating. */
final class Generator extends Component
{
    /**
     * How long a set gives more than its rating before its breaker or its engine gives in, s (common practice, no
     * source).
     */
    private const SURGE_S = 10.0;

    /** Voltage drop from nothing to full load that portable sets show, as a share; assumed. */
    private const REGULATION = 0.06;

    public static function type(): string
    {
        return 'generator';
    }

    public static function summary(): string
    {
        return 'A generator, portable or on board. Its neutral is bonded to its frame, floats, or is bonded by a ' .
            'plug in its outlet. The shore cord is carried to it ("reaches"), or it is wired. Port: out.';
    }

    public static function fields(): array
    {
        return [
            'ratedW' => Field::number('Rated output', 'W', 500, 12000)->plausibly(
                Plausible::times(0.7, 1, 'the figure on the shroud is often the starting one'),
            ),
            'surgeW' => Field::number('Starting output', 'W', 500, 15000)
                ->optional()
                ->plausibly(Plausible::times(0.8, 1.2, 'height and heat take their share')),
            'outletA' => Field::integer('Breaker of its outlet, A', 10, 60)->plausibly(
                Plausible::oneOf('outlets of generators have breakers of 15 to 30 A', 15, 20, 30),
            ),
            'mount' => Field::choice('Mount', ['portable' => 'portable', 'on_board' => 'on board']),
            'bond' => Field::choice('Neutral', [
                'bonded' => 'bonded to its frame',
                'floating' => 'floating',
                'plug' => 'bonded by a plug in its outlet',
            ]),
            'autoStart' => Field::flag('Starts by itself')->optional(),
            'reaches' => Field::ref('Inlet whose cord is plugged into it', 'inlet')->optional(),
        ];
    }

    public static function portNames(): array
    {
        return ['out'];
    }

    public function port(string $name): ?Port
    {
        return $name === 'out' ? Port::named($this->id) : null;
    }

    /** What it gives for hours, W. */
    public function ratedW(): float
    {
        return $this->values->number('ratedW');
    }

    /** Its outlet's breaker, A. */
    public function outletA(): float
    {
        return $this->values->number('outletA');
    }

    /** Id of what starts and stops it. */
    public function run(): string
    {
        return "{$this->id}.run";
    }

    public function offersTo(string $inlet): array
    {
        return $inlet === $this->values->text('reaches')
            ? [
                $this->id => [
                    'words' => 'plugged into ' . $this->label(),
                    'port' => Port::named($this->id),
                    'ratingA' => $this->outletA(),
                ],
            ]
            : [];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $out = Port::named($this->id);
        // A portable set that only the cord reaches makes no difference while the cord is elsewhere.
        $inlet = $this->values->text('reaches');
        $wired = array_filter(
            $rig->components,
            fn(Component $c): bool => $c->values->group('from')?->text('at') === $this->id,
        );
        $while =
            $inlet !== '' && $wired === [] && $this->values->text('mount') === 'portable'
                ? ["{$inlet}.plug" => [$this->id]]
                : [];
        $graph->device(
            new Device(
                $this->run(),
                $this->id,
                $this->label(),
                'run',
                ['stopped' => 'stopped', 'running' => 'running'],
                'stopped',
                while: $while,
                byItself: $this->values->flag('autoStart'),
            ),
        );
        $graph->device(
            new Device(
                "{$this->id}.breaker",
                $this->id,
                $this->label() . ' breaker',
                'breaker',
                ['on' => 'on', 'off' => 'off'],
                'on',
                while: $while + [$this->run() => ['running']],
            ),
        );
        $graph->contact(
            "{$this->id}.pole",
            $this->id,
            "{$this->id}.winding",
            $out->hot,
            Role::L1,
            "{$this->id}.breaker",
            ['on'],
            new Rating($this->outletA(), 'breaker', true),
        );
        $graph->terminal($out->neutral, $out->ground);
        if ($this->values->text('bond') !== 'floating') {
            $graph->bond("{$this->id}.bond", $this->id, $out->neutral, $out->ground);
        }
        if ($this->values->text('mount') === 'on_board') {
            $graph->conductor("{$this->id}.case", $this->id, $out->ground, 'frame', Role::PE);
        }
        $amps = $this->ratedW() / 120;
        $graph->source(
            new Source(
                "{$this->id}.winding_source",
                $this->id,
                'generator',
                'G',
                'ac',
                true,
                "{$this->id}.winding",
                $out->neutral,
                $out->ground,
                120.0,
                $amps,
                device: $this->run(),
                positions: ['running'],
                impedanceOhm: (self::REGULATION * 120) / $amps,
                surgeA: $this->values->number('surgeW', $this->ratedW()) / 120,
                neutral: $this->values->text('bond') === 'floating' ? 'floating' : 'bonded',
                surgeS: self::SURGE_S,
                past: 'trips',
            ),
        );
        $graph->supplies[$this->id] = new Supply(
            $this->id,
            'generator',
            "{$this->id}.winding_source",
            [$this->id => $this->outletA()],
            $this->values->text('mount') === 'portable',
        );
        $among = lcfirst($this->label());
        $source = "{$this->id}.winding_source";
        array_push(
            $graph->occasions,
            new Occasion(
                $this->id,
                'generator',
                'generator',
                $among,
                About::Generator,
                source: $source,
                mode: 'charge',
            ),
            new Occasion(
                $this->id,
                'generator_and_inverter',
                'generator, inverter on',
                '',
                About::Generator,
                'A',
                $source,
                withInverter: true,
                once: true,
            ),
        );
        if ($this->values->flag('autoStart')) {
            // Nobody is there: cord and switches are as they were off grid.
            $graph->occasions[] = new Occasion(
                $this->id,
                'auto_start',
                "{$this->label()} starts by itself",
                $this->label(),
                About::Generator,
                'N',
                inverting: true,
                also: [$this->run() => 'running'],
                charge: 'low',
            );
        }
    }

    public function limits(): array
    {
        return [
            new Limit(
                $this->values->number('ratedW'),
                'W',
                'for long; less in heat and high up',
                Limit::assumed($this, 'ratedW'),
            ),
        ];
    }

    public function plate(): Plate
    {
        return new Plate('supplies', 'chip', 2, [
            sprintf('%g W · outlet %g A', $this->ratedW(), $this->outletA()),
            ['bonded' => 'neutral bonded', 'floating' => 'neutral floats', 'plug' => 'bonding plug'][
                $this->values->text('bond')
            ] ?? '',
        ]);
    }

    public function referenceProblems(array $others): array
    {
        $inlet = $this->values->text('reaches');

        return $inlet === '' ? [] : $this->mustBe($others, '/reaches', $inlet, Inlet::class);
    }

    public function hasGroundedCase(): bool
    {
        return $this->values->text('mount') === 'on_board';
    }
}
