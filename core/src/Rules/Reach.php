<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;

/**
 * The current a source can push into each terminal without any device opening: along the widest
 * path from any source, the smallest rating on the way, with every contact closed.
 */
final class Reach
{
    /** Ways to one terminal, by what devices must be in. */
    private const MOST_WAYS = 48;

    /** @var array<string, array{float, string, string}> terminal => [A, source, protecting component or ''] */
    public array $at = [];

    /** @var array<string, array<string, float>> terminal => what the way there took devices to be in => A */
    private array $best = [];

    /** @var \SplPriorityQueue<float, array{string, float, string, string, array<string, list<string>>}> */
    private \SplPriorityQueue $queue;

    public function __construct(private readonly Graph $graph)
    {
        $this->queue = new \SplPriorityQueue();
        foreach ($graph->sources as $source) {
            if ($source->kind === 'stray') {
                continue;
            }
            // A battery delivers whatever the fault draws; everything else limits itself or has its own breaker.
            $amps = $source->kind === 'dc' && $source->forming ? INF : $source->limitA;
            $in =
                $source->device !== null && ($graph->devices[$source->device] ?? null)?->job === 'relay'
                    ? [$source->device => $source->positions]
                    : [];
            $this->widen($source->a, $amps, $source->id, $source->kind === 'ac' ? $source->component : '', $in);
        }
        foreach ($graph->converters as $unit) {
            // Assisting, a unit adds what it makes to what it lets through; none of it goes back the way the supply
            // came.
            if ($unit->kind === PowerConverter::ASSIST) {
                $passes = $graph->elements[$unit->throughInput[0]]->ratingA() ?? INF;
                $this->widen(
                    $unit->output[0],
                    min($passes, (float) $unit->inputLimitA) + $unit->limitA,
                    "{$unit->component}.inverter",
                    $unit->component,
                    [(string) $unit->device => ['assisting']],
                );
            }
        }
        $next = [];
        foreach ($graph->elements as $id => $element) {
            if ($element->kind !== ElementKind::Bond && ($element->role === Role::L1 || Walk::direct($element))) {
                $next[$element->a][] = [$element->b, $id];
                $next[$element->b][] = [$element->a, $id];
            }
        }
        while (!$this->queue->isEmpty()) {
            /** @var array{string, float, string, string, array<string, list<string>>} $widest */
            $widest = $this->queue->extract();
            [$at, $amps, $source, $device, $in] = $widest;
            foreach ($next[$at] ?? [] as [$to, $id]) {
                $then = $this->through($id, $in);
                if ($then === null) {
                    continue;
                }
                [$rating, $by] = $this->rating($id);
                $rating < $amps
                    ? $this->widen($to, $rating, $source, $by, $then)
                    : $this->widen($to, $amps, $source, $device, $then);
            }
        }
    }

    /**
     * What devices must be in to go on through an element; null when the way so far rules that out:
     * nothing goes in at one input of a transfer switch and out at the other.
     *
     * @param array<string, list<string>> $in
     * @return ?array<string, list<string>>
     */
    private function through(string $id, array $in): ?array
    {
        $element = $this->graph->elements[$id];
        $device = $this->graph->devices[$element->device ?? ''] ?? null;
        if (
            $device === null ||
            count($device->positions) < 2 ||
            $device->job === 'breaker' ||
            $device->job === 'disconnect'
        ) {
            return $in;
        }
        $allowed = array_values(
            isset($in[$device->id]) ? array_intersect($in[$device->id], $element->closedIn) : $element->closedIn,
        );
        if ($allowed === []) {
            return null;
        }
        $in[$device->id] = $allowed;

        return $in;
    }

    /** @return array{float, string} rating of an overcurrent device and its component */
    private function rating(string $id): array
    {
        $element = $this->graph->elements[$id];

        return $element->rating !== null && $element->rating->protects && $element->rating->amps !== null
            ? [$element->rating->amps, $element->component]
            : [INF, ''];
    }

    /** @param array<string, list<string>> $in */
    private function widen(string $terminal, float $amps, string $source, string $device, array $in): void
    {
        if ($amps > ($this->at[$terminal][0] ?? 0.0)) {
            $this->at[$terminal] = [$amps, $source, $device];
        }
        // So many ways to one place no rig has: then it is said more cautiously, as if every device let everything on.
        if (count($this->best[$terminal] ?? []) >= self::MOST_WAYS) {
            $in = [];
        }
        $key = $in === [] ? '' : serialize($in);
        if ($amps > ($this->best[$terminal][$key] ?? 0.0) && $amps > ($this->best[$terminal][''] ?? 0.0)) {
            $this->best[$terminal][$key] = $amps;
            $this->queue->insert([$terminal, $amps, $source, $device, $in], $amps);
        }
    }

    /** Whether nothing that opens stands between a battery and a terminal. */
    public function reachesUnfused(string $battery, string $terminal): bool
    {
        return is_infinite($this->at[$terminal][0] ?? 0.0) && isset($this->at[$battery]);
    }
}
