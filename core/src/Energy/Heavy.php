<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Clock;
use Hollin\Core\Needs\Needed;
use Hollin\Core\Network\Battery;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Rules\Examination;

/** The two heaviest loads on 120 V at once: from the battery, and on the weakest supply the rig meets. */
final readonly class Heavy
{
    private const MAINS_V = 120.0;

    /**
     * @param list<Needed> $loads
     * @param list<string> $chosen loads that run at once; the two heaviest where nobody chose
     */
    public function __construct(
        private Examination $rig,
        private array $loads,
        private ?Battery $house,
        private array $chosen = [],
    ) {}

    /** The heaviest two on 120 V at once, from the battery: do they run, do they start, and for how long? */
    public function together(): ?Reply
    {
        $heavy = $this->heaviest();
        $unit = House::inverter($this->rig);
        $battery = $this->house;
        if ($heavy === [] || $battery === null) {
            return null;
        }
        $names = implode(' with the ', array_map(fn(Needed $l): string => lcfirst($l->label()), $heavy));
        $ask = ucfirst("{$names} on the battery?");
        $watts = array_sum(array_map(fn(Needed $l): float => $l->fullW(), $heavy));
        if ($unit === null) {
            return new Reply('together', $ask, false, 'No: nothing here makes 120 V from the battery.', []);
        }
        $able = $unit->limitA * $unit->holdsV;
        $surge = max($able, $unit->surgeA * $unit->holdsV);
        $lines = [sprintf('%.0f W of the %.0f W it gives for good', $watts, $able)];
        $start = max([0.0, ...array_map(fn(Needed $l): float => $l->startA() ?? 0.0, $heavy)]);
        $soft = max([0.0, ...array_map(fn(Needed $l): float => $l->startA(true) ?? 0.0, $heavy)]);
        $starts = $start * self::MAINS_V <= $surge;
        if ($start > 0) {
            $lines[] = sprintf(
                'starting current %.0f A = %.0f W against %.0f W for seconds',
                $start,
                $start * 120,
                $surge,
            );
        }
        $hours = $this->hoursFor($watts, $unit, $battery, $lines);
        $words = match (true) {
            $watts > $able => sprintf('No: %.1f A of %.1f A.', $watts / 120, $unit->limitA),
            !$starts && $soft > 0 && $soft * 120 <= $surge => sprintf(
                'Not as it is: it needs %.0f A to start. With a soft starter %.0f A: yes, %s.',
                $start,
                $soft,
                Clock::long($hours),
            ),
            !$starts => sprintf('No: it needs %.0f A to start, the inverter gives %.0f A.', $start, $surge / 120),
            default => sprintf('Yes, %s.', Clock::long($hours)),
        };

        return new Reply('together', $ask, $watts <= $able && $starts, $words, $lines);
    }

    /** The same two on the weakest supply the rig meets: what the cord brings, what the battery adds, how long. */
    public function weakSupply(): ?Reply
    {
        $heavy = $this->heaviest();
        $supply = null;
        foreach ($this->rig->graph->supplies as $candidate) {
            $supply = $candidate->kind === 'shore' ? $candidate : $supply;
        }
        if ($heavy === [] || $supply === null || $supply->ratingsA === []) {
            return null;
        }
        $rating = min($supply->ratingsA);
        // For hours: 80 % of the breaker.
        $limit = 0.8 * $rating;
        $unit = $this->assisting();
        $limit = $unit?->inputLimitA !== null ? min($limit, $unit->inputLimitA) : $limit;
        $watts = array_sum(array_map(fn(Needed $l): float => $l->fullW(), $heavy));
        $ask = sprintf('The same on a %.0f A supply?', $rating);
        $lines = [
            sprintf('%.1f A wanted; %.0f A from the cord for hours (80 %% of %.0f A)', $watts / 120, $limit, $rating),
        ];
        if ($watts / 120 <= $limit) {
            $left = $limit - $watts / 120;

            return new Reply('weak', $ask, true, sprintf('Yes, and %.1f A are left to charge with.', $left), $lines);
        }
        $battery = $this->house;
        if ($unit === null || $battery === null) {
            return new Reply(
                'weak',
                $ask,
                false,
                sprintf('No: %.1f A of %.0f A, and nothing here assists.', $watts / 120, $limit),
                $lines,
            );
        }
        $helps = $watts - $limit * self::MAINS_V;
        if ($helps > $unit->limitA * $unit->holdsV) {
            return new Reply(
                'weak',
                $ask,
                false,
                sprintf('No: %.0f W are missing, the unit adds %.0f W.', $helps, $unit->limitA * $unit->holdsV),
                $lines,
            );
        }
        $hours = $this->hoursFor($helps, $unit, $battery, $lines);

        return new Reply(
            'weak',
            $ask,
            true,
            sprintf(
                '%.0f A from the cord, the battery helps with %.1f A for %s, then it stops. No charging.',
                $limit,
                $helps / 120,
                Clock::long($hours),
            ),
            $lines,
        );
    }

    /** @return list<Needed> those that were chosen, or the two on 120 V that take most */
    private function heaviest(): array
    {
        $chosen = array_values(
            array_filter(
                $this->loads,
                fn(Needed $l): bool => $l->isAlternating() && in_array($l->id, $this->chosen, true),
            ),
        );
        if ($chosen !== []) {
            return $chosen;
        }
        $on = array_values(
            array_filter($this->loads, fn(Needed $l): bool => $l->isAlternating() && $l->fullW() >= 300),
        );
        usort($on, fn(Needed $a, Needed $b): int => $b->fullW() <=> $a->fullW());

        return array_slice($on, 0, 2);
    }

    private function assisting(): ?PowerConverter
    {
        foreach ($this->rig->graph->converters as $unit) {
            if ($unit->kind === PowerConverter::ASSIST) {
                return $unit;
            }
        }

        return null;
    }

    /**
     * Hours the usable part of a battery runs so many watts of 120 V.
     *
     * @param list<string> $lines
     */
    private function hoursFor(float $watts, PowerConverter $unit, Battery $battery, array &$lines): float
    {
        $amps =
            ($watts / $unit->efficiency + ($unit->kind === PowerConverter::ASSIST ? 0.0 : $unit->idleW)) /
            $battery->ratedV;
        $usable = $battery->chemistry->usableShare();
        $store = new Store($battery, $usable);
        $hours = $store->hoursAt($amps);
        $lines[] = sprintf('%.0f W ÷ (%.1f V × %.2f) = %.0f A', $watts, $battery->ratedV, $unit->efficiency, $amps);
        $lines[] = sprintf(
            '%.0f %% of %.0f Ah at %.0f A = %s',
            100 * $usable,
            $battery->capacityAh,
            $amps,
            Clock::long($hours),
        );

        return $hours;
    }
}
