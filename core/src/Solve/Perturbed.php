<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

/** A solved state with one admittance more or less: what a meter or a person changes. */
final class Perturbed
{
    private const MOST_ROUNDS = 80;

    /**
     * AC volts of a solved state after one admittance between two terminals has changed by so many S,
     * every demand at its power again: rank-one steps on the factor that is there.
     *
     * @return array{array<int, float>, array<int, float>} V of each node, real and imaginary
     */
    public static function volts(LoadFlowResult $flow, string $a, string $b, float $byS): array
    {
        $network = $flow->ac ?? throw new \LogicException((string) $flow->trouble);
        $volts = $flow->nodeVolts();
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $corrections = [];
            foreach ($flow->acInjections as $injection) {
                if (!$injection->isImpedance()) {
                    $i = $network->node[$injection->a];
                    $j = $network->node[$injection->b];
                    [$iRe, $iIm] = $injection->currentAt($volts[0][$i] - $volts[0][$j], $volts[1][$i] - $volts[1][$j]);
                    $corrections[] = [$injection->id, $i, $j, -$iRe, -$iIm];
                }
            }
            $after = $network->changed($network->volts($corrections), $a, $b, $byS);
            $moved = 0.0;
            foreach ($corrections as [, $i, $j]) {
                $moved = max(
                    $moved,
                    abs($after[0][$i] - $after[0][$j] - $volts[0][$i] + $volts[0][$j]) +
                        abs($after[1][$i] - $after[1][$j] - $volts[1][$i] + $volts[1][$j]),
                );
            }
            $volts = $after;
            if ($moved < 1e-7) {
                break;
            }
        }

        return $volts;
    }
}
