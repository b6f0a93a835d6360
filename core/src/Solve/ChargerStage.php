<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\PowerConverter;

/** What a charger gives at its output: held volts, its limit, or what its input lets it. */
final class ChargerStage
{
    /** A charger regulates at its own terminals: as good as stiff, ohm; what it feeds through is in its leads. */
    public const HOLD_OHM = 1e-4;

    /**
     * What a charger gives at some volts, how that changes with them, and in which way it gives.
     *
     * @param float $mostW that its input lets through
     * @param string $mode the way it gave last
     * @return array{float, float, string} A, A per V of what is drawn (what is given counts against it), mode
     */
    public static function gives(PowerConverter $charger, float $volts, float $mostW, string $mode): array
    {
        if ($mostW <= 0 || $charger->limitA <= 0) {
            return [0.0, 0.0, 'off'];
        }
        $held = ($charger->holdsV - $volts) / self::HOLD_OHM;
        $byPower = $volts > 1.0 ? $mostW / $volts : INF;
        $limit = min($charger->limitA, $byPower);
        // Neighbouring ways only, from the one it is in: jumping past "hold" would jump back for ever.
        $mode = match ($mode) {
            'hold' => $held < -1e-9 ? 'off' : ($held > $limit ? 'limit' : 'hold'),
            'off' => $held > 1e-9 ? 'hold' : 'off',
            default => $held < 0 ? 'hold' : 'limit',
        };

        return match (true) {
            $mode === 'off' => [0.0, 0.0, 'off'],
            $mode === 'hold' => [$held, 1 / self::HOLD_OHM, 'hold'],
            $byPower < $charger->limitA => [$byPower, $byPower / $volts, 'power'],
            default => [$charger->limitA, 0.0, 'limit'],
        };
    }
}
