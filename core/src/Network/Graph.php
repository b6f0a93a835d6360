<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Job\Cable;
use Hollin\Core\Job\Rig;

/** The wiring graph a rig compiles to. Filled by the components, read by everything else. */
final class Graph
{
    private const LETTERS = ['I' => ['I', 'J', 'K'], 'G' => ['G', 'F'], 'S' => ['S', 'T']];

    /** @var array<string, true> */
    public array $terminals = ['frame' => true, 'earth' => true];

    /** @var array<string, Element> */
    public array $elements = [];

    /** @var array<string, Device> */
    public array $devices = [];

    /** @var array<string, Source> */
    public array $sources = [];

    /** @var array<string, Load> */
    public array $loads = [];

    /** @var array<string, CircuitEnd> */
    public array $circuits = [];

    /** @var list<ExposedPins> */
    public array $exposed = [];

    /** @var array<string, Surrounding> */
    public array $surroundings = [];

    /** @var array<string, array{device: string, position: string, while: string, component: string}> */
    public array $instructions = [];

    private function __construct(public readonly Rig $rig) {}

    public static function of(Rig $rig): self
    {
        $graph = new self($rig);
        foreach ($rig->components as $component) {
            $component->compile($graph);
        }

        return $graph;
    }

    public function conductor(string $id, string $component, string $a, string $b, Role $role, ?Cable $cable = null): void
    {
        $this->add(new Element($id, ElementKind::Conductor, $component, $a, $b, $role, $cable));
    }

    /** Hot, neutral and ground of one cable between two ports. */
    public function cable(string $component, Port $from, Port $to, ?Cable $cable): void
    {
        $this->conductor("{$component}.hot", $component, $from->hot, $to->hot, Role::L1, $cable);
        $this->conductor("{$component}.neutral", $component, $from->neutral, $to->neutral, Role::N, $cable);
        $this->conductor("{$component}.ground", $component, $from->ground, $to->ground, Role::PE, $cable);
    }

    /** @param list<string> $closedIn */
    public function contact(string $id, string $component, string $a, string $b, Role $role, string $device, array $closedIn, ?float $ratingA = null): void
    {
        $this->add(new Element($id, ElementKind::Contact, $component, $a, $b, $role, null, $device, $closedIn, $ratingA));
    }

    /**
     * Contacts of a device between two ports: hot always switched, neutral when the device has two
     * poles, else common; ground always joined unless the device parts it too (a plug).
     *
     * @param list<string> $closedIn
     */
    public function poles(string $id, string $component, Port $from, Port $to, string $device, array $closedIn, ?float $ratingA = null, bool $neutral = true, bool $ground = false): void
    {
        $this->contact("{$id}_l", $component, $from->hot, $to->hot, Role::L1, $device, $closedIn, $ratingA);
        $neutral
            ? $this->contact("{$id}_n", $component, $from->neutral, $to->neutral, Role::N, $device, $closedIn, $ratingA)
            : $this->conductor("{$id}_n", $component, $from->neutral, $to->neutral, Role::N);
        $ground
            ? $this->contact("{$id}_g", $component, $from->ground, $to->ground, Role::PE, $device, $closedIn)
            : $this->conductor("{$id}_g", $component, $from->ground, $to->ground, Role::PE);
    }

    /** @param list<string> $closedIn */
    public function bond(string $id, string $component, string $neutral, string $ground, ?string $device = null, array $closedIn = []): void
    {
        $this->add(new Element($id, ElementKind::Bond, $component, $neutral, $ground, Role::PE, null, $device, $closedIn));
    }

    public function device(Device $device): void
    {
        $this->devices[$device->id] = $device;
    }

    public function breaker(string $id, string $component, string $label): void
    {
        $this->device(new Device($id, $component, $label, 'breaker', ['on' => 'on', 'off' => 'off'], 'on'));
    }

    public function source(Source $source): void
    {
        $this->terminal($source->a, $source->b, $source->ground);
        $this->sources[$source->id] = $source->kind === 'ac' ? $source->lettered($this->freeLetter($source->letter)) : $source;
    }

    /** Two inverters are I and J, two generators G and F: a letter names one source. */
    private function freeLetter(string $wanted): string
    {
        $taken = array_map(fn(Source $s): string => $s->letter, array_filter($this->sources, fn(Source $s): bool => $s->kind === 'ac'));
        foreach (self::LETTERS[$wanted] ?? [$wanted] as $letter) {
            if (!in_array($letter, $taken, true)) {
                return $letter;
            }
        }

        return $wanted;
    }

    public function load(Load $load): void
    {
        $this->terminal($load->a, $load->b);
        $this->loads[$load->id] = $load;
    }

    public function circuit(CircuitEnd $end): void
    {
        $this->terminal($end->hot, $end->neutral, $end->ground);
        $this->circuits[$end->circuit] = $end;
    }

    public function terminal(string ...$terminals): void
    {
        foreach ($terminals as $terminal) {
            $this->terminals[$terminal] = true;
        }
    }

    private function add(Element $element): void
    {
        $this->terminal($element->a, $element->b);
        $this->elements[$element->id] = $element;
    }
}
