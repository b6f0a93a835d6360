<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use InvalidArgumentException;

/** Equal batteries side by side, linked one to the next in both poles: what each of them gives. */
final class Ladder
{
    /** A link of a hand's width of thick cable and its two lugs, ohm. Common practice, no source; worth measuring. */
    public const LINK_OHM = 0.0002;

    /** Both poles taken from the first. */
    public const ONE_END = 'one_end';

    /** Positive from the first, negative from the last. */
    public const ACROSS = 'across';

    /**
     * A of each for a current drawn: Kirchhoff's law round each pair of neighbours, all of them together what is drawn.
     *
     * @param float $ohm of one battery
     * @param float $linkOhm of one link, in each pole
     * @return non-empty-list<float>
     * @throws InvalidArgumentException for fewer than one battery, or one without resistance
     */
    public static function amps(int $count, float $ohm, float $linkOhm, float $amps, string $takenOff): array
    {
        if ($count < 1 || $ohm <= 0 || $linkOhm < 0) {
            throw new InvalidArgumentException('A bank has batteries, each with a resistance.');
        }
        $rows = [];
        for ($k = 0; $k < $count - 1; $k++) {
            // r·i(k) − r·i(k+1) = what the links between them lose: the positive one carries all behind it; the
            // negative one the same, or, taken off across, all before it the other way.
            $row = array_fill(0, $count + 1, 0.0);
            $row[$k] += $ohm;
            $row[$k + 1] -= $ohm;
            for ($j = 0; $j < $count; $j++) {
                if ($j > $k) {
                    $row[$j] -= $takenOff === self::ACROSS ? $linkOhm : 2 * $linkOhm;
                } elseif ($takenOff === self::ACROSS) {
                    $row[$j] += $linkOhm;
                }
            }
            $rows[] = $row;
        }
        $rows[] = [...array_fill(0, $count, 1.0), $amps];

        return self::solved($rows);
    }

    /** How much more the hardest worked one gives than an equal share. */
    public static function worst(int $count, float $ohm, float $linkOhm, string $takenOff): float
    {
        return max(self::amps($count, $ohm, $linkOhm, (float) $count, $takenOff));
    }

    /**
     * Gauss, with the largest of each column.
     *
     * @param non-empty-list<array<int, float>> $rows coefficients and what they make
     * @return non-empty-list<float>
     */
    private static function solved(array $rows): array
    {
        $n = count($rows);
        for ($at = 0; $at < $n; $at++) {
            $best = $at;
            for ($r = $at + 1; $r < $n; $r++) {
                $best = abs($rows[$r][$at]) > abs($rows[$best][$at]) ? $r : $best;
            }
            [$rows[$at], $rows[$best]] = [$rows[$best], $rows[$at]];
            for ($r = 0; $r < $n; $r++) {
                $by = $r === $at ? 0.0 : $rows[$r][$at] / $rows[$at][$at];
                for ($c = $at; $by !== 0.0 && $c <= $n; $c++) {
                    $rows[$r][$c] -= $by * $rows[$at][$c];
                }
            }
        }
        $found = [];
        foreach ($rows as $at => $row) {
            $found[] = $row[$n] / $row[$at];
        }

        return $found;
    }
}
