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
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\PanelArray;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Surrounding;

/** Panels in strings on a solar controller: what they give in full sun, and their volts on a cold morning. */
final class SolarCharger extends Component
{
    use StopLine;

    /** The surroundings by which all panels of a rig are in the sun or not. */
    public const SUN = 'sun';

    /** Degrees at which panels are rated. */
    private const RATED_C = 25.0;

    public static function type(): string
    {
        return 'solar_charger';
    }

    public static function summary(): string
    {
        return 'Panels in strings, and the solar controller they are on. Volts and amps of one panel as on ' .
            'its label: ' .
            'open circuit and at its best point. Terminals of the controller: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'panelW' => Field::number('Power of one panel', 'W', 5, 700)->plausibly(
                Plausible::times(0.8, 1.2, 'labels on roofs are seldom read'),
            ),
            'panelVoc' => Field::number('Volts of one panel, open circuit', 'V', 5, 100)->plausibly(
                Plausible::times(0.9, 1.1, 'open circuit, working point and nominal volts are mixed up'),
            ),
            'panelVmp' => Field::number('Volts of one panel, at its best point', 'V', 5, 90)->plausibly(
                Plausible::times(0.9, 1.1, 'open circuit, working point and nominal volts are mixed up'),
            ),
            'panelIsc' => Field::number('Amps of one panel, short circuit', 'A', 0.2, 30)->plausibly(
                Plausible::times(0.9, 1.1, 'short-circuit and working amps are mixed up'),
            ),
            'perC' => Field::number('Change of open-circuit volts per degree', '%', -0.6, -0.1)
                ->optional()
                ->note('from the panel\'s sheet; the table of the electrical code stands in for it'),
            'series' => Field::integer('In series', 1, 12),
            'parallel' => Field::integer('Strings in parallel', 1, 12),
            'coldestC' => Field::number('Coldest it gets', '°C', -60, 30)->plausibly(
                Plausible::oneOf('rigs travel: the coldest place decides', -40, -10),
            ),
            'limitV' => Field::number('Highest input of the controller', 'V', 12, 600)->plausibly(
                Plausible::times(0.5, 1, 'some controllers take less than their name says'),
            ),
            'outputA' => Field::number('Output of the controller', 'A', 3, 200)->plausibly(
                Plausible::times(0.5, 1, 'some controllers give less than their name says'),
            ),
            'outputV' => Field::number('Charging voltage', 'V', 11, 60)->plausibly(
                Plausible::times(0.97, 1.03, 'it is as somebody has set it'),
            ),
            'kind' => Field::choice('Controller', [
                'tracking' => 'tracks the best point',
                'switching' => 'joins panels and battery',
            ]),
            'profile' => Field::choice('Charging profile', [
                'lead' => 'lead',
                'lithium' => 'lithium',
                'chosen' => 'adjustable, set to the bank',
            ]),
            'arrayBreakerA' => Field::number('Breaker between panels and controller', 'A', 2, 200)
                ->optional()
                ->note('none where left out'),
            'arrayBreakerV' => Field::number('Direct volts that breaker parts', 'V', 12, 1000)->optional(),
            ...self::stopField(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    public function referenceProblems(array $others): array
    {
        $voc = $this->values->number('panelVoc');
        $vmp = $this->values->number('panelVmp');

        $found = $this->stopProblems($others);

        return $voc > $vmp
            ? $found
            : [
                ...$found,
                [
                    '/panelVmp',
                    sprintf(
                        'is %g V, not below the %g V of the open circuit: a label gives both, the lower is ' .
                            'the best point.',
                        $vmp,
                        $voc,
                    ),
                ],
            ];
    }

    /** W of all panels as their labels say. */
    public function arrayW(): float
    {
        return $this->values->number('panelW') * $this->values->integer('series') * $this->values->integer('parallel');
    }

    /** V of a string at the volts of the open circuit, at the temperature of rating. */
    public function openV(): float
    {
        return $this->values->number('panelVoc') * $this->values->integer('series');
    }

    /** Coldest temperature, °C. */
    public function coldestC(): float
    {
        return $this->values->number('coldestC');
    }

    /**
     * V of a string on the coldest morning by the maker\'s coefficient; null where nobody has entered it.
     */
    public function coldByMakerV(): ?float
    {
        $perC = $this->values->numberOrNull('perC');

        return $perC === null
            ? null
            : $this->openV() * (1 + ($perC / 100) * min(0.0, $this->coldestC() - self::RATED_C));
    }

    /** Highest volts the controller takes. */
    public function limitV(): float
    {
        return $this->values->number('limitV');
    }

    /** What the controller gives at most, A. */
    public function outputA(): float
    {
        return $this->values->number('outputA');
    }

    /** V it holds. */
    public function outputV(): float
    {
        return $this->values->number('outputV');
    }

    /**
     * W that reach the battery side in full sun: a controller that only joins panels and battery lets their
     * best-point amps through at the battery\'s volts, one that tracks gives all of them.
     */
    public function fieldW(): float
    {
        $vmp = $this->values->number('panelVmp') * $this->values->integer('series');

        return $this->values->text('kind') === 'tracking'
            ? $this->arrayW()
            : ($this->arrayW() / $vmp) * min($vmp, $this->outputV());
    }

    /**
     * The sun over a rig, and the state in which it shines on what a component has there.
     *
     * @param array<string, string> $also further controls as they are then
     */
    public static function sun(Graph $graph, string $component, string $label, array $also = []): void
    {
        $graph->surroundings[self::SUN] ??= new Surrounding(
            self::SUN,
            'Sun',
            ['good' => 'full sun', 'dead' => 'night'],
            sound: ['good', 'dead'],
            usual: 'dead',
        );
        $graph->occasions[] = new Occasion(
            $component,
            'sun',
            'off grid in the sun',
            $label,
            About::Sun,
            'U',
            inverting: true,
            once: true,
            also: [self::SUN => 'good'] + $also,
        );
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        self::sun($graph, $this->id, $this->label());
        $graph->arrays[] = new PanelArray(
            $this->id,
            $this->openV(),
            $this->coldByMakerV(),
            $this->coldestC(),
            $this->limitV(),
            $this->arrayW(),
            $this->outputA() * $this->outputV(),
            $this->values->number('panelVmp') * $this->values->integer('series'),
            $this->values->number('panelIsc') * $this->values->integer('parallel'),
            Limit::assumed($this, 'panelVoc', 'series', 'coldestC', 'limitV'),
            $this->values->numberOrNull('arrayBreakerA'),
            $this->values->numberOrNull('arrayBreakerV'),
        );
        $graph->charger(
            new PowerConverter(
                "{$this->id}.output",
                $this->id,
                PowerConverter::FIELD,
                ["{$this->id}.pos", "{$this->id}.neg"],
                ["{$this->id}.pos", "{$this->id}.neg"],
                $this->outputV(),
                $this->outputA(),
                1.0,
                0.0,
                nominalV: 12.0 * max(1, round($this->outputV() / 14.2)),
                profile: $this->values->text('profile'),
                fieldW: $this->fieldW(),
                stop: $this->stop(),
            ),
            $this->label(),
            self::SUN,
        );
    }

    public function limits(): array
    {
        return [
            new Limit(
                $this->outputA(),
                'A',
                sprintf('from %g W of panels; about 0.6 of that on a good day', $this->arrayW()),
                Limit::assumed($this, 'outputA', 'panelW'),
            ),
        ];
    }

    public function plate(): Plate
    {
        return new Plate('deck', 'bar', 1, [sprintf('%g W · %g A', $this->arrayW(), $this->outputA())]);
    }
}
