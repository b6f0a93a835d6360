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

    private string $switch;

    /** @var array{string, string, string} hot, neutral and ground of its input */
    private array $input;

    /** @var array{float, float} volts it lets in */
    private array $window;

    private float $delayS;

    // Asked thousands of times of one rig: what does not change is taken from the part once.
    public function __construct(SurgeUnit $unit)
    {
        $this->switch = $unit->bypassSwitch();
        $this->input = ["{$unit->id}.in.l", "{$unit->id}.in.n", "{$unit->id}.in.g"];
        $this->window = $unit->window();
        $this->delayS = max(0.0, $unit->values->number('delayS'));
    }

    public function reads(): array
    {
        return [$this->switch];
    }

    public function hears(): array
    {
        return [];
    }

    public function wish(Look $look): string
    {
        if ($look->position($this->switch) === 'bypassed') {
            return 'past';
        }
        [$hot, $neutral, $ground] = $this->input;

        return $look->acWithin($hot, $neutral, '', ...$this->window) &&
            $look->wiringFault($hot, $neutral, $ground) === null
            ? 'closed'
            : 'open';
    }

    public function misset(): array
    {
        return [];
    }

    public function delayS(string $from, string $to): float
    {
        return match ($to) {
            'closed' => $this->delayS,
            'past' => self::PASSES_S,
            default => self::OPENS_S,
        };
    }
}
