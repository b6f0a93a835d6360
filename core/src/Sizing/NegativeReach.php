<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Walk;

/**
 * The current a short can push home through a negative conductor before a device opens. A short lies
 * between a positive and a negative that are side by side: at a consumer, or from bar to bar. What the
 * device ahead of that positive lets through returns by every negative conductor between that place and
 * the battery.
 */
final class NegativeReach
{
    /**
     * @var array<string, array<string, array{float, string}>> battery => negative terminal => A of its own that can
     *      arrive there, the device that limits it
     */
    private array $at = [];

    /** @var array<string, array<string, ?string>> battery => terminals joined with its negative */
    private array $nets = [];

    /** @param array<string, array{float, string, string}> $positive terminal => A that can arrive, source, device */
    public function __construct(private readonly Graph $graph, array $positive)
    {
        foreach ($graph->batteries as $id => $battery) {
            $this->nets[$id] = Walk::reach($graph, [$battery->neg], Walk::direct(...));
            $bars = [0.0, ''];
            $reached = Walk::reach($graph, [$battery->pos], Walk::direct(...));
            foreach ($reached as $terminal => $_) {
                [$amps, , $device] = $positive[$terminal] ?? [0.0, '', ''];
                // A bar, or what stands right behind a device, is where a negative bar is near.
                if (
                    !is_infinite($amps) &&
                    $amps > $bars[0] &&
                    (isset($graph->junctions[$terminal]) || Walk::hasDeviceAt($graph, (string) $terminal))
                ) {
                    $bars = [$amps, $device];
                }
            }
            foreach ($graph->junctions as $terminal => $_) {
                if (array_key_exists($terminal, $this->nets[$id])) {
                    $this->raise($id, $terminal, $bars);
                }
            }
            foreach ($graph->elements as $element) {
                if ($element->rating?->what === 'shunt') {
                    $this->raise($id, $element->a, $bars);
                    $this->raise($id, $element->b, $bars);
                }
            }
            foreach ($graph->direct() as $of) {
                [$amps, , $device] = $positive[$of['pos']] ?? [0.0, '', ''];
                if (!is_infinite($amps) && array_key_exists($of['pos'], $reached)) {
                    $this->raise($id, $of['neg'], [$amps, $device]);
                }
            }
        }
    }

    /** @param array{float, string} $reach */
    private function raise(string $battery, string $terminal, array $reach): void
    {
        if ($reach[0] > ($this->at[$battery][$terminal][0] ?? 0.0)) {
            $this->at[$battery][$terminal] = $reach;
        }
    }

    /**
     * Most that can flow through a negative conductor before a device opens, A, and that device; null for
     * what is no negative, or has another way beside it.
     *
     * @return ?array{float, string}
     */
    public function through(Element $element): ?array
    {
        $most = null;
        foreach ($this->graph->batteries as $id => $battery) {
            if (
                !array_key_exists($element->a, $this->nets[$id]) ||
                !array_key_exists($element->b, $this->nets[$id]) ||
                array_key_exists($battery->pos, $this->nets[$id])
            ) {
                continue;
            }
            foreach ($this->beyond($battery, $element, $id) as $terminal) {
                $reach = $this->at[$id][$terminal] ?? null;
                if ($reach !== null && $reach[0] > ($most[0] ?? 0.0)) {
                    $most = $reach;
                }
            }
        }

        return $most;
    }

    /** @return list<string> terminals that only this conductor joins with the battery's negative */
    private function beyond(Battery $battery, Element $element, string $id): array
    {
        $without = Walk::reach(
            $this->graph,
            [$battery->neg],
            fn(Element $e): bool => $e->id !== $element->id && Walk::direct($e),
        );

        return array_keys(array_diff_key($this->nets[$id], $without));
    }
}
