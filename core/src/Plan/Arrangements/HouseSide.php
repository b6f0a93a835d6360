<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\BusBar;
use Hollin\Core\Components\Charging\Alternator;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Wiring;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Walk;
use stdClass;

/** Where something that charges lands on the battery side of a rig, and the engine's battery told from the house's. */
final readonly class HouseSide
{
    private Graph $graph;

    public function __construct(private Rig $rig)
    {
        $this->graph = Wiring::of($rig);
    }

    /** The engine of the rig, or of the vehicle in front. */
    public function engine(): ?Alternator
    {
        return array_values($this->rig->all(Alternator::class))[0] ?? null;
    }

    /** Whether a bank is the engine's own: nothing but wire, fuses and hands between it and an alternator. */
    public function isEngines(Bank $bank): bool
    {
        foreach ($this->rig->all(Alternator::class) as $engine) {
            if (Walk::way($this->graph, "{$engine->id}.pos", "{$bank->id}.pos", $this->plain(...)) !== null) {
                return true;
            }
        }

        return false;
    }

    /** The engine's own battery. */
    public function engineBank(): ?Bank
    {
        return array_values(array_filter($this->rig->all(Bank::class), $this->isEngines(...)))[0] ?? null;
    }

    /**
     * The bank that people live from: the largest that is not the engine's.
     *
     * @throws NotPossible when there is none
     */
    public function bank(): Bank
    {
        $banks = array_filter($this->rig->all(Bank::class), fn(Bank $b): bool => !$this->isEngines($b));
        usort($banks, fn(Bank $a, Bank $b): int => $b->capacityAh() <=> $a->capacityAh());

        return $banks[0] ?? throw new NotPossible('The rig has no house battery: survey or plan it first.');
    }

    /** Where the positive of a charger lands: the bank's bar where it has one, else its post. */
    public function positive(Bank $bank): string
    {
        return $this->bar("{$bank->id}.pos", 'positive') ?? "{$bank->id}.pos";
    }

    /** Where its negative lands: the bar behind the shunt where there is one, so that the shunt counts it. */
    public function negative(Bank $bank): string
    {
        return $this->bar("{$bank->id}.neg", 'negative') ?? "{$bank->id}.neg";
    }

    /** @return list<stdClass> changes that take out what joins engine and house by itself today, and its leads */
    public function withoutJoining(string ...$types): array
    {
        $gone = array_filter($this->rig->components, fn($c): bool => in_array($c::type(), $types, true));
        $changes = [];
        foreach ($this->rig->all(\Hollin\Core\Components\Battery\Lead::class) as $lead) {
            $at = [explode('.', $lead->from())[0], explode('.', $lead->to())[0]];
            if (array_intersect($at, array_keys($gone)) !== []) {
                $changes[] = Changes::remove($lead->id, 'it led to what comes out');
            }
        }
        foreach (array_keys($gone) as $id) {
            $changes[] = Changes::remove((string) $id, 'replaced');
        }

        return $changes;
    }

    private function plain(Element $element): bool
    {
        $device = $this->graph->devices[(string) $element->device] ?? null;

        return Walk::direct($element) && ($device === null || (!$device->byItself && $device->job !== 'plug'));
    }

    private function bar(string $from, string $pole): ?string
    {
        foreach ($this->rig->all(BusBar::class) as $bar) {
            if (
                $bar->values->text('pole') === $pole &&
                Walk::way($this->graph, $from, "{$bar->id}.stud", $this->plain(...)) !== null
            ) {
                return "{$bar->id}.stud";
            }
        }

        return null;
    }
}
