<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Charging;

use Hollin\Core\Network\Automatic;
use Hollin\Core\Network\Look;

/**
 * A separator is closed while something charges where it senses, or the ignition is on. Whether the volts then stay
 * above its opening point is a matter of currents, which the rule on chattering solves for.
 */
final readonly class SeparatorLogic implements Automatic
{
    /** Of a relay that has no delay of its own, s (common practice, no source). */
    private const MOVES_S = 0.05;

    public function __construct(private Separator $separator) {}

    public function reads(): array
    {
        $engine = $this->separator->values->text('engine');

        return $this->separator->byIgnition() && $engine !== '' ? ["{$engine}.engine"] : [];
    }

    public function hears(): array
    {
        return $this->separator->senses();
    }

    public function wish(Look $look): string
    {
        if ($this->separator->byIgnition()) {
            $engine = $this->reads()[0] ?? '';

            return in_array($look->position($engine), ['idle', 'drive'], true) ? 'closed' : 'open';
        }
        foreach ($this->separator->senses() as [$pos, $neg]) {
            if ($look->charged($pos, $neg, $this->separator->values->number('closesV'))) {
                return 'closed';
            }
        }

        return 'open';
    }

    public function misset(): array
    {
        return [];
    }

    public function delayS(string $from, string $to): float
    {
        $name = $to === 'closed' ? 'closesAfterS' : 'opensAfterS';

        return max(self::MOVES_S, $this->separator->values->number($name, 0.0));
    }
}
