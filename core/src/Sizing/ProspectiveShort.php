<?php

declare(strict_types=1);

namespace Hollin\Core\Sizing;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Source;

/**
 * Largest current a bank can push into a short at a terminal, for the interrupting check:
 * 1.05 × full volts ÷ (0.9 × internal resistance + cable at 20 °C). Only the positive cable
 * counts, since the short may be to a negative right beside it.
 */
final readonly class ProspectiveShort
{
    private function __construct(
        public float $currentA,
        public string $arithmetic,
        public bool $assumed,
    ) {}

    public static function source(): Source
    {
        return Source::recalled('IEC 61660-1 style: 1.05 U and 0.9 R, cable at 20 °C; maker\'s short-circuit figure wins');
    }

    /** Null when no positive conductor leads from the bank to the terminal. */
    public static function at(Graph $graph, Bank $bank, string $terminal): ?self
    {
        $cableOhm = self::cableOhm($graph, "{$bank->id}.pos", $terminal);

        return $cableOhm === null ? null : self::of($bank, $cableOhm);
    }

    public static function of(Bank $bank, float $cableOhm): self
    {
        [$bankOhm, $assumed] = $bank->resistance();
        $currentA = self::currentA($bank->fullV(), $bankOhm, $cableOhm);

        return new self($currentA, sprintf(
            '1.05 × %.2f V ÷ (0.9 × %.2f mΩ + %.2f mΩ cable)%s',
            $bank->fullV(),
            $bankOhm * 1000,
            $cableOhm * 1000,
            $assumed ? '; internal resistance assumed' : '',
        ), $assumed);
    }

    /** 1.05 U ÷ (0.9 R + cable). Volts, ohm, ohm → A. */
    public static function currentA(float $fullV, float $bankOhm, float $cableOhm): float
    {
        return 1.05 * $fullV / (0.9 * $bankOhm + $cableOhm);
    }

    private static function cableOhm(Graph $graph, string $from, string $to): ?float
    {
        $next = [];
        foreach ($graph->elements as $element) {
            if ($element->role === Role::DcPositive) {
                $ohm = $element->cable?->ohm(20) ?? 0.0;
                $next[$element->a][] = [$element->b, $ohm];
                $next[$element->b][] = [$element->a, $ohm];
            }
        }
        $best = [$from => 0.0];
        $queue = new \SplPriorityQueue();
        $queue->insert($from, 0.0);
        while (!$queue->isEmpty()) {
            $at = $queue->extract();
            foreach ($next[$at] ?? [] as [$terminal, $ohm]) {
                if ($best[$at] + $ohm < ($best[$terminal] ?? INF)) {
                    $best[$terminal] = $best[$at] + $ohm;
                    $queue->insert($terminal, -$best[$terminal]);
                }
            }
        }

        return $best[$to] ?? null;
    }
}
