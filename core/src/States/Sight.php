<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Look;

/** What an automatic device can see at one moment: the situation, and how the devices stand that are set by hand. */
final class Sight implements Look
{
    public Situation $now;

    /** @var array<string, string> device set by hand => position */
    public array $at = [];

    /** @var list<array{string, string, float}> batteries: positive, negative, V at rest */
    private readonly array $batteries;

    public function __construct(private readonly Contraction $network)
    {
        $this->batteries = array_map(
            fn($b): array => [$b->pos, $b->neg, $b->restV('half')],
            array_values($network->graph->batteries),
        );
    }

    public function position(string $device): string
    {
        return $this->at[$device] ?? '';
    }

    public function ac(string $hot, string $neutral, string $notFromComponent): ?string
    {
        $id = $this->supplying($hot, $neutral, $notFromComponent);

        return $id === null ? null : $this->now->quality($id);
    }

    public function acWithin(string $hot, string $neutral, string $notFromComponent, float $lowV, float $highV): bool
    {
        $id = $this->supplying($hot, $neutral, $notFromComponent);
        $volts = $id === null ? 0.0 : $this->now->volts($id);

        return $id !== null && $volts >= $lowV && $volts <= $highV;
    }

    private function supplying(string $hot, string $neutral, string $notFromComponent): ?string
    {
        $a = $this->now->root($hot);
        $b = $this->now->root($neutral);
        foreach ($this->now->acSources() as $id => [$hotRoot, $neutralRoot]) {
            if (
                $this->network->acSources[$id][2] !== $notFromComponent &&
                (($a === $hotRoot && $b === $neutralRoot) || ($a === $neutralRoot && $b === $hotRoot))
            ) {
                return $id;
            }
        }

        return null;
    }

    public function wiringFault(string $hot, string $neutral, string $ground): ?string
    {
        return match (true) {
            $this->now->tied($hot, $ground) => 'reversed',
            !$this->now->tied($neutral, $ground) => 'open ground',
            default => null,
        };
    }

    public function dc(string $positive, string $negative, float $lowV = 0.0, float $highV = INF): bool
    {
        $a = $this->now->root($positive);
        $b = $this->now->root($negative);
        foreach ($this->batteries as [$pos, $neg, $volts]) {
            if ($volts >= $lowV && $volts <= $highV && $this->now->root($pos) === $a && $this->now->root($neg) === $b) {
                return true;
            }
        }

        return false;
    }
}
