<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

/**
 * How long steps take: usual times to begin with, moved towards what the workshop has recorded. So many records weigh
 * as much as the usual time; each of the three figures is the quantile of the records (a fifth, half, four fifths).
 */
final readonly class Times
{
    /** Records that weigh as much as what is usual. */
    private const WEIGHS = 3;

    /** @param array<string, list<float>> $recorded kind => minutes for one piece, each time it was done */
    public function __construct(private array $recorded = []) {}

    /**
     * Minutes with hands on it.
     *
     * @return array{low: float, likely: float, high: float, records: int}
     */
    public function of(Step $step): array
    {
        $usual = $step->kind->minutes();
        $own = $this->recorded[$step->kind->value] ?? [];
        sort($own);
        $n = count($own);
        $share = $n / ($n + self::WEIGHS);
        $minutes = [];
        foreach ([0.2, 0.5, 0.8] as $i => $at) {
            $minutes[] = $usual[$i] * (1 - $share) + ($n === 0 ? 0.0 : self::quantile($own, $at)) * $share;
        }
        $pieces = max(0.0, $step->pieces);

        return [
            'low' => round($minutes[0] * $pieces, 1),
            'likely' => round($minutes[1] * $pieces, 1),
            'high' => round($minutes[2] * $pieces, 1),
            'records' => $n,
        ];
    }

    /**
     * Value below which a share of sorted values lies, drawn straight between neighbours.
     *
     * @param non-empty-list<float> $sorted
     */
    private static function quantile(array $sorted, float $share): float
    {
        $at = $share * (count($sorted) - 1);
        $low = (int) floor($at);
        $high = min(count($sorted) - 1, $low + 1);

        return $sorted[$low] + ($sorted[$high] - $sorted[$low]) * ($at - $low);
    }
}
