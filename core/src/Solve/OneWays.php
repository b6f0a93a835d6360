<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\States\Situation;

/**
 * What lets direct current through one way only, as an active set: each element conducts behind what it
 * keeps, or lets next to nothing back, and turns where the volts across it say so.
 */
final class OneWays
{
    /** What one lets back, ohm: next to nothing. */
    private const BLOCKED_OHM = 1e7;

    /** Passes in which all turn at once; after them only the first does. */
    private const ALL_AT_ONCE = 5;

    /** @var list<Winding> one to an element that nothing opens */
    public readonly array $windings;

    /** @var list<Element> */
    private readonly array $elements;

    /** @var list<bool> conducting */
    private array $conducts;

    public function __construct(private readonly Situation $situation)
    {
        $this->elements = array_values(
            array_filter(
                $situation->network->graph->elements,
                fn(Element $e): bool => $e->kind === ElementKind::OneWay && $situation->isClosed($e->id),
            ),
        );
        $this->windings = array_map(
            fn(Element $e): Winding => new Winding($e->id, $e->id, $e->a, $e->b, $e->dropV, 0.0, self::BLOCKED_OHM),
            $this->elements,
        );
        $this->conducts = array_map(fn(): bool => false, $this->elements);
    }

    /** @return array<string, array{float, float}> element => V it keeps, ohm while it conducts */
    public function conducting(): array
    {
        $found = [];
        foreach ($this->elements as $element) {
            $found[$element->id] = [$element->dropV, $this->ohm($element)];
        }

        return $found;
    }

    private function ohm(Element $element): float
    {
        return Impedance::ohm($element, $this->situation->network->graph);
    }

    /**
     * Turns those that stand wrong for the volts across them. All at first; then the first of them only,
     * which cannot go in a circle (Murty 1974, least index, from memory).
     *
     * @param list<float> $across V across each
     */
    public function turned(array $across, int $pass): bool
    {
        $turned = false;
        foreach ($this->elements as $n => $element) {
            $beyond = $across[$n] - $element->dropV;
            if ($this->conducts[$n] ? $beyond < -1e-9 : $beyond > 1e-9) {
                $this->conducts[$n] = !$this->conducts[$n];
                $winding = $this->windings[$n];
                $winding->ohm = $this->conducts[$n] ? $this->ohm($element) : self::BLOCKED_OHM;
                $turned = true;
                if ($pass > self::ALL_AT_ONCE) {
                    break;
                }
            }
        }

        return $turned;
    }

    /**
     * @param list<float> $across V across each
     * @return array<string, array{float, float}> element => A from its first end to its second, W it keeps
     */
    public function carry(array $across): array
    {
        $found = [];
        foreach ($this->windings as $n => $winding) {
            $amps = -$winding->gives($across[$n], 0.0)[0];
            $found[$winding->of] = [$amps, $amps * $across[$n]];
        }

        return $found;
    }
}
