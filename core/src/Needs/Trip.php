<?php

declare(strict_types=1);

namespace Hollin\Core\Needs;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Sun;
use stdClass;

/** Where the rig stands, for how long, and under what sky. What nobody has said is as it usually is. */
final readonly class Trip
{
    /** @var array<string, Field> */
    private array $asked;

    /** @var array<string, float> what is asked in numbers, as said or as usual */
    private array $numbers;

    /** @var array<int, string> day => weather */
    private array $weatherOn;

    private function __construct(private Values $values)
    {
        $this->asked = Asked::trip();
        $on = [];
        foreach ($values->entries('weatherOn') as $day) {
            $on[$day->integer('day')] = $day->text('weather');
        }
        $this->weatherOn = $on;
        $numbers = [];
        foreach ($this->asked as $name => $field) {
            if (in_array($field->kind, ['number', 'integer'], true)) {
                $numbers[$name] = $values->number($name, (float) ($field->usual ?? 0));
            }
        }
        $this->numbers = $numbers;
    }

    /** @param stdClass $trip of the needs, already checked */
    public static function from(stdClass $trip): self
    {
        return new self(new Values($trip));
    }

    /** A number, or what is usual. */
    public function number(string $name): float
    {
        return $this->numbers[$name];
    }

    /** A number that there may be none of. */
    public function numberOrNull(string $name): ?float
    {
        return $this->values->numberOrNull($name);
    }

    public function text(string $name): string
    {
        return $this->values->text($name, (string) $this->asked[$name]->usual);
    }

    public function flag(string $name): bool
    {
        return $this->values->flag($name, (bool) $this->asked[$name]->usual);
    }

    public function days(): int
    {
        return (int) $this->number('days');
    }

    public function month(): int
    {
        return (int) $this->number('month');
    }

    /** sun, fair or grey, on a day from 1. */
    public function weather(int $day): string
    {
        return $this->weatherOn[$day] ?? $this->text('weather');
    }

    /** Whether an hour of the day lies in a span that begins at one hour and lasts for others, over midnight too. */
    public function within(float $hour, string $from, string $for): bool
    {
        $since = fmod($hour - $this->number($from) + 48, 24);

        return $since < $this->number($for);
    }

    /** °C at an hour: coldest at five, warmest at fifteen or so. */
    public function celsius(float $hour): float
    {
        [$low, $high] = [$this->number('lowC'), $this->number('highC')];

        return ($low + $high) / 2 - (($high - $low) / 2) * cos((2 * M_PI * ($hour - 4)) / 24);
    }

    /** W/m² on the panels in a quarter of the day, under a sky, with what shades them then. */
    public function light(int $quarter, string $weather): float
    {
        $hour = ($quarter + 0.5) / 4;
        $sun = Sun::locally($this->month(), $hour, $this->number('latitude'));
        $left = $this->within($hour, 'shadeFromH', 'shadeH') ? $this->number('shadeLeft') / 100 : 1.0;

        return $left *
            $sun->onto($this->number('tiltDeg'), $this->number('facingDeg'), $weather, $this->number('elevationM'));
    }

    /** Whether somebody has said it. */
    public function says(string $name): bool
    {
        return $this->values->has($name);
    }

    /** The same with other answers. */
    public function with(stdClass $other): self
    {
        return self::from((object) (get_object_vars($other) + get_object_vars($this->values->raw())));
    }
}
