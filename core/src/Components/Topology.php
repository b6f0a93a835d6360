<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Components\Battery\BusBar;
use Hollin\Core\Components\Battery\FrameBond;
use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Battery\Shunt;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Conversion\Inverting;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Supply\Generator;
use Hollin\Core\Components\Supply\Inlet;
use Hollin\Core\Components\Supply\ShoreSupply;
use Hollin\Core\Components\Switching\Contactor;
use Hollin\Core\Components\Switching\TransferSwitch;
use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Rig;
use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Cable;
use stdClass;

/** What the wall shows of a rig in every state: plates, trays with their rows, links. No geometry. */
final class Topology
{
    /** @return array<string, mixed> */
    public static function of(Rig $rig): array
    {
        $make = new self($rig);

        return ['plates' => (object) $make->plates(), 'trays' => (object) $make->trays(), 'links' => $make->links()];
    }

    private function __construct(private readonly Rig $rig) {}

    /** @return array<string, array<string, mixed>> */
    private function plates(): array
    {
        $plates = [];
        foreach ($this->rig->components as $id => $component) {
            $plate = $component->plate();
            if ($plate === null) {
                continue;
            }
            $plates[$id] = [
                'type' => $component::type(),
                'label' => $component->label(),
                'band' => $plate->band,
                'shape' => $plate->shape,
                'rank' => $plate->rank,
                'lines' => $plate->lines,
                'assumed' => self::assumptions($component),
                'pole' => $this->pole($component),
            ];
        }

        foreach ($this->outlets() as $id => $circuits) {
            $plates[self::trayOf($id)] = [
                'type' => 'outlets',
                'label' => $this->rig->label($id) . ': outlets',
                'band' => 'panels',
                'shape' => 'tray',
                'rank' => 2,
                'lines' => [],
                'assumed' => 0,
                'pole' => null,
            ];
        }

        return $plates;
    }

    private function pole(Component $component): ?string
    {
        return match (true) {
            $component instanceof Shunt => 'negative',
            $component instanceof BusBar => $component->values->text('pole'),
            default => null,
        };
    }

    /** @return array<string, array<string, mixed>> */
    private function trays(): array
    {
        $trays = [];
        foreach ($this->rig->all(Panel::class) as $id => $panel) {
            $rows = [];
            $taken = $halves = [];
            $mainA = $panel->mainA();
            $mainSlot = $panel->values->integer('mainSlot');
            if ($mainA !== null) {
                $rows[] = [
                    'kind' => 'main',
                    'slot' => $mainSlot,
                    'half' => '',
                    'label' => 'Main',
                    'ratingA' => $mainA,
                    'device' => "{$id}.main",
                    'closedIn' => ['main', 'on'],
                    'carries' => ["{$id}.main_pole"],
                ];
                $taken[$mainSlot] = true;
            }
            $backfeed = $panel->values->group('backfeed');
            if ($backfeed !== null) {
                $slot = $backfeed->integer('slot');
                $rows[] = [
                    'kind' => 'backfeed',
                    'slot' => $slot,
                    'half' => '',
                    'label' => $backfeed->flag('interlocked') ? 'Back-fed, interlocked' : 'Back-fed',
                    'ratingA' => $backfeed->number('breakerA'),
                    'device' =>
                        $backfeed->flag('interlocked') && $mainA !== null ? "{$id}.main" : "{$id}.backfeed_breaker",
                    'closedIn' => ['backfeed', 'on'],
                    'carries' => ["{$id}.backfeed_pole"],
                ];
                $taken[$slot] = true;
            }
            foreach ($this->rig->all(Circuit::class) as $circuitId => $circuit) {
                if ($circuit->hotPanel() === $id) {
                    $rows[] = $this->row($circuitId, $circuit, 0);
                    $taken[$circuit->slot()] = true;
                    $halves[$circuit->slot()][$circuit->half()] = true;
                    array_push($rows, ...$this->behind($circuitId, 1));
                }
            }
            for ($slot = 1; $slot <= $panel->slots(); $slot++) {
                if (!isset($taken[$slot])) {
                    $rows[] = [
                        'kind' => 'free',
                        'slot' => $slot,
                        'half' => '',
                        'label' => 'free',
                        'ratingA' => null,
                        'device' => null,
                    ];
                }
            }
            foreach ($halves as $slot => $half) {
                foreach (isset($half['']) ? [] : array_diff(['a', 'b'], array_keys($half)) as $free) {
                    $rows[] = [
                        'kind' => 'free',
                        'slot' => $slot,
                        'half' => $free,
                        'label' => 'free',
                        'ratingA' => null,
                        'device' => null,
                    ];
                }
            }
            usort(
                $rows,
                fn(array $a, array $b): int => [$a['slot'], $a['half'], $a['indent'] ?? 0] <=> [
                    $b['slot'],
                    $b['half'],
                    $b['indent'] ?? 0,
                ],
            );
            $trays[$id] = [
                'rows' => $rows,
                'bondScrew' => $panel->values->flag('bondScrew'),
                'role' => $panel->isMain() ? 'main' : 'sub',
                'carries' => ["{$id}.main_pole", "{$id}.backfeed_pole"],
            ];
        }
        foreach ($this->outlets() as $id => $circuits) {
            $rows = [];
            foreach ($circuits as $n => $circuit) {
                $rows[] = ['slot' => $n + 1] + $this->row($circuit->id, $circuit, 0);
                array_push(
                    $rows,
                    ...array_map(fn(array $row): array => ['slot' => $n + 1] + $row, $this->behind($circuit->id, 1)),
                );
            }
            $trays[self::trayOf($id)] = ['rows' => $rows, 'bondScrew' => false, 'role' => 'outlets', 'carries' => []];
        }

        return $trays;
    }

    /** @return array<string, mixed> */
    private function row(string $id, Circuit $circuit, int $indent): array
    {
        $strayNeutral =
            $circuit->lands('hot') !== $circuit->lands('neutral')
                ? $circuit->neutralPanel() ?? ($circuit->neutralBehind() ?? $circuit->equipment('neutral'))
                : null;

        return [
            'kind' => 'circuit',
            'circuit' => $id,
            'slot' => $circuit->slot(),
            'half' => $circuit->half(),
            'label' => $circuit->label(),
            'ratingA' => $circuit->breakerA(),
            'device' => $circuit->breakerA() === null || $circuit->behind() !== null ? null : "{$id}.breaker",
            'gfci' => $circuit->gfci(),
            'indent' => $indent,
            'closedIn' => ['on'],
            'carries' => ["{$id}.pole", "{$id}.hot"],
            'strayNeutral' => $strayNeutral,
            'feeds' => $circuit->feedsComponent(),
            'cable' => self::spoken($circuit->cable()),
            'assumed' => self::assumptions($circuit),
        ];
    }

    /** @return list<array<string, mixed>> circuits on the load side of another's GFCI */
    private function behind(string $id, int $indent): array
    {
        $rows = [];
        $parent = $this->rig->find($id);
        foreach ($this->rig->all(Circuit::class) as $childId => $child) {
            if ($child->behind() === $id && $parent instanceof Circuit && $indent < 6) {
                $rows[] =
                    ['slot' => $parent->slot(), 'half' => $parent->half()] + $this->row($childId, $child, $indent);
                array_push($rows, ...$this->behind($childId, $indent + 1));
            }
        }

        return $rows;
    }

    /** @return list<array<string, mixed>> */
    private function links(): array
    {
        $links = [];
        foreach ($this->rig->components as $id => $component) {
            if ($component instanceof Inlet) {
                array_push($links, ...$this->mates($component));
            } elseif ($component instanceof Feeder) {
                $links[] = $this->ac(
                    $id,
                    self::end($component->values->group('from')),
                    self::end($component->values->group('to')),
                    $component->cable(),
                    $component->values,
                    null,
                );
            } elseif ($component instanceof Contactor) {
                $coil = self::end($component->values->group('coil'));
                $at = $this->rig->find($coil['c'])?->port((string) $coil['port']);
                $links[] = [
                    'id' => "{$id}.coil",
                    'kind' => 'coil',
                    'from' => $coil,
                    'to' => ['c' => $id],
                    'gate' => null,
                    'label' => 'coil',
                    'assumed' => false,
                    'hot' => [(string) $at?->hot, (string) $at?->hot],
                    'neutral' => [(string) $at?->neutral, (string) $at?->neutral],
                    'elements' => [],
                ];
            } elseif ($component instanceof Circuit) {
                if ($component->feedsComponent() !== null) {
                    $links[] = $this->ac(
                        $id,
                        ['c' => $this->tray($component), 'row' => $id],
                        self::end($component->values->group('feeds')),
                        $component->cable(),
                        $component->values,
                        "{$id}.breaker",
                    );
                }
            } elseif ($component instanceof Converter && $component->values->text('plug') !== '') {
                $circuit = $component->values->text('plug');
                $from = $this->rig->find($circuit);
                $links[] = [
                    'id' => "{$id}.cord",
                    'kind' => 'ac',
                    'from' => ['c' => $from instanceof Circuit ? $this->tray($from) : '', 'row' => $circuit],
                    'to' => ['c' => $id, 'port' => 'ac_in'],
                    'gate' => "{$id}.plug",
                    'label' => 'plug',
                    'assumed' => false,
                    'hot' => ["{$circuit}.l", "{$id}.ac_in.l"],
                    'neutral' => ["{$circuit}.n", "{$id}.ac_in.n"],
                    'elements' => ["{$id}.plug_l", "{$id}.plug_n", "{$circuit}.hot", "{$circuit}.pole"],
                ];
            } elseif ($component instanceof Lead) {
                $links[] = self::dc(
                    $id,
                    $component->isPositive() ? 'positive' : 'negative',
                    $component->from(),
                    $component->to(),
                    $component->cable(),
                    $component->values,
                    "{$id}.wire",
                );
            } elseif ($component instanceof FrameBond) {
                $links[] = self::dc(
                    $id,
                    'bond',
                    $component->values->text('from'),
                    'frame',
                    $component->values->cable('cable'),
                    $component->values,
                    "{$id}.strap",
                );
            }
        }
        foreach ($this->outlets() as $id => $circuits) {
            $port = self::end($this->rig->find($id) instanceof Component ? $circuits[0]->values->group('hot') : null);
            $links[] = [
                'id' => "{$id}.outlets",
                'kind' => 'ac',
                'from' => $port,
                'to' => ['c' => self::trayOf($id)],
                'gate' => null,
                'label' => '',
                'assumed' => false,
                'hot' => [$circuits[0]->id . '.l', $circuits[0]->id . '.l'],
                'neutral' => [$circuits[0]->id . '.n', $circuits[0]->id . '.n'],
                'elements' => array_merge(
                    ...array_map(
                        fn(Circuit $c): array => ["{$c->id}.pole", "{$c->id}.hot", "{$c->id}.neutral"],
                        $circuits,
                    ),
                ),
            ];
        }
        $onBoard = array_filter(
            $this->rig->all(Generator::class),
            fn(Generator $g): bool => $g->values->text('mount') === 'on_board',
        );
        foreach ($this->rig->components as $id => $component) {
            $grounded =
                $component instanceof Panel
                    ? $component->values->flag('bondedToFrame')
                    : $component instanceof Converter ||
                        $component instanceof Inverting ||
                        $component instanceof TransferSwitch ||
                        isset($onBoard[$id]);
            if ($grounded) {
                $links[] = [
                    'id' => "{$id}.ground",
                    'kind' => 'ground',
                    'from' => ['c' => $id],
                    'to' => ['c' => 'frame'],
                    'gate' => null,
                    'label' => '',
                    'assumed' => false,
                    'elements' => ["{$id}.frame_bond", "{$id}.case"],
                ];
            }
        }

        return $links;
    }

    /** @return list<array<string, mixed>> what a cord can be plugged into, a link for each owner */
    private function mates(Inlet $inlet): array
    {
        $owners = [];
        foreach ($inlet->places($this->rig) as $position => $place) {
            $owners[$place['owner']]['port'] = $place['port'];
            $owners[$place['owner']]['positions'][] = (string) $position;
        }
        $links = [];
        foreach ($owners as $owner => ['port' => $port, 'positions' => $positions]) {
            $mate = "{$inlet->id}.mate_{$positions[0]}";
            $component = $this->rig->find($owner);
            $from =
                $component instanceof Circuit
                    ? ['c' => $this->tray($component), 'row' => $owner]
                    : [
                        'c' => $owner,
                        'port' =>
                            $component instanceof ShoreSupply
                                ? null
                                : ($component instanceof Inverting
                                    ? 'ac_out'
                                    : null),
                    ];
            $links[] = [
                'id' => $mate,
                'kind' => 'ac',
                'from' => array_filter($from, fn(?string $v): bool => $v !== null),
                'to' => ['c' => $inlet->id],
                'gate' => $inlet->plug(),
                'gateIn' => $positions,
                'label' => '',
                'assumed' => false,
                'hot' => [$port->hot, "{$inlet->id}.pin_l"],
                'neutral' => [$port->neutral, "{$inlet->id}.pin_n"],
                'elements' => ["{$mate}_l", "{$mate}_n", "{$inlet->id}.hot"],
            ];
        }

        return $links;
    }

    /** @return array{c: string, port: string} */
    private static function end(?Values $end): array
    {
        return ['c' => (string) $end?->text('at'), 'port' => (string) $end?->text('port')];
    }

    /** The tray a circuit's row is in: its panel's, or that of the equipment whose outlets it is. */
    private function tray(Circuit $circuit): string
    {
        for ($at = $circuit; $at->behind() !== null && ($next = $this->rig->find($at->behind())) instanceof Circuit; ) {
            $at = $next;
        }

        return $at->hotPanel() ?? self::trayOf((string) $at->equipment('hot'));
    }

    /** Receptacles and circuits that hang on equipment itself stand in a tray of their own. */
    private static function trayOf(string $equipment): string
    {
        return "{$equipment}__outlets";
    }

    /** @return array<string, list<Circuit>> equipment => circuits wired to it */
    private function outlets(): array
    {
        $outlets = [];
        foreach ($this->rig->all(Circuit::class) as $circuit) {
            $at = $circuit->equipment('hot');
            if ($at !== null && isset($this->rig->components[$at])) {
                $outlets[$at][] = $circuit;
            }
        }

        return $outlets;
    }

    /**
     * @param array<string, string> $from
     * @param array<string, string> $to
     * @return array<string, mixed>
     */
    private function ac(string $id, array $from, array $to, Cable $cable, Values $values, ?string $gate): array
    {
        $hot = ["{$id}.head", "{$id}.l"];
        $neutral = ["{$id}.n", "{$id}.n"];
        if ($gate === null) {
            $a = $this->rig->find($from['c'])?->port($from['port'] ?? '');
            $b = $this->rig->find($to['c'])?->port($to['port'] ?? '');
            $hot = [(string) $a?->hot, (string) $b?->hot];
            $neutral = [(string) $a?->neutral, (string) $b?->neutral];
        }

        return [
            'id' => $id,
            'kind' => 'ac',
            'from' => $from,
            'to' => $to,
            'gate' => $gate,
            'label' => self::spoken($cable),
            'assumed' => self::isAssumed($values),
            'hot' => $hot,
            'neutral' => $neutral,
            'elements' => ["{$id}.hot", "{$id}.neutral", "{$id}.pole", "{$id}.into.hot", "{$id}.into.neutral"],
        ] + self::cableOf($cable);
    }

    /** @return array<string, mixed> */
    private static function dc(
        string $id,
        string $kind,
        string $from,
        string $to,
        ?Cable $cable,
        Values $values,
        string $element,
    ): array {
        return [
            'id' => $id,
            'kind' => $kind,
            'from' => ['c' => explode('.', $from)[0]],
            'to' => ['c' => explode('.', $to)[0]],
            'gate' => null,
            'label' => $cable === null ? '' : self::spoken($cable),
            'assumed' => self::isAssumed($values),
            'ends' => [$from, $to],
            'elements' => [$element],
        ] + ($cable === null ? [] : self::cableOf($cable));
    }

    /** @return array{size: string, lengthM: float, parallel: int} for whoever writes it in the units somebody chose */
    private static function cableOf(Cable $cable): array
    {
        return ['size' => $cable->size->designation, 'lengthM' => $cable->lengthM, 'parallel' => $cable->parallel];
    }

    private static function spoken(Cable $cable): string
    {
        return sprintf('%s · %.1f m', $cable->spoken(), $cable->lengthM);
    }

    private static function isAssumed(Values $values): bool
    {
        $cable = $values->group('cable');

        return $cable?->basis('size') === Basis::Assumed || $cable?->basis('lengthM') === Basis::Assumed;
    }

    /** How many of a component's values are assumed. */
    private static function assumptions(Component $component): int
    {
        $count = 0;
        $walk = function (stdClass $at) use (&$walk, &$count): void {
            if (($at->basis ?? null) === Basis::Assumed->value) {
                $count++;

                return;
            }
            foreach (get_object_vars($at) as $value) {
                if ($value instanceof stdClass) {
                    $walk($value);
                }
            }
        };
        $walk($component->values->raw());

        return $count;
    }
}
