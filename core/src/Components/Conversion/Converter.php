<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Conversion;

use Hollin\Core\Components\Battery\StopLine;
use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;

/** 120 V in, 12 V out: charges the battery and carries the DC loads. */
final class Converter extends Component
{
    use StopLine;

    /** What one takes with nothing to charge, W (common practice, no source). */
    private const IDLE_W = 8.0;

    public static function type(): string
    {
        return 'converter';
    }

    public static function summary(): string
    {
        return 'The factory converter: 120 V in, 12 V out. Fed by a circuit ("feeds") or by its plug in a ' .
            'circuit\'s receptacle. Port: ac_in. DC terminals: pos, neg.';
    }

    public static function fields(): array
    {
        return [
            'outputA' => Field::number('Output', 'A', 5, 120),
            'outputV' => Field::number('Charging voltage', 'V', 11, 30)->optional(),
            'efficiency' => Field::number('Efficiency', '', 0.5, 0.98)->plausibly(
                Plausible::oneOf('old linear units give 0.7, new switching ones 0.9', 0.7, 0.9),
            ),
            'powerFactor' => Field::number('Power factor', '', 0.4, 1)->optional(),
            'idleW' => Field::number('Draw with nothing to charge', 'W', 0, 60)->optional(),
            'mount' => Field::choice('Mount', [
                'in_panel' => 'in the panel',
                'separate' => 'separate',
                'charger' => 'plug-in charger',
            ]),
            'profile' => Field::choice('Charging profile', [
                'lead' => 'lead',
                'lithium' => 'lithium',
                'chosen' => 'adjustable, set to the bank',
            ])->optional(),
            'plug' => Field::ref('Circuit whose receptacle it is plugged into', 'circuit')->optional(),
            'alsoInto' => Field::map('Other receptacles it is plugged into by hand', [
                'circuit' => Field::ref('Circuit', 'circuit'),
            ])->optional(),
            ...self::stopField(),
        ];
    }

    public static function portNames(): array
    {
        return ['ac_in'];
    }

    public function port(string $name): ?Port
    {
        return $name === 'ac_in' ? Port::named("{$this->id}.ac_in") : null;
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.pos", "{$this->id}.neg"];
    }

    /** Its limit, A of direct current. */
    public function outputA(): float
    {
        return $this->values->number('outputA');
    }

    /** V it holds. */
    public function outputV(): float
    {
        return $this->values->number('outputV', 13.6);
    }

    /** Share of what it takes that it gives. */
    public function efficiency(): float
    {
        return $this->values->number('efficiency');
    }

    /** Input at full output, W. */
    public function inputW(): float
    {
        return ($this->outputA() * $this->outputV()) / $this->efficiency();
    }

    /** What it takes at its limit, A at 120 V. */
    public function inputA(): float
    {
        return $this->inputW() / 120 / $this->values->number('powerFactor', 1.0);
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $in = Port::named("{$this->id}.ac_in");
        $this->plugs($graph);
        $graph->terminal($in->hot, $in->neutral);
        $graph->conductor("{$this->id}.case", $this->id, $in->ground, 'frame', Role::PE);
        $graph->source(
            new Source(
                "{$this->id}.output",
                $this->id,
                $this->label(),
                'C',
                'dc',
                false,
                "{$this->id}.pos",
                "{$this->id}.neg",
                'frame',
                $this->outputV(),
                $this->outputA(),
                runsOnAc: [$in->hot, $in->neutral],
            ),
        );
        $graph->converter(
            new PowerConverter(
                "{$this->id}.output",
                $this->id,
                PowerConverter::CHARGER,
                [$in->hot, $in->neutral],
                ["{$this->id}.pos", "{$this->id}.neg"],
                $this->outputV(),
                $this->outputA(),
                $this->efficiency(),
                $this->values->number('idleW', self::IDLE_W),
                $this->values->number('powerFactor', 1.0),
                nominalV: self::nominalOf($this->outputV()),
                profile: $this->values->text('profile'),
                stop: $this->stop(),
            ),
        );
    }

    /** @return array<string, string> position of its plug => circuit whose receptacle it is then in */
    private function places(): array
    {
        $plug = $this->values->text('plug');
        $places = $plug === '' ? [] : ['in' => $plug];
        foreach ($this->values->entries('alsoInto') as $position => $entry) {
            $places[(string) $position] = $entry->text('circuit');
        }

        return $places;
    }

    private function plugs(Graph $graph): void
    {
        $places = $this->places();
        if ($places === []) {
            return;
        }
        $device = "{$this->id}.plug";
        $words = fn(string $position): string => $position === 'in' ? 'plugged in' : "plugged in at {$position}";
        $positions = array_combine(array_keys($places), array_map($words, array_keys($places)));
        $graph->device(
            new Device(
                $device,
                $this->id,
                $this->label(),
                'plug',
                $positions + ['out' => 'unplugged'],
                (string) array_key_first($places),
            ),
        );
        foreach ($places as $position => $circuit) {
            foreach (['l' => Role::L1, 'n' => Role::N, 'g' => Role::PE] as $pole => $role) {
                $graph->contact(
                    $position === 'in' ? "{$device}_{$pole}" : "{$device}_{$position}_{$pole}",
                    $this->id,
                    "{$circuit}.{$pole}",
                    "{$this->id}.ac_in.{$pole}",
                    $role,
                    $device,
                    [$position],
                );
            }
        }
    }

    /** The 12 V system a charging voltage belongs to. */
    private static function nominalOf(float $chargingV): float
    {
        return 12.0 * max(1, round($chargingV / 13.8));
    }

    public function plate(): Plate
    {
        return new Plate('straddle', 'body', 1, [
            sprintf('%g A · %.1f V', $this->outputA(), $this->outputV()),
            ['in_panel' => 'in the panel', 'charger' => 'plug-in charger'][$this->values->text('mount')] ?? 'separate',
        ]);
    }

    public function referenceProblems(array $others): array
    {
        $plug = $this->values->text('plug');

        return [
            ...$plug === '' ? [] : $this->mustBe($others, '/plug', $plug, Circuit::class),
            ...array_merge(
                [],
                ...array_map(
                    fn(string $position, string $circuit): array => $position === 'in'
                        ? []
                        : $this->mustBe($others, "/alsoInto/{$position}/circuit", $circuit, Circuit::class),
                    array_keys($this->places()),
                    $this->places(),
                ),
            ),
            ...$this->stopProblems($others),
        ];
    }

    public function hasGroundedCase(): bool
    {
        return true;
    }

    public function links(Rig $rig): array
    {
        $outlet = $this->values->text('plug');
        if ($outlet === '') {
            return [];
        }

        return [
            Link::ac(
                "{$this->id}.cord",
                $rig->find($outlet)?->receptacleAt($rig) ?? ['c' => '', 'row' => $outlet],
                ['c' => $this->id, 'port' => 'ac_in'],
                ["{$outlet}.l", "{$this->id}.ac_in.l"],
                ["{$outlet}.n", "{$this->id}.ac_in.n"],
                ["{$this->id}.plug_l", "{$this->id}.plug_n", "{$outlet}.hot", "{$outlet}.pole"],
                ['gate' => "{$this->id}.plug", 'label' => 'plug'],
            ),
        ];
    }
}
