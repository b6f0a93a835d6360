<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Answers\RulersAnswer;
use Hollin\Core\Parts\Costs;
use Hollin\Core\Parts\Offer;
use Hollin\Core\Parts\RunCost;
use Hollin\Core\Parts\Stock;
use Hollin\Core\Parts\TakeOff;
use Hollin\Core\Parts\Wishes;

/**
 * One verdict: a part and a metre of cable have one price and one length wherever they are shown, and a bill is the sum
 * of its lines.
 */
final class Prices
{
    private const STOCK_M = 7.62;

    private const HOUR = 90.0;

    /** @var list<Violation> */
    public array $broken = [];

    /** Lines looked at. */
    public int $held = 0;

    private string $title = '';

    public function hold(Specimen $rig, Said $said): void
    {
        $this->title = $rig->title();
        if ($rig->plan === null) {
            return;
        }
        $offers = Stock::all();
        $found = $said->found();
        $take = new TakeOff($found->rig->graph, $said->rig->graph);
        $list = $take->toArray(self::STOCK_M);
        $costs = new Costs($offers, Wishes::of($rig->document->needs->unit ?? null), [], self::HOUR);
        $bill = $costs->of($list, $take->fresh());
        $this->bill($bill, count($list['out']));
        $this->lengths($list['cables'], $said);
        $rows = RulersAnswer::of($rig->document, $rig->view, new RunCost($offers))['rows'];
        $this->rows($rows, $list['cables'], $bill['lines']);
        $this->choices($costs->choices($take->fresh()), $bill['lines'], $offers);
    }

    /** @param array<string, mixed> $bill */
    public function bill(array $bill, int $out): void
    {
        foreach ($bill['lines'] as $line) {
            $this->held++;
            $this->claim(
                $line['each'] === null
                    ? $line['total'] === null
                    : abs($line['total'] - $line['each'] * $line['quantity']) <= 0.006,
                $line['label'],
                'a line is not its price times its number',
            );
            $this->claim($line['quantity'] > 0, $line['label'], 'a line of nothing');
        }
        $this->claim(
            abs($bill['material'] - array_sum(array_column($bill['lines'], 'total'))) <= 0.01,
            'material',
            'a bill is not the sum of its lines',
        );
        $this->claim(
            $bill['without'] ===
                array_column(array_filter($bill['lines'], fn(array $l): bool => $l['total'] === null), 'label'),
            'without',
            'what has no price is not told',
        );
        // Twenty minutes for each part that goes, three hours around: common practice, no source.
        $hours = (array_sum(array_column($bill['lines'], 'minutes')) + 20 * $out + 180) / 60;
        $this->claim(abs($bill['hours'] - $hours) <= 0.01, 'hours', 'hours are not those of the lines');
        $this->claim(
            abs($bill['total'] - $bill['material'] - $bill['hours'] * self::HOUR) <= 1.0,
            'total',
            'a bill is not material and hours',
        );
    }

    /** @param list<array<string, mixed>> $cables */
    private function lengths(array $cables, Said $said): void
    {
        foreach ($cables as $cable) {
            foreach ($cable['runs'] as $run) {
                $this->held++;
                $is = array_filter(
                    $said->rig->graph->elements,
                    fn($e): bool => $e->component === $run['component'] &&
                        $e->cable?->size->designation === $cable['size'] &&
                        abs($e->cable->lengthM - $run['lengthM']) < 0.005,
                );
                $this->claim($is !== [], $run['component'], 'another length where it is cut');
                $this->claim(
                    abs($run['cutM'] - (1.1 * $run['lengthM'] + 0.2)) <= 0.006,
                    $run['component'],
                    'not cut with a tenth and two loops',
                );
            }
            $this->claim(
                abs($cable['totalM'] - array_sum(array_column($cable['runs'], 'cutM'))) <= 0.02,
                $cable['size'],
                'the metres are not those of the runs',
            );
        }
    }

    /**
     * @param list<array<string, mixed>> $rows of the sizes
     * @param list<array<string, mixed>> $cables
     * @param list<array<string, mixed>> $lines of the bill
     */
    public function rows(array $rows, array $cables, array $lines): void
    {
        $priced = array_values(array_filter($lines, fn(array $l): bool => $l['group'] === 'cable'));
        $lugs = array_filter($lines, fn(array $l): bool => $l['group'] === 'lug');
        foreach ($rows as $row) {
            foreach ($cables as $n => $cable) {
                $runs = array_filter($cable['runs'], fn(array $r): bool => $r['component'] === $row['component']);
                if ($runs === [] || $cable['size'] !== $row['size'] || $cable['kind'] === 'bond') {
                    continue;
                }
                $this->held++;
                $ends = 0.0;
                if ($row['kind'] !== 'alternating') {
                    $of = fn(string $what): array => array_values(
                        array_unique(
                            array_map(
                                fn(array $l): mixed => $l['each'],
                                array_filter(
                                    $lugs,
                                    fn(array $l): bool => preg_match(
                                        '#^' . $what . ' ' . preg_quote($cable['spoken'], '#') . '($|,| )#',
                                        $l['label'],
                                    ) === 1,
                                ),
                            ),
                        ),
                    );
                    if (count($of('Lugs')) !== 1) {
                        // Lugs for several studs: the row takes the cheapest.
                        continue;
                    }
                    $ends = 2 * ($of('Lugs')[0] + ($of('Sleeves')[0] ?? 0.0));
                }
                $each = $priced[$n]['each'];
                $cost =
                    $each === null
                        ? null
                        : array_sum(array_map(fn(array $r): float => $each * $r['cutM'] + $ends, $runs));
                $this->claim(
                    ($cost === null) === ($row['cost'] === null) && abs(($cost ?? 0) - ($row['cost'] ?? 0)) <= 0.05,
                    $row['component'],
                    'a run costs something else among the sizes',
                );
            }
        }
    }

    /**
     * @param list<array<string, mixed>> $choices
     * @param list<array<string, mixed>> $lines
     * @param array<string, Offer> $offers
     */
    private function choices(array $choices, array $lines, array $offers): void
    {
        $by = array_column(array_filter($lines, fn(array $l): bool => $l['component'] !== ''), null, 'component');
        foreach ($choices as $choice) {
            $this->held++;
            $line = $by[$choice['component']] ?? null;
            $this->claim(
                $line !== null && $line['code'] === $choice['taken'],
                $choice['component'],
                'another is billed',
            );
            foreach ($choice['candidates'] as $c) {
                $this->claim(
                    $c['price'] === $offers[$c['code']]->price(),
                    $choice['component'],
                    'another price where it is chosen',
                );
            }
        }
    }

    private function claim(bool $holds, string $of, string $what): void
    {
        if (!$holds) {
            $this->broken[] = new Violation('prices', $this->title, 'as it is', 'prices', [$of], $what);
        }
    }
}
