<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Values;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Sizing\TypicalWeight;
use stdClass;

/** All that has a weight or takes room in a rig, as found and with a plan, each where it stands. */
final readonly class Inventory
{
    /** @var array<string, Zone> */
    public array $zones;

    /** @var array<string, Item> */
    public array $items;

    /**
     * @param stdClass $place of a job file, already checked
     * @param string $plan empty for the rig as found
     * @param array<string, array<string, mixed>> $moved item => where it would stand instead: xM, leftM, upM, zone
     */
    public function __construct(
        private Graph $found,
        private Graph $after,
        private stdClass $place,
        private string $plan = '',
        private array $moved = [],
    ) {
        $zones = [];
        foreach ((new Values($place))->entries('zones') as $id => $values) {
            $zones[$id] = new Zone((string) $id, $values);
        }
        $this->zones = $zones;
        $this->items = $this->parts() + $this->things();
    }

    /** @return array<string, Item> */
    private function parts(): array
    {
        $said = (new Values($this->place))->entries('items');
        $items = [];
        foreach ($this->found->parts + $this->after->parts as $id => $part) {
            if ($part->is('lead', 'feeder')) {
                continue;
            }
            $was = $this->found->parts[$id] ?? null;
            $is = $this->after->parts[$id] ?? null;
            $item = $this->part((string) $id, $was, $is, $said[$id] ?? null);
            if ($item !== null) {
                $items[(string) $id] = $item;
            }
        }
        foreach ($this->found->partsOf('lead') + $this->after->partsOf('lead') as $id => $lead) {
            $items[(string) $id] = $this->cable((string) $id, $lead, $items);
        }

        return $items;
    }

    private function part(string $id, ?Part $was, ?Part $is, ?Values $said): ?Item
    {
        $part = $is ?? $was;
        if ($part === null) {
            return null;
        }
        $sides = Usual::sides($part);
        $usual = [$was === null ? 0.0 : TypicalWeight::of($was), $is === null ? 0.0 : TypicalWeight::of($is)];
        $known = $said?->numberOrNull('kg');
        if ($sides === null && $known === null && max($usual) <= 0) {
            return null;
        }
        // What was weighed is the part that is there; another of its kind in its place has a weight of its own.
        $same = $was === null || $is === null || abs($usual[0] - $usual[1]) < 0.005;
        $kg = [
            $was === null ? 0.0 : $known ?? $usual[0],
            $is === null ? 0.0 : ($same ? $known ?? $usual[1] : $usual[1]),
        ];
        $before = $was === null ? null : Spot::of($said, $this->zones);
        $after = $is === null ? null : $this->standsAt($id, $said, $before ?? Spot::of($said, $this->zones));
        $own = array_map(fn(string $s): ?float => $said?->numberOrNull($s), ['widthM', 'heightM', 'depthM']);

        return new Item(
            $id,
            $part->label,
            $part,
            $kg[0],
            $kg[1],
            $known === null || !$same ? 'assumed' : $said?->basis('kg')->value ?? 'told',
            $before,
            $after,
            in_array(null, $own, true) ? $sides : array_map(floatval(...), $own),
            in_array(null, $own, true),
            $said?->numberOrNull('clearanceM') ?? Usual::clearance($part),
            $said,
        );
    }

    /** Where it stands with the plan: as asked, as the plan moves it, or where it was. */
    private function standsAt(string $id, ?Values $said, ?Spot $before): ?Spot
    {
        $asked = $this->moved[$id] ?? null;
        if ($asked !== null) {
            $values = new Values((object) $asked);

            return Spot::of($values, $this->zones) ?? $before;
        }
        $moved = $said?->group('moves')?->group($this->plan);

        return $this->plan === '' ? $before : Spot::of($moved, $this->zones) ?? $before;
    }

    /**
     * A lead weighs half way between what it joins.
     *
     * @param array<string, Item> $items
     */
    private function cable(string $id, Part $lead, array $items): Item
    {
        $middle = function (?Part $of, string $when) use ($items): ?Spot {
            if ($of === null) {
                return null;
            }
            $from = $items[explode('.', $of->text('from'))[0]] ?? null;
            $to = $items[explode('.', $of->text('to'))[0]] ?? null;
            [$a, $b] = $when === 'before' ? [$from?->before, $to?->before] : [$from?->after, $to?->after];
            $a ??= $b;
            $b ??= $a;

            return $a === null || $b === null
                ? null
                : new Spot(($a->xM + $b->xM) / 2, ($a->leftM + $b->leftM) / 2, ($a->upM + $b->upM) / 2);
        };
        $was = $this->found->parts[$id] ?? null;
        $is = $this->after->parts[$id] ?? null;

        return new Item(
            $id,
            $lead->label,
            $lead,
            $was === null ? 0.0 : TypicalWeight::of($was),
            $is === null ? 0.0 : TypicalWeight::of($is),
            'assumed',
            $middle($was, 'before'),
            $middle($is, 'after'),
        );
    }

    /**
     * Ways between what leads join, where both ends have a place. The terminals are somewhere on the parts: the
     * straight way is from one to the other at their nearest, the one along walls from middle to middle.
     *
     * @return array<string, array{label: string, cableM: float, straightM: float, alongM: float, assumed: bool,
     *      short: bool}> short: shorter than its ends are apart
     */
    public function distances(): array
    {
        $ways = [];
        foreach ($this->after->partsOf('lead') as $id => $lead) {
            $a = $this->items[explode('.', $lead->text('from'))[0]] ?? null;
            $b = $this->items[explode('.', $lead->text('to'))[0]] ?? null;
            $from = $a?->after;
            $to = $b?->after;
            if ($a !== null && $b !== null && $from !== null && $to !== null) {
                $cableM = $lead->number('cable/lengthM');
                $straightM = max(0.0, $from->straightM($to) - $a->reachM() - $b->reachM());
                $ways[(string) $id] = [
                    'label' => $lead->label,
                    'cableM' => $cableM,
                    'straightM' => $straightM,
                    'short' => $cableM < $straightM - 0.02,
                    'alongM' => $from->alongM($to),
                    'assumed' => $lead->isAssumed('cable/lengthM'),
                ];
            }
        }

        return $ways;
    }

    /**
     * Room that the stiffest cable on each part needs to turn, m.
     *
     * @return array<string, float>
     */
    public function bends(): array
    {
        $bends = [];
        foreach ($this->after->partsOf('lead') as $lead) {
            $room = Bend::roomM(ConductorSize::of($lead->text('cable/size')));
            foreach (['from', 'to'] as $end) {
                $at = explode('.', $lead->text($end))[0];
                $bends[$at] = max($bends[$at] ?? 0.0, $room);
            }
        }

        return $bends;
    }

    /** @return list<Item> what stands in a zone with the plan */
    public function in(Zone $zone): array
    {
        return array_values(
            array_filter(
                $this->items,
                fn(Item $i): bool => $i->isThere() && $i->after?->zone === $zone->id && $i->sides !== null,
            ),
        );
    }

    /** @return array<string, Item> */
    private function things(): array
    {
        $items = [];
        foreach ((new Values($this->place))->entries('things') as $id => $thing) {
            $only = $thing->text('plan');
            $counts = $only === '' || $only === $this->plan;
            $when = $thing->text('when', 'stays');
            $kg = $thing->number('kg');
            $spot = Spot::of($thing, $this->zones);
            $key = "thing_{$id}";
            $goes = $when === 'removed' && $counts && $this->plan !== '';
            $comes = $when === 'added' && $counts && $this->plan !== '';
            if ($when === 'added' && !$comes) {
                continue;
            }
            $items[$key] = new Item(
                $key,
                $thing->text('label'),
                null,
                $comes ? 0.0 : $kg,
                $goes ? 0.0 : $kg,
                'told',
                $comes ? null : $spot,
                $goes ? null : $this->standsAt($key, $thing, $spot),
            );
        }

        return $items;
    }
}
