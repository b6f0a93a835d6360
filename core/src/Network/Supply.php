<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/** A supply that a rig meets or carries: a pedestal with the receptacles its cord fits, or a generator. */
final readonly class Supply
{
    /**
     * @param string $kind shore or generator
     * @param string $source id of its winding
     * @param array<string, float> $ratingsA position of the cord => breaker ahead of it, largest first
     * @param bool $portable carried to the rig and not wired into it
     */
    public function __construct(
        public string $component,
        public string $kind,
        public string $source,
        public array $ratingsA,
        public bool $portable,
    ) {}

    /**
     * Rating of the breaker ahead of it, where it is a supply from outside, by how the cord stands, A; null while it is
     * in none of its receptacles, or for a supply that the rig carries.
     *
     * @param array<string, string> $positions
     */
    public function aheadA(Graph $graph, array $positions): ?float
    {
        $surrounding = $graph->surroundings[(string) $graph->sources[$this->source]->surrounding] ?? null;

        return $surrounding === null ? null : $this->ratingsA[$positions[(string) $surrounding->device] ?? ''] ?? null;
    }
}
