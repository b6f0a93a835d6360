<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Job\Values;
use Hollin\Core\Needs\Needed;
use stdClass;

/** What a battery monitor has seen taken, by the hour of the day. */
final readonly class Measured
{
    /** The night that is held against the list: nothing charges, nobody cooks. */
    private const NIGHT = [22, 23, 0, 1, 2, 3, 4, 5];

    /** A list this near to what was measured is good enough. Common practice, no source. */
    private const NEAR = 0.15;

    /** @param array<int, float> $byHour hour => W */
    private function __construct(private array $byHour, public bool $counts, private string $when) {}

    /** @param ?stdClass $measured of the needs, already checked */
    public static function from(?stdClass $measured): ?self
    {
        if ($measured === null) {
            return null;
        }
        $values = new Values($measured);
        $byHour = [];
        foreach ($values->entries('hours') as $entry) {
            $byHour[$entry->integer('hour')] = $entry->number('watts');
        }

        return new self($byHour, $values->flag('used'), "{$values->text('fromAt')} to {$values->text('toAt')}");
    }

    /** As one load of the day. */
    public function load(): Needed
    {
        return Needed::measured($this->byHour);
    }

    /**
     * Whether the night was like what is on the list.
     *
     * @param list<Needed> $loads
     */
    public function againstGuessed(array $loads): Reply
    {
        $measured = $guessed = 0.0;
        $hours = 0;
        foreach (self::NIGHT as $hour) {
            if (!isset($this->byHour[$hour])) {
                continue;
            }
            $hours++;
            $measured += $this->byHour[$hour];
            foreach ($loads as $load) {
                for ($quarter = 4 * $hour; $quarter < 4 * $hour + 4; $quarter++) {
                    $guessed += ($load->watts[$quarter] ?? 0.0) / 4;
                }
            }
        }
        $ask = 'Was the night like what is on the list?';
        if ($hours === 0) {
            return new Reply('measured', $ask, false, 'The log has no hour of a night.', [$this->when]);
        }
        $off = $guessed - $measured;
        $near = abs($off) <= self::NEAR * max(1.0, $measured);

        return new Reply(
            'measured',
            $ask,
            $near,
            $near
                ? sprintf('Yes: %.0f Wh measured, %.0f Wh on the list.', $measured, $guessed)
                : sprintf(
                    'No: %.0f Wh measured, %.0f Wh on the list: %.0f Wh too %s.',
                    $measured,
                    $guessed,
                    abs($off),
                    $off > 0 ? 'much' : 'little',
                ),
            ["{$this->when}, {$hours} hours between 22 and 6"],
        );
    }
}
