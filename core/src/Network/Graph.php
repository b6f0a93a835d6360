<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Reference\Cable;

/**
 * What is connected with what: terminals, conductors by role and purpose, contacts, sources, loads,
 * batteries, power converters, and the parts they belong to. Components fill it; everything above
 * reads it and knows no component.
 */
final class Graph
{
    use ChargingSide;

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

    /** @var array<string, Load> loads nobody switches: on the battery side, and coils */
    public array $users = [];

    /** @var array<string, Battery> by the id of their source */
    public array $batteries = [];

    /** @var array<string, PowerConverter> */
    public array $converters = [];

    /** @var array<string, Supply> supplies from outside and generators, by component */
    public array $supplies = [];

    /** @var array<string, array{string, Rating}> terminal of a bar => its component and rating */
    public array $junctions = [];

    /** @var list<Occasion> operating states that the components bring about */
    public array $occasions = [];

    /** @var array<string, Part> every part, by component */
    public array $parts = [];

    /** @var ?array<string, list<array{string, string}>> */
    private ?array $neighbours = null;

    /** @return array<string, list<array{string, string}>> terminal => [other terminal, element] */
    public function neighbours(): array
    {
        if ($this->neighbours === null) {
            $this->neighbours = [];
            foreach ($this->elements as $id => $element) {
                $this->neighbours[$element->a][] = [$element->b, $id];
                $this->neighbours[$element->b][] = [$element->a, $id];
            }
        }

        return $this->neighbours;
    }

    /** @var ?array<string, array<string, Element>> */
    private ?array $elementsOf = null;

    /** @return array<string, Element> elements of a component, by id */
    public function elementsOf(string $component): array
    {
        if ($this->elementsOf === null) {
            $this->elementsOf = [];
            foreach ($this->elements as $id => $element) {
                $this->elementsOf[$element->component][$id] = $element;
            }
        }

        return $this->elementsOf[$component] ?? [];
    }

    /** What a component is called; its id where it has no name. */
    public function label(string $component): string
    {
        return isset($this->parts[$component]) ? $this->parts[$component]->label : $component;
    }

    /** @return array<string, Part> parts of some types */
    public function partsOf(string ...$types): array
    {
        return array_filter($this->parts, fn(Part $p): bool => in_array($p->type, $types, true));
    }

    /** Part an element, a source or a load belongs to. */
    public function partAt(string $component): ?Part
    {
        return $this->parts[$component] ?? null;
    }

    /** A piece of wire of a known cable or ohm; of no resistance worth counting where neither is given. */
    public function conductor(
        string $id,
        string $component,
        string $a,
        string $b,
        Role $role,
        ?Cable $cable = null,
        ?Purpose $purpose = null,
        ?Rating $rating = null,
        ?float $ohm = null,
    ): void {
        $this->add(
            new Element(
                $id,
                ElementKind::Conductor,
                $component,
                $a,
                $b,
                $role,
                $cable,
                rating: $rating,
                purpose: $purpose ?? $role->purpose(),
                ohm: $ohm,
            ),
        );
    }

    /** Hot, neutral and ground of one cable between two ports. */
    public function cable(string $component, Port $from, Port $to, ?Cable $cable, ?Rating $rating = null): void
    {
        $this->conductor("{$component}.hot", $component, $from->hot, $to->hot, Role::L1, $cable, rating: $rating);
        $this->conductor("{$component}.neutral", $component, $from->neutral, $to->neutral, Role::N, $cable);
        $this->conductor("{$component}.ground", $component, $from->ground, $to->ground, Role::PE, $cable);
    }

    /** @param list<string> $closedIn */
    public function contact(
        string $id,
        string $component,
        string $a,
        string $b,
        Role $role,
        string $device,
        array $closedIn,
        ?Rating $rating = null,
        ?float $ohm = null,
    ): void {
        $this->add(
            new Element(
                $id,
                ElementKind::Contact,
                $component,
                $a,
                $b,
                $role,
                null,
                $device,
                $closedIn,
                $rating,
                $role->purpose(),
                $ohm,
            ),
        );
    }

    /**
     * Contacts of a device between two ports: hot always switched, neutral when the device has two
     * poles, else common; ground always joined unless the device parts it too (a plug).
     *
     * @param list<string> $closedIn
     */
    public function poles(
        string $id,
        string $component,
        Port $from,
        Port $to,
        string $device,
        array $closedIn,
        ?Rating $rating = null,
        bool $neutral = true,
        bool $ground = false,
    ): void {
        $this->contact("{$id}_l", $component, $from->hot, $to->hot, Role::L1, $device, $closedIn, $rating);
        $neutral
            ? $this->contact("{$id}_n", $component, $from->neutral, $to->neutral, Role::N, $device, $closedIn, $rating)
            : $this->conductor("{$id}_n", $component, $from->neutral, $to->neutral, Role::N);
        $ground
            ? $this->contact("{$id}_g", $component, $from->ground, $to->ground, Role::PE, $device, $closedIn)
            : $this->conductor("{$id}_g", $component, $from->ground, $to->ground, Role::PE);
    }

    /**
     * What direct current passes from a to b and not back; a device may open it altogether.
     *
     * @param float $dropV V it keeps before it conducts: 0 for transistors, 0.4 to 0.8 for diodes
     * @param list<string> $closedIn
     */
    public function oneWay(
        string $id,
        string $component,
        string $a,
        string $b,
        Role $role,
        float $dropV = 0.0,
        ?float $ohm = null,
        ?Rating $rating = null,
        ?string $device = null,
        array $closedIn = [],
    ): void {
        $this->add(
            new Element(
                $id,
                ElementKind::OneWay,
                $component,
                $a,
                $b,
                $role,
                null,
                $device,
                $closedIn,
                $rating,
                ohm: $ohm,
                dropV: $dropV,
            ),
        );
    }

    /** @param list<string> $closedIn */
    public function bond(
        string $id,
        string $component,
        string $neutral,
        string $ground,
        ?string $device = null,
        array $closedIn = [],
    ): void {
        $this->add(
            new Element(
                $id,
                ElementKind::Bond,
                $component,
                $neutral,
                $ground,
                Role::PE,
                null,
                $device,
                $closedIn,
                purpose: Purpose::Bonding,
            ),
        );
    }

    /** Something with positions: a breaker, a switch, a plug, a relay. */
    public function device(Device $device): void
    {
        $this->devices[$device->id] = $device;
    }

    /** A breaker's handle: on or off, usually on. */
    public function breaker(string $id, string $component, string $label): void
    {
        $this->device(new Device($id, $component, $label, 'breaker', ['on' => 'on', 'off' => 'off'], 'on'));
    }

    /** A source; of alternating current under the next letter that is free. */
    public function source(Source $source): void
    {
        $this->terminal($source->a, $source->b, $source->ground);
        $this->sources[$source->id] =
            $source->kind === 'ac' ? $source->lettered($source->freeLetter($this->sources)) : $source;
    }

    /** A load that somebody switches on. */
    public function load(Load $load): void
    {
        $this->terminal($load->a, $load->b);
        $this->loads[$load->id] = $load;
    }

    /** A load that nobody switches. */
    public function user(Load $load): void
    {
        $this->terminal($load->a, $load->b);
        $this->users[$load->id] = $load;
    }

    /** A battery unit, and the source it is. */
    public function battery(Battery $battery): void
    {
        $this->batteries[$battery->id] = $battery;
        $this->source($battery->asSource());
    }

    /** What takes power on one side and gives it on another. */
    public function converter(PowerConverter $converter): void
    {
        $this->terminal(...$converter->input, ...$converter->output);
        $this->converters[$converter->id] = $converter;
    }

    /** The inverter a component is, or null. */
    public function inverterOf(string $component): ?PowerConverter
    {
        foreach ($this->converters as $converter) {
            if ($converter->component === $component && $converter->kind === PowerConverter::INVERTER) {
                return $converter;
            }
        }

        return null;
    }

    /** A bar or stud with what it may carry. */
    public function junction(string $terminal, string $component, Rating $rating): void
    {
        $this->terminal($terminal);
        $this->junctions[$terminal] = [$component, $rating];
    }

    /** The same network with faults in it. */
    public function with(Fault ...$faults): self
    {
        $faulty = clone $this;
        $faulty->neighbours = $faulty->elementsOf = null;
        foreach ($faults as $fault) {
            $faulty->elements = $fault->in($faulty->elements);
        }

        return $faulty;
    }

    /** The same network with a source that gives nothing any more: a battery that opened, a set that stopped. */
    public function without(string ...$gone): self
    {
        $less = clone $this;
        foreach ($gone as $source) {
            unset($less->sources[$source], $less->batteries[$source]);
        }

        return $less;
    }

    /** The same network at the moment at which some batteries begin to be charged: they show their resistance only. */
    public function atFirst(string ...$batteries): self
    {
        $first = clone $this;
        foreach ($batteries as $id) {
            $first->batteries[$id] = $this->batteries[$id]->atFirst();
        }

        return $first;
    }

    /** A branch circuit's outlet. */
    public function circuit(CircuitEnd $end): void
    {
        $this->terminal($end->hot, $end->neutral, $end->ground);
        $this->circuits[$end->circuit] = $end;
    }

    /** Terminals, whether anything lands on them or not. */
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
        $this->neighbours = $this->elementsOf = null;
    }
}
