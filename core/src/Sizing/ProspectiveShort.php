<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\NodalNetwork;

/**
 * Largest current that batteries push into a short, for the interrupting check: each as 1.05 × its full
 * volts behind 0.9 × its resistance, cable at 20 °C, all that are joined at once. Only the positive side
 * counts, since the short may be to a negative right beside it.
 */
final readonly class ProspectiveShort
{
    private const VOLTS_SHARE = 1.05;

    private const OHM_SHARE = 0.9;

    /** Everything on the negative side, as one node. */
    private const BACK = 'earth';

    /** @param list<string> $batteries components that feed it */
    private function __construct(
        public float $currentA,
        public string $arithmetic,
        public bool $assumed,
        public array $batteries,
    ) {}

    /** How the figure is made. */
    public static function source(): Source
    {
        return Source::recalled(
            'IEC 61660-1 style: 1.05 U and 0.9 R, cable at 20 °C; maker\'s short-circuit figure wins',
        );
    }

    /** Into a short at a terminal; null when no battery is joined with it. */
    public static function at(Graph $graph, string $terminal, ?string $without = null): ?self
    {
        $carries = fn(Element $e): bool => Walk::direct($e) && $e->id !== $without;
        $reached = Walk::reach($graph, [$terminal], $carries);
        /** @var array<string, Battery> $feeding */
        $feeding = array_filter(
            $graph->batteries,
            fn(Battery $b): bool => array_key_exists($b->pos, $reached) && !array_key_exists($b->neg, $reached),
        );
        if ($feeding === []) {
            return null;
        }
        $network = new NodalNetwork();
        foreach ($graph->elements as $element) {
            if (array_key_exists($element->a, $reached) && $carries($element)) {
                $network->add(
                    'wire',
                    $element->id,
                    $element->a,
                    $element->b,
                    1 / max(1e-7, $element->cable?->ohm(20.0) ?? 0.0),
                );
            }
        }
        foreach ($feeding as $id => $battery) {
            $network->source(
                $id,
                $battery->pos,
                self::BACK,
                self::VOLTS_SHARE * $battery->fullV(),
                0.0,
                self::OHM_SHARE * $battery->ohm,
            );
        }
        [$open] = $network->volts();
        $node = $network->node($terminal);
        // Thévenin: open volts over what one ampere drawn there lowers them by.
        $ohm = $network->factor()->solve([$node => 1.0], [])[0][$node];
        $words = [];
        foreach ($feeding as $battery) {
            $cable =
                Walk::least(
                    $graph,
                    [$battery->pos],
                    fn(Element $e): ?float => $carries($e) ? $e->cable?->ohm(20.0) ?? 0.0 : null,
                )[$terminal][0] ?? 0.0;
            $words[] = sprintf(
                '1.05 × %.2f V ÷ (0.9 × %.2f mΩ + %.2f mΩ cable)',
                $battery->fullV(),
                $battery->ohm * 1000,
                $cable * 1000,
            );
        }
        $assumed = array_filter($feeding, fn(Battery $b): bool => $b->ohmAssumed) !== [];

        return new self(
            $open[$node] / $ohm,
            implode(' + ', $words) .
                (count($words) > 1 ? ', where they share a way less' : '') .
                ($assumed ? '; internal resistance assumed' : ''),
            $assumed,
            array_values(array_map(fn(Battery $b): string => $b->component, $feeding)),
        );
    }

    /** What a device must break: the larger of the shorts right behind it, fed through it from either side. */
    public static function through(Graph $graph, Element $device): ?self
    {
        $sides = array_filter([self::at($graph, $device->a, $device->id), self::at($graph, $device->b, $device->id)]);
        usort($sides, fn(self $a, self $b): int => $b->currentA <=> $a->currentA);

        return $sides[0] ?? null;
    }

    /** 1.05 U ÷ (0.9 R + cable). Volts, ohm, ohm → A. */
    public static function currentA(float $fullV, float $bankOhm, float $cableOhm): float
    {
        return (self::VOLTS_SHARE * $fullV) / (self::OHM_SHARE * $bankOhm + $cableOhm);
    }
}
