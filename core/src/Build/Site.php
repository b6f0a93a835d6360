<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Job\Values;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Parts\Terminals;
use Hollin\Core\Place\Inventory;
use Hollin\Core\Place\Item;
use Hollin\Core\Place\Zone;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Rules\Examination;
use stdClass;

/** A stage to be built: what it changes, where things stand, which ways cables take. */
final readonly class Site
{
    /** A part that one person does not lift alone in a tight place, kg. Common practice, no source. */
    public const TWO_PEOPLE_KG = 20.0;

    /** Farther from the opening than this a terminal is reached only by feel, m. Common practice, no source. */
    private const ARM_M = 0.5;

    /** Parts of one board are no farther apart than this, by the lead between them, m. Common practice, no source. */
    private const BOARD_M = 1.0;

    public Graph $before;

    public Graph $after;

    public Difference $difference;

    public Inventory $inventory;

    public Terminals $terminals;

    public Isolation $isolation;

    /** @var array<string, list<Values>> cable => segments of its way, in order */
    private array $routes;

    public function __construct(
        public string $stage,
        public string $title,
        public Examination $was,
        public Examination $is,
        stdClass $place,
        string $plan,
    ) {
        $this->before = $was->graph;
        $this->after = $is->graph;
        $this->difference = Difference::between($this->before, $this->after);
        $this->inventory = new Inventory($this->before, $this->after, $place, $plan);
        $this->terminals = new Terminals($this->before, $this->after);
        $this->isolation = Isolation::of($this->before, $this->difference->terminals());
        $routes = [];
        foreach ((new Values($place))->entries('routes') as $id => $route) {
            $segments = $route->entries('segments');
            uasort($segments, fn(Values $a, Values $b): int => $a->number('order', 0.0) <=> $b->number('order', 0.0));
            $routes[(string) $id] = array_values($segments);
        }
        $this->routes = $routes;
    }

    public function id(Kind $kind, string $of = ''): string
    {
        return implode('.', array_filter([$this->stage, $kind->value, $of], fn(string $s): bool => $s !== ''));
    }

    /** What a part is called, planned or as found. */
    public function label(string $id): string
    {
        return isset($this->after->parts[$id]) ? $this->after->label($id) : $this->before->label($id);
    }

    /**
     * @param list<string> $ids
     * @return list<string>
     */
    public function labels(array $ids): array
    {
        return array_values(array_unique(array_map($this->label(...), $ids)));
    }

    public function part(string $id): ?Part
    {
        return $this->after->partAt($id) ?? $this->before->partAt($id);
    }

    public function item(string $id): ?Item
    {
        return $this->inventory->items[$id] ?? null;
    }

    public function zone(string $id): ?Zone
    {
        $item = $this->item($id);
        $spot = $item->after ?? ($item->before ?? null);

        return $spot === null ? null : $this->inventory->zones[$spot->zone] ?? null;
    }

    /**
     * Parts, those of one board together: what carries the battery's current, is light, and hangs a short lead apart.
     *
     * @param array<string, Part> $parts
     * @return array<string, array<string, Part>> key => parts
     */
    public function together(array $parts): array
    {
        $board = array_filter(
            $parts,
            fn(Part $p): bool => $p->is('dc_fuse', 'dc_switch', 'bus_bar', 'shunt') && !$this->isTight($p->id),
        );
        $near = [];
        foreach ($this->after->partsOf('lead') as $lead) {
            $ends = array_values(Difference::endsOf($lead));
            if (count($ends) === 2 && $lead->number('cable/lengthM') <= self::BOARD_M) {
                $near[] = $ends;
            }
        }
        // What hangs together by short leads, over whatever they end at, hangs in one place.
        $boards = [];
        foreach (array_keys($board) as $id) {
            $reached = [(string) $id => true];
            do {
                $before = count($reached);
                foreach ($near as [$a, $b]) {
                    if ((isset($reached[$a]) || isset($reached[$b])) && $this->where($a) === $this->where($b)) {
                        $reached[$a] = $reached[$b] = true;
                    }
                }
            } while (count($reached) > $before);
            // Named after the first of them.
            $boards[$id] = (string) array_key_first(array_intersect_key($board, $reached));
        }
        $sizes = array_count_values($boards);
        $numbers = array_flip(array_keys(array_filter($sizes, fn(int $n): bool => $n > 1)));
        $groups = [];
        foreach ($parts as $id => $part) {
            $of = $boards[$id] ?? '';
            $key = isset($numbers[$of])
                ? 'board' . ($numbers[$of] === 0 ? '' : '_' . ($numbers[$of] + 1))
                : (string) $id;
            $groups[$key][(string) $id] = $part;
        }

        return $groups;
    }

    /**
     * What parts of one step are called together.
     *
     * @param array<string, Part> $parts
     */
    public static function called(array $parts): string
    {
        $labels = array_values(array_map(fn(Part $p): string => $p->label, $parts));

        return count($labels) < 2 ? $labels[0] ?? '' : sprintf('the battery board, %d parts', count($labels));
    }

    /** Where a part is, in words; empty where nobody has said. */
    public function where(string $id): string
    {
        return $this->zone($id)->label ?? '';
    }

    /** Whether its terminals are hard to reach once it hangs. */
    public function isTight(string $id): bool
    {
        $zone = $this->zone($id);

        return $zone !== null &&
            (($zone->says('reached') && !$zone->is('reached')) || ($zone->numberOrNull('reachM') ?? 0.0) > self::ARM_M);
    }

    /** Whether a part that was there before is opened when something is landed in it: not its terminals alone. */
    public function isOpened(Part $part): bool
    {
        return !isset($this->difference->fitted[$part->id]) &&
            $part->is('converter', 'inverter', 'inverter_charger', 'transfer_switch', 'surge_unit', 'generator');
    }

    public function kg(string $id): float
    {
        $item = $this->item($id);

        return $item === null ? 0.0 : max($item->afterKg, $item->beforeKg);
    }

    /** @return list<Values> segments of the way of a cable */
    public function route(string $cable): array
    {
        return $this->routes[$cable] ?? [];
    }

    /** Whether a cable takes a way through something: a wall that is closed over it, a floor, a roof. */
    public function goes(string $cable, string ...$through): bool
    {
        foreach ($this->route($cable) as $segment) {
            if (in_array($segment->text('through'), $through, true)) {
                return true;
            }
        }

        return false;
    }

    /** Size of a cable as it is spoken; empty where it has none. */
    public function size(Part $cable): string
    {
        $size = $cable->text('cable/size');

        return $size === '' ? '' : ConductorSize::of($size)->spoken();
    }

    /** Whether a part has anything to do with alternating current. */
    public static function isAlternating(Part $part): bool
    {
        return $part->is(
            'panel',
            'circuit',
            'feeder',
            'inverter',
            'inverter_charger',
            'converter',
            'transfer_switch',
            'contactor',
            'ac_switch',
            'bypass',
            'splice_box',
            'surge_unit',
            'inlet',
            'generator',
        );
    }
}
