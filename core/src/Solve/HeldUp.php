<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\Walk;
use Hollin\Core\States\Situation;

/**
 * What something holds up: least fixpoint from what gives by itself (a supply, a battery, sun, a shaft) through what
 * passes it on. A converter gives only while what it takes from is held up without it; whatever is not reached is
 * dead, however large the resistance of its leakage.
 */
final class HeldUp
{
    /** @var array<int, int> root of the situation => root it hangs together with by sources and one-way elements */
    private array $parent = [];

    /** @var array<string, true> alternating sources that give */
    public array $sources = [];

    /** @var array<string, true> chargers that give */
    public array $chargers = [];

    private function __construct(private readonly Situation $situation)
    {
        $graph = $situation->network->graph;
        foreach ($graph->batteries as $battery) {
            $this->hold($battery->pos, $battery->neg);
        }
        foreach ($graph->elements as $element) {
            if ($element->kind === ElementKind::OneWay && $situation->isClosed($element->id)) {
                $this->hold($element->a, $element->b);
            }
        }
    }

    /**
     * The battery side with some chargers taken to give.
     *
     * @param iterable<PowerConverter> $chargers
     */
    public static function by(Situation $situation, iterable $chargers): self
    {
        $held = new self($situation);
        foreach ($chargers as $charger) {
            $held->hold(...$charger->output);
        }

        return $held;
    }

    /**
     * @param array<string, Source> $live alternating sources that are on
     * @param array<string, PowerConverter> $chargers that have a supply which is on
     * @param array<string, PowerConverter> $inverting that run
     * @param ?PowerConverter $without a unit that takes nothing from what comes from behind it
     */
    public static function least(
        Situation $situation,
        array $live,
        array $chargers,
        array $inverting,
        ?PowerConverter $without = null,
    ): self {
        $held = new self($situation);
        $formed = [];
        foreach ($inverting as $unit) {
            foreach ($unit->kind === PowerConverter::INVERTER ? $live : [] as $id => $source) {
                if ($source->component === $unit->component) {
                    $formed[$id] = $unit;
                }
            }
        }
        $held->sources = array_fill_keys(array_keys(array_diff_key($live, $formed)), true);
        $runsOn = $situation->charging();
        $direct = array_intersect_key($situation->network->graph->converters, $situation->givingDirect());
        do {
            $more = false;
            foreach ($chargers + $direct as $id => $charger) {
                if (isset($held->chargers[$id]) || $charger->limitA <= 0) {
                    continue;
                }
                $fed = match ($charger->kind) {
                    PowerConverter::FIELD => true,
                    PowerConverter::DC_DC => $held->holds(...$charger->input),
                    default => isset($held->sources[$runsOn[$id] ?? '']) &&
                        ($without === null || !self::isBehind($situation, $without, $charger)),
                };
                if ($fed) {
                    $held->chargers[$id] = $more = true;
                    $held->hold(...$charger->output);
                }
            }
            foreach ($formed as $id => $unit) {
                if (!isset($held->sources[$id]) && $held->holds(...$unit->input)) {
                    $held->sources[$id] = $more = true;
                }
            }
        } while ($more);

        return $held;
    }

    /**
     * Units that could assist a supply, had they anything to take it from but what comes from behind them.
     *
     * @param array<string, Source> $live
     * @param array<string, PowerConverter> $chargers
     * @param array<string, PowerConverter> $inverting
     * @return array<string, true>
     */
    public static function without(Situation $situation, array $live, array $chargers, array $inverting): array
    {
        $unheld = [];
        foreach ($inverting as $id => $unit) {
            if (
                $unit->kind === PowerConverter::ASSIST &&
                !self::least($situation, $live, $chargers, $inverting, $unit)->holds(...$unit->input)
            ) {
                $unheld[$id] = true;
            }
        }

        return $unheld;
    }

    /** Whether sources stand between two terminals, so that there can be volts at all. */
    public function holds(string $pos, string $neg): bool
    {
        return $this->find($this->situation->root($pos)) === $this->find($this->situation->root($neg));
    }

    private function hold(string $a, string $b): void
    {
        $a = $this->find($this->situation->root($a));
        $b = $this->find($this->situation->root($b));
        if ($a !== $b) {
            $this->parent[$b] = $a;
        }
    }

    private function find(int $root): int
    {
        while (isset($this->parent[$root])) {
            $root = $this->parent[$root];
        }

        return $root;
    }

    /** Whether a charger is the unit's own, or is fed from its output alone. */
    private static function isBehind(Situation $situation, PowerConverter $unit, PowerConverter $charger): bool
    {
        if ($charger->component === $unit->component) {
            return true;
        }
        if (!$situation->joined($charger->input[0], $unit->output[0])) {
            return false;
        }
        $graph = $situation->network->graph;
        $beyond = Walk::reach(
            $graph,
            [$unit->output[0]],
            fn(Element $e): bool => $e->role === Role::L1 &&
                $e->component !== $unit->component &&
                $situation->isClosed($e->id),
        );
        $source = $graph->sources[$situation->charging()[$charger->id] ?? ''] ?? null;

        return array_key_exists($charger->input[0], $beyond) &&
            ($source === null || !array_key_exists($source->a, $beyond));
    }
}
