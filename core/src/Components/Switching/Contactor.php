<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Switching;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;

/** A contactor in the converter's feed: its contact follows a coil somewhere else. */
final class Contactor extends Component
{
    public static function type(): string
    {
        return 'contactor';
    }

    public static function summary(): string
    {
        return 'A contactor that locks the converter out: a normally-closed contact with its coil on the inverter, ' .
            'or, fail-safe, a normally-open one with its coil on the outside supply. Ports: in, out.';
    }

    public static function fields(): array
    {
        return [
            'contact' => Field::choice('Contact', [
                'nc' => 'normally closed: opens with the coil',
                'no' => 'normally open: closes with the coil',
            ]),
            'coil' => Field::group('Where the coil is fed from', self::end(self::GIVES)),
            'coilW' => Field::number('Coil draw', 'W', 0.5, 40)->plausibly(
                Plausible::times(0.5, 2, 'coils of one size differ'),
            ),
            'ratingA' => Field::integer('Contact rating, A', 10, 60),
            'poles' => Field::choice('Opens', ['two' => 'hot and neutral', 'one' => 'the hot only'])->optional(),
            'lamp' => Field::choice('Indicator lamp', [
                'none' => 'none',
                'coil' => 'across the coil',
                'output' => 'on the output',
            ])->optional(),
        ];
    }

    public static function portNames(): array
    {
        return ['in', 'out'];
    }

    public function port(string $name): ?Port
    {
        return in_array($name, self::portNames(), true) ? Port::named("{$this->id}.{$name}") : null;
    }

    /** Id of its device. */
    public function coil(): string
    {
        return "{$this->id}.coil";
    }

    /** Whether it parts when its coil is dead. */
    public function failsSafe(): bool
    {
        return $this->values->text('contact') === 'no';
    }

    /** What its coil takes, W. */
    public function coilW(): float
    {
        return $this->values->number('coilW');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $coil = self::portOf($rig, $this->values->group('coil'));
        $graph->device(
            new Device(
                $this->coil(),
                $this->id,
                $this->label(),
                'relay',
                [
                    'released' => 'coil released',
                    'pulled' => 'coil pulled in',
                ],
                'released',
                new CoilLogic($coil),
                contacts: 'contact',
            ),
        );
        $graph->poles(
            $this->id,
            $this->id,
            Port::named("{$this->id}.in"),
            Port::named("{$this->id}.out"),
            $this->coil(),
            [$this->failsSafe() ? 'pulled' : 'released'],
            new Rating($this->values->number('ratingA'), 'relay'),
            $this->values->text('poles', 'two') === 'two',
        );
        if ($coil !== null) {
            $graph->user(
                new Load(
                    "{$this->id}.coil",
                    '',
                    'coil',
                    $coil->hot,
                    $coil->neutral,
                    $this->coilW(),
                    1.0,
                    120.0,
                    true,
                    false,
                    component: $this->id,
                    device: $this->coil(),
                    positions: ['pulled'],
                ),
            );
        }
    }

    public function plate(): Plate
    {
        return new Plate('switching', 'gate', 3, [
            $this->failsSafe() ? 'normally open' : 'normally closed',
            sprintf('coil %g W', $this->coilW()),
        ]);
    }

    public function referenceProblems(array $others): array
    {
        return $this->portProblems($others, 'coil');
    }

    public function links(Rig $rig): array
    {
        $at = self::portOf($rig, $this->values->group('coil'));

        return [
            Link::ac(
                "{$this->id}.coil",
                Link::end($this->values->group('coil')),
                ['c' => $this->id],
                [(string) $at?->hot, (string) $at?->hot],
                [(string) $at?->neutral, (string) $at?->neutral],
                [],
                ['label' => 'coil'],
                'coil',
            ),
        ];
    }
}
