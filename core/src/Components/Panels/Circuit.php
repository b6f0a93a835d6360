<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Joints;
use Hollin\Core\Components\Link;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Basis;
use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Rating;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Cable;

/**
 * A branch circuit: the breaker its hot lands on, the bar its neutral lands on, its cable, its
 * GFCI protection and what it runs. Hot and neutral can land apart; that is what surveys find.
 */
final class Circuit extends Component
{
    public static function type(): string
    {
        return 'circuit';
    }

    public static function summary(): string
    {
        return 'A branch circuit: where its hot lands (panel and slot, behind another circuit\'s GFCI, or at a port ' .
            'of equipment), where its neutral lands, breaker, cable, GFCI and loads; or the equipment it feeds. ' .
            'Port: receptacle.';
    }

    public static function fields(): array
    {
        return CircuitForm::fields(self::end(self::TAKES), self::end(self::GIVES));
    }

    public static function portNames(): array
    {
        return ['receptacle'];
    }

    public function port(string $name): ?Port
    {
        return $name === 'receptacle' ? Port::named($this->id) : null;
    }

    /** The equipment a wire lands at, when that is neither a panel nor another circuit. */
    public function equipment(string $wire): ?string
    {
        return $this->values->group($wire)?->text('at') ?: null;
    }

    /** Where a wire lands: a panel, another circuit, or equipment. */
    public function lands(string $wire): string
    {
        $end = $this->values->group($wire);

        return ($end?->text('panel') ?: null) ?? (($end?->text('behind') ?: null) ?? (string) $end?->text('at'));
    }

    /** Id of the panel its hot lands in; null for what hangs elsewhere. */
    public function hotPanel(): ?string
    {
        return $this->values->group('hot')?->text('panel') ?: null;
    }

    /** Id of the panel its neutral lands in; null for what hangs elsewhere. */
    public function neutralPanel(): ?string
    {
        return $this->values->group('neutral')?->text('panel') ?: null;
    }

    /** Id of the circuit whose GFCI its hot hangs behind, if it does. */
    public function behind(): ?string
    {
        return $this->values->group('hot')?->text('behind') ?: null;
    }

    /** Id of the circuit whose GFCI its neutral hangs behind, if it does. */
    public function neutralBehind(): ?string
    {
        return $this->values->group('neutral')?->text('behind') ?: null;
    }

    /** Its slot, from 1; 0 where it is in no panel. */
    public function slot(): int
    {
        return $this->values->group('hot')?->integer('slot') ?? 0;
    }

    /** a or b in a slot of two halves, else empty. */
    public function half(): string
    {
        return $this->values->group('hot')?->text('half') ?? '';
    }

    /** Its breaker, A; null where it has none of its own. */
    public function breakerA(): ?float
    {
        return $this->values->numberOrNull('breakerA');
    }

    /** Its cable to the first outlet, one way. */
    public function cable(): Cable
    {
        return $this->values->cable('cable') ?? throw new \LogicException('checked by the schema');
    }

    /** Where a GFCI is: none, breaker or outlet. */
    public function gfci(): string
    {
        return $this->values->text('gfci', 'none');
    }

    /** Where its outlets are. */
    public function place(): string
    {
        return $this->values->text('place');
    }

    /** Places where 551.41 asks for GFCI protection. */
    public function wantsGfci(): bool
    {
        return in_array($this->place(), ['bath', 'counter', 'outside'], true);
    }

    /** Id of the component it feeds, if it feeds one. */
    public function feedsComponent(): ?string
    {
        return $this->values->group('feeds')?->text('at');
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $end = Port::named($this->id);
        $panel = $rig->find((string) $this->hotPanel());
        $neutralPanel = $rig->find((string) $this->neutralPanel());
        $cable = $this->cable();
        $joints = new Joints($this->id, $this->values);
        $head = "{$this->id}.head";
        if ($panel instanceof Panel) {
            $graph->breaker("{$this->id}.breaker", $this->id, $this->label() . ' breaker');
            $graph->contact(
                "{$this->id}.pole",
                $this->id,
                $panel->bus(),
                $head,
                Role::L1,
                "{$this->id}.breaker",
                ['on'],
                new Rating(
                    $this->breakerA(),
                    'breaker',
                    true,
                    assumed: $this->values->basis('breakerA') === Basis::Assumed,
                ),
            );
            $joints->conductor($graph, 'hot', $head, $end->hot, $cable);
            $joints->conductor($graph, 'ground', $panel->groundBar(), $end->ground, $cable);
        } elseif ($this->behind() !== null) {
            $joints->conductor($graph, 'hot', "{$this->behind()}.l", $end->hot, $cable);
            $joints->conductor($graph, 'ground', "{$this->behind()}.g", $end->ground, $cable);
        } else {
            $port = self::portOf($rig, $this->values->group('hot'));
            if ($port !== null) {
                $from = $port->hot;
                if ($this->breakerA() !== null) {
                    $graph->breaker("{$this->id}.breaker", $this->id, $this->label() . ' breaker');
                    $graph->contact(
                        "{$this->id}.pole",
                        $this->id,
                        $port->hot,
                        $head,
                        Role::L1,
                        "{$this->id}.breaker",
                        ['on'],
                        new Rating(
                            $this->breakerA(),
                            'breaker',
                            true,
                            assumed: $this->values->basis('breakerA') === Basis::Assumed,
                        ),
                    );
                    $from = $head;
                }
                $joints->conductor($graph, 'hot', $from, $end->hot, $cable);
                $joints->conductor($graph, 'ground', $port->ground, $end->ground, $cable);
            }
        }
        if ($neutralPanel instanceof Panel) {
            $joints->conductor($graph, 'neutral', $neutralPanel->neutralBar(), $end->neutral, $cable);
        } elseif ($this->neutralBehind() !== null) {
            $joints->conductor($graph, 'neutral', "{$this->neutralBehind()}.n", $end->neutral, $cable);
        } else {
            $port = self::portOf($rig, $this->values->group('neutral'));
            if ($port !== null) {
                $joints->conductor($graph, 'neutral', $port->neutral, $end->neutral, $cable);
            }
        }
        $graph->circuit(
            new CircuitEnd(
                $this->id,
                $end->hot,
                $end->neutral,
                $end->ground,
                $this->lands('hot') === $this->lands('neutral') &&
                    $this->values->group('hot')?->text('port') === $this->values->group('neutral')?->text('port'),
                $this->lands('hot'),
                $this->lands('neutral'),
                $this->label(),
                $this->gfci(),
                $this->place(),
                $this->breakerA(),
                $this->behind(),
                $this->neutralBehind(),
                $this->hotPanel(),
                $this->neutralPanel(),
                $this->slot(),
                $this->half(),
                $this->feedsComponent(),
                $cable->lengthM,
            ),
        );
        foreach ($this->values->entries('loads') as $id => $load) {
            $graph->load(
                new Load(
                    "{$this->id}.{$id}",
                    $this->id,
                    $load->text('label'),
                    $end->hot,
                    $end->neutral,
                    $load->number('watts'),
                    $load->number('powerFactor', 1.0),
                    120.0,
                    $load->flag('continuous'),
                    $load->flag('startsByItself'),
                    $load->text('kind', 'resistive'),
                    $load->numberOrNull('lockedRotorA'),
                    $this->id,
                ),
            );
        }
        $feeds = $this->values->group('feeds');
        $port = $feeds === null ? null : $rig->find($feeds->text('at'))?->port($feeds->text('port'));
        if ($port !== null) {
            $graph->cable("{$this->id}.into", $end, $port, null);
        }
    }

    public function referenceProblems(array $others): array
    {
        $problems = $this->portProblems($others, 'feeds');
        foreach (['hot', 'neutral'] as $wire) {
            $panel = $wire === 'hot' ? $this->hotPanel() : $this->neutralPanel();
            $behind = $wire === 'hot' ? $this->behind() : $this->neutralBehind();
            $equipment = $this->equipment($wire);
            if (count(array_filter([$panel, $behind, $equipment], fn(?string $id): bool => $id !== null)) !== 1) {
                $problems[] = [
                    "/{$wire}",
                    "must land somewhere: give either \"panel\", \"behind\", or \"at\" with \"port\" for the {$wire}.",
                ];
            } elseif ($equipment !== null) {
                $end = $this->values->group($wire);
                array_push($problems, ...$end === null ? [] : $this->endProblems($others, $end, "/{$wire}"));
            } elseif ($panel !== null) {
                array_push($problems, ...$this->mustBe($others, "/{$wire}/panel", $panel, Panel::class));
            } else {
                array_push($problems, ...$this->mustBe($others, "/{$wire}/behind", (string) $behind, self::class));
                if ($behind === $this->id) {
                    $problems[] = ["/{$wire}/behind", 'names the circuit itself.'];
                }
            }
        }
        if ($this->hotPanel() !== null && $this->slot() === 0) {
            $problems[] = ['/hot/slot', 'is missing: a hot lands on a breaker in a slot.'];
        }
        if ($this->hotPanel() !== null && $this->breakerA() === null) {
            $problems[] = ['/breakerA', 'is missing: a circuit from a panel has a breaker.'];
        }
        $chain = [$this->id => true];
        for (
            $next = $this->behind();
            $next !== null;
            $next = ($others[$next] ?? null) instanceof self ? $others[$next]->behind() : null
        ) {
            if (isset($chain[$next])) {
                $problems[] = ['/hot/behind', 'runs in a circle.'];
                break;
            }
            $chain[$next] = true;
        }

        return $problems;
    }

    public function links(Rig $rig): array
    {
        if ($this->feedsComponent() === null) {
            return [];
        }

        return [
            Link::ac(
                $this->id,
                $this->receptacleAt($rig),
                Link::end($this->values->group('feeds')),
                ["{$this->id}.head", "{$this->id}.l"],
                ["{$this->id}.n", "{$this->id}.n"],
                self::elements($this->id),
                ['gate' => "{$this->id}.breaker"] + Link::cable($this->cable(), $this->values),
            ),
        ];
    }

    public function receptacleAt(Rig $rig): array
    {
        for ($at = $this; $at->behind() !== null && ($next = $rig->find($at->behind())) instanceof self; ) {
            $at = $next;
        }

        return ['c' => $at->hotPanel() ?? self::trayOf((string) $at->equipment('hot')), 'row' => $this->id];
    }

    /** Receptacles and circuits that hang on equipment itself stand in a tray of their own. */
    public static function trayOf(string $equipment): string
    {
        return "{$equipment}__outlets";
    }

    /** @return list<string> what the current of a run of cable can be read from */
    public static function elements(string $run): array
    {
        return ["{$run}.hot", "{$run}.neutral", "{$run}.pole", "{$run}.into.hot", "{$run}.into.neutral"];
    }
}
