<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\CutOut;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;

/** A one-bus AC panel: main or subpanel, with slots, a neutral bar and a ground bar. */
final class Panel extends Component
{
    public static function type(): string
    {
        return 'panel';
    }

    public static function summary(): string
    {
        return 'A one-bus 120 V panel, main or subpanel: slots, neutral bar, ground bar. In a vehicle its neutral ' .
            'floats: no bonding screw. A back-fed breaker may bring a second supply in, interlocked with the ' .
            'main breaker or not. Ports: line, backfeed.';
    }

    public static function fields(): array
    {
        return [
            'slots' => Field::integer('Slots', 1, 24),
            'tandem' => Field::flag('Takes tandem breakers')->optional(),
            'role' => Field::choice('Role', ['main' => 'main panel', 'sub' => 'subpanel']),
            'mainA' => Field::integer('Main breaker, A', 10, 60)->optional()->note('leave out when it has none'),
            'mainSlot' => Field::integer('Slot of the main breaker', 1, 24)->optional(),
            'busA' => Field::integer('Bus rating, A', 15, 225)->optional(),
            'backfeed' => Field::group('Back-fed breaker', [
                'breakerA' => Field::integer('Breaker, A', 10, 60),
                'slot' => Field::integer('Slot', 1, 24),
                'interlocked' => Field::flag('Mechanical interlock with the main breaker'),
                'holdDown' => Field::flag('Held down by a screw')->optional(),
            ])->optional(),
            'bondScrew' => Field::flag('Bonding screw or strap fitted')->plausibly(
                Plausible::oneOf('it is seen only with the cover off', true, false),
            ),
            'bondedToFrame' => Field::flag('Ground bar bonded to the frame')->plausibly(
                Plausible::oneOf('it is known only from a measurement to the frame', true, false),
            ),
            ...CutOut::fields(),
        ];
    }

    public static function portNames(): array
    {
        return ['line', 'backfeed'];
    }

    public function port(string $name): ?Port
    {
        return in_array($name, self::portNames(), true)
            ? new Port("{$this->id}.{$name}", $this->neutralBar(), $this->groundBar())
            : null;
    }

    protected function facts(): array
    {
        return ['bus' => $this->bus(), 'neutralBar' => $this->neutralBar(), 'groundBar' => $this->groundBar()];
    }

    /** Terminal of its bus. */
    public function bus(): string
    {
        return "{$this->id}.bus";
    }

    /** Terminal of its neutral bar. */
    public function neutralBar(): string
    {
        return "{$this->id}.neutral_bar";
    }

    /** Terminal of its ground bar. */
    public function groundBar(): string
    {
        return "{$this->id}.ground_bar";
    }

    /** Its main breaker, A; null where it has none. */
    public function mainA(): ?float
    {
        return $this->values->numberOrNull('mainA');
    }

    /** Whether it is written down as the main panel. */
    public function isMain(): bool
    {
        return $this->values->text('role') === 'main';
    }

    /** How many slots it has. */
    public function slots(): int
    {
        return $this->values->integer('slots');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $mainA = $this->mainA();
        $backfeed = $this->values->group('backfeed');
        if ($backfeed !== null && $mainA !== null && $backfeed->flag('interlocked')) {
            // One handle slides between two: never both.
            $graph->device(
                new Device(
                    "{$this->id}.main",
                    $this->id,
                    $this->label() . ' interlocked mains',
                    'transfer',
                    [
                        'main' => 'main breaker on',
                        'off' => 'both off',
                        'backfeed' => 'back-fed breaker on',
                    ],
                    'main',
                    selects: ['main' => "{$this->id}.line", 'backfeed' => "{$this->id}.backfeed"],
                ),
            );
            $graph->contact(
                "{$this->id}.main_pole",
                $this->id,
                "{$this->id}.line",
                $this->bus(),
                Role::L1,
                "{$this->id}.main",
                ['main'],
                new Rating($mainA, 'breaker', true),
            );
            $graph->contact(
                "{$this->id}.backfeed_pole",
                $this->id,
                "{$this->id}.backfeed",
                $this->bus(),
                Role::L1,
                "{$this->id}.main",
                ['backfeed'],
                new Rating($backfeed->number('breakerA'), 'breaker', true),
            );
        } elseif ($mainA === null) {
            $graph->conductor("{$this->id}.lugs", $this->id, "{$this->id}.line", $this->bus(), Role::L1);
        } else {
            $graph->breaker("{$this->id}.main", $this->id, $this->label() . ' main breaker');
            $graph->contact(
                "{$this->id}.main_pole",
                $this->id,
                "{$this->id}.line",
                $this->bus(),
                Role::L1,
                "{$this->id}.main",
                ['on'],
                new Rating($mainA, 'breaker', true),
            );
        }
        if ($backfeed !== null && !isset($graph->elements["{$this->id}.backfeed_pole"])) {
            $graph->device(
                new Device(
                    "{$this->id}.backfeed_breaker",
                    $this->id,
                    $this->label() . ' back-fed breaker',
                    'breaker',
                    ['off' => 'off', 'on' => 'on'],
                    'off',
                ),
            );
            $graph->contact(
                "{$this->id}.backfeed_pole",
                $this->id,
                "{$this->id}.backfeed",
                $this->bus(),
                Role::L1,
                "{$this->id}.backfeed_breaker",
                ['on'],
                new Rating($backfeed->number('breakerA'), 'breaker', true),
            );
        }
        $graph->terminal($this->neutralBar(), $this->groundBar());
        $busA = $this->values->numberOrNull('busA');
        if ($busA !== null) {
            $graph->junction($this->bus(), $this->id, new Rating($busA, 'bus'));
        }
        if ($this->values->flag('bondScrew')) {
            $graph->bond("{$this->id}.bond_screw", $this->id, $this->neutralBar(), $this->groundBar());
        }
        if ($this->values->flag('bondedToFrame')) {
            $graph->conductor("{$this->id}.frame_bond", $this->id, $this->groundBar(), 'frame', Role::PE);
        }
    }

    public function plate(): Plate
    {
        return new Plate('panels', 'tray', $this->isMain() ? 0 : 1, [
            $this->mainA() === null ? 'no main breaker' : sprintf('main %d A', $this->mainA()),
        ]);
    }

    public function referenceProblems(array $others): array
    {
        $taken = [];
        $problems = [];
        $mainSlot = $this->values->integer('mainSlot');
        if ($mainSlot > 0) {
            $taken["{$mainSlot}"] = 'the main breaker';
        }
        $backfeed = $this->values->group('backfeed');
        if ($backfeed !== null) {
            $taken["{$backfeed->integer('slot')}"] = 'the back-fed breaker';
            if ($backfeed->flag('interlocked') && $this->mainA() === null) {
                $problems[] = ['/backfeed/interlocked', 'needs a main breaker to interlock with: give "mainA".'];
            }
        }
        foreach ($others as $circuit) {
            if (!($circuit instanceof Circuit) || $circuit->hotPanel() !== $this->id) {
                continue;
            }
            $slot = $circuit->slot();
            if ($slot > $this->slots()) {
                $problems[] = [
                    "@{$circuit->id}/hot/slot",
                    sprintf('is %d, but %s has %d slots.', $slot, $this->label(), $this->slots()),
                ];
                continue;
            }
            if ($circuit->half() !== '' && !$this->values->flag('tandem')) {
                $problems[] = [
                    "@{$circuit->id}/hot/half",
                    sprintf('is a tandem half, but %s does not take tandem breakers.', $this->label()),
                ];
            }
            foreach (
                $circuit->half() === '' ? ["{$slot}", "{$slot}a", "{$slot}b"] : ["{$slot}", "{$slot}{$circuit->half()}"]
                as $place
            ) {
                if (isset($taken[$place])) {
                    $problems[] = [
                        "@{$circuit->id}/hot/slot",
                        sprintf(
                            '%d of %s is already taken by %s; %s cannot be there too. A slot takes one ' .
                                'breaker, or a tandem with halves a and b.',
                            $slot,
                            $this->label(),
                            $taken[$place],
                            $circuit->label(),
                        ),
                    ];
                    break;
                }
            }
            $taken[$slot . $circuit->half()] = $circuit->label();
        }

        return $problems;
    }

    public function hasGroundedCase(): bool
    {
        return $this->values->flag('bondedToFrame');
    }

    public function tray(Rig $rig): array
    {
        $rows = [];
        $mainA = $this->mainA();
        if ($mainA !== null) {
            $slot = $this->values->integer('mainSlot');
            $rows[] = Rows::breaker(
                'main',
                $slot,
                'Main',
                $mainA,
                "{$this->id}.main",
                ['main', 'on'],
                "{$this->id}.main_pole",
            );
        }
        $backfeed = $this->values->group('backfeed');
        if ($backfeed !== null) {
            $interlocked = $backfeed->flag('interlocked');
            $rows[] = Rows::breaker(
                'backfeed',
                $backfeed->integer('slot'),
                $interlocked ? 'Back-fed, interlocked' : 'Back-fed',
                $backfeed->number('breakerA'),
                $interlocked && $mainA !== null ? "{$this->id}.main" : "{$this->id}.backfeed_breaker",
                ['backfeed', 'on'],
                "{$this->id}.backfeed_pole",
            );
        }
        foreach ($rig->all(Circuit::class) as $circuit) {
            if ($circuit->hotPanel() === $this->id) {
                array_push($rows, ...Rows::of($circuit, $rig));
            }
        }

        return [
            'rows' => Rows::filled($rows, $this->slots()),
            'bondScrew' => $this->values->flag('bondScrew'),
            'role' => $this->isMain() ? 'main' : 'sub',
            'carries' => ["{$this->id}.main_pole", "{$this->id}.backfeed_pole"],
        ];
    }
}
