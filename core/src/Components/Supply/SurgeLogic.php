<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Look;

/** Lets a supply in when its volts and its wiring are right; a floating source reads as open ground and is refused. */
final readonly class SurgeLogic implements Automatic
{
    /** How fast it opens on a wrong supply, s (common practice, no source). */
    private const OPENS_S = 0.5;

    /** A bypass does not wait and does not test. */
    private const PASSES_S = 0.05;

    public function __construct(private SurgeUnit $unit) {}

    public function reads(): array
    {
        return [$this->unit->bypassSwitch()];
    }

    public function wish(Look $look): string
    {
        if ($look->position($this->unit->bypassSwitch()) === 'bypassed') {
            return 'past';
        }
        $id = $this->unit->id;
        $right = $look->acWithin("{$id}.in.l", "{$id}.in.n", '', ...$this->unit->window())
            && $look->wiringFault("{$id}.in.l", "{$id}.in.n", "{$id}.in.g") === null;

        return $right ? 'closed' : 'open';
    }

    public function delayS(string $from, string $to): float
    {
        return match ($to) {
            'closed' => max(0.0, $this->unit->values->number('delayS')),
            'past' => self::PASSES_S,
            default => self::OPENS_S,
        };
    }
}
