<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Values;

/** One load of the day: what it takes, when, and from where. */
final readonly class Needed
{
    /** Quarters of an hour in a day: the steps of a simulation. */
    public const QUARTERS = 96;

    /** @var array<int, float> quarter of the day => W that it takes on average then */
    public array $watts;

    /** @param ?array<int, float> $known W by quarter, where they are not of its hours */
    private function __construct(public string $id, private Values $values, ?array $known = null)
    {
        if ($known !== null) {
            $this->watts = $known;

            return;
        }
        $share = ($values->number('duty', 100.0) / 100) * $this->fullW();
        $watts = [];
        foreach ($values->entries('spans') as $span) {
            $from = $span->number('fromH') * 4;
            $to = $from + $span->number('hours') * 4;
            for ($quarter = (int) floor($from); $quarter < $to; $quarter++) {
                $part = min($to, $quarter + 1) - max($from, $quarter);
                $at = $quarter % self::QUARTERS;
                $watts[$at] = min($this->fullW(), ($watts[$at] ?? 0.0) + $share * $part);
            }
        }
        $this->watts = $watts;
    }

    /** @param Values $values of a load in the needs, already checked */
    public static function from(string $id, Values $values): self
    {
        return new self($id, $values);
    }

    /**
     * What a battery monitor has seen taken, by the hour of the day.
     *
     * @param array<int, float> $byHour hour => W
     */
    public static function measured(array $byHour): self
    {
        $spans = [];
        foreach ($byHour as $hour => $watts) {
            $spans["h{$hour}"] = (object) ['fromH' => (float) $hour, 'hours' => 1.0];
        }
        $most = max([0.0, ...$byHour]);
        $of = new self(
            'measured',
            new Values(
                (object) [
                    'label' => 'As measured',
                    'supply' => 'dc',
                    'watts' => (object) ['value' => $most, 'basis' => 'measured'],
                    'spans' => (object) $spans,
                ],
            ),
        );
        $watts = [];
        foreach ($byHour as $hour => $w) {
            for ($quarter = 4 * $hour; $quarter < 4 * $hour + 4; $quarter++) {
                $watts[$quarter] = $w;
            }
        }

        return $of->taking($watts);
    }

    /** @param array<int, float> $watts quarter of the day => W */
    private function taking(array $watts): self
    {
        return new self($this->id, $this->values, $watts);
    }

    public function label(): string
    {
        return $this->values->text('label');
    }

    /** Whether it runs on 120 V. */
    public function isAlternating(): bool
    {
        return $this->values->text('supply') === 'ac';
    }

    /** W of all of them while they run. */
    public function fullW(): float
    {
        return $this->values->number('watts') * $this->values->integer('count', 1);
    }

    /** Circuit or 12 V part it is on; empty where nobody has said. */
    public function at(): string
    {
        return $this->values->text('at');
    }

    /** Wh of a day. */
    public function dayWh(): float
    {
        return array_sum($this->watts) / 4;
    }

    /** Whether it runs in a month, of the north; six months on in the south. */
    public function runsIn(int $month, float $latitude): bool
    {
        $warm = $latitude >= 0 ? $month >= 4 && $month <= 9 : $month <= 3 || $month >= 10;

        return match ($this->values->text('season', 'all')) {
            'warm' => $warm,
            'cold' => !$warm,
            default => true,
        };
    }

    /** A it pulls in the moment it starts; null where nobody knows. */
    public function startA(bool $softly = false): ?float
    {
        return $softly ? $this->values->numberOrNull('softStartA') : $this->values->numberOrNull('startA');
    }

    /** W it takes from 12 V itself while it is on: igniter, valve, board. */
    public function also12W(): float
    {
        return $this->values->number('also12W');
    }

    /** What it burns beside: propane, diesel or nothing. */
    public function fuel(): string
    {
        return $this->values->text('fuel');
    }

    /** Litres it burns in an hour at full. */
    public function fuelPerH(): float
    {
        return $this->values->number('fuelPerH');
    }

    /** Share of charge below which it does not run; null for one that always may. */
    public function onlyAbove(): ?float
    {
        $share = $this->values->numberOrNull('onlyAbove');

        return $share === null ? null : $share / 100;
    }

    public function isAssumed(): bool
    {
        return $this->values->basis('watts') === Basis::Assumed;
    }
}
