<?php

declare(strict_types=1);

namespace Hollin\Core\Operation;

use Hollin\Core\Network\Graph;
use Hollin\Core\Reference\TripCurve;

/** Something that carries more than it does for good, and what it does about it. */
final readonly class Trip
{
    /**
     * @param string $id element, source or battery
     * @param string $what fuse, breaker, management, inverter, generator
     * @param string $then opens, shuts down, retries
     * @param ?float $afterS seconds until it does
     */
    public function __construct(
        public string $id,
        public string $component,
        public string $what,
        public string $then,
        public float $amps,
        public float $ratingA,
        public ?float $afterS,
    ) {}

    /** In a sentence, for the person who looks at the state. */
    public function words(Graph $graph): string
    {
        $label =
            $graph->label($this->component) .
            match ($this->what) {
                'management' => '\'s management',
                'breaker' => isset($graph->circuits[$this->component]) || isset($graph->supplies[$this->component])
                    ? '\'s breaker'
                    : '',
                default => '',
            };
        $then = $this->then === 'retries' ? 'shuts down and tries again' : $this->then;

        return $this->afterS === null
            ? "{$label}: {$then}"
            : sprintf(
                '%s: %.0f A of %g A, %s %s',
                $label,
                $this->amps,
                $this->ratingA,
                $then,
                TripCurve::words($this->afterS),
            );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'component' => $this->component,
            'what' => $this->what,
            'then' => $this->then,
            'amps' => round($this->amps, 3),
            'ratingA' => round($this->ratingA, 3),
            'afterS' => $this->afterS === null ? null : round($this->afterS, 3),
        ];
    }
}
