<?php

declare(strict_types=1);

namespace Hollin\Core\Schedule;

use DateTimeImmutable;
use DateTimeZone;
use Hollin\Core\Reference\Sun;

/** Working days and hours of a workshop, and when the sun stands high there. */
final readonly class Hours
{
    /** The sun stands high enough to test an array, degrees. Common practice, no source. */
    private const HIGH_DEG = 20.0;

    /**
     * @param array<int, list<array{int, int}>> $week 1 Monday to 7 Sunday => from, to, minutes of the day
     * @param list<string> $closed days as YYYY-MM-DD
     */
    public function __construct(
        public DateTimeZone $zone,
        public array $week,
        public array $closed = [],
        public float $latitude = 40.0,
        public float $longitude = -90.0,
    ) {}

    /** Monday to Friday, eight hours with a break. */
    public static function usual(string $zone): self
    {
        $day = [[8 * 60, 12 * 60], [12 * 60 + 30, 16 * 60 + 30]];

        return new self(new DateTimeZone($zone), array_fill_keys([1, 2, 3, 4, 5], $day));
    }

    /** Working time from a minute on, for so many days. */
    public function windows(int $from, int $days = 120): Windows
    {
        $spans = [];
        foreach ($this->days($from, $days) as $day) {
            if (in_array($day->format('Y-m-d'), $this->closed, true)) {
                continue;
            }
            foreach ($this->week[(int) $day->format('N')] ?? [] as [$a, $b]) {
                $spans[] = [$this->minute($day, $a), $this->minute($day, $b)];
            }
        }

        return (new Windows($spans))->and(Windows::always($from));
    }

    /** While the sun stands high. */
    public function daylight(int $from, int $days = 120): Windows
    {
        $spans = [];
        foreach ($this->days($from, $days) as $day) {
            $first = $last = null;
            for ($minute = 0; $minute < 24 * 60; $minute += 15) {
                $at = $this->minute($day, $minute);
                // Days since the middle of the first of January 2000, as astronomers count.
                $height = Sun::at($at / 1440 - 10957.5, $this->latitude, $this->longitude)->heightDeg;
                if ($height >= self::HIGH_DEG) {
                    $first ??= $at;
                    $last = $at + 15;
                }
            }
            if ($first !== null && $last !== null) {
                $spans[] = [$first, $last];
            }
        }

        return (new Windows($spans))->and(Windows::always($from));
    }

    /** @return list<DateTimeImmutable> midnights in the workshop's zone */
    private function days(int $from, int $days): array
    {
        $first = (new DateTimeImmutable('@' . $from * 60))->setTimezone($this->zone)->setTime(0, 0);
        $all = [];
        for ($i = 0; $i < $days; $i++) {
            $all[] = $first->modify("+{$i} days");
        }

        return $all;
    }

    /** A clock's reading on a day, in minutes since 1970 UTC: an hour that the clock skips is the next one. */
    private function minute(DateTimeImmutable $day, int $minutes): int
    {
        return intdiv($day->setTime(intdiv($minutes, 60), $minutes % 60)->getTimestamp(), 60);
    }

    /** @return array<string, mixed> as it is kept and asked for */
    public function toArray(): array
    {
        return [
            'zone' => $this->zone->getName(),
            'week' => (object) $this->week,
            'closed' => $this->closed,
            'latitude' => $this->latitude,
            'longitude' => $this->longitude,
        ];
    }
}
