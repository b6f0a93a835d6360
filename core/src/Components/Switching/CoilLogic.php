<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Switching;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Look;
use Hollin\Core\Network\Port;

/** A coil pulls in while its two terminals differ, not when one of them is live. */
final readonly class CoilLogic implements Automatic
{
    /** Pick-up and drop-out of a small contactor, s (common practice, no source). */
    private const MOVES_S = 0.03;

    public function __construct(private ?Port $coil) {}

    public function reads(): array
    {
        return [];
    }

    public function hears(): array
    {
        return [];
    }

    public function wish(Look $look): string
    {
        return $this->coil !== null && $look->ac($this->coil->hot, $this->coil->neutral, '') !== null
            ? 'pulled'
            : 'released';
    }

    public function misset(): array
    {
        return [];
    }

    public function delayS(string $from, string $to): float
    {
        return self::MOVES_S;
    }
}
